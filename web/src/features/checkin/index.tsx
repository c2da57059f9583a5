import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams } from 'react-router'
import { api, type S } from '../../lib/api'
import { Failure } from '../../ui'

type Answer = S['Answer']
const SIGNS: { id: Answer['newSigns'][number]; words: string }[] = [
  { id: 'NIGHT_PAIN', words: 'Pain that woke me' },
  { id: 'NUMBNESS', words: 'Numbness' },
  { id: 'GIVING_WAY', words: 'A joint gave way' },
  { id: 'SWELLING', words: 'Swelling that stays' },
]
const big = 'min-h-[54px] rounded-md border-2 px-3 text-lg font-semibold'
const off = 'border-line bg-sheet'
const on = 'border-teal bg-teal text-white'

/** Four taps on the client's phone, the day after. */
export function CheckInPage() {
  const { token } = useParams()
  const page = useQuery({
    queryKey: ['check-in', token],
    queryFn: () => api.get<S['Page']>(`/check-in/${encodeURIComponent(token ?? '')}`),
    retry: false,
  })
  const [answer, setAnswer] = useState<Partial<Answer>>({})
  const send = useMutation({
    mutationFn: (a: Answer) => api.post<undefined>(`/check-in/${encodeURIComponent(token ?? '')}`, a),
  })
  const done = (newSigns: Answer['newSigns']) => {
    const { pain, compared, moreTired } = answer
    setAnswer({ ...answer, newSigns })
    if (pain !== undefined && compared && moreTired !== undefined)
      send.mutate({ pain, compared, moreTired, newSigns })
  }
  const ready = answer.pain !== undefined && answer.compared && answer.moreTired !== undefined
  return (
    <main className="mx-auto max-w-md px-4 py-5 text-lg">
      {page.error && <Failure error={page.error} />}
      {page.data && send.isSuccess && (
        <>
          <h1 className="mb-3 text-2xl font-bold text-teal">Thank you, {page.data.firstName}.</h1>
          <p>{page.data.studio} has your answer before your next session.</p>
          {answer.newSigns && answer.newSigns.length > 0 && (
            <p className="mt-3 font-semibold">
              Please also tell your doctor or physio about what is new. If it is sudden or severe, call{' '}
              {page.data.emergencyNumber}.
            </p>
          )}
        </>
      )}
      {page.data && !send.isSuccess && (
        <>
          <h1 className="text-2xl font-bold">How are you today, {page.data.firstName}?</h1>
          <p className="mb-4 text-base text-soft">{page.data.studio}. Four taps.</p>
          <fieldset className="mb-5">
            <legend className="mb-2 font-semibold">1. Pain now: 0 none, 10 worst</legend>
            <div className="grid grid-cols-6 gap-1.5">
              {Array.from({ length: 11 }, (_, n) => (
                <button
                  key={n}
                  type="button"
                  aria-pressed={answer.pain === n}
                  className={`${big} px-0 font-mono ${answer.pain === n ? on : off}`}
                  onClick={() => setAnswer({ ...answer, pain: n })}
                >
                  {n}
                </button>
              ))}
            </div>
          </fieldset>
          <fieldset className="mb-5">
            <legend className="mb-2 font-semibold">2. Compared with before the session</legend>
            <div className="grid grid-cols-3 gap-1.5">
              {(['BETTER', 'SAME', 'WORSE'] as const).map((c) => (
                <button
                  key={c}
                  type="button"
                  aria-pressed={answer.compared === c}
                  className={`${big} ${answer.compared === c ? on : off}`}
                  onClick={() => setAnswer({ ...answer, compared: c })}
                >
                  {c.toLowerCase()}
                </button>
              ))}
            </div>
          </fieldset>
          <fieldset className="mb-5">
            <legend className="mb-2 font-semibold">3. Much more tired than usual?</legend>
            <div className="grid grid-cols-2 gap-1.5">
              {[false, true].map((t) => (
                <button
                  key={String(t)}
                  type="button"
                  aria-pressed={answer.moreTired === t}
                  className={`${big} ${answer.moreTired === t ? on : off}`}
                  onClick={() => setAnswer({ ...answer, moreTired: t })}
                >
                  {t ? 'yes' : 'no'}
                </button>
              ))}
            </div>
          </fieldset>
          <fieldset>
            <legend className="mb-2 font-semibold">4. Anything new?</legend>
            <div className="grid gap-1.5">
              <button
                type="button"
                disabled={!ready || send.isPending}
                className={`${big} border-teal bg-teal text-white disabled:border-line disabled:bg-line disabled:text-soft`}
                onClick={() => done([])}
              >
                Nothing new, send
              </button>
              {SIGNS.map((s) => (
                <button
                  key={s.id}
                  type="button"
                  disabled={!ready || send.isPending}
                  className={`${big} ${off} disabled:text-soft`}
                  onClick={() => done([s.id])}
                >
                  {s.words}, send
                </button>
              ))}
            </div>
            {!ready && <p className="mt-2 text-base text-soft">Tap 1, 2 and 3 first.</p>}
          </fieldset>
          <Failure error={send.error} />
          <p className="mt-5 text-base text-soft">
            Chest pain, fainting, a face or arm gone weak: do not wait for us, call{' '}
            {page.data.emergencyNumber}.
          </p>
        </>
      )}
    </main>
  )
}
