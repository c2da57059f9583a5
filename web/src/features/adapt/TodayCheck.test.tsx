import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { LOST, Refusal, server, show, type Call } from '../../test/studio'
import { TodayCheck } from './TodayCheck'

const CLIENT = { id: 'c1', name: 'Benedikt Aalto' } as unknown as S['Client']
const READY = { outcome: 'READY_WITH_LIMITS', findings: [], notes: [] } as unknown as S['ClientStanding']
const result = (outcome: string, more: object = {}) => ({
  words: 'As planned.',
  result: {
    outcome,
    missing: [],
    findings: [],
    dose: 'AS_PLANNED',
    doseReasons: [],
    wobbly: false,
    ...more,
  },
})

function check(more: Record<string, object> = {}, readiness: object = READY) {
  const studio = server({
    'GET /api/me': { name: 'Marit', glucoseUnit: 'MMOL', today: '2026-11-26' },
    'GET /api/clients/c1/today-checks/needs': {
      required: ['PRESSURE', 'PULSE'],
      usualPain: 1,
      facts: {},
      sugar: {},
      steadiness: true,
    },
    'GET /api/clients/c1/today-checks': [],
    'POST /api/clients/c1/today-checks/preview': result('GO'),
    'POST /api/clients/c1/today-checks': { id: 'k1', ...result('GO') },
    'POST /api/runs': (c: Call) => ({ id: c.body.id }),
    ...more,
  })
  return {
    studio,
    ...show(<TodayCheck planId="p1" />, {
      client: { client: CLIENT, readiness: readiness as S['ClientStanding'] },
    }),
  }
}
const fill = async ({ user }: ReturnType<typeof check>) => {
  await user.click(await screen.findByLabelText('none of these'))
  for (const tap of ['Pain now 1', 'Sleep 7', 'Energy 6'])
    await user.click(screen.getByRole('radio', { name: tap }))
  await user.type(screen.getByLabelText('Blood pressure, upper'), '130')
  await user.type(screen.getByLabelText('lower'), '80')
  await user.type(screen.getByLabelText('Resting pulse'), '64')
}
const START = { name: 'Start' }

describe('today’s check and the start', () => {
  it('sends what was tapped and typed, then starts on that check', async () => {
    const page = check()
    await fill(page)
    await page.user.click(screen.getByRole('button', START))
    await waitFor(() => expect(page.studio.sent('POST', '/api/runs')).toHaveLength(1))
    expect(page.studio.sent('POST', '/api/clients/c1/today-checks')[0]?.body).toMatchObject({
      systolic: 130,
      diastolic: 80,
      pulse: 64,
      pain: 1,
      sleep: 7,
      energy: 6,
      signs: ['NONE'],
    })
    expect(page.studio.sent('POST', '/api/runs')[0]?.body).toMatchObject({ checkId: 'k1', planId: 'p1' })
  })

  it('says nothing of what was not said: a scale left alone is not nought', async () => {
    const page = check()
    await page.user.click(await screen.findByRole('button', START))
    await waitFor(() => expect(page.studio.sent('POST', '/api/clients/c1/today-checks')).toHaveLength(1))
    const { body } = page.studio.sent('POST', '/api/clients/c1/today-checks')[0] as Call
    for (const k of ['pain', 'sleep', 'energy', 'systolic', 'pulse', 'glucose'])
      expect(body[k]).toBeUndefined()
    expect(body.signs).toEqual([])
  })

  it('does not start with a reading it cannot read; the rest stays', async () => {
    const page = check()
    await fill(page)
    const upper = screen.getByLabelText('Blood pressure, upper')
    await page.user.clear(upper)
    await page.user.type(upper, '13o')
    await page.user.click(screen.getByRole('button', START))
    expect(await screen.findByText('A whole number, without a comma.')).toBeTruthy()
    expect(page.studio.sent('POST', '/api/clients/c1/today-checks')).toHaveLength(0)
    await page.user.clear(upper)
    await page.user.type(upper, '138')
    expect(screen.queryByText('A whole number, without a comma.'), 'gone once corrected').toBeNull()
    expect(screen.getByLabelText('lower')).toHaveProperty('value', '80')
  })

  it('lets a sign and "none of these" shut each other out', async () => {
    const { user } = check()
    const none = await screen.findByLabelText('none of these')
    await user.click(none)
    await user.click(screen.getByLabelText('dizzy or giddy'))
    expect(none).toHaveProperty('checked', false)
    await user.click(none)
    expect(screen.getByLabelText('dizzy or giddy')).toHaveProperty('checked', false)
  })

  it('starts the same run again when the reply was lost, not a second one', async () => {
    let lose = true
    const page = check({
      'POST /api/runs': (c: Call) => {
        if (lose) throw LOST
        return { id: c.body.id }
      },
    })
    await fill(page)
    await page.user.click(screen.getByRole('button', START))
    await screen.findByText(/No connection/)
    lose = false
    await page.user.click(screen.getByRole('button', START))
    await waitFor(() => expect(page.studio.sent('POST', '/api/runs')).toHaveLength(2))
    const ids = page.studio.sent('POST', '/api/runs').map((c) => c.body.id)
    expect(ids[0]).toBe(ids[1])
    expect(page.studio.sent('POST', '/api/clients/c1/today-checks'), 'nor a second check').toHaveLength(1)
  })

  it('asks for the reason the server wants, and keeps the check', async () => {
    const page = check({
      'POST /api/runs': (c: Call) => {
        if (!c.body.reason)
          throw new Refusal(422, {
            code: 'reason-wanted',
            detail: 'Say why it goes ahead.',
            errors: [{ pointer: '/reason', detail: 'Say why.' }],
          })
        return { id: c.body.id }
      },
    })
    await fill(page)
    await page.user.click(screen.getByRole('button', START))
    const reason = await screen.findByLabelText('Reason to go ahead')
    await page.user.type(reason, 'doctor rang')
    await page.user.click(screen.getByRole('button', START))
    await waitFor(() => expect(page.studio.sent('POST', '/api/runs')).toHaveLength(2))
    expect(page.studio.sent('POST', '/api/runs')[1]?.body).toMatchObject({
      reason: 'doctor rang',
      checkId: 'k1',
    })
  })

  it('keeps a check that says not today, and starts nothing', async () => {
    const page = check({
      'POST /api/clients/c1/today-checks/preview': result('NOT_TODAY'),
      'POST /api/clients/c1/today-checks': { id: 'k1', ...result('NOT_TODAY') },
    })
    await fill(page)
    await page.user.click(await screen.findByRole('button', { name: 'Keep this check' }))
    expect(await screen.findByText('Kept. No session on this check.')).toBeTruthy()
    expect(page.studio.sent('POST', '/api/runs')).toHaveLength(0)
    expect(screen.queryByLabelText('Dose'), 'no dose is offered').toBeNull()
  })
})
