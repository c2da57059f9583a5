import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day, verdictWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { useClient } from '../clients/useClient'

const marks: Record<string, { shape: string; tone: string }> = {
  STEP_UP: { shape: 'M2 11 L8 4 L14 11', tone: '#4A6F36' },
  STAY: { shape: 'M2 8 L14 8', tone: '#5A6973' },
  EASE: { shape: 'M2 5 L8 12 L14 5', tone: '#B8700F' },
  STOP_AND_REFER: { shape: 'M3 3 L13 13 M13 3 L3 13', tone: '#9E2F1D' },
}

export function Mark({ verdict }: { verdict: string }) {
  const m = marks[verdict]
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden className="shrink-0">
      <path d={m?.shape} fill="none" stroke={m?.tone} strokeWidth="3.4" />
    </svg>
  )
}

/** What the record says of a family, and the professional's word on it. */
export function Decision({ v }: { v: S['VerdictView'] }) {
  const { client } = useClient()
  const [other, setOther] = useState(false)
  const cache = useQueryClient()
  const decide = useMutation({
    mutationFn: (d: S['VerdictDecision']) =>
      told(
        http.POST('/api/verdicts/{id}/decision', {
          params: { path: { id: v.id }, header: ifMatch(v.version) },
          body: d,
        }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  const waiting = v.status === 'WAITING'
  const shown = v.decided ?? v.verdict
  return (
    <div>
      <p className="flex flex-wrap items-center gap-x-2 font-bold">
        <Mark verdict={shown} /> {verdictWords[shown]}
        {!waiting && (
          <span className="text-sm font-normal text-soft">
            {statusWords[v.status] ?? `instead of ${verdictWords[v.verdict]?.toLowerCase()}`}
            {v.ended ? `, ${v.ended.by}, ${day(v.ended.on)}` : v.decidedOn && `, ${day(v.decidedOn)}`}
          </span>
        )}
      </p>
      <p className="text-sm">{v.sentence}</p>
      {v.between && <p className="text-sm">{v.between}</p>}
      {v.strength && <p className="text-[13px] text-soft">{v.strength}</p>}
      {v.again && <p className="text-[13px] text-ochre-deep">Reckoned anew: {v.again}.</p>}
      {v.changed && (
        <p className="text-[13px] text-ochre-deep">
          Limits, kit or the record have changed since {day(v.date)}: it was{' '}
          {verdictWords[v.verdict]?.toLowerCase()}.
        </p>
      )}
      <p className="text-[13px] text-soft">
        <a
          className="underline decoration-dotted underline-offset-2"
          href={`/rules?q=${encodeURIComponent(v.rule)}`}
          target="_blank"
          rel="noreferrer"
        >
          {v.source}
        </a>
      </p>
      {(v.ended?.reason ?? v.reason) && <p className="text-sm">“{v.ended?.reason ?? v.reason}”</p>}
      <div className="no-print mt-1 flex flex-wrap gap-1">
        {waiting && !v.changed && (
          <Button main onClick={() => decide.mutate({ verdict: v.verdict })} disabled={decide.isPending}>
            Accept
          </Button>
        )}
        <Button quiet onClick={() => setOther(!other)} aria-expanded={other}>
          {v.stops ? 'end it by a recorded word' : waiting ? 'decide otherwise' : 'decide again'}
        </Button>
      </div>
      {other && v.stops && <EndStop v={v} />}
      {other && !v.stops && (
        <Otherwise v={v} busy={decide.isPending} decide={decide.mutate} failure={decide.error} />
      )}
      {!other && <Failure error={decide.error} />}
    </div>
  )
}

/** Another of the changes offered, which wants no reason, or another verdict, which does. */
function Otherwise({
  v,
  busy,
  decide,
  failure,
}: {
  v: S['VerdictView']
  busy: boolean
  decide: (d: S['VerdictDecision']) => void
  failure: Error | null
}) {
  const [verdict, setVerdict] = useState<S['VerdictView']['verdict']>(
    (v.decided ?? v.verdict) === 'STAY' ? 'EASE' : 'STAY',
  )
  const [reason, setReason] = useState('')
  const error = failure instanceof ApiError ? failure : undefined
  return (
    <div className="mt-2">
      {v.ways.length > 0 && (
        <div className="mb-3">
          <p className="text-sm text-soft">
            {v.verdict === 'STAY' ? 'A change of the same' : 'By another way'}
          </p>
          {v.ways.map((w) => (
            <Button
              key={w.kind}
              quiet
              disabled={busy || v.changed}
              className="mr-1"
              onClick={() => decide({ verdict: v.verdict, way: w.kind })}
            >
              {w.words}
            </Button>
          ))}
        </div>
      )}
      <form
        onSubmit={(e) => {
          e.preventDefault()
          decide({ verdict, reason })
        }}
      >
        <Field label="Instead">
          {(p) => (
            <select {...p} value={verdict} onChange={(e) => setVerdict(e.target.value as typeof verdict)}>
              {Object.entries(verdictWords).map(([k, w]) => (
                <option key={k} value={k}>
                  {w}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Reason, kept in the record" error={error?.field('/reason')}>
          {(p) => <input {...p} value={reason} onChange={(e) => setReason(e.target.value)} />}
        </Field>
        <Button main type="submit" disabled={busy}>
          Decide
        </Button>
      </form>
      {!error?.field('/reason') && <Failure error={failure} />}
    </div>
  )
}

export const statusWords: Record<string, string> = {
  ACCEPTED: 'accepted',
  SETTLED: 'settled by itself',
  SUPERSEDED: 'overtaken by a later session',
  ENDED: 'after a stop that was ended',
}

/** A stop and refer ends by a clinician's word, or by one's own for a cleared false alarm. */
function EndStop({ v }: { v: S['VerdictView'] }) {
  const { client } = useClient()
  const [form, setForm] = useState({ by: '', on: '', reason: '' })
  const cache = useQueryClient()
  const end = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/verdicts/{id}/end', {
          params: { path: { id: v.id }, header: ifMatch(v.version) },
          body: { ...form, on: given(form.on) },
        }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  const error = end.error instanceof ApiError ? end.error : undefined
  return (
    <form
      className="mt-2"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        end.mutate()
      }}
    >
      <Field
        label="Whose word"
        hint="a clinician with name and role; yourself only for a cleared false alarm"
        error={error?.field('/by')}
      >
        {(p) => <input {...p} value={form.by} onChange={(e) => setForm({ ...form, by: e.target.value })} />}
      </Field>
      <Field label="Date of the word" error={error?.field('/on')}>
        {(p) => (
          <input
            {...p}
            type="date"
            value={form.on}
            onChange={(e) => setForm({ ...form, on: e.target.value })}
          />
        )}
      </Field>
      <Field label="What was cleared" error={error?.field('/reason')}>
        {(p) => (
          <input {...p} value={form.reason} onChange={(e) => setForm({ ...form, reason: e.target.value })} />
        )}
      </Field>
      <p className="mb-2 text-sm text-soft">The family opens again a step below where it was stopped.</p>
      <Button main type="submit" disabled={end.isPending}>
        Record, and open the family
      </Button>
      {error && !error.problem.errors && <Failure error={error} />}
    </form>
  )
}
