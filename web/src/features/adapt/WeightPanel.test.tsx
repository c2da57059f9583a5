import { screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show } from '../../test/studio'
import { WeightPanel } from './WeightPanel'

const PATH = '/api/clients/c1/adapted/p1/slots/s1/weight'
const WEIGHT: S['SlotWeight'] = {
  grams: 1000,
  words: '1 kg: lightest in kit, to be found.',
  set: false,
  finding: true,
}
const panel = (replies: Parameters<typeof server>[0], weight: Partial<S['SlotWeight']> = {}) => {
  const api = server(replies)
  const { user } = show(
    <WeightPanel
      clientId="c1"
      planId="p1"
      slot={{ key: 's1' } as S['SlotView']}
      weight={{ ...WEIGHT, ...weight }}
    />,
  )
  return { api, user }
}

describe('WeightPanel', () => {
  it('says where the weight comes from and sends another for today or from now on', async () => {
    const { api, user } = panel({ [`PUT ${PATH}`]: { slots: [] } })
    expect(screen.getByText('1 kg: lightest in kit, to be found.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Take mine back' })).toBeNull()
    await user.type(screen.getByLabelText('Another weight, kg'), '2,5')
    await user.click(screen.getByRole('button', { name: 'From now on' }))
    await user.type(screen.getByLabelText('Another weight, kg'), '2{Enter}')
    expect(api.sent('PUT', PATH).map((c) => c.body)).toEqual([
      { grams: 2500, today: false },
      { grams: 2000, today: true },
    ])
  })

  it.each(['', 'two', '0', '-1'])('sends nothing for %j', async (text) => {
    const { api, user } = panel({})
    if (text) await user.type(screen.getByLabelText('Another weight, kg'), text)
    await user.click(screen.getByRole('button', { name: 'For today' }))
    expect(screen.getByText('A number of kilograms, such as 2 or 2.5.')).toBeTruthy()
    expect(api.calls).toEqual([])
  })

  it('says at the field that it is over the cap, and keeps what was typed', async () => {
    const words = '3 kg is over what this client’s limits leave here: 2.5 kg at most.'
    const { user } = panel({
      [`PUT ${PATH}`]: () => {
        throw new Refusal(422, { title: 'no', errors: [{ pointer: '/grams', detail: words }] })
      },
    })
    await user.type(screen.getByLabelText('Another weight, kg'), '3')
    await user.click(screen.getByRole('button', { name: 'For today' }))
    expect(await screen.findByText(words)).toBeTruthy()
    expect((screen.getByLabelText('Another weight, kg') as HTMLInputElement).value).toBe('3')
  })

  it('asks why for more than a step, and sends the reason', async () => {
    let asked = 0
    const { api, user } = panel({
      [`PUT ${PATH}`]: () => {
        if (asked++ === 0)
          throw new Refusal(422, {
            title: 'no',
            errors: [{ pointer: '/reason', detail: '3 kg is more than one step: say why.' }],
          })
        return { slots: [] }
      },
    })
    await user.type(screen.getByLabelText('Another weight, kg'), '3')
    await user.click(screen.getByRole('button', { name: 'For today' }))
    expect(await screen.findByText('3 kg is more than one step: say why.')).toBeTruthy()
    await user.type(screen.getByLabelText('Why'), 'lifted it last week')
    await user.click(screen.getByRole('button', { name: 'For today' }))
    expect(api.sent('PUT', PATH)[1]?.body).toEqual({
      grams: 3000,
      today: true,
      reason: 'lifted it last week',
    })
  })

  it('takes the weight set by hand back', async () => {
    const { api, user } = panel({ [`DELETE ${PATH}`]: { slots: [] } }, { set: true })
    await user.click(screen.getByRole('button', { name: 'Take mine back' }))
    expect(api.sent('DELETE', PATH)).toHaveLength(1)
  })
})
