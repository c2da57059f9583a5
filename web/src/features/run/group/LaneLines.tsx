import type { S } from '../../../lib/api'
import { useDrawn, WIDTHS } from '../../../ui/Contour'
import { LANES } from './look'

const TOP = 8
const STEP = 15
const HIGHEST = 4
const HEIGHT = TOP * 2 + STEP * 3
const y = (h: number) => TOP + (HIGHEST - Math.min(HIGHEST, Math.max(1, h))) * STEP
const WORDS = ['floor', 'chair', 'leaning', 'standing']

/** Heights of a lane along the shared clock. */
function heights(run: S['RunView'], lane: number) {
  const shown = new Map(run.group?.lanes[lane]?.shown.map((s) => [s.slotKey, s.height]))
  return run.timeline.segments.map((g) => shown.get(g.slotKey) ?? g.height)
}

/** The lanes as heights over the one clock, with where it stands. */
export function LaneLines({ run, now }: { run: S['RunView']; now: number }) {
  const width = useDrawn(WIDTHS.wide)
  const total = Math.max(1, run.timeline.total)
  const x = (s: number) => (s / total) * width
  const lanes = run.group?.lanes ?? []
  return (
    <svg
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={lanes
        .map((l, i) => {
          const of = heights(run, i)
          const changes = of.filter((h, k) => k > 0 && h !== of[k - 1]).length
          return `${l.name}: from ${WORDS[Math.max(0, Math.min(HIGHEST, of[0] ?? 2) - 1)]}, ${changes} changes of height`
        })
        .join('. ')}
    >
      {lanes.map((l, i) => {
        const of = heights(run, i)
        const off = (i - (lanes.length - 1) / 2) * 3
        let d = ''
        run.timeline.segments.forEach((g, k) => {
          const h = y(of[k] ?? g.height) + off
          d += `${d === '' ? 'M' : 'L'}${x(g.start)} ${h}L${x(g.start + g.length)} ${h}`
        })
        return (
          <path
            key={l.name + String(i)}
            d={d}
            fill="none"
            stroke={LANES[i]?.colour}
            strokeWidth="3"
            strokeDasharray={LANES[i]?.dash}
            strokeLinejoin="round"
          />
        )
      })}
      <line x1={x(now)} x2={x(now)} y1={0} y2={HEIGHT} stroke="#F0C98A" strokeWidth="2" />
    </svg>
  )
}
