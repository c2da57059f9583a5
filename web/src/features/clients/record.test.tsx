import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { Refusal, server, show, type Call } from '../../test/studio'
import { asSent, asTyped } from './record'
import { RecordPage } from './RecordPage'

const RECORD: S['ClientRecord'] = {
  conditions: [{ name: 'hip replaced', side: 'LEFT', since: '2025-03-01', note: 'cemented' }],
  operations: [{ name: 'hip', side: 'LEFT', on: '2025-03-01', word: 'no twisting' }],
  medicines: [{ name: 'bisoprolol', effect: 'SLOWS_PULSE' }],
  goals: ['stairs'],
  careLines: [{ kind: 'SATURATION_LOW', value: 90, by: 'Dr Imre Okafor', on: '2026-10-01' }],
  emergencyName: 'Piet',
  emergencyPhone: '555 0101',
  legFunction: 'SOME',
  trunkControl: 'FULL',
  restingPulse: 58,
  measuredMaximum: 140,
  clinicCap: 120,
  usualSystolic: 124,
  usualSaturation: 93,
  kneeCm: 44,
  olderMaximum: true,
  consent: { on: '2026-01-02', name: 'Odile Varga', letters: true, withdrawnOn: '2026-11-01' },
}
const CLIENT = { id: 'c1', version: 4, name: 'Odile Varga', record: RECORD } as S['Client']
const PUT = '/api/clients/c1/record'

describe('the record of a client', () => {
  it('opened and sent unchanged says what it said, every part of it', () => {
    expect(asSent(asTyped(RECORD, 'Odile Varga'))).toEqual(RECORD)
  })

  it('has no line of the care plan at nought: an emptied one is refused, nothing is sent', async () => {
    const studio = server({ ['PUT ' + PUT]: (c: Call) => ({ ...CLIENT, version: 5, record: c.body }) })
    const { user } = show(<RecordPage />, { client: { client: CLIENT } })
    const line = await screen.findByLabelText('Line')
    await user.clear(line)
    await user.click(screen.getByRole('button', { name: 'Save the record' }))
    const plan = screen.getByRole('region', { name: /^Own care plan/ })
    expect(await within(plan).findByText('A number.')).toBeTruthy()
    expect(studio.sent('PUT', PUT)).toHaveLength(0)
    await user.type(line, '88,5')
    await user.click(screen.getByRole('button', { name: 'Save the record' }))
    expect(await screen.findByText('saved')).toBeTruthy()
    const [put] = studio.sent('PUT', PUT)
    expect(put?.version).toBe('"4"')
    expect(put?.body).toEqual({ ...RECORD, careLines: [{ ...RECORD.careLines?.[0], value: 88.5 }] })
  })

  it('says at its row what the server refuses', async () => {
    server({
      ['PUT ' + PUT]: () => {
        throw new Refusal(422, {
          detail: 'Not kept.',
          errors: [{ pointer: '/careLines/0/by', detail: 'A looser line needs its clinician.' }],
        })
      },
    })
    const { user } = show(<RecordPage />, { client: { client: CLIENT } })
    await user.clear(await screen.findByLabelText('Clinician who set the line'))
    await user.click(screen.getByRole('button', { name: 'Save the record' }))
    const plan = screen.getByRole('region', { name: /^Own care plan/ })
    expect(await within(plan).findByText('A looser line needs its clinician.')).toBeTruthy()
  })

  it('keeps what is typed when somebody else was faster, and loads theirs only when asked', async () => {
    const studio = server({
      ['PUT ' + PUT]: () => {
        throw new Refusal(409, { code: 'stale', detail: 'Changed meanwhile by Piet Oduya.' })
      },
    })
    const { user } = show(<RecordPage />, { client: { client: CLIENT } })
    const cap = await screen.findByLabelText('Pulse cap set by the clinic')
    await user.clear(cap)
    await user.type(cap, '110')
    await user.click(screen.getByRole('button', { name: 'Save the record' }))
    expect(await screen.findByText(/Changed meanwhile by Piet Oduya/)).toBeTruthy()
    expect((cap as HTMLInputElement).value).toBe('110')
    expect(studio.sent('PUT', PUT)[0]?.version).toBe('"4"')
    await user.click(screen.getByRole('button', { name: 'Load what is stored' }))
    await waitFor(() => expect((cap as HTMLInputElement).value).toBe('120'))
  })
})
