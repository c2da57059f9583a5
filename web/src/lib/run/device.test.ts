import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import type { S } from '../api'
import { letGo, onDevice } from './device'
import { deviceStore, type KeptEvent } from './store'

const run = (id: string, date: string, name: string) =>
  ({
    id,
    date,
    planName: 'Plan',
    timeline: { segments: [{ start: 0, length: 60, kind: 'WORK' }], total: 60 },
    people: [{ clientId: 'p', name }],
  }) as unknown as S['RunView']
const event = (
  id: string,
  runId: string,
  kind: 'START' | 'FINISH',
  state: KeptEvent['state'],
): KeptEvent => ({
  id,
  runId,
  state,
  event: { id, kind, at: kind === 'START' ? 1 : 2, seq: kind === 'START' ? 0 : 1, device: 'd' },
})
const NOW = new Date(2026, 10, 27, 10)

/** Today's that is delivered, today's that waits, yesterday's delivered, yesterday's that waits. */
async function four(name: string) {
  const store = deviceStore(name)
  const put = (r: S['RunView'], events: KeptEvent[]) => store.put({ id: r.id, run: r, offset: 0 }, events)
  await put(run('today', '2026-11-27', 'Ada'), [event('1', 'today', 'START', 'SENT')])
  await put(run('waits', '2026-11-27', 'Bo'), [event('2', 'waits', 'START', 'WAITING')])
  await put(run('old', '2026-11-26', 'Cy'), [event('3', 'old', 'FINISH', 'SENT')])
  await put(run('late', '2026-11-26', 'Di'), [
    event('4', 'late', 'START', 'SENT'),
    event('5', 'late', 'FINISH', 'WAITING'),
  ])
  return store
}

describe('what a device keeps of runs', () => {
  it('is listed with whose it is, how it stands, and what waits', async () => {
    const all = await onDevice(await four('d1'))
    expect(all.map((r) => [r.name, r.status, r.waiting])).toEqual([
      ['Bo', 'RUNNING', 1],
      ['Di', 'FINISHED', 1],
      ['Ada', 'RUNNING', 0],
      ['Cy', 'FINISHED', 0],
    ])
  })

  it.each([
    ['other days, once delivered', false, ['late', 'today', 'waits']],
    ['everything delivered, at sign-out', true, ['late', 'waits']],
  ])('lets go of %s, and never of what waits', async (_, everything, left) => {
    const store = await four(`d2 ${everything}`)
    expect(await letGo({ everything, now: NOW }, store)).toBe(2)
    expect((await store.kept()).sort()).toEqual(left)
    expect((await store.load('late')).events.map((e) => e.id).sort()).toEqual(['4', '5'])
  })

  it('keeps a run over midnight as long as it goes on, and never one that was told of meanwhile', async () => {
    const store = deviceStore('d3')
    const put = (r: S['RunView'], events: KeptEvent[]) => store.put({ id: r.id, run: r, offset: 0 }, events)
    await put(run('night', '2026-11-26', 'Ed'), [event('6', 'night', 'START', 'SENT')])
    await put(run('left', '2026-11-20', 'Fe'), [event('7', 'left', 'START', 'SENT')])
    await letGo({ everything: false, now: NOW }, store)
    expect(await store.kept()).toEqual(['night'])
    // looked at while nothing waited, told of before it was deleted
    await store.put(undefined, [event('8', 'night', 'FINISH', 'WAITING')])
    expect(await store.remove('night')).toBe(false)
    expect((await store.load('night')).events).toHaveLength(2)
    await store.put(undefined, [event('8', 'night', 'FINISH', 'SENT')])
    expect(await store.remove('night')).toBe(true)
    expect(await store.kept()).toEqual([])
  })
})
