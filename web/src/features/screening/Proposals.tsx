import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, http, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { capLabel, kept, shown } from '../limits/caps'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'

/** Proposed limits, accepted, changed or declined one by one; nothing is applied silently. */
export function Proposals({ clientId, screening }: { clientId: string; screening: S['ScreeningView'] }) {
  const list = screening.assessment.proposals
  const open = list.filter((p) => !p.decision).length
  if (list.length === 0) return <p>No limits proposed.</p>
  const groups: { condition: string; list: S['ProposalView'][] }[] = []
  for (const p of list) {
    const g = groups.find((x) => x.condition === p.condition)
    if (g) g.list.push(p)
    else groups.push({ condition: p.condition, list: [p] })
  }
  return (
    <>
      <h3 className="font-bold">
        Proposed limits{' '}
        <span className="font-normal text-soft">
          {open === 0 ? 'all decided' : `${open} of ${list.length} to decide`}
        </span>
      </h3>
      {groups.map((g) => (
        <Group
          key={g.condition}
          clientId={clientId}
          screeningId={screening.id}
          condition={g.condition}
          list={g.list}
        />
      ))}
    </>
  )
}

/** The limits one condition brings, accepted together or one by one. */
function Group({
  clientId,
  screeningId,
  condition,
  list,
}: {
  clientId: string
  screeningId: string
  condition: string
  list: S['ProposalView'][]
}) {
  const cache = useQueryClient()
  const open = list.filter((p) => !p.decision)
  const accept = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/screenings/{id}/decisions/accept', {
          params: { path: { id: screeningId } },
          body: { keys: open.map((p) => p.key) },
        }),
      ),
    onSuccess: () => void q.changed(cache, 'client', clientId),
  })
  return (
    <section className="mt-4" aria-label={condition}>
      <div className="flex flex-wrap items-end justify-between gap-2 border-b-2 border-ink pb-1">
        <h4 className="font-bold">
          {condition[0]?.toUpperCase() + condition.slice(1)}{' '}
          <span className="font-normal text-soft">
            <a
              className="underline decoration-dotted underline-offset-2"
              href={`/rules?area=limits&q=${encodeURIComponent(condition)}`}
              target="_blank"
              rel="noreferrer"
            >
              {list[0]?.source}
            </a>{' '}
            · {open.length === 0 ? 'decided' : `${open.length} to decide`}
          </span>
        </h4>
        {open.length > 1 && (
          <Button
            onClick={() => accept.mutate()}
            disabled={accept.isPending}
            aria-label={`Accept all ${open.length} of ${condition}`}
          >
            Accept these {open.length}
          </Button>
        )}
      </div>
      <ul>
        {list.map((p) => (
          <Row key={p.key} clientId={clientId} screeningId={screeningId} p={p} />
        ))}
      </ul>
      <Failure error={accept.error} />
    </section>
  )
}

function Row({ clientId, screeningId, p }: { clientId: string; screeningId: string; p: S['ProposalView'] }) {
  const [mode, setMode] = useState<'CHANGED' | 'DECLINED' | null>(null)
  const [cap, setCap] = useState(shown(p.unit, p.cap))
  const [from, setFrom] = useState(p.from)
  const firm = p.strength === 'FIRM'
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const decide = useMutation({
    mutationFn: (decision: S['ProposalDecision']['decision']) =>
      told(
        http.POST('/api/screenings/{id}/decisions', {
          params: { path: { id: screeningId } },
          body: {
            key: p.key,
            decision,
            cap: decision === 'CHANGED' && p.unit !== 'CLOSED' ? kept(p.unit, cap) : undefined,
            from: decision === 'CHANGED' ? from : undefined,
            reason: given(reason),
          },
        }),
      ),
    onSuccess: () => void q.changed(cache, 'client', clientId),
  })
  const error = decide.error instanceof ApiError ? decide.error : undefined
  return (
    <li className="border-b border-line py-2.5">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <div className="min-w-0 flex-1 basis-72">
          <strong>{p.words}</strong> <span className="text-sm">{p.why}</span>
          <span className="block text-[13px] text-soft">
            {firm ? 'firm' : 'advised'} · from {day(p.from)} ·{' '}
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
            <Button quiet onClick={() => setMode('CHANGED')} aria-label={`Change: ${p.words}`}>
              {firm ? 'Tighten' : 'Change'}
            </Button>
            {!firm && (
              <Button quiet onClick={() => setMode('DECLINED')} aria-label={`Decline: ${p.words}`}>
                Decline
              </Button>
            )}
          </span>
        )}
      </div>
      {mode && !p.decision && (
        <form
          className="mt-2 grid gap-x-4 sm:grid-cols-[130px_160px_1fr_auto] sm:items-end"
          onSubmit={(e) => {
            e.preventDefault()
            decide.mutate(mode)
          }}
        >
          {mode === 'CHANGED' && p.unit !== 'CLOSED' ? (
            <Field label={capLabel(p.unit)} error={error?.field('/cap')}>
              {(f) => (
                <input
                  {...f}
                  type="number"
                  step="any"
                  required
                  value={Number.isNaN(cap) ? '' : cap}
                  onChange={(e) => setCap(e.target.valueAsNumber)}
                />
              )}
            </Field>
          ) : (
            <span />
          )}
          {mode === 'CHANGED' ? (
            <Field label="From" error={error?.field('/from')}>
              {(f) => <input {...f} type="date" value={from} onChange={(e) => setFrom(e.target.value)} />}
            </Field>
          ) : (
            <span />
          )}
          <Field label="Reason, and who said so" error={error?.field('/reason')}>
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
