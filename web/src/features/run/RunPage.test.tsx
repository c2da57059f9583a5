import 'fake-indexeddb/auto'
import { act, screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { RunEvent } from '../../lib/clock'
import { strapOf } from '../../lib/run/strap'
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
  segment(180, 'REST', 'WORK', { round: 2, set: 2 }),
  segment(240, 'WORK', 'WORK', { reps: 10, round: 3, set: 3 }),
]
const part = {
  side: 'BOTH',
  title: 'Seated row',
  dose: { reps: 10, grams: 2000, hands: 2 },
  doseText: '10, 2 kg in each hand',
  weights: [0, 1000, 2000, 3000],
  cues: ['sit tall'],
  breathe: true,
}
const run = (id: string, slot: object = {}) => ({
  id,
  version: 1,
  planId: 'p1',
  planName: 'Steady Tuesday',
  date: '2026-11-26',
  timeline: { segments: SEGMENTS, total: 300 },
  state: { status: 'READY', positionMs: 0, holdMs: 0, entries: [] },
  leftOpen: false,
  stops: [],
  people: [
    {
      clientId: 'c1',
      name: 'Odile Varga',
      effortCap: 6,
      before: { cautions: [], reasons: [] },
      painLine: 2,
      pulse: { maximum: 160, resting: 60, cap: 112, capSource: 'the clinic’s word' },
      sugarFirst: false,
      slots: [
        {
          key: 's1',
          block: 'WORK',
          parts: [part],
          stages: [],
          options: [
            { id: 'o1', kind: 'EASIER', title: 'Band row', parts: [{ ...part, title: 'Band row' }] },
            { id: 'o2', kind: 'HARDER', title: 'Hinged row', parts: [{ ...part, title: 'Hinged row' }] },
          ],
          ...slot,
        },
      ],
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
  slot?: object,
) {
  const id = `run-${n++}`
  const taken: RunEvent[] = []
  const net = { cut: false }
  const of = `/api/runs/${id}`
  const studio = server({
    [`GET ${of}`]: run(id, slot),
    [`GET ${of}/events`]: () => (net.cut ? Promise.reject(LOST) : taken),
    [`POST ${of}/events`]: (c: Call) => {
      if (net.cut) throw LOST
      const events = c.body.events as RunEvent[]
      const answers = events.map(reply)
      events.forEach((e, i) => (answers[i] as { reply: string }).reply === 'KEPT' && taken.push(e))
      return { answers }
    },
    'GET /api/time': () => ({ now: Date.now() }),
    'GET /api/me': () => me?.(),
    'GET /api/clients/c1/readiness': { notes: [] },
    'GET /api/clients/c1': { id: 'c1', record: {} },
  })
  const go = vi.fn<(to: string) => void>()
  const page = show(
    me ? <Alone runId={id} /> : <RunPage runId={id} emergency="113" go={go} onEnd={() => {}} />,
  )
  await screen.findByRole('timer')
  const kinds = () => taken.map((e) => e.kind)
  return { ...page, id, studio, taken, kinds, net, go }
}
type User = Awaited<ReturnType<typeof open>>['user']
/** Started, and on in the first rest: there the set just done is asked. */
async function inRest(user: User) {
  await user.click(screen.getByRole('button', { name: 'Start' }))
  await user.keyboard('{ArrowRight}')
  await screen.findByRole('radio', { name: 'effort 5' })
}
const log = () => within(screen.getByRole('complementary', { name: 'Log' }))

afterEach(() => {
  vi.useRealTimers()
  localStorage.removeItem('riposo.view')
})

describe('the run', () => {
  it('shows what the server would not take, with its reason, and keeps it', async () => {
    const { user } = await open((e, i) =>
      e.kind === 'ENTRY'
        ? { index: i, id: e.id, reply: 'REFUSED', why: 'This set was closed yesterday.' }
        : { index: i, id: e.id, reply: 'KEPT' },
    )
    await inRest(user)
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
    await user.keyboard('{ArrowRight}')
    await user.click(await screen.findByRole('radio', { name: 'effort 4' }))
    await user.keyboard(' ')
    await waitFor(() => expect(kinds()).toEqual(['START', 'GOTO', 'ENTRY', 'PAUSE']))
    expect(screen.getByText('paused')).toBeTruthy()
  })

  it('moves along a scale with the arrows without skipping the set', async () => {
    const { user, kinds } = await open()
    await inRest(user)
    screen.getByRole('radio', { name: 'effort 0' }).focus()
    await user.keyboard('{ArrowRight}{ArrowRight}{Enter}')
    await waitFor(() => expect(kinds()).toEqual(['START', 'GOTO', 'ENTRY']))
    expect(screen.getByRole('radio', { name: 'effort 2' }).getAttribute('aria-checked')).toBe('true')
  })

  it('skips with the arrow after a chip was tapped: a tap leaves the keys to the clock', async () => {
    const { user, kinds } = await open()
    await inRest(user)
    await user.click(screen.getByRole('radio', { name: 'effort 5' }))
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(kinds()).toEqual(['START', 'GOTO', 'ENTRY', 'GOTO']))
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
    await inRest(user)
    await waitFor(() => expect(kinds()).toEqual(['START', 'GOTO']))
    net.cut = true
    await user.click(screen.getByRole('radio', { name: 'effort 3' }))
    expect(await log().findByText(/No connection: 1 kept on this device/)).toBeTruthy()
    net.cut = false
    await waitFor(() => expect(kinds()).toEqual(['START', 'GOTO', 'ENTRY']), { timeout: 8000 })
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

  it('is far in work and near in a rest by itself; a tap on the clock or f turns it until the next part', async () => {
    const { user, container } = await open()
    const far = () => container.querySelector('[data-far=name]') !== null
    expect(far(), 'near until it begins').toBe(false)
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await waitFor(() => expect(far()).toBe(true))
    expect(screen.queryByRole('complementary', { name: 'Log' }), 'no log for who looks on').toBeNull()
    await user.keyboard('f')
    expect(far()).toBe(false)
    await user.click(screen.getByRole('button', { name: /left, show far/ }))
    expect(far()).toBe(true)
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(far(), 'the rest').toBe(false))
    await user.keyboard('{ArrowRight}')
    await waitFor(() => expect(far(), 'work again').toBe(true))
  })

  it('stays near in work where that is kept, also after a reload', async () => {
    const { user, container, unmount } = await open()
    await user.click(screen.getByRole('button', { name: 'keep near' }))
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await waitFor(() => expect(screen.getByRole('button', { name: 'Pause' })).toBeTruthy())
    expect(container.querySelector('[data-far=name]')).toBeNull()
    unmount()
    await open()
    expect(screen.getByRole('button', { name: 'keep near' }).getAttribute('aria-pressed')).toBe('true')
  })

  it('pain over the line offers the easier one in one tap, without a connection, from now on', async () => {
    const { user, taken, net } = await open()
    await inRest(user)
    net.cut = true
    await user.click(screen.getByRole('radio', { name: 'pain 2' }))
    expect(screen.queryByText(/over Odile Varga’s line/), 'at the line is not over it').toBeNull()
    await user.click(screen.getByRole('radio', { name: 'pain 4' }))
    const speaks = within(log().getByRole('alert'))
    expect(speaks.getByText('Pain 4 is over Odile Varga’s line of 2. Ease it?')).toBeTruthy()
    await user.click(speaks.getByRole('button', { name: 'Easier: Band row' }))
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('next: Band row')
    expect(log().getByRole('heading', { level: 2 }).textContent, 'what was done stays').toBe('Seated row')
    net.cut = false
    await waitFor(() => expect(taken.map((e) => e.kind)).toContain('CHANGE'), { timeout: 8000 })
    expect(taken.find((e) => e.kind === 'CHANGE')?.change).toEqual({
      slotKey: 's1',
      round: 2,
      side: 'BOTH',
      to: 'OPTION',
      option: 'o1',
      onward: true,
    })
  })

  it('leaves the movement at the second set over the line, and only pain taken back brings it back', async () => {
    const { user } = await open()
    await inRest(user)
    await user.click(screen.getByRole('radio', { name: 'pain 4' }))
    await user.keyboard('{ArrowRight}{ArrowRight}')
    await user.click(await screen.findByRole('radio', { name: 'pain 5' }))
    expect(log().getByText(/The second time: the movement is left for today/)).toBeTruthy()
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('left today')
    expect(screen.queryByRole('button', { name: 'take it back' })).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Sets of the session, 2' }))
    await user.click(screen.getByRole('button', { name: /set 2/ }))
    await user.click(screen.getByRole('button', { name: 'pain was not said' }))
    await waitFor(() =>
      expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('next: Seated row'),
    )
    expect(screen.getByText('As it was told').parentElement?.textContent).toContain('pain 5')
  })

  it('offers nothing harder after pain over the line or lost form, nor past what was sent', async () => {
    const { user } = await open()
    await inRest(user)
    await user.click(screen.getByRole('button', { name: 'more …' }))
    expect(screen.getByRole('button', { name: 'Harder: Hinged row' })).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'form lost' }))
    expect(screen.queryByRole('button', { name: 'Harder: Hinged row' })).toBeNull()
    expect(screen.getByText(/Nothing harder after/)).toBeTruthy()
  })

  it('takes a lighter weight for the sets to come, this time or from now on, and takes it back', async () => {
    const { user, taken } = await open()
    await inRest(user)
    await user.click(screen.getByRole('button', { name: 'more …' }))
    await user.click(screen.getByRole('radio', { name: 'this time' }))
    await user.click(screen.getByRole('button', { name: 'Lighter: 1 kg' }))
    await user.click(await screen.findByRole('button', { name: 'take it back' }))
    await waitFor(() => expect(taken.filter((e) => e.kind === 'CHANGE')).toHaveLength(2))
    expect(taken.filter((e) => e.kind === 'CHANGE').map((e) => e.change)).toMatchObject([
      { to: 'WEIGHT', grams: 1000, round: 2, onward: false },
      { to: 'BACK', round: 2 },
    ])
  })

  it('has a band beside the weight off as soon as the weight is another', async () => {
    const banded = { ...part, dose: { ...part.dose, beside: 'green' } }
    const band = '“green” as well, 2.2 kg with the weight'
    const { user } = await open(undefined, undefined, { parts: [banded], band })
    await inRest(user)
    expect(screen.getByText(band)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'more …' }))
    await user.click(screen.getByRole('button', { name: 'Lighter: 1 kg' }))
    expect(await screen.findByText(/^without the band/)).toBeTruthy()
    expect(screen.queryByText(band)).toBeNull()
  })

  it('woozy in one tap pauses, stays until it is answered, and goes on gentler', async () => {
    const { user, taken, kinds } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.click(await screen.findByRole('button', { name: 'Woozy' }))
    const strip = within(screen.getByRole('region', { name: 'Woozy: Odile Varga' }))
    expect(strip.getByText(/Asked again in 1:00/)).toBeTruthy()
    await user.click(strip.getByRole('button', { name: 'Gone, go on gentler' }))
    expect(screen.queryByRole('region', { name: 'Woozy: Odile Varga' })).toBeNull()
    await waitFor(() => expect(kinds()).toEqual(['START', 'PAUSE', 'UNWELL', 'UNWELL', 'CHANGE']))
    expect(taken.at(-1)?.change).toMatchObject({ to: 'OPTION', option: 'o1', onward: true, round: 1 })
  })

  it('what rest does not settle is a stop sign, and a reading that cannot be right is not kept', async () => {
    const { user, taken } = await open()
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await user.click(await screen.findByRole('button', { name: 'Woozy' }))
    await user.type(screen.getByRole('textbox', { name: 'pulse, bpm' }), '400')
    expect(screen.getByRole('alert').textContent).toContain('pulse, bpm: 20 to 250')
    await user.type(screen.getByRole('textbox', { name: 'pressure, upper' }), '95')
    await user.click(screen.getByRole('button', { name: 'Still the same' }))
    expect(await screen.findByText(/Rest has not settled it: this is a stop sign/)).toBeTruthy()
    await user.click(
      within(screen.getByRole('region', { name: 'Woozy: Odile Varga' })).getByRole('button', {
        name: 'Stop sign',
      }),
    )
    expect(await screen.findByRole('dialog')).toBeTruthy()
    await waitFor(() =>
      expect(taken.filter((e) => e.kind === 'UNWELL').map((e) => e.unwell)).toEqual([
        { symptom: 'WOOZY', how: 'FELT' },
        { symptom: 'WOOZY', how: 'SAME', systolic: 95 },
        { symptom: 'WOOZY', how: 'WORSE' },
      ]),
    )
  })

  it('a set told wrongly is corrected, or taken out, and what was said stays beside it', async () => {
    const { user, taken } = await open()
    await inRest(user)
    await user.click(screen.getByRole('radio', { name: 'effort 8' }))
    await user.click(screen.getByRole('button', { name: 'Sets of the session, 1' }))
    await user.click(screen.getByRole('button', { name: /Seated row · set 1 effort 8/ }))
    const list = within(screen.getByRole('main'))
    await user.click(list.getByRole('radio', { name: 'effort 5' }))
    const trail = () => screen.getByText('As it was told').parentElement?.textContent
    expect(trail()).toMatch(/effort 8.*effort 5/)
    await user.click(list.getByRole('button', { name: 'This set was not done' }))
    expect(await screen.findByText('No set is told yet.')).toBeTruthy()
    await waitFor(() => expect(taken.at(-1)?.entry).toMatchObject({ notDone: true }))
  })

  it('keeps a counted pulse with the seconds since the work ended, and none that cannot be right', async () => {
    const { user, taken } = await open()
    await inRest(user)
    const box = within(await screen.findByRole('region', { name: 'Pulse' }))
    const field = box.getByRole('textbox', { name: 'bpm, counted' })
    await user.type(field, '400{Enter}')
    expect(box.getByRole('alert').textContent).toContain('20 to 250')
    await user.clear(field)
    await user.type(field, '118{Enter}')
    expect(box.getByRole('alert').textContent).toContain('Pulse 118 is over the cap of 112: rest')
    await waitFor(() => expect(taken.map((e) => e.pulse).filter(Boolean)).toHaveLength(1))
    const { afterWork, ...pulse } = taken.find((e) => e.pulse)?.pulse ?? {}
    expect(pulse).toEqual({ bpm: 118, from: 'TYPED' })
    expect(afterWork).toBeLessThan(60)
    await user.type(field, '100{Enter}')
    expect(box.queryByRole('alert'), 'under it again').toBeNull()
  })

  it('shows a strap’s pulse on both scales, calls rest over the cap, and shows none once it is lost', async () => {
    const { user, id, taken } = await open()
    await inRest(user)
    let send: (beat: number) => void = () => {}
    let gone = () => {}
    await act(() =>
      strapOf(id, 'c1').begin(() =>
        Promise.resolve({
          from: 'STRAP',
          name: 'Test strap',
          start: (on, lost) => {
            send = on
            gone = lost
            return Promise.resolve(() => {})
          },
        }),
      ),
    )
    for (const beat of [108, 109, 110]) send(beat)
    const box = within(await screen.findByRole('region', { name: 'Pulse' }))
    expect(await box.findByText('110')).toBeTruthy()
    expect(box.getByText('50 % of reserve')).toBeTruthy()
    expect(box.queryByRole('alert')).toBeNull()
    send(114)
    expect(await box.findByText(/Pulse 114 is over the cap of 112/)).toBeTruthy()
    await waitFor(() =>
      expect(taken.map((e) => e.pulse).filter(Boolean)).toMatchObject([{ bpm: 114, from: 'STRAP' }]),
    )
    act(() => gone())
    expect(box.getByRole('alert').textContent).toContain('The strap was lost')
    expect(box.getByRole('alert').textContent).toContain('over the cap: rest')
    expect(box.queryByText('114'), 'no old number').toBeNull()
  })
})
