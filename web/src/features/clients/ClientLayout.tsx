import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, NavLink, Outlet, useOutletContext, useParams } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { day, fullDay, outcomeWords } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button, Dialog, Failure, Field, Loading, OutcomeMark, RuleLink } from '../../ui'
import { LimitRibbon } from '../limits/LimitRibbon'
import { ClientForm } from './ClientForm'
import { ThroughDay } from './ThroughDay'

export interface ClientContext {
  client: S['Client']
  readiness: S['ClientStanding']
  limits: S['LimitView'][]
}

export function useClient(): ClientContext {
  return useOutletContext<ClientContext>()
}

const PAGES = [
  ['', 'Overview'],
  ['screening', 'Screening'],
  ['limits', 'Limits'],
  ['pulse', 'Pulse'],
  ['plan', 'Plan'],
  ['tolerance', 'Tolerance'],
  ['record', 'Record'],
  ['papers', 'Papers'],
] as const

/** The client's header: facts, limits ribbon, pages. */
export function ClientLayout() {
  const { clientId } = useParams()
  const [editing, setEditing] = useState(false)
  const client = useQuery({
    queryKey: ['client', clientId],
    queryFn: () => api.get<S['Client']>(`/clients/${clientId}`),
  })
  const readiness = useQuery({
    queryKey: ['readiness', clientId],
    queryFn: () => api.get<S['ClientStanding']>(`/clients/${clientId}/readiness`),
  })
  const limits = useQuery({
    queryKey: ['limits', clientId],
    queryFn: () => api.get<S['LimitView'][]>(`/clients/${clientId}/limits`),
  })
  const error = client.error ?? readiness.error ?? limits.error
  if (error) return <Failure error={error} />
  if (!client.data || !readiness.data || !limits.data) return <Loading what="the client" />
  const c = client.data
  const weights = [...new Set(c.kit.weights.map((w) => w.grams / 1000))].sort((a, b) => a - b).join(', ')
  const withdrawn = c.record.consent?.withdrawnOn
  return (
    <>
      <div className="pt-5">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="text-[26px] font-bold">{c.name}</h1>
          <p className="text-soft">
            {c.age} · {c.facts ?? 'no facts noted'}
            {readiness.data.gestation && ` · ${readiness.data.gestation} weeks`}
            {weights && ` · ${c.room ? c.room.name : 'own kit'} ${weights} kg`}
          </p>
          <Button quiet className="ml-auto" onClick={() => setEditing(true)}>
            Edit
          </Button>
        </div>
        {c.archivedOn && (
          <p className="mt-2 border-l-4 border-soft bg-sheet px-3 py-1.5">
            Archived {day(c.archivedOn)}: out of the lists, not to be trained. Restore on the Papers page.
          </p>
        )}
        {withdrawn && (
          <p className="mt-2 border-l-4 border-brick bg-sheet px-3 py-1.5">
            Consent withdrawn {day(withdrawn)}: nothing new is recorded.
          </p>
        )}
        <LimitRibbon limits={limits.data} />
      </div>
      <nav aria-label="Client" className="no-print mb-5 flex flex-wrap gap-x-6 border-b border-line">
        {PAGES.map(([to, words]) => (
          <NavLink
            key={to}
            to={to}
            end={to === ''}
            className={({ isActive }) =>
              `border-b-[3px] py-2.5 ${isActive ? 'border-ochre font-semibold' : 'border-transparent text-soft hover:text-ink'}`
            }
          >
            {words}
          </NavLink>
        ))}
      </nav>
      <Outlet
        context={{ client: c, readiness: readiness.data, limits: limits.data } satisfies ClientContext}
      />
      <Dialog open={editing} onOpenChange={setEditing} title={`Edit ${c.name}`} wide>
        <ClientForm key={c.version} client={c} onDone={() => setEditing(false)} />
      </Dialog>
    </>
  )
}

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
    ['born', fullDay(client.birthDate)],
    ['changing posture', client.mobility === 'SLOW' ? 'slow, 40 s to the floor' : 'usual, 20 s to the floor'],
    ['school of pain', client.school === 'MONITORED' ? `monitored (${client.schoolBy})` : 'pain-free'],
    ['usual pain', `${client.usualPain} of 10`],
    ['goal effort', `${client.goalEffort} of 10${client.noProgression ? ', no stepping up for now' : ''}`],
    ['trains at', client.room?.name ?? 'own kit, the quick list'],
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
  return (
    <div className="grid gap-10 lg:grid-cols-2">
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

const READINGS: Record<string, string> = {
  PRESSURE: 'blood pressure',
  PULSE: 'resting pulse',
  SATURATION: 'saturation',
  GLUCOSE: 'glucose',
}

const HAPPENED: [S['HappenedForm']['kind'], string][] = [
  ['HEART_EVENT', 'a heart event, stroke, clot or new device'],
  ['SYMPTOM', 'a new symptom: chest, breath, dizziness, heartbeat, calf'],
  ['OPERATION', 'an operation or a fracture'],
  ['ILLNESS', 'an illness'],
  ['HOSPITAL', 'a hospital stay'],
  ['FALL', 'a fall'],
  ['FLARE', 'a flare of pain or of a condition'],
]

function HappenedForm({ clientId, onDone }: { clientId: string; onDone: () => void }) {
  const today = useToday()
  const [form, setForm] = useState<S['HappenedForm']>({ kind: 'ILLNESS', on: today, note: '' })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      api.post(`/clients/${clientId}/happened`, { ...form, on: form.on || null, note: form.note || null }),
    onSuccess: () => {
      void cache.invalidateQueries()
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const voids = ['HEART_EVENT', 'SYMPTOM', 'OPERATION'].includes(form.kind)
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
      <p className="mb-4 text-sm">
        {voids
          ? 'Clearances given before it no longer count: a clearance dated after it is wanted.'
          : 'The client is screened again before the next run, whatever the gap.'}
      </p>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Record
      </Button>
    </form>
  )
}
