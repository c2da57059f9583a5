import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { LOST, server, show } from '../../test/studio'
import { ScreeningPage } from './index'

const yesNo = (id: string, text: string, showIf?: string) =>
  ({ id, text, kind: 'YES_NO', group: 'General', options: [], showIf }) as unknown as S['Question']
const QUESTIONS = [
  yesNo('chest', 'Pressure in the chest?'),
  yesNo('joint', 'A joint that hurts?'),
  {
    ...yesNo('which', 'Which side?', 'joint'),
    kind: 'SIDE',
  },
  { ...yesNo('since', 'Since when?', 'joint'), kind: 'DATE' },
  {
    ...yesNo('falls', 'Falls last year?'),
    kind: 'CHOICE',
    options: [
      { value: 'none', words: 'none' },
      { value: 'one', words: 'one' },
      { value: 'more', words: 'two or more' },
    ],
  },
] as S['Question'][]

const CLIENT = { id: 'c1', name: 'Runa Swift' } as unknown as S['Client']

function ask(more: Record<string, object> = {}) {
  const studio = server({
    'GET /api/clients/c1/screenings': [],
    'GET /api/clients/c1/screening-draft': { answers: {} },
    'GET /api/screening/questions': QUESTIONS,
    'PUT /api/clients/c1/screening-draft': (c: { body: object }) => ({ ...c.body, version: 1 }),
    'POST /api/screening/preview': {
      standing: 'NOT_KNOWN',
      today: 'NOT_KNOWN',
      missing: ['chest'],
      findings: [],
      notes: [],
      errors: {},
    },
    ...more,
  })
  return { studio, ...show(<ScreeningPage />, { client: { client: CLIENT } }) }
}
const row = (text: string) => screen.getByRole('radiogroup', { name: text })
const answer = (text: string) => within(row(text)).queryByRole('radio', { checked: true })?.textContent
const focused = (text: string) => waitFor(() => expect(document.activeElement).toBe(row(text)))

describe('screening by keys', () => {
  it('swallows no key: each answer stands and the next question has the focus before the next key', async () => {
    const { user } = ask()
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    // all in one breath: the joint's own question comes up between two keys
    await user.keyboard('nyl')
    expect(answer('Pressure in the chest?')).toBe('no')
    expect(answer('A joint that hurts?')).toBe('yes')
    expect(answer('Which side?')).toBe('left')
    expect(document.activeElement?.getAttribute('type')).toBe('date')
  })

  it('types into a date what elsewhere would be an answer', async () => {
    const { user } = ask()
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    await user.keyboard('nyl')
    await user.keyboard('yu')
    expect(answer('Pressure in the chest?')).toBe('no')
    expect(answer('Which side?')).toBe('left')
    await user.keyboard('{Enter}')
    await focused('Falls last year?')
    await user.keyboard('3')
    expect(answer('Falls last year?')).toContain('two or more')
  })

  it('goes back with the arrow, and another answer takes the place of the first', async () => {
    const { user } = ask()
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    await user.keyboard('n{ArrowUp}u')
    expect(answer('Pressure in the chest?')).toBe('not sure')
  })

  it('never takes an answer back by a second tap on it', async () => {
    const { user } = ask()
    const yes = within(await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })).getByRole(
      'radio',
      {
        name: 'yes',
      },
    )
    await user.click(yes)
    await user.click(yes)
    expect(answer('Pressure in the chest?')).toBe('yes')
  })

  it('is one tab stop a question', async () => {
    const { user } = ask()
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    await user.tab()
    expect(document.activeElement).toBe(row('A joint that hurts?'))
  })

  it('says when the draft could not be kept, and keeps the answers', async () => {
    const { user } = ask({
      'PUT /api/clients/c1/screening-draft': () => {
        throw LOST
      },
    })
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    await user.keyboard('y')
    expect(await screen.findByText(/draft not kept/, undefined, { timeout: 3000 })).toBeTruthy()
    expect(answer('Pressure in the chest?')).toBe('yes')
  })

  it('asks on whose behalf another signs', async () => {
    const { user } = ask()
    await screen.findByRole('radiogroup', { name: 'Pressure in the chest?' })
    await focused('Pressure in the chest?')
    const name = screen.getByLabelText('Read to and agreed by, typed name')
    await user.type(name, 'runa  swift')
    expect(screen.queryByLabelText(/On behalf of/), 'the same name, typed otherwise').toBeNull()
    await user.clear(name)
    await user.type(name, 'Eva Swift')
    expect(screen.getByLabelText('On behalf of Runa Swift, as')).toBeTruthy()
  })
})
