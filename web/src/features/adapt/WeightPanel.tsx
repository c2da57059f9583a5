import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, http, told, type S } from '../../lib/api'
import { gramsUp, kilos } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'

/** The weight of a slot: where it comes from, and one set by hand inside the caps, with its way back. */
export function WeightPanel({
  clientId,
  planId,
  slot,
  weight,
  onSet,
}: {
  clientId: string
  planId: string
  slot: S['SlotView']
  weight: S['SlotWeight']
  /** called when a weight was set by hand */
  onSet?: () => void
}) {
  const [kg, setKg] = useState('')
  const [reason, setReason] = useState('')
  const [bad, setBad] = useState<string>()
  const cache = useQueryClient()
  const desk = q.desk(clientId, planId)
  const path = { params: { path: { clientId, planId, key: slot.key } } }
  const shown = (v: S['AdaptedView']) => {
    cache.setQueryData(desk.adapted().queryKey, v)
    setKg('')
    setReason('')
  }
  const set = useMutation({
    mutationFn: (body: S['WeightForm']) =>
      told(http.PUT('/api/clients/{clientId}/adapted/{planId}/slots/{key}/weight', { ...path, body })),
    onSuccess: (v) => {
      shown(v)
      onSet?.()
    },
  })
  const back = useMutation({
    mutationFn: () => told(http.DELETE('/api/clients/{clientId}/adapted/{planId}/slots/{key}/weight', path)),
    onSuccess: shown,
  })
  const refused = set.error instanceof ApiError ? set.error : undefined
  const asksWhy = refused?.field('/reason')
  const send = (today: boolean) => {
    const n = kg.trim() === '' ? NaN : Number(kg.replace(',', '.'))
    if (!Number.isFinite(n) || n <= 0) {
      setBad('A number of kilograms, such as 2 or 2.5.')
      return
    }
    setBad(undefined)
    // up, so that a cap is never passed by rounding
    set.mutate({ grams: gramsUp(n), today, reason: reason.trim() === '' ? undefined : reason })
  }
  return (
    <section aria-label="Weight" className="pt-1">
      <p className="mb-2 text-sm">{weight.words}</p>
      <form
        className="[&>div]:mb-2"
        onSubmit={(e) => {
          e.preventDefault()
          send(true)
        }}
      >
        <Field
          label="Another weight, kg"
          hint={`as printed on it; now ${weight.grams === 0 ? 'none' : kilos(weight.grams)}. Limits still hold`}
          error={bad ?? refused?.field('/grams')}
        >
          {(p) => <input {...p} inputMode="decimal" value={kg} onChange={(e) => setKg(e.target.value)} />}
        </Field>
        {(asksWhy || reason) && (
          <Field label="Why" error={asksWhy}>
            {(p) => <input {...p} value={reason} onChange={(e) => setReason(e.target.value)} />}
          </Field>
        )}
        <p className="flex flex-wrap gap-2">
          <Button type="submit" disabled={set.isPending}>
            For today
          </Button>
          <Button disabled={set.isPending} onClick={() => send(false)}>
            From now on
          </Button>
          {weight.set && (
            <Button quiet disabled={back.isPending} onClick={() => back.mutate()}>
              Take mine back
            </Button>
          )}
        </p>
      </form>
      {(set.isPaused || back.isPaused) && (
        <p role="status" className="text-sm">
          No connection: not set yet, it goes out when the network is back.
        </p>
      )}
      <Failure error={refused?.field('/grams') || asksWhy ? back.error : (set.error ?? back.error)} />
    </section>
  )
}
