import { screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import { ReviewPage } from '.'
import { ForClient } from './ForClient'
import { ForPhysio } from './ForPhysio'

const course = (family: string, way: S['Course']['way']): S['FamilyCourse'] => ({
  familyId: family.toLowerCase(),
  family,
  tasks: [],
  course: { sessions: 3, way, worstPain: way === 'DOWN' ? 4 : undefined, hurt: 1, answered: 2, worse: 1 },
  before: `${family} before`,
  now: `${family} now`,
  levels: 2,
  steps: [
    { date: '2026-10-20', level: way === 'DOWN' ? 1 : 0 },
    { date: '2026-11-20', level: way === 'UP' ? 1 : 0 },
  ],
  eases: way === 'DOWN' ? 1 : 0,
  stops: 0,
  sets: ['set 1, 8 reps'],
  verdict: 'Nothing calls for a change.',
  rule: 'tolerance.stay; house rule',
  trends: [],
})
const FACTS: S['ReviewFacts'] = {
  client: 'Odile Varga',
  age: 74,
  goals: ['reach the top shelf'],
  school: 'PAIN_FREE',
  usualPain: 0,
  goalEffort: 5,
  studio: 'Lanternfield Hall',
  emergencyNumber: '112',
  from: '2026-10-16',
  to: '2026-11-27',
  held: 3,
  answered: 2,
  worse: 1,
  weeks: [{ from: '2026-10-16', sessions: 3 }],
  stops: 0,
  courses: [course('Pull', 'UP'), course('Push', 'SAME'), course('Balance', 'DOWN')],
  marks: [],
  came: [],
  ended: [],
  limits: [
    { words: 'spine bend ≤ 20°', firm: false, source: 'advised', from: '2026-06-01' },
    { words: 'right arm raised ≤ 80°', firm: true, source: 'physio', from: '2026-06-01' },
  ],
  open: [],
  next: [],
}
const OPEN: S['ReviewView'] = {
  id: 'v1',
  version: 2,
  clientId: 'c1',
  asked: false,
  openedBy: 'Marit',
  facts: FACTS,
  points: [],
}
const LIST: S['ReviewList'] = { today: '2026-11-27', due: '2026-11-20', reviews: [] }
const C1 = { client: { client: { id: 'c1', goalEffort: 6 } as S['Client'] } }

describe('the review', () => {
  it('says since when one is due, and begins it', async () => {
    const api = server({
      'GET /api/clients/c1/reviews': LIST,
      'POST /api/clients/c1/reviews': OPEN,
    })
    const { user } = show(<ReviewPage />, C1)
    expect(await screen.findByText('A review is due since 20 Nov.')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Begin the review' }))
    await waitFor(() => expect(api.sent('POST', '/api/clients/c1/reviews')).toHaveLength(1))
  })

  it('decides a limit at the version seen, in the unit of the axis, and keeps what is refused', async () => {
    let refuse = true
    const decided: S['ReviewView'] = {
      ...OPEN,
      version: 3,
      points: [
        { kind: 'LIMIT', words: 'Limit: 2 kg', became: 'holds from today', on: '2026-11-27', by: 'Marit' },
      ],
    }
    const api = server({
      'GET /api/clients/c1/reviews': { ...LIST, openId: 'v1' },
      'GET /api/reviews/v1': () => (refuse ? OPEN : decided),
      'GET /api/me': { name: 'Marit', massUnit: 'KG' },
      'GET /api/axes': [
        { id: 'load.hand', words: 'weight in one hand', unit: 'GRAMS', sided: true, greatest: 40000 },
      ],
      'POST /api/reviews/v1/points': () => {
        if (refuse)
          throw new Refusal(422, { errors: [{ pointer: '/until', detail: 'It ends before it begins.' }] })
        return decided
      },
    })
    const { user } = show(<ReviewPage />, C1)
    await user.click(await screen.findByRole('radio', { name: 'limit' }))
    await user.selectOptions(await screen.findByLabelText('What is limited'), 'weight in one hand')
    await user.selectOptions(screen.getByLabelText('Side'), 'right')
    await user.type(screen.getByLabelText('Up to, kg'), '2')
    await user.click(screen.getByRole('button', { name: 'Decide' }))
    expect(await screen.findByText('It ends before it begins.')).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('Up to, kg').value).toBe('2')
    refuse = false
    await user.click(screen.getByRole('button', { name: 'Decide' }))
    expect(await screen.findByText('Limit: 2 kg')).toBeTruthy()
    expect(api.sent('POST', '/api/reviews/v1/points')[1]).toMatchObject({
      version: '"2"',
      body: { kind: 'LIMIT', axisId: 'load.hand', side: 'RIGHT', cap: 2000 },
    })
  })

  it('offers nothing to decide in one that is closed', async () => {
    server({
      'GET /api/clients/c1/reviews': { ...LIST, openId: 'v1' },
      'GET /api/reviews/v1': { ...OPEN, closedOn: '2026-11-27', closedBy: 'Marit', words: 'Well done' },
    })
    show(<ReviewPage />, C1)
    expect(await screen.findByText('Well done')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Close and keep' })).toBeNull()
    expect(screen.queryByRole('radio', { name: 'goal' })).toBeNull()
  })
})

const paper = (ui: React.ReactNode, at: string) =>
  show(
    <Routes>
      <Route path="clients/:clientId/:paper" element={ui} />
    </Routes>,
    { at },
  )

describe('the papers', () => {
  it('tells the client what became more, what is less on purpose, and a clinician’s limit first', async () => {
    server({ 'GET /api/clients/c1/review-facts': FACTS })
    paper(<ForClient />, '/clients/c1/for-client')
    expect(await screen.findByText('You came 3 times')).toBeTruthy()
    expect(screen.getByText('Pull now')).toBeTruthy()
    expect(screen.getByText(/Less on purpose for now: balance/)).toBeTruthy()
    const kept = within(screen.getByText('What we look out for with you').parentElement ?? document.body)
    expect(kept.getAllByRole('listitem').map((l) => l.textContent)).toEqual([
      'right arm raised at most 80°',
      'spine bend at most 20°',
    ])
    expect(screen.getByText(/tell you before anything changes/)).toBeTruthy()
  })

  it('is made from the review it names, with its points and its word', async () => {
    const api = server({
      'GET /api/reviews/v1': {
        ...OPEN,
        words: 'Half the dose',
        points: [{ kind: 'GOAL', words: 'Goal: the stairs', on: '2026-11-27', by: 'Marit' }],
      },
    })
    paper(<ForClient />, '/clients/c1/for-client?review=v1')
    expect(await screen.findByText('Half the dose')).toBeTruthy()
    expect(screen.getByText('Goal: the stairs')).toBeTruthy()
    expect(api.sent('GET', '/api/clients/c1/review-facts')).toEqual([])
    expect(screen.getByRole('link', { name: 'For the physio' }).getAttribute('href')).toBe(
      '/clients/c1/for-physio?review=v1',
    )
  })

  it('gives the physio numbers and rules, and what was not told is not 0', async () => {
    server({ 'GET /api/clients/c1/review-facts': FACTS })
    paper(<ForPhysio />, '/clients/c1/for-physio')
    const pull = within(
      (await screen.findByRole('rowheader', { name: /Pull/ })).closest('tr') ?? document.body,
    )
    expect(pull.getByText('tolerance.stay; house rule')).toBeTruthy()
    expect(pull.getByText('– (1 ×)')).toBeTruthy()
    expect(screen.getByText(/16 Oct not told/)).toBeTruthy()
    expect(screen.getByText(/Eased 1 ×/)).toBeTruthy()
  })
})
