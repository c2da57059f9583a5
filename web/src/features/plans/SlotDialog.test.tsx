import { screen } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { S } from '../../lib/api'
import { emptyBlock, type FormatInfo, type Slot } from './draft'
import { SlotDialog } from './SlotDialog'
import { show } from '../../test/studio'

const LUNGE = {
  id: 'side-lunge',
  name: 'Side lunge',
  purpose: 'split and step',
  position: 'standing',
  tempo: '2-0-2-0',
  effort: 4,
  kit: [],
  sides: ['IN_TURN', 'ONE_THEN_OTHER', 'BY_ROUND', 'ONE_ONLY'],
  hold: false,
  carries: [],
  load: 'own',
} as unknown as S['MovementView']
const SQUAT = { ...LUNGE, id: 'squat', name: 'Squat', sides: [] }
const INTERVALS = {
  id: 'INTERVALS',
  words: 'intervals, in order',
  params: [],
  ladder: false,
  phrase: false,
  pairs: false,
  counted: false,
  ownReps: false,
  effortRaise: 0,
} as FormatInfo
const SLOT: Slot = { key: 's1', movementId: 'side-lunge', stages: [], rounds: [] }

async function dialog(slot: Partial<Slot> = {}, faults: S['FaultView'][] = [], info = INTERVALS) {
  const onChange = vi.fn<(s: Slot) => void>()
  const { user } = show(
    <SlotDialog
      slot={{ ...SLOT, ...slot }}
      block={{ ...emptyBlock('work', 'WORK'), format: { kind: info.id, values: {}, ladder: [], phrase: [] } }}
      info={info}
      movements={[LUNGE, SQUAT]}
      faults={faults}
      onChange={onChange}
      onClose={() => {}}
    />,
  )
  await screen.findByRole('dialog')
  return { onChange, user }
}

describe('SlotDialog', () => {
  it('offers the ways the movement can be done, and names the one side', async () => {
    const { onChange, user } = await dialog()
    const sides = screen.getByLabelText('Sides')
    expect([...sides.querySelectorAll('option')].map((o) => o.textContent)).toEqual([
      'as the block has it',
      'in turn',
      'all of one side, then the other',
      'one side a round',
      'one side only (recorded)',
    ])
    await user.selectOptions(sides, 'ONE_ONLY')
    expect(onChange).toHaveBeenCalledExactlyOnceWith({ ...SLOT, sides: 'ONE_ONLY' })
  })

  it('asks no side of a movement that works both at once', async () => {
    await dialog({ movementId: 'squat' })
    expect(screen.queryByLabelText('Sides')).toBeNull()
    expect(screen.queryByLabelText('Side that begins')).toBeNull()
  })

  it('says at the field what cannot be, and still shows what was asked', async () => {
    await dialog({ movementId: 'squat', sides: 'IN_TURN', reps: 8 }, [
      { slotKey: 's1', field: 'sides', words: 'Squat works both sides at once.' },
      { slotKey: 's1', field: 'reps', words: 'The clock decides how many.' },
    ])
    expect(screen.getByLabelText('Sides').getAttribute('aria-invalid')).toBe('true')
    expect(screen.getByText('Squat works both sides at once.')).toBeTruthy()
    expect(screen.getByLabelText('Repetitions').getAttribute('aria-invalid')).toBe('true')
  })

  it('never drops stages a format cannot hold: it says so and takes them out when told to', async () => {
    const stage = {
      count: 4,
      range: 'FULL',
      kind: 'REPS',
      tempo: { lower: 2, holdLow: 0, lift: 2, holdHigh: 0 },
    } as const
    const { onChange, user } = await dialog({ stages: [stage, stage] }, [
      { slotKey: 's1', field: 'stages', words: 'Stages belong to a staged set.' },
    ])
    expect(screen.getByText('Stages belong to a staged set.')).toBeTruthy()
    expect(onChange).not.toHaveBeenCalled()
    await user.click(screen.getByRole('button', { name: 'Take the 2 stages out' }))
    expect(onChange).toHaveBeenCalledExactlyOnceWith({ ...SLOT, stages: [] })
  })
})
