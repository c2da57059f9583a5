import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { zodResolver } from '@hookform/resolvers/zod'
import * as z from 'zod/mini'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import { refused } from '../../lib/form'
import * as q from '../../lib/queries'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { FilePick } from '../../ui/FilePick'
import { Loading } from '../../ui/Loading'
import { capLabel, sent, shown } from './caps'
import { LimitFigure } from './Figure'

/** What is typed, as typed; whether it may be so is the server's word. */
const FORM = z.object({
  part: z.string(),
  load: z.string(),
  side: z.enum(['LEFT', 'RIGHT', 'BOTH']),
  cap: z.string(),
  strength: z.enum(['FIRM', 'ADVISED']),
  source: z.string(),
  why: z.string(),
  from: z.string(),
  until: z.string(),
  review: z.string(),
})
type Form = z.infer<typeof FORM>

const GROUPS: [string, RegExp][] = [
  ['Joints', /^joint\./],
  ['Spine', /^spine\./],
  ['Positions and surfaces', /^(surface|position|transfer|kneel)\./],
  ['Weight', /^(load|bearing)\.|^grip$/],
  ['Balance, impact, strain', /^(balance|impact|hold|pressure|complexity|effort)/],
  ['Head', /^head\./],
  ['Actions', /^act\./],
  ['Session and readings', /^(session\.|pulse|breathlessness)/],
]
const LOADS: [string, string][] = [
  ['any', 'loaded or not'],
  ['loaded', 'under load'],
  ['added', 'with added weight'],
]

/** "joint.knee-flexion.loaded" as its part and loading; other axes have no loading. */
function split(axisId: string): [string, string] {
  const m = /^((?:joint|spine)\..+)\.(any|loaded|added)$/.exec(axisId)
  return m ? [m[1] ?? axisId, m[2] ?? ''] : [axisId, '']
}

/** Whether a limit opened and saved says what it said before; one that holds already goes on from today. */
function unchanged(limit: S['LimitView'], body: S['LimitForm'], today: string): boolean {
  return (
    !body.why &&
    body.side === limit.side &&
    body.cap === limit.cap &&
    body.strength === limit.strength &&
    body.source === limit.source &&
    body.until === (limit.until ?? undefined) &&
    body.review === (limit.review ?? undefined) &&
    (body.from === limit.from || (limit.from <= today && body.from === today)) &&
    body.attachmentId === limit.attachment?.id
  )
}

/** Adding or changing a limit as a sentence, seen on a figure and in words as it is made. */
export function LimitForm(props: { clientId: string; limit?: S['LimitView']; onDone: () => void }) {
  const axes = useQuery(q.limits.axes())
  const me = useQuery(q.studio.me())
  const error = axes.error ?? me.error
  if (error) return <Failure error={error} />
  // a stored amount is turned into the studio's unit once, when that unit is known
  if (!axes.data || !me.data) return <Loading what="the axes" />
  return <Fields {...props} all={axes.data} mass={me.data.massUnit ?? 'KG'} />
}

function Fields({
  clientId,
  limit,
  onDone,
  all,
  mass,
}: {
  clientId: string
  limit?: S['LimitView']
  onDone: () => void
  all: S['AxisView'][]
  mass: string
}) {
  const today = useToday()
  const [part0, load0] = split(limit?.axisId ?? 'joint.knee-flexion.loaded')
  const form = useForm<Form>({
    resolver: zodResolver(FORM),
    defaultValues: {
      part: part0,
      load: load0,
      side: limit?.side ?? 'LEFT',
      cap: limit ? String(shown(limit.unit, limit.cap, mass)) : '60',
      strength: limit?.strength ?? 'FIRM',
      source: limit?.source ?? '',
      why: '',
      from: limit && limit.from > today ? limit.from : today,
      until: limit?.until ?? '',
      review: limit?.review ?? '',
    },
  })
  const { register, formState } = form
  const typed = useWatch({ control: form.control }) as Form
  const [file, setFile] = useState<S['Attachment'] | null>(limit?.attachment ?? null)
  const cache = useQueryClient()
  /** What is typed comes to; a field that is locked or not asked for is not read from the page. */
  const reading = (f: Form) => {
    // what a stored limit is about never changes
    const { part, load } = limit ? { part: part0, load: load0 } : f
    const loads = LOADS.filter(([l]) => all.some((a) => a.id === `${part}.${l}`))
    const axisId = loads.length ? `${part}.${loads.some(([l]) => l === load) ? load : 'any'}` : part
    const axis = all.find((a) => a.id === axisId)
    const side: Form['side'] = axis?.sided ? f.side : 'BOTH'
    // an empty field is no number, and no number is sent as none: the server asks for it
    const cap = axis?.unit === 'CLOSED' ? 0 : sent(axis?.unit ?? '', f.cap, mass, limit)
    return { part, load, loads, axisId, axis, side, cap }
  }
  const { part, load, loads, axisId, axis, side, cap } = reading(typed)
  const closes = axis?.unit === 'CLOSED'
  const sided = axis?.sided ?? false
  const words = useQuery({
    ...q.limits.words(axisId, side, cap),
    enabled: !!axis && Number.isFinite(cap),
  })
  const save = useMutation({
    mutationFn: async (f: Form) => {
      const { axisId, axis, side, cap } = reading(f)
      if (!axis) throw new Error(`no axis ${axisId}`)
      const body: S['LimitForm'] = {
        axisId,
        side,
        cap,
        strength: f.strength,
        source: f.source,
        why: given(f.why),
        from: given(f.from),
        until: given(f.until),
        review: given(f.review),
        attachmentId: file?.id,
      }
      // what was not touched is not sent
      if (limit && unchanged(limit, body, today)) return
      await (limit
        ? told(
            http.PUT('/api/limits/{id}', {
              params: { path: { id: limit.id }, header: ifMatch(limit.version) },
              body,
            }),
          )
        : told(http.POST('/api/clients/{clientId}/limits', { params: { path: { clientId } }, body })))
    },
    onError: (e) => refused(form, e),
    onSuccess: () => {
      void q.changed(cache, 'client', clientId)
      onDone()
    },
  })
  const wrong = (k: keyof Form | 'axisId') =>
    (formState.errors as Record<string, { message?: string }>)[k]?.message
  const parts = new Map<string, string>()
  for (const a of all) parts.set(split(a.id)[0], parts.get(split(a.id)[0]) ?? a.words)
  const capError = wrong('cap') ?? (words.error instanceof ApiError ? words.error.field('/cap') : undefined)
  return (
    <form
      noValidate
      className="grid gap-x-8 md:grid-cols-[1fr_230px]"
      onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}
    >
      <div>
        <div className="flex flex-wrap items-start gap-x-3" role="group" aria-label="The limit as a sentence">
          {sided && (
            <Field label="Side" error={wrong('side')}>
              {(p) => (
                <select {...p} className="!w-28" {...register('side')}>
                  <option value="LEFT">left</option>
                  <option value="RIGHT">right</option>
                  <option value="BOTH">both</option>
                </select>
              )}
            </Field>
          )}
          <Field label="What" error={wrong('axisId')}>
            {(p) => (
              <select
                {...p}
                className="!w-64"
                {...(limit ? { disabled: true, value: part } : register('part'))}
              >
                {GROUPS.map(([name, re]) => (
                  <optgroup key={name} label={name}>
                    {[...parts]
                      .filter(([id]) => re.test(id))
                      .map(([id, w]) => (
                        <option key={id} value={id}>
                          {w.replace(/ under load$| with added weight$/, '')}
                        </option>
                      ))}
                  </optgroup>
                ))}
              </select>
            )}
          </Field>
          {loads.length > 0 && (
            <Field label="Load">
              {(p) => (
                <select
                  {...p}
                  className="!w-44"
                  {...(limit ? { disabled: true, value: load } : register('load'))}
                >
                  {loads.map(([l, w]) => (
                    <option key={l} value={l}>
                      {w}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          )}
          {closes ? (
            <p className="self-center pt-5 font-semibold">closed</p>
          ) : (
            <Field
              label={capLabel(axis?.unit ?? '', mass)}
              hint={
                axis && axis.unit !== 'LEAST_MINUTES'
                  ? `0 to ${shown(axis.unit, axis.greatest, mass)}`
                  : '0 to 60'
              }
              error={capError}
            >
              {(p) => <input {...p} className="!w-28" type="number" step="any" {...register('cap')} />}
            </Field>
          )}
        </div>
        <div className="grid gap-x-4 sm:grid-cols-2">
          <Field label="Strength">
            {(p) => (
              <select {...p} {...register('strength')}>
                <option value="FIRM">firm: a clinician’s word</option>
                <option value="ADVISED">advised: our judgement</option>
              </select>
            )}
          </Field>
          <Field label="Source" hint="physio letter, R. Lind" error={wrong('source')}>
            {(p) => <input {...p} {...register('source')} />}
          </Field>
          <Field label="From" error={wrong('from')}>
            {(p) => <input {...p} type="date" {...register('from')} />}
          </Field>
          <Field
            label="Until, last day"
            hint="empty: until reviewed; a firm limit stays on"
            error={wrong('until')}
          >
            {(p) => <input {...p} type="date" {...register('until')} />}
          </Field>
          {!typed.until && (
            <Field label="Review on" hint="empty: in 12 weeks" error={wrong('review')}>
              {(p) => <input {...p} type="date" {...register('review')} />}
            </Field>
          )}
          <Field
            label="Why"
            hint={limit ? 'wanted when it gets looser; kept' : 'kept with the limit'}
            error={wrong('why')}
          >
            {(p) => <input {...p} {...register('why')} />}
          </Field>
        </div>
        <FilePick clientId={clientId} file={file} onFile={setFile} />
        <Failure error={save.error} />
        <Button main type="submit" disabled={save.isPending}>
          {limit ? 'Replace' : 'Set the limit'}
        </Button>
      </div>
      <aside aria-live="polite" className="max-md:row-start-1">
        {axis && (
          <LimitFigure
            axisId={axisId}
            unit={axis.unit}
            side={side}
            cap={cap}
            words={words.data?.words ?? '…'}
          />
        )}
      </aside>
    </form>
  )
}
