import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { useClient } from './useClient'

type Rec = S['ClientRecord']

const EFFECTS: [string, string][] = [
  ['SLOWS_PULSE', 'slows the pulse'],
  ['LOWERS_PRESSURE', 'lowers blood pressure'],
  ['LOWERS_SUGAR', 'lowers blood sugar'],
  ['THINS_BLOOD', 'thins the blood'],
  ['STEROID', 'steroid'],
  ['OTHER', 'other'],
]
const LINES: [string, string][] = [
  ['SYSTOLIC_HIGH', 'systolic, mmHg, at or over'],
  ['DIASTOLIC_HIGH', 'diastolic, mmHg, at or over'],
  ['PULSE_HIGH', 'resting pulse, bpm, at or over'],
  ['PULSE_LOW', 'resting pulse, bpm, at or under'],
  ['SATURATION_LOW', 'saturation, %, at or under'],
  ['GLUCOSE_HIGH', 'glucose, mmol/L, at or over'],
  ['GLUCOSE_LOW', 'glucose, mmol/L, at or under'],
]
const SIDES: [string, string][] = [
  ['', 'no side'],
  ['LEFT', 'left'],
  ['RIGHT', 'right'],
  ['BOTH', 'both'],
]

/** What is known of a client beyond the form: history, measures that rules rest on, care plan, consent. */
export function RecordPage() {
  const { client } = useClient()
  return <RecordForm key={client.version} client={client} />
}

function RecordForm({ client }: { client: S['Client'] }) {
  const [r, setR] = useState<Rec>(client.record)
  const [saved, setSaved] = useState(false)
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      told(
        http.PUT('/api/clients/{id}/record', {
          params: { path: { id: client.id }, header: ifMatch(client.version) },
          body: r,
        }),
      ),
    onSuccess: async () => {
      setSaved(true)
      await q.changed(cache, 'client', client.id)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const set = (more: Partial<Rec>) => {
    setR({ ...r, ...more })
    setSaved(false)
  }
  const text = (k: 'emergencyName' | 'emergencyPhone', label: string) => (
    <Field label={label} error={error?.field('/' + k)}>
      {(p) => <input {...p} value={r[k] ?? ''} onChange={(e) => set({ [k]: e.target.value || undefined })} />}
    </Field>
  )
  const number = (
    k: 'kneeCm' | 'restingPulse' | 'measuredMaximum' | 'clinicCap' | 'usualSystolic' | 'usualSaturation',
    label: string,
    hint: string,
  ) => (
    <Field label={label} hint={hint} error={error?.field('/' + k)}>
      {(p) => (
        <input
          {...p}
          type="number"
          value={r[k] ?? ''}
          onChange={(e) => set({ [k]: e.target.value === '' ? undefined : Number(e.target.value) })}
        />
      )}
    </Field>
  )
  const pick = (k: 'legFunction' | 'trunkControl', label: string) => (
    <Field label={label} hint="for wheelchair users">
      {(p) => (
        <select
          {...p}
          value={r[k] ?? ''}
          onChange={(e) => set({ [k]: e.target.value || undefined } as Partial<Rec>)}
        >
          <option value="">not recorded</option>
          <option value="NONE">none</option>
          <option value="SOME">some</option>
          <option value="FULL">full</option>
        </select>
      )}
    </Field>
  )
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <div className="grid gap-x-10 lg:grid-cols-2">
        <div>
          <Rows
            title="Conditions"
            list={r.conditions ?? []}
            blank={{ name: '' }}
            at="/conditions"
            error={error}
            onChange={(conditions) => set({ conditions })}
            row={(c, put, name) => (
              <>
                {name(
                  <input
                    aria-label="Condition"
                    placeholder="condition"
                    value={c.name}
                    onChange={(e) => put({ ...c, name: e.target.value })}
                  />,
                )}
                <Pick
                  label="Side of the condition"
                  options={SIDES}
                  value={c.side ?? ''}
                  onChange={(v) => put({ ...c, side: (v || undefined) as typeof c.side })}
                />
                <input
                  aria-label="Condition since"
                  type="date"
                  value={c.since ?? ''}
                  onChange={(e) => put({ ...c, since: e.target.value || undefined })}
                />
                <input
                  aria-label="Note on the condition"
                  placeholder="note"
                  value={c.note ?? ''}
                  onChange={(e) => put({ ...c, note: e.target.value || undefined })}
                />
              </>
            )}
          />
          <Rows
            title="Operations"
            list={r.operations ?? []}
            blank={{ name: '' }}
            at="/operations"
            error={error}
            onChange={(operations) => set({ operations })}
            row={(o, put, name) => (
              <>
                {name(
                  <input
                    aria-label="Operation"
                    placeholder="operation"
                    value={o.name}
                    onChange={(e) => put({ ...o, name: e.target.value })}
                  />,
                )}
                <Pick
                  label="Side of the operation"
                  options={SIDES}
                  value={o.side ?? ''}
                  onChange={(v) => put({ ...o, side: (v || undefined) as typeof o.side })}
                />
                <input
                  aria-label="Date of the operation"
                  type="date"
                  value={o.on ?? ''}
                  onChange={(e) => put({ ...o, on: e.target.value || undefined })}
                />
                <input
                  aria-label="The surgeon’s word"
                  placeholder="surgeon’s word"
                  value={o.word ?? ''}
                  onChange={(e) => put({ ...o, word: e.target.value || undefined })}
                />
              </>
            )}
          />
          <Rows
            title="Medicines relevant to exercise"
            list={r.medicines ?? []}
            blank={{ name: '', effect: 'OTHER' as const }}
            at="/medicines"
            error={error}
            onChange={(medicines) => set({ medicines })}
            row={(m, put, name) => (
              <>
                {name(
                  <input
                    aria-label="Medicine"
                    placeholder="medicine"
                    value={m.name}
                    onChange={(e) => put({ ...m, name: e.target.value })}
                  />,
                )}
                <Pick
                  label="What it does"
                  options={EFFECTS}
                  value={m.effect}
                  onChange={(v) => put({ ...m, effect: v as typeof m.effect })}
                />
              </>
            )}
          />
          <Rows
            title="More goals, in the client’s words"
            list={(r.goals ?? []).map((g) => ({ g }))}
            blank={{ g: '' }}
            at="/goals"
            error={error}
            onChange={(goals) => set({ goals: goals.map((x) => x.g) })}
            row={(g, put) => (
              <input
                aria-label="Goal"
                value={g.g}
                onChange={(e) => put({ g: e.target.value })}
                className="sm:col-span-4"
              />
            )}
          />
        </div>
        <div>
          <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">Measures that rules rest on</h2>
          <div className="grid gap-x-4 sm:grid-cols-2">
            {number('restingPulse', 'Resting pulse', 'bpm')}
            {number('measuredMaximum', 'Measured maximum pulse', 'bpm, from a test; outranks formulas')}
            {number('clinicCap', 'Pulse cap set by the clinic', 'bpm')}
            {number('usualSystolic', 'Usual systolic', 'mmHg, wanted for injury at T6 or above')}
            {number('usualSaturation', 'Usual saturation at rest', '%, for lung disease')}
            {number('kneeCm', 'Knee height', 'cm, for seats that must be higher')}
            <label className="flex min-h-[42px] items-center gap-2 self-center">
              <input
                type="checkbox"
                checked={r.olderMaximum}
                onChange={(e) => set({ olderMaximum: e.target.checked })}
              />
              use 220 − age, the older school
            </label>
            {pick('legFunction', 'Leg function')}
            {pick('trunkControl', 'Trunk control')}
          </div>
          <Rows
            title="Own care plan: not today at"
            list={r.careLines ?? []}
            blank={{ kind: 'SYSTOLIC_HIGH' as const, value: 160 }}
            at="/careLines"
            error={error}
            onChange={(careLines) => set({ careLines })}
            row={(c, put) => (
              <>
                <Pick
                  label="Reading"
                  options={LINES}
                  value={c.kind}
                  onChange={(v) => put({ ...c, kind: v as typeof c.kind })}
                />
                <input
                  aria-label="Line"
                  type="number"
                  step="any"
                  value={c.value}
                  onChange={(e) => put({ ...c, value: Number(e.target.value) })}
                />
                <input
                  aria-label="Clinician who set the line"
                  placeholder="clinician"
                  value={c.by ?? ''}
                  onChange={(e) => put({ ...c, by: e.target.value || undefined })}
                />
                <input
                  aria-label="Date of the clinician’s word"
                  type="date"
                  value={c.on ?? ''}
                  onChange={(e) => put({ ...c, on: e.target.value || undefined })}
                />
              </>
            )}
          />
          <p className="mb-5 text-[13px] text-soft">
            A line may tighten the usual ones; a looser one needs a clinician’s name and date. Urgent stays
            urgent.
          </p>
          <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">In an emergency call</h2>
          <div className="grid gap-x-4 sm:grid-cols-2">
            {text('emergencyName', 'Name')}
            {text('emergencyPhone', 'Telephone')}
          </div>
          <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">Consent to keep this record</h2>
          <div className="grid gap-x-4 sm:grid-cols-3">
            <Field label="Given on" error={error?.field('/consent/on')}>
              {(p) => (
                <input
                  {...p}
                  type="date"
                  value={r.consent?.on ?? ''}
                  onChange={(e) =>
                    set({
                      consent: e.target.value
                        ? { ...r.consent, name: r.consent?.name ?? client.name, on: e.target.value }
                        : undefined,
                    })
                  }
                />
              )}
            </Field>
            <Field label="Signed by" error={error?.field('/consent/name')}>
              {(p) => (
                <input
                  {...p}
                  disabled={!r.consent}
                  value={r.consent?.name ?? ''}
                  onChange={(e) => r.consent && set({ consent: { ...r.consent, name: e.target.value } })}
                />
              )}
            </Field>
            <label className="flex min-h-[42px] items-center gap-2 self-center">
              <input
                type="checkbox"
                disabled={!r.consent}
                checked={r.consent?.letters === true}
                onChange={(e) => r.consent && set({ consent: { ...r.consent, letters: e.target.checked } })}
              />
              letters may go to doctor, midwife or physiotherapist
            </label>
            <Field
              label="Withdrawn on"
              hint="from then on nothing new is recorded"
              error={error?.field('/consent/withdrawnOn')}
            >
              {(p) => (
                <input
                  {...p}
                  type="date"
                  disabled={!r.consent}
                  value={r.consent?.withdrawnOn ?? ''}
                  onChange={(e) =>
                    r.consent && set({ consent: { ...r.consent, withdrawnOn: e.target.value || undefined } })
                  }
                />
              )}
            </Field>
          </div>
        </div>
      </div>
      <Failure error={save.error} />
      <div className="flex items-center gap-3">
        <Button main type="submit" disabled={save.isPending}>
          Save the record
        </Button>
        {saved && <span role="status">saved</span>}
      </div>
    </form>
  )
}

function Pick({
  label,
  options,
  value,
  onChange,
}: {
  label: string
  options: [string, string][]
  value: string
  onChange: (v: string) => void
}) {
  return (
    <select aria-label={label} value={value} onChange={(e) => onChange(e.target.value)}>
      {options.map(([v, w]) => (
        <option key={v} value={v}>
          {w}
        </option>
      ))}
    </select>
  )
}

/** A list of small rows to add to, change and take out. */
function Rows<T>({
  title,
  list,
  blank,
  at,
  error,
  row,
  onChange,
}: {
  title: string
  list: T[]
  blank: T
  at: string
  error?: ApiError
  row: (value: T, put: (v: T) => void, name: (input: ReactNode) => ReactNode) => ReactNode
  onChange: (list: T[]) => void
}) {
  const wrong = error?.problem.errors?.filter((e) => e.pointer.startsWith(at)) ?? []
  return (
    <section className="mb-5" aria-label={title}>
      <h2 className="mb-2 flex items-end justify-between border-b-2 border-ink pb-1 font-bold">
        {title}
        <Button
          quiet
          className="!min-h-[24px]"
          onClick={() => onChange([...list, blank])}
          aria-label={`Add to ${title}`}
        >
          Add
        </Button>
      </h2>
      {list.length === 0 && <p className="text-sm text-soft">none noted</p>}
      {list.map((v, i) => (
        <div key={i} className="mb-2 flex gap-2">
          <div className="grid flex-1 gap-2 sm:grid-cols-[1.4fr_110px_150px_1fr]">
            {row(
              v,
              (n) => onChange(list.map((x, j) => (j === i ? n : x))),
              (input) => input,
            )}
          </div>
          <Button
            quiet
            onClick={() => onChange(list.filter((_, j) => j !== i))}
            aria-label={`Take out row ${i + 1} of ${title}`}
          >
            Take out
          </Button>
        </div>
      ))}
      {wrong.map((w) => (
        <p key={w.pointer} className="text-sm font-semibold text-brick">
          {w.detail}
        </p>
      ))}
    </section>
  )
}
