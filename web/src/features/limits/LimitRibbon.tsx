import type { S } from '../../lib/api'
import { day } from '../../lib/format'

/** The limits that hold today: firm with a solid edge, advised with a dashed one. */
export function LimitRibbon({ limits }: { limits: S['LimitView'][] }) {
  const on = limits.filter((l) => l.state === 'ACTIVE' || l.state === 'REVIEW_DUE')
  if (on.length === 0) return <p className="py-2 text-sm text-soft">No limits hold today.</p>
  const groups = new Map<string, S['LimitView'][]>()
  for (const l of on) {
    const key = l.strength === 'FIRM' ? l.id : l.source
    groups.set(key, [...(groups.get(key) ?? []), l])
  }
  return (
    <ul aria-label="Limits today" className="flex flex-wrap gap-2 py-3">
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
