import { useState } from 'react'
import type { S } from '../../lib/api'
import type { RunEvent } from '../../lib/clock'
import { clock, hourOf, seconds } from '../../lib/format'
import { Choice } from '../../ui/Choice'
import { easeTheRest } from '../../lib/run/gentler'
import { button } from './look'
import type { Live } from './useLive'

type Symptom = NonNullable<S['UnwellDocument']['symptom']>
/** Where a run kept of before says nothing of it. */
const WOOZY = { symptom: 'WOOZY' as const, words: 'woozy', advice: 'Sit or lie down.', askAgain: 60 }
const upper = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

/** The field, its words, how often its unit is kept in one, and what cannot be right below and above. */
const READINGS = [
  ['pulse', 'pulse, bpm', 1, 20, 250],
  ['systolic', 'pressure, upper', 1, 50, 280],
  ['diastolic', 'lower, mmHg', 1, 20, 180],
  ['glucose', 'glucose, mmol/L', 10, 0.5, 40],
] as const
const number = (text: string | undefined) => Number((text ?? '').replace(',', '.'))
const wrong = (text: string | undefined, least: number, most: number) =>
  !!text?.trim() && !(number(text) >= least && number(text) <= most)

/**
 * A mild symptom as long as it lasts: rest, a reading, asked again after a minute, gentler from then on.
 * It stays in view until it is answered; what rest does not settle is a stop sign.
 */
export function Unwell({
  told,
  live,
  onStop,
}: {
  /** what was told of it, earliest first */
  told: RunEvent[]
  live: Live
  onStop: () => void
}) {
  const { name, sugarFirst, clientId } = live.person
  const { now } = live
  const [reading, setReading] = useState<Record<string, string>>({})
  const [first] = told
  const last = told.at(-1)
  const symptom = last?.unwell?.symptom
  if (!first || !last || !symptom) return null
  const since = first.at ?? 0
  const all = (live.run.symptoms as S['SymptomView'][] | undefined) ?? [WOOZY]
  const known = all.find((x) => x.symptom === symptom) ?? WOOZY
  const left = known.askAgain - Math.max(0, seconds(now - (last.at ?? 0)))
  const again = left <= 0
  // asked once and not settled by rest
  const unsettled = told.slice(1).some((e) => e.unwell?.how === 'SAME' || e.unwell?.how === 'WORSE')
  const kept = Object.fromEntries(told.flatMap((e) => Object.entries(e.unwell ?? {})))
  const typed = Object.fromEntries(
    READINGS.flatMap(([field, , times, least, most]) =>
      reading[field]?.trim() && !wrong(reading[field], least, most)
        ? [[field, Math.round(number(reading[field]) * times)]]
        : [],
    ),
  )
  const off = READINGS.find(([field, , , least, most]) => wrong(reading[field], least, most))
  // gentler from here on
  const ease = easeTheRest(live.person, live.segments, live.moment?.index ?? 0, (slotKey, round, side) =>
    live.told.doing(clientId, slotKey, round, side),
  )
  const say = (how: NonNullable<S['UnwellDocument']['how']>, what: Symptom = symptom) => {
    live.tell({ kind: 'UNWELL', unwell: { symptom: what, how, ...typed } })
    setReading({})
  }
  return (
    <section
      aria-label={`${upper(known.words)}: ${name}`}
      className="border-l-8 border-sand bg-[#33403f] px-4 py-3 md:px-6"
    >
      <p className="text-lg font-bold text-sand" role="status">
        {name}: {known.words} since {hourOf(new Date(since))}.{' '}
        {unsettled
          ? 'Rest has not settled it: this is a stop sign.'
          : again
            ? 'How is it now?'
            : `Rest. Asked again in ${clock(Math.ceil(left))}.`}
      </p>
      <p className="mb-2">
        {known.advice}
        {sugarFirst && <strong> Glucose first.</strong>}
      </p>
      <div className="lg:flex lg:flex-wrap lg:gap-x-8">
        {told.length === 1 && (
          <Choice
            label="what it is"
            look="night"
            options={all.map((x) => [x.symptom, x.words] as const)}
            value={symptom}
            onChange={(what) => say('FELT', what)}
          />
        )}
        <div className="mb-2 flex flex-wrap items-end gap-2">
          {READINGS.filter(([f]) => f !== 'glucose' || sugarFirst).map(
            ([field, words, times, least, most]) => (
              <label key={field} className="text-sm">
                {words}
                <input
                  className="block w-28 text-ink"
                  inputMode="decimal"
                  aria-invalid={wrong(reading[field], least, most)}
                  value={reading[field] ?? ''}
                  placeholder={kept[field] === undefined ? '' : String(Number(kept[field]) / times)}
                  onChange={(e) => setReading({ ...reading, [field]: e.target.value })}
                />
              </label>
            ),
          )}
        </div>
      </div>
      {off && (
        <p role="alert" className="mb-2 font-bold text-sand">
          {off[1]}: {off[3]} to {off[4]}. It is not kept as it stands.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {ease.length > 0 && (
          <button
            type="button"
            className={`${button} ${again && !unsettled ? 'border-sand bg-sand text-night' : 'border-sand'}`}
            onClick={() => {
              say('GONE')
              ease.forEach(live.change)
            }}
          >
            Gone, go on gentler
          </button>
        )}
        <button type="button" className={button} onClick={() => say('GONE')}>
          Gone, go on as it was
        </button>
        <button type="button" className={button} onClick={() => say('BETTER')}>
          Better, rest on
        </button>
        <button type="button" className={button} onClick={() => say('SAME')}>
          Still the same
        </button>
        <button
          type="button"
          className={`${button} ${unsettled ? '!border-[#f4ece4] bg-[#f4ece4] text-brick' : ''}`}
          onClick={() => {
            say('WORSE')
            onStop()
          }}
        >
          {unsettled ? 'Stop sign' : 'Worse: stop sign'}
        </button>
      </div>
    </section>
  )
}
