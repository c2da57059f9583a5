import { describe, expect, it } from 'vitest'
import { mass } from '../../lib/format'
import { readPoints } from '../kit/room'
import { kept, sent, shown } from './caps'

describe('caps', () => {
  it('never gets looser by typing what is shown', () => {
    for (const unit of ['KG', 'LB'])
      for (let grams = 0; grams < 20_000; grams += 37) {
        const again = kept('GRAMS', shown('GRAMS', grams, unit), unit)
        expect(again).toBeLessThanOrEqual(grams)
        expect(again).toBeGreaterThan(grams - 10)
      }
  })
  it('opens and saves exactly what was stored, whatever the unit it is shown in', () => {
    for (const mass of ['KG', 'LB'])
      for (const unit of ['GRAMS', 'DEGREES', 'LEAST_MINUTES', 'LEVEL'])
        for (let cap = 0; cap < (unit === 'GRAMS' ? 30_000 : 60); cap += unit === 'GRAMS' ? 13 : 1) {
          const opened = String(shown(unit, cap, mass))
          expect(sent(unit, opened, mass, { unit, cap })).toBe(cap)
        }
    expect(shown('GRAMS', 1000, 'LB')).toBe(2.2)
    expect(sent('GRAMS', '2.2', 'LB', { unit: 'GRAMS', cap: 1000 })).toBe(1000)
    expect(sent('GRAMS', '2', 'LB', { unit: 'GRAMS', cap: 1000 })).toBe(907)
    expect(sent('GRAMS', '', 'LB', { unit: 'GRAMS', cap: 1000 })).toBeNaN()
  })
  it('turns pounds into grams, down', () => {
    expect(kept('GRAMS', 5, 'LB')).toBe(2267)
    expect(kept('GRAMS', 2.5)).toBe(2500)
    expect(mass(2268, 'LB')).toContain('lb')
  })
  it('keeps least minutes as their complement, both ways', () => {
    expect(kept('LEAST_MINUTES', 15)).toBe(45)
    expect(shown('LEAST_MINUTES', 45)).toBe(15)
    expect(kept('DEGREES', 60)).toBe(60)
  })
})

describe('measured points of a band', () => {
  it('reads per cent and kilograms, pulls rounded up', () => {
    expect(readPoints('50: 1.2, 100: 2 kg; 200%: 3.401')).toEqual([
      { percent: 50, grams: 1200 },
      { percent: 100, grams: 2000 },
      { percent: 200, grams: 3401 },
    ])
  })
  it('says no to what it cannot read', () => {
    for (const bad of ['', '50', '50: x', '5: 1', '50: -1']) expect(readPoints(bad)).toBeNull()
  })
})
