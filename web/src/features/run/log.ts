import type { S } from '../../lib/api'
import type { RunEvent } from '../../lib/clock'

/** What a device keeps of a run. */
export interface Kept {
  v: 2
  run?: S['Run']
  events: RunEvent[]
  /** ids the server has */
  sent: string[]
  /** ids the server will never take, with why */
  refused: Record<string, string>
}

const EMPTY: Kept = { v: 2, events: [], sent: [], refused: {} }
const AT_ONCE = 200

/** What was kept, of this version or the one before; nothing kept or not readable starts clean. */
export function load(text: string | null): Kept {
  try {
    const k = JSON.parse(text ?? '') as { v?: number } & Omit<Kept, 'v' | 'refused'>
    if (k.v === 1) return { ...EMPTY, run: k.run, events: k.events, sent: k.sent }
    if (k.v === 2) return k as Kept
  } catch {
    // the server has what was sent
  }
  return EMPTY
}

/** Writes on the device; false where it is full or writes nothing: then memory and the server hold it. */
export function keep(key: string, value: string): boolean {
  try {
    localStorage.setItem(key, value)
    return true
  } catch {
    return false
  }
}

/** Events still to be sent, in the order they happened. */
export function waiting(k: Kept): RunEvent[] {
  const sent = new Set(k.sent)
  return k.events.filter((e) => !sent.has(e.id) && !(e.id in k.refused))
}

/** What goes with the next sending: every stop first, so that it never waits behind the rest. */
export function batch(k: Kept): RunEvent[] {
  const all = waiting(k)
  return [...all.filter((e) => e.kind === 'STOP'), ...all.filter((e) => e.kind !== 'STOP')].slice(0, AT_ONCE)
}

/** The kept after a sending was answered event by event; a refused one never holds back the next. */
export function answered(k: Kept, sent: RunEvent[], answers: S['Answered'][]): Kept {
  const taken: string[] = []
  const refused = { ...k.refused }
  for (const a of answers) {
    const e = sent[a.index]
    if (!e) continue
    if (a.reply === 'REFUSED' && e.kind !== 'STOP') refused[e.id] = a.why ?? 'Not taken.'
    else if (a.reply !== 'REFUSED') taken.push(e.id)
  }
  return { ...k, sent: [...k.sent, ...taken], refused }
}

/** The kept joined with what the server has, of this device and of others. */
export function merge(k: Kept, run: S['Run'] | undefined, events: RunEvent[]): Kept {
  const known = new Set(k.events.map((e) => e.id))
  return {
    ...k,
    run: run ?? k.run,
    events: [...k.events, ...events.filter((e) => !known.has(e.id))],
    sent: [...new Set([...k.sent, ...events.map((e) => e.id)])],
  }
}

/** A new event of this device: never before the last one, even where the clock was set back. */
export function made(
  k: Kept,
  event: Omit<RunEvent, 'id' | 'at' | 'seq'>,
  id: string,
  device: string,
  now: number,
): RunEvent {
  const last = Math.max(...k.events.filter((e) => e.device === device).map((e) => e.at), 0)
  return { ...event, id, device, at: Math.max(now, last), seq: k.events.length } as RunEvent
}

/** The refused, each with its sentence. */
export function refusals(k: Kept): { event: RunEvent; why: string }[] {
  return k.events.flatMap((event) => {
    const why = k.refused[event.id]
    return why ? [{ event, why }] : []
  })
}
