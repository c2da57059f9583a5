import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { useToday } from '../../lib/today'
import { Button, Failure, Field, FilePick, Loading } from '../../ui'
import { capLabel, sent, shown } from './caps'
import { LimitFigure } from './Figure'

type Side = S['LimitView']['side']

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

/** Adding or changing a limit as a sentence, seen on a figure and in words as it is made. */
export function LimitForm(props: { clientId: string; limit?: S['LimitView']; onDone: () => void }) {
  const axes = useQuery({
    queryKey: ['axes'],
    queryFn: () => api.get<S['AxisView'][]>('/axes'),
    staleTime: Infinity,
  })
  const me = useQuery({ queryKey: ['me'], queryFn: () => api.get<S['Me']>('/me') })
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
  const [part, setPart] = useState(part0)
  const [load, setLoad] = useState(load0)
  const [side, setSide] = useState<Side>(limit?.side ?? 'LEFT')
  const [typed, setTyped] = useState(limit ? String(shown(limit.unit, limit.cap, mass)) : '60')
  const [form, setForm] = useState({
    strength: limit?.strength ?? ('FIRM' as S['LimitView']['strength']),
    source: limit?.source ?? '',
    why: '',
    from: limit && limit.from > today ? limit.from : today,
    until: limit?.until ?? '',
    review: limit?.review ?? '',
  })
  const [file, setFile] = useState<S['Attachment'] | null>(limit?.attachment ?? null)
  const cache = useQueryClient()
  const loads = LOADS.filter(([l]) => all.some((a) => a.id === `${part}.${l}`))
  const axisId = loads.length ? `${part}.${loads.some(([l]) => l === load) ? load : 'any'}` : part
  const axis = all.find((a) => a.id === axisId)
  const closes = axis?.unit === 'CLOSED'
  const sided = axis?.sided ?? false
  // an empty field is no number, and no number is sent as none: the server asks for it
  const cap = closes ? 0 : sent(axis?.unit ?? '', typed, mass, limit)
  const words = useQuery({
    queryKey: ['words', axisId, sided ? side : 'BOTH', cap],
    queryFn: () =>
      api.get<S['LimitWords']>(
        `/axes/words?axisId=${encodeURIComponent(axisId)}&side=${sided ? side : 'BOTH'}&cap=${cap}`,
      ),
    enabled: !!axis && Number.isFinite(cap),
    retry: false,
    staleTime: Infinity,
  })
  const save = useMutation({
    mutationFn: () => {
      const body = {
        axisId,
        side: sided ? side : 'BOTH',
        cap,
        strength: form.strength,
        source: form.source,
        why: form.why || null,
        from: form.from,
        until: form.until || null,
        review: form.review || null,
        attachmentId: file?.id ?? null,
      }
      const same =
        limit &&
        !form.why &&
        body.side === limit.side &&
        body.cap === limit.cap &&
        body.strength === limit.strength &&
        body.source === limit.source &&
        body.until === (limit.until ?? null) &&
        body.review === (limit.review ?? null) &&
        (body.from === limit.from || (limit.from <= today && body.from === today)) &&
        body.attachmentId === (limit.attachment?.id ?? null)
      // what was not touched is not sent
      if (same) return Promise.resolve()
      return limit
        ? api.put(`/limits/${limit.id}`, body, limit.version)
        : api.post(`/clients/${clientId}/limits`, body)
    },
    onSuccess: () => {
      void cache.invalidateQueries()
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const parts = new Map<string, string>()
  for (const a of all) parts.set(split(a.id)[0], parts.get(split(a.id)[0]) ?? a.words)
  const capError =
    error?.field('/cap') ?? (words.error instanceof ApiError ? words.error.field('/cap') : undefined)
  return (
    <form
      noValidate
      className="grid gap-x-8 md:grid-cols-[1fr_230px]"
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <div>
        <div className="flex flex-wrap items-start gap-x-3" role="group" aria-label="The limit as a sentence">
          {sided && (
            <Field label="Side" error={error?.field('/side')}>
              {(p) => (
                <select
                  {...p}
                  className="!w-28"
                  value={side}
                  onChange={(e) => setSide(e.target.value as Side)}
                >
                  <option value="LEFT">left</option>
                  <option value="RIGHT">right</option>
                  <option value="BOTH">both</option>
                </select>
              )}
            </Field>
          )}
          <Field label="What" error={error?.field('/axisId')}>
            {(p) => (
              <select
                {...p}
                className="!w-64"
                disabled={!!limit}
                value={part}
                onChange={(e) => setPart(e.target.value)}
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
                  disabled={!!limit}
                  value={load}
                  onChange={(e) => setLoad(e.target.value)}
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
              {(p) => (
                <input
                  {...p}
                  className="!w-28"
                  type="number"
                  step="any"
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                />
              )}
            </Field>
          )}
        </div>
        <div className="grid gap-x-4 sm:grid-cols-2">
          <Field label="Strength">
            {(p) => (
              <select
                {...p}
                value={form.strength}
                onChange={(e) => setForm({ ...form, strength: e.target.value as typeof form.strength })}
              >
                <option value="FIRM">firm: a clinician’s word</option>
                <option value="ADVISED">advised: our judgement</option>
              </select>
            )}
          </Field>
          <Field label="Source" hint="physio letter, R. Lind" error={error?.field('/source')}>
            {(p) => (
              <input
                {...p}
                value={form.source}
                onChange={(e) => setForm({ ...form, source: e.target.value })}
              />
            )}
          </Field>
          <Field label="From" error={error?.field('/from')}>
            {(p) => (
              <input
                {...p}
                type="date"
                value={form.from}
                onChange={(e) => setForm({ ...form, from: e.target.value })}
              />
            )}
          </Field>
          <Field
            label="Until, last day"
            hint="empty: until reviewed; a firm limit stays on"
            error={error?.field('/until')}
          >
            {(p) => (
              <input
                {...p}
                type="date"
                value={form.until}
                onChange={(e) => setForm({ ...form, until: e.target.value })}
              />
            )}
          </Field>
          {!form.until && (
            <Field label="Review on" hint="empty: in 12 weeks" error={error?.field('/review')}>
              {(p) => (
                <input
                  {...p}
                  type="date"
                  value={form.review}
                  onChange={(e) => setForm({ ...form, review: e.target.value })}
                />
              )}
            </Field>
          )}
          <Field
            label="Why"
            hint={limit ? 'wanted when it gets looser; kept' : 'kept with the limit'}
            error={error?.field('/why')}
          >
            {(p) => (
              <input {...p} value={form.why} onChange={(e) => setForm({ ...form, why: e.target.value })} />
            )}
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
            side={sided ? side : 'BOTH'}
            cap={cap}
            words={words.data?.words ?? '…'}
          />
        )}
      </aside>
    </form>
  )
}
