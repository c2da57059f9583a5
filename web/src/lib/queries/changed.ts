import type { QueryClient } from '@tanstack/react-query'

/**
 * What a change reaches, in one place. Everything that says what a client may do today hangs on the
 * client, so it is always asked anew; too much asked anew is slow, too little is wrong.
 */
const REACH = {
  /** limits, screening, record, papers, today's check, verdicts, runs of one client */
  client: (id: string) => [
    ['client', id],
    ['clients'],
    ['day'],
    ['groups'],
    ['movements'],
    ['outbox'],
    ['audit'],
  ],
  /** a plan: whoever is given it is adapted anew */
  plan: () => [['plans'], ['client'], ['day'], ['groups']],
  /** kit in a room, or a movement of the studio: it decides what can be offered to anybody */
  kit: () => [['rooms'], ['clients'], ['client'], ['day'], ['groups'], ['plans']],
  movement: () => [['movements'], ['plans'], ['client'], ['day'], ['groups']],
  group: () => [['groups'], ['day'], ['client']],
  /** a session put on the sheet or taken off it */
  session: () => [['day'], ['client'], ['clients']],
  run: (runId: string) => [['runs', runId], ['client'], ['clients'], ['day'], ['groups'], ['outbox']],
  /** unit, zone and with them which day it is */
  studio: () => [['me'], ['settings'], ['day'], ['client'], ['groups']],
}

/** Asks anew for all that a change of this kind reaches; resolves when what is on screen is fresh. */
export function changed<K extends keyof typeof REACH>(
  cache: QueryClient,
  kind: K,
  ...of: Parameters<(typeof REACH)[K]>
): Promise<unknown> {
  const reach = (REACH[kind] as (...of: unknown[]) => unknown[][])(...of)
  return Promise.all(reach.map((queryKey) => cache.invalidateQueries({ queryKey })))
}
