import { QueryClientProvider, onlineManager, useMutation, useQuery } from '@tanstack/react-query'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError } from './api'
import { newClient, stale } from './client'

const problem = (status: number) => new ApiError({ status, code: 'x', detail: 'said so' })

function at<R>(hook: () => R) {
  const client = newClient()
  const { queries, ...rest } = client.getDefaultOptions()
  client.setDefaultOptions({ ...rest, queries: { ...queries, retry: false } })
  return {
    client,
    ...renderHook(hook, {
      wrapper: ({ children }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>,
    }),
  }
}

describe('without a connection', () => {
  beforeEach(() => onlineManager.setOnline(true))
  afterEach(() => {
    cleanup()
    onlineManager.setOnline(true)
  })

  it('a change fails at once and is not done later', async () => {
    const send = vi.fn(() => Promise.reject(problem(0)))
    const { result } = at(() => useMutation({ mutationFn: send }))
    onlineManager.setOnline(false)
    act(() => result.current.mutate())
    await waitFor(() => expect(result.current.error?.message).toBe('said so'))
    act(() => onlineManager.setOnline(true))
    expect(result.current.isPending).toBe(false)
    expect(send).toHaveBeenCalledOnce()
  })

  it('a page that was never shown says so, and comes when the connection does', async () => {
    const ask = vi.fn<() => Promise<string>>().mockRejectedValueOnce(problem(0))
    onlineManager.setOnline(false)
    const { result } = at(() => useQuery({ queryKey: ['k'], queryFn: ask }))
    await waitFor(() => expect(result.current.error?.message).toBe('said so'))
    ask.mockResolvedValue('there')
    act(() => onlineManager.setOnline(true))
    await waitFor(() => expect(result.current.data).toBe('there'))
  })

  it('what is shown stays, with since when, until the server answers again', async () => {
    const ask = vi.fn<() => Promise<string>>().mockResolvedValueOnce('shown')
    const { result, client } = at(() => useQuery({ queryKey: ['k'], queryFn: ask }))
    await waitFor(() => expect(result.current.data).toBe('shown'))
    expect(stale.since()).toBeUndefined()
    const seen = vi.fn()
    const forget = stale.subscribe(seen)
    ask.mockRejectedValueOnce(problem(0))
    await act(() => client.refetchQueries())
    expect(result.current.error).toBeNull()
    expect(result.current.data).toBe('shown')
    expect(stale.since()).toBeInstanceOf(Date)
    ask.mockResolvedValueOnce('newer')
    await act(() => client.refetchQueries())
    await waitFor(() => expect(result.current.data).toBe('newer'))
    expect(stale.since()).toBeUndefined()
    expect(seen).toHaveBeenCalledTimes(2)
    forget()
  })

  it('asks anew for all that is shown once the server answers again', async () => {
    const ask = vi.fn<() => Promise<string>>().mockResolvedValue('old')
    const { result, client } = at(() => ({
      a: useQuery({ queryKey: ['a'], queryFn: ask }),
      b: useQuery({ queryKey: ['b'], queryFn: () => Promise.resolve('b') }),
    }))
    await waitFor(() => expect(result.current.a.data).toBe('old'))
    ask.mockRejectedValueOnce(problem(0))
    await act(() => client.refetchQueries({ queryKey: ['a'] }))
    expect(stale.since()).toBeInstanceOf(Date)
    ask.mockResolvedValue('new')
    await act(() => client.refetchQueries({ queryKey: ['b'] }))
    await waitFor(() => expect(result.current.a.data).toBe('new'))
    expect(stale.since()).toBeUndefined()
  })

  it.each([
    ['a refusal of a refresh is an error', 404, 'shown'],
    ['what was never shown is an error', 0, undefined],
  ])('%s', async (_, status, first) => {
    const ask = vi.fn<() => Promise<string>>()
    if (first) ask.mockResolvedValueOnce(first)
    ask.mockRejectedValue(problem(status))
    const { result, client } = at(() => useQuery({ queryKey: ['k'], queryFn: ask }))
    await waitFor(() => expect(result.current.isFetching).toBe(false))
    await act(() => client.refetchQueries())
    await waitFor(() => expect(result.current.error?.message).toBe('said so'))
    expect(stale.since()).toBeUndefined()
  })
})
