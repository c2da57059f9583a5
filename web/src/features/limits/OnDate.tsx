import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { day, fullDay } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

const BACK = 30
const AHEAD = 280

function plus(iso: string, days: number): string {
  const d = new Date(iso + 'T00:00:00Z')
  d.setUTCDate(d.getUTCDate() + days)
  return d.toISOString().slice(0, 10)
}

function days(from: string, to: string): number {
  return Math.round((Date.parse(to + 'T00:00:00Z') - Date.parse(from + 'T00:00:00Z')) / 86_400_000)
}

/** All limits of a date combined, the days on which they change, and what is open then. */
export function OnDate({ clientId }: { clientId: string }) {
  const today = useToday()
  const [by, setBy] = useState(0)
  const date = today ? plus(today, by) : ''
  const combined = useQuery(q.limits.on(clientId, date))
  const open = useQuery(q.limits.open(clientId, date))
  const error = combined.error ?? open.error
  if (error) return <Failure error={error} />
  if (!combined.data || !open.data) return <Loading what="the limits of the day" />
  const marks = combined.data.changes
    .map((c) => ({ ...c, at: days(today, c.date) }))
    .filter((c) => c.at >= -BACK && c.at <= AHEAD)
  const here = marks.find((c) => c.at === by)
  const next = marks.find((c) => c.at > by)
  const before = [...marks].reverse().find((c) => c.at < by)
  return (
    <section aria-labelledby="on-date">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 id="on-date" className="text-lg font-bold">
          Combined on {fullDay(date)}
          {by === 0 && <span className="font-normal text-soft"> today</span>}
        </h2>
        <span className="flex gap-1">
          <Button quiet disabled={!before} onClick={() => before && setBy(before.at)}>
            change before
          </Button>
          <Button quiet disabled={by === 0} onClick={() => setBy(0)}>
            today
          </Button>
          <Button quiet disabled={!next} onClick={() => next && setBy(next.at)}>
            next change
          </Button>
        </span>
      </div>
      <div className="relative mb-1">
        <input
          type="range"
          min={-BACK}
          max={AHEAD}
          value={by}
          aria-label="Date"
          aria-valuetext={fullDay(date)}
          onChange={(e) => setBy(Number(e.target.value))}
          className="!min-h-[34px] !border-0 !bg-transparent !px-0 accent-teal"
        />
        <div aria-hidden="true" className="relative mx-2 h-3">
          {marks.map((m) => (
            <span
              key={m.date}
              className="absolute h-3 w-[3px] bg-ochre"
              style={{ left: `${((m.at + BACK) / (BACK + AHEAD)) * 100}%` }}
            />
          ))}
        </div>
      </div>
      <p className="mb-3 min-h-[42px] text-sm" aria-live="polite">
        {here && here.begins.length > 0 && <span>begins: {here.begins.join('; ')}. </span>}
        {here && here.ends.length > 0 && <span>ends: {here.ends.join('; ')}. </span>}
        <span className="text-soft">
          {next
            ? `next change ${day(next.date)}: ${[...next.begins.map((w) => 'begins ' + w), ...next.ends.map((w) => 'ends ' + w)].join('; ')}`
            : 'nothing changes after this'}
        </span>
      </p>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <div>
          <h3 className="border-b-2 border-ink pb-1 font-bold">What holds, and which limit decides it</h3>
          {combined.data.rows.length === 0 && <p className="py-3">Nothing is limited on this day.</p>}
          <ul>
            {combined.data.rows.map((r) => (
              <li key={r.axisId + r.side} className="border-b border-line py-1.5 text-sm">
                <strong>{r.words}</strong>
                <span className="text-soft">
                  {' '}
                  {r.strength === 'FIRM' ? 'firm' : 'advised'} · {r.source}
                  {r.reviewDue ? ' · review due, still on' : r.until ? ` · until ${day(r.until)}` : ''}
                  {r.looser > 0 && ` · outranks ${r.looser} more`}
                </span>
              </li>
            ))}
          </ul>
        </div>
        <Open data={open.data} />
      </div>
    </section>
  )
}

function Open({ data }: { data: S['OpenView'] }) {
  const closers = data.closers.filter((c) => c.breaks > 0)
  return (
    <div>
      <h3 className="border-b-2 border-ink pb-1 font-bold">
        What is open{' '}
        <span className="font-normal text-soft">
          {data.open} of {data.all} movements, modifiers and kit counted in
        </span>
      </h3>
      <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
        {data.families.map((f) => (
          <li
            key={f.familyId}
            className="flex items-center justify-between gap-2 border-b border-line py-1 text-sm"
          >
            <span className="min-w-[110px]">{f.name}</span>
            <span className="flex min-w-0 flex-1 items-end justify-end gap-[2px]">
              <span className="sr-only">
                {f.rungs
                  .map(
                    (r) =>
                      `rung ${r.rung}: ${r.open} of ${r.all} open${r.withModifiers ? ', with a change' : ''}`,
                  )
                  .join('; ')}
              </span>
              {f.rungs.map((r) => (
                <span
                  key={r.rung}
                  aria-hidden="true"
                  title={`rung ${r.rung}: ${r.open} of ${r.all} open`}
                  style={{ height: 6 + (r.rung / f.rungs.length) * 22 }}
                  className={`max-w-[9px] min-w-[3px] flex-1 border ${r.open === 0 ? 'hatch border-plum' : r.withModifiers ? 'border-teal bg-teal-tint' : 'border-teal bg-teal'}`}
                />
              ))}
              <span className="ml-2 w-7 text-right font-mono">{f.open}</span>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-soft">
        full step: open · light step: open with a change · hatched: closed
      </p>
      {data.shut.map((s) => (
        <p key={s.purpose} className="mt-2 border-l-4 border-plum bg-sheet px-3 py-2 text-sm">
          Nothing of “{s.purpose}” is left
          {s.limits.length > 0 && `: ${s.limits.join(' and ')} close it`}.{' '}
          {s.nearest ? `The nearest that is open: ${s.nearest}.` : 'Nothing near is open either.'}
        </p>
      ))}
      {closers.length > 0 && (
        <>
          <h4 className="mt-4 font-bold">What closes most</h4>
          <ul>
            {closers.slice(0, 6).map((c) => (
              <li key={c.limitId} className="border-b border-line py-1 text-sm">
                {c.words}{' '}
                <span className="text-soft">
                  {c.firm ? 'firm' : 'advised'} ·{' '}
                  {c.breaks === 1 ? '1 movement asks' : `${c.breaks} movements ask`} for more as{' '}
                  {c.breaks === 1 ? 'it stands' : 'they stand'}
                  {c.alone > 0 && `, ${c.alone} would open without it alone`} · {c.source}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  )
}
