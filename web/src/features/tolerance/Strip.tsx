import type { S } from '../../lib/api'
import { day } from '../../lib/format'

/** One family over time: rung, effort as size, pain after as a tail. */
export function Strip({ f }: { f: S['FamilyRow'] }) {
  const points = f.points.slice(-14)
  const low = Math.max(1, Math.min(...points.map((p) => p.rung)) - 1)
  const high = Math.min(f.rungs, Math.max(...points.map((p) => p.rung)) + 1)
  const rows = Math.max(1, high - low)
  const gap = Math.min(24, 66 / rows)
  const x = (i: number) => 22 + (i * 580) / Math.max(13, points.length - 1)
  const y = (r: number) => 12 + (high - r) * gap
  return (
    <svg
      viewBox="0 0 620 96"
      className="w-full min-w-0"
      role="img"
      aria-label={`${f.family}: ${points.map((p) => `${day(p.date)} rung ${p.rung}, effort ${p.effort ?? 'not said'}, pain ${p.pain ?? 'not said'}, next morning ${p.nextMorning ?? 'no answer'}`).join('; ')}`}
    >
      {Array.from({ length: rows + 1 }, (_, i) => (
        <line key={i} x1={8} x2={612} y1={y(low + i)} y2={y(low + i)} stroke="#EFE8DC" />
      ))}
      <polyline
        points={points.map((p, i) => `${x(i)},${y(p.rung)}`).join(' ')}
        fill="none"
        stroke="#BCD3D3"
        strokeWidth="3"
      />
      {points.map((p, i) => {
        const r = 4 + (p.effort ?? 3) * 0.62
        const pain = p.pain ?? 0
        const morning = p.nextMorning ?? 0
        return (
          <g key={p.runId}>
            <title>{`${day(p.date)} ${p.movement}: ${p.entries.join('; ')}`}</title>
            {morning > 0 && (
              <line
                x1={x(i) + r}
                y1={y(p.rung) + r}
                x2={x(i) + r + 3 + morning * 2}
                y2={y(p.rung) + r + 2 + morning}
                stroke="#6A4A68"
                strokeWidth={1 + morning}
                strokeLinecap="round"
              />
            )}
            <circle
              cx={x(i)}
              cy={y(p.rung)}
              r={r}
              fill="#0E5A68"
              stroke="#6A4A68"
              strokeWidth={pain === 0 ? 0 : 1 + pain}
            />
            {!p.answered && (
              <line
                x1={x(i) - 8}
                x2={x(i) + 8}
                y1={y(p.rung) + r + 8}
                y2={y(p.rung) + r + 8}
                stroke="#5A6973"
                strokeWidth="2"
                strokeDasharray="2 3"
              />
            )}
          </g>
        )
      })}
      {points.map((p, i) =>
        i === 0 || i === points.length - 1 ? (
          <text key={p.runId + 't'} x={x(i) - 14} y={94} fontSize="11" fill="#5A6973">
            {day(p.date)}
          </text>
        ) : null,
      )}
    </svg>
  )
}
