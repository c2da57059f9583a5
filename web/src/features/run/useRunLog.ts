import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import type { RunEvent } from '../../lib/clock'

type Run = S['Run']
interface Kept {
  v: 1
  run?: Run
  events: RunEvent[]
  sent: string[]
}

function load(runId: string): Kept {
  try {
    const k = JSON.parse(localStorage.getItem('riposo.run.' + runId) ?? '') as Kept
    if (k.v === 1) return k
  } catch {
    // nothing kept, or from another version: start clean, the server has what was sent
  }
  return { v: 1, events: [], sent: [] }
}

/**
 * The events of a run: written on the device first, in the same breath as they happen, then sent until
 * the server has each. Reload, a closed tab or a lost network loses nothing.
 */
export function useRunLog(runId: string) {
  const [kept, setKept] = useState<Kept>(() => load(runId))
  const [refused, setRefused] = useState<ApiError | null>(null)
  const [offline, setOffline] = useState(false)
  const cache = useQueryClient()
  const sending = useRef(false)
  const latest = useRef(kept)
  const store = useCallback(
    (next: Kept) => {
      latest.current = next
      localStorage.setItem('riposo.run.' + runId, JSON.stringify(next))
      setKept(next)
    },
    [runId],
  )
  const remote = useQuery({
    queryKey: ['run', runId],
    queryFn: async () => ({
      run: await api.get<Run>(`/runs/${runId}`),
      events: await api.get<RunEvent[]>(`/runs/${runId}/events`),
    }),
    retry: false,
  })
  useEffect(() => {
    if (!remote.data) return
    const known = new Set(latest.current.events.map((e) => e.id))
    store({
      v: 1,
      run: remote.data.run,
      events: [...latest.current.events, ...remote.data.events.filter((e) => !known.has(e.id))],
      sent: [...new Set([...latest.current.sent, ...remote.data.events.map((e) => e.id)])],
    })
  }, [remote.data, store])
  const send = useCallback(async () => {
    const sent = new Set(latest.current.sent)
    const waiting = latest.current.events.filter((e) => !sent.has(e.id)).slice(0, 200)
    if (sending.current || waiting.length === 0) return
    sending.current = true
    try {
      const done = await api.post<S['Kept']>(`/runs/${runId}/events`, { events: waiting })
      store({ ...latest.current, sent: [...latest.current.sent, ...done.ids] })
      setOffline(false)
      setRefused(null)
      if (done.state.status === 'STOPPED' || done.state.status === 'FINISHED') void cache.invalidateQueries()
    } catch (e) {
      if (e instanceof ApiError && e.problem.status === 0) setOffline(true)
      else if (e instanceof ApiError) setRefused(e)
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
      const e = {
        ...event,
        id: crypto.randomUUID(),
        at: Date.now(),
        seq: latest.current.events.length,
      } as RunEvent
      store({ ...latest.current, events: [...latest.current.events, e] })
      void send()
    },
    [send, store],
  )
  return {
    run: remote.data?.run ?? kept.run,
    events: kept.events,
    waiting: kept.events.length - kept.sent.length,
    offline,
    refused,
    error: kept.run ? null : remote.error,
    add,
  }
}
