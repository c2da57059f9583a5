import { useEffect, useRef } from 'react'
import type { Segment } from '../../lib/clock'
import { beat, cueBetween, say, sound, type Heard } from '../../lib/run/sound'

const MINUTE = 60_000

/** What is heard as the clock goes: tones, the name and side of what comes, the plan's beat in work. */
export function useHeard(
  heard: Heard,
  running: boolean,
  segments: Segment[],
  index: number,
  left: number,
  words: string,
  perMinute: number | undefined,
) {
  const last = useRef({ index, left })
  useEffect(() => {
    const before = last.current
    last.current = { index, left }
    const cue = running ? cueBetween(segments, before, { index, left }) : undefined
    if (cue && heard.tones) sound(cue)
    // said when something begins, a rest as well: then it is what comes
    if (heard.voice && words && (cue === 'start' || cue === 'end' || cue === 'side')) say(words)
  }, [heard, running, segments, index, left, words])
  const working = running && segments[index]?.kind === 'WORK'
  useEffect(() => {
    if (!heard.beat || !perMinute || !working) return
    const t = setInterval(beat, MINUTE / perMinute)
    return () => clearInterval(t)
  }, [heard.beat, perMinute, working])
}

/** The screen stays awake as long as a run goes, also after the tab was away. */
export function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return
    let lock: WakeLockSentinel | undefined
    let over = false
    const ask = () => {
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (over) void l.release()
          else lock = l
        },
        () => {}, // low battery: the device decides
      )
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [on])
}
