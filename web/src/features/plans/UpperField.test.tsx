import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import type { Slot } from './draft'
import { UpperField } from './UpperField'
import '../../test/studio'

const MOVEMENTS = [
  {
    id: 'chair-dip-one-leg',
    name: 'Chair dip, one leg out',
    words: [],
    familyWords: [],
    tasks: [],
    kit: [],
    demands: [],
    purpose: 'elbow straighten',
    familyName: 'Elbow straighten',
    region: 'arms',
    position: 'chair',
    difficulty: 54,
  } as unknown as S['MovementView'],
]

function field(upper?: Slot['upper'], error?: string) {
  let now = upper
  function Held() {
    const [u, setU] = useState(upper)
    return (
      <UpperField
        slot={{ key: 's1', movementId: 'chair-dip', stages: [], rounds: [], upper: u }}
        movements={MOVEMENTS}
        error={error}
        onChange={(x) => {
          now = x
          setU(x)
        }}
      />
    )
  }
  render(<Held />)
  return { user: userEvent.setup(), now: () => now }
}
const kind = () => screen.getByLabelText('Above it, for who can')

describe('UpperField', () => {
  it('takes one of the three kinds at a time, and none', async () => {
    const { user, now } = field()
    await user.selectOptions(kind(), 'another movement')
    expect(now()).toBeUndefined()
    await user.type(screen.getByRole('combobox', { name: 'The movement above this one' }), 'one leg{Enter}')
    expect(now()).toEqual({ movementId: 'chair-dip-one-leg' })
    expect(screen.getByText('Chair dip, one leg out')).toBeTruthy()
    await user.selectOptions(kind(), 'the same with a weight')
    await user.type(screen.getByLabelText('The weight above it'), '2.5')
    expect(now()).toEqual({ grams: 2500 })
    await user.selectOptions(kind(), 'the same, slower')
    expect(now()).toEqual({ slower: true })
    await user.selectOptions(kind(), 'nothing named')
    expect(now()).toBeUndefined()
  })

  it('says what is wrong at the field', () => {
    field({ movementId: 'gone' }, 'The upper option is no longer in the catalogue: name another.')
    expect(screen.getByText('gone (gone)')).toBeTruthy()
    expect(screen.getByText(/no longer in the catalogue/)).toBeTruthy()
  })
})
