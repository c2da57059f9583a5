import { useMemo } from 'react'
import { Link } from 'react-router'
import type { S } from '../../lib/api'
import { fullDay } from '../../lib/format'
import { held, said } from './scale'

export const howWords: Record<S['HeldSession']['how'], string> = {
  WHOLE: '',
  EASED: 'eased',
  SHORT: 'short',
  STOPPED: 'stopped',
  OPEN: 'goes on',
}

/** What a session was, in words. */
export const session = (s: S['HeldSession']) =>
  [
    s.plan,
    howWords[s.how],
    s.effort === undefined ? 'effort not told' : `effort ${s.effort}`,
    s.minutes === undefined ? undefined : `${s.minutes} min`,
    s.load === undefined ? undefined : `load ${s.load}`,
  ]
    .filter(Boolean)
    .join(', ')

/** "18 of 20 held · 16 of 18 mornings answered". */
export const inAll = ({ summary: s }: S['ToleranceView']) =>
  `${s.sessions}${s.missed > 0 ? ` of ${s.sessions + s.missed}` : ''} held · ${s.answered} of ${s.sessions} mornings answered`

/** The same as the strips, newest first: for a screen reader and for whoever likes figures. */
export function AsTable({ v }: { v: S['ToleranceView'] }) {
  const cells = useMemo(
    () =>
      v.families.map((f) => {
        const labels = held(f.marks)
        return new Map(f.marks.map((m, i) => [m.at, said(m, labels[i])]))
      }),
    [v],
  )
  return (
    <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Sessions as a table">
      <table className="w-full border-collapse text-left text-sm">
        <caption className="py-1 text-left">
          {inAll(v)}. {v.summary.lines.join(' ')}
        </caption>
        <thead className="text-soft">
          <tr>
            <th className="py-1 pr-4 font-normal">session</th>
            {v.families.map((f) => (
              <th key={f.familyId} className="py-1 pr-4 font-normal">
                {f.family}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {v.list
            .map((s, i) => ({ s, i }))
            .reverse()
            .map(({ s, i }) => (
              <tr key={s.runId} className="border-t border-line align-top">
                <th scope="row" className="py-1 pr-4 font-normal">
                  <Link
                    to={`/runs/${s.runId}`}
                    className="font-semibold text-teal underline underline-offset-4"
                  >
                    {fullDay(s.date)}
                  </Link>
                  <span className="block text-[13px] text-soft">{session(s)}</span>
                </th>
                {cells.map((c, n) => (
                  <td key={v.families[n]?.familyId} className="min-w-32 py-1 pr-4 text-[13px]">
                    {c.get(i) ?? '–'}
                  </td>
                ))}
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  )
}
