import { StrictMode, Suspense, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { http, told, type S } from '../../lib/api'
import { later } from '../../lib/later'
import { useTold } from '../../lib/told'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

const Questions = later(() => import('./Questions'), 'Questions')

/** The page of a check-in link, by itself. */
export function start(root: HTMLElement) {
  const token = decodeURIComponent(location.pathname.split('/')[2] ?? '')
  // come while the server looks whose link it is
  void Questions.load().catch(() => {})
  createRoot(root).render(
    <StrictMode>
      <CheckInPage token={token} />
    </StrictMode>,
  )
}

/** An answer that was kept, and until when it may be changed. */
interface Sent {
  answer: S['NextDay']
  until: string
}

const nextDay = (a: S['Answer']): S['NextDay'] => ({ ...a, more: a })

/** Four taps on the client's phone, the day after. */
export function CheckInPage({ token }: { token: string }) {
  const link = { params: { path: { token } } }
  const { data: page, error } = useTold(token, () => told(http.GET('/api/check-in/{token}', link)))
  const [sent, setSent] = useState<Sent>()
  const [changing, setChanging] = useState(false)
  if (error)
    return (
      <main className="mx-auto max-w-md px-4 py-5 text-lg">
        <title>Check-in</title>
        <h1 className="mb-1 text-2xl font-bold">Your check-in</h1>
        <Failure error={error} />
      </main>
    )
  if (!page)
    return (
      <main className="mx-auto max-w-md px-4 py-5 text-lg">
        <Loading what="your check-in" />
      </main>
    )
  const kept =
    sent ?? (page.answer && page.changeUntil ? { answer: page.answer, until: page.changeUntil } : undefined)
  return (
    <main className="mx-auto max-w-md px-4 py-5 text-lg">
      <title>{`How are you? ${page.studio}`}</title>
      {kept && !changing ? (
        <>
          <h1 className="mb-3 text-2xl font-bold text-teal">Thank you, {page.firstName}.</h1>
          <p>{page.studio} has your answer before your next session.</p>
          {kept.answer.newSigns.includes('EMERGENCY') ? (
            <p role="alert" className="mt-3 border-l-4 border-brick pl-3 font-bold text-brick">
              Call {page.emergencyNumber} now. Do not wait for {page.studio}.
            </p>
          ) : (
            kept.answer.newSigns.length > 0 && (
              <p className="mt-3 font-semibold">
                Please also tell your doctor or physio about what is new. If it is sudden or severe, call{' '}
                {page.emergencyNumber}.
              </p>
            )
          )}
          <p className="mt-4 text-base text-soft">A wrong tap? It can be changed until {kept.until}.</p>
          <button
            type="button"
            className="mt-1 min-h-[54px] rounded-md border-2 border-line bg-sheet px-4 font-semibold"
            onClick={() => setChanging(true)}
          >
            Change my answer
          </button>
        </>
      ) : (
        <>
          <h1 className="text-2xl font-bold">
            How are you{page.second ? ' three days after' : page.daysLate > 0 ? '' : ' today'},{' '}
            {page.firstName}?
          </h1>
          <p className="mb-4 text-base text-soft">
            {page.studio}, about the session of {page.session}. Four taps.
          </p>
          {page.daysLate > 0 && (
            <p className="mb-4 border-l-4 border-ochre pl-3 text-base">
              {page.daysLate === 1 ? 'A day' : `${page.daysLate} days`} late is fine: think of{' '}
              {page.second ? 'the third day after it' : 'the morning after it'}.
            </p>
          )}
          <Suspense fallback={<Loading what="the questions" />}>
            <Questions
              key={String(changing)}
              before={kept?.answer}
              emergency={page.emergencyNumber}
              third={page.second}
              send={async (body) => {
                const { changeUntil } = await told(http.POST('/api/check-in/{token}', { ...link, body }))
                setSent({ answer: nextDay(body), until: changeUntil })
                setChanging(false)
              }}
            />
          </Suspense>
          <p className="mt-5 text-base text-soft">
            Chest pain, fainting, a face or arm gone weak: do not wait for us, call {page.emergencyNumber}.
          </p>
        </>
      )}
    </main>
  )
}
