import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, it, vi } from 'vitest'
import type { S } from '../../lib/api'
import { MovementFind } from './MovementFind'
import '../../test/studio'

const of = (id: string, name: string, purpose = 'push') =>
  ({
    id,
    name,
    purpose,
    position: 'chair',
    family: id,
    familyName: name,
    demands: [],
    kit: [],
    words: [],
    familyWords: [],
    tasks: [],
    region: '',
  }) as unknown as S['MovementView']
const ALL = [
  of('wall-push', 'Wall press'),
  of('chair-push', 'Chair press'),
  of('row', 'Seated row', 'pull'),
  ...Array.from({ length: 9 }, (_, i) => of(`push-${i}`, `Press number ${i}`)),
]

function find() {
  const pick = vi.fn<(m: S['MovementView']) => void>()
  render(<MovementFind label="Add to work" movements={ALL} onPick={pick} />)
  return { pick, user: userEvent.setup(), box: screen.getByRole('combobox', { name: 'Add to work' }) }
}

describe('MovementFind', () => {
  it('takes the marked one with Enter and is empty for the next', async () => {
    const { pick, user, box } = find()
    await user.type(box, 'press')
    const marked = () => screen.getByRole('option', { selected: true }).textContent
    const first = marked()
    await user.keyboard('{ArrowDown}')
    expect(marked()).not.toBe(first)
    expect(box.getAttribute('aria-activedescendant')).toBe(screen.getByRole('option', { selected: true }).id)
    await user.keyboard('{ArrowUp}{ArrowUp}{Enter}')
    expect(first).toContain(pick.mock.calls[0]?.[0].name)
    expect(box).toHaveProperty('value', '')
  })

  it('never picks what is not shown', async () => {
    const { pick, user, box } = find()
    await user.type(box, 'zzz{Enter}')
    expect(pick).not.toHaveBeenCalled()
    expect(screen.getByText('No movement answers “zzz”.')).toBeTruthy()
  })

  it('says how many more there are', async () => {
    const { user, box } = find()
    await user.type(box, 'press')
    expect(screen.getAllByRole('option')).toHaveLength(8)
    expect(screen.getByText('3 more: type on')).toBeTruthy()
  })

  it('empties with Escape, then gives the keys back to the page', async () => {
    const { user, box } = find()
    await user.type(box, 'row{Escape}')
    expect(box).toHaveProperty('value', '')
    expect(document.activeElement).toBe(box)
    await user.keyboard('{Escape}')
    expect(document.activeElement).not.toBe(box)
  })
})
