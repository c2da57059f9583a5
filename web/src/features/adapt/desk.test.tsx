import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import type { ClientContext } from '../clients/useClient'
import { AdaptPage } from './index'

const PATH = '/api/clients/c1/adapted/p1'
const TIMELINE = { segments: [], total: 600, floorTrips: 0, postureChanges: 0 } as unknown as S['Timeline']
const part = (movementId: string, title: string) => ({
  side: 'BOTH',
  movementId,
  title,
  modifiers: [],
  range: 100,
  cues: [],
  dose: {},
  doseText: '2 × 10 reps, 1 kg in each hand',
})
const slot = (over: object = {}) => ({
  key: 's1',
  block: 'WORK',
  purpose: 'sit and stand',
  askedId: 'squat',
  askedName: 'Squat',
  asAsked: true,
  title: 'Squat',
  reasons: [],
  parts: [part('squat', 'Squat')],
  rejections: [],
  next: [],
  cost: {},
  givenUp: [],
  closers: [],
  pinned: false,
  released: false,
  rest: false,
  stairFamilyId: 'sit-stand',
  tasks: ['climbing stairs'],
  serves: ['climbing stairs'],
  stretch: 'Front thigh stretch, held, 20 s a side, a mild pull',
  upper: { words: 'Goblet squat', movementId: 'goblet-squat', modifiers: [], taken: false },
  ...over,
})
const view = (s: object) => ({
  planId: 'p1',
  planName: 'Steady',
  date: '2026-11-26',
  slots: [s],
  planned: TIMELINE,
  timeline: TIMELINE,
  checks: [],
  sessionProblems: [],
  goals: ['climbing stairs: Squat'],
})
const rung = (movementId: string, name: string, here: boolean, open = true) => ({
  movementId,
  name,
  note: '',
  open,
  here,
  modifiers: [],
  closedBy: open ? [] : ['asks for 70° of knee bend; limit 60°'],
})
const pinned = slot({
  pinned: true,
  asAsked: false,
  title: 'Chair tap',
  parts: [part('chair-tap', 'Chair tap')],
})

function desk(replies: Parameters<typeof server>[0] = {}, at = 'squat') {
  const api = server({
    'GET /api/plans': [{ id: 'p1', name: 'Steady', tags: [], timeline: TIMELINE }],
    'GET /api/clients/c1/runs': { lines: [{ planId: 'p1' }], total: 1, page: 0, pages: 1 },
    [`GET ${PATH}`]: view(slot()),
    [`POST ${PATH}/seen`]: {},
    'GET /api/clients/c1/plans/p1/needs': {
      place: 'own kit',
      needs: [{ words: 'a solid chair', slots: ['Squat'], here: 'a solid chair' }],
      weights: ['1 kg pair'],
      lacking: [],
      refused: [],
    },
    [`GET ${PATH}/slots/s1/stair`]: {
      familyName: 'Sit and stand',
      rungs: [
        rung('squat-hop', 'Squat to a low hop', false, false),
        rung('squat', 'Squat', at === 'squat'),
        rung('chair-tap', 'Chair tap', at === 'chair-tap'),
      ],
      modifiers: [],
    },
    [`PUT ${PATH}/slots/s1/choice`]: view(pinned),
    [`DELETE ${PATH}/slots/s1/choice`]: view(slot()),
    ...replies,
  })
  const client = {
    client: { id: 'c1', name: 'Odile Varga', goalEffort: 5 },
    readiness: { findings: [] },
    limits: [],
  } as unknown as Partial<ClientContext>
  return { api, ...show(<AdaptPage />, { client }) }
}
const sent = (api: ReturnType<typeof desk>['api'], method: string) =>
  api.calls.filter((c) => c.method === method).map((c) => c.body)

describe('the adapt desk', () => {
  it('moves only the eye with the arrows; Enter takes, z takes back', async () => {
    const { api, user } = desk()
    await screen.findByText('Sit and stand: the stair')
    await user.keyboard('{ArrowDown}')
    const eye = () => document.activeElement?.textContent
    expect(eye()).toContain('Chair tap')
    await user.keyboard('{ArrowUp}{ArrowUp}')
    expect(eye()).toContain('Squat to a low hop')
    expect(sent(api, 'PUT')).toEqual([])
    await user.keyboard('{ArrowDown}{ArrowDown}{Enter}')
    expect(await screen.findByText('your choice')).toBeTruthy()
    expect(sent(api, 'PUT')).toEqual([{ movementId: 'chair-tap' }])
    await user.keyboard('z')
    await waitFor(() => expect(screen.queryByText('your choice')).toBeNull())
    expect(sent(api, 'DELETE')).toHaveLength(1)
    await user.keyboard('z')
    expect(sent(api, 'DELETE')).toHaveLength(1)
  })

  it('shows a choice of yours in its row with its way back, and puts that back with z too', async () => {
    const { api, user } = desk({ [`GET ${PATH}`]: view(pinned) }, 'chair-tap')
    const row = (await screen.findByText('your choice')).closest('tr') as HTMLElement
    await user.click(within(row).getByRole('button', { name: 'take back' }))
    await waitFor(() => expect(screen.queryByText('your choice')).toBeNull())
    await user.keyboard('z')
    expect(await screen.findByText('your choice')).toBeTruthy()
    expect(sent(api, 'PUT')).toEqual([{ movementId: 'chair-tap', modifiers: [] }])
  })

  it('says what a slot is for, what fills its rests and what is above it, and takes that when told to', async () => {
    const { api, user } = desk()
    const panel = await screen.findByLabelText('Stair: Sit and stand')
    expect(panel.textContent).toContain('For climbing stairs: the client’s goal')
    expect(panel.textContent).toContain('In the rests: Front thigh stretch, held, 20 s a side')
    expect(sent(api, 'PUT')).toEqual([])
    await user.click(within(panel).getByRole('button', { name: 'take it' }))
    expect(sent(api, 'PUT')).toEqual([{ movementId: 'goblet-squat', modifiers: [] }])
  })

  it('asks why an advised limit is passed, and what is refused changes nothing', async () => {
    const { api, user } = desk({
      [`PUT ${PATH}/slots/s1/choice`]: () => {
        throw new Refusal(422, {
          title: 'An advised limit closes this.',
          code: 'reason-wanted',
          reasons: ['knee'],
        })
      },
    })
    await screen.findByText('Sit and stand: the stair')
    await user.keyboard('{ArrowUp}{Enter}')
    expect(await screen.findByText('An advised limit closes this.')).toBeTruthy()
    await user.keyboard('{Escape}')
    expect(screen.queryByText('your choice')).toBeNull()
    expect(sent(api, 'PUT')).toHaveLength(1)
    expect(screen.queryByText('Take back')).toBeNull()
  })

  it('asks which plan where none was done and none is chosen', async () => {
    const { api } = desk({ 'GET /api/clients/c1/runs': { lines: [], total: 0, page: 0, pages: 1 } })
    expect(await screen.findByText('Which plan for Odile?')).toBeTruthy()
    expect(screen.getByRole('link', { name: /Steady/ }).getAttribute('href')).toBe('/clients/c1/plan/p1')
    expect(api.sent('GET', PATH)).toEqual([])
  })

  it('names the kit of what is done, once each', async () => {
    desk()
    const needs = (await screen.findByText(/What this plan needs/)).closest('section') as HTMLElement
    expect(within(needs).getAllByText(/a solid chair/)).toHaveLength(1)
    expect(within(needs).getByText('weights: 1 kg pair')).toBeTruthy()
  })
})
