import type { S } from '../api'
import type { Change, Doing, Segment } from '../clock'
import { partOf } from './moment'
import { leastOf, lighterThan, optionsOf, type Option } from './otherwise'

/** What would make a slot gentler for the sets to come: its first easier option, else the next lighter weight. */
export function gentler(
  slot: S['RunSlotView'] | undefined,
  doing: Doing,
  side: string,
): Pick<Change, 'to' | 'option' | 'grams'> | undefined {
  if (!slot || doing.left) return undefined
  const [next] = optionsOf(slot, doing).EASIER
  if (next) return { to: 'OPTION', option: next.id }
  const own = (slot.options as Option[] | undefined)?.find((o) => o.id === doing.option)?.parts ?? slot.parts
  const part = partOf(slot, doing, side)
  const held = (side === 'BOTH' ? own : [part]).flatMap((p) => leastOf(p, doing) ?? [])
  const less = held.length === 0 ? undefined : lighterThan(part, Math.min(...held))
  return less === undefined ? undefined : { to: 'WEIGHT', option: doing.option, grams: less }
}

/** Changes that make all that is left of the work gentler, one for each slot that can be. */
export function easeTheRest(
  person: S['RunPersonView'],
  segments: Segment[],
  index: number,
  doing: (slotKey: string, round: number, side: string) => Doing,
): Change[] {
  const left = segments.slice(index).filter((s) => s.kind === 'WORK' && s.block === 'WORK')
  return [...new Set(left.map((s) => s.slotKey))].flatMap((slotKey) => {
    const first = left.find((s) => s.slotKey === slotKey)
    if (!first) return []
    const slot = person.slots.find((s) => s.key === slotKey)
    const how = gentler(slot, doing(slotKey, first.round, first.side), 'BOTH')
    return how ? [{ slotKey, round: first.round, side: 'BOTH' as const, onward: true, ...how }] : []
  })
}
