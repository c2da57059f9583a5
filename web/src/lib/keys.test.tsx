import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useKeys, useKeysHere, type Key } from './keys'
import '../test/studio'

function Screen({ keys }: { keys: Key[] }) {
  useKeys(keys)
  return null
}
function Here() {
  return (
    <p data-testid="here">
      {useKeysHere()
        .map((k) => k.shown ?? k.press)
        .join(' ')}
    </p>
  )
}

const act = vi.fn<(what: string) => void>()
const does = (press: string, more: Partial<Key> = {}): Key => ({
  press,
  words: press,
  act: () => act(press),
  ...more,
})

beforeEach(() => act.mockReset())

describe('keys of the window', () => {
  it('lets "g p" go through whole although the screen has a p of its own', async () => {
    render(
      <>
        <Screen keys={[does('p')]} />
        <Screen keys={[does('g p')]} />
      </>,
    )
    await userEvent.keyboard('gp')
    expect(act).toHaveBeenCalledWith('g p')
  })

  it('leaves what is typed alone, but for keys that mean it', async () => {
    render(
      <>
        <Screen keys={[does('t'), does('Control+s', { typing: true })]} />
        <input aria-label="note" />
      </>,
    )
    await userEvent.type(screen.getByLabelText('note'), 'tt')
    expect(act).not.toHaveBeenCalled()
    await userEvent.keyboard('{Control>}s{/Control}')
    expect(act).toHaveBeenCalledExactlyOnceWith('Control+s')
  })

  it('does not swallow a key because a tick box was used last', async () => {
    render(
      <>
        <Screen keys={[does('t')]} />
        <input type="checkbox" aria-label="tick" />
      </>,
    )
    await userEvent.click(screen.getByLabelText('tick'))
    await userEvent.keyboard('t')
    expect(act).toHaveBeenCalledExactlyOnceWith('t')
  })

  it('finds signs typed with or without shift, as keyboards differ', async () => {
    render(<Screen keys={[does('[Shift]+?'), does('[Shift]+/')]} />)
    await userEvent.keyboard('?{Shift>}?{/Shift}/{Shift>}/{/Shift}')
    expect(act.mock.calls.flat()).toEqual(['[Shift]+?', '[Shift]+?', '[Shift]+/', '[Shift]+/'])
  })

  it('is still while a dialog is open, and where a control took the key', async () => {
    const { rerender } = render(
      <>
        <Screen keys={[does('ArrowRight')]} />
        <div role="dialog" />
      </>,
    )
    await userEvent.keyboard('{ArrowRight}')
    rerender(
      <>
        <Screen keys={[does('ArrowRight')]} />
        <button type="button" onKeyDown={(e) => e.preventDefault()}>
          scale
        </button>
      </>,
    )
    screen.getByRole('button').focus()
    await userEvent.keyboard('{ArrowRight}')
    expect(act).not.toHaveBeenCalled()
  })

  it('counts a key held down once', async () => {
    render(<Screen keys={[does('Space')]} />)
    await userEvent.keyboard('{ >5/}')
    expect(act).toHaveBeenCalledOnce()
  })

  it('lists the keys of the screen that is there, and forgets them with it', () => {
    const { rerender } = render(
      <>
        <Here />
        <Screen keys={[does('[Shift]+?', { shown: '?' }), does('j'), { press: 'x', act: () => {} }]} />
      </>,
    )
    expect(screen.getByTestId('here').textContent).toBe('? j')
    rerender(<Here />)
    expect(screen.getByTestId('here').textContent).toBe('')
  })
})
