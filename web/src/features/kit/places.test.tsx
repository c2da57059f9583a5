import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { Refusal, server, show } from '../../test/studio'
import { KitPage } from './index'

const TRAINS = '/api/clients/trains'
const person = (n: number) => ({
  id: `c${n}`,
  version: 1,
  name: `Client ${n}`,
  refusedKit: [],
})

function open() {
  let version = 1
  const studio = server({
    'GET /api/rooms': [],
    'GET /api/client-names': [],
    [`GET ${TRAINS}`]: ({ query }: { query: URLSearchParams }) => {
      const found = Array.from({ length: 120 }, (_, n) => ({ ...person(n), version })).filter((c) =>
        c.name.includes(query.get('find') ?? ''),
      )
      const page = Number(query.get('page'))
      return {
        lines: found.slice(page * 50, page * 50 + 50),
        total: found.length,
        page,
        pages: Math.ceil(found.length / 50),
      }
    },
    'PUT /api/clients/c0/place': (c: { version: string | null }) => {
      if (c.version !== `"${version}"`) throw new Refusal(409, { code: 'stale', detail: 'Changed since.' })
      version++
      return { ...person(0), version }
    },
  })
  return { studio, user: show(<KitPage />).user }
}

describe('who trains where', () => {
  it('is turned page by page, and found by name once typing rests', async () => {
    const { studio, user } = open()
    expect(await screen.findByText('120 clients, page 1 of 3')).toBeTruthy()
    await user.click(screen.getByText('Next'))
    expect(await screen.findByText('Client 50')).toBeTruthy()
    await user.type(screen.getByLabelText('Find who trains where by name'), 'Client 11')
    expect(await screen.findByText('11 clients')).toBeTruthy()
    expect(screen.queryByText('Client 50')).toBeNull()
    const asked = studio.sent('GET', TRAINS).map((c) => `${c.query.get('find')} ${c.query.get('page')}`)
    expect(asked[asked.length - 1]).toBe('Client 11 0')
    expect(asked.length).toBeLessThan(3 + 'Client 11'.length)
  })

  it('is set twice in a row, each time on the version that the change before left', async () => {
    const { studio, user } = open()
    const where = await screen.findByLabelText('Where Client 0 trains')
    const sent = () => studio.sent('PUT', '/api/clients/c0/place').map((c) => c.version)
    await user.selectOptions(where, '')
    await user.selectOptions(where, '')
    await waitFor(() => expect(sent()).toEqual(['"1"', '"2"']))
    expect(screen.queryByText('Changed since.')).toBeNull()
  })
})
