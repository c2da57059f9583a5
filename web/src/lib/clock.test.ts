import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { entries, foldClock, segmentAt, type RunEvent, type Segment } from './clock'

interface Case {
  name: string
  events: RunEvent[]
  at: number
  status: string
  positionMs: number
  holdMs: number
  stops?: string[]
  entries?: object[]
}
const file = JSON.parse(readFileSync('../core/src/test/resources/clock-cases.json', 'utf8')) as {
  segments: Segment[]
  cases: Case[]
}

describe('the clock of a run', () => {
  it.each(file.cases)('$name', (c) => {
    const clock = foldClock(file.segments, c.events, c.at)
    expect([clock.status, clock.positionMs, clock.holdMs]).toEqual([c.status, c.positionMs, c.holdMs])
    expect(clock.stops.length).toBe(c.stops?.length ?? 0)
    clock.stops.forEach((s, i) => {
      if (s.sign) expect(s.sign).toBe(c.stops?.[i])
    })
    if (c.entries) expect([...entries(c.events).values()]).toEqual(c.entries)
  })
  it('does not care for order or repeats', () => {
    for (const c of file.cases) {
      expect(foldClock(file.segments, [...c.events].reverse().concat(c.events), c.at)).toEqual(
        foldClock(file.segments, c.events, c.at),
      )
    }
  })
  it('finds the segment, half-open at its end', () => {
    expect(segmentAt(file.segments, 39_999)).toBe(0)
    expect(segmentAt(file.segments, 40_000)).toBe(1)
    expect(segmentAt(file.segments, 9_999_999)).toBe(file.segments.length - 1)
  })
  it('lets later words of a set stand over earlier ones and keeps what they leave open', () => {
    const base = { slotKey: 's1', round: 1, side: 'BOTH' as const }
    const e = (id: string, at: number, entry: object) =>
      ({ id, at, seq: 0, kind: 'ENTRY', entry: { ...base, ...entry } }) as RunEvent
    const all = entries([e('b', 2, { effort: 5 }), e('a', 1, { effort: 4, reps: 10 })])
    expect(all.get('s1/1/BOTH')).toMatchObject({ effort: 5, reps: 10 })
  })
})
