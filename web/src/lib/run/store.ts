import type { Table } from 'dexie'
import type { S } from '../api'
import type { RunEvent } from '../clock'

/** An event as a device keeps it: until the server has answered it, and as long as its run is open. */
export interface KeptEvent {
  id: string
  runId: string
  event: RunEvent
  state: 'WAITING' | 'SENT' | 'REFUSED'
  /** the sentence of a refusal */
  why?: string
}

/** What a device keeps of a run beside its events. */
export interface KeptRun {
  id: string
  run?: S['RunView']
  /** milliseconds the server's clock is ahead of this device's, where the server has said so */
  offset: number
  /** the offset is the server's own word; left out by older versions */
  aligned?: boolean
}

/** All that a device keeps of one run. */
export interface Kept {
  id: string
  run?: KeptRun
  events: KeptEvent[]
}

/** Where a device keeps runs; every call may fail, where the device is full or keeps nothing. */
export interface RunStore {
  load(runId: string): Promise<{ run?: KeptRun; events: KeptEvent[] }>
  put(run: KeptRun | undefined, events: KeptEvent[]): Promise<void>
  /** Lets go of a run, unless something of it waits: false where it does, and then all of it stays. */
  remove(runId: string): Promise<boolean>
  /** Runs of which anything is kept. */
  kept(): Promise<string[]>
  /** All that is kept. */
  all(): Promise<Kept[]>
  /** Calls back with all events of a run whenever any tab has changed them; returns how to end it. */
  watch(runId: string, changed: (events: KeptEvent[]) => void): () => void
}

/** The database of the device; its library comes while the run is being asked for. */
async function open(name: string) {
  const { Dexie, liveQuery } = await import('dexie')
  class RunDb extends Dexie {
    declare runs: Table<KeptRun, string>
    declare events: Table<KeptEvent, string>
    constructor() {
      super(name, { chromeTransactionDurability: 'strict' })
      this.version(1).stores({ runs: 'id', events: 'id, runId, state' })
    }
  }
  return { db: new RunDb(), liveQuery }
}

/** The store of this device, shared by all its tabs. */
export function deviceStore(name = 'riposo-runs'): RunStore {
  let opened: ReturnType<typeof open> | undefined
  const device = () =>
    (opened ??= open(name).catch((e: unknown) => {
      // the next use tries again
      opened = undefined
      throw e
    }))
  return {
    async load(runId) {
      const { db } = await device()
      const [run, events] = await Promise.all([
        db.runs.get(runId),
        db.events.where('runId').equals(runId).toArray(),
      ])
      return { run, events }
    },
    async put(run, events) {
      const { db } = await device()
      await db.transaction('rw', db.runs, db.events, async () => {
        if (run) await db.runs.put(run)
        for (const e of events) {
          const before = await db.events.get(e.id)
          // another tab may be ahead: what was answered never waits again
          if (!before || before.state === 'WAITING' || e.state !== 'WAITING') await db.events.put(e)
        }
      })
    },
    async remove(runId) {
      const { db } = await device()
      // looked at and deleted in one: another tab may tell something meanwhile
      return db.transaction('rw', db.runs, db.events, async () => {
        const all = db.events.where('runId').equals(runId)
        if ((await all.filter((e) => e.state === 'WAITING').count()) > 0) return false
        await db.events.where('runId').equals(runId).delete()
        await db.runs.delete(runId)
        return true
      })
    },
    async kept() {
      const { db } = await device()
      const [runs, events] = await Promise.all([
        db.runs.toCollection().primaryKeys(),
        db.events.orderBy('runId').uniqueKeys(),
      ])
      return [...new Set([...runs, ...(events as string[])])]
    },
    async all() {
      const { db } = await device()
      const [runs, events] = await Promise.all([db.runs.toArray(), db.events.toArray()])
      const ids = new Set([...runs.map((r) => r.id), ...events.map((e) => e.runId)])
      return [...ids].map((id) => ({
        id,
        run: runs.find((r) => r.id === id),
        events: events.filter((e) => e.runId === id),
      }))
    },
    watch(runId, changed) {
      let over = false
      let end = () => {}
      const look = async () => {
        const { db, liveQuery } = await device()
        if (over) return
        const s = liveQuery(() => db.events.where('runId').equals(runId).toArray()).subscribe({
          next: changed,
          error: () => {}, // a device that keeps nothing has nothing to tell
        })
        end = () => s.unsubscribe()
      }
      look().catch(() => {})
      return () => {
        over = true
        end()
      }
    },
  }
}
