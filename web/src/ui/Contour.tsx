import { useSyncExternalStore } from 'react'
import type { S } from '../lib/api'
import { clock } from '../lib/format'

type Timeline = S['Timeline']
const ROWS = [
  { label: 'standing', height: 4 },
  { label: 'leaning', height: 3 },
  { label: 'chair', height: 2 },
  { label: 'floor', height: 1 },
]
const LEFT = 84
const TOP = 14
const RIGHT = 14
/** Of the drawing at its usual height and where room is short; of a narrow screen. */
const STEPS = { usual: 30, low: 21 }
/** Of the drawing, so that its words stay readable on every screen. */
export const WIDTHS = { usual: 860, wide: 1230, narrow: 380 }
/** About what a letter of a label takes. */
const LETTER = 6.1
const GAP = 10
const LINE = 15

type Y = (height: number) => number
const heights =
  (step: number): Y =>
  (height) =>
    height >= 5 ? TOP - 8 : height === 0 ? TOP + 3.5 * step : TOP + (4 - Math.max(1, height)) * step

/** Labels set left to right: one that would run into the one before it goes a line down. */
export function places(labels: { at: number; words: string }[], right: number) {
  const ends: number[] = []
  return labels.map(({ at, words }) => {
    const width = words.length * LETTER
    const x = Math.max(0, Math.min(at, right - width))
    const free = ends.findIndex((e) => x >= e + GAP)
    const line = free < 0 ? ends.length : free
    ends[line] = x + width
    return { x, line, words }
  })
}

/** The line of the body's height; work, rest and changes of posture alike. */
function path(t: Timeline, scale: number, y: Y): string {
  let d = ''
  for (const s of t.segments) {
    const x = LEFT + s.start * scale
    d += d === '' ? `M${x} ${y(s.height)}` : `L${x} ${y(s.height)}`
    d += `L${LEFT + (s.start + s.length) * scale} ${y(s.height)}`
  }
  return d
}

function useMedia(query: string) {
  return useSyncExternalStore(
    (on) => {
      const m = window.matchMedia(query)
      m.addEventListener('change', on)
      return () => m.removeEventListener('change', on)
    },
    () => window.matchMedia(query).matches,
  )
}

/** How wide a drawing is drawn: for a phone, for a tablet, or as wide as it is wanted. */
export function useDrawn(wanted: number) {
  const phone = useMedia('(max-width: 520px)')
  const tablet = useMedia('(max-width: 960px)')
  return phone ? WIDTHS.narrow : tablet ? Math.min(WIDTHS.usual, wanted) : wanted
}

const names = { WARM_UP: 'warm-up', WORK: 'work', COOL_DOWN: 'cool-down' }

/** Where the body is at a height of the contour, as said to somebody. */
export const posture = (height: number) =>
  height >= 5
    ? 'on the step'
    : height === 4
      ? 'standing'
      : height === 3
        ? 'leaning'
        : height === 2
          ? 'on the chair'
          : 'on the floor'

/** A session as the body's height over time: dotted as planned, solid for this client. */
export function Contour({
  planned,
  adapted,
  who,
  slot,
  now,
  night,
  wide,
  low,
}: {
  planned?: Timeline
  adapted?: Timeline
  who?: string
  slot?: string
  now?: number
  night?: boolean
  /** drawn for the whole width of the page, so that it stays low */
  wide?: boolean
  /** where the room under it is needed */
  low?: boolean
}) {
  const width = useDrawn(wide ? WIDTHS.wide : WIDTHS.usual)
  const main = adapted ?? planned
  if (!main) return null
  const step = low ? STEPS.low : STEPS.usual
  const y = heights(step)
  const under = TOP + 3.5 * step
  const total = Math.max(main.total, planned?.total ?? 0)
  const scale = (width - LEFT - RIGHT) / total
  const blocks = (['WARM_UP', 'WORK', 'COOL_DOWN'] as const)
    .map((b) => {
      const own = main.segments.filter((s) => s.block === b)
      const first = own[0]
      const last = own[own.length - 1]
      return { b, from: first?.start ?? 0, to: last ? last.start + last.length : 0 }
    })
    .filter((k) => k.to > k.from)
  const labels = places(
    blocks.map((k) => ({ at: LEFT + k.from * scale, words: `${names[k.b]} ${clock(k.to - k.from)}` })),
    width - 2,
  )
  const lines = Math.max(1, ...labels.map((l) => l.line + 1))
  const marked = main.segments.filter((s) => s.slotKey === slot && s.kind === 'WORK')
  const line = night ? '#9fb3ba' : '#0E5A68'
  const text = night ? '#a9bcc2' : '#5A6973'
  return (
    <figure className={night ? '' : 'rounded-md border border-line bg-sheet px-3 py-2'}>
      <svg
        viewBox={`0 0 ${width} ${under + 18 + lines * LINE}`}
        className="block w-full"
        role="img"
        aria-label={summary(planned, adapted, who)}
      >
        {ROWS.map((r) => (
          <g key={r.label}>
            <line
              x1={LEFT}
              x2={width - RIGHT}
              y1={y(r.height)}
              y2={y(r.height)}
              stroke={night ? '#29424b' : '#EFE8DC'}
            />
            <text x={8} y={y(r.height) + 4} fontSize="12" fill={text}>
              {r.label}
            </text>
          </g>
        ))}
        {marked.map((s) => (
          <rect
            key={s.start}
            x={LEFT + s.start * scale}
            width={s.length * scale}
            y={4}
            height={under - 6}
            fill="#D8E8E8"
            opacity={night ? 0.12 : 0.8}
          />
        ))}
        {planned && adapted && (
          <path
            d={path(planned, scale, y)}
            fill="none"
            stroke="#8d8f8c"
            strokeWidth="1.6"
            strokeDasharray="3 5"
          />
        )}
        <path
          d={path(main, scale, y)}
          fill="none"
          stroke={line}
          strokeWidth="3.5"
          strokeLinejoin="round"
          strokeDasharray={planned && !adapted ? '3 5' : undefined}
        />
        {marked.map((s) => (
          <line
            key={s.start}
            x1={LEFT + s.start * scale}
            x2={LEFT + (s.start + s.length) * scale}
            y1={y(s.height)}
            y2={y(s.height)}
            stroke={night ? '#F0C98A' : '#B8700F'}
            strokeWidth="5"
          />
        ))}
        {blocks.map((k) => (
          <g key={k.b}>
            <line
              x1={LEFT + k.from * scale + 1}
              x2={LEFT + k.to * scale - 2}
              y1={under + 9}
              y2={under + 9}
              stroke={night ? '#3a5660' : '#C9BBA6'}
              strokeWidth="3"
            />
          </g>
        ))}
        {labels.map((l) => (
          <text key={l.words} x={l.x} y={under + 11 + (l.line + 1) * LINE} fontSize="12" fill={text}>
            {l.words}
          </text>
        ))}
        {now !== undefined && (
          <line
            x1={LEFT + now * scale}
            x2={LEFT + now * scale}
            y1={2}
            y2={under + 9}
            stroke="#F0C98A"
            strokeWidth="2"
          />
        )}
      </svg>
      {!night && (
        <figcaption className="flex flex-wrap justify-between gap-x-4 px-2 text-[13px] text-soft">
          <span>
            {adapted && planned
              ? `dotted: as planned · line: for ${who ?? 'this client'}`
              : 'dotted: as planned'}
          </span>
          <strong className="text-ink">
            {adapted && planned
              ? `trips to the floor ${planned.floorTrips} → ${adapted.floorTrips} · posture changes ${planned.postureChanges} → ${adapted.postureChanges}`
              : `trips to the floor ${main.floorTrips} · posture changes ${main.postureChanges}`}
          </strong>
        </figcaption>
      )}
    </figure>
  )
}

function summary(planned?: Timeline, adapted?: Timeline, who?: string): string {
  const t = adapted ?? planned
  if (!t) return ''
  const word = (h: number) => (h >= 4 ? 'standing' : h === 3 ? 'leaning' : h === 2 ? 'chair' : 'floor')
  const steps: string[] = []
  for (const s of t.segments) if (steps[steps.length - 1] !== word(s.height)) steps.push(word(s.height))
  return `Height over time${who ? ' for ' + who : ''}: ${steps.join(', ')}. ${t.floorTrips === 1 ? '1 trip' : `${t.floorTrips} trips`} to the floor, ${clock(t.total)} in all.`
}
