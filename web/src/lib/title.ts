import { useEffect, useSyncExternalStore } from 'react'

let own: readonly string[] = []
const listeners = new Set<() => void>()
const say = (next: readonly string[]) => {
  own = next
  listeners.forEach((l) => l())
}

/** Names what a page shows, for the tab of the browser: a client, a plan, a movement. The innermost counts. */
export function useTitle(words: string | undefined) {
  useEffect(() => {
    if (!words) return
    say([words, ...own])
    return () => {
      const at = own.indexOf(words)
      say(own.filter((_, i) => i !== at))
    }
  }, [words])
}

/** What the page that is open is about; undefined where it says nothing of its own. */
export const useOwnTitle = (): string | undefined =>
  useSyncExternalStore(
    (on) => {
      listeners.add(on)
      return () => listeners.delete(on)
    },
    () => own[0],
  )
