import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, NavLink, Outlet, useOutletContext, useParams } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { day, outcomeWords } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button, Dialog, Failure, Field, Loading, OutcomeMark } from '../../ui'
import { LimitRibbon } from '../limits/LimitRibbon'
import { ClientForm } from './ClientForm'

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
  ['plan', 'Plan'],
  ['tolerance', 'Tolerance'],
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
  const weights = c.kit.weights.map((w) => w.grams / 1000).join(', ')
  return (
    <>
      <div className="pt-5">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="text-[26px] font-bold">{c.name}</h1>
          <p className="text-soft">
            {c.age} · {c.facts ?? 'no facts noted'}
            {readiness.data.gestation && ` · ${readiness.data.gestation} weeks`}
            {weights && ` · kit ${weights} kg`}
          </p>
          <Button quiet className="ml-auto" onClick={() => setEditing(true)}>
            Edit
          </Button>
        </div>
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
  const [clearing, setClearing] = useState(false)
  const outcome = readiness.outcome ?? 'NOT_SCREENED'
  const blocked = readiness.findings.filter(
    (f) => f.outcome === 'CLEARANCE_ONLY' || f.outcome === 'ASK_FIRST',
  )
  return (
    <div className="grid gap-10 lg:grid-cols-2">
      <section aria-labelledby="standing">
        <h2 id="standing" className="mb-2 text-lg font-bold">
          Standing
        </h2>
        <p className="text-lg">
          <OutcomeMark outcome={outcome}>{outcomeWords[outcome]}</OutcomeMark>
        </p>
        <p className="mt-1 text-sm text-soft">
          {readiness.screenedOn
            ? `screened ${day(readiness.screenedOn)}`
            : 'No screening on file: start there.'}
          {readiness.pressureReading && ' · blood pressure before every run'}
        </p>
        <ul className="mt-3">
          {readiness.findings.map((f) => (
            <li key={f.rule} className="border-b border-line py-2">
              {f.text}{' '}
              <span className="text-sm text-soft">
                {f.source} · {f.rule}
              </span>
            </li>
          ))}
        </ul>
        {blocked.length > 0 && (
          <Button main className="mt-4" onClick={() => setClearing(true)}>
            Record a clearance
          </Button>
        )}
        {outcome === 'NOT_SCREENED' && (
          <Link to="screening" className="btn btn-main mt-4">
            Screen {client.name.split(' ')[0]}
          </Link>
        )}
        <p className="mt-4 text-sm text-soft">
          Riposo does not diagnose. A clinician’s word outranks every default.
        </p>
      </section>
      <section aria-labelledby="about">
        <h2 id="about" className="mb-2 text-lg font-bold">
          About
        </h2>
        <dl className="grid grid-cols-[150px_1fr] gap-y-1.5">
          <dt className="text-soft">goal</dt>
          <dd>{client.goal ? `“${client.goal}”` : '–'}</dd>
          <dt className="text-soft">born</dt>
          <dd>{client.birthDate}</dd>
          <dt className="text-soft">changing posture</dt>
          <dd>{client.mobility === 'SLOW' ? 'slow, 40 s to the floor' : 'usual, 20 s to the floor'}</dd>
          <dt className="text-soft">school of pain</dt>
          <dd>{client.school === 'MONITORED' ? `monitored (${client.schoolBy})` : 'pain-free'}</dd>
          <dt className="text-soft">usual pain</dt>
          <dd>{client.usualPain} of 10</dd>
          <dt className="text-soft">goal effort</dt>
          <dd>
            {client.goalEffort} of 10{client.noProgression && ', no stepping up for now'}
          </dd>
          <dt className="text-soft">kit</dt>
          <dd>{client.kit.items.map((k) => k.toLowerCase()).join(', ') || 'none'}</dd>
          <dt className="text-soft">check-in to</dt>
          <dd>{client.email ?? 'no e-mail: hand over the link'}</dd>
        </dl>
        <Clearances clientId={client.id} />
      </section>
      <Dialog open={clearing} onOpenChange={setClearing} title="Record a clearance">
        <ClearanceForm clientId={client.id} findings={blocked} onDone={() => setClearing(false)} />
      </Dialog>
    </div>
  )
}

function Clearances({ clientId }: { clientId: string }) {
  const list = useQuery({
    queryKey: ['clearances', clientId],
    queryFn: () => api.get<S['ClearanceView'][]>(`/clients/${clientId}/clearances`),
  })
  if (!list.data?.length) return null
  return (
    <>
      <h2 className="mb-2 mt-6 text-lg font-bold">Clearances</h2>
      <ul>
        {list.data.map((c) => (
          <li key={c.id} className="border-b border-line py-2">
            {c.role} {c.name}, {day(c.givenOn)}, {c.expired ? 'ended' : 'good until'} {day(c.validUntil)}
            <span className="block text-sm text-soft">covers {c.covers.join(', ')}</span>
          </li>
        ))}
      </ul>
    </>
  )
}

function ClearanceForm({
  clientId,
  findings,
  onDone,
}: {
  clientId: string
  findings: S['Finding'][]
  onDone: () => void
}) {
  const today = useToday()
  const [form, setForm] = useState({
    role: 'doctor',
    name: '',
    givenOn: today,
    validUntil: '',
    note: '',
    covers: findings.map((f) => f.rule),
  })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      api.post(`/clients/${clientId}/clearances`, {
        ...form,
        validUntil: form.validUntil || null,
        note: form.note || null,
      }),
    onSuccess: () => {
      void cache.invalidateQueries()
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const input = (k: 'role' | 'name' | 'givenOn' | 'validUntil' | 'note', p: object, type = 'text') => (
    <input {...p} type={type} value={form[k]} onChange={(e) => setForm({ ...form, [k]: e.target.value })} />
  )
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Field label="From whom" hint="doctor, midwife, physiotherapist" error={error?.field('/role')}>
          {(p) => input('role', p)}
        </Field>
        <Field label="Name" error={error?.field('/name')}>
          {(p) => input('name', p)}
        </Field>
        <Field label="Dated" error={error?.field('/givenOn')}>
          {(p) => input('givenOn', p, 'date')}
        </Field>
        <Field
          label="Good until"
          hint="12 months at most; 6 weeks after an operation"
          error={error?.field('/validUntil')}
        >
          {(p) => input('validUntil', p, 'date')}
        </Field>
      </div>
      <fieldset className="mb-4">
        <legend className="font-semibold">It covers</legend>
        {findings.map((f) => (
          <label key={f.rule} className="flex items-start gap-2 py-1.5">
            <input
              type="checkbox"
              checked={form.covers.includes(f.rule)}
              onChange={(e) =>
                setForm({
                  ...form,
                  covers: e.target.checked
                    ? [...form.covers, f.rule]
                    : form.covers.filter((r) => r !== f.rule),
                })
              }
            />
            {f.text}
          </label>
        ))}
      </fieldset>
      <Field label="Note" error={error?.field('/note')}>
        {(p) => input('note', p)}
      </Field>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Record
      </Button>
    </form>
  )
}
