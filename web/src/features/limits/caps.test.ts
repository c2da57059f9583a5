import { describe, expect, it } from 'vitest'
import { mass } from '../../lib/format'
import { readPoints } from '../kit'
import { kept, shown } from './caps'

describe('caps', () => {
  it('never gets looser by typing what is shown', () => {
    for (const unit of ['KG', 'LB'])
      for (let grams = 0; grams < 20_000; grams += 37) {
        const again = kept('GRAMS', shown('GRAMS', grams, unit), unit)
        expect(again).toBeLessThanOrEqual(grams)
        expect(again).toBeGreaterThan(grams - 10)
      }
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
