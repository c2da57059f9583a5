import { useEffect, useRef, useState } from 'react'
import { typing, useKeys } from '../../lib/keys'
import type { Live } from './useLive'

/** The stop panel: opening it pauses the clock, and closed without a sign it leaves it as it was. */
export function useStopping({ add, moment }: Pick<Live, 'add' | 'moment'>) {
  const [open, setOpen] = useState(false)
  const paused = useRef(false)
  const shut = () => {
    setOpen(false)
    paused.current = false
  }
  return {
    open,
    show: () => {
      paused.current = moment?.clock.status === 'RUNNING'
      if (paused.current) add({ kind: 'PAUSE' })
      setOpen(true)
    },
    close: () => {
      if (paused.current) add({ kind: 'RESUME' })
      shut()
    },
    /** a sign was confirmed: the clock stands */
    recorded: shut,
  }
}

/** The keys of the clock, with those of the page; none but the stop sign once it is over. */
export function useClockKeys(live: Live, stop: () => void, more: Parameters<typeof useKeys>[0]) {
  useKeys([
    // a sign can be seen after the end as well
    { press: '[Shift]+s', shown: 's', words: 'stop sign', act: stop },
    ...(live.ended
      ? []
      : [
          // space is the pause, even when a chip was tapped last; Enter presses the chip
          { press: 'Space', shown: 'space', words: 'start, pause, go on', act: live.toggle },
          { press: 'ArrowLeft', shown: '←', words: 'back', act: live.back },
          { press: 'ArrowRight', shown: '→', words: 'skip', act: live.skip },
          { press: '[Shift]+r', shown: 'r', words: '15 s more rest', act: live.rest },
          ...more,
        ]),
  ])
  useEffect(() => {
    const up = (e: KeyboardEvent) => {
      if (e.key === ' ' && !typing(e) && !document.querySelector('[role=dialog]')) e.preventDefault()
    }
    window.addEventListener('keyup', up)
    return () => window.removeEventListener('keyup', up)
  }, [])
}
