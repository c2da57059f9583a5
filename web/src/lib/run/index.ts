import { http, told } from '../api'
import { RunLog, type RunNet } from './log'
import { deviceStore, type RunStore } from './store'

export type { Happening, RunLogState } from './log'
export { RunLog }

const net: RunNet = {
  run: (id) => told(http.GET('/api/runs/{id}', { params: { path: { id } } })),
  time: async () => (await told(http.GET('/api/time'))).now,
  events: (id) => told(http.GET('/api/runs/{id}/events', { params: { path: { id } } })),
  send: (id, events, clock) =>
    told(http.POST('/api/runs/{id}/events', { params: { path: { id } }, body: { events, clock } })),
}

const OLDER = 'riposo.run.'
const older = {
  read: (runId: string) => local((s) => s.getItem(OLDER + runId)),
  drop: (runId: string) => void local((s) => s.removeItem(OLDER + runId)),
}

/** Local storage may be closed to the page: then there is nothing in it. */
function local<T>(ask: (s: Storage) => T): T | null {
  try {
    return ask(localStorage)
  } catch {
    return null
  }
}

let mine: string | undefined
/** This device, known to the log by a number it made itself. */
function device(): string {
  mine ??= local((s) => s.getItem('riposo.device')) ?? undefined
  if (!mine) {
    const made = crypto.randomUUID().slice(0, 8)
    mine = made
    local((s) => s.setItem('riposo.device', made))
  }
  return mine
}

let store: RunStore | undefined
const shared = () => (store ??= deviceStore())

/** The log of a run on this device. */
export function runLog(runId: string): RunLog {
  return new RunLog(runId, { store: shared(), net, device, older })
}

/**
 * Sends what any run on this device still has to send, also what an older version kept, and lets go of
 * what is closed and delivered.
 */
export async function deliverAll(): Promise<void> {
  const left = local((s) => Object.keys(s).filter((k) => k.startsWith(OLDER))) ?? []
  const kept = await shared()
    .kept()
    .catch(() => [])
  for (const id of new Set([...kept, ...left.map((k) => k.slice(OLDER.length))])) {
    const log = runLog(id)
    await log.open()
    await log.send()
    log.close()
  }
}
