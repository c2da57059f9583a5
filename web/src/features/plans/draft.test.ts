import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import {
  addBlock,
  addSlot,
  BLANK,
  changeFormat,
  copyBlock,
  copySlot,
  emptyBlock,
  history,
  missing,
  moveSlot,
  readLadder,
  readTempo,
  removeSlot,
  sent,
  tempoText,
  type FormatInfo,
  type History,
} from './draft'

const param = (id: S['ParamView']['id']) => ({
  id,
  words: id.toLowerCase(),
  unit: 's',
  least: 0,
  greatest: 300,
})
const info = (id: FormatInfo['id'], ...params: S['ParamView']['id'][]): FormatInfo => ({
  id,
  words: id.toLowerCase(),
  params: params.map(param),
  ladder: id === 'LADDER',
  phrase: id === 'PHRASE',
  pairs: false,
  counted: false,
  ownReps: id === 'SETS' || id === 'BY_COUNT',
  effortRaise: 0,
})
const INTERVALS = info('INTERVALS', 'WORK', 'REST', 'ROUNDS')
const filled = () =>
  ['squat', 'hinged-row', 'curl'].reduce(
    (p, m) => addSlot(p, 'work', m),
    addSlot(BLANK.plan, 'warm-up', 'march'),
  )
const order = (p: S['SessionPlan']) =>
  p.blocks.map((b) => b.slots.map((s) => s.movementId).join(' ')).join(' | ')

describe('a plan being built', () => {
  it('keeps keys apart when slots and blocks are copied', () => {
    const p = copyBlock(copySlot(filled(), 's3'), 'work')
    const keys = p.blocks.flatMap((b) => [b.key, ...b.slots.map((s) => s.key)])
    expect(new Set(keys).size).toBe(keys.length)
    expect(order(p)).toBe('march | squat hinged-row hinged-row curl | squat hinged-row hinged-row curl | ')
  })

  it('moves within the block and never out of it', () => {
    expect(order(moveSlot(filled(), 's4', 0))).toBe('march | curl squat hinged-row | ')
    const p = filled()
    expect(moveSlot(p, 's2', -1)).toBe(p)
    expect(moveSlot(p, 's4', 3)).toBe(p)
  })

  it('puts a block behind its kind', () => {
    const p = addBlock(filled(), emptyBlock('more', 'WARM_UP'))
    expect(p.blocks.map((b) => b.key)).toEqual(['warm-up', 'more', 'work', 'cool-down'])
  })

  it('asks for numbers and never guesses them', () => {
    expect(missing(filled(), [INTERVALS, info('IN_TURN')])).toEqual(['Work, intervals: work, rest, rounds'])
    const work = {
      ...emptyBlock('work', 'WORK'),
      slots: [{ key: 'a', movementId: 'squat', stages: [], rounds: [] }],
    }
    const numbers = { ...work, format: { ...work.format, values: { WORK: 40, REST: 20, ROUNDS: 2 } } }
    const sets = changeFormat(numbers, info('SETS', 'SETS', 'REPS', 'REST', 'BETWEEN'))
    expect(sets.format.values).toEqual({ REST: 20 })
    expect(missing({ blocks: [changeFormat(numbers, info('LADDER'))] }, [info('LADDER')])).toEqual([
      'Work, ladder: work of each round',
    ])
  })

  it('sends only blocks with slots', () => {
    expect(sent(filled()).blocks.map((b) => b.key)).toEqual(['warm-up', 'work'])
    expect(order(removeSlot(filled(), 's1'))).toBe(' | squat hinged-row curl | ')
  })

  it('undoes and redoes; typing in one field is one step', () => {
    const named = (name: string, h: History, group?: string) =>
      history(h, { kind: 'set', draft: { ...h.now, name }, group })
    let h: History = { past: [], now: BLANK, future: [] }
    h = named('L', h, 'name')
    h = named('La', h, 'name')
    h = named('Ladder', h, 'name')
    h = history(h, { kind: 'set', draft: { ...h.now, plan: filled() } })
    h = history(h, { kind: 'undo' })
    expect(h.now).toMatchObject({ name: 'Ladder', plan: BLANK.plan })
    expect(history(h, { kind: 'redo' }).now.plan.blocks[1]?.slots).toHaveLength(3)
    h = history(h, { kind: 'undo' })
    expect(h.now.name).toBe('')
    expect(history(h, { kind: 'undo' })).toBe(h)
  })

  it.each([
    ['3-0-1-0', '3-0-1-0'],
    ['4-4-1-0', '4-4-1-0'],
    ['0-0-0-0', ''],
    ['3-0-1', ''],
    ['-1-0-1-0', ''],
  ])('reads the tempo %s as %s', (text, as) => {
    expect(tempoText(readTempo(text))).toBe(as)
  })

  it.each([
    ['60/50/40/30/20', [60, 50, 40, 30, 20]],
    ['60 50', [60, 50]],
    ['60/x', undefined],
  ])('reads the ladder %s', (text, as) => {
    expect(readLadder(text)).toEqual(as)
  })
})
