import { useEffect, useRef, useState } from 'react'

/**
 * What a request answered, for pages that stand alone and ask once. Another `key` asks anew, and an
 * answer that comes after that is left alone.
 */
export function useTold<D>(key: string, load: () => Promise<D>): { data?: D; error?: unknown } {
  const [state, setState] = useState<{ key: string; data?: D; error?: unknown }>({ key })
  const latest = useRef(load)
  useEffect(() => {
    latest.current = load
  })
  useEffect(() => {
    let on = true
    latest.current().then(
      (data) => on && setState({ key, data }),
      (error: unknown) => on && setState({ key, error }),
    )
    return () => {
      on = false
    }
  }, [key])
  return state.key === key ? state : {}
}
