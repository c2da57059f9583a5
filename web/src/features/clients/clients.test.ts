import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { found } from './found'
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

describe('finding a client', () => {
  const line = (name: string, conditions: string[], waits: string[] = []) =>
    ({ id: name, name, conditions, waits: waits.map((text) => ({ text })) }) as unknown as S['ClientLine']
  const all = [
    line('Noor Hallström', ['knee'], ['1 stop and refer to decide']),
    line('Odile Varga', ['low bone density', 'shoulder'], ['3 verdicts to decide']),
    line('Ilse Farkas', ['frailty'], []),
  ]
  const names = (text: string) => found(all, text).map((c) => c.name)

  it('takes a name without its accents, in any case', () => {
    expect(names('hallstrom')).toEqual(['Noor Hallström'])
    expect(names('ODILE')).toEqual(['Odile Varga'])
  })
  it('takes a condition or what waits, and wants every word', () => {
    expect(names('bone')).toEqual(['Odile Varga'])
    expect(names('decide')).toEqual(['Noor Hallström', 'Odile Varga'])
    expect(names('decide knee')).toEqual(['Noor Hallström'])
    expect(names('decide frailty')).toEqual([])
  })
  it('shows everybody when nothing is typed', () => expect(names('  ')).toHaveLength(3))
})
