import 'fake-indexeddb/auto'
import { screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { RunEvent } from '../../lib/clock'
import { LOST, server, show, type Call } from '../../test/studio'
import { RunPage } from './RunPage'
import { Alone } from './start'

const segment = (start: number, kind: string, block: string, more: object = {}) => ({
  start,
  length: 60,
  kind,
  block,
  slotKey: 's1',
  round: 1,
  set: 1,
  side: 'BOTH',
  height: 2,
  ...more,
})
const SEGMENTS = [
  segment(0, 'WORK', 'WORK', { reps: 10 }),
  segment(60, 'REST', 'WORK'),
  segment(120, 'WORK', 'WORK', { reps: 10, round: 2, set: 2 }),
]
const part = {
  side: 'BOTH',
  title: 'Seated row',
  dose: { reps: 10, grams: 2000 },
  doseText: '10, 2 kg in each hand',
  cues: ['sit tall'],
  breathe: true,
}
const run = (id: string) => ({
  id,
  version: 1,
  planId: 'p1',
  planName: 'Steady Tuesday',
  date: '2026-11-26',
  timeline: { segments: SEGMENTS, total: 180 },
  state: { status: 'READY', positionMs: 0, holdMs: 0, entries: [] },
  leftOpen: false,
  stops: [],
  people: [
    {
      clientId: 'c1',
      name: 'Odile Varga',
      effortCap: 6,
      before: { cautions: [], reasons: [] },
      slots: [{ key: 's1', block: 'WORK', parts: [part], stages: [] }],
      signs: [
        {
          id: 'FAINT',
          words: 'Fainting or near it',
          aid: 'Lie them down, legs up.',
          source: 'house rule',
          after: 'ASK_FIRST',
          place: 'ANYONE',
        },
      ],
    },
  ],
})

let n = 0
/** A run just opened; events land in `taken`, or are answered as `reply` says. */
async function open(
  reply: (e: RunEvent, i: number) => object = (e, i) => ({ index: i, id: e.id, reply: 'KEPT' }),
  me?: () => object,
) {
  const id = `run-${n++}`
  const taken: RunEvent[] = []
  const net = { cut: false }
  const of = `/api/runs/${id}`
  const studio = server({
    [`GET ${of}`]: run(id),
    [`GET ${of}/events`]: () => (net.cut ? Promise.reject(LOST) : taken),
    [`POST ${of}/events`]: (c: Call) => {
      if (net.cut) throw LOST
      const events = c.body.events as RunEvent[]
      const answers = events.map(reply)
      events.forEach((e, i) => (answers[i] as { reply: string }).reply === 'KEPT' && taken.push(e))
      return { answers }
    },
    'GET /api/me': () => me?.(),
    'GET /api/clients/c1/readiness': { notes: [] },
    'GET /api/clients/c1/pulse': { guide: {} },
    'GET /api/clients/c1': { id: 'c1', record: {} },
  })
  const go = vi.fn<(to: string) => void>()
  const page = show(
    me ? <Alone runId={id} /> : <RunPage runId={id} emergency="113" go={go} onEnd={() => {}} />,
  )
  await screen.findByRole('timer')
  const kinds = () => taken.map((e) => e.kind)
  return { ...page, studio, taken, kinds, net, go }
}
const log = () => within(screen.getByRole('complementary', { name: 'Log' }))

afterEach(() => vi.useRealTimers())

describe('the run', () => {
  it('shows what the server would not take, with its reason, and keeps it', async () => {
    const { user } = await open((e, i) =>
      e.kind === 'ENTRY'
        ? { index: i, id: e.id, reply: 'REFUSED', why: 'This set was closed yesterday.' }
        : { index: i, id: e.id, reply: 'KEPT' },
    )
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.click(screen.getByRole('radio', { name: 'effort 5' }))
    const alert = await log().findByRole('alert')
    expect(alert.textContent).toContain('1 not taken by the server, kept here')
    expect(alert.textContent).toContain('This set was closed yesterday.')
    expect(log().queryByText(/being sent/), 'not waiting for ever either').toBeNull()
  })

  it('takes space as the pause although a chip was tapped last, and logs the chip once', async () => {
    const { user, kinds } = await open()
    await user.keyboard(' ')
    await waitFor(() => expect(kinds()).toEqual(['START']))
    await user.click(screen.getByRole('radio', { name: 'effort 4' }))
    await user.keyboard(' ')
    await waitFor(() => expect(kinds()).toEqual(['START', 'ENTRY', 'PAUSE']))
    expect(screen.getByText('paused')).toBeTruthy()
  })

  it('moves along a scale with the arrows without skipping the set', async () => {
    const { user, kinds } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    screen.getByRole('radio', { name: 'effort 0' }).focus()
    await user.keyboard('{ArrowRight}{ArrowRight}{Enter}')
    await waitFor(() => expect(kinds()).toEqual(['START', 'ENTRY']))
    expect(screen.getByRole('radio', { name: 'effort 2' }).getAttribute('aria-checked')).toBe('true')
  })

  it('skips with the arrow after a chip was tapped: a tap leaves the keys to the clock', async () => {
    const { user, kinds } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.click(screen.getByRole('radio', { name: 'effort 5' }))
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(kinds()).toEqual(['START', 'ENTRY', 'GOTO']))
  })

  it('pauses while the stop panel is open, and goes on when nothing had happened', async () => {
    const { user, kinds } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.keyboard('s')
    const panel = within(await screen.findByRole('dialog'))
    expect(document.activeElement?.tagName, 'focus rests on nothing that acts').toBe('H2')
    await user.click(panel.getByRole('button', { name: 'Close, nothing happened' }))
    await waitFor(() => expect(kinds()).toEqual(['START', 'PAUSE', 'RESUME']))
  })

  it('records a stop only with a sign chosen, and says what to do first', async () => {
    const { user, kinds, taken } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.keyboard('s')
    const panel = within(await screen.findByRole('dialog'))
    expect(panel.getByRole('button', { name: 'Stop the session and record' })).toHaveProperty(
      'disabled',
      true,
    )
    await user.click(panel.getByRole('radio', { name: 'Fainting or near it' }))
    expect(panel.getByText(/Lie them down, legs up/)).toBeTruthy()
    await user.click(panel.getByRole('button', { name: 'Stop the session and record' }))
    expect(await screen.findByRole('heading', { name: 'Stopped' })).toBeTruthy()
    await waitFor(() => expect(kinds()).toContain('STOP'))
    expect(taken.find((e) => e.kind === 'STOP')).toMatchObject({ sign: 'FAINT', person: 'c1' })
  })

  it('keeps what is logged without a connection, says so, and sends it once it is back', async () => {
    const { user, kinds, net } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await waitFor(() => expect(kinds()).toEqual(['START']))
    net.cut = true
    await user.click(screen.getByRole('radio', { name: 'effort 3' }))
    expect(await log().findByText(/No connection: 1 kept on this device/)).toBeTruthy()
    net.cut = false
    await waitFor(() => expect(kinds()).toEqual(['START', 'ENTRY']), { timeout: 8000 })
    expect(await log().findByText('Everything is kept.')).toBeTruthy()
  })

  it('opened while the studio does not answer is shown, and its number to call comes later', async () => {
    let cut = true
    const { user } = await open(undefined, () => {
      if (cut) throw LOST
      return { name: 'Marit Solheim', emergencyNumber: '113' }
    })
    await user.keyboard('s')
    const panel = within(await screen.findByRole('dialog'))
    await user.click(panel.getByRole('radio', { name: 'Fainting or near it' }))
    expect(panel.getByText(/the emergency number/)).toBeTruthy()
    cut = false
    expect(await panel.findByText(/113/, undefined, { timeout: 8000 })).toBeTruthy()
  })
})
