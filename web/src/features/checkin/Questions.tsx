import { useState } from 'react'
import type { S } from '../../lib/api'
import { Choice, Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Several } from '../../ui/Several'
import {
  answerOf,
  COMPARED,
  lines,
  NOTHING,
  PLACES,
  SIDES,
  SIGNS,
  tappedOf,
  whole,
  YES,
  type Sign,
  type Tapped,
} from './answer'

const MOST = 500
const BUTTON =
  'min-h-[54px] rounded-md border-2 px-4 text-lg font-semibold disabled:border-line disabled:bg-line disabled:text-soft'

/**
 * Four taps, more for who likes, and a look over before it is sent. What was tapped stays where sending
 * fails. The professional who asks by phone or at the door answers the same.
 */
export function Questions({
  before,
  emergency,
  third,
  send,
}: {
  /** answered before, and to be changed */
  before?: S['NextDay']
  emergency: string
  /** asked at 72 h */
  third?: boolean
  send: (a: S['Answer']) => Promise<void>
}) {
  const [t, setTapped] = useState<Tapped>(before ? tappedOf(before) : NOTHING)
  const [looking, setLooking] = useState(false)
  const [sending, setSending] = useState(false)
  const [error, setError] = useState<unknown>()
  const tap = (some: Partial<Tapped>) => setTapped((was) => ({ ...was, ...some }))
  const urgent = t.newSigns?.includes('EMERGENCY') && (
    <p role="alert" className="mb-4 border-l-4 border-brick bg-sheet px-3 py-2 font-bold text-brick">
      Do not wait for an answer: call {emergency} now.
    </p>
  )
  const done = async () => {
    const answer = answerOf(t)
    if (!answer || sending) return
    setSending(true)
    setError(undefined)
    try {
      await send(answer)
    } catch (e) {
      setError(e)
    }
    setSending(false)
  }
  if (looking)
    return (
      <section aria-label="Look it over">
        {urgent}
        <h2 className="mb-1 font-semibold">Look it over, then send</h2>
        <dl className="mb-4 border-t-2 border-ink">
          {lines(t).map(([what, said]) => (
            <div key={what} className="grid grid-cols-[40%_1fr] gap-2 border-b border-line py-1.5">
              <dt className="text-soft">{what}</dt>
              <dd className="min-w-0 break-words font-semibold">{said}</dd>
            </div>
          ))}
        </dl>
        <Failure error={error} />
        <div className="grid grid-cols-[1fr_2fr] gap-2">
          <button
            type="button"
            className={`${BUTTON} border-line bg-sheet`}
            onClick={() => setLooking(false)}
          >
            Change
          </button>
          <button
            type="button"
            disabled={sending}
            className={`${BUTTON} border-teal bg-teal text-white`}
            onClick={() => void done()}
          >
            {sending ? 'Sending' : 'Send'}
          </button>
        </div>
      </section>
    )
  const marked = t.newSigns && [...t.newSigns, ...(t.passed ? (['PASSED'] as const) : [])]
  return (
    <>
      <Scale
        label="1. Pain now: 0 none, 10 worst"
        name="pain"
        look="big"
        value={t.pain}
        onChange={(pain) => tap({ pain })}
      />
      {t.pain !== undefined && t.pain > 0 && (
        <>
          <Several
            label="Where?"
            look="big"
            layout="grid grid-cols-3 gap-1.5"
            options={PLACES.map((p) => [p, p] as const)}
            value={t.places.filter((p) => PLACES.some((x) => x === p))}
            onChange={(places) => tap({ places })}
          />
          {t.places.length > 0 && (
            <Choice
              label="On which side?"
              look="big"
              layout="grid grid-cols-3 gap-1.5"
              options={SIDES.map((s) => [s, s] as const)}
              value={SIDES.find((s) => s === t.side)}
              onChange={(side) => tap({ side })}
            />
          )}
        </>
      )}
      <Choice
        label={third ? '2. Compared with before that session' : '2. Compared with before the session'}
        look="big"
        layout="grid grid-cols-3 gap-1.5"
        options={COMPARED}
        value={t.compared}
        onChange={(compared) => tap({ compared })}
      />
      <Choice
        label="3. Much more tired than usual?"
        look="big"
        layout="grid grid-cols-2 gap-1.5"
        options={YES}
        value={t.moreTired === undefined ? undefined : t.moreTired ? 'yes' : 'no'}
        onChange={(v) => tap({ moreTired: v === 'yes' })}
      />
      <Several
        label="4. Anything new? Tap all that are."
        look="big"
        layout="grid gap-1.5"
        none="Nothing new"
        options={SIGNS}
        value={marked}
        onChange={(now) =>
          tap({ newSigns: now.filter((s): s is Sign => s !== 'PASSED'), passed: now.includes('PASSED') })
        }
      />
      {urgent}
      <details className="mb-4 border-y border-line py-1" open={before !== undefined}>
        <summary className="min-h-[44px] cursor-pointer py-2 font-semibold text-teal">
          More to tell: sore muscles, sleep, your words
        </summary>
        <Scale
          label="Sore muscles, apart from pain: 0 none"
          name="soreness"
          look="big"
          value={t.soreness}
          onChange={(soreness) => tap({ soreness })}
        />
        <Scale
          label="Sleep last night: 0 none, 10 very good"
          name="sleep"
          look="big"
          value={t.sleep}
          onChange={(sleep) => tap({ sleep })}
        />
        <Scale
          label="Energy: 0 none, 10 plenty"
          name="energy"
          look="big"
          value={t.energy}
          onChange={(energy) => tap({ energy })}
        />
        <label className="block font-semibold">
          In your words
          <textarea
            className="mt-1 w-full font-normal"
            rows={3}
            maxLength={MOST}
            value={t.words}
            onChange={(e) => tap({ words: e.target.value })}
          />
        </label>
      </details>
      <button
        type="button"
        disabled={!whole(t)}
        className={`${BUTTON} w-full border-teal bg-teal text-white`}
        onClick={() => setLooking(true)}
      >
        Look it over
      </button>
      {!whole(t) && <p className="mt-2 text-base text-soft">Tap 1 to 4 first.</p>}
    </>
  )
}
