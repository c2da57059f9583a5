import type { S } from '../../lib/api'

/** Where things are drawn on a strip, in px; widths come from the page. */
export const PAD = 8
export const STRIP = { top: 12, bottom: 44, aim: 64, effort: 6, base: 116, pain: 3, height: 122 } as const
/** Keeps words on a drawing readable where a line or a hatching runs under them. */
export const HALO = { paintOrder: 'stroke', stroke: '#F7F3EC', strokeWidth: 3 } as const
/** Room at the right of the plot, so that the newest mark is whole. */
const DAY_MS = 86_400_000

const at = (iso: string) => Date.parse(iso.slice(0, 10) + 'T00:00:00Z') / DAY_MS

/** True time across: a day of the span to a place on a plot of that width. */
export function across(from: string, to: string, width: number) {
  const first = at(from)
  const days = Math.max(1, at(to) - first)
  return (iso: string) => PAD + ((at(iso) - first) / days) * (width - PAD - PAD)
}

/** The place in the list nearest to a point; -1 where there is none. */
export function nearest(places: number[], x: number): number {
  let best = -1
  places.forEach((p, i) => {
    if (best < 0 || Math.abs(p - x) < Math.abs((places[best] ?? 0) - x)) best = i
  })
  return best
}

const clamp = (v: number, low: number, high: number) => Math.max(low, Math.min(high, v))

/** How high an effort is drawn: the aim is a band, every point of effort 6 px, cut where it leaves. */
export const effortAt = (effort: number, aimHigh: number) =>
  clamp(STRIP.aim - (effort - aimHigh) * STRIP.effort, STRIP.bottom + STRIP.effort, STRIP.base - 32)

export const painAt = (pain: number) => STRIP.base - pain * STRIP.pain

export const levelAt = (level: number, levels: number) =>
  levels < 2
    ? (STRIP.top + STRIP.bottom) / 2
    : STRIP.bottom - (level / (levels - 1)) * (STRIP.bottom - STRIP.top)

const R = 3.4
const dot = (x: number, y: number) => `M${x - R} ${y}a${R} ${R} 0 1 0 ${R + R} 0a${R} ${R} 0 1 0 ${-R - R} 0`
const peak = (x: number, pain: number) =>
  `M${x - 4} ${STRIP.base}L${x} ${painAt(pain)}L${x + 4} ${STRIP.base}Z`

/** A strip as a handful of paths: quick to paint whatever the number of sessions. */
export function paths(
  marks: S['FamilyMark'][],
  levels: number,
  aim: { low: number; high: number },
  x: (mark: S['FamilyMark']) => number,
) {
  let line = ''
  let inside = ''
  let over = ''
  let during = ''
  let morning = ''
  let unanswered = ''
  marks.forEach((m, i) => {
    const here = x(m)
    const y = levelAt(m.level, levels)
    line += i === 0 ? `M${here} ${y}` : `H${here}V${y}`
    if (m.effort !== undefined) {
      const d = dot(here, effortAt(m.effort, aim.high))
      if (m.effort > aim.high) over += d
      else inside += d
    }
    if (m.pain) during += peak(here, m.pain)
    if (m.morning) morning += peak(here + 5, m.morning)
    if (m.morning === undefined) unanswered += `M${here - 3} ${STRIP.base + 3}h6`
  })
  return { line, inside, over, during, morning, unanswered }
}

const LETTER = 6.3
/** The labels of a line that do not run into each other: each where the line changes. */
export function labels(
  marks: S['FamilyMark'][],
  levels: number,
  width: number,
  x: (mark: S['FamilyMark']) => number,
) {
  const shown: { key: number; x: number; y: number; text: string; end: boolean }[] = []
  let free = -Infinity
  for (const m of marks) {
    if (m.label === undefined) continue
    const long = m.label.length * LETTER
    const here = x(m)
    const end = here + long > width
    const left = end ? width - long : here
    if (left < free) continue
    free = left + long + 4
    shown.push({ key: m.at, x: end ? width : here + 2, y: levelAt(m.level, levels) - 4, text: m.label, end })
  }
  return shown
}

/** What a session was in a family, in words. */
export function said(m: S['FamilyMark'], label: string | undefined): string {
  return [
    label,
    m.effort === undefined ? 'effort not told' : `effort ${m.effort}`,
    m.pain === undefined ? 'pain not told' : `pain ${m.pain}`,
    m.morning === undefined ? 'morning not answered' : `next morning ${m.morning}`,
  ]
    .filter((w) => w !== undefined)
    .join(', ')
}

/** The label that holds at each mark: of the last change before it. */
export function held(marks: S['FamilyMark'][]): string[] {
  let now = ''
  return marks.map((m) => (now = m.label ?? now))
}

const NEXT = 6
/** Where words over marks begin so that none run into each other; undefined where there is no room. */
export function markLabels(marks: { x: number; text: string }[], width: number): (number | undefined)[] {
  const places: (number | undefined)[] = marks.map(() => undefined)
  let free = width - PAD
  // from the newest back: what is newest is said first
  for (let i = marks.length - 1; i >= 0; i--) {
    const m = marks[i]
    if (!m) continue
    const long = m.text.length * LETTER
    const left = Math.min(m.x - NEXT, free - long)
    if (left < 0 || left + long < m.x - NEXT) continue
    places[i] = left
    free = left - NEXT
  }
  return places
}
