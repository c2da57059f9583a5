import { describe, expect, it } from 'vitest'
import type { S } from '../api'
import { AS_ASKED, type Segment } from '../clock'
import { easeTheRest, gentler } from './gentler'
import { capOf, halted, optionsOf, overLine } from './otherwise'

const part = (difficulty: number, more: object = {}) =>
  ({ side: 'BOTH', title: `d${difficulty}`, difficulty, dose: {}, ...more }) as unknown as S['RunPartView']
const option = (id: string, kind: string, difficulty: number, more: object = {}) =>
  ({ id, kind, title: id, parts: [part(difficulty, more)] }) as unknown as S['RunOptionView']
const slot = (parts: S['RunPartView'][], options: S['RunOptionView'][] = []) =>
  ({ key: 's1', block: 'WORK', parts, options }) as unknown as S['RunSlotView']
const held = (left: number, right: number) => ({
  dose: { grams: Math.max(left, right), hands: 2, held: { left, right, way: 'EACH_HAND' } },
  weights: [0, 1000, 2000, 4000],
})

const THREE = slot(
  [part(50)],
  [
    option('o1', 'EASIER', 40),
    option('o2', 'EASIER', 30),
    option('o3', 'HARDER', 60),
    option('o4', 'SWAP', 45),
  ],
)
const ids = (o: ReturnType<typeof optionsOf>) =>
  [o.EASIER, o.HARDER, o.SWAP].map((l) => l.map((x) => x.id).join())

describe('what a slot may become', () => {
  it('is as it was sent, and once eased what lies between is harder again', () => {
    expect(ids(optionsOf(THREE, AS_ASKED))).toEqual(['o1,o2', 'o3', 'o4'])
    expect(ids(optionsOf(THREE, { ...AS_ASKED, option: 'o1' }))).toEqual(['o2', 'o3,o4', ''])
    expect(ids(optionsOf(THREE, { ...AS_ASKED, option: 'o2' }))).toEqual(['', 'o1,o3,o4', ''])
    expect(ids(optionsOf(slot([part(50)]), AS_ASKED))).toEqual(['', '', ''])
  })

  it('gets gentler by the first easier one, then by weight, then not at all', () => {
    expect(gentler(THREE, AS_ASKED, 'BOTH')).toEqual({ to: 'OPTION', option: 'o1' })
    expect(gentler(THREE, { ...AS_ASKED, option: 'o1' }, 'BOTH')).toEqual({ to: 'OPTION', option: 'o2' })
    expect(gentler(THREE, { ...AS_ASKED, option: 'o2' }, 'BOTH')).toBeUndefined()
    const weight = slot([part(50, held(2000, 2000))])
    expect(gentler(weight, AS_ASKED, 'BOTH')).toEqual({ to: 'WEIGHT', option: undefined, grams: 1000 })
    expect(gentler(weight, { ...AS_ASKED, grams: 0 }, 'BOTH')).toBeUndefined()
    expect(gentler(weight, { left: true, hurt: false }, 'BOTH')).toBeUndefined()
  })

  it('lighter for both hands is under the hand that holds less: no cap of its own is passed', () => {
    expect(gentler(slot([part(50, held(2000, 4000))]), AS_ASKED, 'BOTH')?.grams).toBe(1000)
    const split = [
      { ...part(50, held(4000, 4000)), side: 'LEFT' as const },
      { ...part(50, held(1000, 1000)), side: 'RIGHT' as const },
    ]
    expect(gentler(slot(split), AS_ASKED, 'BOTH')?.grams).toBe(0)
    expect(gentler(slot(split), AS_ASKED, 'LEFT')?.grams).toBe(2000)
  })

  it('all that is left is eased once a slot, from its next round on', () => {
    const work = (slotKey: string, round: number) =>
      ({ kind: 'WORK', block: 'WORK', slotKey, round, side: 'BOTH' }) as unknown as Segment
    const person = { slots: [THREE, { ...THREE, key: 's2', options: [] }] } as unknown as S['RunPersonView']
    const segments = [work('s1', 1), work('s2', 1), work('s1', 2), work('s2', 2)]
    expect(easeTheRest(person, segments, 2, () => AS_ASKED)).toEqual([
      { slotKey: 's1', round: 2, side: 'BOTH', onward: true, to: 'OPTION', option: 'o1' },
    ])
  })
})

it.each([
  [{}, 2, false, false],
  [{ pain: 2 }, 2, false, false],
  [{ pain: 3 }, 2, true, true],
  [{ painAfter: 3 }, 2, true, true],
  [{ formLost: true }, 2, true, false],
  [{ pain: 1 }, undefined, true, false],
])('%o with a line of %s: halted %s, over the line %s', (entry, line, halts, over) => {
  expect(halted(entry, line)).toBe(halts)
  expect(overLine(entry, line)).toBe(over)
})

it('the cap of a side is that hand’s, of both the lower', () => {
  const p = part(50, { capLeft: 1000, capRight: 3000 })
  expect([capOf(p, 'LEFT'), capOf(p, 'RIGHT'), capOf(p, 'BOTH'), capOf(part(50), 'BOTH')]).toEqual([
    1000,
    3000,
    1000,
    undefined,
  ])
})
