import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { day } from '../../lib/format'
import { Button, Failure, Field, Loading } from '../../ui'

const FEEL = [
  ['GOOD', 'good'],
  ['SO_SO', 'so-so'],
  ['POOR', 'poor'],
] as const

/** Words after a run: effort of the session, how it felt; then the check-in link. */
export function AfterPage() {
  const { runId = '' } = useParams()
  const run = useQuery({
    queryKey: ['run-after', runId],
    queryFn: () => api.get<S['RunView']>(`/runs/${runId}`),
  })
  const person = run.data?.people[0]
  const client = useQuery({
    queryKey: ['client', person?.clientId],
    queryFn: () => api.get<S['Client']>(`/clients/${person?.clientId}`),
    enabled: !!person,
  })
  const closed = person?.effortAfter !== undefined
  const link = useQuery({
    queryKey: ['link', runId, closed],
    queryFn: () => api.get<S['Link']>(`/runs/${runId}/check-in-link`),
    enabled: closed,
  })
  const [effort, setEffort] = useState<number | null>(null)
  const [feel, setFeel] = useState<string | null>(null)
  const [note, setNote] = useState('')
  const cache = useQueryClient()
  const close = useMutation({
    mutationFn: () => api.post<S['RunView']>(`/runs/${runId}/after`, { effort, feel, note: note || null }),
    onSuccess: () => {
      void cache.invalidateQueries()
      // closed: nothing of it stays on this device once everything is delivered
      void import('../../lib/run').then((run) => run.deliverAll()).catch(() => {})
    },
  })
  if (run.error ?? client.error) return <Failure error={run.error ?? client.error} />
  if (!run.data || !person || !client.data) return <Loading what="the session" />
  const r = run.data
  const error = close.error instanceof ApiError ? close.error : undefined
  const ended = r.state.status === 'FINISHED' || r.state.status === 'STOPPED'
  const pick = (on: boolean) =>
    `min-h-[48px] min-w-[46px] rounded border px-3 text-lg ${on ? 'border-ink bg-ink text-white' : 'border-line bg-sheet'}`
  return (
    <div className="max-w-2xl py-5">
      <h1 className="text-[26px] font-bold">After: {client.data.name}</h1>
      <p className="mb-5 text-soft">
        {r.planName}, {day(r.date)}
        {r.minutes !== undefined && `, ${r.minutes} min`} · {r.state.entries.length} sets logged
        {r.leftOpen && ' · left open, ended by itself'}
        {r.stops.map((s) => (
          <strong key={s.id} className="text-brick">
            {' '}
            · stopped: {s.words}
            {s.withdrawn && ' (withdrawn as tapped in error)'}
          </strong>
        ))}
      </p>
      {!ended && (
        <p>
          This session is still running.{' '}
          <Link className="text-teal underline" to={`/run/${r.id}`}>
            Go back in
          </Link>
        </p>
      )}
      {ended && !closed && (
        <form
          onSubmit={(e) => {
            e.preventDefault()
            close.mutate()
          }}
        >
          <fieldset className="mb-5">
            <legend className="mb-1 font-semibold">Effort of the whole session, 0 to 10</legend>
            <div className="flex flex-wrap gap-1">
              {Array.from({ length: 11 }, (_, n) => (
                <button
                  key={n}
                  type="button"
                  aria-label={`session effort ${n}`}
                  aria-pressed={effort === n}
                  className={`${pick(effort === n)} font-mono`}
                  onClick={() => setEffort(n)}
                >
                  {n}
                </button>
              ))}
            </div>
            {error?.field('/effort') && (
              <p className="mt-1 text-sm font-semibold text-brick">{error.field('/effort')}</p>
            )}
          </fieldset>
          <fieldset className="mb-5">
            <legend className="mb-1 font-semibold">How did it feel?</legend>
            <div className="flex gap-1">
              {FEEL.map(([id, words]) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={feel === id}
                  className={pick(feel === id)}
                  onClick={() => setFeel(id)}
                >
                  {words}
                </button>
              ))}
            </div>
            {error?.field('/feel') && (
              <p className="mt-1 text-sm font-semibold text-brick">{error.field('/feel')}</p>
            )}
          </fieldset>
          <Field label="Note" error={error?.field('/note')}>
            {(p) => <input {...p} value={note} onChange={(e) => setNote(e.target.value)} />}
          </Field>
          <Failure error={close.error} />
          <Button main type="submit" disabled={close.isPending}>
            Keep, and send the check-in
          </Button>
        </form>
      )}
      {closed && (
        <>
          <p className="mb-3">
            Effort {person.effortAfter}, {FEEL.find(([id]) => id === person.feel)?.[1]}
            {person.effortAfter !== undefined &&
              r.minutes !== undefined &&
              ` · session load ${person.effortAfter * r.minutes} (effort × minutes, Foster 2001)`}
            {person.note && `. “${person.note}”`}
          </p>
          {link.data?.link && (
            <div className="mb-5 border-l-4 border-teal pl-4">
              <p className="font-semibold">
                The check-in is in the outbox for {client.data.email ?? client.data.name}.
              </p>
              <p className="text-sm text-soft">Opens tomorrow, for three days, for this client only, once.</p>
              <a className="break-all text-teal underline" href={link.data.link}>
                {link.data.link}
              </a>
            </div>
          )}
          <Link className="btn btn-main" to={`/clients/${person.clientId}/tolerance`}>
            See the verdicts
          </Link>{' '}
          <Link className="btn" to="/">
            Day sheet
          </Link>
        </>
      )}
    </div>
  )
}
