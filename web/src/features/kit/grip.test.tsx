import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { server, show } from '../../test/studio'
import { KitPage } from './index'

const BAND = {
  name: 'green',
  freeLengthCm: 150,
  points: [{ percent: 100, grams: 2000 }],
  latex: true,
  count: 2,
}
const ROOM = {
  id: 'r1',
  version: 1,
  name: 'Big room',
  room: {
    chairs: [],
    dumbbells: [],
    standIns: [],
    bands: [BAND],
    stepCm: [],
    wall: true,
    things: [],
    machines: [],
  },
  weights: [],
  refused: [],
  usedBy: 0,
}
const ASK = '/api/bands/grip'

async function open() {
  const studio = server({
    'GET /api/rooms': [ROOM],
    'GET /api/client-names': [],
    'GET /api/clients/trains': { lines: [], total: 0, page: 0, pages: 1 },
    ['POST ' + ASK]: { words: 'Grip 60 cm from the fixed point.' },
  })
  const { user } = show(<KitPage />)
  await screen.findByRole('button', { name: 'Compute the grip' })
  const compute = () => user.click(screen.getByRole('button', { name: 'Compute the grip' }))
  return { studio, user, compute }
}

describe('the grip on a band', () => {
  it('is never reckoned without a cap because the cap could not be read', async () => {
    const { studio, user, compute } = await open()
    await user.type(screen.getByLabelText('Cap'), '2 kg')
    await compute()
    expect(await screen.findByText('A number, such as 7.2.')).toBeTruthy()
    expect(studio.sent('POST', ASK)).toHaveLength(0)
    await user.clear(screen.getByLabelText('Cap'))
    await user.type(screen.getByLabelText('Cap'), '1,5')
    await compute()
    await waitFor(() => expect(studio.sent('POST', ASK)).toHaveLength(1))
    expect(studio.sent('POST', ASK)[0]?.body).toMatchObject({
      capGrams: 1500,
      wantedGrams: 1500,
      reachCm: 100,
    })
  })

  it('goes as soon as another is asked about', async () => {
    const { user, compute } = await open()
    await compute()
    expect(await screen.findByText(/^Grip 60 cm/)).toBeTruthy()
    await user.type(screen.getByLabelText('Cap'), '1')
    expect(screen.queryByText(/^Grip 60 cm/)).toBeNull()
  })
})
