import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { clock, day } from '../../lib/format'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

const KIND = {
  OPENED: 'opened',
  CLOSED: 'closed',
  OTHER: 'other form',
  DOSE: 'other dose',
  ASKED: 'asked otherwise',
  GONE: 'gone',
}

/** Two adapted plans: what differs and why, before and after. */
export function Changes({ c }: { c: S['ComparisonView'] }) {
  return (
    <div className="mt-1 text-sm">
      <p className="font-semibold">{c.words}</p>
      {c.caution && <p className="border-l-4 border-ochre pl-2 text-ochre-deep">{c.caution}</p>}
      {c.causes.map((x) => (
        <p key={x} className="text-soft">
          {x}
        </p>
      ))}
      <ul>
        {c.changes.map((x) => (
          <li key={x.key} className="border-b border-line py-1">
            <strong>{x.asked}</strong>{' '}
            <span
              className={x.kind === 'CLOSED' ? 'text-plum' : x.kind === 'OPENED' ? 'text-teal' : 'text-soft'}
            >
              {KIND[x.kind]}
            </span>
            {x.before !== undefined && x.before !== null && (
              <span className="block text-soft line-through decoration-1">{x.before}</span>
            )}
            {x.after !== undefined && x.after !== null && <span className="block">{x.after}</span>}
          </li>
        ))}
      </ul>
      {c.same > 0 && (
        <p className="py-1 text-soft">{c.same === 1 ? '1 slot is' : `${c.same} slots are`} the same.</p>
      )}
    </div>
  )
}

/** What changed since the plan was looked at on a day before. Looking is noted. */
export function Since({ clientId, planId }: { clientId: string; planId: string }) {
  const [open, setOpen] = useState(false)
  const seen = useQuery(q.desk(clientId, planId).seen())
  const c = seen.data?.since
  if (!c || (c.changes.length === 0 && c.causes.length === 0)) return null
  return (
    <div className="mb-2 border-l-4 border-ochre pl-3">
      <button
        type="button"
        aria-expanded={open}
        className="min-h-[34px] text-left text-sm font-semibold text-ochre-deep underline underline-offset-4"
        onClick={() => setOpen(!open)}
      >
        {c.words}
      </button>
      {open && <Changes c={c} />}
    </div>
  )
}

const WAYS = [
  ['dates', 'Two dates'],
  ['client', 'Another client'],
  ['week', 'The week'],
  ['today', 'Today’s check'],
] as const

/** The plan against itself: on another date, for somebody else, over a week, after today's check. */
export function ComparePanel({
  clientId,
  planId,
  today,
}: {
  clientId: string
  planId: string
  today: string
}) {
  const [way, setWay] = useState<(typeof WAYS)[number][0]>('dates')
  const [from, setFrom] = useState(today)
  const [to, setTo] = useState(plus(today, 14))
  const [other, setOther] = useState('')
  const clients = useQuery({ ...q.clients.names(), enabled: way === 'client' })
  const desk = q.desk(clientId, planId)
  const dates = useQuery({ ...desk.dates(from, to), enabled: way === 'dates' && !!from && !!to })
  const another = useQuery({ ...desk.other(other), enabled: way === 'client' && !!other })
  const checked = useQuery({ ...desk.today(), enabled: way === 'today' })
  const c = { dates, client: another, today: checked, week: undefined }[way]
  return (
    <section aria-label="Compare" className="no-print mb-4 border-y-2 border-ink py-3">
      <div role="group" aria-label="Compare with" className="flex flex-wrap gap-x-1">
        {WAYS.map(([id, words]) => (
          <button
            key={id}
            type="button"
            aria-pressed={way === id}
            className={`min-h-[40px] border-b-[3px] px-2 ${way === id ? 'border-teal font-semibold' : 'border-transparent text-soft'}`}
            onClick={() => setWay(id)}
          >
            {words}
          </button>
        ))}
      </div>
      {way === 'dates' && (
        <div className="flex flex-wrap items-center gap-3 py-2">
          <label className="flex items-center gap-2">
            <span>from</span>
            <input type="date" className="!w-auto" value={from} onChange={(e) => setFrom(e.target.value)} />
          </label>
          <label className="flex items-center gap-2">
            <span>to</span>
            <input type="date" className="!w-auto" value={to} onChange={(e) => setTo(e.target.value)} />
          </label>
        </div>
      )}
      {way === 'client' && (
        <label className="flex flex-wrap items-center gap-2 py-2">
          <span>the same plan for</span>
          <select className="!w-auto" value={other} onChange={(e) => setOther(e.target.value)}>
            <option value="">choose a client</option>
            {(clients.data ?? [])
              .filter((x) => x.id !== clientId)
              .map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
          </select>
        </label>
      )}
      {way === 'week' ? (
        <Week clientId={clientId} planId={planId} />
      ) : (
        <>
          <Failure error={c?.error} />
          {c?.isLoading && <Loading what="the comparison" />}
          {c?.data && <Changes c={c.data} />}
        </>
      )}
    </section>
  )
}

function plus(date: string, days: number): string {
  const d = new Date(`${date}T12:00:00Z`)
  d.setUTCDate(d.getUTCDate() + days)
  return d.toISOString().slice(0, 10)
}

/** Seven days: how much of the plan is swapped each day, and what is new that day. */
function Week({ clientId, planId }: { clientId: string; planId: string }) {
  const week = useQuery(q.desk(clientId, planId).week())
  if (week.error) return <Failure error={week.error} />
  if (!week.data) return <Loading what="the week" />
  return (
    <table className="mt-2 w-full text-left text-sm">
      <thead className="text-soft">
        <tr>
          <th className="w-24 font-normal">day</th>
          <th className="w-20 font-normal">length</th>
          <th className="w-24 font-normal">swaps</th>
          <th className="w-20 font-normal">rests</th>
          <th className="font-normal">against the day before</th>
        </tr>
      </thead>
      <tbody>
        {week.data.map((d) => (
          <tr key={d.date} className="border-t border-line align-top">
            <td className="py-1 font-semibold">{day(d.date)}</td>
            <td className="py-1 font-mono">{clock(d.totalSeconds)}</td>
            <td className="py-1 font-mono">{d.swaps}</td>
            <td className="py-1 font-mono">{d.rests}</td>
            <td className="py-1">
              {d.sinceDayBefore.changes.length === 0 && d.sinceDayBefore.causes.length === 0 ? (
                <span className="text-soft">the same</span>
              ) : (
                <Changes c={d.sinceDayBefore} />
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
