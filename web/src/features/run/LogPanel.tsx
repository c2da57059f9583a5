import { useState } from 'react'
import type { S } from '../../lib/api'
import type { Entry } from '../../lib/clock'

const PLACES = ['shoulder', 'elbow', 'wrist', 'neck', 'back', 'hip', 'knee', 'ankle', 'other']
const chip = (on: boolean) =>
  `min-h-[46px] min-w-[44px] rounded border px-2.5 font-mono text-lg ${on ? 'border-sand bg-sand font-bold text-night' : 'border-[#41606b]'}`

/** One tap each: effort, pain and where, reps, load. A rest is when it is asked; nothing blocks the timer. */
export function LogPanel({
  person,
  segment,
  known,
  add,
}: {
  person: S['RunPersonView']
  segment?: S['Segment']
  known?: Entry
  add: (e: Entry) => void
}) {
  const [side, setSide] = useState<'left ' | 'right ' | ''>('')
  if (!segment)
    return <p className="text-lg text-[#b8c8cd]">Sets are logged here once the work block begins.</p>
  const slot = person.slots.find((s) => s.key === segment.slotKey)
  const part = slot?.parts.find((p) => p.side === segment.side) ?? slot?.parts[0]
  const log = (e: Partial<Entry>) =>
    add({ slotKey: segment.slotKey, round: segment.round, side: segment.side, ...e })
  const reps = known?.reps ?? part?.dose.reps
  const grams = known?.grams ?? part?.dose.grams
  return (
    <>
      <h2 className="text-xl font-bold">{part?.title}</h2>
      <p className="mb-3 text-[#b8c8cd]">
        set {segment.round}
        {segment.side !== 'BOTH' && `, ${segment.side.toLowerCase()}`}
      </p>
      <fieldset className="mb-3">
        <legend className="mb-1">
          effort
          {person.effortCap !== undefined && <span className="text-sand"> · {person.effortCap} at most</span>}
        </legend>
        <div className="grid max-w-[360px] grid-cols-6 gap-1">
          {Array.from({ length: 11 }, (_, n) => (
            <button
              key={n}
              type="button"
              aria-label={`effort ${n}`}
              aria-pressed={known?.effort === n}
              className={chip(known?.effort === n)}
              onClick={() => log({ effort: n })}
            >
              {n}
            </button>
          ))}
        </div>
        {person.effortCap !== undefined && known?.effort !== undefined && known.effort > person.effortCap && (
          <p role="alert" className="mt-1 font-bold text-sand">
            Over the limit of {person.effortCap}: ease now, rest until it is below.
          </p>
        )}
      </fieldset>
      <fieldset className="mb-3">
        <legend className="mb-1">pain</legend>
        <div className="grid max-w-[360px] grid-cols-6 gap-1">
          {Array.from({ length: 11 }, (_, n) => (
            <button
              key={n}
              type="button"
              aria-label={`pain ${n}`}
              aria-pressed={known?.pain === n}
              className={chip(known?.pain === n)}
              onClick={() => log({ pain: n })}
            >
              {n}
            </button>
          ))}
        </div>
        {(known?.pain ?? 0) > 0 && (
          <div className="mt-2 flex flex-wrap gap-1">
            {(['left ', 'right '] as const).map((s) => (
              <button
                key={s}
                type="button"
                aria-pressed={side === s}
                className={`${chip(side === s)} font-sans text-base`}
                onClick={() => setSide(side === s ? '' : s)}
              >
                {s}
              </button>
            ))}
            {PLACES.map((w) => {
              const on = known?.painWhere?.endsWith(w) === true
              return (
                <button
                  key={w}
                  type="button"
                  aria-pressed={on}
                  className={`${chip(on)} font-sans text-base`}
                  onClick={() => log({ painWhere: side + w })}
                >
                  {on ? known.painWhere : w}
                </button>
              )
            })}
          </div>
        )}
      </fieldset>
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
            label="kg each hand"
            value={grams === 0 ? 'none' : String(grams / 1000)}
            given={known?.grams !== undefined}
            down={() => log({ grams: Math.max(0, grams - 500) })}
            up={() => log({ grams: Math.min(part?.dose.grams ?? grams, grams + 500) })}
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
