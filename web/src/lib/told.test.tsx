import { act, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError } from './api'
import { useTold } from './told'

const problem = (status: number) => new ApiError({ status, code: 'x', detail: 'x' })
const AGAIN = 4000

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))

describe('what a page that stands alone was told', () => {
  it('is asked for again while there is no connection, and comes with it', async () => {
    let cut = true
    const load = vi.fn(() => (cut ? Promise.reject(problem(0)) : Promise.resolve('notes')))
    const { result } = renderHook(() => useTold('c1', load))
    await pass(0)
    expect(result.current.error).toBeInstanceOf(ApiError)
    await pass(AGAIN)
    expect(load, 'asked again').toHaveBeenCalledTimes(2)
    cut = false
    await pass(AGAIN)
    expect(result.current).toMatchObject({ data: 'notes' })
    await pass(10 * AGAIN)
    expect(load, 'answered, it rests').toHaveBeenCalledTimes(3)
  })

  it('takes a refusal for the answer it is', async () => {
    const load = vi.fn(() => Promise.reject(problem(403)))
    const { result } = renderHook(() => useTold('c1', load))
    await pass(10 * AGAIN)
    expect(load).toHaveBeenCalledTimes(1)
    expect(result.current.error).toBeInstanceOf(ApiError)
  })

  it('never shows one client what another was told, however late the answer', async () => {
    const answers: Record<string, (v: string) => void> = {}
    const { result, rerender } = renderHook(
      ({ key }) => useTold(key, () => new Promise<string>((done) => (answers[key] = done))),
      { initialProps: { key: 'odile' } },
    )
    rerender({ key: 'thandi' })
    await act(async () => answers.odile?.('of odile'))
    expect(result.current.data, 'not the one asked about now').toBeUndefined()
    await act(async () => answers.thandi?.('of thandi'))
    expect(result.current.data).toBe('of thandi')
  })

  it('asks no more once the page is gone', async () => {
    const load = vi.fn(() => Promise.reject(problem(0)))
    const { unmount } = renderHook(() => useTold('c1', load))
    await pass(0)
    unmount()
    await pass(10 * AGAIN)
    expect(load).toHaveBeenCalledTimes(1)
  })
})
