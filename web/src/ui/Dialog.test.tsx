import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { flushSync } from 'react-dom'
import { describe, expect, it } from 'vitest'
import { Dialog } from './Dialog'
import { Field } from './Field'
import '../test/studio'

function Page({ free }: { free?: boolean }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        Add
      </button>
      <Dialog open={open} onOpenChange={setOpen} title="Add a limit" free={free}>
        <label>
          Source <input autoFocus />
        </label>
        <button type="button" onClick={() => setOpen(false)}>
          Keep it
        </button>
      </Dialog>
    </>
  )
}
const opened = async (free?: boolean) => {
  render(<Page free={free} />)
  const user = userEvent.setup()
  await user.click(screen.getByRole('button', { name: 'Add' }))
  await screen.findByRole('dialog')
  return user
}
const gone = () => waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())

describe('Dialog', () => {
  it('leaves on Escape when nothing was typed, and gives the focus back', async () => {
    const user = await opened()
    await user.keyboard('{Escape}')
    await gone()
    await waitFor(() => expect(document.activeElement?.textContent).toBe('Add'))
  })

  it('asks before it lets go of what was typed', async () => {
    const user = await opened()
    await user.type(screen.getByLabelText('Source'), 'physio')
    await user.keyboard('{Escape}')
    expect(await screen.findByText('What you typed here is not kept yet.')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Go on here' }))
    expect(screen.getByLabelText('Source')).toHaveProperty('value', 'physio')
    await user.click(screen.getByRole('button', { name: 'Close' }))
    await user.click(await screen.findByRole('button', { name: 'Leave without it' }))
    await gone()
  })

  it('does not ask after it was kept, nor where everything is kept as it is typed', async () => {
    const user = await opened()
    await user.type(screen.getByLabelText('Source'), 'physio')
    await user.click(screen.getByRole('button', { name: 'Keep it' }))
    await gone()
    document.body.replaceChildren()
    const other = await opened(true)
    await other.type(screen.getByLabelText('Source'), 'x')
    await other.keyboard('{Escape}')
    await gone()
  })
})

describe('Field', () => {
  it('keeps the first key typed into what was refused', async () => {
    function Page() {
      const [text, setText] = useState('')
      return (
        <Field label="Reason" error="Say why.">
          {(p) => <input {...p} value={text} onChange={(e) => setText(e.target.value)} />}
        </Field>
      )
    }
    render(<Page />)
    const input = screen.getByLabelText('Reason')
    // as a browser does it: whatever is to be shown is shown between one listener and the next
    input.addEventListener('input', () => flushSync(() => {}), { capture: true })
    document.body.addEventListener('input', () => flushSync(() => {}), { capture: true, once: true })
    await userEvent.type(input, 'pain')
    expect(input).toHaveProperty('value', 'pain')
  })

  it('lets go of a sentence once it is corrected, and says it again when it is refused again', async () => {
    const user = userEvent.setup()
    render(
      <form onSubmit={(e) => e.preventDefault()}>
        <Field label="Date" error="Say when.">
          {(p) => <input {...p} />}
        </Field>
        <button type="submit">Save</button>
      </form>,
    )
    const input = screen.getByLabelText('Date')
    expect(input.getAttribute('aria-invalid')).toBe('true')
    await user.type(input, '2')
    expect(screen.queryByText('Say when.')).toBeNull()
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(screen.getByText('Say when.')).toBeTruthy()
  })
})
