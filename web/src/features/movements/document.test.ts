import { describe, expect, it } from 'vitest'
import { coherent, idOf, lines, toggled, type Doc } from './document'

const doc = (more: Partial<Doc>): Doc => ({
  id: 'x',
  name: 'X',
  family: 'push',
  after: null,
  difficulty: 10,
  position: 'chair',
  sides: 'both',
  tempo: '2-0-2-0',
  load: 'none',
  muscles: { primary: ['chest'], secondary: [] },
  kit: [],
  demands: {
    joints: ['shoulder-elevation 70 free'],
    spine: [],
    bearing: [],
    impact: 0,
    balance: 0,
    supported: false,
    hold: 0,
    pressure: 0,
    grip: 0,
    effort: 2,
    complexity: 0,
    head: [],
    acts: [],
  },
  modifiers: [],
  cues: [],
  faults: [],
  ...more,
})

describe('a movement document', () => {
  it('makes an id the schema takes', () => {
    expect(idOf('Counter press, slow')).toBe('counter-press-slow')
    expect(idOf('2 × Ärmel hoch!')).toBe('a-rmel-hoch')
    expect(idOf('x'.repeat(60))).toHaveLength(40)
  })
  it('keeps together what goes together', () => {
    expect(coherent(doc({ load: 'band' })).demands.weight?.least).toBe(1000)
    expect(coherent(doc({ load: 'own' })).demands.weight).toBeUndefined()
    expect(coherent(doc({ modifiers: ['range'] })).range).toEqual({
      least: 60,
      cuts: ['shoulder-elevation'],
    })
    expect(coherent(doc({ range: { least: 50, cuts: ['knee-flexion'] } })).range).toBeUndefined()
    expect(coherent(doc({ modifiers: ['shorter-lever'] })).lever).toBe(30)
  })
  it('reads lines and turns entries on and off', () => {
    expect(lines(' a \n\n b ')).toEqual(['a', 'b'])
    expect(toggled(toggled(['a'], 'b'), 'a')).toEqual(['b'])
  })
})
