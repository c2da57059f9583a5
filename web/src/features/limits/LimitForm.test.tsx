import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import { LimitForm } from './LimitForm'

const AXES = [
  {
    id: 'load.hand',
    words: 'weight in a hand',
    unit: 'GRAMS',
    sided: true,
    greatest: 30_000,
  },
  { id: 'joint.knee-flexion.any', words: 'knee bent', unit: 'DEGREES', sided: true, greatest: 160 },
  {
    id: 'joint.knee-flexion.loaded',
    words: 'knee bent under load',
    unit: 'DEGREES',
    sided: true,
    greatest: 160,
  },
] as unknown as S['AxisView'][]

/** One kilogram, which reads 2.2 lb and would come back as 997 g if it were turned again. */
const LIMIT = {
  id: 'l1',
  version: 4,
  axisId: 'load.hand',
  axisWords: 'weight in a hand',
  unit: 'GRAMS',
  side: 'LEFT',
  cap: 1000,
  words: 'left hand 1 kg at most',
  strength: 'FIRM',
  source: 'physio letter, R. Lind',
  from: '2026-03-02',
  until: undefined,
  review: '2026-12-01',
  state: 'ACTIVE',
} as unknown as S['LimitView']

function open(mass: 'KG' | 'LB', more: Record<string, (c: { body: object }) => unknown> = {}) {
  const studio = server({
    'GET /api/axes': AXES,
    'GET /api/me': { name: 'Marit', massUnit: mass, today: '2026-11-26' },
    'GET /api/axes/words': { words: 'as a sentence' },
    'PUT /api/limits/l1': (c: { body: object }) => ({ ...LIMIT, ...c.body }),
    'POST /api/clients/c1/limits': (c: { body: object }) => ({ ...LIMIT, ...c.body }),
    ...more,
  })
  return studio
}

describe('LimitForm', () => {
  it('sends nothing when a limit is opened in a pounds studio and saved untouched', async () => {
    const studio = open('LB')
    const done = vi.fn()
    const { user } = show(<LimitForm clientId="c1" limit={LIMIT} onDone={done} />)
    expect(await screen.findByLabelText('Up to, lb')).toHaveProperty('value', '2.2')
    await user.click(screen.getByRole('button', { name: 'Replace' }))
    await waitFor(() => expect(done).toHaveBeenCalledOnce())
    expect(studio.sent('PUT', '/api/limits/l1')).toHaveLength(0)
  })

  it.each([
    ['LB', '2.2'],
    ['KG', '1'],
  ] as const)('keeps the stored grams when only the source is changed, typed in %s', async (mass, reads) => {
    const studio = open(mass)
    const { user } = show(<LimitForm clientId="c1" limit={LIMIT} onDone={() => {}} />)
    expect(await screen.findByLabelText(/^Up to/)).toHaveProperty('value', reads)
    await user.clear(screen.getByLabelText('Source'))
    await user.type(screen.getByLabelText('Source'), 'surgeon, T. Moe')
    await user.click(screen.getByRole('button', { name: 'Replace' }))
    await waitFor(() => expect(studio.sent('PUT', '/api/limits/l1')).toHaveLength(1))
    const put = studio.sent('PUT', '/api/limits/l1')[0]
    expect(put?.body).toMatchObject({ cap: 1000, source: 'surgeon, T. Moe', side: 'LEFT' })
    expect(put?.version).toBe('"4"')
  })

  it('rounds what is typed in pounds down, so that no cap gets looser', async () => {
    const studio = open('LB')
    const { user } = show(<LimitForm clientId="c1" limit={LIMIT} onDone={() => {}} />)
    const cap = await screen.findByLabelText('Up to, lb')
    await user.clear(cap)
    await user.type(cap, '2')
    await user.click(screen.getByRole('button', { name: 'Replace' }))
    await waitFor(() => expect(studio.sent('PUT', '/api/limits/l1')).toHaveLength(1))
    expect(studio.sent('PUT', '/api/limits/l1')[0]?.body.cap).toBe(907)
  })

  it('sends an emptied amount as none, never as nought, and says what the server asks', async () => {
    const studio = open('KG', {
      'PUT /api/limits/l1': () => {
        throw new Refusal(422, {
          code: 'invalid',
          detail: 'One field needs you.',
          errors: [{ pointer: '/cap', detail: 'How much is left open?' }],
        })
      },
    })
    const { user } = show(<LimitForm clientId="c1" limit={LIMIT} onDone={() => {}} />)
    const cap = await screen.findByLabelText('Up to, kg')
    await user.clear(cap)
    await user.click(screen.getByRole('button', { name: 'Replace' }))
    expect(await screen.findByText('How much is left open?')).toBeTruthy()
    expect(studio.sent('PUT', '/api/limits/l1')[0]?.body.cap).toBeNull()
    await user.type(cap, '1')
    expect(screen.queryByText('How much is left open?'), 'gone once corrected').toBeNull()
  })

  it('keeps all that was typed when the server refuses', async () => {
    open('KG', {
      'POST /api/clients/c1/limits': () => {
        throw new Refusal(422, {
          code: 'invalid',
          detail: 'One field needs you.',
          errors: [{ pointer: '/source', detail: 'Who said so?' }],
        })
      },
    })
    const done = vi.fn()
    const { user } = show(<LimitForm clientId="c1" onDone={done} />)
    const cap = await screen.findByLabelText('Up to, degrees')
    await user.clear(cap)
    await user.type(cap, '75')
    await user.type(screen.getByLabelText('Why'), 'new brace')
    await user.click(screen.getByRole('button', { name: 'Set the limit' }))
    const source = screen.getByLabelText('Source')
    await waitFor(() => expect(source.getAttribute('aria-invalid')).toBe('true'))
    expect(cap).toHaveProperty('value', '75')
    expect(screen.getByLabelText('Why')).toHaveProperty('value', 'new brace')
    expect(done).not.toHaveBeenCalled()
  })
})
