import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { useTabState } from './tab'

afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
  sessionStorage.clear()
})

const state = (key = 'k') => renderHook(() => useTabState<Record<string, number>>(key, {}))

describe('state of a tab', () => {
  it('is there again after a reload, for its own key alone', () => {
    const before = state()
    act(() => before.result.current[1]((was) => ({ ...was, a: 2 })))
    act(() => before.result.current[1]((was) => ({ ...was, b: 3 })))
    before.unmount()
    expect(state().result.current[0]).toEqual({ a: 2, b: 3 })
    expect(state('other').result.current[0]).toEqual({})
  })

  it('begins anew where what was kept cannot be read', () => {
    sessionStorage.setItem('k', '{"a":')
    expect(state().result.current[0]).toEqual({})
  })

  it('goes on where the page may keep nothing', () => {
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full')
    })
    const s = state()
    act(() => s.result.current[1](() => ({ a: 1 })))
    expect(s.result.current[0]).toEqual({ a: 1 })
  })
})
