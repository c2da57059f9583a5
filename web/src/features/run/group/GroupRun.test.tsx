import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { RunEvent } from '../../../lib/clock'
import { server, show, type Call } from '../../../test/studio'
import { RunPage } from '../RunPage'

const segment = (start: number, kind: string, more: object = {}) => ({
  start,
  length: 60,
  kind,
  block: 'WORK',
  slotKey: 's1',
  round: 1,
  set: 1,
  side: 'BOTH',
  height: 2,
  ...more,
})
const SEGMENTS = [
  segment(0, 'WORK', { reps: 10 }),
  segment(60, 'REST'),
  segment(120, 'WORK', { reps: 10, round: 2, set: 2 }),
  segment(180, 'REST', { round: 2, set: 2 }),
  segment(240, 'WORK', { reps: 10, round: 3, set: 3 }),
]
const part = (title: string, more: object = {}) => ({
  side: 'BOTH',
  title,
  name: title,
  how: [],
  modifiers: [],
  dose: { rounds: 3, reps: 10, grams: 2000, hands: 2 },
  doseText: '3 × 10',
  weights: [0, 1000, 2000],
  cues: ['sit tall'],
  faults: [],
  support: [],
  ...more,
})
const SIGNS = [
  {
    id: 'FAINT',
    words: 'Fainting or near it',
    aid: 'Lie them down.',
    source: 'x',
    after: 'ASK_FIRST',
    place: 'ANYONE',
  },
]
const person = (clientId: string, name: string, called: string, slot: object, more: object = {}) => ({
  clientId,
  name,
  called,
  before: { cautions: [], reasons: [] },
  painLine: 2,
  sugarFirst: false,
  signs: SIGNS,
  slots: [
    {
      key: 's1',
      block: 'WORK',
      parts: [part('Seated row')],
      options: [{ id: 'o1', kind: 'EASIER', title: 'Band row', parts: [part('Band row')] }],
      stages: [],
      tasks: [],
      out: [],
      ...slot,
    },
  ],
  ...more,
})
const run = (id: string) => ({
  id,
  version: 1,
  planId: 'p1',
  planName: 'Steady plan',
  date: '2026-11-27',
  timeline: { segments: SEGMENTS, total: 300 },
  state: { status: 'READY', positionMs: 0, holdMs: 0, entries: [], away: [] },
  leftOpen: false,
  stops: [],
  symptoms: [{ symptom: 'WOOZY', words: 'woozy', advice: 'Sit or lie down.', askAgain: 60 }],
  after: [],
  group: {
    id: 'g1',
    name: 'Steady Tuesday',
    lanes: [
      {
        name: 'Chair',
        shown: [{ slotKey: 's1', movementId: 'row', name: 'Seated row', height: 2, cues: ['long back'] }],
      },
      {
        name: 'Free',
        shown: [{ slotKey: 's1', movementId: 'hinge', name: 'Hinged row', height: 4, cues: [] }],
      },
    ],
  },
  people: [
    person(
      'c1',
      'Ilse Farkas',
      'Ilse F.',
      { lane: 0, parts: [part('Seated row', { how: ['strap on'] })] },
      { effortCap: 5 },
    ),
    person('c2', 'Ilse Varga', 'Ilse V.', { lane: 1, share: { seconds: 37, of: 75 } }),
    person('c3', 'Noor Hallström', 'Noor', { lane: 1, out: [2] }),
    person('c4', 'Aurelio Pask', 'Aurelio', { parts: [part('Wall row', { dose: { rounds: 3, reps: 8 } })] }),
  ],
})

let n = 0
async function open(make = run) {
  const id = `group-${n++}`
  const taken: RunEvent[] = []
  const of = `/api/runs/${id}`
  const shown = make(id)
  const studio = server({
    [`GET ${of}`]: () => shown,
    [`GET ${of}/events`]: () => taken,
    [`POST ${of}/events`]: (c: Call) => {
      const events = c.body.events as RunEvent[]
      taken.push(...events)
      return { answers: events.map((e, index) => ({ index, id: e.id, reply: 'KEPT' })) }
    },
    'GET /api/time': () => ({ now: Date.now() }),
    ...Object.fromEntries(
      shown.people.map((p) => [`GET /api/clients/${p.clientId}`, { id: p.clientId, record: {} }]),
    ),
  })
  const go = vi.fn<(to: string) => void>()
  const page = show(<RunPage runId={id} emergency="113" go={go} onEnd={() => {}} />)
  await screen.findByRole('timer')
  return { ...page, id, studio, taken, go, shown, told: () => taken.filter((e) => e.person) }
}
type User = Awaited<ReturnType<typeof open>>['user']
const row = (called: string) => {
  const found = document.querySelector<HTMLElement>(`[data-person="${called}"]`)
  if (!found) throw new Error(`no row of ${called}`)
  return found
}
const strip = (called: string) => within(screen.getByRole('region', { name: `Log of ${called}` }))
async function started(user: User) {
  await user.click(screen.getByRole('button', { name: 'Start' }))
  await screen.findByRole('button', { name: 'Pause' })
}

afterEach(() => vi.useRealTimers())

describe('the run of a group', () => {
  it('has its people under their lanes with what is theirs, and who no lane serves by themselves', async () => {
    await open()
    const chair = within(screen.getByRole('region', { name: 'Lane Chair' }))
    expect(chair.getByRole('heading', { name: 'Seated row' })).toBeTruthy()
    expect(chair.getByText('long back')).toBeTruthy()
    expect(row('Ilse F.').textContent).toBe('Ilse F.2 kg · strap oneffort')
    expect(row('Ilse V.').textContent).toContain('works 37 of 75 s')
    expect(within(screen.getByRole('region', { name: 'On their own' })).getByText('Wall row')).toBeTruthy()
    expect(screen.queryByRole('region', { name: /Log of/ })).toBeNull()
  })

  it('says each side of who does another thing on the left, and tells of one side at a time', async () => {
    const sided = (id: string) => {
      const r = run(id)
      const slot = {
        parts: [
          part('Wall row', { side: 'LEFT', dose: { rounds: 3, reps: 8, grams: 0, hands: 1 } }),
          part('Seated row', { side: 'RIGHT' }),
        ],
        options: [],
      }
      return { ...r, people: [...r.people.slice(0, 3), person('c4', 'Aurelio Pask', 'Aurelio', slot)] }
    }
    const { user, told } = await open(sided)
    expect(row('Aurelio').textContent).toContain('left Wall row, no weight; right Seated row, 2 kg')
    await started(user)
    await user.click(row('Aurelio'))
    await user.click(strip('Aurelio').getByRole('button', { name: 'right' }))
    await user.click(strip('Aurelio').getByRole('radio', { name: 'effort 6' }))
    await waitFor(() => expect(told().map((e) => [e.entry?.side, e.entry?.effort])).toEqual([['RIGHT', 6]]))
  })

  it('says who sits a round out, and rests where a share of the work is over', async () => {
    const { user } = await open()
    await started(user)
    expect(row('Noor').textContent).not.toContain('sits')
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(row('Noor').textContent).toContain('sits this round out'))
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(row('Noor').textContent).toContain('rests'))
    expect(row('Ilse V.').textContent).not.toMatch(/rests/)
  })

  it('opens one strip for a name, logs there, and nothing else moves', async () => {
    const { user, told } = await open()
    await started(user)
    await user.click(row('Ilse F.'))
    expect(strip('Ilse F.').getByText(', 5 at most')).toBeTruthy()
    await user.click(strip('Ilse F.').getByRole('radio', { name: 'effort 6' }))
    expect(await strip('Ilse F.').findByText(/Over the limit of 5/)).toBeTruthy()
    expect(row('Ilse F.').textContent).toContain('6')
    expect(row('Ilse V.').textContent).toContain('effort')
    await waitFor(() => expect(told()).toHaveLength(1))
    expect(told()[0]).toMatchObject({ person: 'c1', entry: { slotKey: 's1', round: 1, effort: 6 } })
    await user.click(row('Ilse V.'))
    expect(screen.queryByRole('region', { name: 'Log of Ilse F.' })).toBeNull()
    await user.keyboard('{Escape}')
    expect(screen.queryByRole('region', { name: 'Log of Ilse V.' })).toBeNull()
  })

  it('eases one of them where pain is over their line', async () => {
    const { user, told } = await open()
    await started(user)
    await user.click(row('Ilse F.'))
    await user.click(strip('Ilse F.').getByRole('radio', { name: 'pain 4' }))
    expect(row('Ilse F.').textContent).toContain('pain 4')
    await user.click(await strip('Ilse F.').findByRole('button', { name: /Band row/ }))
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(row('Ilse F.').textContent).toContain('Band row'))
    expect(row('Ilse V.').textContent).not.toContain('Band row')
    await waitFor(() =>
      expect(told().find((e) => e.kind === 'CHANGE')).toMatchObject({
        person: 'c1',
        change: { option: 'o1' },
      }),
    )
  })

  it('leaves the room going when one is woozy, and asks about that one', async () => {
    const { user, taken } = await open()
    await started(user)
    await user.click(row('Noor'))
    await user.click(strip('Noor').getByRole('button', { name: 'Woozy' }))
    expect(await screen.findByText(/Noor Hallström: woozy since/)).toBeTruthy()
    expect(row('Noor').textContent).toContain('woozy?')
    expect(screen.getByRole('button', { name: 'Pause' })).toBeTruthy()
    await waitFor(() => expect(taken.map((e) => e.kind)).toEqual(['START', 'UNWELL']))
  })

  it('stops one by a sign, says who first, and asks whether the room goes on', async () => {
    const { user, taken } = await open()
    await started(user)
    await user.keyboard('s')
    const panel = within(await screen.findByRole('dialog'))
    await user.click(panel.getByRole('radio', { name: 'Fainting or near it' }))
    const record = panel.getByRole('button', { name: 'Say who first' })
    expect(record).toHaveProperty('disabled', true)
    await user.click(panel.getByRole('radio', { name: 'Noor' }))
    await user.click(panel.getByRole('button', { name: 'Stop Noor and record' }))
    expect(await screen.findByText(/Noor is stopped: Fainting or near it. The clock stands/)).toBeTruthy()
    expect(screen.getByText('First: Lie them down.')).toBeTruthy()
    expect(row('Noor').textContent).toContain('stopped')
    await user.click(screen.getByRole('button', { name: 'The room goes on' }))
    expect(screen.queryByText(/Does the room/)).toBeNull()
    expect(screen.getByRole('button', { name: 'Pause' })).toBeTruthy()
    await waitFor(() => expect(taken.map((e) => e.kind)).toEqual(['START', 'PAUSE', 'STOP', 'RESUME']))
    expect(taken[2]).toMatchObject({ person: 'c3', sign: 'FAINT' })
  })

  it('ends for everybody when the room does not go on', async () => {
    const { user, taken } = await open()
    await started(user)
    await user.click(row('Aurelio'))
    await user.keyboard('s')
    const panel = within(await screen.findByRole('dialog'))
    await user.click(panel.getByRole('radio', { name: 'Fainting or near it' }))
    await user.click(panel.getByRole('button', { name: 'Stop Aurelio and record' }))
    await user.click(await screen.findByRole('button', { name: 'End it for everybody' }))
    expect(await screen.findByText(/Did not finish: Aurelio, stopped: Fainting or near it/)).toBeTruthy()
    await waitFor(() => expect(taken.at(-1)?.kind).toBe('FINISH'))
  })

  it('lets one leave with a reason, and come back', async () => {
    const { user, told } = await open()
    await started(user)
    await user.click(row('Aurelio'))
    await user.click(strip('Aurelio').getByRole('button', { name: 'leaves …' }))
    await user.click(strip('Aurelio').getByRole('radio', { name: 'had to go' }))
    await waitFor(() => expect(row('Aurelio').textContent).toContain('left'))
    await user.click(strip('Aurelio').getByRole('button', { name: 'is back' }))
    await waitFor(() => expect(row('Aurelio').textContent).not.toContain('left'))
    await waitFor(() => expect(told().map((e) => e.why)).toEqual(['HAD_TO_GO', undefined]))
  })

  it('shows lanes and nobody on far', async () => {
    const { user } = await open()
    await user.keyboard('f')
    expect(screen.getByRole('heading', { name: /Hinged row/ })).toBeTruthy()
    expect(document.body.textContent).not.toMatch(/Ilse|Noor|37 of 75|at most/)
    expect(screen.getByRole('button', { name: /Stop sign/ })).toBeTruthy()
  })
})
