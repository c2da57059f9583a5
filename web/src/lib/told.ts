import { useEffect, useRef, useState } from 'react'
import { ApiError } from './api'

/** Milliseconds until a request that found no connection is made again. */
const AGAIN = 4000

/**
 * What a request answered, for pages that stand alone. Another `key` asks anew, and an answer that comes
 * after that is left alone; without a connection it is asked again until there is one.
 */
export function useTold<D>(key: string, load: () => Promise<D>): { data?: D; error?: unknown } {
  const [state, setState] = useState<{ key: string; data?: D; error?: unknown }>({ key })
  const latest = useRef(load)
  useEffect(() => {
    latest.current = load
  })
  useEffect(() => {
    let on = true
    let again: ReturnType<typeof setTimeout> | undefined
    const ask = () => {
      latest.current().then(
        (data) => on && setState({ key, data }),
        (error: unknown) => {
          if (!on) return
          setState({ key, error })
          // a lost network is no answer: notes and caps come as soon as it is back
          if (error instanceof ApiError && error.problem.status === 0) again = setTimeout(ask, AGAIN)
        },
      )
    }
    ask()
    return () => {
      on = false
      clearTimeout(again)
    }
  }, [key])
  return state.key === key ? state : {}
}
