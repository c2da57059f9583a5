import { ApiError, type S } from '../api'
import { foldClock, type RunEvent } from '../clock'
import type { KeptEvent, RunStore } from './store'
import { offBy, steadyNow } from './time'

/** What happens, before the log gives it its id, device, time and number. */
export type Happening = Omit<RunEvent, 'id' | 'at' | 'seq' | 'device'>

/** The server, as the log needs it. */
export interface RunNet {
  run(id: string): Promise<S['RunView']>
  /** the server's time, ms since 1970 */
  time(): Promise<number>
  events(id: string): Promise<RunEvent[]>
  send(id: string, events: RunEvent[], clock: number): Promise<S['Kept']>
}

export interface RunLogState {
  run?: S['RunView']
  events: RunEvent[]
  waiting: number
  refused: { event: RunEvent; why: string }[]
  /** the server was not reached */
  offline: boolean
  /** this device is full or keeps nothing: only memory and the server hold the log */
  unkept: boolean
  trouble: ApiError | null
  /** the run cannot be shown: neither the server nor this device has it */
  error: unknown
  /** milliseconds to add to this device's clock */
  offset: number
}

interface Parts {
  store: RunStore
  net: RunNet
  device: () => string
  now?: () => number
  /** events of a version before this one, kept as text */
  older?: { read(runId: string): string | null; drop(runId: string): void }
}

const AT_ONCE = 200
const DAY = 86_400_000
const idOf = (e: RunEvent) => e.id ?? ''
const atOf = (e: RunEvent) => e.at ?? 0

/**
 * The events of a run on this device: kept as they happen, then sent until the server has answered each.
 * A reload, a closed tab, a second tab or a lost network loses nothing. No part of it knows the page.
 */
export class RunLog {
  private kept = new Map<string, KeptEvent>()
  private unsaved = new Set<string>()
  private runUnsaved = false
  private listeners = new Set<() => void>()
  private sending = false
  private closed = false
  private aligned = false
  private ends: (() => void)[] = []
  private saving: Promise<void> = Promise.resolve()
  private state: RunLogState = {
    events: [],
    waiting: 0,
    refused: [],
    offline: false,
    unkept: false,
    trouble: null,
    error: null,
    offset: 0,
  }

  constructor(
    readonly runId: string,
    private readonly parts: Parts,
  ) {}

  readonly snapshot = (): RunLogState => this.state
  readonly subscribe = (on: () => void): (() => void) => {
    this.listeners.add(on)
    return () => this.listeners.delete(on)
  }

  /** The time by the server's clock where it has corrected this device's. */
  now(): number {
    return (this.parts.now ?? steadyNow)() + this.state.offset
  }

  /** Reads what the device kept, takes over what an older version kept, and joins it with the server's. */
  async open(): Promise<void> {
    this.closed = false
    try {
      const { run, events } = await this.parts.store.load(this.runId)
      this.take(events)
      if (run) this.set({ run: this.state.run ?? run.run, offset: run.offset })
      this.aligned ||= run?.aligned === true
    } catch {
      this.set({ unkept: true })
    }
    await this.takeOver()
    this.ends.push(this.parts.store.watch(this.runId, (events) => this.take(events)))
    await this.refresh()
  }

  private async takeOver() {
    const text = this.parts.older?.read(this.runId)
    if (!text) return
    const before = readOlder(text)
    this.take(
      before.events.map((event) => ({
        id: idOf(event),
        runId: this.runId,
        event,
        state: before.sent.has(idOf(event)) ? 'SENT' : before.refused[idOf(event)] ? 'REFUSED' : 'WAITING',
        why: before.refused[idOf(event)],
      })),
    )
    for (const e of before.events) this.unsaved.add(idOf(e))
    await this.save()
    if (!this.state.unkept) this.parts.older?.drop(this.runId)
  }

  /** Once what was told so far is on the device, or could not be kept there. */
  async idle(): Promise<void> {
    await this.saving
  }

  /** Ends everything this log does; what is kept stays kept. */
  close() {
    this.closed = true
    this.ends.forEach((end) => end())
    this.ends = []
  }

  /** The run and its events as the server has them, of this device and of others. */
  async refresh(): Promise<void> {
    try {
      const [run] = await Promise.all([this.parts.net.run(this.runId), this.askTime()])
      this.runUnsaved = true
      this.set({ run, error: null, offline: false })
      await this.save() // from here on it opens without a network
      await this.others()
    } catch (e) {
      if (e instanceof ApiError && e.problem.status === 0) this.set({ offline: true })
      this.set({ error: this.state.run ? null : e })
    }
    await this.save()
    await this.settle()
  }

  /** A run is shown without it as well: then by this device's own time. */
  private async askTime() {
    const asked = this.now()
    try {
      this.heard(await this.parts.net.time(), asked)
    } catch {
      // what is sent brings it with the answer
    }
  }

  /** What other devices have logged since. */
  async others(): Promise<void> {
    const events = await this.parts.net.events(this.runId)
    const news = events.filter((e) => {
      const known = this.kept.get(idOf(e))
      return !known || known.state === 'WAITING' || atOf(known.event) !== atOf(e)
    })
    if (news.length === 0) return
    for (const event of news) {
      this.kept.set(idOf(event), { id: idOf(event), runId: this.runId, event, state: 'SENT' })
      this.unsaved.add(idOf(event))
    }
    this.changed()
    await this.save()
    await this.meet(news)
  }

  /** Somebody came that this device has not heard of: the run is asked for with them in it. */
  private async meet(news: RunEvent[]) {
    const here = this.state.run?.people.map((p) => p.clientId) ?? []
    if (!news.some((e) => e.kind === 'JOIN' && e.person && !here.includes(e.person))) return
    const run = await this.parts.net.run(this.runId)
    this.runUnsaved = true
    this.set({ run })
    await this.save()
  }

  private mine(): RunEvent[] {
    const device = this.parts.device()
    return [...this.kept.values()].map((k) => k.event).filter((e) => e.device === device)
  }

  /** Something happened: it is in the log when this returns, on the device right after, then sent. */
  add(h: Happening): RunEvent {
    const device = this.parts.device()
    const mine = this.mine()
    const event: RunEvent = {
      ...h,
      id: crypto.randomUUID(),
      device,
      // never before the last one of this device, even where its clock was set back
      at: Math.max(this.now(), ...mine.map(atOf)),
      seq: Math.max(-1, ...mine.map((e) => e.seq)) + 1,
    }
    const id = idOf(event)
    this.kept.set(id, { id, runId: this.runId, event, state: 'WAITING' })
    this.unsaved.add(id)
    this.changed()
    void this.save().then(() => this.send())
    return event
  }

  /** Sends what waits, every stop first so that it never waits behind the rest; one tab at a time. */
  async send(): Promise<void> {
    if (this.sending || this.closed) return
    this.sending = true
    try {
      await alone('riposo.send.' + this.runId, () => this.sendAll())
    } finally {
      this.sending = false
    }
  }

  private async sendAll() {
    // another tab may have sent some meanwhile
    await this.parts.store.load(this.runId).then(
      (k) => this.take(k.events),
      () => {},
    )
    for (let batch = this.batch(); batch.length > 0; batch = this.batch()) {
      try {
        const asked = this.now()
        const kept = await this.parts.net.send(this.runId, batch, asked)
        this.heard(kept.now, asked)
        this.answered(batch, kept.answers)
        this.set({ offline: false, trouble: null })
      } catch (e) {
        if (e instanceof ApiError && e.problem.status === 0) this.set({ offline: true })
        else if (e instanceof ApiError) this.set({ trouble: e })
        else throw e
        break
      } finally {
        await this.save()
      }
      // a stop the server would not take is tried again with the next beat, not at once
      if (batch.every((e) => this.kept.get(idOf(e))?.state === 'WAITING')) break
    }
    await this.settle()
  }

  /** What goes with the next sending. */
  batch(): RunEvent[] {
    const all = [...this.kept.values()].filter((k) => k.state === 'WAITING').map((k) => k.event)
    return [...all.filter((e) => e.kind === 'STOP'), ...all.filter((e) => e.kind !== 'STOP')].slice(
      0,
      AT_ONCE,
    )
  }

  private answered(sent: RunEvent[], answers: S['Answered'][]) {
    for (const a of answers) {
      const k = this.kept.get(idOf(sent[a.index] ?? ({} as RunEvent)))
      if (!k) continue
      if (a.reply === 'REFUSED') {
        // a stop is never given up
        if (k.event.kind !== 'STOP')
          this.kept.set(k.id, { ...k, state: 'REFUSED', why: a.why ?? 'Not taken.' })
      } else {
        if (a.at !== undefined) this.adopt(a.at - atOf(k.event))
        const event = a.at === undefined ? k.event : { ...k.event, at: a.at, deviceAt: atOf(k.event) }
        this.kept.set(k.id, { ...k, event, state: 'SENT' })
      }
      this.unsaved.add(k.id)
    }
    this.changed()
  }

  /**
   * The server's time came with an answer. The run goes by it from the first answer on, so that all
   * devices agree; after that it only corrects what was set or slept.
   */
  private heard(theirs: number | undefined, asked: number) {
    if (theirs === undefined) return
    // logged before any answer, or by an older version: the run goes on by this device's own time
    if (!this.aligned && this.mine().length > 0) return
    const answered = this.now()
    const middle = (asked + answered) / 2
    const off = this.aligned ? offBy(theirs, middle, answered - asked) : theirs - middle
    if (off !== 0) {
      this.state = { ...this.state, offset: this.state.offset + off }
      this.runUnsaved = true
    }
    this.aligned = true
  }

  /** The server has set this device's time: its clock is put right, and so is what still waits. */
  private adopt(off: number) {
    if (Math.abs(off) < DAY) return
    this.state = { ...this.state, offset: this.state.offset + off }
    this.runUnsaved = true
    for (const k of this.kept.values())
      if (k.state === 'WAITING' && Math.abs(atOf(k.event) - this.now()) > DAY) {
        this.kept.set(k.id, { ...k, event: { ...k.event, at: atOf(k.event) + off } })
        this.unsaved.add(k.id)
      }
  }

  /** Nothing of a run stays on the device once it is closed and everything is delivered. */
  private async settle() {
    const { run } = this.state
    const over = run !== undefined && run.people.every((p) => p.effortAfter !== undefined)
    if (!over || [...this.kept.values()].some((k) => k.state !== 'SENT')) return
    try {
      await this.parts.store.remove(this.runId)
    } catch {
      // a device that keeps nothing has nothing to remove
    }
  }

  private take(events: KeptEvent[]) {
    let news = false
    for (const e of events) {
      const mine = this.kept.get(e.id)
      if (mine && (mine.state === e.state || e.state === 'WAITING' || this.unsaved.has(e.id))) continue
      this.kept.set(e.id, e)
      news = true
    }
    if (news) this.changed()
  }

  private save(): Promise<void> {
    this.saving = this.saving.then(() => this.saveNow())
    return this.saving
  }

  private async saveNow() {
    const ids = [...this.unsaved]
    if (ids.length === 0 && !this.runUnsaved) return
    const events = ids.flatMap((id) => this.kept.get(id) ?? [])
    const run = this.runUnsaved ? this.state.run : undefined
    try {
      await this.parts.store.put(
        this.runUnsaved
          ? { id: this.runId, run, offset: this.state.offset, aligned: this.aligned }
          : undefined,
        events,
      )
      for (const e of events) if (this.kept.get(e.id) === e) this.unsaved.delete(e.id)
      this.runUnsaved = false
      this.set({ unkept: false })
    } catch {
      // full, or private: memory and the server hold it, and the page says so
      this.set({ unkept: true })
    }
  }

  private changed() {
    const all = [...this.kept.values()]
    this.set({
      // a change the server would not take holds nowhere
      events: all.filter((k) => k.state !== 'REFUSED' || k.event.kind !== 'CHANGE').map((k) => k.event),
      waiting: all.filter((k) => k.state === 'WAITING').length,
      refused: all.flatMap((k) => (k.state === 'REFUSED' ? [{ event: k.event, why: k.why ?? '' }] : [])),
    })
  }

  private set(some: Partial<RunLogState>) {
    this.state = { ...this.state, ...some }
    this.listeners.forEach((l) => l())
  }

  /** Whether the run is over as far as this device knows. */
  ended(): boolean {
    const { run, events } = this.state
    if (!run) return false
    const people = run.people.map((p) => p.clientId)
    const { status } = foldClock(run.timeline.segments, people, events, 0)
    return status === 'STOPPED' || status === 'FINISHED'
  }
}

/** Runs work under a lock that all tabs of the device share; where there is none it just runs. */
async function alone(name: string, work: () => Promise<void>): Promise<void> {
  const locks = typeof navigator === 'undefined' ? undefined : navigator.locks
  if (!locks) return work()
  await locks.request(name, { ifAvailable: true }, async (lock) => {
    if (lock) await work()
  })
}

/** What earlier versions kept of a run as text; nothing, or not readable, is nothing. */
export function readOlder(text: string): {
  events: RunEvent[]
  sent: Set<string>
  refused: Record<string, string>
} {
  try {
    const k = JSON.parse(text) as {
      v?: number
      events?: RunEvent[]
      sent?: string[]
      refused?: Record<string, string>
    }
    if (k.v === 1 || k.v === 2)
      return { events: k.events ?? [], sent: new Set(k.sent ?? []), refused: k.refused ?? {} }
  } catch {
    // the server has what was sent
  }
  return { events: [], sent: new Set(), refused: {} }
}
