import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import { TolerancePage } from '.'

const VERDICT: S['VerdictView'] = {
  id: 'v1',
  version: 3,
  runId: 'r2',
  date: '2026-11-24',
  verdict: 'STEP_UP',
  rule: 'tolerance.step-up.two-for-two',
  source: 'two-for-two, ACSM 2009',
  sentence: '12 reps for 10 asked. 3 kg is a step too big (+50 %).',
  changeKind: 'SLOWER',
  restsOn: [],
  status: 'WAITING',
  stops: false,
  ways: [
    { kind: 'HOLD', words: 'hold 2 s at the hardest point' },
    { kind: 'RUNG_UP', words: 'next rung: One-arm row' },
  ],
  between: 'A weight between would do: a bottle filled to weigh up to 2.1 kg.',
  changed: false,
}
const VIEW: S['ToleranceView'] = {
  today: '2026-11-27',
  from: '2026-11-17',
  sessions: 2,
  since: '2026-11-17',
  school: 'PAIN_FREE',
  painLine: 0,
  aimLow: 5,
  aimHigh: 6,
  waiting: 1,
  list: [
    {
      runId: 'r1',
      date: '2026-11-17',
      plan: 'Steady',
      effort: 5,
      minutes: 30,
      load: 150,
      how: 'WHOLE',
      answered: true,
    },
    { runId: 'r2', date: '2026-11-24', plan: 'Steady', how: 'STOPPED', answered: false },
  ],
  away: [],
  summary: {
    sessions: 2,
    answered: 1,
    missed: 0,
    prompt: false,
    lines: ['Load of the week: too few to tell.'],
  },
  families: [
    {
      familyId: 'pull',
      family: 'Pull',
      tasks: ['carrying'],
      current: 'Hinged row',
      levels: 1,
      marks: [
        { at: 0, level: 0, label: '2 kg', effort: 6, pain: 0, morning: 1 },
        { at: 1, level: 0, effort: 5 },
      ],
      verdict: VERDICT,
      trends: [{ sentence: 'Pain during: too few to tell.', from: '2 sessions', source: 'x', speaks: false }],
    },
  ],
  overrides: [
    {
      id: 'o1',
      familyId: 'pull',
      family: 'Pull',
      on: '2026-11-18',
      said: 'STEP_UP',
      decided: 'STAY',
      by: 'Marit',
      reason: 'a hard week',
      since: '1 session since: pain 0 of 10. Too early to tell.',
      reading: 'TOO_EARLY',
    },
  ],
}
const PATH = '/api/clients/c1/tolerance'
const DECISION = '/api/verdicts/v1/decision'
const page = (view: Partial<S['ToleranceView']> = {}, replies: Parameters<typeof server>[0] = {}) => {
  const api = server({
    [`GET ${PATH}`]: { ...VIEW, ...view },
    'GET /api/clients/c1/diary': [],
    ...replies,
  })
  const shown = show(<TolerancePage />, { client: { client: { id: 'c1' } as S['Client'] } })
  return { api, ...shown }
}
const pull = async () => within(await screen.findByRole('region', { name: 'Pull' }))

describe('TolerancePage', () => {
  it('asks for twelve weeks, and for another span or all of it', async () => {
    const { api, user } = page()
    await pull()
    await user.click(screen.getByRole('button', { name: 'a year' }))
    await user.click(screen.getByRole('button', { name: 'all' }))
    await waitFor(() => expect(api.sent('GET', PATH)).toHaveLength(3))
    expect(api.sent('GET', PATH).map((c) => c.query.get('weeks'))).toEqual(['12', '52', null])
  })

  it.each([
    [3, '2 of 5 held · 1 of 2 mornings answered'],
    [0, '2 held · 1 of 2 mornings answered'],
  ])('says how many of those booked were held where %i were not', async (missed, words) => {
    page({ summary: { ...VIEW.summary, missed } })
    await pull()
    expect(screen.getByText(words)).toBeTruthy()
  })

  it('accepts all that waits with one key', async () => {
    const { api, user } = page({}, { 'POST /api/clients/c1/verdicts/accept': VIEW })
    await pull()
    await user.keyboard('a')
    await waitFor(() => expect(api.sent('POST', '/api/clients/c1/verdicts/accept')).toHaveLength(1))
  })

  it('has nothing to accept by key where nothing waits', async () => {
    const { api, user } = page({ waiting: 0 })
    await pull()
    await user.keyboard('a')
    expect(screen.getByText('Nothing to decide')).toBeTruthy()
    expect(api.calls.filter((c) => c.method === 'POST')).toEqual([])
    expect(api.unknown).toEqual([])
  })

  it('takes another of the ways offered without a reason, at the version seen', async () => {
    const { api, user } = page({}, { [`POST ${DECISION}`]: VIEW })
    const row = await pull()
    expect(row.getByText(/a bottle filled to weigh up to 2.1 kg/)).toBeTruthy()
    await user.click(row.getByRole('button', { name: 'decide otherwise' }))
    await user.click(row.getByRole('button', { name: 'hold 2 s at the hardest point' }))
    await waitFor(() => expect(api.sent('POST', DECISION)).toHaveLength(1))
    expect(api.sent('POST', DECISION)[0]).toMatchObject({
      body: { verdict: 'STEP_UP', way: 'HOLD' },
      version: '"3"',
    })
  })

  it('keeps what was typed and says at the field that a reason is wanted', async () => {
    const { user } = page(
      {},
      {
        [`POST ${DECISION}`]: () => {
          throw new Refusal(422, {
            title: 'no',
            errors: [{ pointer: '/reason', detail: 'Deciding otherwise needs its reason.' }],
          })
        },
      },
    )
    const row = await pull()
    await user.click(row.getByRole('button', { name: 'decide otherwise' }))
    await user.selectOptions(row.getByLabelText('Instead'), 'EASE')
    await user.click(row.getByRole('button', { name: 'Decide' }))
    expect(await row.findByText('Deciding otherwise needs its reason.')).toBeTruthy()
    expect((row.getByLabelText('Instead') as HTMLSelectElement).value).toBe('EASE')
  })

  it('does not offer to accept what limits, kit or the record no longer say', async () => {
    const family = { ...VIEW.families[0], verdict: { ...VERDICT, changed: true } } as S['FamilyRow']
    page({ families: [family] })
    const row = await pull()
    expect(row.queryByRole('button', { name: 'Accept' })).toBeNull()
    expect(row.getByText(/have changed since 24 Nov: it was step up/)).toBeTruthy()
  })

  it('looks at sessions by arrow keys, and says what was not told', async () => {
    const { user } = page()
    const row = await pull()
    await user.keyboard('{ArrowLeft}{ArrowLeft}')
    expect(screen.getByText('Steady, effort 5, 30 min, load 150')).toBeTruthy()
    expect(row.getByText('2 kg, effort 6, pain 0, next morning 1')).toBeTruthy()
    await user.keyboard('{ArrowRight}')
    expect(screen.getByText('Steady, stopped, effort not told')).toBeTruthy()
    expect(row.getByText('2 kg, effort 5, pain not told, morning not answered')).toBeTruthy()
  })

  it('shows the same as a table, the newest first, each opening its session', async () => {
    const { user } = page()
    await pull()
    await user.keyboard('t')
    const rows = within(screen.getByRole('region', { name: 'Sessions as a table' })).getAllByRole('row')
    expect(rows.map((r) => r.textContent)).toEqual([
      'sessionPull',
      '24 Nov 2026Steady, stopped, effort not told2 kg, effort 5, pain not told, morning not answered',
      '17 Nov 2026Steady, effort 5, 30 min, load 1502 kg, effort 6, pain 0, next morning 1',
    ])
    expect(screen.getByRole('link', { name: '24 Nov 2026' }).getAttribute('href')).toBe('/runs/r2')
  })

  it('shows decisions against the verdict again, with how it went', async () => {
    page()
    await pull()
    const item = screen.getByText('“a hard week”').closest('li')
    expect(item?.textContent).toContain('Stay instead of step up')
    expect(item?.textContent).toContain('Too early to tell.')
  })
})
