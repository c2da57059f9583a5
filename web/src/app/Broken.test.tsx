import { render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Broken } from './Broken'
import '../test/studio'

function Part({ falls }: { falls: boolean }) {
  if (falls) throw new Error('a part that could not be loaded')
  return <p>all well</p>
}

// React says on the console what the test is about
beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}))
afterEach(() => vi.restoreAllMocks())

describe('Broken', () => {
  it('says so instead of a blank page, and tries anew in another place', () => {
    const { rerender } = render(
      <Broken at="/plans">
        <Part falls />
      </Broken>,
    )
    expect(screen.getByRole('alert').textContent).toContain('What was saved is safe.')
    expect(screen.getByRole('button', { name: 'Load the page again' })).toBeTruthy()
    rerender(
      <Broken at="/clients">
        <Part falls={false} />
      </Broken>,
    )
    expect(screen.queryByRole('alert')).toBeNull()
    expect(screen.getByText('all well')).toBeTruthy()
  })
})
