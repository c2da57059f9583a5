import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { ApiError, type S, http, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Choice, Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { SentLink } from '../checkin/SentLink'
import { FEEL, wordsOf, type Words } from './after'
import { AfterGroup } from './AfterGroup'

/** Words after a run, for one or for everybody of it: effort, how it felt, any symptom; then the check-in. */
export function AfterPage() {
  const { runId = '' } = useParams()
  const run = useQuery(q.runs.one(runId))
  if (run.error) return <Failure error={run.error} />
  if (!run.data) return <Loading what="the session" />
  const r = run.data
  const ended = r.state.status === 'FINISHED' || r.state.status === 'STOPPED'
  const [person] = r.people
  const open = !ended && (
    <p>
      This session is still running.{' '}
      <Link className="text-teal underline" to={`/run/${r.id}`}>
        Go back in
      </Link>
    </p>
  )
  const about = (
    <p className="mb-5 text-soft">
      {r.planName}, {day(r.date)}
      {r.minutes !== undefined && `, ${r.minutes} min`} ·{' '}
      {r.state.entries.length === 1 ? '1 set' : `${r.state.entries.length} sets`} logged
      {r.leftOpen && ' · left open, ended by itself'}
      {!r.group &&
        r.stops.map((s) => (
          <strong key={s.id} className="text-brick">
            {' '}
            · stopped: {s.words}
            {s.withdrawn && ' (withdrawn as tapped in error)'}
          </strong>
        ))}
    </p>
  )
  if (r.group)
    return (
      <div className="py-5">
        <h1 className="text-[26px] font-bold">After: {r.group.name}</h1>
        {about}
        {open || <AfterGroup run={r} />}
      </div>
    )
  return (
    <div className="max-w-2xl py-5">
      <h1 className="text-[26px] font-bold">After: {person?.name}</h1>
      {about}
      {open || (person && <One run={r} person={person} />)}
    </div>
  )
}

/** What hangs on the words of a run is asked anew, and the device lets go of what is delivered. */
export function useKeep(runId: string) {
  const cache = useQueryClient()
  return () => {
    void q.changed(cache, 'run', runId)
    // closed: nothing of it stays on this device once everything is delivered
    void import('../../lib/run').then((run) => run.deliverAll()).catch(() => {})
  }
}

export const keepWords = (runId: string, clientId: string, w: Words) =>
  told(
    http.POST('/api/runs/{id}/after', {
      params: { path: { id: runId } },
      body: {
        effort: given(w.effort),
        feel: given(w.feel),
        note: given(w.note.trim()),
        symptom: given(w.symptom),
        clientId,
      },
    }),
  )

function One({ run, person }: { run: S['RunView']; person: S['RunPersonView'] }) {
  const closed = person.effortAfter !== undefined
  const today = useToday()
  const client = useQuery(q.clients.one(person.clientId))
  const links = useQuery({ ...q.runs.checkInLinks(run.id), enabled: closed })
  const [w, setWords] = useState<Words>({ effort: null, feel: null, symptom: null, note: '' })
  const keep = useKeep(run.id)
  const close = useMutation({
    mutationFn: () => keepWords(run.id, person.clientId, w),
    onSuccess: keep,
  })
  const error = close.error instanceof ApiError ? close.error : undefined
  const advice = run.after.find((a) => a.symptom === w.symptom)?.advice
  const link = links.data?.[0]?.link
  return closed ? (
    <>
      <p className="mb-3">
        {wordsOf(run, person)}
        {person.effortAfter !== undefined &&
          run.minutes !== undefined &&
          ` · session load ${person.effortAfter * run.minutes} (effort × minutes, Foster 2001)`}
        {person.note && `. “${person.note}”`}
      </p>
      {link && (
        <div className="mb-5 border-l-4 border-teal pl-4">
          <p className="font-semibold">
            The check-in is in the outbox for {client.data?.email ?? person.name}.
          </p>
          <p className="mb-1 text-sm text-soft">
            {run.date < today ? 'Open now' : 'Opens tomorrow'}, for three days, for this client only
            {(links.data?.length ?? 0) > 1 ? '; a second one comes on the third day' : ''}.
          </p>
          <SentLink link={link} whose={person.name} />
        </div>
      )}
      <Link className="btn btn-main" to={`/clients/${person.clientId}/tolerance`}>
        See the verdicts
      </Link>{' '}
      <Link className="btn" to="/">
        Day sheet
      </Link>
    </>
  ) : (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        close.mutate()
      }}
    >
      <Scale
        label="Effort of the whole session, 0 to 10"
        name="session effort"
        value={w.effort}
        onChange={(effort) => setWords({ ...w, effort })}
        error={error?.field('/effort')}
      />
      <Choice
        label="How did it feel?"
        options={FEEL}
        value={w.feel}
        onChange={(feel) => setWords({ ...w, feel })}
        error={error?.field('/feel')}
      />
      <Choice
        label="Any symptom now?"
        options={run.after.map((a) => [a.symptom, a.words] as const)}
        value={w.symptom}
        onChange={(symptom) => setWords({ ...w, symptom })}
        error={error?.field('/symptom')}
      />
      {advice && (
        <p role="alert" className="-mt-2 mb-4 border-l-4 border-ochre pl-3 font-semibold text-ochre-deep">
          {advice}
        </p>
      )}
      <Field label="Note" error={error?.field('/note')}>
        {(p) => (
          <input
            {...p}
            maxLength={400}
            value={w.note}
            onChange={(e) => setWords({ ...w, note: e.target.value })}
          />
        )}
      </Field>
      <Failure error={close.error} />
      <Button main type="submit" disabled={close.isPending}>
        Keep, and send the check-in
      </Button>
    </form>
  )
}
