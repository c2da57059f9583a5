import { describe, expect, it } from 'vitest'
import { STRIP, across, effortAt, held, labels, levelAt, nearest, painAt, paths, said } from './scale'

const mark = (at: number, level: number, more: object = {}) => ({ at, level, ...more })

describe('a strip on true time', () => {
  it('spreads days by their distance, so that gaps show', () => {
    const x = across('2026-09-01', '2026-11-10', 708)
    expect(x('2026-09-01')).toBe(8)
    expect(x('2026-11-10')).toBe(700)
    expect(x('2026-09-15') - x('2026-09-08')).toBeCloseTo(x('2026-11-03') - x('2026-10-27'), 6)
    expect(across('2026-09-01', '2026-09-01', 100)('2026-09-01')).toBe(8)
  })

  it('takes the nearest session to the pointer, and none where there is none', () => {
    expect([-5, 14, 16, 900].map((x) => nearest([10, 20, 30], x))).toEqual([0, 0, 1, 2])
    expect(nearest([], 5)).toBe(-1)
  })

  it('draws more effort higher, more pain higher, a higher level higher', () => {
    expect(effortAt(7, 5)).toBeLessThan(effortAt(5, 5))
    expect(effortAt(5, 5)).toBe(STRIP.aim)
    expect(painAt(3)).toBeLessThan(painAt(1))
    expect(levelAt(2, 3)).toBe(STRIP.top)
    expect(levelAt(0, 3)).toBe(STRIP.bottom)
  })

  it('keeps effort over the aim, pain, mornings and unanswered ones apart, and draws nothing untold', () => {
    const p = paths(
      [
        mark(0, 0, { effort: 5, pain: 0, morning: 0 }),
        mark(1, 1, { effort: 7, pain: 3, morning: 2 }),
        mark(2, 1, {}),
      ],
      2,
      { low: 5, high: 6 },
      (m) => m.at * 100,
    )
    expect(p.inside.match(/M/g)).toHaveLength(1)
    expect(p.over.match(/M/g)).toHaveLength(1)
    expect(p.during.match(/M/g)).toHaveLength(1)
    expect(p.morning.match(/M/g)).toHaveLength(1)
    expect(p.unanswered.match(/M/g)).toHaveLength(1)
    expect(p.line).toBe(`M0 ${STRIP.bottom}H100V${STRIP.top}H200V${STRIP.top}`)
  })

  it('labels changes, leaves out one that would run into the last, and turns one at the edge', () => {
    const marks = [
      mark(0, 0, { label: 'raised seat' }),
      mark(1, 0),
      mark(2, 1, { label: 'chair' }),
      mark(30, 1, { label: 'left 1.4 kg' }),
    ]
    const shown = labels(marks, 2, 320, (m) => m.at * 10)
    expect(shown.map((l) => [l.text, l.end])).toEqual([
      ['raised seat', false],
      ['left 1.4 kg', true],
    ])
    expect(held(marks)).toEqual(['raised seat', 'raised seat', 'chair', 'left 1.4 kg'])
  })

  it('says what was told, and what was not', () => {
    expect(said(mark(0, 0, { effort: 5, pain: 0, morning: 1 }), '2 kg')).toBe(
      '2 kg, effort 5, pain 0, next morning 1',
    )
    expect(said(mark(0, 0), undefined)).toBe('effort not told, pain not told, morning not answered')
  })
})
