import { screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, it } from 'vitest'
import { Refusal, server, show, type Call } from '../../test/studio'
import { AfterPage } from './AfterPage'

const person = (clientId: string, called: string, more: object = {}) => ({
  clientId,
  name: `${called} Test`,
  called,
  before: { cautions: [], reasons: [] },
  slots: [],
  signs: [],
  ...more,
})
const run = (more: object = {}) => ({
  id: 'r1',
  planName: 'Plan',
  date: '2026-11-27',
  minutes: 24,
  leftOpen: false,
  timeline: { segments: [], total: 0 },
  state: {
    status: 'FINISHED',
    entries: [{ person: 'c1', entry: {} }],
    away: [{ person: 'c2', why: 'HAD_TO_GO', words: 'had to go' }],
  },
  stops: [{ id: 's', person: 'c3', words: 'Seizure', time: '10:20' }],
  symptoms: [],
  after: [
    { symptom: 'NONE', words: 'none', advice: '' },
    { symptom: 'WOOZY', words: 'woozy, light-headed', advice: 'They stay until it has gone.' },
  ],
  group: { id: 'g1', name: 'Steady Tuesday', lanes: [] },
  people: [
    person('c1', 'Ada'),
    person('c2', 'Bo'),
    person('c3', 'Cy', { effortAfter: 4, feel: 'GOOD', symptom: 'NONE' }),
  ],
  ...more,
})
const row = (called: string) => {
  const found = document.querySelector<HTMLElement>(`[data-after="${called}"]`)
  if (!found) throw new Error(`no row of ${called}`)
  return within(found)
}

function open(after: (c: Call) => unknown = () => run()) {
  const studio = server({
    'GET /api/runs/r1': run(),
    'GET /api/runs/r1/check-in-links': [{ checkInId: 'k3', second: false, clientId: 'c3', link: 'x' }],
    'POST /api/runs/r1/after': after,
  })
  const page = show(
    <Routes>
      <Route path="after/:runId" element={<AfterPage />} />
    </Routes>,
    { at: '/after/r1' },
  )
  return { ...page, studio }
}

describe('the words after a group', () => {
  it('has everybody in one page, who did not finish and why, and keeps only what is whole', async () => {
    const { user, studio } = open()
    await screen.findByText('After: Steady Tuesday')
    expect(row('Bo').getByText('did not finish, left: had to go')).toBeTruthy()
    expect(row('Cy').getByText('did not finish, stopped: Seizure')).toBeTruthy()
    expect(row('Cy').getByText(/Effort 4, good/)).toBeTruthy()
    expect(await row('Cy').findByText(/Check-in planned/)).toBeTruthy()
    expect(screen.getByRole('button', { name: /Keep 0 of 2/ })).toHaveProperty('disabled', true)
    await user.click(row('Ada').getByRole('radio', { name: 'Ada effort 5' }))
    await user.click(row('Ada').getByRole('radio', { name: 'good' }))
    expect(screen.getByText('still wanted: Ada (symptom)')).toBeTruthy()
    await user.click(row('Ada').getByRole('radio', { name: 'woozy, light-headed' }))
    expect(row('Ada').getByText('They stay until it has gone.')).toBeTruthy()
    await user.type(row('Ada').getByLabelText('note on Ada'), 'sat down after')
    await user.click(screen.getByRole('button', { name: /Keep 1 of 2/ }))
    await waitFor(() => expect(studio.sent('POST', '/api/runs/r1/after')).toHaveLength(1))
    expect(studio.sent('POST', '/api/runs/r1/after')[0]?.body).toEqual({
      clientId: 'c1',
      effort: 5,
      feel: 'GOOD',
      symptom: 'WOOZY',
      note: 'sat down after',
    })
  })

  it('keeps the others where one is refused, and says it at that row', async () => {
    const { user, studio } = open((c) => {
      if (c.body.clientId === 'c1')
        throw new Refusal(409, { code: 'already-closed', detail: 'The words are on file already.' })
      return run()
    })
    await screen.findByText('After: Steady Tuesday')
    for (const called of ['Ada', 'Bo']) {
      await user.click(row(called).getByRole('radio', { name: `${called} effort 5` }))
      await user.click(row(called).getByRole('radio', { name: 'good' }))
      await user.click(row(called).getByRole('radio', { name: 'none' }))
    }
    await user.click(screen.getByRole('button', { name: /Keep all 2/ }))
    expect(await row('Ada').findByText('The words are on file already.')).toBeTruthy()
    expect(studio.sent('POST', '/api/runs/r1/after')).toHaveLength(2)
    expect(row('Bo').queryByRole('alert')).toBeNull()
  })
})
