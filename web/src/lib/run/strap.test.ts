import { describe, expect, it, vi } from 'vitest'
import { heartRate, PulseReader, SimulatedHeart, StrapSession, type Beat } from './strap'

const seeded = (seed: number) => () => {
  seed = (seed * 1664525 + 1013904223) % 4294967296
  return seed / 4294967296
}

describe('a pulse reader', () => {
  const read = (...beats: Beat[]) => {
    const r = new PulseReader()
    beats.forEach((b, i) => r.take(b, i * 1000))
    return r.now((beats.length - 1) * 1000)
  }
  it.each([
    ['follows what is sent', [90, 92, 94, 95], 95],
    ['leaves out a single spike', [90, 91, 92, 184], 92],
    ['leaves out a zero', [90, 91, 92, 0], 92],
    ['leaves out what cannot be right', [90, 90, 91, 400, NaN, -5], 91],
    ['believes no first one alone', [184, 184, 90, 91], undefined],
    ['believes a jump that stays', [90, 91, 92, 130, 132, 131], 131],
    ['believes no jumps that contradict each other', [90, 91, 92, 180, 30, 180, 30], 92],
    ['has nothing where nothing came', [undefined, undefined], undefined],
  ] as [string, Beat[], number | undefined][])('%s', (_, beats, pulse) => {
    expect(read(...beats)).toBe(pulse)
  })

  it('gives no number that is older than five seconds', () => {
    const r = new PulseReader()
    for (let i = 0; i < 3; i++) r.take(96, 0)
    expect(r.now(5000)).toBe(96)
    expect(r.now(5001)).toBeUndefined()
  })
})

describe('the simulated strap', () => {
  it('rises with the work and falls in the rest, two thirds of the way in 30 to 60 s', () => {
    const heart = new SimulatedHeart(60, 160, () => 1 / 2)
    let up = 0
    for (; heart.bpm < 60 + 0.632 * 75; up++) heart.step(1, 0.75)
    expect(up).toBeGreaterThanOrEqual(30)
    expect(up).toBeLessThanOrEqual(60)
    for (let i = 0; i < 600; i++) heart.step(1, 0.75)
    let down = 0
    for (; heart.bpm > 60 + 0.368 * 75; down++) heart.step(1, 0)
    expect(down).toBeGreaterThanOrEqual(30)
    expect(down).toBeLessThanOrEqual(60)
  })

  it('through an hour of noise, drop-outs and spikes never shows one that is far off', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const heart = new SimulatedHeart(62, 158, seeded(seed))
      const reader = new PulseReader()
      let shown = 0
      let lost = 0
      for (let s = 0; s < 3600; s++) {
        reader.take(heart.step(1, s % 70 < 40 ? 0.7 : 0.15), s * 1000)
        const now = reader.now(s * 1000)
        if (now === undefined) lost++
        else {
          shown++
          expect(Math.abs(now - heart.bpm), `seed ${seed}, second ${s}`).toBeLessThan(15)
        }
      }
      expect(shown).toBeGreaterThan(3000)
      expect(lost, 'it drops out').toBeGreaterThan(0)
    }
  })
})

describe('a measurement of the heart-rate service', () => {
  const of = (...bytes: number[]) => heartRate(new DataView(new Uint8Array(bytes).buffer))
  it.each([
    ['eight bits', [0x00, 96], 96],
    ['sixteen bits', [0x01, 0x60, 0x00], 96],
    ['with contact', [0x06, 96], 96],
    ['that says it has no skin', [0x04, 96], undefined],
    ['too short', [0x00], undefined],
    ['sixteen bits cut off', [0x01, 0x60], undefined],
    ['empty', [], undefined],
  ] as [string, number[], number | undefined][])('%s', (_, bytes, bpm) => {
    expect(of(...bytes)).toBe(bpm)
  })
})

describe('a strap of a run', () => {
  const session = () => {
    const time = { now: 0 }
    let send: (b: Beat) => void = () => {}
    let gone = () => {}
    const ended = vi.fn()
    const s = new StrapSession(() => time.now)
    const begun = s.begin(() =>
      Promise.resolve({
        from: 'STRAP',
        name: 'Test strap',
        start: (on, lost) => {
          send = on
          gone = lost
          return Promise.resolve(ended)
        },
      }),
    )
    return { s, begun, time, send: (b: Beat) => send(b), gone: () => gone(), ended }
  }

  it('that drops out says so and shows no old number, and comes back by itself', async () => {
    const { s, begun, time, send } = session()
    await begun
    for (let i = 0; i < 3; i++) send(96)
    expect(s.pulse()).toBe(96)
    time.now = 6000
    expect(s.pulse()).toBeUndefined()
    expect(s.snapshot().status).toBe('LOST')
    for (let i = 0; i < 3; i++) send(99)
    expect(s.pulse()).toBe(99)
    expect(s.snapshot().status).toBe('ON')
  })

  it('that sends rubbish is lost after five seconds', async () => {
    const { s, begun, time, send } = session()
    await begun
    for (const rubbish of [0, 400, NaN, undefined, -1]) {
      time.now += 1500
      send(rubbish)
      expect(s.pulse()).toBeUndefined()
    }
    expect(s.snapshot().status).toBe('LOST')
  })

  it('that goes away is lost at once, and one that is not found is told', async () => {
    const { s, begun, send, gone, ended } = session()
    await begun
    for (let i = 0; i < 3; i++) send(96)
    gone()
    expect(s.pulse(), 'nothing old').toBeUndefined()
    expect(s.snapshot().status).toBe('LOST')
    s.stop()
    expect(ended).toHaveBeenCalledOnce()
    await s.begin(() => Promise.reject(new Error('No strap was chosen.')))
    expect(s.snapshot()).toEqual({ status: 'NONE', failed: 'No strap was chosen.' })
  })
})
