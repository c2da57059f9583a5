import type { S } from '../../lib/api'
import { day } from '../../lib/format'

/** The limits that hold today: firm with a solid edge, advised with a dashed one. */
export function LimitRibbon({ limits }: { limits: S['LimitView'][] }) {
  const now = limits.filter((l) => l.state === 'ACTIVE' || l.state === 'REVIEW_DUE')
  const on = [...now.filter((l) => l.strength === 'FIRM'), ...now.filter((l) => l.strength !== 'FIRM')]
  if (on.length === 0) return <p className="py-2 text-sm text-soft">No limits hold today.</p>
  const groups = new Map<string, S['LimitView'][]>()
  for (const l of on) {
    const key = [l.strength, l.source, l.state, l.until].join()
    groups.set(key, [...(groups.get(key) ?? []), l])
  }
  const many = groups.size > 7
  return (
    <>
      {many && (
        <p className="pt-3 text-sm font-semibold">
          {on.length} limits hold today, the firm ones first; combined on the page Limits.
        </p>
      )}
      <ul
        aria-label="Limits today"
        tabIndex={many ? 0 : undefined}
        className={`my-3 flex flex-wrap gap-2 ${many ? 'max-h-[190px] overflow-auto border-y border-line py-2' : ''}`}
      >
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
    </>
  )
}
