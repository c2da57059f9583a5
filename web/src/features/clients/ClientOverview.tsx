import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day, fullDay, outcomeWords } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { OutcomeMark, RuleLink } from '../../ui/Outcome'
import { nextStep } from './next'
import { consequence, HAPPENED } from './happened'
import { useClient } from './useClient'
import { ThroughDay } from './ThroughDay'

/** A client at a glance: how they stand, what to do next, what is known. */
export function ClientOverview() {
  const { client, readiness } = useClient()
  const [happening, setHappening] = useState(false)
  const outcome = readiness.outcome ?? 'NOT_SCREENED'
  const blocked = readiness.findings.some((f) => f.outcome === 'CLEARANCE_ONLY' || f.outcome === 'ASK_FIRST')
  const rescreen = readiness.findings.some((f) => f.rule.startsWith('standing.rescreen.'))
  const r = client.record
  const terms: [string, string][] = [
    ['goal', client.goal ? `“${client.goal}”` : '–'],
    ...(r.goals ?? []).map((g): [string, string] => ['goal', `“${g}”`]),
    ...goalTasks(client.goalTasks),
    ['born', fullDay(client.birthDate)],
    ['changing posture', client.mobility === 'SLOW' ? 'slow, 40 s to the floor' : 'usual, 20 s to the floor'],
    ['school of pain', client.school === 'MONITORED' ? `monitored (${client.schoolBy})` : 'pain-free'],
    ['usual pain', `${client.usualPain} of 10`],
    ['goal effort', `${client.goalEffort} of 10${client.noProgression ? ', no stepping up for now' : ''}`],
    ['kit', client.kit.items.map((k) => k.toLowerCase()).join(', ') || 'none'],
    ['check-in to', client.email ?? 'no e-mail: hand over the link'],
    [
      'in an emergency',
      r.emergencyName || r.emergencyPhone
        ? [r.emergencyName, r.emergencyPhone].filter(Boolean).join(', ')
        : 'nobody noted',
    ],
    ['consent', r.consent ? `${fullDay(r.consent.on)}, ${r.consent.name}` : 'none on file'],
  ]
  const next = nextStep(readiness, client)
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
      <p className="border-l-4 border-teal pl-3 text-lg lg:col-span-2">
        <span className="text-soft">next:</span>{' '}
        <Link to={next.to} className="font-semibold text-teal underline underline-offset-4">
          {next.words}
        </Link>
      </p>
      <section aria-labelledby="standing">
        <h2 id="standing" className="mb-2 text-lg font-bold">
          Standing
        </h2>
        <p className="text-lg">
          <OutcomeMark outcome={outcome}>{outcomeWords[outcome]}</OutcomeMark>
        </p>
        {readiness.stoppedToday && <p className="mt-1 font-semibold text-brick">{readiness.stoppedToday}</p>}
        <p className="mt-1 text-sm text-soft">
          {readiness.screenedOn
            ? `screened ${day(readiness.screenedOn)}`
            : 'No screening on file: start there.'}
          {readiness.readings.length > 0 &&
            ` · before every run: ${readiness.readings.map((k) => READINGS[k]).join(', ')}`}
        </p>
        <ul className="mt-3">
          {readiness.findings.map((f) => (
            <li key={f.rule} className="border-b border-line py-2">
              {f.text} <RuleLink source={f.source} rule={f.rule} />
            </li>
          ))}
        </ul>
        <div className="mt-4 flex flex-wrap gap-2">
          {outcome === 'NOT_SCREENED' || rescreen ? (
            <Link to="screening" className="btn btn-main">
              Screen {client.name.split(' ')[0]}
            </Link>
          ) : (
            blocked && (
              <Link to="papers?record" className="btn btn-main">
                Record a clearance
              </Link>
            )
          )}
          {readiness.undecided > 0 && (
            <Link to="screening" className={`btn ${blocked || rescreen ? '' : 'btn-main'}`}>
              Decide {readiness.undecided} proposed {readiness.undecided === 1 ? 'limit' : 'limits'}
            </Link>
          )}
          {blocked && (
            <Link to="letter" className="btn">
              Letter that asks for it
            </Link>
          )}
          <Button onClick={() => setHappening(true)}>Something happened</Button>
        </div>
        {readiness.notes.length > 0 && (
          <>
            <h2 className="mb-1 mt-7 text-lg font-bold">Keep in mind</h2>
            <ul>
              {readiness.notes.map((n) => (
                <li key={n.condition + n.text} className="border-b border-line py-1.5">
                  {n.text} <span className="text-sm text-soft">{n.condition}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-4 text-sm text-soft">
          Riposo does not diagnose. A clinician’s word outranks every default.
        </p>
      </section>
      <section aria-labelledby="about">
        <ThroughDay clientId={client.id} />
        <h2 id="about" className="mb-2 text-lg font-bold">
          About
        </h2>
        <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
          {terms.map(([k, v]) => (
            <div key={k + v} className="contents">
              <dt className="text-soft">{k}</dt>
              <dd>{v}</dd>
            </div>
          ))}
          <Place client={client} />
        </dl>
        {client.refusedKit.length > 0 && (
          <>
            <h2 className="mb-1 mt-7 text-lg font-bold">Not used here</h2>
            <ul>
              {client.refusedKit.map((w) => (
                <li key={w} className="border-b border-line py-1.5">
                  {w}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <Dialog open={happening} onOpenChange={setHappening} title="Something happened">
        <HappenedForm clientId={client.id} onDone={() => setHappening(false)} />
      </Dialog>
    </div>
  )
}

/** The tasks of the day that the goal names, as a line; none where it names none. */
const goalTasks = (tasks: string[] | undefined): [string, string][] =>
  tasks && tasks.length > 0 ? [['the goal asks for', tasks.join(', ')]] : []

/** Where the client trains: a room of the studio or the client's own kit, set here. */
function Place({ client }: { client: S['Client'] }) {
  const rooms = useQuery(q.studio.rooms())
  const cache = useQueryClient()
  const place = useMutation({
    mutationFn: (roomId: string) =>
      told(
        http.PUT('/api/clients/{id}/place', {
          params: { path: { id: client.id }, header: ifMatch(client.version) },
          body: { roomId: given(roomId) },
        }),
      ),
    onSuccess: () => {
      void q.changed(cache, 'kit')
      void q.changed(cache, 'client', client.id)
    },
  })
  const theirs = rooms.data?.filter((x) => !x.clientId || x.clientId === client.id)
  return (
    <>
      <dt className="pt-2 text-soft">trains at</dt>
      <dd>
        <select
          aria-label="Trains at"
          className="!w-auto max-w-full"
          value={client.room?.id ?? ''}
          disabled={place.isPending}
          onChange={(e) => place.mutate(e.target.value)}
        >
          <option value="">own kit, the quick list</option>
          {client.room && !theirs?.some((x) => x.id === client.room?.id) && (
            <option value={client.room.id}>{client.room.name}</option>
          )}
          {theirs?.map((x) => (
            <option key={x.id} value={x.id}>
              {x.name}
            </option>
          ))}
        </select>
        <Failure error={place.error} />
      </dd>
    </>
  )
}

const READINGS: Record<string, string> = {
  PRESSURE: 'blood pressure',
  PULSE: 'resting pulse',
  SATURATION: 'saturation',
  GLUCOSE: 'glucose',
}

function HappenedForm({ clientId, onDone }: { clientId: string; onDone: () => void }) {
  const today = useToday()
  const [form, setForm] = useState<S['HappenedForm']>({ kind: 'ILLNESS', on: today, note: '' })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/clients/{clientId}/happened', {
          params: { path: { clientId } },
          body: { ...form, on: given(form.on), note: given(form.note) },
        }),
      ),
    onSuccess: () => {
      void q.changed(cache, 'client', clientId)
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <Field label="What" error={error?.field('/kind')}>
        {(p) => (
          <select
            {...p}
            value={form.kind}
            onChange={(e) => setForm({ ...form, kind: e.target.value as typeof form.kind })}
          >
            {HAPPENED.map(([k, w]) => (
              <option key={k} value={k}>
                {w}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field label="When" error={error?.field('/on')}>
        {(p) => (
          <input
            {...p}
            type="date"
            value={form.on}
            onChange={(e) => setForm({ ...form, on: e.target.value })}
          />
        )}
      </Field>
      <Field label="Note" error={error?.field('/note')}>
        {(p) => (
          <input
            {...p}
            value={form.note ?? ''}
            onChange={(e) => setForm({ ...form, note: e.target.value })}
          />
        )}
      </Field>
      <p className="mb-4 text-sm">{consequence(form.kind)}</p>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Record
      </Button>
    </form>
  )
}
