import Dexie, { liveQuery, type Table } from 'dexie'
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
}

/** Where a device keeps runs; every call may fail, where the device is full or keeps nothing. */
export interface RunStore {
  load(runId: string): Promise<{ run?: KeptRun; events: KeptEvent[] }>
  put(run: KeptRun | undefined, events: KeptEvent[]): Promise<void>
  remove(runId: string): Promise<void>
  /** Runs of which anything is kept. */
  kept(): Promise<string[]>
  /** Calls back with all events of a run whenever any tab has changed them; returns how to end it. */
  watch(runId: string, changed: (events: KeptEvent[]) => void): () => void
}

class RunDb extends Dexie {
  declare runs: Table<KeptRun, string>
  declare events: Table<KeptEvent, string>
  constructor(name: string) {
    super(name, { chromeTransactionDurability: 'strict' })
    this.version(1).stores({ runs: 'id', events: 'id, runId, state' })
  }
}

/** The store of this device, shared by all its tabs. */
export function deviceStore(name = 'riposo-runs'): RunStore {
  const db = new RunDb(name)
  return {
    async load(runId) {
      const [run, events] = await Promise.all([
        db.runs.get(runId),
        db.events.where('runId').equals(runId).toArray(),
      ])
      return { run, events }
    },
    async put(run, events) {
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
      await db.transaction('rw', db.runs, db.events, async () => {
        await db.events.where('runId').equals(runId).delete()
        await db.runs.delete(runId)
      })
    },
    async kept() {
      const [runs, events] = await Promise.all([
        db.runs.toCollection().primaryKeys(),
        db.events.orderBy('runId').uniqueKeys(),
      ])
      return [...new Set([...runs, ...(events as string[])])]
    },
    watch(runId, changed) {
      const s = liveQuery(() => db.events.where('runId').equals(runId).toArray()).subscribe({
        next: changed,
        error: () => {}, // a device that keeps nothing has nothing to tell
      })
      return () => s.unsubscribe()
    },
  }
}
