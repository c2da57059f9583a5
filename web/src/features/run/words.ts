import type { Segment } from '../../lib/clock'
import type { Moment } from '../../lib/run/moment'

const kindWords: Record<Segment['kind'], string> = {
  WORK: 'work',
  REST: 'rest',
  SIDE_CHANGE: 'change sides',
  POSTURE_CHANGE: 'change posture',
  SET_UP: 'set up the kit',
  TALK: 'explain',
}
const restWords = { STILL: 'rest', WALKING: 'rest, walking', STRETCH: 'rest in a stretch' }
const blockWords = { WARM_UP: 'warm-up', WORK: 'movement', COOL_DOWN: 'cool-down' }

/** What the clock is at, in a word or two. */
export function phaseWords(moment: Moment, stretch?: string): string {
  const { clock, segment } = moment
  if (clock.status === 'READY') return 'ready'
  if (clock.status === 'PAUSED') return 'paused'
  if (segment.kind !== 'REST') return kindWords[segment.kind]
  // a rest is a stretch only where one was found for it
  const style = segment.restStyle === 'STRETCH' && !stretch ? 'STILL' : (segment.restStyle ?? 'STILL')
  return restWords[style]
}

export const blockWord = (s: Segment) => blockWords[s.block]

/** "10 reps", "holds of 20 s"; nothing where the work is not counted. Of another form, its own count. */
export function countWords(s: Segment, dose?: { reps?: number; holdSeconds?: number }): string | undefined {
  const { reps, holdSeconds } = dose ?? s
  if (reps !== undefined) return `${reps} ${reps === 1 ? 'rep' : 'reps'}`
  return holdSeconds === undefined ? undefined : `holds of ${holdSeconds} s`
}

export const sideWord = (side: string | undefined) =>
  side && side !== 'BOTH' ? `${side.toLowerCase()} side` : undefined
