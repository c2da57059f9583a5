import type { S } from '../../lib/api'
import { clock } from '../../lib/format'
import { useDrawn, WIDTHS } from '../../ui/Contour'

const ROWS = [
  { label: 'standing', height: 4 },
  { label: 'leaning', height: 3 },
  { label: 'chair', height: 2 },
  { label: 'floor', height: 1 },
]
const LEFT = 92
const STEP = 28
/** What the length of the whole takes at the right. */
const END = 58
/** A colour and a stroke a lane: the line is told by both. */
export const LANE = [
  { colour: '#6A4A68', dash: undefined, words: 'plain line' },
  { colour: '#B8700F', dash: '10 4', words: 'long dashes' },
  { colour: '#0E5A68', dash: '2 4', words: 'dots' },
  { colour: '#1F2D36', dash: '12 4 2 4', words: 'dash and dot' },
]

const y = (h: number) => 12 + (4 - Math.min(4, Math.max(1, h === 0 ? 1 : h))) * STEP

/** The lanes of a group as heights over time, one line a lane. */
export function Contours({ sheet, slot }: { sheet: S['GroupSheet']; slot?: string }) {
  const width = useDrawn(WIDTHS.wide)
  const total = Math.max(1, ...sheet.lanes.map((l) => l.timeline.total))
  const scale = (width - LEFT - 10) / total
  const first = sheet.lanes[0]?.timeline
  if (!first || first.segments.length === 0) return null
  const starts = new Map<string, number>()
  for (const s of first.segments)
    if (!starts.has(s.slotKey) && s.kind === 'WORK') starts.set(s.slotKey, s.start)
  const marks = sheet.slots.filter((s) => s.block === 'WORK')
  const here = sheet.lanes.flatMap((l) =>
    l.timeline.segments.filter((s) => s.slotKey === slot && s.kind === 'WORK'),
  )
  const from = Math.min(...here.map((s) => s.start))
  const path = (t: S['Timeline'], lane: number) => {
    let d = ''
    for (const s of t.segments) {
      const h = y(s.height) + (lane - (sheet.lanes.length - 1) / 2) * 4
      d += `${d === '' ? 'M' : 'L'}${LEFT + s.start * scale} ${h}L${LEFT + (s.start + s.length) * scale} ${h}`
    }
    return d
  }
  const words = sheet.lanes
    .map(
      (l) =>
        `${l.name}: ${l.timeline.floorTrips} trips to the floor, ${l.timeline.postureChanges} posture changes`,
    )
    .join('. ')
  return (
    <figure
      aria-label="Height over time, one line a lane"
      className="rounded-md border border-line bg-sheet px-3 py-2"
    >
      <svg
        viewBox={`0 0 ${width} 136`}
        className="block w-full"
        role="img"
        aria-label={`Height over time by lane. ${words}.`}
      >
        {ROWS.map((r) => (
          <g key={r.label}>
            <line x1={LEFT} x2={width - 10} y1={y(r.height)} y2={y(r.height)} stroke="#EFE8DC" />
            <text x={6} y={y(r.height) + 4} fontSize="13" fill="#5A6973">
              {r.label}
            </text>
          </g>
        ))}
        {here.length > 0 && (
          <rect
            x={LEFT + from * scale}
            width={
              Math.max(
                ...here
                  .filter((s) => s.round === (here[0]?.round ?? 0))
                  .map((s) => s.start + s.length - from),
              ) * scale
            }
            y={2}
            height={108}
            fill="#F6E6CB"
            opacity="0.7"
          />
        )}
        {sheet.lanes.map((l) => (
          <path
            key={l.lane}
            d={path(l.timeline, l.lane)}
            fill="none"
            stroke={LANE[l.lane]?.colour}
            strokeWidth="3.5"
            strokeDasharray={LANE[l.lane]?.dash}
            strokeLinejoin="round"
          />
        ))}
        {marks.map((s) => {
          const at = starts.get(s.key)
          const x = LEFT + (at ?? 0) * scale
          // the length of the whole stands at the end of the line
          return at === undefined || x > width - END ? null : (
            <text
              key={s.key}
              x={x}
              y={130}
              fontSize="13"
              fontWeight={s.key === slot ? 700 : 400}
              fill={s.key === slot ? '#1F2D36' : '#5A6973'}
            >
              {s.number}
            </text>
          )
        })}
        <text x={width - 10} y={130} fontSize="13" textAnchor="end" fill="#5A6973">
          {clock(total)}
        </text>
      </svg>
    </figure>
  )
}

/** The line of a lane, to tell columns and contour together. */
export function LaneMark({ lane }: { lane: number }) {
  const l = LANE[lane]
  return (
    <svg width="34" height="8" viewBox="0 0 34 8" aria-hidden="true" className="inline-block">
      <path d="M1 4H33" stroke={l?.colour} strokeWidth="4" strokeDasharray={l?.dash} />
    </svg>
  )
}
