import { useCallback, useState } from 'react'

type Set<T> = (change: (was: T) => T) => void

function useKept<T>(storage: () => Storage, key: string, begin: T): [T, Set<T>] {
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = storage().getItem(key)
      return kept === null ? begin : (JSON.parse(kept) as T)
    } catch {
      return begin
    }
  })
  const set = useCallback(
    (change: (was: T) => T) =>
      setValue((was) => {
        const now = change(was)
        try {
          storage().setItem(key, JSON.stringify(now))
        } catch {
          // it stays as long as the page does
        }
        return now
      }),
    [key, storage],
  )
  return [value, set]
}

const tab = () => sessionStorage
const device = () => localStorage

/** State that outlives a reload of this tab, and nothing more; where the page may keep nothing, it does not. */
export const useTabState = <T>(key: string, begin: T) => useKept(tab, key, begin)

/** State that this device remembers; where the page may keep nothing, as long as the page is there. */
export const useDeviceState = <T>(key: string, begin: T) => useKept(device, key, begin)
