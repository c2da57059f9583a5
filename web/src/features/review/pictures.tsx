import type { S } from '../../lib/api'
import { day } from '../../lib/format'

const WIDE = 320
const R = 8

/** Sessions as a column of discs a week. */
export function Came({ weeks }: { weeks: S['Week'][] }) {
  const most = Math.max(1, ...weeks.map((w) => w.sessions))
  const step = WIDE / weeks.length
  const tall = most * 20 + 28
  const sum = weeks.reduce((n, w) => n + w.sessions, 0)
  return (
    <svg
      role="img"
      aria-label={`${sum} sessions in ${weeks.length} weeks: ${weeks.map((w) => `${w.sessions} from ${day(w.from)}`).join(', ')}`}
      viewBox={`0 0 ${WIDE} ${tall}`}
      className="w-full max-w-[420px]"
    >
      <line x1="0" x2={WIDE} y1={tall - 20} y2={tall - 20} stroke="#DED5C7" />
      {weeks.map((w, i) => (
        <g key={w.from}>
          {Array.from({ length: w.sessions }, (_, n) => (
            <circle key={n} cx={step * i + step / 2} cy={tall - 31 - n * 20} r={R} fill="#0E5A68" />
          ))}
          <text x={step * i + step / 2} y={tall - 6} fontSize="11" textAnchor="middle" fill="#5A6973">
            {day(w.from)}
          </text>
        </g>
      ))}
    </svg>
  )
}

/** A family's line from the first to the last session. */
export function Rise({ c, big }: { c: S['FamilyCourse']; big?: boolean }) {
  const wide = big ? WIDE : 110
  const tall = big ? 90 : 30
  const pad = big ? 10 : 4
  const n = Math.max(1, c.steps.length - 1)
  const y = (level: number) =>
    c.levels < 2 ? tall / 2 : tall - pad - (level / (c.levels - 1)) * (tall - pad - pad)
  let line = ''
  c.steps.forEach((s, i) => {
    const x = pad + (i / n) * (wide - pad - pad)
    line += i === 0 ? `M${x} ${y(s.level)}` : `H${x}V${y(s.level)}`
  })
  const last = c.steps[c.steps.length - 1]
  return (
    <svg
      role="img"
      aria-label={`${c.family}: from ${c.before} to ${c.now}`}
      viewBox={`0 0 ${wide} ${tall}`}
      className={big ? 'w-full max-w-[420px]' : 'h-[30px] w-[110px]'}
    >
      {big && <line x1="0" x2={wide} y1={tall - 2} y2={tall - 2} stroke="#DED5C7" />}
      <path d={line} fill="none" stroke="#0E5A68" strokeWidth={big ? 5 : 2.4} />
      {last && <circle cx={wide - pad} cy={y(last.level)} r={big ? 7 : 3.5} fill="#B8700F" />}
    </svg>
  )
}

/** The mornings after: told good, told worse, not told; each by its shape. */
export function Mornings({ held, answered, worse }: { held: number; answered: number; worse: number }) {
  const row = 12
  const gap = WIDE / row
  const good = answered - worse
  const tall = Math.max(1, Math.ceil(held / row)) * gap
  return (
    <svg
      role="img"
      aria-label={`Mornings after: ${good} as good or better, ${worse} worse, ${held - answered} not told`}
      viewBox={`0 0 ${WIDE} ${tall}`}
      className="w-full max-w-[420px]"
    >
      {Array.from({ length: held }, (_, i) => {
        const x = (i % row) * gap + gap / 2
        const y = Math.floor(i / row) * gap + gap / 2
        if (i < good) return <circle key={i} cx={x} cy={y} r={R} fill="#4A6F36" />
        if (i < answered) return <path key={i} d={`M${x} ${y - 10}l10 10l-10 10l-10 -10z`} fill="#B8700F" />
        return <circle key={i} cx={x} cy={y} r={R - 1} fill="none" stroke="#5A6973" strokeDasharray="3 3" />
      })}
    </svg>
  )
}
