import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { demandsOf, fitting, fromQuery, NO_FILTER, toQuery, turn } from './filter'

const m = (id: string, demands: string[], more: Partial<S['MovementView']> = {}) =>
  ({
    id,
    name: id,
    familyName: 'Push',
    purpose: 'push',
    kit: [],
    words: [],
    familyWords: [],
    tasks: [],
    position: 'chair',
    region: '',
    demands,
    own: false,
    ...more,
  }) as unknown as S['MovementView']

const all = [
  m('wall push', ['standing', 'bent wrist']),
  m('floor push', ['floor', 'bent wrist', 'grip']),
  m('band press', ['grip'], { own: true, purpose: 'pull', kit: ['a band'] }),
]

describe('the movement filter', () => {
  it('keeps what has none of the demands filtered out and all of those filtered in', () => {
    expect(fitting(all, { ...NO_FILTER, wants: { floor: 'without' } }).map((x) => x.id)).toEqual([
      'wall push',
      'band press',
    ])
    expect(
      fitting(all, { ...NO_FILTER, wants: { grip: 'with', floor: 'without' } }).map((x) => x.id),
    ).toEqual(['band press'])
  })
  it('finds words anywhere, in any order, and one’s own', () => {
    expect(fitting(all, { ...NO_FILTER, text: 'push wall' })).toHaveLength(1)
    expect(fitting(all, { ...NO_FILTER, text: 'band' })).toHaveLength(1)
    expect(fitting(all, { ...NO_FILTER, own: true }).map((x) => x.id)).toEqual(['band press'])
    expect(fitting(all, { ...NO_FILTER, purpose: 'pull' })).toHaveLength(1)
  })
  it('turns without, with, nothing, and comes back from the address the same', () => {
    expect([turn(undefined), turn('without'), turn('with')]).toEqual(['without', 'with', ''])
    const f = {
      text: 'press',
      purpose: 'push',
      own: true,
      wants: { floor: 'without', grip: 'with' } as const,
    }
    expect(fromQuery(toQuery({ ...f, wants: { ...f.wants } }))).toEqual(f)
    expect(demandsOf(all)[0]).toBe('bent wrist')
  })
})
