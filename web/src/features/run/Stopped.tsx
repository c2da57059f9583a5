import { useState } from 'react'
import { ApiError, type S, http, told } from '../../lib/api'

const AFTER: Record<S['StopView']['after'], string> = {
  EMERGENCY: 'This client starts again only with a clearance dated after today.',
  ASK_FIRST: 'No more today; a clinician is asked before the next session.',
  GLUCOSE: 'Starts again only with a reading over 5.0 mmol/L, 15 minutes after the low.',
}

/** What the stop panel recorded: what to do first, what follows, and the way back for a tap in error. */
export function Stopped({
  run,
  emergency,
  onChange,
}: {
  run: S['RunView']
  emergency: string
  onChange: () => Promise<void>
}) {
  return (
    <>
      <p className="mb-4 text-lg">
        Make safe, follow your local protocol and first-aid training; emergency number{' '}
        <strong className="font-mono text-2xl">{emergency}</strong>.
      </p>
      <ul className="mb-5">
        {run.stops.map((s) => (
          <li key={s.id} className="mb-3 border-l-4 border-sand pl-4">
            <p className="text-xl font-bold">
              {run.group && (run.people.find((p) => p.clientId === s.person)?.called ?? 'everybody') + ': '}
              {s.words} <span className="font-mono text-base font-normal text-[#b8c8cd]">{s.time}</span>
            </p>
            {s.withdrawn ? (
              <p>
                Withdrawn as tapped in error by {s.withdrawn.by}: {s.withdrawn.reason}. The session stays
                ended; both are kept.
              </p>
            ) : (
              <>
                <p>
                  {s.aid} <span className="text-sm text-[#a9bcc2]">{s.source}</span>
                </p>
                <p>{AFTER[s.after]}</p>
                {s.open && <Withdraw runId={run.id} stopId={s.id} onChange={onChange} />}
              </>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}

function Withdraw({
  runId,
  stopId,
  onChange,
}: {
  runId: string
  stopId: string
  onChange: () => Promise<void>
}) {
  const [asking, setAsking] = useState(false)
  const [reason, setReason] = useState('')
  const [sending, setSending] = useState(false)
  const [failed, setFailed] = useState<ApiError>()
  const withdraw = async () => {
    setSending(true)
    setFailed(undefined)
    try {
      await told(
        http.POST('/api/runs/{runId}/stops/{eventId}/withdrawal', {
          params: { path: { runId, eventId: stopId } },
          body: { reason },
        }),
      )
      await onChange()
    } catch (e) {
      if (!(e instanceof ApiError)) throw e
      setFailed(e)
    } finally {
      setSending(false)
    }
  }
  const button = 'mt-2 min-h-[46px] rounded-md border border-[#41606b] px-4 font-semibold disabled:opacity-60'
  if (!asking)
    return (
      <button type="button" className={button} onClick={() => setAsking(true)}>
        Tapped in error
      </button>
    )
  return (
    <form
      className="mt-2 max-w-lg"
      onSubmit={(e) => {
        e.preventDefault()
        void withdraw()
      }}
    >
      <label className="block">
        How did it come to be tapped? Kept with the sign; today only.
        <input
          className="mt-1 text-ink"
          value={reason}
          maxLength={400}
          aria-invalid={!!failed}
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      {failed && (
        <p role="alert" className="mt-1 font-bold text-sand">
          {failed.field('/reason') ?? failed.message}
        </p>
      )}
      <div className="flex gap-2">
        <button type="submit" className={button} disabled={sending}>
          Withdraw this stop
        </button>
        <button type="button" className={button} onClick={() => setAsking(false)}>
          Leave it
        </button>
      </div>
    </form>
  )
}
