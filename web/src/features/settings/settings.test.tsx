import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { Refusal, server, show, type Call } from '../../test/studio'
import { SettingsPage } from './index'

const STUDIO = {
  id: 's1',
  version: 3,
  name: 'Lanternfield Hall',
  zone: 'Europe/Oslo',
  emergencyNumber: '112',
  massUnit: 'KG',
  glucoseUnit: 'MMOL',
}

describe('the settings', () => {
  it('are saved on the version they were opened with, then on the next', async () => {
    let version = STUDIO.version
    const studio = server({
      'GET /api/settings': STUDIO,
      'PUT /api/settings': (c: Call) => ({ ...STUDIO, ...c.body, version: ++version }),
    })
    const { user } = show(<SettingsPage />)
    const phone = await screen.findByLabelText('Telephone of the studio')
    await user.type(phone, '555 0100')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('saved')).toBeTruthy()
    await user.selectOptions(screen.getByLabelText('Weights typed in'), 'LB')
    expect(screen.queryByText('saved'), 'changed again, not saved').toBeNull()
    await user.click(screen.getByRole('button', { name: 'Save' }))
    await waitFor(() => expect(studio.sent('PUT', '/api/settings')).toHaveLength(2))
    const [first, second] = studio.sent('PUT', '/api/settings')
    expect([first?.version, second?.version]).toEqual(['"3"', '"4"'])
    expect(first?.body).toEqual({
      name: 'Lanternfield Hall',
      zone: 'Europe/Oslo',
      emergencyNumber: '112',
      massUnit: 'KG',
      glucoseUnit: 'MMOL',
      phone: '555 0100',
    })
    expect(second?.body).toMatchObject({ massUnit: 'LB', phone: '555 0100' })
  })

  it('show what is stored beside what was typed when somebody else was faster, and keep both', async () => {
    server({
      'GET /api/settings': STUDIO,
      'PUT /api/settings': () => {
        throw new Refusal(409, {
          code: 'stale',
          detail: 'Changed meanwhile by Piet Oduya.',
          theirs: { name: 'Lantern House' },
          yours: { name: 'Hall by the harbour' },
        })
      },
    })
    const { user } = show(<SettingsPage />)
    const name = await screen.findByLabelText('Studio')
    await user.clear(name)
    await user.type(name, 'Hall by the harbour')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Lantern House')
    expect(name).toHaveProperty('value', 'Hall by the harbour')
    expect(screen.getByRole('button', { name: 'Load what is stored' })).toBeTruthy()
  })

  it('say at the field what cannot be, until it is corrected', async () => {
    server({
      'GET /api/settings': STUDIO,
      'PUT /api/settings': () => {
        throw new Refusal(422, {
          code: 'invalid',
          detail: 'One field needs another look.',
          errors: [{ pointer: '/zone', detail: 'No such time zone.' }],
        })
      },
    })
    const { user } = show(<SettingsPage />)
    const zone = await screen.findByLabelText('Time zone')
    await user.type(zone, 'x')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('No such time zone.')).toBeTruthy()
    await user.type(zone, '{Backspace}')
    expect(screen.queryByText('No such time zone.')).toBeNull()
  })
})
