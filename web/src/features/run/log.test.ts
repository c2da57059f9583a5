import { describe, expect, it, vi } from 'vitest'
import type { RunEvent } from '../../lib/clock'
import { answered, batch, keep, load, made, merge, refusals, waiting, type Kept } from './log'

const event = (id: string, kind: RunEvent['kind'] = 'ENTRY') => ({ id, at: 1, seq: 0, kind }) as RunEvent
const kept = (...events: RunEvent[]): Kept => ({ v: 2, events, sent: [], refused: {} })
const ids = (events: RunEvent[]) => events.map((e) => e.id)

describe('the log of a run on a device', () => {
  it('sends a stop first, however much waits before it', () => {
    const many = Array.from({ length: 700 }, (_, i) => event('e' + i))
    const next = batch(kept(...many, event('stop', 'STOP')))
    expect(next).toHaveLength(200)
    expect(next[0]?.id).toBe('stop')
    expect(ids(next).slice(1, 3)).toEqual(['e0', 'e1'])
  })
  it('goes on past a refused event and says which it was', () => {
    const k = kept(event('a'), event('bad'), event('c'))
    const after = answered(k, batch(k), [
      { index: 0, id: 'a', reply: 'KEPT' },
      { index: 1, id: 'bad', reply: 'REFUSED', why: 'This run has no such slot.' },
      { index: 2, id: 'c', reply: 'KNOWN' },
    ])
    expect(waiting(after)).toEqual([])
    expect(refusals(after)).toEqual([{ event: event('bad'), why: 'This run has no such slot.' }])
  })
  it('goes on where the device is full, and says so', () => {
    vi.stubGlobal('localStorage', {
      setItem: (k: string) => {
        if (k === 'full') throw new Error('quota')
      },
    })
    expect([keep('full', 'x'), keep('room', 'x')]).toEqual([false, true])
    vi.unstubAllGlobals()
  })
  it('never gives up on a stop', () => {
    const k = kept(event('stop', 'STOP'))
    const after = answered(k, batch(k), [{ index: 0, reply: 'REFUSED', why: 'whatever' }])
    expect(ids(batch(after))).toEqual(['stop'])
  })
  it('keeps what happened while a sending was on its way', () => {
    const k = kept(event('a'))
    const sent = batch(k)
    const later = { ...k, events: [...k.events, event('b')] }
    expect(ids(waiting(answered(later, sent, [{ index: 0, id: 'a', reply: 'KEPT' }])))).toEqual(['b'])
  })
  it('takes in the events of another device once', () => {
    const k = merge(kept(event('a')), undefined, [event('a'), event('stop', 'STOP')])
    expect(ids(k.events)).toEqual(['a', 'stop'])
    expect(waiting(k)).toEqual([])
  })
  it('never dates an event before the last one of this device', () => {
    const k = kept({ ...event('a'), at: 5000, device: 'd' }, { ...event('o'), at: 9000, device: 'other' })
    expect(made(k, { kind: 'PAUSE' }, 'b', 'd', 3000).at).toBe(5000)
    expect(made(k, { kind: 'PAUSE' }, 'b', 'd', 6000).at).toBe(6000)
  })
  it('reads what the version before kept, and starts clean on anything else', () => {
    const old = load(JSON.stringify({ v: 1, events: [event('a'), event('b')], sent: ['a'] }))
    expect(ids(waiting(old))).toEqual(['b'])
    expect(load(null).events).toEqual([])
    expect(load('{').events).toEqual([])
    expect(load('{"v":7}').events).toEqual([])
  })
})
