import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { useClient } from '../clients/useClient'
import { FloorWays } from './FloorWays'
import { OnDate } from './OnDate'

const LimitForm = later(() => import('./LimitForm'), 'LimitForm')

const states: Record<string, string> = {
  ACTIVE: 'holds today',
  REVIEW_DUE: 'review due, still on',
  LATER: 'begins later',
  ENDED: 'ended',
  LIFTED: 'lifted',
}

export function LimitsPage() {
  const { client, limits } = useClient()
  const [form, setForm] = useState<{ limit?: S['LimitView'] } | null>(null)
  const [lifting, setLifting] = useState<S['LimitView'] | null>(null)
  return (
    <>
      <OnDate clientId={client.id} />
      <FloorWays clientId={client.id} />
      <div className="mb-3 mt-10 flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-lg font-bold">Limits and their history</h2>
        <Button main onClick={() => setForm({})}>
          Add a limit
        </Button>
      </div>
      {limits.length === 0 && (
        <p className="border-t-2 border-ink py-5">
          None yet. A screening proposes them; a clinician’s word is added here.
        </p>
      )}
      <ul className="border-t-2 border-ink">
        {limits.map((l) => {
          const on = l.state === 'ACTIVE' || l.state === 'REVIEW_DUE' || l.state === 'LATER'
          return (
            <li
              key={l.id}
              className={`grid gap-x-6 gap-y-1 border-b border-line py-3 md:grid-cols-[1fr_200px_150px] ${on ? '' : 'text-soft'}`}
            >
              <div>
                <strong className={l.state === 'LIFTED' || l.state === 'ENDED' ? 'line-through' : ''}>
                  {l.words}
                </strong>
                <span className="block text-sm text-soft">
                  {l.strength === 'FIRM' ? 'firm' : 'advised'} · {l.source}
                  {l.why && ` · ${l.why}`}
                  {l.liftedReason && ` · lifted ${l.liftedFrom ? day(l.liftedFrom) : ''}: ${l.liftedReason}`}
                  {l.attachment && (
                    <>
                      {' · '}
                      <a className="text-teal underline" href={`/api/attachments/${l.attachment.id}`}>
                        {l.attachment.name}
                      </a>
                    </>
                  )}
                </span>
              </div>
              <div className="text-sm">
                {states[l.state]}
                <span className="block text-soft">
                  from {day(l.from)}{' '}
                  {l.until
                    ? `until ${day(l.until)}`
                    : `until reviewed${l.review ? `, review ${day(l.review)}` : ''}`}
                </span>
              </div>
              <div className="flex gap-1">
                {on && (
                  <>
                    <Button
                      quiet
                      onClick={() => setForm({ limit: l })}
                      aria-label={`${l.strength === 'FIRM' ? 'Tighten' : 'Change'}: ${l.words}`}
                    >
                      {l.strength === 'FIRM' ? 'Tighten' : 'Change'}
                    </Button>
                    {l.strength === 'ADVISED' && (
                      <Button quiet onClick={() => setLifting(l)} aria-label={`Lift: ${l.words}`}>
                        Lift
                      </Button>
                    )}
                  </>
                )}
              </div>
            </li>
          )
        })}
      </ul>
      <Dialog
        open={form !== null}
        onOpenChange={(o) => !o && setForm(null)}
        title={form?.limit ? 'Change a limit' : 'Add a limit'}
        wide
      >
        {form && (
          <LimitForm
            key={form.limit?.id ?? 'new'}
            clientId={client.id}
            limit={form.limit}
            onDone={() => setForm(null)}
          />
        )}
      </Dialog>
      <Dialog
        open={lifting !== null}
        onOpenChange={(o) => !o && setLifting(null)}
        title="Lift an advised limit"
      >
        {lifting && <LiftForm clientId={client.id} limit={lifting} onDone={() => setLifting(null)} />}
      </Dialog>
    </>
  )
}

function LiftForm({
  clientId,
  limit,
  onDone,
}: {
  clientId: string
  limit: S['LimitView']
  onDone: () => void
}) {
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const lift = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/limits/{id}/lift', {
          params: { path: { id: limit.id }, header: ifMatch(limit.version) },
          body: { reason },
        }),
      ),
    onSuccess: () => {
      void q.changed(cache, 'client', clientId)
      onDone()
    },
  })
  const error = lift.error instanceof ApiError ? lift.error : undefined
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        lift.mutate()
      }}
    >
      <p className="mb-3 font-semibold">{limit.words}</p>
      <Field label="Why" error={error?.field('/reason')}>
        {(p) => <input {...p} autoFocus value={reason} onChange={(e) => setReason(e.target.value)} />}
      </Field>
      <Failure error={lift.error} />
      <Button main type="submit" disabled={lift.isPending}>
        Lift from today
      </Button>
    </form>
  )
}
