import { useEffect, useState } from 'react'

type Extras = typeof import('./extras')
let here: Extras | undefined

/**
 * What a run does not need to be started, logged and stopped: it comes right after. Undefined until then;
 * asked for again when a connection comes back.
 */
export function useExtras(): Extras | undefined {
  const [extras, setExtras] = useState(here)
  useEffect(() => {
    if (extras) return
    let over = false
    const ask = () => {
      import('./extras').then(
        (x) => {
          here = x
          if (!over) setExtras(x)
        },
        () => {}, // near goes on without it
      )
    }
    ask()
    window.addEventListener('online', ask)
    return () => {
      over = true
      window.removeEventListener('online', ask)
    }
  }, [extras])
  return extras
}
