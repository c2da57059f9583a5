import type { S } from '../../lib/api'
import { entryKey } from '../../lib/clock'
import { partOf } from '../../lib/run/moment'
import { gramsOf } from '../../lib/run/otherwise'
import type { Live } from './useLive'

export type Arm = 'LEFT' | 'RIGHT'
type Set = Pick<S['Segment'], 'slotKey' | 'round' | 'side'>

/** The set the log is about: the one that goes on, else the last one done. */
export function setToldOf(live: Live, arm: Arm) {
  const done = live.moment?.done
  if (!done) return undefined
  // a phrase names its sides part by part, and is told of each arm as a whole
  const sides = live.segments
    .filter((g) => g.kind === 'WORK' && g.slotKey === done.slotKey && g.round === done.round)
    .map((g) => g.side)
  // and so is what a group's clock has at once where this person's two sides do different things
  const apart = done.side === 'BOTH' && sidesOf(live, done).length > 1
  const phrase = apart || (['BOTH', 'LEFT', 'RIGHT'] as const).every((s) => sides.includes(s))
  return { slotKey: done.slotKey, round: done.round, side: phrase ? arm : done.side, phrase }
}

/** What is done on the left and on the right where that is not the same; empty where it is. */
export function sidesOf(live: Live, set: Set) {
  const slot = live.slot(set.slotKey)
  return (['LEFT', 'RIGHT'] as const).flatMap((side) => {
    const of = { ...set, side }
    const doing = live.doing(of)
    const part = partOf(slot, doing, side)
    return part?.side === side ? [{ side, part, doing }] : []
  })
}

/** The weight of the set after this one: taken as a change, so that every device knows of it. */
export function nextWeight(live: Live, set: Set | undefined) {
  if (!set) return {}
  const next = live.segments.find(
    (s) => s.kind === 'WORK' && s.slotKey === set.slotKey && s.round > set.round && s.side === set.side,
  )
  if (!next) return {}
  const now = live.told.sets.get(entryKey(set, live.person.clientId))?.doing ?? live.doing(set)
  const then = live.doing(next)
  const { slotKey, side } = set
  const change = { slotKey, round: next.round, side, option: then.option, onward: true }
  const slot = live.slot(slotKey)
  const before = gramsOf(partOf(slot, now, side), now)
  const after = gramsOf(partOf(slot, then, side), then)
  return {
    taken: then.option === now.option && after !== before ? after : undefined,
    onNext: (grams: number | undefined) => {
      const to = grams ?? before
      if (to !== undefined) live.change({ ...change, to: 'WEIGHT', grams: to })
    },
  }
}
