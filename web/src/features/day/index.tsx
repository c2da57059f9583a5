import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { ApiError, type S, http, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { clock, day as shortDay, longDay, outcomeWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { OutcomeMark } from '../../ui/Outcome'
import { WAITING } from '../clients/waiting'
import { Ready } from './Ready'

const goes: Record<string, { words: string; to: (w: S['WaitView']) => string }> = {
  VERDICT: { words: 'decide', to: (w) => `/clients/${w.clientId}/tolerance` },
  CHECK_IN: { words: 'ask', to: (w) => `/ask/${w.about}` },
  SCREENING: { words: 'screen', to: (w) => `/clients/${w.clientId}/screening` },
  CLEARANCE: { words: 'open', to: (w) => `/clients/${w.clientId}` },
  LIMITS: { words: 'decide', to: (w) => `/clients/${w.clientId}/screening` },
  REVIEW: { words: 'review', to: (w) => `/clients/${w.clientId}/limits` },
  SIX_WEEKS: { words: 'review', to: (w) => `/clients/${w.clientId}/review` },
  AFTER: { words: 'ask', to: (w) => `/after/${w.about}` },
  RUN: { words: 'go back in', to: (w) => `/run/${w.about}` },
}

export function DayPage() {
  const day = useQuery(q.studio.day())
  const [adding, setAdding] = useState(false)
  const cache = useQueryClient()
  const remove = useMutation({
    mutationFn: (id: string) => told(http.DELETE('/api/appointments/{id}', { params: { path: { id } } })),
    onSuccess: (d) => {
      cache.setQueryData(q.studio.day().queryKey, d)
      void q.changed(cache, 'session')
    },
  })
  if (day.error) return <Failure error={day.error} />
  if (!day.data) return <Loading what="the day sheet" />
  const { sessions, groups, waits, waiting, mornings, told: toldToday, date, said } = day.data
  // what stops comes before all that waits
  const urgent = mornings.some((m) => m.stops)
  return (
    <div className="grid gap-x-10 lg:grid-cols-[1fr_360px]">
      <section aria-labelledby="today">
        <div className="flex flex-wrap items-end justify-between gap-2 py-5">
          <h1 id="today" className="text-[26px] font-bold">
            {longDay(date)}
          </h1>
          <span className="flex gap-2">
            <a className="btn btn-quiet" href="/api/calendar.ics">
              Calendar file
            </a>
            <Button onClick={() => setAdding(true)}>Add a session</Button>
          </span>
        </div>
        {said && (
          <p role="status" className="mb-3 border-l-4 border-teal bg-sheet px-3 py-1.5">
            {said}
          </p>
        )}
        {sessions.length === 0 && groups.length === 0 && (
          <p className="border-t-2 border-ink py-6">
            No session today. Add one, or use the quiet to decide what waits beside this.
          </p>
        )}
        <ol className="border-t-2 border-ink">
          {sessions.map((s) => (
            <li
              key={s.id}
              className="grid grid-cols-[64px_1fr] gap-x-4 border-b border-line py-4 sm:grid-cols-[64px_1fr_auto]"
            >
              <time className="pt-0.5 font-mono text-lg">{s.time.slice(0, 5)}</time>
              <div>
                <p>
                  <Link
                    className="text-lg font-bold underline-offset-4 hover:underline"
                    to={`/clients/${s.clientId}`}
                  >
                    {s.client}
                  </Link>{' '}
                  <span className="text-soft">
                    {s.plan} · <span className="font-mono">{clock(s.totalSeconds)}</span> ·{' '}
                    {s.swaps === 0 ? 'as planned' : `${s.swaps} ${s.swaps === 1 ? 'swap' : 'swaps'}`}
                  </span>
                </p>
                <p className="mt-1">
                  <OutcomeMark outcome={s.outcome}>{outcomeWords[s.outcome]}</OutcomeMark>{' '}
                  {s.outcome !== 'NOT_SCREENED' && <span className="text-sm">{s.because.join(' ')}</span>}
                </p>
                {s.clashes.map((c) => (
                  <p
                    key={c}
                    className="mt-1 border-l-4 border-ochre pl-2 text-sm font-semibold text-ochre-deep"
                  >
                    {c}
                  </p>
                ))}
                <p className="mt-1 text-sm">
                  <span className="text-soft">bring</span> {s.kit.join(', ') || 'nothing'}
                </p>
                <p className="mt-0.5 text-sm">
                  <span className="text-soft">since last time</span>{' '}
                  {s.changes.length === 0 ? 'nothing changed' : s.changes.join(' · ')}
                </p>
              </div>
              <div className="col-start-2 mt-2 flex flex-col items-start gap-1 sm:col-start-3 sm:items-end">
                <Next s={s} />
                {!s.runId && (
                  <button
                    type="button"
                    className="min-h-[32px] text-sm text-soft underline underline-offset-4"
                    onClick={() => remove.mutate(s.id)}
                  >
                    Take off the sheet
                  </button>
                )}
              </div>
            </li>
          ))}
        </ol>
        {groups.length > 0 && (
          <>
            <h2 className="mb-1 mt-6 font-bold">Groups</h2>
            <ol className="border-t-2 border-ink">
              {groups.map((g) => (
                <li
                  key={g.id}
                  className="grid grid-cols-[64px_1fr_auto] items-center gap-x-4 gap-y-1 border-b border-line py-3 sm:grid-cols-[64px_1fr_auto_auto]"
                >
                  <time className="font-mono text-lg">{g.time.slice(0, 5)}</time>
                  <span>
                    <strong className="text-lg">{g.name}</strong>{' '}
                    <span className="text-soft">
                      {g.plan} · {g.people === 1 ? '1 person' : `${g.people} people`}
                    </span>
                    {g.apart > 0 && (
                      <span className="block text-sm font-semibold text-brick">
                        {g.apart} not started with the group
                      </span>
                    )}
                  </span>
                  <Link className="btn" to={`/groups/${g.id}`}>
                    Group sheet
                  </Link>
                  <Link className="btn btn-main max-sm:col-start-2" to={`/groups/${g.id}/start`}>
                    Check and start
                  </Link>
                </li>
              ))}
            </ol>
          </>
        )}
        <Failure error={remove.error} />
      </section>
      <section aria-labelledby="waits" className="pt-5">
        {urgent && <Mornings first={mornings} total={toldToday} />}
        <h2 id="waits" className="mb-2 text-lg font-bold">
          Waits for you
        </h2>
        <ul className="border-t-2 border-ink">
          {waits.length === 0 && <li className="py-3 text-soft">Nothing waits.</li>}
          {waits.map((w) => {
            const g = goes[w.kind]
            return (
              <li
                key={w.kind + w.clientId + (w.about ?? '')}
                className="flex items-baseline justify-between gap-3 border-b border-line py-2.5"
              >
                <span>
                  <strong>{w.client}</strong> <span className="text-sm">{w.text}</span>
                </span>
                {g && (
                  <Link
                    className="shrink-0 font-semibold text-teal underline underline-offset-4"
                    to={g.to(w)}
                    aria-label={`${g.words}: ${w.client}, ${w.text}`}
                  >
                    {g.words}
                  </Link>
                )}
              </li>
            )
          })}
          {Object.entries(waiting).map(([kind, all]) => {
            const more = all - waits.filter((w) => w.kind === kind).length
            return (
              more > 0 && (
                <li key={kind} className="border-b border-line py-2.5">
                  <Link
                    className="font-semibold text-teal underline underline-offset-4"
                    to={`/clients?waits=${kind}`}
                  >
                    {more} more: {WAITING[kind] ?? kind}
                  </Link>
                </li>
              )
            )
          })}
        </ul>
        {!urgent && <Mornings first={mornings} total={toldToday} />}
        <Ready runs={waits.flatMap((w) => (w.kind === 'RUN' && w.about ? [w.about] : []))} />
      </section>
      <AddSession open={adding} onOpenChange={setAdding} date={date} />
    </div>
  )
}

/** What clients told today, and what it did: those that stop first. */
function Mornings({ first, total }: { first: S['MorningView'][]; total: number }) {
  const [more, setMore] = useState(false)
  const rest = useQuery({ ...q.studio.mornings(), enabled: more })
  const all = rest.data ?? first
  if (all.length === 0) return null
  return (
    <section aria-labelledby="told" className="my-6 first:mt-0">
      <h2 id="told" className="mb-2 text-lg font-bold">
        Told today
      </h2>
      <ul className="border-t-2 border-ink">
        {all.map((m) => (
          <li
            key={m.checkInId}
            className={`border-b border-line py-2.5 ${m.stops ? 'border-l-4 border-l-brick pl-3' : ''}`}
          >
            <p className="flex items-baseline justify-between gap-3">
              <span>
                <strong>{m.client}</strong>{' '}
                <span className="text-sm text-soft">
                  <span className="font-mono">{m.time}</span>, {m.second ? 'third day' : 'morning'} after{' '}
                  {shortDay(m.session)}
                  {m.askedBy && `, asked by ${m.askedBy}`}
                </span>
              </span>
              <Link
                className="shrink-0 font-semibold text-teal underline underline-offset-4"
                to={`/ask/${m.checkInId}`}
                aria-label={`open: what ${m.client} told`}
              >
                open
              </Link>
            </p>
            <p className={`text-sm ${m.stops ? 'font-semibold text-brick' : ''}`}>{m.sentence}</p>
            {m.did.map((d) => (
              <p key={d} className="text-sm font-semibold">
                {d}
              </p>
            ))}
          </li>
        ))}
        {total > all.length && (
          <li className="border-b border-line py-2.5">
            <Button quiet disabled={rest.isFetching} onClick={() => setMore(true)}>
              {rest.isFetching ? 'Loading what was told …' : `Show all ${total} told today`}
            </Button>
            <Failure error={rest.error} />
          </li>
        )}
      </ul>
    </section>
  )
}

/** The way to what stands open. */
const BARS: Partial<Record<S['Closed']['bar'], string>> = {
  NOT_SCREENED: 'Screen',
  CLEARANCE_ONLY: 'Record a clearance',
  STOPPED_TODAY: 'See what stands open',
  UNDECIDED: 'Decide the limits',
}

function Next({ s }: { s: S['SessionView'] }) {
  const main = 'btn btn-main'
  if (s.closed)
    return (
      <Link className="btn" to={`/clients/${s.clientId}/tolerance`}>
        Done: see verdicts
      </Link>
    )
  if (s.runId && (s.runStatus === 'FINISHED' || s.runStatus === 'STOPPED'))
    return (
      <Link className={main} to={`/after/${s.runId}`}>
        Words after
      </Link>
    )
  if (s.runId)
    return (
      <Link className={main} to={`/run/${s.runId}`}>
        Back to the run
      </Link>
    )
  if (s.bar)
    return (
      <Link
        className={main}
        to={`/clients/${s.clientId}${s.bar.bar === 'NOT_SCREENED' || s.bar.bar === 'UNDECIDED' ? '/screening' : ''}`}
      >
        {BARS[s.bar.bar]}
      </Link>
    )
  return (
    <Link className={main} to={`/clients/${s.clientId}/plan/${s.planId}`}>
      Open adapted plan
    </Link>
  )
}

export function AddSession({
  open,
  onOpenChange,
  date,
  clientId,
  planId,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  date: string
  clientId?: string
  planId?: string
}) {
  const clients = useQuery({ ...q.clients.names(), enabled: open })
  const plans = useQuery({ ...q.plans.all(), enabled: open })
  const [form, setForm] = useState({ clientId: clientId ?? '', planId: planId ?? '', date, time: '10:00' })
  const cache = useQueryClient()
  const add = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/appointments', {
          body: {
            ...form,
            clientId: given(form.clientId),
            planId: given(form.planId),
          },
        }),
      ),
    onSuccess: (d) => {
      cache.setQueryData(q.studio.day().queryKey, d)
      void q.changed(cache, 'session')
      onOpenChange(false)
    },
  })
  const error = add.error instanceof ApiError ? add.error : undefined
  const set = (k: string) => (e: { target: { value: string } }) => setForm({ ...form, [k]: e.target.value })
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Add a session">
      <form
        onSubmit={(e) => {
          e.preventDefault()
          add.mutate()
        }}
      >
        <Field label="Client" error={error?.field('/clientId')}>
          {(p) => (
            <select {...p} value={form.clientId} onChange={set('clientId')}>
              <option value="">Choose</option>
              {clients.data?.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Plan" error={error?.field('/planId')}>
          {(p) => (
            <select {...p} value={form.planId} onChange={set('planId')}>
              <option value="">Choose</option>
              {plans.data?.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Date" error={error?.field('/date')}>
            {(p) => <input {...p} type="date" value={form.date} onChange={set('date')} />}
          </Field>
          <Field label="Time" error={error?.field('/time')}>
            {(p) => <input {...p} type="time" value={form.time} onChange={set('time')} />}
          </Field>
        </div>
        <Failure error={add.error} />
        <Button main type="submit" disabled={add.isPending}>
          Put on the sheet
        </Button>
      </form>
    </Dialog>
  )
}
