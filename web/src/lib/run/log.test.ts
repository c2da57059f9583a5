import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { type S } from '../api'
import type { RunEvent } from '../clock'
import { ME, RUN, run, RunServer } from '../../test/runServer'
import { readOlder, RunLog } from './log'
import { deviceStore, type RunStore } from './store'

let server: RunServer
let store: RunStore
let time: number
let n = 0
const logs: RunLog[] = []

async function tab(device = 'd', over: Partial<ConstructorParameters<typeof RunLog>[1]> = {}) {
  const log = new RunLog(RUN, { store, net: server, device: () => device, now: () => time, ...over })
  logs.push(log)
  await log.open()
  return log
}
const idle = (log: RunLog) => vi.waitFor(() => expect(log.snapshot().waiting).toBe(0))
const ids = (log: RunLog) =>
  log
    .snapshot()
    .events.map((e) => e.id)
    .sort()
const kinds = (log: RunLog) => log.snapshot().events.map((e) => e.kind)

beforeEach(() => {
  server = new RunServer()
  store = deviceStore('test' + n++)
  time = 1_000_000
})
afterEach(() => logs.splice(0).forEach((l) => l.close()))

describe('the log of a run on a device', () => {
  it('asks for the run again when somebody came that it has not heard of', async () => {
    const log = await tab()
    const join: RunEvent = { id: 'j', at: 1, seq: 0, kind: 'JOIN', device: 'server', person: 'p2' }
    server.kept.set('j', join)
    server.shown = { ...run(), people: [...run().people, { clientId: 'p2' }] } as unknown as S['RunView']
    await log.others()
    expect(log.snapshot().run?.people.map((p) => p.clientId)).toEqual([ME, 'p2'])
    // and a device that is away has them too once it was told
    expect((await store.load(RUN)).run?.run?.people).toHaveLength(2)
  })
  it('keeps through reload and loss of network, and sends once it is back', async () => {
    const first = await tab()
    server.cut = true
    first.add({ kind: 'START' })
    first.add({ kind: 'PAUSE' })
    await vi.waitFor(() => expect(first.snapshot().offline).toBe(true))
    await vi.waitFor(async () => expect((await store.load(RUN)).events).toHaveLength(2))
    first.close()
    const again = await tab()
    expect(kinds(again).sort()).toEqual(['PAUSE', 'START'])
    expect(again.snapshot().run).toEqual(run())
    server.cut = false
    await again.send()
    expect([again.snapshot().waiting, again.snapshot().offline]).toEqual([0, false])
    expect(server.kept.size).toBe(2)
  })
  it('sends a stop first, however much waits before it', async () => {
    const log = await tab()
    server.cut = true
    for (let i = 0; i < 300; i++) log.add({ kind: 'EXTEND', seconds: 15 })
    log.add({ kind: 'STOP', sign: 'FAINT' })
    expect(log.batch()).toHaveLength(200)
    expect(log.batch()[0]?.kind).toBe('STOP')
    await vi.waitFor(() => expect(log.snapshot().offline).toBe(true))
    server.cut = false
    await vi.waitFor(() => log.send())
    await idle(log)
    expect(server.kept.size).toBe(301)
  })
  it('goes on past a refused event, says which it was, and never gives up on a stop', async () => {
    const log = await tab()
    server.bad.set('GOTO', 'This run has no such segment.')
    server.bad.set('STOP', 'whatever')
    log.add({ kind: 'GOTO', segment: 99 })
    log.add({ kind: 'START' })
    log.add({ kind: 'STOP', sign: 'FAINT' })
    await vi.waitFor(() => expect(log.snapshot().refused).toHaveLength(1))
    expect(log.snapshot().refused[0]?.why).toBe('This run has no such segment.')
    await vi.waitFor(() => expect(log.snapshot().waiting).toBe(1))
    expect(log.batch().map((e) => e.kind)).toEqual(['STOP'])
    server.bad.delete('STOP')
    await vi.waitFor(async () => {
      await log.send()
      expect(log.snapshot().waiting).toBe(0)
    })
  })
  it('lets no change hold that the server would not take, and says so', async () => {
    const log = await tab()
    server.bad.set('CHANGE', 'This weight is over what the limits leave.')
    log.add({
      kind: 'CHANGE',
      change: { slotKey: 's1', round: 2, to: 'WEIGHT', grams: 9000, onward: true },
    })
    expect(kinds(log), 'at once, until it is known').toEqual(['CHANGE'])
    await vi.waitFor(() => expect(log.snapshot().refused).toHaveLength(1))
    expect(kinds(log)).toEqual([])
    expect(log.snapshot().refused[0]?.why).toContain('over what the limits leave')
  })
  it('goes by the server’s time from the first answer on, and holds to it when its own clock is set', async () => {
    server.clock = 1_600_000
    const log = await tab()
    expect(log.now(), 'ten minutes behind before').toBe(1_600_000)
    expect(log.add({ kind: 'START' }).at).toBe(1_600_000)
    await idle(log)
    log.close()
    // set an hour forward, and opened anew
    time += 3_600_000
    server.clock = 1_610_000
    const again = await tab()
    expect(again.now()).toBe(1_610_000)
    // without a connection it goes on by what it was told
    again.close()
    server.cut = true
    time += 5000
    expect((await tab()).now()).toBe(1_615_000)
  })
  it('that was begun before the server’s time was known never jumps to it', async () => {
    const log = await tab()
    log.add({ kind: 'START' })
    server.clock = 1_600_000
    await log.refresh()
    expect(log.now()).toBe(1_000_000)
    await idle(log)
    log.close()
    expect((await tab()).now(), 'nor after a reload').toBe(1_000_000)
  })
  it('takes a lost answer for what it is: sent again, kept once', async () => {
    const log = await tab()
    server.loseReply = true
    log.add({ kind: 'START' })
    await vi.waitFor(() => expect(log.snapshot().offline).toBe(true))
    server.loseReply = false
    await vi.waitFor(async () => {
      await log.send()
      expect(log.snapshot().waiting).toBe(0)
    })
    expect(server.kept.size).toBe(1)
  })
  it('shares one queue between two tabs', async () => {
    const [one, two] = [await tab(), await tab()]
    server.cut = true
    one.add({ kind: 'START' })
    two.add({ kind: 'PAUSE' })
    await vi.waitFor(() => expect([one.snapshot().waiting, two.snapshot().waiting]).toEqual([2, 2]))
    expect(ids(one)).toEqual(ids(two))
    server.cut = false
    await two.send()
    await idle(two)
    await idle(one)
    expect(server.kept.size).toBe(2)
    const sent = server.sendings.flat().map((e) => e.id)
    expect(new Set(sent).size).toBe(sent.length)
  })
  it('takes in what other devices logged, once', async () => {
    const log = await tab()
    log.add({ kind: 'START' })
    await idle(log)
    server.kept.set('o', { id: 'o', at: 5, seq: 0, kind: 'STOP', sign: 'FAINT', device: 'other' })
    await log.others()
    await log.others()
    expect(kinds(log)).toEqual(['START', 'STOP'])
    expect(log.snapshot().waiting).toBe(0)
    expect(log.ended()).toBe(true)
  })
  it('goes on where the device is full, says so, and keeps all of it once there is room', async () => {
    const full: RunStore = { ...store, put: () => Promise.reject(new Error('QuotaExceededError')) }
    const log = await tab('d', { store: full })
    server.cut = true
    log.add({ kind: 'START' })
    await vi.waitFor(() => expect(log.snapshot().unkept).toBe(true))
    expect(log.snapshot().waiting).toBe(1)
    full.put = store.put
    log.add({ kind: 'PAUSE' })
    await vi.waitFor(() => expect(log.snapshot().unkept).toBe(false))
    expect((await store.load(RUN)).events).toHaveLength(2)
  })
  it('never dates an event before the last one of this device, nor numbers it lower', async () => {
    const log = await tab()
    server.kept.set('o', { id: 'o', at: 9_000_000, seq: 50, kind: 'PAUSE', device: 'other' })
    await log.others()
    const first = log.add({ kind: 'START' })
    time = 400_000
    const second = log.add({ kind: 'PAUSE' })
    expect([first.at, second.at]).toEqual([1_000_000, 1_000_000])
    expect([first.seq, second.seq]).toEqual([0, 1])
  })
  it('adopts the time the server sets where its clock is a day and more ahead', async () => {
    const ahead = 400 * 86_400_000
    time = server.now + ahead
    const log = await tab()
    log.add({ kind: 'START' })
    await idle(log)
    expect(log.snapshot().events[0]?.at).toBe(server.now)
    expect(log.snapshot().events[0]?.deviceAt).toBe(server.now + ahead)
    time += 20_000
    expect(log.now()).toBe(server.now + 20_000)
    expect(log.add({ kind: 'PAUSE' }).at).toBe(server.now + 20_000)
    await idle(log)
    log.close()
    const again = await tab()
    expect(again.now()).toBe(server.now + 20_000)
  })
  it('leaves nothing on the device once the run is closed and everything is delivered', async () => {
    const log = await tab()
    log.add({ kind: 'START' })
    await idle(log)
    expect((await store.load(RUN)).events).toHaveLength(1)
    expect(await store.kept()).toEqual([RUN])
    server.shown = run({ effortAfter: 5 })
    await log.refresh()
    expect(await store.load(RUN)).toEqual({ run: undefined, events: [] })
    expect(await store.kept()).toEqual([])
  })
  it('keeps a closed run while something of it still waits or was refused', async () => {
    const log = await tab()
    server.shown = run({ effortAfter: 5 })
    server.bad.set('GOTO', 'no')
    log.add({ kind: 'GOTO', segment: 9 })
    await vi.waitFor(() => expect(log.snapshot().refused).toHaveLength(1))
    await log.refresh()
    expect((await store.load(RUN)).events).toHaveLength(1)
  })
  it('sends what an older version of the page kept, then drops its text', async () => {
    const text = JSON.stringify({
      v: 2,
      events: [
        { id: 'a', at: 1, seq: 0, kind: 'START' },
        { id: 'b', at: 2, seq: 1, kind: 'PAUSE' },
        { id: 'c', at: 3, seq: 2, kind: 'GOTO', segment: 99 },
      ],
      sent: ['a'],
      refused: { c: 'no such segment' },
    })
    const drop = vi.fn()
    const log = await tab('d', { older: { read: () => text, drop } })
    expect(log.batch().map((e) => e.id)).toEqual(['b'])
    expect(log.snapshot().refused.map((r) => r.event.id)).toEqual(['c'])
    expect(drop).toHaveBeenCalledWith(RUN)
    await log.send()
    expect([...server.kept.keys()]).toEqual(['b'])
  })
  it('reads both older versions, and anything else as nothing', () => {
    const one = readOlder('{"v":1,"events":[{"id":"a"}],"sent":["a"]}')
    expect([one.events.length, one.sent.has('a')]).toEqual([1, true])
    for (const text of ['', '{', '{"v":7,"events":[{"id":"a"}]}', 'null'])
      expect(readOlder(text).events).toEqual([])
  })
})
