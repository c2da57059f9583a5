import type { S } from '../api'
import { foldClock, msLeft, segmentAt, type Clock, type Doing, type RunEvent, type Segment } from '../clock'

/** Where a run stands at one moment, in the words of its timeline. */
export interface Moment {
  clock: Clock
  index: number
  segment: Segment
  leftMs: number
  /** the work going on, or the next to come; undefined once there is none */
  shown?: Segment
  /** the work after that */
  then?: Segment
  /** the rest between the two, in seconds */
  restBefore: number
  /** the work a rest looks back on, or that goes on; undefined before the first */
  done?: Segment
}

const works = (s: Segment) => s.kind === 'WORK'

/** The moment of a run; undefined where its timeline is empty. */
export const momentOf = (timeline: S['Timeline'], people: string[], events: RunEvent[], now: number) =>
  momentAt(timeline, foldClock(timeline.segments, people, events, now))

/** The same where the clock is known already. */
export function momentAt({ segments }: S['Timeline'], clock: Clock): Moment | undefined {
  const index = segmentAt(segments, clock.positionMs)
  const segment = segments[index]
  if (!segment) return undefined
  const next = segments.slice(index + 1).find(works)
  const shown = works(segment) ? segment : next
  const then = works(segment) ? next : next && segments.slice(segments.indexOf(next) + 1).find(works)
  const from = shown ? segments.indexOf(shown) + 1 : segments.length
  const between = then ? segments.slice(from, segments.indexOf(then)) : []
  return {
    clock,
    index,
    segment,
    leftMs: msLeft(segment, clock),
    shown,
    then,
    restBefore: between.filter((s) => s.kind === 'REST').reduce((sum, s) => sum + s.length, 0),
    done: works(segment) && segment.block === 'WORK' ? segment : lastDone(segments, index),
  }
}

const lastDone = (segments: Segment[], index: number) =>
  [...segments.slice(0, index)].reverse().find((s) => works(s) && s.block === 'WORK')

/** What is done on a side of a slot once it is done otherwise; where it is left, what was. */
export function partOf(slot: S['RunSlotView'] | undefined, doing: Doing, side: string) {
  // a run kept of before has no options
  const options = slot?.options as S['RunOptionView'][] | undefined
  const parts = options?.find((o) => o.id === doing.option)?.parts ?? slot?.parts ?? []
  return parts.find((p) => p.side === side) ?? parts.find((p) => p.side === 'BOTH') ?? parts[0]
}

/** Whether the set is the last of the timeline's work, or the first of it, counted from 1. */
export const placeOf = (slots: S['RunSlotView'][], segment: Segment) => {
  const own = slots.filter((s) => s.block === segment.block)
  return { at: Math.max(1, own.findIndex((s) => s.key === segment.slotKey) + 1), of: own.length }
}

/** Rounds of the segment's block. */
export const roundsOf = (segments: Segment[], segment: Segment) =>
  Math.max(...segments.filter((s) => s.slotKey === segment.slotKey).map((s) => s.round), 0)
