import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { change, wanted } from './wanted'
import { nextStep } from './next'

const standing = (over: object) =>
  ({ screenedOn: '2026-10-14', undecided: 0, findings: [], ...over }) as unknown as S['ClientStanding']

const CLIENT = { record: {} } as unknown as S['Client']

describe('the next step', () => {
  it.each([
    ['nobody has screened them', { screenedOn: undefined }, 'screening', /screen first/],
    [
      'limits are open',
      { undecided: 3, closed: { bar: 'UNDECIDED' } },
      'screening',
      /3 limits to decide, then/,
    ],
    ['one limit is open', { undecided: 1, closed: { bar: 'UNDECIDED' } }, 'screening', /1 limit to decide/],
    ['a clearance is wanted', { closed: { bar: 'CLEARANCE_ONLY' } }, 'papers?record', /clinician/],
    ['a stop closes the day', { stoppedToday: 'Stopped today at 10:05.' }, 'letter', /no session/],
    ['an illness asks anew', { findings: [{ rule: 'standing.rescreen.illness' }] }, 'screening', /again/],
    ['somebody is to be asked first', { outcome: 'ASK_FIRST' }, 'letter', /clinician/],
    ['asked first, with limits open', { outcome: 'ASK_FIRST', undecided: 6 }, 'letter', /6 limits to decide/],
    ['all is done', {}, 'plan', /adapt a plan/],
  ])('when %s', (_, over, to, words) => {
    const next = nextStep(standing(over), CLIENT)
    expect(next.to).toBe(to)
    expect(next.words).toMatch(words)
  })

  it('never leads to a plan while anything stands in the way', () => {
    for (const over of [
      { screenedOn: undefined },
      { undecided: 2 },
      { closed: { bar: 'CLEARANCE_ONLY' } },
      { stoppedToday: 'x' },
      { outcome: 'ASK_FIRST' },
    ])
      expect(nextStep(standing(over), CLIENT).to).not.toBe('plan')
  })
})

describe('whoever is not trained at all', () => {
  it('is never led to a plan', () => {
    const archived = { ...CLIENT, archivedOn: '2026-11-01' } as S['Client']
    const withdrawn = { record: { consent: { withdrawnOn: '2026-11-01' } } } as unknown as S['Client']
    expect(nextStep(standing({}), archived).to).toBe('papers')
    expect(nextStep(standing({}), withdrawn).to).toBe('record')
  })
})

describe('what the list is asked for', () => {
  const of = (text: string) => wanted(new URLSearchParams(text))

  it.each([
    ['', {}],
    ['find=+knee+', { find: 'knee' }],
    ['waits=VERDICT&coming=WEEK', { waits: 'VERDICT', coming: 'WEEK' }],
    ['waits=<b>&coming=never&order=upside-down', {}],
    ['order=NEXT&archived=true&page=3', { order: 'NEXT', archived: true, page: 3 }],
    ['page=-1', {}],
    ['page=many', {}],
  ])('reads %s', (text, asked) => {
    expect(of(text)).toEqual(asked)
  })

  it('begins at the first page whenever anything else is asked', () => {
    const third = new URLSearchParams('find=knee&page=3')
    expect(change(third, 'waits', 'VERDICT').toString()).toBe('find=knee&waits=VERDICT')
    expect(change(third, 'find', '').toString()).toBe('')
    expect(change(third, 'page', '4').toString()).toBe('find=knee&page=4')
  })
})
