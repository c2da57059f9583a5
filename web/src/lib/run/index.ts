import { http, told } from '../api'
import { RunLog, type RunNet } from './log'
import { figureOf } from '../figure'
import { letGo } from './device'
import type { RunLogState } from './log'
import { deviceStore, type RunStore } from './store'

export type { Happening, RunLogState } from './log'
export { RunLog }
export { onDevice, type OnDevice } from './device'

const net: RunNet = {
  run: (id) => told(http.GET('/api/runs/{id}', { params: { path: { id } } })),
  time: async () => (await told(http.GET('/api/time'))).now,
  events: (id) => told(http.GET('/api/runs/{id}/events', { params: { path: { id } } })),
  send: (id, events, clock) =>
    told(http.POST('/api/runs/{id}/events', { params: { path: { id } }, body: { events, clock } })),
}

const WHOLE = 100
const PHASES = ['START', 'END', 'BOTH'] as const

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
  await letGo({ everything: false }, shared()).catch(() => 0)
}

/** Delivers what it can, then lets go of all that is delivered; how many events still wait. */
export async function leave(): Promise<number> {
  await deliverAll().catch(() => {})
  return letGo({ everything: true }, shared()).catch(() => 0)
}

/** Makes these runs ready to be opened without a network; those that could not be are left out. */
export async function makeReady(runIds: string[]): Promise<string[]> {
  const ready: string[] = []
  for (const id of runIds) {
    const log = runLog(id)
    await log.open()
    const { run, unkept } = log.snapshot()
    log.close()
    if (!run || unkept) continue
    ready.push(id)
    await draw(run)
  }
  return ready
}

/** What a run shows is asked for once, so that its drawings are here without a network too. */
export async function draw(run: NonNullable<RunLogState['run']>) {
  const asked = new Set<string>()
  const add = (movementId: string | undefined, modifiers: string[] = [], range = WHOLE) => {
    if (movementId)
      for (const phase of PHASES) asked.add(figureOf(movementId, { modifiers, range, phase, night: true }))
  }
  for (const p of run.people)
    for (const s of p.slots) for (const part of s.parts) add(part.movementId, part.modifiers, part.range)
  for (const l of run.group?.lanes ?? []) for (const s of l.shown) add(s.movementId)
  await Promise.all([...asked].map((url) => fetch(url).catch(() => undefined)))
}
