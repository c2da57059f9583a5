import { useState } from 'react'
import type { S } from '../../lib/api'
import type { Doing, Entry } from '../../lib/clock'
import { kilos } from '../../lib/format'
import { partOf } from '../../lib/run/moment'
import { gramsOf, halted, leastOf, lighterThan } from '../../lib/run/otherwise'
import { Choice, Scale } from '../../ui/Choice'
import { button, chip } from './look'
import { Stepper } from './Stepper'
import { Weight } from './Weight'

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
const TALKS = [
  ['SENTENCES', 'whole sentences'],
  ['PHRASES', 'a few words'],
  ['WORDS', 'single words'],
] as const
const EARLY = ['pain', 'tired', 'out of breath', 'form', 'own wish', 'time'].map((w) => [w, w] as const)
const MOST_REPS = 500
const MOST_COUNTED = 99
const NOTE = 400
type Side = (typeof SIDES)[number][0]

/**
 * What is told of one set, in one tap each. Effort, breath and talk are asked in a rest; nothing blocks
 * the timer.
 */
export function LogPanel({
  person,
  segment,
  arm,
  known,
  doing = { left: false, hurt: false },
  working = false,
  beside = false,
  onNext,
  taken,
  add,
}: {
  person: S['RunPersonView']
  segment?: Pick<S['Segment'], 'slotKey' | 'round' | 'side'>
  /** in a phrase each arm is told of as a whole */
  arm?: { side: 'LEFT' | 'RIGHT'; choose: (side: 'LEFT' | 'RIGHT') => void }
  known?: Entry
  /** what is done in it, beside what was asked */
  doing?: Doing
  /** the set goes on */
  working?: boolean
  /** effort and pain are asked beside it */
  beside?: boolean
  /** a weight is taken for the next set of this slot; undefined takes it back */
  onNext?: (grams: number | undefined) => void
  /** grams taken after this set for the next */
  taken?: number
  add: (e: Entry) => void
}) {
  const [side, setSide] = useState<Side>('neither')
  const [asked, setAsked] = useState<string>()
  const [early, setEarly] = useState(false)
  const [note, setNote] = useState<string>()
  if (!segment)
    return <p className="text-lg text-[#b8c8cd]">Sets are logged here once the work block begins.</p>
  const slot = person.slots.find((s) => s.key === segment.slotKey)
  const part = partOf(slot, doing, segment.side)
  const planned = gramsOf(part, doing)
  const offerAfter = (of: Partial<Entry>) =>
    offered(part?.finding, segment.round, of, of.grams ?? planned, person.painLine)
  const log = (e: Partial<Entry>) => {
    // told otherwise afterwards, a set no longer leads to the more that was taken for the next
    const more = taken !== undefined && taken > (known?.grams ?? planned ?? 0)
    if (more && offerAfter({ ...known, ...e }) !== taken) onNext?.(undefined)
    add({ slotKey: segment.slotKey, round: segment.round, side: segment.side, ...e })
  }
  const key = `${segment.slotKey} ${segment.round} ${segment.side}`
  const asking = !working || asked === key
  const where = PLACES.find((w) => known?.painWhere?.endsWith(w))
  const reps = known?.reps ?? part?.dose.reps
  const offer = offerAfter(known ?? {})
  const less = lighterThan(part, known?.grams ?? leastOf(part, doing) ?? 0)
  const parts = known?.parts
  const count = (label: string, field: 'touchDowns' | 'grabs') => (
    <Stepper
      label={label}
      value={String(known?.[field] ?? 0)}
      given={known?.[field] !== undefined}
      down={known?.[field] ? () => log({ [field]: (known[field] ?? 1) - 1 }) : undefined}
      up={() => log({ [field]: Math.min(MOST_COUNTED, (known?.[field] ?? 0) + 1) })}
      keep={() => log({ [field]: known?.[field] ?? 0 })}
    />
  )
  const support = known?.support ?? part?.modifiers ?? []
  return (
    <>
      <h2 className="text-xl font-bold">{part?.title}</h2>
      <p className="mb-3 text-[#b8c8cd]">
        set {segment.round}
        {segment.side !== 'BOTH' && `, ${segment.side.toLowerCase()}`}
        {part?.doseText && <> · asked: {part.doseText}</>}
      </p>
      {arm && (
        <Choice label="which side" look="night" options={ARMS} value={arm.side} onChange={arm.choose} />
      )}
      {asking ? (
        <>
          {!beside && (
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
          )}
          {!beside && over(known?.effort, person.effortCap) && (
            <p role="alert" className="-mt-3 mb-3 font-bold text-sand">
              Over the limit of {person.effortCap}: ease now, rest until it is below.
            </p>
          )}
          {offer !== undefined && onNext && (
            <p className="-mt-2 mb-3">
              {offer > (known?.grams ?? planned ?? 0) ? 'That was easy' : 'That was too hard'}:{' '}
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
        </>
      ) : (
        <p className="mb-3">
          <button type="button" className={chip()} onClick={() => setAsked(key)}>
            ask the effort now
          </button>{' '}
          <span className="text-[#b8c8cd]">asked in the rest</span>
        </p>
      )}
      {!beside && (
        <Scale
          label={
            <>
              pain
              {person.painLine !== undefined && (
                <span className="text-sand"> · over {person.painLine} of 10 ease</span>
              )}
            </>
          }
          name="pain"
          look="night"
          value={known?.pain}
          onChange={(pain) => log({ pain })}
        />
      )}
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
      {asking && person.breathlessCap !== undefined && (
        <>
          <Scale
            label={
              <>
                breathlessness<span className="text-sand"> · {person.breathlessCap} at most</span>
              </>
            }
            name="breathlessness"
            look="night"
            value={known?.breathless}
            onChange={(breathless) => log({ breathless })}
          />
          {over(known?.breathless, person.breathlessCap) && (
            <p role="alert" className="-mt-3 mb-3 font-bold text-sand">
              Over the limit of {person.breathlessCap}: rest until it is below.
            </p>
          )}
        </>
      )}
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        {parts ? (
          <Parts parts={parts} log={log} />
        ) : (
          <>
            {reps !== undefined && (
              <Stepper
                label="reps"
                value={String(reps)}
                given={known?.reps !== undefined}
                down={() => log({ reps: Math.max(0, reps - 1) })}
                up={() => log({ reps: Math.min(MOST_REPS, reps + 1) })}
                keep={() => log({ reps })}
              />
            )}
            {planned !== undefined && part && (
              <Weight part={part} side={segment.side} known={known} grams={planned} log={log} />
            )}
            {less !== undefined && reps !== undefined && reps > 1 && (
              <button
                type="button"
                className={`${chip()} self-end`}
                onClick={() => {
                  const first = Math.ceil(reps / 2)
                  const grams = known?.grams ?? leastOf(part, doing) ?? 0
                  log({
                    parts: [
                      { reps: first, grams },
                      { reps: reps - first, grams: less },
                    ],
                  })
                }}
              >
                went lighter: {less === 0 ? 'no weight' : `${kilos(less)} kg`}
              </button>
            )}
          </>
        )}
        {part?.balance && (
          <>
            {count('touch-downs', 'touchDowns')}
            {count('grabs', 'grabs')}
          </>
        )}
      </div>
      <div className="mt-3 flex flex-wrap gap-1.5">
        <button
          type="button"
          aria-pressed={known?.formLost === true}
          className={chip(known?.formLost === true)}
          onClick={() => log({ formLost: known?.formLost !== true })}
        >
          form lost
        </button>
        {(part?.support ?? []).map((s) => {
          const used = support.includes(s.modifier)
          return (
            <button
              key={s.modifier}
              type="button"
              aria-pressed={used}
              className={chip(used)}
              onClick={() =>
                log({
                  support: used ? support.filter((m) => m !== s.modifier) : [...support, s.modifier],
                })
              }
            >
              used: {s.words}
            </button>
          )
        })}
        <button
          type="button"
          aria-pressed={known?.stoppedEarly !== undefined}
          className={chip(known?.stoppedEarly !== undefined)}
          onClick={() => setEarly(!early)}
        >
          stopped early{known?.stoppedEarly && `: ${known.stoppedEarly}`}
        </button>
        <button
          type="button"
          className={chip(known?.note !== undefined)}
          onClick={() => setNote(known?.note ?? '')}
        >
          note
        </button>
      </div>
      {known?.formLost && (
        <div className="mt-3">
          <Choice
            label="which fault"
            look="night"
            options={[...(part?.faults ?? []), 'another'].map((f) => [f, f] as const)}
            value={known.fault}
            onChange={(fault) => log({ fault })}
          />
        </div>
      )}
      {early && (
        <div className="mt-3">
          <Choice
            label="stopped early, why"
            look="night"
            options={EARLY}
            value={known?.stoppedEarly}
            onChange={(stoppedEarly) => {
              log({ stoppedEarly })
              setEarly(false)
            }}
          />
        </div>
      )}
      {note !== undefined && (
        <form
          className="mt-3 flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault()
            if (note.trim()) log({ note: note.trim() })
            setNote(undefined)
          }}
        >
          <label className="flex-1">
            note
            <input
              className="text-ink"
              maxLength={NOTE}
              value={note}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
          <button type="submit" className={button}>
            Keep
          </button>
        </form>
      )}
      {known?.note && note === undefined && <p className="mt-2">“{known.note}”</p>}
      {asking && (
        <div className="mt-3">
          <Choice
            label="talks in"
            look="night"
            options={TALKS}
            value={known?.talk}
            onChange={(talk) => log({ talk })}
          />
          {known?.talk === 'WORDS' && (
            <p role="alert" className="-mt-2 font-bold text-sand">
              Single words: rest until whole sentences come, then easier.
            </p>
          )}
        </div>
      )}
    </>
  )
}

const over = (told: number | undefined, cap: number | undefined) =>
  told !== undefined && cap !== undefined && told > cap

/** A set told in parts: so many at one weight, then so many at a lighter one. */
function Parts({ parts, log }: { parts: NonNullable<Entry['parts']>; log: (e: Partial<Entry>) => void }) {
  const set = (i: number, reps: number) => log({ parts: parts.map((p, k) => (k === i ? { ...p, reps } : p)) })
  return (
    <>
      {parts.map((p, i) => (
        <Stepper
          key={i}
          label={`${i === 0 ? 'reps' : 'then'} with ${p.grams ? `${kilos(p.grams)} kg` : 'no weight'}`}
          value={String(p.reps ?? 0)}
          given
          down={p.reps ? () => set(i, (p.reps ?? 1) - 1) : undefined}
          up={() => set(i, Math.min(MOST_REPS, (p.reps ?? 0) + 1))}
          keep={() => set(i, p.reps ?? 0)}
        />
      ))}
      <button
        type="button"
        className={`${chip()} self-end`}
        onClick={() =>
          log({ reps: parts.reduce((sum, p) => sum + (p.reps ?? 0), 0), grams: parts[0]?.grams ?? 0 })
        }
      >
        all at {parts[0]?.grams ? `${kilos(parts[0].grams)} kg` : 'no weight'}
      </button>
    </>
  )
}

/** The weight offered after a set that finds it, of the steps reckoned beforehand; undefined where none is. */
function offered(
  f: S['WeightFinding'] | undefined,
  round: number,
  of: Partial<Entry>,
  grams: number | undefined,
  line: number | undefined,
) {
  const { effort } = of
  if (!f || effort === undefined || round > f.sets) return undefined
  // a run kept of before has no steps
  const step = (f.steps as typeof f.steps | undefined)?.find((s) => s.grams === grams)
  if (effort >= f.hard) return step?.down
  return effort <= f.easy && !halted(of, line) ? step?.up : undefined
}
