import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Suspense, useState } from 'react'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day, verdictWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { RuleLink } from '../../ui/Outcome'
import { useClient } from '../clients/useClient'
import { later } from '../../lib/later'

const Strip = later(() => import('./Strip'), 'Strip')

/** Families in rows, sessions across, verdicts beside. */
export function TolerancePage() {
  const { client } = useClient()
  const cache = useQueryClient()
  const view = useQuery(q.clients.tolerance(client.id))
  const accept = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/clients/{clientId}/verdicts/accept', { params: { path: { clientId: client.id } } }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  if (view.error) return <Failure error={view.error} />
  if (!view.data) return <Loading what="tolerance" />
  const v = view.data
  if (v.families.length === 0) return <p>No session on record yet. The first run fills this page.</p>
  return (
    <>
      <p className="mb-3 text-soft">
        {v.sessions} sessions since {v.since && day(v.since)} ·{' '}
        {v.school === 'MONITORED' ? 'monitored' : 'pain-free'} school ·{' '}
        <strong className="text-ink">
          {v.waiting === 0
            ? 'nothing to decide'
            : `${v.waiting} ${v.waiting === 1 ? 'verdict waits' : 'verdicts wait'} for you`}
        </strong>{' '}
        {v.waiting > 1 && (
          <Button onClick={() => accept.mutate()} disabled={accept.isPending} className="ml-2">
            Accept all {v.waiting}
          </Button>
        )}
      </p>
      <Failure error={accept.error} />
      <ul className="border-t-2 border-ink">
        {v.families.map((f) => (
          <Family key={f.familyId} f={f} />
        ))}
      </ul>
      <p className="mt-3 flex flex-wrap gap-x-6 text-sm text-soft">
        <span>height: rung</span>
        <span>disc size: effort</span>
        <span>ring: pain during (thicker = more)</span>
        <span>tail: pain next morning</span>
        <span>dots beneath: no check-in</span>
      </p>
    </>
  )
}

function Family({ f }: { f: S['FamilyRow'] }) {
  const [open, setOpen] = useState(false)
  return (
    <li className="border-b border-line py-3">
      <div className="grid gap-x-6 gap-y-2 md:grid-cols-[180px_1fr] lg:grid-cols-[180px_1fr_340px]">
        <div>
          <h2 className="font-bold">{f.family}</h2>
          <p className="text-sm text-soft">{f.current}</p>
          <button
            type="button"
            className="mt-1 min-h-[32px] text-sm text-teal underline underline-offset-4"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? 'hide the record' : 'the record'}
          </button>
        </div>
        <Suspense fallback={<p className="text-soft">…</p>}>
          <Strip f={f} />
        </Suspense>
        <div className="md:col-start-2 lg:col-start-3">
          {f.verdict && <Decision key={f.verdict.id + f.verdict.version} v={f.verdict} />}
        </div>
      </div>
      {open && <Record f={f} />}
    </li>
  )
}

const marks: Record<string, { shape: string; tone: string }> = {
  STEP_UP: { shape: 'M2 11 L8 4 L14 11', tone: '#4A6F36' },
  STAY: { shape: 'M2 8 L14 8', tone: '#5A6973' },
  EASE: { shape: 'M2 5 L8 12 L14 5', tone: '#B8700F' },
  STOP_AND_REFER: { shape: 'M3 3 L13 13 M13 3 L3 13', tone: '#9E2F1D' },
}

function Mark({ verdict }: { verdict: string }) {
  const m = marks[verdict]
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden className="shrink-0">
      <path d={m?.shape} fill="none" stroke={m?.tone} strokeWidth="3.4" />
    </svg>
  )
}

function Decision({ v }: { v: S['VerdictView'] }) {
  const { client } = useClient()
  const [other, setOther] = useState(false)
  const [verdict, setVerdict] = useState<S['VerdictView']['verdict']>(
    (v.decided ?? v.verdict) === 'STAY' ? 'EASE' : 'STAY',
  )
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const decide = useMutation({
    mutationFn: (d: S['VerdictDecision']) =>
      told(
        http.POST('/api/verdicts/{id}/decision', {
          params: { path: { id: v.id }, header: ifMatch(v.version) },
          body: d,
        }),
      ),
    onSuccess: (t) => {
      cache.setQueryData(q.clients.tolerance(client.id).queryKey, t)
      void q.changed(cache, 'client', client.id)
    },
  })
  const error = decide.error instanceof ApiError ? decide.error : undefined
  const waiting = v.status === 'WAITING'
  const shown = v.decided ?? v.verdict
  return (
    <div>
      <p className="flex items-center gap-2 font-bold">
        <Mark verdict={shown} /> {verdictWords[shown]}
        {!waiting && (
          <span className="text-sm font-normal text-soft">
            {statusWords[v.status] ?? `instead of ${verdictWords[v.verdict]?.toLowerCase()}`}
            {v.ended ? `, ${v.ended.by}, ${day(v.ended.on)}` : v.decidedOn && `, ${day(v.decidedOn)}`}
          </span>
        )}
      </p>
      <p className="text-sm">{v.sentence}</p>
      <p>
        <RuleLink source={v.source} rule={v.rule} />
      </p>
      {(v.ended?.reason ?? v.reason) && <p className="text-sm">“{v.ended?.reason ?? v.reason}”</p>}
      <div className="mt-1 flex flex-wrap gap-1">
        {waiting && (
          <Button main onClick={() => decide.mutate({ verdict: v.verdict })} disabled={decide.isPending}>
            Accept
          </Button>
        )}
        <Button quiet onClick={() => setOther(!other)} aria-expanded={other}>
          {v.stops ? 'End it by a recorded word' : waiting ? 'Decide otherwise' : 'Decide again'}
        </Button>
      </div>
      {other && v.stops && <EndStop v={v} />}
      {other && !v.stops && (
        <form
          className="mt-2"
          onSubmit={(e) => {
            e.preventDefault()
            decide.mutate({ verdict, reason })
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
          <Button main type="submit" disabled={decide.isPending}>
            Decide
          </Button>
        </form>
      )}
      <Failure error={decide.error} />
    </div>
  )
}

const statusWords: Record<string, string> = {
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
    onSuccess: (t) => {
      cache.setQueryData(q.clients.tolerance(client.id).queryKey, t)
      void q.changed(cache, 'client', client.id)
    },
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

function Record({ f }: { f: S['FamilyRow'] }) {
  return (
    <table className="mt-3 w-full border-collapse text-left text-sm">
      <thead className="text-soft">
        <tr>
          <th className="pb-1 font-normal">session</th>
          <th className="pb-1 font-normal">verdict, rule</th>
          <th className="pb-1 font-normal">rests on</th>
        </tr>
      </thead>
      <tbody>
        {[...f.record].reverse().map((r) => (
          <tr key={r.id} className="border-t border-line align-top">
            <td className="py-1.5 pr-4">{day(r.date)}</td>
            <td className="py-1.5 pr-4">
              {verdictWords[r.verdict]}
              {r.status === 'OVERRIDDEN' && r.decided && ` → ${verdictWords[r.decided]}: “${r.reason}”`}
              <span className="block text-[13px] text-soft">{r.rule}</span>
            </td>
            <td className="py-1.5">
              {r.restsOn.map((s) => (
                <span key={s} className="block">
                  {s}
                </span>
              ))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
