import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { foldClock, type RunEvent } from '../../lib/clock'
import { answered, batch, keep, load, made, merge, refusals, waiting, type Kept } from './log'

/** This device, known to the log by a number it made itself. */
let mine: string | undefined
function device(): string {
  mine ??= localStorage.getItem('riposo.device') ?? undefined
  if (!mine) {
    mine = crypto.randomUUID().slice(0, 8)
    keep('riposo.device', mine)
  }
  return mine
}

/**
 * The events of a run: written on the device first, in the same breath as they happen, then sent until
 * the server has answered each. Reload, a closed tab or a lost network loses nothing.
 */
export function useRunLog(runId: string) {
  const [kept, setKept] = useState<Kept>(() => load(localStorage.getItem('riposo.run.' + runId)))
  const [trouble, setTrouble] = useState<ApiError | null>(null)
  const [offline, setOffline] = useState(false)
  const [unkept, setUnkept] = useState(false)
  const cache = useQueryClient()
  const sending = useRef(false)
  const latest = useRef(kept)
  const store = useCallback(
    (next: Kept) => {
      latest.current = next
      setUnkept(!keep('riposo.run.' + runId, JSON.stringify(next)))
      setKept(next)
    },
    [runId],
  )
  const remote = useQuery({
    queryKey: ['run', runId],
    queryFn: () => api.get<S['Run']>(`/runs/${runId}`),
    retry: false,
  })
  const ended = useCallback(
    () =>
      ['STOPPED', 'FINISHED'].includes(
        foldClock(latest.current.run?.adapted.timeline.segments ?? [], latest.current.events, 0).status,
      ),
    [],
  )
  // another device may log, finish or stop the same run
  const others = useQuery({
    queryKey: ['run-events', runId],
    queryFn: () => api.get<RunEvent[]>(`/runs/${runId}/events`),
    retry: false,
    refetchInterval: () => (ended() ? 30_000 : 5_000),
  })
  useEffect(() => {
    if (remote.data) store(merge(latest.current, remote.data, []))
  }, [remote.data, store])
  useEffect(() => {
    if (!others.data) return
    const before = ended()
    store(merge(latest.current, undefined, others.data))
    if (!before && ended()) void cache.invalidateQueries({ queryKey: ['run', runId] })
  }, [others.data, store, ended, cache, runId])
  const send = useCallback(async () => {
    const events = batch(latest.current)
    if (sending.current || events.length === 0) return
    sending.current = true
    try {
      const done = await api.post<S['Kept']>(`/runs/${runId}/events`, { events })
      store(answered(latest.current, events, done.answers))
      setOffline(false)
      setTrouble(null)
      if (done.state.status === 'STOPPED' || done.state.status === 'FINISHED') void cache.invalidateQueries()
    } catch (e) {
      if (e instanceof ApiError && e.problem.status === 0) setOffline(true)
      else if (e instanceof ApiError) setTrouble(e)
    } finally {
      sending.current = false
    }
  }, [cache, runId, store])
  useEffect(() => {
    void send()
    const t = setInterval(() => void send(), 3000)
    return () => clearInterval(t)
  }, [send])
  const add = useCallback(
    (event: Omit<RunEvent, 'id' | 'at' | 'seq'>) => {
      const e = made(latest.current, event, crypto.randomUUID(), device(), Date.now())
      store({ ...latest.current, events: [...latest.current.events, e] })
      void send()
    },
    [send, store],
  )
  return {
    run: remote.data ?? kept.run,
    events: kept.events,
    waiting: waiting(kept).length,
    offline,
    unkept,
    trouble,
    refused: refusals(kept),
    error: kept.run ? null : remote.error,
    add,
  }
}
