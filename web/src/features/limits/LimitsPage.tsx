import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { amount, day } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button, Dialog, Failure, Field, Loading } from '../../ui'
import { useClient } from '../clients'

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
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
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
                </span>
              </div>
              <div className="text-sm">
                {states[l.state]}
                <span className="block text-soft">
                  from {day(l.from)} {l.until ? `until ${day(l.until)}` : 'until reviewed'}
                </span>
              </div>
              <div className="flex gap-1">
                {on && (
                  <>
                    <Button quiet onClick={() => setForm({ limit: l })}>
                      {l.strength === 'FIRM' ? 'Tighten' : 'Change'}
                    </Button>
                    {l.strength === 'ADVISED' && (
                      <Button quiet onClick={() => setLifting(l)}>
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
        {lifting && <LiftForm limit={lifting} onDone={() => setLifting(null)} />}
      </Dialog>
    </>
  )
}

function LiftForm({ limit, onDone }: { limit: S['LimitView']; onDone: () => void }) {
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const lift = useMutation({
    mutationFn: () => api.post(`/limits/${limit.id}/lift`, { reason }, limit.version),
    onSuccess: () => {
      void cache.invalidateQueries()
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

function LimitForm({
  clientId,
  limit,
  onDone,
}: {
  clientId: string
  limit?: S['LimitView']
  onDone: () => void
}) {
  const axes = useQuery({
    queryKey: ['axes'],
    queryFn: () => api.get<S['AxisView'][]>('/axes'),
    staleTime: Infinity,
  })
  const today = useToday()
  const [form, setForm] = useState({
    axisId: limit?.axisId ?? 'joint.knee-flexion.loaded',
    side: limit?.side ?? ('BOTH' as S['LimitView']['side']),
    cap: limit?.cap ?? 60,
    strength: limit?.strength ?? ('FIRM' as S['LimitView']['strength']),
    source: limit?.source ?? '',
    from: limit && limit.from > today ? limit.from : today,
    until: limit?.until ?? '',
  })
  const cache = useQueryClient()
  const axis = axes.data?.find((a) => a.id === form.axisId)
  const closes = axis?.unit === 'CLOSED'
  const save = useMutation({
    mutationFn: () => {
      const body = {
        ...form,
        side: axis?.sided ? form.side : 'BOTH',
        cap: closes ? 0 : form.cap,
        until: form.until || null,
      }
      return limit
        ? api.put(`/limits/${limit.id}`, body, limit.version)
        : api.post(`/clients/${clientId}/limits`, body)
    },
    onSuccess: () => {
      void cache.invalidateQueries()
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  if (!axes.data) return <Loading what="the axes" />
  const unit = axis?.unit === 'GRAMS' ? 'grams' : axis ? amount(axis.unit, 0).replace('0', '').trim() : ''
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <Field label="What is limited" error={error?.field('/axisId')}>
        {(p) => (
          <select
            {...p}
            disabled={!!limit}
            value={form.axisId}
            onChange={(e) => setForm({ ...form, axisId: e.target.value })}
          >
            {axes.data.map((a) => (
              <option key={a.id} value={a.id}>
                {a.unit === 'CLOSED' ? `no ${a.words}` : a.words}
              </option>
            ))}
          </select>
        )}
      </Field>
      <div className="grid grid-cols-2 gap-x-4">
        {axis?.sided && (
          <Field label="Side" error={error?.field('/side')}>
            {(p) => (
              <select
                {...p}
                value={form.side}
                onChange={(e) => setForm({ ...form, side: e.target.value as typeof form.side })}
              >
                <option value="BOTH">both</option>
                <option value="LEFT">left</option>
                <option value="RIGHT">right</option>
              </select>
            )}
          </Field>
        )}
        {!closes && (
          <Field
            label={`At most${unit ? ` (${unit})` : ''}`}
            hint={axis && `0 to ${axis.greatest}`}
            error={error?.field('/cap')}
          >
            {(p) => (
              <input
                {...p}
                type="number"
                value={form.cap}
                onChange={(e) => setForm({ ...form, cap: Number(e.target.value) })}
              />
            )}
          </Field>
        )}
        <Field label="Strength">
          {(p) => (
            <select
              {...p}
              value={form.strength}
              onChange={(e) => setForm({ ...form, strength: e.target.value as typeof form.strength })}
            >
              <option value="FIRM">firm: a clinician’s word</option>
              <option value="ADVISED">advised: our judgement</option>
            </select>
          )}
        </Field>
        <Field label="Source" hint="physio letter, R. Lind" error={error?.field('/source')}>
          {(p) => (
            <input
              {...p}
              value={form.source}
              onChange={(e) => setForm({ ...form, source: e.target.value })}
            />
          )}
        </Field>
        <Field label="From" error={error?.field('/from')}>
          {(p) => (
            <input
              {...p}
              type="date"
              value={form.from}
              onChange={(e) => setForm({ ...form, from: e.target.value })}
            />
          )}
        </Field>
        <Field
          label="Until, last day"
          hint="empty: until reviewed; a firm limit stays on"
          error={error?.field('/until')}
        >
          {(p) => (
            <input
              {...p}
              type="date"
              value={form.until}
              onChange={(e) => setForm({ ...form, until: e.target.value })}
            />
          )}
        </Field>
      </div>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        {limit ? 'Replace' : 'Set the limit'}
      </Button>
    </form>
  )
}
