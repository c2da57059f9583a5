import { useState } from 'react'
import type { S } from '../../lib/api'
import { day } from '../../lib/format'

const KEY = 'riposo.ribbon'

const today = (limits: S['LimitView'][]) => {
  const now = limits.filter((l) => l.state === 'ACTIVE' || l.state === 'REVIEW_DUE')
  const firm = now.filter((l) => l.strength === 'FIRM')
  return { firm, all: [...firm, ...now.filter((l) => l.strength !== 'FIRM')] }
}

/** Whether the ribbon is open, kept as it was left; and the turn of it. */
export function useRibbon(): [boolean, () => void] {
  const [open, setOpen] = useState(() => sessionStorage.getItem(KEY) === 'open')
  return [
    open,
    () => {
      sessionStorage.setItem(KEY, open ? 'shut' : 'open')
      setOpen(!open)
    },
  ]
}

/** How many limits hold today, with the firm ones in words, on the line of the name. */
export function LimitLine({
  limits,
  open,
  onTurn,
}: {
  limits: S['LimitView'][]
  open: boolean
  onTurn: () => void
}) {
  const { firm, all } = today(limits)
  if (all.length === 0) return <p className="text-sm text-soft">No limits hold today.</p>
  return (
    <p className="order-4 flex min-w-0 flex-wrap items-baseline gap-x-3 text-sm sm:order-none">
      <strong>{all.length === 1 ? '1 limit today' : `${all.length} limits today`}</strong>
      {firm.length === 0 ? (
        <span className="text-soft">none firm</span>
      ) : (
        <span className="min-w-0">
          <span className="text-plum">firm:</span>{' '}
          {firm.map((l) => l.words + (l.state === 'REVIEW_DUE' ? ' (review due)' : '')).join(' · ')}
        </span>
      )}
      <button
        type="button"
        aria-expanded={open}
        onClick={onTurn}
        className="no-print min-h-[32px] text-teal underline underline-offset-4"
      >
        {open ? 'show less' : 'show all'}
      </button>
    </p>
  )
}

/** The limits that hold today, firm with a solid edge, advised with a dashed one; on paper always. */
export function LimitRibbon({ limits, open }: { limits: S['LimitView'][]; open: boolean }) {
  const { all: on } = today(limits)
  if (on.length === 0) return null
  const groups = new Map<string, S['LimitView'][]>()
  for (const l of on) {
    const key = [l.strength, l.source, l.state, l.until].join()
    groups.set(key, [...(groups.get(key) ?? []), l])
  }
  return (
    <ul aria-label="Limits today" className={`mb-3 flex-wrap gap-2 ${open ? 'flex' : 'hidden print:flex'}`}>
      {[...groups.entries()].map(([key, list]) => {
        const l = list[0]
        if (!l) return null
        const firm = l.strength === 'FIRM'
        return (
          <li
            key={key}
            className={`border border-line bg-sheet py-1 pl-3 pr-3 text-sm ${firm ? 'border-l-[5px] border-l-plum' : 'border-l-[5px] border-l-plum [border-left-style:dashed]'}`}
          >
            {list.map((x) => x.words).join(' · ')}{' '}
            <span className="text-[13px] text-soft">
              {firm ? 'firm' : 'advised'} · {l.source} ·{' '}
              {l.state === 'REVIEW_DUE' ? (
                <strong className="text-ochre-deep">review due, still on</strong>
              ) : l.until ? (
                `until ${day(l.until)}`
              ) : (
                'until reviewed'
              )}
            </span>
          </li>
        )
      })}
    </ul>
  )
}
