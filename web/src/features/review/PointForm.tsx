import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, given, http, ifMatch, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { capLabel, sent } from '../limits/caps'
import { useClient } from '../clients/useClient'

const KINDS = [
  ['GOAL', 'goal'],
  ['LIMIT', 'limit'],
  ['PLAN', 'plan'],
  ['EFFORT', 'effort'],
  ['OTHER', 'other'],
] as const
const BLANK = { words: '', axisId: '', side: 'LEFT', cap: '', until: '', planId: '', effort: '' }

/** A point that is decided: it takes effect at once. */
export function PointForm({ v }: { v: S['ReviewView'] }) {
  const { client } = useClient()
  const cache = useQueryClient()
  const [kind, setKind] = useState<S['PointForm']['kind']>()
  const [form, setForm] = useState(BLANK)
  const axes = useQuery({ ...q.limits.axes(), enabled: kind === 'LIMIT' })
  const plans = useQuery({ ...q.plans.all(), enabled: kind === 'PLAN' })
  const me = useQuery(q.studio.me())
  const mass = me.data?.massUnit ?? 'KG'
  const axis = axes.data?.find((a) => a.id === form.axisId)
  const decide = useMutation({
    mutationFn: (of: S['PointForm']['kind']) => {
      const cap = axis?.unit === 'CLOSED' ? 0 : sent(axis?.unit ?? '', form.cap, mass)
      const side = axis?.sided ? (form.side as S['PointForm']['side']) : 'BOTH'
      return told(
        http.POST('/api/reviews/{id}/points', {
          params: { path: { id: v.id }, header: ifMatch(v.version) },
          body: {
            kind: of,
            words: form.words.trim() || undefined,
            ...(of === 'LIMIT' && {
              axisId: form.axisId || undefined,
              side,
              cap: Number.isFinite(cap) ? cap : undefined,
              until: form.until || undefined,
            }),
            ...(of === 'PLAN' && { planId: form.planId || undefined }),
            ...(of === 'EFFORT' && { effort: given(form.effort ? Number(form.effort) : undefined) }),
          },
        }),
      )
    },
    onSuccess: (now) => {
      cache.setQueryData(q.reviews.one(client.id, v.id).queryKey, now)
      setForm(BLANK)
      setKind(undefined)
      void q.changed(cache, 'client', client.id)
    },
  })
  const error = decide.error instanceof ApiError ? decide.error : undefined
  const set = (k: keyof typeof BLANK) => (e: { target: { value: string } }) =>
    setForm({ ...form, [k]: e.target.value })
  return (
    <form
      noValidate
      aria-label="Decide a point"
      className="mb-4"
      onSubmit={(e) => {
        e.preventDefault()
        if (kind) decide.mutate(kind)
      }}
    >
      <Choice label="Decide a point: it becomes a" options={KINDS} value={kind} onChange={setKind} />
      {kind === 'LIMIT' && (
        <div className="grid grid-cols-2 gap-x-4">
          <div className="col-span-2">
            <Field label="What is limited" error={error?.field('/axisId')}>
              {(p) => (
                <select {...p} value={form.axisId} onChange={set('axisId')}>
                  <option value="">Choose</option>
                  {axes.data?.map((a) => (
                    <option key={a.id} value={a.id}>
                      {a.words}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          </div>
          {axis?.sided && (
            <Field label="Side" error={error?.field('/side')}>
              {(p) => (
                <select {...p} value={form.side} onChange={set('side')}>
                  <option value="LEFT">left</option>
                  <option value="RIGHT">right</option>
                  <option value="BOTH">both</option>
                </select>
              )}
            </Field>
          )}
          {axis && axis.unit !== 'CLOSED' && (
            <Field label={capLabel(axis.unit, mass)} error={error?.field('/cap')}>
              {(p) => <input {...p} type="number" step="any" value={form.cap} onChange={set('cap')} />}
            </Field>
          )}
          <Field label="Until, last day" hint="empty: until reviewed" error={error?.field('/until')}>
            {(p) => <input {...p} type="date" value={form.until} onChange={set('until')} />}
          </Field>
        </div>
      )}
      {kind === 'PLAN' && (
        <Field label="Plan of the coming sessions" error={error?.field('/planId')}>
          {(p) => (
            <select {...p} value={form.planId} onChange={set('planId')}>
              <option value="">Choose</option>
              {plans.data?.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
      {kind === 'EFFORT' && (
        <Field
          label="Effort aimed for, 1 to 10"
          hint={`now ${client.goalEffort}; lower caps win`}
          error={error?.field('/effort')}
        >
          {(p) => (
            <input {...p} type="number" min={1} max={10} value={form.effort} onChange={set('effort')} />
          )}
        </Field>
      )}
      {kind && (
        <>
          <Field label={WORDS[kind]} error={error?.field('/words')}>
            {(p) => <input {...p} maxLength={400} value={form.words} onChange={set('words')} />}
          </Field>
          <Failure error={decide.error} />
          <Button type="submit" disabled={decide.isPending}>
            Decide
          </Button>
        </>
      )}
    </form>
  )
}

const WORDS: Record<S['PointForm']['kind'], string> = {
  GOAL: 'The goal, in their words',
  LIMIT: 'Why',
  PLAN: 'Why',
  EFFORT: 'Why',
  OTHER: 'The point',
}
