import { useState } from 'react'
import type { S } from '../../lib/api'
import { Choice, Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'

type Answer = S['Answer']
const SIGNS: { id: Answer['newSigns'][number]; words: string }[] = [
  { id: 'NIGHT_PAIN', words: 'Pain that woke me' },
  { id: 'NUMBNESS', words: 'Numbness' },
  { id: 'GIVING_WAY', words: 'A joint gave way' },
  { id: 'SWELLING', words: 'Swelling that stays' },
]
const COMPARED = [
  ['BETTER', 'better'],
  ['SAME', 'same'],
  ['WORSE', 'worse'],
] as const
const TIRED = [
  ['no', 'no'],
  ['yes', 'yes'],
] as const
const big = 'min-h-[54px] rounded-md border-2 px-3 text-lg font-semibold'

/** The four taps; the last one sends. What was tapped stays where sending fails. */
export function Questions({ send }: { send: (a: Answer) => Promise<void> }) {
  const [answer, setAnswer] = useState<Partial<Answer>>({})
  const [sending, setSending] = useState(false)
  const [error, setError] = useState<unknown>()
  const { pain, compared, moreTired } = answer
  const ready = pain !== undefined && compared !== undefined && moreTired !== undefined
  const done = async (newSigns: Answer['newSigns']) => {
    if (!ready || sending) return
    setSending(true)
    setError(undefined)
    try {
      await send({ pain, compared, moreTired, newSigns })
    } catch (e) {
      setError(e)
      setSending(false)
    }
  }
  return (
    <>
      <Scale
        label="1. Pain now: 0 none, 10 worst"
        name="pain"
        look="big"
        value={pain}
        onChange={(n) => setAnswer({ ...answer, pain: n })}
      />
      <Choice
        label="2. Compared with before the session"
        look="big"
        layout="grid grid-cols-3 gap-1.5"
        options={COMPARED}
        value={compared}
        onChange={(c) => setAnswer({ ...answer, compared: c })}
      />
      <Choice
        label="3. Much more tired than usual?"
        look="big"
        layout="grid grid-cols-2 gap-1.5"
        options={TIRED}
        value={moreTired === undefined ? undefined : moreTired ? 'yes' : 'no'}
        onChange={(t) => setAnswer({ ...answer, moreTired: t === 'yes' })}
      />
      <fieldset>
        <legend className="mb-2 font-semibold">4. Anything new?</legend>
        <div className="grid gap-1.5">
          <button
            type="button"
            disabled={!ready || sending}
            className={`${big} border-teal bg-teal text-white disabled:border-line disabled:bg-line disabled:text-soft`}
            onClick={() => void done([])}
          >
            Nothing new, send
          </button>
          {SIGNS.map((s) => (
            <button
              key={s.id}
              type="button"
              disabled={!ready || sending}
              className={`${big} border-line bg-sheet disabled:text-soft`}
              onClick={() => void done([s.id])}
            >
              {s.words}, send
            </button>
          ))}
        </div>
        {!ready && <p className="mt-2 text-base text-soft">Tap 1, 2 and 3 first.</p>}
      </fieldset>
      <Failure error={error} />
    </>
  )
}
