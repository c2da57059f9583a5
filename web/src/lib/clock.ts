import type { S } from './api'

export type RunEvent = S['RunEvent']
export type Segment = S['Segment']

export interface Clock {
  status: 'READY' | 'RUNNING' | 'PAUSED' | 'STOPPED' | 'FINISHED'
  /** milliseconds into the timeline */
  positionMs: number
  /** milliseconds of added rest still to pass */
  holdMs: number
  /** every tap on the stop panel, earliest first */
  stops: { id: string; at: number; sign?: string; text?: string }[]
}

/** Time, then the number on the device, then the id: the order of both folds. */
const inOrder = (a: RunEvent, b: RunEvent) => a.at - b.at || a.seq - b.seq || (a.id < b.id ? -1 : 1)
const ordered = (events: RunEvent[]) =>
  [...new Map([...events].reverse().map((e) => [e.id, e])).values()].sort(inOrder)

/**
 * The clock of a run at a moment: wall time less pauses, never counted in ticks. Any STOP wins, however
 * late it comes. The same fold as the server's RunState; both are held to
 * core/src/test/resources/clock-cases.json.
 */
export function foldClock(segments: Segment[], events: RunEvent[], now: number): Clock {
  const last = segments[segments.length - 1]
  const total = last ? (last.start + last.length) * 1000 : 0
  let status: Clock['status'] = 'READY'
  let position = 0
  let hold = 0
  let seen = 0
  const stops: Clock['stops'] = []
  let ended = false
  const advance = (to: number) => {
    if (status !== 'RUNNING' || to <= seen) return
    const passed = to - seen
    seen = to
    const held = Math.min(hold, passed)
    hold -= held
    position = Math.min(total, position + passed - held)
  }
  for (const e of ordered(events)) {
    if (e.kind === 'STOP') stops.push({ id: e.id, at: e.at, sign: e.sign, text: e.text })
    if (e.kind === 'ENTRY' || ended) continue
    advance(e.at)
    if (e.kind === 'START' && status === 'READY') {
      status = 'RUNNING'
      seen = e.at
    } else if (e.kind === 'PAUSE' && status === 'RUNNING') {
      status = 'PAUSED'
    } else if (e.kind === 'RESUME' && status === 'PAUSED') {
      status = 'RUNNING'
      seen = e.at
    } else if (e.kind === 'GOTO') {
      const target = e.segment === undefined ? undefined : segments[e.segment]
      if (target) {
        position = target.start * 1000
        hold = 0
      }
    } else if (e.kind === 'EXTEND') {
      hold += (e.seconds ?? 0) * 1000
    } else if (e.kind === 'STOP' || e.kind === 'FINISH') {
      ended = true
      status = 'FINISHED'
    }
  }
  advance(now)
  return { status: stops.length > 0 ? 'STOPPED' : status, positionMs: position, holdMs: hold, stops }
}

/** The index of the segment at a position; the last one at the very end. */
export function segmentAt(segments: Segment[], positionMs: number): number {
  const i = segments.findIndex((s) => positionMs < (s.start + s.length) * 1000)
  return i < 0 ? segments.length - 1 : i
}

/** The sets as known so far: later words over earlier ones, by slot, round and side. */
export function entries(events: RunEvent[]): Map<string, S['Entry']> {
  const map = new Map<string, S['Entry']>()
  for (const e of ordered(events)) {
    if (!e.entry) continue
    const known = Object.fromEntries(Object.entries(e.entry).filter(([, v]) => v !== undefined && v !== null))
    map.set(entryKey(e.entry), { ...map.get(entryKey(e.entry)), ...known } as S['Entry'])
  }
  return map
}

export const entryKey = (e: { slotKey: string; round: number; side: string }) =>
  `${e.slotKey}/${e.round}/${e.side}`
