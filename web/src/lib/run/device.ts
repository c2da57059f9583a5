import { foldClock } from '../clock'
import { deviceStore, type Kept, type RunStore } from './store'

/** A run this device can open without a network. */
export interface OnDevice {
  id: string
  /** "Steady Tuesday", or whose it is */
  name: string
  planName: string
  date: string
  status: 'READY' | 'RUNNING' | 'PAUSED' | 'STOPPED' | 'FINISHED'
  /** events not delivered yet */
  waiting: number
}

const FIGURES = 'riposo-figures'
const DAY = 86_400_000

/** The device's own day, as a date is written: what is not of it goes once it is delivered. */
const dayOf = (now: Date) =>
  [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((n) => String(n).padStart(2, '0')).join('-')

const waitingOf = (k: Kept) => k.events.filter((e) => e.state === 'WAITING').length

/** Every run of which this device keeps enough to open it, those that wait first. */
export async function onDevice(store: RunStore = deviceStore()): Promise<OnDevice[]> {
  const all = await store.all()
  return all
    .flatMap((k): OnDevice[] => {
      const run = k.run?.run
      if (!run) return []
      const people = run.people.map((p) => p.clientId)
      const events = k.events.map((e) => e.event)
      return [
        {
          id: k.id,
          name: run.group?.name ?? run.people.map((p) => p.name).join(', '),
          planName: run.planName,
          date: run.date,
          status: foldClock(run.timeline.segments, people, events, Date.now()).status,
          waiting: waitingOf(k),
        },
      ]
    })
    .sort((a, b) => b.waiting - a.waiting || b.date.localeCompare(a.date) || a.name.localeCompare(b.name))
}

/** A run that may still go on, begun today or over midnight; one older was left open. */
const goesOn = (k: Kept, now: Date) => {
  const run = k.run?.run
  if (!run || Date.parse(run.date) < now.getTime() - 2 * DAY) return false
  const people = run.people.map((p) => p.clientId)
  const { status } = foldClock(
    run.timeline.segments,
    people,
    k.events.map((e) => e.event),
    now.getTime(),
  )
  return status !== 'FINISHED' && status !== 'STOPPED'
}

/**
 * Lets go of what is delivered: of runs of other days that are over, or of all of them when somebody signs
 * out. What the server has not answered yet stays whatever happens. Returns how many events still wait.
 */
export async function letGo(
  { everything, now = new Date() }: { everything: boolean; now?: Date },
  store: RunStore = deviceStore(),
): Promise<number> {
  let left = 0
  for (const k of await store.all()) {
    const waiting = waitingOf(k)
    left += waiting
    const stays = !everything && (k.run?.run?.date === dayOf(now) || goesOn(k, now))
    if (waiting === 0 && !stays) await store.remove(k.id)
  }
  if (everything && typeof caches !== 'undefined') await caches.delete(FIGURES).catch(() => false)
  return left
}
