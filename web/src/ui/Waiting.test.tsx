import {
  keepPreviousData,
  QueryClient,
  QueryClientProvider,
  useMutation,
  useQuery,
} from '@tanstack/react-query'
import { act, cleanup, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { Pages } from './Pages'
import { QUICK_MS, Waiting } from './Waiting'

beforeEach(() => vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

function Work({ takes, says }: { takes: number; says?: string }) {
  const work = useMutation({
    mutationFn: () => new Promise((done) => setTimeout(done, takes)),
    ...(says && { meta: { says } }),
  })
  return <button onClick={() => work.mutate()}>go {takes}</button>
}

const show = (...works: [number, string?][]) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      {works.map(([takes, says]) => (
        <Work key={takes} takes={takes} says={says} />
      ))}
      <Waiting />
    </QueryClientProvider>,
  )

const press = (takes: number) => act(() => screen.getByText(`go ${takes}`).click())
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))
const told = () => screen.getByRole('status', { name: 'What is being done' }).textContent

it('says nothing of what is done in a moment', async () => {
  show([QUICK_MS - 100])
  press(QUICK_MS - 100)
  await pass(QUICK_MS - 50)
  await pass(1000)
  expect(told()).toBe('')
})

it('says what takes longer, until it is done', async () => {
  show([2000, 'Erasing …'], [3000])
  press(2000)
  await pass(QUICK_MS - 1)
  expect(told()).toBe('')
  await pass(2)
  expect(told()).toBe('Erasing …')
  press(3000)
  await pass(10)
  expect(told()).toBe('Erasing … Saving …')
  await pass(2000)
  expect(told()).toBe('Saving …')
  await pass(2000)
  expect(told()).toBe('')
})

function Read({ page }: { page: number }) {
  const read = useQuery({
    queryKey: [page],
    queryFn: () => new Promise<string>((done) => setTimeout(() => done(`page ${page}`), 1000)),
    placeholderData: keepPreviousData,
  })
  return <p>{read.data ?? 'nothing yet'}</p>
}

it('says that it loads while it shows what came before, and leaves a first loading to the page', async () => {
  const cache = new QueryClient()
  const at = (page: number) => (
    <QueryClientProvider client={cache}>
      <Read page={page} />
      <Waiting />
    </QueryClientProvider>
  )
  const { rerender } = render(at(0))
  await pass(QUICK_MS + 100)
  expect(told()).toBe('')
  await pass(1000)
  rerender(at(1))
  await pass(QUICK_MS - 1)
  expect(told()).toBe('')
  await pass(2)
  expect(screen.getByText('page 0')).toBeTruthy()
  expect(told()).toBe('Loading …')
  await pass(1000)
  expect(screen.getByText('page 1')).toBeTruthy()
  expect(told()).toBe('')
})

it('turns pages no further than there are any', () => {
  const go = vi.fn()
  const { rerender } = render(
    <Pages label="Pages" page={0} pages={3} go={go}>
      120 entries
    </Pages>,
  )
  expect(screen.getByRole('status').textContent).toBe('120 entries, page 1 of 3')
  expect(screen.getByText('Previous')).toHaveProperty('disabled', true)
  screen.getByText('Next').click()
  expect(go).toHaveBeenCalledWith(1)
  rerender(
    <Pages label="Pages" page={2} pages={3} go={go}>
      120 entries
    </Pages>,
  )
  expect(screen.getByText('Next')).toHaveProperty('disabled', true)
  rerender(
    <Pages label="Pages" page={0} pages={1} go={go}>
      3 entries
    </Pages>,
  )
  expect(screen.queryByText('Next')).toBeNull()
  expect(screen.getByRole('status').textContent).toBe('3 entries')
  rerender(
    <Pages newest label="Pages" page={1} pages={3} go={go}>
      120 entries
    </Pages>,
  )
  screen.getByText('Newer').click()
  expect(go).toHaveBeenLastCalledWith(0)
  screen.getByText('Older').click()
  expect(go).toHaveBeenLastCalledWith(2)
})
