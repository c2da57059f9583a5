import { describe, expect, it } from 'vitest'
import { offBy, SteadyClock } from './time'

/** A device: the true time, a wall clock that can be set, a counter that stops while it sleeps. */
function device() {
  const t = { truth: 1_000_000_000_000, set: 0, slept: 0 }
  return {
    t,
    pass: (ms: number) => (t.truth += ms),
    sleep: (ms: number) => {
      t.truth += ms
      t.slept += ms
    },
    wall: () => t.truth + t.set,
    counted: () => t.truth - t.slept,
  }
}

describe('the steady clock', () => {
  it('through an hour of sleeps, tabs away and clocks set is never 50 ms off once the server was heard', () => {
    for (let seed = 1; seed <= 40; seed++) {
      let n = seed
      const random = () => (n = (n * 16807) % 2147483647) / 2147483647
      const d = device()
      const clock = new SteadyClock(d.wall, d.counted)
      let offset = 0
      const now = () => clock.now() + offset
      const end = d.t.truth + 3_600_000
      let worst = 0
      let doubtful = false
      while (d.t.truth < end) {
        const what = random()
        if (what < 0.004) {
          d.sleep(random() * 300_000)
          // a sleep cannot be told from a clock that was set before it
          doubtful ||= d.t.set !== 0
        } else if (what < 0.008) d.pass(random() * 300_000)
        else if (what < 0.012) d.t.set -= random() * 3_600_000
        else if (what < 0.016) {
          d.t.set += random() * 3_600_000
          doubtful = true
        } else d.pass(200)
        now()
        if (what >= 0.016 && random() < 0.1) {
          // an answer of the server, which took a little
          offset += offBy(d.t.truth, now(), 20)
          doubtful = false
        }
        // set forward and set back look alike until the server says which it was
        if (!doubtful) worst = Math.max(worst, Math.abs(now() - d.t.truth))
      }
      expect(worst, `seed ${seed}`).toBeLessThan(50)
    }
  })

  it('set back it goes on as if nothing was', () => {
    const d = device()
    const clock = new SteadyClock(d.wall, d.counted)
    d.pass(10_000)
    d.t.set -= 3_600_000
    d.pass(10_000)
    expect(clock.now()).toBe(d.t.truth)
  })

  it('after a sleep it is right at once', () => {
    const d = device()
    const clock = new SteadyClock(d.wall, d.counted)
    d.sleep(1_200_000)
    expect(clock.now()).toBe(d.t.truth)
  })

  it('leaves the server’s time alone where an answer was slow or the difference small', () => {
    expect(offBy(10_090, 10_000, 80)).toBe(0)
    expect(offBy(20_000, 10_000, 4000)).toBe(0)
    expect(offBy(20_000, 10_000, 80)).toBe(10_000)
  })
})
