import { useEffect, useLayoutEffect, useRef, useSyncExternalStore } from 'react'
import { tinykeys } from 'tinykeys'

/** A key of a screen: what is pressed, what it does in words, and the doing where the window listens for it. */
export interface Key {
  /** as the key library writes it: `t`, `g d`, `[Shift]+?`, `([1-9])` */
  press: string
  /** how it is written for people, where that differs */
  shown?: string
  words?: string
  act?: (e: KeyboardEvent) => void
  /** also while something is typed */
  typing?: boolean
}

const TEXT = 'textarea, select, [contenteditable], input:not([type=checkbox], [type=radio], [type=button])'

/** True while the person types into something. */
export const typing = (e: KeyboardEvent): boolean => e.target instanceof Element && e.target.matches(TEXT)

let here: readonly Key[] = []
const listeners = new Set<() => void>()
const subscribe = (on: () => void) => {
  listeners.add(on)
  return () => listeners.delete(on)
}
const say = (next: readonly Key[]) => {
  here = next
  listeners.forEach((l) => l())
}

/** Presses one of us has taken: "g p" is whole although another screen's p took its second half. */
const ours = new WeakSet<Event>()

/** The keys that work on this screen now, for whoever asks. */
export const useKeysHere = () => useSyncExternalStore(subscribe, () => here)

/**
 * Listens for keys on the whole window, as long as the screen is there. A key is left alone while
 * something is typed, while a dialog is open, when it is held down, and when a control has taken it.
 */
export function useKeys(keys: Key[]) {
  const latest = useRef(keys)
  useLayoutEffect(() => {
    latest.current = keys
  })
  const presses = JSON.stringify(keys.map((k) => [k.press, k.words, k.shown]))
  useEffect(() => {
    const mine = latest.current
    say([...here, ...mine.filter((k) => k.words)])
    const map = Object.fromEntries(
      mine
        .filter((k) => k.act)
        .map(({ press }) => [
          press,
          (e: KeyboardEvent) => {
            const key = latest.current.find((k) => k.press === press)
            if (!key?.act || (typing(e) && !key.typing)) return
            ours.add(e)
            e.preventDefault()
            key.act(e)
          },
        ]),
    )
    const end = tinykeys(window, map, {
      timeout: 2500,
      ignore: (e) =>
        e.isComposing ||
        e.repeat ||
        (e.defaultPrevented && !ours.has(e)) ||
        document.querySelector('[role=dialog]') !== null,
    })
    return () => {
      end()
      say(here.filter((k) => !mine.includes(k)))
    }
  }, [presses])
}
