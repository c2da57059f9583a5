import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { server, show } from '../../test/studio'
import { Proposed } from './Proposed'

const P: S['ProposedView'] = {
  verdictId: 'v1',
  version: 2,
  says: 'STEP_UP',
  sentence: '12 reps for 10 asked twice. Proposes 2.1 kg.',
  waits: true,
  open: true,
}
const PATH = '/api/verdicts/v1/decision'
const proposed = (more: Partial<S['ProposedView']> = {}, current = true) => {
  const api = server({ [`POST ${PATH}`]: {} })
  const { user } = show(<Proposed p={{ ...P, ...more }} current={current} />, {
    client: { client: { id: 'c1' } as S['Client'] },
  })
  return { api, user }
}

describe('Proposed', () => {
  it('says what is proposed with its sentence, and accepts it at the version seen', async () => {
    const { api, user } = proposed()
    expect(screen.getByText('to decide: step up')).toBeTruthy()
    expect(screen.getByText(/Proposes 2.1 kg/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Accept' }))
    await waitFor(() => expect(api.sent('POST', PATH)).toHaveLength(1))
    expect(api.sent('POST', PATH)[0]).toMatchObject({ body: { verdict: 'STEP_UP' }, version: '"2"' })
  })

  it.each([
    ['what cannot be accepted as it is', { open: false }, true, true],
    ['what was decided', { waits: false, open: false }, true, false],
    ['a row that is not the one looked at', {}, false, false],
  ])('offers no Accept for %s', (_, more, current, otherwise) => {
    proposed(more, current)
    expect(screen.queryByRole('button', { name: 'Accept' })).toBeNull()
    expect(screen.queryByRole('link', { name: 'decide otherwise' }) !== null).toBe(otherwise)
  })
})
