import { describe, expect, it } from 'vitest'
import { readWeights } from '../features/clients/ClientForm'
import { amount, clock, day, longDay, outcomeWords, verdictWords } from './format'
import type { S } from './api'

describe('dumbbells as typed', () => {
  it.each([
    ['', []],
    [
      '1, 2',
      [
        { grams: 1000, count: 2 },
        { grams: 2000, count: 2 },
      ],
    ],
    ['2.5 x 1', [{ grams: 2500, count: 1 }]],
    [
      '2.5kg×4; 0.5 kg',
      [
        { grams: 2500, count: 4 },
        { grams: 500, count: 2 },
      ],
    ],
    ['2.268', [{ grams: 2268, count: 2 }]],
  ])('%s', (text, weights) => {
    expect(readWeights(text)).toEqual(weights)
  })
  it.each(['two', '1,,x', '1 x', '-2', '1.2345'])('%s is refused, not guessed', (text) => {
    expect(readWeights(text)).toBeNull()
  })
})

describe('numbers carry their units', () => {
  it.each([
    ['DEGREES', 80, '80°'],
    ['GRAMS', 2500, '2.5 kg'],
    ['PERCENT', 50, '50 %'],
    ['SECONDS', 20, '20 s'],
    ['MINUTES', 15, '15 min'],
    ['PER_WEEK', 2, '2 a week'],
    ['LEVEL', 1, '1'],
  ])('%s %i', (unit, value, words) => {
    expect(amount(unit, value)).toBe(words)
  })
  it('shows time to the second', () => {
    expect([clock(1180), clock(0), clock(-5), clock(59.6)]).toEqual(['19:40', '0:00', '0:00', '1:00'])
  })
  it('shows dates as days, whatever the zone', () => {
    expect(day('2027-02-12')).toBe('12 Feb')
    expect(longDay('2026-11-24')).toBe('Tuesday 24 November')
  })
})

describe('every outcome and verdict has its words', () => {
  const outcomes: S['Preview']['standing'][] = [
    'READY',
    'READY_WITH_LIMITS',
    'ASK_FIRST',
    'CLEARANCE_ONLY',
    'GO',
    'CAUTION',
    'NOT_TODAY',
    'URGENT',
  ]
  const verdicts: S['VerdictView']['verdict'][] = ['STEP_UP', 'STAY', 'EASE', 'STOP_AND_REFER']
  it.each(outcomes)('%s', (o) => expect(outcomeWords[o]).toBeTruthy())
  it.each(verdicts)('%s', (v) => expect(verdictWords[v]).toBeTruthy())
})
