import type { S } from './api'

export type RunEvent = S['EventDocument']
export type Entry = S['EntryDocument']
export type Segment = S['Segment']

export interface Clock {
  status: 'READY' | 'RUNNING' | 'PAUSED' | 'STOPPED' | 'FINISHED'
  /** milliseconds into the timeline */
  positionMs: number
  /** milliseconds of added rest still to pass */
  holdMs: number
  /** every tap on the stop panel, earliest first */
  stops: { id: string; at: number; sign?: string; text?: string; person?: string }[]
}

/** The server itself, where it ends what was left open. */
const SERVER = 'server'

const id = (e: RunEvent) => e.id ?? ''
const at = (e: RunEvent) => e.at ?? 0
const byId = (a: RunEvent, b: RunEvent) => (id(a) < id(b) ? -1 : id(a) > id(b) ? 1 : 0)

/**
 * The events each once and in the order of both folds: time, then the number on the device, then the id.
 * Of a named device a later number is never earlier in time: its clock was set back. A STOP keeps its own
 * time whatever the others say.
 */
export function ordered(events: RunEvent[]): RunEvent[] {
  const once = [...new Map([...events].reverse().map((e) => [id(e), e])).values()]
  once.sort((a, b) => a.seq - b.seq || at(a) - at(b) || byId(a, b))
  const reached = new Map<string, number>()
  const all = once.map((e) => {
    if (e.kind === 'STOP' || !e.device || e.device === 'old' || e.device === SERVER) return e
    const t = Math.max(at(e), reached.get(e.device) ?? -Infinity)
    reached.set(e.device, t)
    return t === at(e) ? e : { ...e, at: t }
  })
  return all.sort((a, b) => at(a) - at(b) || a.seq - b.seq || byId(a, b))
}

/**
 * The clock of a run at a moment: wall time less pauses, never counted in ticks. Any STOP wins, however
 * late it comes; of several people the run is stopped once everybody was. The same fold as the server's
 * RunState; both are held to catalogue/src/test/resources/runs.
 */
export function foldClock(segments: Segment[], people: string[], events: RunEvent[], now: number): Clock {
  const last = segments[segments.length - 1]
  const total = last ? (last.start + last.length) * 1000 : 0
  const only = people.length === 1 ? people[0] : undefined
  let going = [...people]
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
  const all = ordered(events)
  // where the server ended what was left open, a device that had gone on after all takes that end back
  const clockOf = (e: RunEvent) => e.kind !== 'ENTRY' && e.kind !== 'STOP' && e.device !== SERVER
  const lastAt = Math.max(-Infinity, ...all.filter(clockOf).map(at))
  for (const e of all) {
    if (e.device === SERVER && at(e) < lastAt) continue
    let everybody = false
    if (e.kind === 'STOP') {
      const person = e.person ?? only
      stops.push({ id: id(e), at: at(e), sign: e.sign, text: e.text, person })
      going = person === undefined ? [] : going.filter((p) => p !== person)
      everybody = going.length === 0
    }
    if (e.kind === 'ENTRY' || ended) continue
    advance(at(e))
    if (e.kind === 'FINISH' || everybody) {
      ended = true
      status = 'FINISHED'
    } else if (e.kind === 'START' && status === 'READY') {
      status = 'RUNNING'
      seen = at(e)
    } else if (e.kind === 'PAUSE' && status === 'RUNNING') {
      status = 'PAUSED'
    } else if (e.kind === 'RESUME' && status === 'PAUSED') {
      status = 'RUNNING'
      seen = at(e)
    } else if (e.kind === 'GOTO') {
      const target = e.segment === undefined ? undefined : segments[e.segment]
      if (target) {
        position = target.start * 1000
        hold = 0
      }
    } else if (e.kind === 'EXTEND') {
      hold += (e.seconds ?? 0) * 1000
    }
  }
  advance(now)
  return { status: going.length === 0 ? 'STOPPED' : status, positionMs: position, holdMs: hold, stops }
}

/** Milliseconds until a part is over, added rest counted. */
export const msLeft = (s: Segment, c: Pick<Clock, 'positionMs' | 'holdMs'>) =>
  (s.start + s.length) * 1000 - c.positionMs + c.holdMs

/** The index of the segment at a position; the last one at the very end. */
export function segmentAt(segments: Segment[], positionMs: number): number {
  const i = segments.findIndex((s) => positionMs < (s.start + s.length) * 1000)
  return i < 0 ? segments.length - 1 : i
}

const WORK = ['reps', 'seconds', 'grams', 'left', 'right', 'parts'] as const

/** What is known once an entry was said after an earlier one of the same set; what it leaves open stays. */
function over(earlier: Entry, now: Entry): Entry {
  const said = Object.fromEntries(
    Object.entries(now).filter(([k, v]) => v !== undefined && v !== null && k !== 'corrects'),
  ) as Partial<Entry>
  // a set told in parts is told whole, and one told in one go replaces parts
  const inParts = said.parts !== undefined || earlier.parts !== undefined
  const gone: readonly string[] =
    inParts && WORK.some((k) => said[k] !== undefined)
      ? WORK
      : said.grams !== undefined
        ? ['left', 'right']
        : said.left !== undefined
          ? ['grams']
          : []
  const before = Object.fromEntries(Object.entries(earlier).filter(([k]) => !gone.includes(k))) as Entry
  return { ...before, ...said }
}

/** The sets as known so far, by person, slot, round and side; what was corrected is left out. */
export function entries(events: RunEvent[], people: string[] = []): Map<string, Entry> {
  const only = people.length === 1 ? people[0] : undefined
  const corrected = new Set(events.map((e) => e.entry?.corrects).filter(Boolean))
  const map = new Map<string, Entry>()
  for (const e of ordered(events)) {
    if (!e.entry || corrected.has(id(e))) continue
    const key = entryKey(e.entry, e.person ?? only)
    map.set(key, over(map.get(key) ?? ({} as Entry), e.entry))
  }
  return map
}

export const entryKey = (e: { slotKey?: string; round: number; side?: string }, person = '') =>
  `${person}/${e.slotKey}/${e.round}/${e.side}`
