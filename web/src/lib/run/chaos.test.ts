import 'fake-indexeddb/auto'
import { describe, expect, it, vi } from 'vitest'
import { run, RUN, RunServer } from '../../test/runServer'
import { foldClock, foldTold, type Segment } from '../clock'
import { RunLog, type Happening } from './log'
import { deviceStore } from './store'

/** Numbers by chance that are the same for the same seed (mulberry32). */
function chance(seed: number) {
  let a = seed
  const next = () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return (below: number) => Math.floor(next() * below)
}

const PEOPLE = ['p1', 'p2']
const SEGMENTS = Array.from(
  { length: 6 },
  (_, i) =>
    ({
      start: i * 60,
      length: 60,
      kind: i % 2 ? 'REST' : 'WORK',
      slotKey: 's1',
      round: 1 + i,
      side: 'BOTH',
    }) as Segment,
)

function happening(r: (n: number) => number): Happening {
  const person = PEOPLE[r(2)]
  const slot = { slotKey: 's1', round: 1 + r(3), side: 'BOTH' as const }
  const all: (() => Omit<Happening, never>)[] = [
    () => ({ kind: 'START' }),
    () => ({ kind: r(2) ? 'PAUSE' : 'RESUME' }),
    () => ({ kind: 'GOTO', segment: r(6) }),
    () => ({ kind: 'EXTEND', seconds: 15 }),
    () => ({ kind: 'AWAY', person, why: r(2) ? 'TIRED' : undefined }),
    () => ({ kind: 'UNWELL', person, unwell: { symptom: 'WOOZY', how: r(2) ? 'FELT' : 'GONE' } }),
    () => ({ kind: 'CHANGE', person, change: { ...slot, to: r(2) ? 'LEAVE' : 'BACK', onward: !r(2) } }),
    () => ({ kind: 'ENTRY', person, entry: { ...slot, effort: r(11), pain: r(4) } }),
    () => ({ kind: 'ENTRY', person, entry: { ...slot, reps: r(12) } }),
  ]
  return (all[r(all.length)] ?? all[0])?.() as Happening
}

/**
 * The log as it ships, by chance: two devices that lose requests and answers, start again from what they
 * kept, and have clocks of their own. The server keeps each event once, as the real one does; that is held
 * to its own runs by chance against the real database.
 */
async function one(seed: number) {
  const r = chance(seed)
  const server = new RunServer()
  server.shown = {
    ...run(),
    timeline: { segments: SEGMENTS, total: 360 },
    people: PEOPLE.map((clientId) => ({ clientId, painLine: 2, slots: [] })),
  } as unknown as typeof server.shown
  let time = 1_000_000
  server.clock = time
  const names = ['a', 'b'] as const
  const stores = { a: deviceStore(`chaos-a-${seed}`), b: deviceStore(`chaos-b-${seed}`) }
  const ahead = { a: 0, b: r(20_000) - 10_000 }
  const make = async (d: (typeof names)[number]) => {
    const log = new RunLog(RUN, {
      store: stores[d],
      net: server,
      device: () => d,
      now: () => time + ahead[d],
    })
    await log.open()
    return log
  }
  const logs = { a: await make('a'), b: await make('b') }
  const told = new Set<string>()
  for (let step = 0; step < 30; step++) {
    const d = names[r(2)] ?? 'a'
    time += r(3000)
    server.now = server.clock = time
    switch (r(8)) {
      case 0:
        server.cut = !server.cut
        break
      case 1:
        server.loseReply = !server.loseReply
        break
      case 2:
        // the page is loaded again: what was told is on the device
        await logs[d].idle()
        logs[d].close()
        logs[d] = await make(d)
        break
      case 3:
        await logs[d].send()
        break
      case 4:
        await logs[d].others().catch(() => {})
        break
      default:
        told.add(logs[d].add(happening(r)).id ?? '')
    }
  }
  told.add(logs.a.add({ kind: 'FINISH' }).id ?? '')
  server.cut = server.loseReply = false
  // the beat of the page: sent again until each was answered, then the other's are asked for
  await vi.waitFor(async () => {
    for (const d of names) await logs[d].send()
    expect(names.map((d) => logs[d].snapshot().waiting)).toEqual([0, 0])
  })
  for (const d of names) await logs[d].others()
  const of = (d: (typeof names)[number]) => {
    const { events, waiting } = logs[d].snapshot()
    const at = time + 1_000_000
    const c = foldClock(SEGMENTS, PEOPLE, events, at)
    const t = foldTold(events, PEOPLE, { lines: { p1: 2, p2: 2 } })
    return {
      waiting,
      ids: events.map((e) => e.id).sort(),
      clock: [c.status, c.positionMs, c.livedMs],
      sets: [...t.sets].map(([key, k]) => [key, k.entry.effort, k.entry.reps, k.doing.left]),
      away: [...t.away],
    }
  }
  const [a, b] = [of('a'), of('b')]
  names.forEach((d) => logs[d].close())
  return { told, a, b, server: [...server.kept.keys()].sort() }
}

describe('the log of two devices by chance', () => {
  it('loses nothing, doubles nothing, and comes to the same on both', async () => {
    for (let seed = 1; seed <= 60; seed++) {
      const { told, a, b, server } = await one(seed)
      expect(server, `seed ${seed}`).toEqual([...told].sort())
      expect(a.ids, `seed ${seed}`).toEqual(server)
      expect(a, `seed ${seed}`).toEqual(b)
      expect(a.waiting).toBe(0)
    }
  }, 60_000)
})
