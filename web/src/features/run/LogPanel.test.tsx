import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { describe, expect, it, vi } from 'vitest'
import type { S } from '../../lib/api'
import type { Doing, Entry } from '../../lib/clock'
import { LogPanel } from './LogPanel'
import '../../test/studio'

const PERSON = {
  clientId: 'c1',
  effortCap: 6,
  slots: [
    {
      key: 's1',
      block: 'WORK',
      stages: [],
      parts: [{ side: 'BOTH', title: 'Seated row', dose: { reps: 10, grams: 2000, hands: 2 } }],
    },
  ],
} as unknown as S['RunPersonView']
const SEGMENT = {
  slotKey: 's1',
  round: 2,
  side: 'BOTH',
  kind: 'WORK',
  block: 'WORK',
} as unknown as S['Segment']

function panel(known?: Partial<Entry>) {
  const add = vi.fn<(e: Entry) => void>()
  render(<LogPanel person={PERSON} segment={SEGMENT} known={known as Entry | undefined} add={add} />)
  return { add, user: userEvent.setup() }
}

describe('LogPanel', () => {
  it('is one tab stop a scale: arrows move and log nothing, Enter logs', async () => {
    const { add, user } = panel()
    await user.tab()
    expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'effort 0' }))
    await user.keyboard('{ArrowRight}{ArrowRight}{ArrowRight}{ArrowRight}')
    expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'effort 4' }))
    expect(add, 'moving is not a record').not.toHaveBeenCalled()
    await user.keyboard('{Enter}')
    expect(add).toHaveBeenCalledExactlyOnceWith({ slotKey: 's1', round: 2, side: 'BOTH', effort: 4 })
    await user.tab()
    expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'pain 0' }))
  })

  it('says at once when the effort is over the limit', () => {
    panel({ effort: 8 })
    expect(screen.getByRole('alert').textContent).toContain('Over the limit of 6')
  })

  it('takes an effort at the limit without a word', () => {
    panel({ effort: 6 })
    expect(screen.queryByRole('alert')).toBeNull()
  })

  describe('the weight', () => {
    const kit = (more: object = {}) =>
      ({
        ...PERSON,
        slots: [
          {
            ...PERSON.slots[0],
            parts: [
              {
                side: 'BOTH',
                title: 'Seated row',
                dose: { reps: 10, grams: 2000, hands: 2 },
                weights: [0, 1000, 2000, 5000],
                ...more,
              },
            ],
          },
        ],
      }) as unknown as S['RunPersonView']
    const held = (person: S['RunPersonView'], known?: Partial<Entry>, doing?: Doing) => {
      const add = vi.fn<(e: Entry) => void>()
      render(<LogPanel person={person} segment={SEGMENT} known={known as Entry} doing={doing} add={add} />)
      return { add, user: userEvent.setup() }
    }

    it('goes by the steps of the kit, above the dose as well: the truth first', async () => {
      const { add, user } = held(kit())
      await user.click(screen.getByRole('button', { name: 'kg each hand up' }))
      expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ grams: 5000 }))
      await user.click(screen.getByRole('button', { name: 'kg each hand down' }))
      expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ grams: 1000 }))
    })

    it('is kept and said where it was over a limit', () => {
      held(kit({ capLeft: 2000, capRight: 3000 }), { grams: 5000 })
      expect(screen.getByRole('alert').textContent).toContain('5 kg is over the limit of 2 kg: kept')
    })

    it('is told hand by hand where the hands hold different ones', async () => {
      const { add, user } = held(
        kit({
          capLeft: 1000,
          dose: { reps: 10, grams: 2000, hands: 2, held: { left: 1000, right: 2000, way: 'EACH_HAND' } },
        }),
      )
      expect(screen.queryByRole('alert'), 'each under its own limit').toBeNull()
      await user.click(screen.getByRole('button', { name: 'kg right hand up' }))
      expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ left: 1000, right: 5000 }))
    })

    it('is the one taken for the set where one was', () => {
      held(kit(), undefined, { left: false, hurt: false, grams: 1000 })
      expect(screen.getByRole('button', { name: 'kg each hand 1' })).toBeTruthy()
    })

    it.each(['1000', '-1', 'two'])('typed as %s is not kept, and why', async (typed) => {
      const { add, user } = held(kit())
      await user.click(screen.getByRole('button', { name: 'other kg' }))
      await user.type(screen.getByRole('textbox'), `${typed}{Enter}`)
      expect(screen.getByRole('alert').textContent).toContain('0 to 100')
      expect(add).not.toHaveBeenCalled()
    })

    it('became lighter in the set in one tap: two parts, together the whole', async () => {
      const { add, user } = held(kit())
      await user.click(screen.getByRole('button', { name: 'went lighter: 1 kg' }))
      expect(add).toHaveBeenCalledExactlyOnceWith({
        slotKey: 's1',
        round: 2,
        side: 'BOTH',
        parts: [
          { reps: 5, grams: 2000 },
          { reps: 5, grams: 1000 },
        ],
      })
    })

    it('of a run kept of before is none or the one planned', async () => {
      const { add, user } = panel()
      expect(screen.getByRole('button', { name: 'kg each hand up' })).toHaveProperty('disabled', true)
      await user.click(screen.getByRole('button', { name: 'kg each hand down' }))
      expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ grams: 0 }))
    })
  })

  it('asks effort, breath and talk in a rest; in work it can be asked all the same', async () => {
    const user = userEvent.setup()
    const capped = { ...PERSON, breathlessCap: 4 } as S['RunPersonView']
    render(<LogPanel person={capped} segment={SEGMENT} working add={() => {}} />)
    for (const name of ['effort 5', 'breathlessness 3', 'whole sentences'])
      expect(screen.queryByRole('radio', { name })).toBeNull()
    expect(screen.getByRole('radio', { name: 'pain 0' })).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'ask the effort now' }))
    expect(screen.getByRole('radio', { name: 'breathlessness 3' })).toBeTruthy()
  })

  it('says at once when breath is over the limit, and asks it only of whom it limits', () => {
    const add = vi.fn()
    const capped = { ...PERSON, breathlessCap: 4 } as S['RunPersonView']
    render(<LogPanel person={capped} segment={SEGMENT} known={{ breathless: 5 } as Entry} add={add} />)
    expect(screen.getByRole('alert').textContent).toContain('Over the limit of 4')
    cleanup()
    panel()
    expect(screen.queryByRole('radio', { name: 'breathlessness 3' })).toBeNull()
  })

  it('tells which fault once form was lost, and what was held on to', async () => {
    const add = vi.fn<(e: Entry) => void>()
    const user = userEvent.setup()
    const part = {
      ...PERSON.slots[0]?.parts[0],
      faults: ['back rounds'],
      modifiers: ['SLOWER'],
      support: [{ modifier: 'HOLD_SUPPORT', words: 'hand on support' }],
    }
    const who = { ...PERSON, slots: [{ ...PERSON.slots[0], parts: [part] }] } as unknown as S['RunPersonView']
    const known = { formLost: true } as Entry
    render(<LogPanel person={who} segment={SEGMENT} known={known} add={add} />)
    await user.click(screen.getByRole('radio', { name: 'back rounds' }))
    expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ fault: 'back rounds' }))
    await user.click(screen.getByRole('button', { name: 'used: hand on support' }))
    expect(add).toHaveBeenLastCalledWith(expect.objectContaining({ support: ['SLOWER', 'HOLD_SUPPORT'] }))
  })

  describe('while a weight is found', () => {
    const finding = {
      easy: 3,
      hard: 8,
      sets: 2,
      steps: [
        { grams: 1000, up: 2000, down: 0 },
        { grams: 2000, down: 1000 },
        { grams: 0, up: 1000 },
      ],
    }
    const who = {
      ...PERSON,
      slots: [
        {
          ...PERSON.slots[0],
          parts: [{ side: 'BOTH', title: 'Seated row', dose: { reps: 10, grams: 1000, hands: 2 }, finding }],
        },
      ],
    } as unknown as S['RunPersonView']
    const set = (round: number, known: Partial<Entry>, taken?: number) => {
      const add = vi.fn<(e: Entry) => void>()
      const onNext = vi.fn<(grams: number | undefined) => void>()
      render(
        <LogPanel
          person={who}
          segment={{ ...SEGMENT, round }}
          known={known as Entry}
          taken={taken}
          onNext={onNext}
          add={add}
        />,
      )
      return { add, onNext, user: userEvent.setup() }
    }

    it.each([
      [1, 3, '2 kg next set', 2000],
      [2, 0, '2 kg next set', 2000],
      [1, 8, 'no weight next set', 0],
    ])(
      'offers after set %i at effort %i: %s, and takes nothing by itself',
      async (round, effort, words, grams) => {
        const { add, onNext, user } = set(round, { effort })
        expect(onNext).not.toHaveBeenCalled()
        await user.click(screen.getByRole('button', { name: words }))
        expect(onNext).toHaveBeenCalledExactlyOnceWith(grams)
        expect(add, 'no set is made up').not.toHaveBeenCalled()
      },
    )

    it.each([
      [1, 5],
      [1, 7],
      [3, 2],
    ])('offers nothing after set %i at effort %i', (round, effort) => {
      set(round, { effort })
      expect(screen.queryByRole('button', { name: /next set/ })).toBeNull()
    })

    it('goes back to the weight begun with when the step up was too hard', async () => {
      const hard = set(2, { effort: 9, grams: 2000 })
      await hard.user.click(screen.getByRole('button', { name: '1 kg next set' }))
      expect(hard.onNext).toHaveBeenCalledExactlyOnceWith(1000)
    })

    it.each([
      ['where the second step up passes a cap', 2, { effort: 2, grams: 2000 }],
      ['from a weight that was set by hand on the way', 1, { effort: 2, grams: 1500 }],
      ['more after a set that hurt', 1, { effort: 2, pain: 1 }],
      ['more after a set that lost its form', 1, { effort: 2, formLost: true }],
    ])('offers nothing %s', (_, round, known) => {
      set(round, known)
      expect(screen.queryByRole('button', { name: /next set/ })).toBeNull()
    })

    it('shows what was taken, and one more tap takes it back', async () => {
      const { onNext, user } = set(1, { effort: 2 }, 2000)
      const button = screen.getByRole('button', { name: '2 kg next set ✓' })
      expect(button.getAttribute('aria-pressed')).toBe('true')
      await user.click(button)
      expect(onNext).toHaveBeenCalledExactlyOnceWith(undefined)
    })

    it.each([
      ['too hard after all', 'radio', 'effort 9'],
      ['it hurt', 'radio', 'pain 3'],
      ['form lost', 'button', 'form lost'],
      ['done with less', 'button', 'kg each hand down'],
    ])(
      'lets go of the heavier weight that was taken where the set is told otherwise: %s',
      async (_, role, tap) => {
        const { onNext, add, user } = set(1, { effort: 2 }, 2000)
        await user.click(screen.getByRole(role, { name: tap }))
        expect(onNext).toHaveBeenCalledExactlyOnceWith(undefined)
        expect(add).toHaveBeenCalledOnce()
      },
    )
  })

  it('asks where only when there is pain, and logs the side with the place', async () => {
    const none = panel({ pain: 0 })
    expect(screen.queryByRole('radio', { name: 'knee' })).toBeNull()
    expect(none.add).not.toHaveBeenCalled()
    const { add, user } = panel({ pain: 3 })
    await user.click(screen.getByRole('radio', { name: 'left' }))
    await user.click(screen.getByRole('radio', { name: 'knee' }))
    expect(add).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ painWhere: 'left knee' }))
  })

  it('logs nothing where there is no set yet', () => {
    render(<LogPanel person={PERSON} add={() => {}} />)
    expect(screen.getByText(/once the work block begins/)).toBeTruthy()
    expect(screen.queryByRole('radio')).toBeNull()
  })

  it('is told of each arm of a phrase on its own', async () => {
    const choose = vi.fn()
    const add = vi.fn<(e: Entry) => void>()
    render(
      <LogPanel
        person={PERSON}
        segment={{ ...SEGMENT, side: 'RIGHT' }}
        arm={{ side: 'RIGHT', choose }}
        add={add}
      />,
    )
    const user = userEvent.setup()
    expect(screen.getByRole('radio', { name: 'right' }).getAttribute('aria-checked')).toBe('true')
    await user.click(screen.getByRole('radio', { name: 'left' }))
    expect(choose).toHaveBeenCalledExactlyOnceWith('LEFT')
    await user.click(screen.getByRole('radio', { name: 'effort 5' }))
    expect(add).toHaveBeenCalledExactlyOnceWith({ slotKey: 's1', round: 2, side: 'RIGHT', effort: 5 })
  })
})
