import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { ApiError, http, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Choice, Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'

const FEEL = [
  ['GOOD', 'good'],
  ['SO_SO', 'so-so'],
  ['POOR', 'poor'],
] as const

/** Words after a run: effort of the session, how it felt; then the check-in link. */
export function AfterPage() {
  const { runId = '' } = useParams()
  const run = useQuery(q.runs.one(runId))
  const person = run.data?.people[0]
  const client = useQuery({ ...q.clients.one(person?.clientId ?? ''), enabled: !!person })
  const closed = person?.effortAfter !== undefined
  const link = useQuery({ ...q.runs.checkInLink(runId), enabled: closed })
  const [effort, setEffort] = useState<number | null>(null)
  const [feel, setFeel] = useState<(typeof FEEL)[number][0] | null>(null)
  const [note, setNote] = useState('')
  const cache = useQueryClient()
  const close = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/runs/{id}/after', {
          params: { path: { id: runId } },
          body: { effort: given(effort), feel: given(feel), note: given(note) },
        }),
      ),
    onSuccess: () => {
      void q.changed(cache, 'run', runId)
      // closed: nothing of it stays on this device once everything is delivered
      void import('../../lib/run').then((run) => run.deliverAll()).catch(() => {})
    },
  })
  if (run.error ?? client.error) return <Failure error={run.error ?? client.error} />
  if (!run.data || !person || !client.data) return <Loading what="the session" />
  const r = run.data
  const error = close.error instanceof ApiError ? close.error : undefined
  const ended = r.state.status === 'FINISHED' || r.state.status === 'STOPPED'
  return (
    <div className="max-w-2xl py-5">
      <h1 className="text-[26px] font-bold">After: {client.data.name}</h1>
      <p className="mb-5 text-soft">
        {r.planName}, {day(r.date)}
        {r.minutes !== undefined && `, ${r.minutes} min`} ·{' '}
        {r.state.entries.length === 1 ? '1 set' : `${r.state.entries.length} sets`} logged
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
          <Scale
            label="Effort of the whole session, 0 to 10"
            name="session effort"
            value={effort}
            onChange={setEffort}
            error={error?.field('/effort')}
          />
          <Choice
            label="How did it feel?"
            options={FEEL}
            value={feel}
            onChange={setFeel}
            error={error?.field('/feel')}
          />
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
