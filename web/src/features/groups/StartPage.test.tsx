import { screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, it } from 'vitest'
import { Refusal, server, show, type Call } from '../../test/studio'
import { StartPage } from './StartPage'

const needs = (more: object = {}) => ({
  required: [],
  maternity: false,
  highSpine: false,
  sugar: { sglt2: false },
  steadiness: false,
  usualPain: 0,
  lines: [],
  facts: { replacedJoint: false, diabetes: false },
  restingPulseWanted: false,
  ...more,
})
const result = (more: object = {}) => ({
  outcome: 'READY',
  missing: [],
  findings: [],
  dose: 'AS_PLANNED',
  doseReasons: [],
  noLongHolds: false,
  wobbly: false,
  ...more,
})
const person = (clientId: string, called: string, more: object = {}) => ({
  clientId,
  name: `${called} Test`,
  called,
  needs: needs(),
  inRun: false,
  ...more,
})
const before = (more: object = {}) => ({
  groupId: 'g1',
  name: 'Steady Tuesday',
  planId: 'p1',
  planName: 'Plan',
  people: [
    person('c1', 'Ada', { checked: { id: 'k1', time: '09:58', result: result() } }),
    person('c2', 'Bo', { needs: needs({ required: ['PRESSURE'] }) }),
    person('c3', 'Cy'),
  ],
  apart: [{ clientId: 'c9', name: 'Di Test', outcome: 'ASK_FIRST', reasons: ['Ask first: an operation.'] }],
  ...more,
})

/** What the check comes to: wanted until everything was answered. */
const judged = (c: Call) => {
  const b = c.body as { pain?: number; signs: string[]; systolic?: number }
  const bo = c.path.includes('c2')
  const missing = [
    ...(b.signs.length === 0 ? ['symptoms today'] : []),
    ...(b.pain === undefined ? ['pain now'] : []),
    ...(bo && b.systolic === undefined ? ['blood pressure'] : []),
  ]
  const over = b.signs.includes('FEVER')
  return {
    id: `k-${c.path.split('/')[3] ?? ''}`,
    words: over ? 'Not today.' : 'As planned.',
    result: result({
      missing,
      outcome: missing.length > 0 ? 'STILL_OPEN' : over ? 'NOT_TODAY' : 'READY',
      dose: over ? 'NOT_TODAY' : 'AS_PLANNED',
    }),
  }
}

function open(shown: object, start: (c: Call) => unknown = () => ({ runId: 'r1' })) {
  const studio = server({
    'GET /api/groups/g1/start': shown,
    'GET /api/me': { name: 'Marit', glucoseUnit: 'MMOL' },
    'POST /api/groups/g1/runs': start,
    'POST /api/groups/g1/runs/r9/people': start,
    ...Object.fromEntries(
      ['c1', 'c2', 'c3'].flatMap((c) => [
        [`POST /api/clients/${c}/today-checks/preview`, judged],
        [`POST /api/clients/${c}/today-checks`, judged],
      ]),
    ),
  })
  const page = show(
    <Routes>
      <Route path="groups/:groupId/start" element={<StartPage />} />
      <Route path="run/:runId" element={<p>the session</p>} />
    </Routes>,
    { at: '/groups/g1/start' },
  )
  return { ...page, studio }
}
const row = (called: string) => {
  const found = document.querySelector<HTMLElement>(`[data-start="${called}"]`)
  if (!found) throw new Error(`no row of ${called}`)
  return within(found)
}
type User = ReturnType<typeof open>['user']
async function well(user: User, called: string) {
  await user.click(row(called).getByText('no symptoms'))
  await user.type(row(called).getByLabelText(`${called}: pain, 0 to 10`), '0')
}

describe('the start of a group', () => {
  it('asks only what is asked of each, uses a check of before, and starts all at once', async () => {
    const { user, studio } = open(before())
    await screen.findByText('Before Steady Tuesday starts')
    expect(row('Ada').getByText('09:58')).toBeTruthy()
    expect(row('Ada').queryByText('no symptoms')).toBeNull()
    expect(row('Bo').getByLabelText('Bo: upper, mmHg')).toBeTruthy()
    expect(row('Cy').queryByLabelText('Cy: upper, mmHg')).toBeNull()
    expect(screen.getByText(/Ask first: an operation/)).toBeTruthy()
    await well(user, 'Bo')
    await well(user, 'Cy')
    expect(await screen.findByText('still open: Bo')).toBeTruthy()
    await user.type(row('Bo').getByLabelText('Bo: upper, mmHg'), '128')
    await user.type(row('Bo').getByLabelText('Bo: lower, mmHg'), '78')
    await user.click(await screen.findByRole('button', { name: 'Start all 3' }))
    expect(await screen.findByText('the session')).toBeTruthy()
    const [sent] = studio.sent('POST', '/api/groups/g1/runs')
    expect((sent?.body.people as { checkId: string }[]).map((p) => p.checkId)).toEqual(['k1', 'k-c2', 'k-c3'])
    expect(studio.sent('POST', '/api/clients/c1/today-checks')).toHaveLength(0)
    expect(studio.unknown).toEqual([])
  })

  it('never starts whom today rules out, and keeps the check', async () => {
    const { user, studio } = open(before())
    await screen.findByText('Before Steady Tuesday starts')
    await user.click(row('Cy').getByText('some …'))
    await user.click(row('Cy').getByLabelText('Cy: fever, chest infection or vomiting'))
    await user.type(row('Cy').getByLabelText('Cy: pain, 0 to 10'), '0')
    await user.click(await row('Cy').findByText('Keep this check, no session'))
    await waitFor(() => expect(studio.sent('POST', '/api/clients/c3/today-checks')).toHaveLength(1))
    expect(await row('Cy').findByText('not started with the others')).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Start with 1' })).toBeTruthy()
  })

  it('says at the row why one may not start, starts nobody, and sends the same check no second time', async () => {
    let refuse = true
    const { user, studio } = open(before(), () => {
      if (refuse)
        throw new Refusal(409, {
          code: 'not-all-may-start',
          detail: 'One of them may not start; nobody was started.',
          people: [
            {
              clientId: 'c3',
              code: 'firm-limit',
              sentence: 'A firm limit closes this.',
              reasons: ['20 min.'],
            },
          ],
        })
      return { runId: 'r1' }
    })
    await screen.findByText('Before Steady Tuesday starts')
    await user.click(row('Bo').getByText('not now'))
    await well(user, 'Cy')
    await user.click(await screen.findByRole('button', { name: 'Start with 2' }))
    expect(await row('Cy').findByText('A firm limit closes this. 20 min.')).toBeTruthy()
    expect(screen.getByText(/Nobody was started, because of Cy/)).toBeTruthy()
    refuse = false
    await user.click(row('Cy').getByText('not now'))
    await user.click(screen.getByRole('button', { name: 'Start with 1' }))
    expect(await screen.findByText('the session')).toBeTruthy()
    const ids = studio.sent('POST', '/api/groups/g1/runs').map((c) => c.body.id as string)
    expect(new Set(ids).size).toBe(2)
    expect(studio.sent('POST', '/api/clients/c3/today-checks')).toHaveLength(1)
  })

  it('takes in who comes while it runs, one at a time', async () => {
    const { user, studio } = open(
      before({
        openRun: 'r9',
        people: [person('c1', 'Ada', { inRun: true }), person('c3', 'Cy')],
      }),
      () => ({ runId: 'r9' }),
    )
    await screen.findByText('Who comes to Steady Tuesday?')
    expect(document.querySelector('[data-start="Ada"]')).toBeNull()
    await well(user, 'Cy')
    await user.click(await screen.findByRole('button', { name: 'Take Cy in' }))
    expect(await screen.findByText('the session')).toBeTruthy()
    expect(studio.sent('POST', '/api/groups/g1/runs/r9/people')[0]?.body).toMatchObject({
      clientId: 'c3',
      checkId: 'k-c3',
    })
  })
})
