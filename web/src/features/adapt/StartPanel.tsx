import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { Button, Dialog, Failure, Field } from '../../ui'
import { useClient } from '../clients'

/** What is asked before a run: a reading where the conditions want one, pain, and a reason where one is needed. */
export function StartPanel({
  open,
  onOpenChange,
  planId,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  planId: string
}) {
  const { client, readiness } = useClient()
  const [pain, setPain] = useState<number | null>(null)
  const [form, setForm] = useState({ systolic: '', diastolic: '', unwell: false, reason: '' })
  const navigate = useNavigate()
  const cache = useQueryClient()
  const start = useMutation({
    mutationFn: () =>
      api.post<S['Run']>('/runs', {
        clientId: client.id,
        planId,
        painBefore: pain,
        systolic: form.systolic ? Number(form.systolic) : null,
        diastolic: form.diastolic ? Number(form.diastolic) : null,
        unwell: form.unwell,
        reason: form.reason || null,
      }),
    onSuccess: (r) => {
      void cache.invalidateQueries()
      void navigate(`/run/${r.id}`)
    },
  })
  const error = start.error instanceof ApiError ? start.error : undefined
  const wantsReason = readiness.outcome === 'ASK_FIRST' || error?.problem.code === 'reason-wanted'
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={`Before ${client.name.split(' ')[0]} starts`}>
      {readiness.outcome === 'CLEARANCE_ONLY' ? (
        <>
          <p className="font-bold text-brick">Only a clearance opens this; no reason lifts it.</p>
          {readiness.findings.map((f) => (
            <p key={f.rule} className="mt-2">
              {f.text}
            </p>
          ))}
          <Link className="btn btn-main mt-4" to={`/clients/${client.id}`}>
            Record a clearance
          </Link>
        </>
      ) : (
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault()
            start.mutate()
          }}
        >
          <p className="mb-3 text-sm text-soft">
            Shoes on, chair solid and still, brakes on, water and inhaler or tablets at hand, phone near.
          </p>
          <fieldset className="mb-4">
            <legend className="mb-1 font-semibold">Pain now, 0 to 10</legend>
            <div className="flex flex-wrap gap-1">
              {Array.from({ length: 11 }, (_, n) => (
                <button
                  key={n}
                  type="button"
                  aria-pressed={pain === n}
                  onClick={() => setPain(n)}
                  className={`min-h-[44px] w-[38px] rounded border font-mono ${pain === n ? 'border-ink bg-ink text-white' : 'border-line bg-sheet'}`}
                >
                  {n}
                </button>
              ))}
            </div>
            {error?.field('/painBefore') && (
              <p className="mt-1 text-sm font-semibold text-brick">{error.field('/painBefore')}</p>
            )}
          </fieldset>
          {readiness.pressureReading && (
            <div className="grid grid-cols-2 gap-4">
              <Field
                label="Blood pressure, upper"
                hint="mmHg, seated; required"
                error={error?.field('/systolic')}
              >
                {(p) => (
                  <input
                    {...p}
                    inputMode="numeric"
                    value={form.systolic}
                    onChange={(e) => setForm({ ...form, systolic: e.target.value.replace(/\D/g, '') })}
                  />
                )}
              </Field>
              <Field label="lower" hint="mmHg" error={error?.field('/diastolic')}>
                {(p) => (
                  <input
                    {...p}
                    inputMode="numeric"
                    value={form.diastolic}
                    onChange={(e) => setForm({ ...form, diastolic: e.target.value.replace(/\D/g, '') })}
                  />
                )}
              </Field>
            </div>
          )}
          <label className="mb-4 flex items-center gap-2">
            <input
              type="checkbox"
              checked={form.unwell}
              onChange={(e) => setForm({ ...form, unwell: e.target.checked })}
            />
            Fever, chest infection, vomiting or a new symptom
          </label>
          {wantsReason && (
            <Field label="Reason to go ahead" hint="kept with the run" error={error?.field('/reason')}>
              {(p) => (
                <input
                  {...p}
                  value={form.reason}
                  onChange={(e) => setForm({ ...form, reason: e.target.value })}
                />
              )}
            </Field>
          )}
          <Failure error={start.error} />
          <Button main type="submit" disabled={start.isPending}>
            Start
          </Button>
        </form>
      )}
    </Dialog>
  )
}
