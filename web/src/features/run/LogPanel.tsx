import { useState } from 'react'
import { kilos } from '../../lib/format'
import type { S } from '../../lib/api'
import type { Entry } from '../../lib/clock'
import { Choice, Scale } from '../../ui/Choice'

const PLACES = ['shoulder', 'elbow', 'wrist', 'neck', 'back', 'hip', 'knee', 'ankle', 'other']
const SIDES = [
  ['left', 'left'],
  ['right', 'right'],
  ['neither', 'both or middle'],
] as const
const ARMS = [
  ['LEFT', 'left'],
  ['RIGHT', 'right'],
] as const
/** What the number of kilograms is of. */
const HELD: Record<NonNullable<S['Held']['way']>, string> = {
  EACH_HAND: 'each hand',
  ONE_HAND: 'one hand',
  BOTH_HANDS: 'both hands together',
  TWO_IN_ONE: 'one hand, two weights',
  THIGHS: 'each thigh',
  HIPS: 'on the hips',
  BACKPACK: 'in the backpack',
}
/** Grams a tap moves a weight by; never over what was planned. */
const STEP = 500
type Side = (typeof SIDES)[number][0]
const chip = (on: boolean) =>
  `min-h-[46px] min-w-[44px] rounded border px-2.5 font-mono text-lg ${on ? 'border-sand bg-sand font-bold text-night' : 'border-[#41606b]'}`

/** One tap each: effort, pain and where, reps, load. A rest is when it is asked; nothing blocks the timer. */
export function LogPanel({
  person,
  segment,
  arm,
  known,
  next,
  taken,
  onNext,
  add,
}: {
  person: S['RunPersonView']
  segment?: S['Segment']
  /** in a phrase each arm is told of as a whole */
  arm?: { side: 'LEFT' | 'RIGHT'; choose: (side: 'LEFT' | 'RIGHT') => void }
  known?: Entry
  /** grams found for this set in the one before; undefined where it is as planned */
  next?: number
  /** grams taken after this set for the next */
  taken?: number
  /** a weight is taken for the next set of this slot; undefined takes it back */
  onNext?: (grams: number | undefined) => void
  add: (e: Entry) => void
}) {
  const [side, setSide] = useState<Side>('neither')
  if (!segment)
    return <p className="text-lg text-[#b8c8cd]">Sets are logged here once the work block begins.</p>
  const slot = person.slots.find((s) => s.key === segment.slotKey)
  const part = slot?.parts.find((p) => p.side === segment.side) ?? slot?.parts[0]
  const log = (e: Partial<Entry>) => {
    // told otherwise afterwards, a set no longer leads to what was taken for the next
    if (taken !== undefined && offerAfter({ ...known, ...e }) !== taken) onNext?.(undefined)
    add({
      slotKey: segment.slotKey,
      round: segment.round,
      side: segment.side,
      // a weight found in the set before is told with the set, for it is not the one planned
      ...(next !== undefined && known?.grams === undefined ? { grams: next } : {}),
      ...e,
    })
  }
  const where = PLACES.find((w) => known?.painWhere?.endsWith(w))
  const reps = known?.reps ?? part?.dose.reps
  const planned = part?.dose.grams
  const grams = known?.grams ?? next ?? planned
  const offerAfter = (of: Partial<Entry>) => offered(part?.finding, segment.round, of, of.grams ?? grams)
  const offer = offerAfter(known ?? {})
  return (
    <>
      <h2 className="text-xl font-bold">{part?.title}</h2>
      <p className="mb-3 text-[#b8c8cd]">
        set {segment.round}
        {segment.side !== 'BOTH' && `, ${segment.side.toLowerCase()}`}
      </p>
      {arm && (
        <Choice label="which side" look="night" options={ARMS} value={arm.side} onChange={arm.choose} />
      )}
      <Scale
        label={
          <>
            effort
            {person.effortCap !== undefined && (
              <span className="text-sand"> · {person.effortCap} at most</span>
            )}
          </>
        }
        name="effort"
        look="night"
        value={known?.effort}
        onChange={(effort) => log({ effort })}
      />
      {person.effortCap !== undefined && known?.effort !== undefined && known.effort > person.effortCap && (
        <p role="alert" className="-mt-3 mb-3 font-bold text-sand">
          Over the limit of {person.effortCap}: ease now, rest until it is below.
        </p>
      )}
      {offer !== undefined && onNext && (
        <p className="-mt-2 mb-3">
          {offer > (grams ?? 0) ? 'That was easy' : 'That was too hard'}:{' '}
          <button
            type="button"
            aria-pressed={taken === offer}
            className={`min-h-[46px] rounded border border-sand px-3 font-bold ${taken === offer ? 'bg-sand text-night' : 'text-sand'}`}
            onClick={() => onNext(taken === offer ? undefined : offer)}
          >
            {offer === 0 ? 'no weight' : `${kilos(offer)} kg`} next set{taken === offer && ' ✓'}
          </button>
        </p>
      )}
      <Scale label="pain" name="pain" look="night" value={known?.pain} onChange={(pain) => log({ pain })} />
      {(known?.pain ?? 0) > 0 && (
        <>
          <Choice
            label="pain, which side"
            look="night"
            options={SIDES}
            value={side}
            onChange={(s) => setSide(s)}
          />
          <Choice
            label="pain, where"
            look="night"
            options={PLACES.map((w) => [w, w === where ? (known?.painWhere ?? w) : w] as const)}
            value={where}
            onChange={(w) => log({ painWhere: side === 'neither' ? w : `${side} ${w}` })}
          />
        </>
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        {reps !== undefined && (
          <Stepper
            label="reps"
            value={String(reps)}
            given={known?.reps !== undefined}
            down={() => log({ reps: Math.max(0, reps - 1) })}
            up={() => log({ reps: Math.min(500, reps + 1) })}
            keep={() => log({ reps })}
          />
        )}
        {grams !== undefined && (
          <Stepper
            label={`kg ${HELD[part?.dose.held?.way ?? (part?.dose.hands === 2 ? 'EACH_HAND' : 'ONE_HAND')]}`}
            value={grams === 0 ? 'none' : String(kilos(grams))}
            given={known?.grams !== undefined}
            down={() => log({ grams: Math.max(0, grams - STEP) })}
            up={() => log({ grams: Math.min(Math.max(planned ?? grams, grams), grams + STEP) })}
            keep={() => log({ grams })}
          />
        )}
        <button
          type="button"
          aria-pressed={known?.formLost === true}
          className={`${chip(known?.formLost === true)} self-end font-sans text-base`}
          onClick={() => log({ formLost: known?.formLost !== true })}
        >
          form lost
        </button>
      </div>
    </>
  )
}

/** The weight offered after a set that finds it, of the steps reckoned beforehand; undefined where none is. */
function offered(
  f: S['WeightFinding'] | undefined,
  round: number,
  { effort, pain, formLost }: Partial<Entry>,
  grams: number | undefined,
) {
  if (!f || effort === undefined || round > f.sets) return undefined
  // a run kept of before has no steps
  const step = (f.steps as typeof f.steps | undefined)?.find((s) => s.grams === grams)
  if (effort >= f.hard) return step?.down
  // nothing more after a set that hurt or lost its form
  return effort <= f.easy && !pain && !formLost ? step?.up : undefined
}

function Stepper({
  label,
  value,
  given,
  down,
  up,
  keep,
}: {
  label: string
  value: string
  given: boolean
  down: () => void
  up: () => void
  keep: () => void
}) {
  return (
    <div>
      <p className="mb-1">{label}</p>
      <div className="flex gap-1">
        <button type="button" className={chip(false)} aria-label={`${label} down`} onClick={down}>
          −
        </button>
        <button
          type="button"
          className={chip(given)}
          aria-label={`${label} ${value}`}
          aria-pressed={given}
          onClick={keep}
        >
          {value}
        </button>
        <button type="button" className={chip(false)} aria-label={`${label} up`} onClick={up}>
          +
        </button>
      </div>
    </div>
  )
}
