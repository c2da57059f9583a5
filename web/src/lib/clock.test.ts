import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { foldClock, foldTold, segmentAt, type Doing, type Entry, type RunEvent, type Segment } from './clock'

interface Case {
  name: string
  people?: string[]
  events: RunEvent[]
  at: number
  status: string
  positionMs: number
  holdMs: number
  stops?: string[]
  entries?: Entry[]
  lines?: Record<string, number>
  skippedMs?: number
  doing?: (Doing & { person: string; slotKey: string; round: number; side: string })[]
  unwell?: string[]
  /** how hard each option of a slot is; what is asked is named by nothing */
  difficulty?: Record<string, Record<string, number>>
  away?: string[]
}
const read = (name: string) =>
  JSON.parse(readFileSync(`../catalogue/src/test/resources/runs/${name}.json`, 'utf8')) as {
    segments: Segment[]
    cases: Case[]
  }
const file = read('clock-cases')
const changes = read('change-cases').cases
const ONE = ['11111111-0000-0000-0000-000000000001']

/** The same whatever the order of the fields. */
const plain = (all: Entry[]) => all.map((e) => Object.fromEntries(Object.entries(e).sort()))

function check(c: Case, events: RunEvent[]) {
  const people = c.people ?? ONE
  const clock = foldClock(file.segments, people, events, c.at)
  expect([clock.status, clock.positionMs, clock.holdMs]).toEqual([c.status, c.positionMs, c.holdMs])
  expect(clock.stops.length).toBe(c.stops?.length ?? 0)
  clock.stops.forEach((s, i) => {
    if (s.sign) expect(s.sign).toBe(c.stops?.[i])
  })
  const told = foldTold(events, people, {
    lines: c.lines,
    hardness: (_, slot, option) => c.difficulty?.[slot]?.[option ?? ''] ?? 0,
  })
  if (c.entries) expect(plain([...told.sets.values()].map((k) => k.entry))).toEqual(plain(c.entries))
  if (c.skippedMs !== undefined) expect(clock.skippedMs).toBe(c.skippedMs)
  if (c.unwell) expect([...told.unwell.values()].map((all) => all.at(-1)?.unwell?.symptom)).toEqual(c.unwell)
  if (c.away) expect([...told.away.keys()]).toEqual(c.away)
  for (const { person, slotKey, round, side, ...done } of c.doing ?? [])
    expect(told.doing(person, slotKey, round, side), `round ${round} ${side}`).toEqual(done)
}

function orders<T>(all: T[]): T[][] {
  if (all.length === 0) return [[]]
  return all.flatMap((head, i) => orders(all.filter((_, k) => k !== i)).map((tail) => [head, ...tail]))
}

describe('the clock of a run', () => {
  it.each([...file.cases, ...changes])('$name', (c) => check(c, c.events))
  it('does not care for order or repeats', () => {
    for (const c of [...file.cases, ...changes]) check(c, [...c.events].reverse().concat(c.events))
  })
  it.each([
    ['fold-logs', 150],
    ['change-logs', 90],
  ])('folds every order of every small log of %s to the one state, as the server does', (name, size) => {
    const logs = read(name).cases
    expect(logs).toHaveLength(size)
    let tried = 0
    for (const c of logs)
      for (const order of orders(c.events)) {
        check(c, order)
        tried++
      }
    expect(tried).toBe(size * 120)
  })
  it('finds the segment, half-open at its end', () => {
    expect(segmentAt(file.segments, 39_999)).toBe(0)
    expect(segmentAt(file.segments, 40_000)).toBe(1)
    expect(segmentAt(file.segments, 9_999_999)).toBe(file.segments.length - 1)
  })
})
