import { useCallback, useState } from 'react'

/** State that outlives a reload of this tab, and nothing more; where the page may keep nothing, it does not. */
export function useTabState<T>(key: string, begin: T): [T, (change: (was: T) => T) => void] {
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = sessionStorage.getItem(key)
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
          sessionStorage.setItem(key, JSON.stringify(now))
        } catch {
          // it stays as long as the page does
        }
        return now
      }),
    [key],
  )
  return [value, set]
}
