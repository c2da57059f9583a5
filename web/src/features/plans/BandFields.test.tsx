import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, it } from 'vitest'
import type { Slot } from './draft'
import { BandFields } from './BandFields'
import { useState } from 'react'
import '../../test/studio'

function fields(band?: Slot['band']) {
  let now = band
  function Held() {
    const [b, setB] = useState(band)
    return (
      <BandFields
        slot={{ key: 's1', movementId: 'seated-band-curl', stages: [], rounds: [], band: b }}
        onChange={(x) => {
          now = x
          setB(x)
        }}
      />
    )
  }
  render(<Held />)
  return { user: userEvent.setup(), now: () => now }
}

describe('BandFields', () => {
  it('asks for the whole of it before anything is sent', async () => {
    const { user, now } = fields()
    await user.selectOptions(screen.getByLabelText('The band'), 'under both feet')
    await user.type(screen.getByLabelText('Pull wanted, kg'), '2,5')
    await user.type(screen.getByLabelText('Reach, cm'), '100')
    expect(now()).toBeUndefined()
    expect(screen.getByText('Pull, reach and stance are wanted too.')).toBeTruthy()
    await user.type(screen.getByLabelText('Between the feet, cm'), '40')
    expect(now()).toEqual({ hold: 'TWO_FEET', grams: 2500, reachCm: 100, stanceCm: 40 })
    expect(screen.queryByText('Pull, reach and stance are wanted too.')).toBeNull()
  })

  it('has no stance under one foot, and goes with its hold', async () => {
    const { user, now } = fields({ hold: 'TWO_FEET', grams: 2000, reachCm: 90, stanceCm: 40 })
    await user.selectOptions(screen.getByLabelText('The band'), 'under one foot')
    expect(screen.queryByLabelText('Between the feet, cm')).toBeNull()
    expect(now()).toEqual({ hold: 'ONE_FOOT', grams: 2000, reachCm: 90, stanceCm: undefined })
    await user.selectOptions(screen.getByLabelText('The band'), 'as it is held usually')
    expect(now()).toBeUndefined()
  })
})
