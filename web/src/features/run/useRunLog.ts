import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { runLog, type Happening } from '../../lib/run'

/** The log of a run, bound to the page: sent every 3 s, others' events asked for every 5 s. */
export function useRunLog(runId: string, onEnd: () => void) {
  const [log] = useState(() => runLog(runId))
  const state = useSyncExternalStore(log.subscribe, log.snapshot)
  const end = useRef(onEnd)
  useEffect(() => {
    end.current = onEnd
  })
  useEffect(() => {
    let beat = 0
    void log.open().then(() => log.send())
    const t = setInterval(() => {
      beat++
      if (beat % 3 === 0) void log.send()
      // another device may log, finish or stop the same run
      if (beat % (log.ended() ? 30 : 5) === 0) log.others().catch(() => {})
    }, 1000)
    return () => {
      clearInterval(t)
      log.close()
    }
  }, [log])
  const ended = state.waiting === 0 && log.ended()
  useEffect(() => {
    // what follows from the end is on the server: signs to withdraw, verdicts, the day sheet
    if (ended) void log.refresh().then(() => end.current())
  }, [ended, log])
  const add = useCallback((h: Happening) => void log.add(h), [log])
  const refresh = useCallback(() => log.refresh(), [log])
  const latest = useCallback(() => log.snapshot().events, [log])
  return { ...state, latest, now: useCallback(() => log.now(), [log]), add, refresh }
}
