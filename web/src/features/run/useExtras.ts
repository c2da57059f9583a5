import { useEffect, useState } from 'react'

/** A part of a page that is loaded after it; kept once it is here. */
interface Later<M> {
  load: () => Promise<M>
  here?: M
}

/** The part, undefined until it is here and while it is not wanted; asked for again with a connection. */
function useLater<M>(part: Later<M>, wanted: boolean): M | undefined {
  const [here, setHere] = useState(() => part.here)
  useEffect(() => {
    if (here || !wanted) return
    let over = false
    const ask = () => {
      part.load().then(
        (m) => {
          part.here = m
          if (!over) setHere(m)
        },
        () => {}, // the page goes on without it
      )
    }
    ask()
    window.addEventListener('online', ask)
    return () => {
      over = true
      window.removeEventListener('online', ask)
    }
  }, [here, wanted, part])
  return here
}

const EXTRAS: Later<typeof import('./extras')> = { load: () => import('./extras') }
const GROUP: Later<typeof import('./group')> = { load: () => import('./group') }

/** What a run does not need to be started, logged and stopped: it comes right after. */
export const useExtras = () => useLater(EXTRAS, true)

/** What a group's run needs beside. */
export const useGroup = (wanted: boolean) => useLater(GROUP, wanted)
