import type { S } from './api'

export type RunEvent = S['EventDocument']
export type Entry = S['EntryDocument']
export type Segment = S['Segment']
export type Change = S['ChangeDocument']
export type Doing = S['Doing']

export interface Clock {
  status: 'READY' | 'RUNNING' | 'PAUSED' | 'STOPPED' | 'FINISHED'
  /** milliseconds into the timeline */
  positionMs: number
  /** milliseconds of added rest still to pass */
  holdMs: number
  /** milliseconds from the start, less pauses */
  livedMs: number
  /** milliseconds of the timeline that were skipped and not gone back over */
  skippedMs: number
  /** when the present pause began; undefined while the clock goes */
  pausedAt?: number
  /** every tap on the stop panel, earliest first */
  stops: { id: string; at: number; sign?: string; text?: string; person?: string }[]
}

/** What does not move the clock. */
const BESIDE: ReadonlySet<RunEvent['kind']> = new Set(['ENTRY', 'CHANGE', 'UNWELL', 'PULSE', 'AWAY', 'JOIN'])

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
  let lived = 0
  let jumped = 0
  let pausedAt: number | undefined
  const stops: Clock['stops'] = []
  let ended = false
  const advance = (to: number) => {
    if (status !== 'RUNNING' || to <= seen) return
    const passed = to - seen
    seen = to
    lived += passed
    const held = Math.min(hold, passed)
    hold -= held
    position = Math.min(total, position + passed - held)
  }
  const all = ordered(events)
  // where the server ended what was left open, a device that had gone on after all takes that end back
  const clockOf = (e: RunEvent) => !BESIDE.has(e.kind) && e.kind !== 'STOP' && e.device !== SERVER
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
    if (BESIDE.has(e.kind) || ended) continue
    advance(at(e))
    if (e.kind === 'FINISH' || everybody) {
      ended = true
      status = 'FINISHED'
    } else if (e.kind === 'START' && status === 'READY') {
      status = 'RUNNING'
      seen = at(e)
    } else if (e.kind === 'PAUSE' && status === 'RUNNING') {
      status = 'PAUSED'
      pausedAt = at(e)
    } else if (e.kind === 'RESUME' && status === 'PAUSED') {
      status = 'RUNNING'
      seen = at(e)
      pausedAt = undefined
    } else if (e.kind === 'GOTO') {
      const target = e.segment === undefined ? undefined : segments[e.segment]
      if (target) {
        jumped += target.start * 1000 - position
        position = target.start * 1000
        hold = 0
      }
    } else if (e.kind === 'EXTEND') {
      hold += (e.seconds ?? 0) * 1000
    }
  }
  advance(now)
  return {
    status: going.length === 0 ? 'STOPPED' : status,
    positionMs: position,
    holdMs: hold,
    livedMs: lived,
    skippedMs: Math.max(0, jumped),
    pausedAt,
    stops,
  }
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
  const before = Object.fromEntries(
    // whatever is told of a set later says it was done
    Object.entries(earlier).filter(([k]) => k !== 'notDone' && !gone.includes(k)),
  ) as Entry
  return { ...before, ...said }
}

/** What is done in a set where nothing was changed. */
export const AS_ASKED: Doing = { left: false, hurt: false }

/** Sets over the client's line that leave a movement. */
const LEAVES = 2

const holds = (c: Change, round: number, side: string) =>
  (c.round === round || (c.onward && c.round < round)) &&
  (c.to !== 'WEIGHT' || !c.side || c.side === 'BOTH' || c.side === side)

function after(d: Doing, c: Change): Doing {
  if (c.to === 'OPTION') return { option: c.option, left: false, hurt: d.hurt }
  // a weight is one form's: under another it means nothing
  if (c.to === 'WEIGHT') return c.option === d.option ? { ...d, grams: c.grams } : d
  if (c.to === 'LEAVE') return { option: d.option, left: true, hurt: d.hurt }
  // what hurt twice does not come back today
  return d.hurt ? { left: true, hurt: true } : AS_ASKED
}

/** A set as it is known, with what was done in it. */
export interface Known {
  person: string
  entry: Entry
  doing: Doing
  /** every event of it that stands, earliest first */
  events: RunEvent[]
}

/** All that was told of the sets, and what the slots have become. */
export interface Told {
  sets: Map<string, Known>
  /** what is done in a set that is still to come, or was not told yet */
  doing: (person: string, slotKey: string, round: number, side: string) => Doing
  /** sets of the slot in which pain was over the client's line */
  times: (person: string, slotKey: string) => number
  /** what was told of each mild symptom that is not gone, earliest first, by person */
  unwell: Map<string, RunEvent[]>
  /** who left before the end and did not come back, and why */
  away: Map<string, Leaving>
}

export type Leaving = NonNullable<RunEvent['why']>

/** What the fold needs of the sheet. */
export interface Bounds {
  /** greatest pain of each person that does not ease a movement */
  lines?: Record<string, number | undefined>
  /** how hard what is done is, 0 to 100; what is asked has no option */
  hardness?: (person: string, slotKey: string, option: string | undefined) => number
}

const pains = ['pain', 'painFirst', 'painLater', 'painAfter'] as const
const greatest = (e: Entry) => Math.max(-1, ...pains.map((p) => e[p] ?? -1))

/** The sets and changes of a run: the same fold as the server's RunState, held to the same cases. */
export function foldTold(
  events: RunEvent[],
  people: string[] = [],
  { lines = {}, hardness = () => 0 }: Bounds = {},
): Told {
  const only = people.length === 1 ? people[0] : undefined
  const corrected = new Set(events.map((e) => e.entry?.corrects).filter(Boolean))
  const sets = new Map<string, Known>()
  const first = new Map<string, Doing>()
  const taken = new Map<string, { change: Change; pain: boolean }[]>()
  const hurt = new Map<string, Set<string>>()
  const unwell = new Map<string, RunEvent[]>()
  const away = new Map<string, Leaving>()
  const slotOf = (person: string, slotKey: string) => `${person}/${slotKey}`
  const takenOf = (key: string) => {
    const all = taken.get(key) ?? []
    taken.set(key, all)
    return all
  }
  const doing: Told['doing'] = (person, slotKey, round, side) => {
    let d = AS_ASKED
    for (const t of taken.get(slotOf(person, slotKey)) ?? [])
      if (holds(t.change, round, side))
        d = t.pain ? { option: d.option, left: true, hurt: true } : after(d, t.change)
    return d
  }
  for (const e of ordered(events)) {
    const person = e.person ?? only ?? ''
    if (e.kind === 'UNWELL' && e.unwell) {
      const before = unwell.get(person) ?? []
      unwell.delete(person)
      if (e.unwell.how !== 'GONE') unwell.set(person, [...before, e])
    } else if (e.kind === 'AWAY') {
      away.delete(person)
      if (e.why) away.set(person, e.why)
    } else if (e.kind === 'CHANGE' && e.change?.slotKey) {
      const { slotKey, round, side, to, option } = e.change
      // a device that had not heard of the pain may have taken it: nothing is made harder after that
      const harder =
        to === 'OPTION' &&
        hurt.has(slotOf(person, slotKey)) &&
        hardness(person, slotKey, option) >
          hardness(person, slotKey, doing(person, slotKey, round, side ?? 'BOTH').option)
      if (!harder) takenOf(slotOf(person, slotKey)).push({ change: e.change, pain: false })
    } else if (e.kind === 'ENTRY' && e.entry) {
      const key = entryKey(e.entry, person)
      const slot = e.entry.slotKey ?? ''
      const side = e.entry.side ?? ''
      const done = first.get(key) ?? doing(person, slot, e.entry.round, side)
      first.set(key, done)
      if (corrected.has(id(e))) continue
      const before = sets.get(key)
      const entry = over(before?.entry ?? ({} as Entry), e.entry)
      sets.set(key, { person, entry, doing: done, events: [...(before?.events ?? []), e] })
      const line = lines[person]
      if (line !== undefined && greatest(entry) > line) {
        const of = slotOf(person, slot)
        const all = hurt.get(of) ?? new Set()
        hurt.set(of, all)
        const news = !all.has(key)
        all.add(key)
        if (news && all.size >= LEAVES)
          takenOf(of).push({ change: { slotKey: slot, round: 0, to: 'LEAVE', onward: true }, pain: true })
      }
    }
  }
  for (const [key, k] of sets) if (k.entry.notDone) sets.delete(key)
  return {
    sets,
    doing,
    times: (person, slotKey) => hurt.get(slotOf(person, slotKey))?.size ?? 0,
    unwell,
    away,
  }
}

export const entryKey = (e: { slotKey?: string; round: number; side?: string }, person = '') =>
  `${person}/${e.slotKey}/${e.round}/${e.side}`
