import type { ReactNode } from 'react'
import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import { Diary } from './Diary'
import { markLabels } from './scale'

const AT = '/api/clients/c1/diary'
const FLARE: S['Mark'] = {
  kind: 'FLARE',
  on: '2026-11-12',
  title: 'A flare of pain or of a condition',
  words: 'left knee',
  from: 'recorded by Marit',
  grave: true,
}
const SHOES: S['Mark'] = {
  entryId: 'd1',
  kind: 'NOTE',
  on: '2026-11-20',
  title: 'Note',
  words: 'new shoes',
  from: 'noted by Piet',
  grave: false,
}
const V = {
  today: '2026-11-27',
  from: '2026-09-01',
  away: [],
  list: [],
} as unknown as S['ToleranceView']
const Row = ({ head, side, children }: { head: ReactNode; side: ReactNode; children: ReactNode }) => (
  <div>
    {head}
    {side}
    {children}
  </div>
)
const page = (replies: Parameters<typeof server>[0] = {}) => {
  const api = server({ [`GET ${AT}`]: [FLARE, SHOES], ...replies })
  const shown = show(<Diary v={V} width={700} Row={Row} />, {
    client: { client: { id: 'c1' } as S['Client'] },
  })
  return { api, ...shown }
}

describe('the diary', () => {
  it('opens a flare with what was different before it, as facts and no cause', async () => {
    const { api, user } = page({
      [`GET ${AT}/before`]: {
        on: '2026-11-12',
        lines: ['Back from 16 days away, 20 Oct to 4 Nov.'],
        marked: [{ ...SHOES, on: '2026-11-08' }],
        caution: 'None of them is said to be the cause.',
      },
    })
    await user.click(await screen.findByRole('button', { name: /A flare of pain/ }))
    expect(await screen.findByText('Back from 16 days away, 20 Oct to 4 Nov.')).toBeTruthy()
    expect(screen.getByText(/Note, 8 Nov: new shoes/)).toBeTruthy()
    expect(screen.getByText('None of them is said to be the cause.')).toBeTruthy()
    expect(api.sent('GET', `${AT}/before`)[0]?.query.get('on')).toBe('2026-11-12')
    expect(screen.queryByRole('button', { name: 'Take it off' })).toBeNull()
  })

  it('takes off only what is its own, and puts it back', async () => {
    const { api, user } = page({
      [`GET ${AT}/before`]: { on: '2026-11-20', lines: [], marked: [], caution: '' },
      [`DELETE ${AT}/d1`]: () => undefined,
      [`POST ${AT}`]: { id: 'd2' },
    })
    await user.click(await screen.findByRole('button', { name: /20 Nov Note/ }))
    await user.click(await screen.findByRole('button', { name: 'Take it off' }))
    await waitFor(() => expect(api.sent('DELETE', `${AT}/d1`)).toHaveLength(1))
    await user.click(await screen.findByRole('button', { name: 'Put it back' }))
    await waitFor(() => expect(api.sent('POST', AT)).toHaveLength(1))
    expect(api.sent('POST', AT)[0]?.body).toEqual({ kind: 'NOTE', on: '2026-11-20', words: 'new shoes' })
  })

  it('sends a fall where it counts for training, and says what that does', async () => {
    const { api, user } = page({
      'POST /api/clients/c1/happened': {},
      [`POST ${AT}`]: () => {
        throw new Refusal(422, { errors: [{ pointer: '/words', detail: 'Write the note.' }] })
      },
    })
    await user.click(screen.getByRole('button', { name: 'Add to it' }))
    await user.selectOptions(screen.getByLabelText('What'), 'a note')
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(await screen.findByText('Write the note.')).toBeTruthy()
    await user.selectOptions(screen.getByLabelText('What'), 'a fall')
    expect(screen.getByText(/screened again before the next run/)).toBeTruthy()
    await user.type(screen.getByLabelText('In words'), 'on the stairs')
    await user.click(screen.getByRole('button', { name: 'Add' }))
    await waitFor(() => expect(api.sent('POST', '/api/clients/c1/happened')).toHaveLength(1))
    expect(api.sent('POST', '/api/clients/c1/happened')[0]?.body).toEqual({
      kind: 'FALL',
      on: '2026-11-27',
      note: 'on the stairs',
    })
  })
})

describe('words over marks', () => {
  it('never run into each other nor out of the plot, the newest first', () => {
    const marks = [
      { x: 20, text: 'a fall' },
      { x: 60, text: 'an illness of some length' },
      { x: 300, text: 'note' },
      { x: 690, text: 'medicine changed' },
    ]
    const places = markLabels(marks, 700)
    let free = 0
    places.forEach((left, i) => {
      if (left === undefined) return
      expect(left).toBeGreaterThanOrEqual(free)
      free = left + (marks[i]?.text.length ?? 0) * 6.3
      expect(free).toBeLessThanOrEqual(700)
    })
    expect(places[3]).toBeDefined()
    expect(places[2]).toBeDefined()
  })
})
