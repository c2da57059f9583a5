import { describe, expect, it } from 'vitest'
import type { Segment } from '../clock'
import { cueBetween } from './sound'

const part = (kind: string, length: number, more: object = {}) =>
  ({ kind, length, block: 'WORK', slotKey: 's1', side: 'BOTH', ...more }) as unknown as Segment
const PARTS = [
  part('WORK', 40, { side: 'LEFT' }),
  part('SIDE_CHANGE', 5),
  part('WORK', 40, { side: 'RIGHT' }),
  part('REST', 30),
  part('WORK', 10, { slotKey: 's2' }),
]

describe('the cue between two looks at the clock', () => {
  it.each([
    ['work begins', [3, 1], [4, 10], 'start'],
    ['the side changes', [0, 1], [1, 5], 'side'],
    ['the other side begins', [1, 1], [2, 40], 'side'],
    ['a rest begins', [2, 1], [3, 30], 'end'],
    ['half of the work is over', [0, 21], [0, 20], 'half'],
    ['half, though a second was missed', [0, 22], [0, 19], 'half'],
    ['three', [0, 4], [0, 3], 'count'],
    ['one', [3, 2], [3, 1], 'count'],
    ['nought is the next part’s', [0, 1], [0, 0], undefined],
    ['nothing', [0, 30], [0, 29], undefined],
    ['half of a rest is not called', [3, 16], [3, 15], undefined],
    ['nor half of short work', [4, 6], [4, 5], undefined],
    ['the same second again', [0, 20], [0, 20], undefined],
    ['a jump over several parts is one cue', [0, 30], [3, 30], 'end'],
  ] as [string, [number, number], [number, number], string | undefined][])('%s', (_, before, now, cue) => {
    const tick = ([index, left]: [number, number]) => ({ index, left })
    expect(cueBetween(PARTS, tick(before), tick(now))).toBe(cue)
  })
})
