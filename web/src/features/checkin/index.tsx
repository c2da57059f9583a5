import { StrictMode, Suspense, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { http, told, type S } from '../../lib/api'
import { later } from '../../lib/later'
import { useTold } from '../../lib/told'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

type Answer = S['Answer']
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

/** Four taps on the client's phone, the day after. */
export function CheckInPage({ token }: { token: string }) {
  const link = { params: { path: { token } } }
  const { data: page, error } = useTold(token, () => told(http.GET('/api/check-in/{token}', link)))
  const [sent, setSent] = useState<Answer>()
  if (error)
    return (
      <main className="mx-auto max-w-md px-4 py-5 text-lg">
        <Failure error={error} />
      </main>
    )
  return (
    <main className="mx-auto max-w-md px-4 py-5 text-lg">
      {!page ? (
        <Loading what="your check-in" />
      ) : sent ? (
        <>
          <h1 className="mb-3 text-2xl font-bold text-teal">Thank you, {page.firstName}.</h1>
          <p>{page.studio} has your answer before your next session.</p>
          {sent.newSigns.length > 0 && (
            <p className="mt-3 font-semibold">
              Please also tell your doctor or physio about what is new. If it is sudden or severe, call{' '}
              {page.emergencyNumber}.
            </p>
          )}
        </>
      ) : (
        <>
          <title>{`How are you today? ${page.studio}`}</title>
          <h1 className="text-2xl font-bold">How are you today, {page.firstName}?</h1>
          <p className="mb-4 text-base text-soft">{page.studio}. Four taps.</p>
          <Suspense fallback={<Loading what="the questions" />}>
            <Questions
              send={async (body) => {
                await told(http.POST('/api/check-in/{token}', { ...link, body }))
                setSent(body)
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
