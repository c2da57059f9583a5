import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { day } from '../../lib/format'
import { Button, Failure, Field } from '../../ui'

/** Proposed limits, accepted, changed or declined one by one; nothing is applied silently. */
export function Proposals({ screening }: { screening: S['ScreeningView'] }) {
  const list = screening.assessment.proposals
  const open = list.filter((p) => !p.decision).length
  if (list.length === 0) return <p>No limits proposed.</p>
  return (
    <>
      <h3 className="font-bold">
        Proposed limits{' '}
        <span className="font-normal text-soft">
          {open === 0 ? 'all decided' : `${open} of ${list.length} to decide`}
        </span>
      </h3>
      <ul className="mt-1 border-t-2 border-ink">
        {list.map((p) => (
          <Row key={p.key} screeningId={screening.id} p={p} />
        ))}
      </ul>
    </>
  )
}

function Row({ screeningId, p }: { screeningId: string; p: S['ProposalView'] }) {
  const [mode, setMode] = useState<'CHANGED' | 'DECLINED' | null>(null)
  const [cap, setCap] = useState(p.cap)
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const decide = useMutation({
    mutationFn: (decision: string) =>
      api.post(`/screenings/${screeningId}/decisions`, {
        key: p.key,
        decision,
        cap: decision === 'CHANGED' ? cap : null,
        reason: reason || null,
      }),
    onSuccess: () => void cache.invalidateQueries(),
  })
  const error = decide.error instanceof ApiError ? decide.error : undefined
  return (
    <li className="border-b border-line py-2.5">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <div className="min-w-0 flex-1 basis-72">
          <strong>{p.words}</strong> <span className="text-sm">{p.why}</span>
          <span className="block text-[13px] text-soft">
            {p.condition} · {p.source} · from {day(p.from)} ·{' '}
            {p.until ? `until ${day(p.until)}` : `review ${day(p.review)}`}
          </span>
        </div>
        {p.decision ? (
          <span className="text-sm font-semibold">
            {p.decision.toLowerCase()}
            {p.reason && <span className="font-normal text-soft">: {p.reason}</span>}
          </span>
        ) : (
          <span className="flex gap-1">
            <Button
              onClick={() => decide.mutate('ACCEPTED')}
              disabled={decide.isPending}
              aria-label={`Accept: ${p.words}`}
            >
              Accept
            </Button>
            {p.unit !== 'CLOSED' && (
              <Button quiet onClick={() => setMode('CHANGED')} aria-label={`Change: ${p.words}`}>
                Change
              </Button>
            )}
            <Button quiet onClick={() => setMode('DECLINED')} aria-label={`Decline: ${p.words}`}>
              Decline
            </Button>
          </span>
        )}
      </div>
      {mode && !p.decision && (
        <form
          className="mt-2 grid gap-x-4 sm:grid-cols-[120px_1fr_auto] sm:items-end"
          onSubmit={(e) => {
            e.preventDefault()
            decide.mutate(mode)
          }}
        >
          {mode === 'CHANGED' ? (
            <Field label="At most" error={error?.field('/cap')}>
              {(f) => (
                <input {...f} type="number" value={cap} onChange={(e) => setCap(Number(e.target.value))} />
              )}
            </Field>
          ) : (
            <span />
          )}
          <Field label="Reason" error={error?.field('/reason')}>
            {(f) => <input {...f} autoFocus value={reason} onChange={(e) => setReason(e.target.value)} />}
          </Field>
          <Button main type="submit" className="mb-4">
            {mode === 'CHANGED' ? 'Set changed limit' : 'Decline'}
          </Button>
        </form>
      )}
      {!error?.problem.errors && <Failure error={decide.error} />}
    </li>
  )
}
