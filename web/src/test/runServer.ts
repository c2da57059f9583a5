import { ApiError, type S } from '../lib/api'
import type { RunEvent } from '../lib/clock'
import type { RunNet } from '../lib/run/log'

export const RUN = 'r1'
export const ME = 'p1'
export const run = (over: Partial<S['RunPersonView']> = {}) =>
  ({
    id: RUN,
    timeline: { segments: [], total: 0 },
    people: [{ clientId: ME, ...over }],
  }) as unknown as S['RunView']
const offline = () => new ApiError({ status: 0, code: 'offline', detail: 'No connection.' })

/** A server: keeps each event once, refuses what it is told to, can be cut off. */
export class RunServer implements RunNet {
  kept = new Map<string, RunEvent>()
  bad = new Map<string, string>()
  cut = false
  loseReply = false
  now = 1_000_000
  /** what it says the time is; undefined of one before it told */
  clock = undefined as unknown as number
  shown = run()
  sendings: RunEvent[][] = []
  private reach() {
    if (this.cut) throw offline()
  }
  async run() {
    this.reach()
    return Promise.resolve(this.shown)
  }
  async time() {
    this.reach()
    return Promise.resolve(this.clock)
  }
  async events() {
    this.reach()
    return Promise.resolve([...this.kept.values()])
  }
  async send(_: string, events: RunEvent[], clock: number) {
    this.reach()
    this.sendings.push(events)
    const answers = events.map((e, index): S['Answered'] => {
      const id = e.id ?? ''
      const why = this.bad.get(e.kind ?? '')
      if (why) return { index, id, reply: 'REFUSED', why }
      const known = this.kept.has(id)
      const ahead = (e.at ?? 0) > this.now + 86_400_000
      const at = ahead ? (e.at ?? 0) - (clock - this.now) : undefined
      if (!known) this.kept.set(id, at === undefined ? e : { ...e, at, deviceAt: e.at })
      return { index, id, reply: known ? 'KNOWN' : 'KEPT', at }
    })
    if (this.loseReply) throw offline()
    return Promise.resolve({ answers } as unknown as S['Kept'])
  }
}
