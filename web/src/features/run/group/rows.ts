import type { S } from '../../../lib/api'
import { entryKey, type Known } from '../../../lib/clock'
import { clock, hourOf, kg, seconds } from '../../../lib/format'
import { gramsOf, overLine } from '../../../lib/run/otherwise'
import { setToldOf, sidesOf, type Arm } from '../tell'
import type { Live } from '../useLive'

/** How a chip at a name looks: what was told, or that it may be. */
export interface Chip {
  words: string
  look: 'ASK' | 'TOLD' | 'HURT' | 'GONE'
}

/** Somebody under their lane, in the words of their row. */
export interface Row {
  person: S['RunPersonView']
  live: Live
  /** the lane of what goes on or comes; undefined for who does it on their own */
  lane?: number
  /** what is done where no lane shows it */
  alone?: string
  /** "1 kg in each hand", "no weight" */
  weight?: string
  /** what is otherwise than in the lane, each in a few words */
  own: string[]
  chip?: Chip
  /** what the log of a tap is about */
  known?: Known
}

const FEELS = { WOOZY: 'woozy?', TWINGE: 'twinge?', SHAKING: 'shaking?' } as const

const upTo = (n: number, of: number) => `works ${n} of ${of} s`

/** What somebody works of a part on the shared clock: their share of it, sides apart. */
function share(live: Live, part: S['RunPartView'] | undefined): string | undefined {
  const shown = live.moment?.shown
  const s = shown && live.slot(shown.slotKey)?.share
  if (!shown || !s) return undefined
  if (part?.dose.seconds !== undefined && shown.side !== 'BOTH' && part.dose.seconds < shown.length)
    return `${upTo(part.dose.seconds, shown.length)} a side`
  return upTo(s.seconds, s.of)
}

const weightWords = (grams: number | undefined, part: S['RunPartView'] | undefined) =>
  grams === undefined ? (part?.dose.band ? 'band' : undefined) : grams === 0 ? 'no weight' : kg(grams)

/** Whether their part of what goes on is over, while the others work on. */
export function restsNow(live: Live): boolean {
  const { moment } = live
  const segment = moment?.segment
  if (!moment || segment?.kind !== 'WORK') return false
  const slot = live.slot(segment.slotKey)
  if (slot?.out.includes(segment.round) || live.doing(segment).left) return true
  const share = slot?.share
  if (!share) return false
  const all = live.segments
    .filter((g) => g.kind === 'WORK' && g.slotKey === segment.slotKey && g.round === segment.round)
    .reduce((sum, g) => sum + g.length, 0)
  // of each side the same part, so that none has more
  const mine = (segment.length * share.seconds) / Math.max(1, all)
  return seconds(moment.clock.positionMs) - segment.start >= mine
}

/** What somebody does whom no lane serves; side by side where the two do different things. */
function aloneWords(live: Live): string | undefined {
  const shown = live.moment?.shown
  if (!shown) return undefined
  const apart = shown.side === 'BOTH' ? sidesOf(live, shown) : []
  if (apart.length < 2) return live.part(shown)?.title
  return apart
    .map(({ side, part, doing }) => {
      const held = weightWords(gramsOf(part, doing), part)
      return `${side.toLowerCase()} ${doing.left ? 'left today' : part.title}${held ? `, ${held}` : ''}`
    })
    .join('; ')
}

/** Everybody as they stand at this moment. */
export function rowOf(live: Live, arm: Arm): Row {
  const { person, moment, told } = live
  const who = person.clientId
  const shown = moment?.shown
  const slot = shown && live.slot(shown.slotKey)
  const doing = shown && live.doing(shown)
  const part = shown && live.part(shown)
  const grams = doing && gramsOf(part, doing)
  const apart = !!shown && shown.side === 'BOTH' && sidesOf(live, shown).length > 1
  const set = setToldOf(live, arm)
  const known = set && told.sets.get(entryKey(set, who))
  const stopped = moment?.clock.stops.find((s) => s.person === who)
  const away = told.away.get(who)
  const own = [
    !stopped && !away && shown && slot?.out.includes(shown.round) ? 'sits this round out' : undefined,
    doing?.left ? 'left today' : doing?.option ? part?.title : undefined,
    ...(doing?.option || doing?.left || apart ? [] : (part?.how ?? [])),
    doing?.left ? undefined : share(live, part),
    person.joinedAt === undefined ? undefined : `came at ${hourOf(new Date(person.joinedAt))}`,
  ].filter((w): w is string => !!w)
  return {
    person,
    live,
    lane: slot?.lane,
    alone: slot?.lane === undefined ? aloneWords(live) : undefined,
    weight: doing?.left || apart ? undefined : weightWords(grams, part),
    own,
    known,
    chip: stopped
      ? { words: 'stopped', look: 'GONE' }
      : away
        ? { words: 'left', look: 'GONE' }
        : told.unwell.has(who)
          ? { words: FEELS[told.unwell.get(who)?.at(-1)?.unwell?.symptom ?? 'WOOZY'], look: 'HURT' }
          : chipOf(known, person.painLine, set !== undefined),
  }
}

function chipOf(known: Known | undefined, line: number | undefined, asked: boolean): Chip | undefined {
  const e = known?.entry
  if (e && overLine(e, line)) return { words: `pain ${e.pain ?? e.painAfter ?? ''}`, look: 'HURT' }
  if (e?.effort !== undefined) return { words: String(e.effort), look: 'TOLD' }
  if (e?.stoppedEarly) return { words: 'stopped early', look: 'TOLD' }
  return asked ? { words: e ? 'effort?' : 'effort', look: 'ASK' } : undefined
}

/** Why somebody is no longer in it: the sign, or why they left. */
export const LEAVING = {
  TIRED: 'tired',
  PAIN: 'pain',
  UNWELL: 'not well',
  HAD_TO_GO: 'had to go',
  OWN_WISH: 'own wish',
} as const

/** "round 1 of 2 · 3 of 6" of the clock, and "then sit". */
export const leftWords = (live: Live) => {
  const skipped = seconds(live.moment?.clock.skippedMs ?? 0)
  return live.moment
    ? `${clock(seconds(live.moment.clock.livedMs))} gone${skipped >= 1 ? ` · ${clock(skipped)} skipped` : ''} · ${clock(live.run.timeline.total - seconds(live.moment.clock.positionMs))} left`
    : ''
}
