import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { Button, Failure, Field } from '../../ui'

const KIT = [
  ['CHAIR', 'solid chair'],
  ['WALL', 'free wall'],
  ['COUNTER', 'counter'],
  ['DUMBBELLS', 'dumbbells'],
  ['BAND', 'band'],
  ['STEP', 'step'],
  ['MAT', 'mat'],
  ['PAD', 'knee pad'],
  ['CUSHION', 'firm cushion'],
  ['WEDGE', 'wedge to recline on'],
  ['TOWEL', 'towel'],
  ['BALL', 'ball'],
  ['BED', 'bed or plinth'],
  ['STRAP', 'strap round the trunk'],
] as const

type Form = S['ClientForm']
const BLANK: Form = {
  name: '',
  birthDate: '',
  email: '',
  goal: '',
  facts: '',
  mobility: 'USUAL',
  school: 'PAIN_FREE',
  schoolBy: '',
  usualPain: 0,
  goalEffort: 6,
  kit: ['CHAIR', 'WALL'],
  weights: [],
}

/** Kilograms as typed ("1, 2.5 x 2") to weights; null when a part cannot be read. */
export function readWeights(text: string): S['Weight'][] | null {
  const weights: S['Weight'][] = []
  for (const part of text
    .split(/[,;]/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const m = /^(\d+(?:\.\d{1,3})?)\s*(?:kg)?\s*(?:[x×]\s*(\d+))?$/.exec(part)
    if (!m) return null
    // up, never down: a cap must not be passed by rounding
    weights.push({ grams: Math.ceil(Number(m[1]) * 1000 - 1e-9), count: m[2] ? Number(m[2]) : 2 })
  }
  return weights
}

export function ClientForm({ client, onDone }: { client?: S['Client']; onDone: (c: S['Client']) => void }) {
  const [form, setForm] = useState<Form>(
    client ? { ...BLANK, ...client, kit: client.ownKit.items, weights: client.ownKit.weights } : BLANK,
  )
  const [weights, setWeights] = useState(
    (client?.ownKit.weights ?? [])
      .map((w) => `${w.grams / 1000}${w.count === 2 ? '' : ` x ${w.count}`}`)
      .join(', '),
  )
  const read = readWeights(weights)
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () => {
      const body = {
        name: form.name,
        birthDate: form.birthDate || null,
        email: form.email || null,
        goal: form.goal || null,
        facts: form.facts || null,
        mobility: form.mobility,
        school: form.school,
        schoolBy: form.schoolBy || null,
        usualPain: form.usualPain,
        goalEffort: form.goalEffort,
        kit: form.kit,
        weights: read ?? [],
      }
      return client
        ? api.put<S['Client']>(`/clients/${client.id}`, body, client.version)
        : api.post<S['Client']>('/clients', body)
    },
    onSuccess: (c) => {
      void cache.invalidateQueries()
      onDone(c)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const text = (
    k: 'name' | 'birthDate' | 'email' | 'goal' | 'facts' | 'schoolBy',
    p: object,
    type = 'text',
  ) => (
    <input
      {...p}
      type={type}
      value={form[k] ?? ''}
      onChange={(e) => setForm({ ...form, [k]: e.target.value })}
    />
  )
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        if (read) save.mutate()
      }}
    >
      <div className="grid gap-x-5 sm:grid-cols-2">
        <Field label="Name" error={error?.field('/name')}>
          {(p) => text('name', p)}
        </Field>
        <Field label="Date of birth" error={error?.field('/birthDate')}>
          {(p) => text('birthDate', p, 'date')}
        </Field>
        <Field label="E-mail, for the check-in" error={error?.field('/email')}>
          {(p) => text('email', p, 'email')}
        </Field>
        <Field
          label="Facts that matter"
          hint="two falls last year, T10, second pregnancy"
          error={error?.field('/facts')}
        >
          {(p) => text('facts', p)}
        </Field>
      </div>
      <Field label="Goal, in their words" error={error?.field('/goal')}>
        {(p) => text('goal', p)}
      </Field>
      <div className="grid gap-x-5 sm:grid-cols-3">
        <Field label="Changing posture" hint="slow: 40 s to the floor">
          {(p) => (
            <select
              {...p}
              value={form.mobility}
              onChange={(e) => setForm({ ...form, mobility: e.target.value as Form['mobility'] })}
            >
              <option value="USUAL">usual</option>
              <option value="SLOW">slow</option>
            </select>
          )}
        </Field>
        <Field label="Usual pain, 0 to 10" error={error?.field('/usualPain')}>
          {(p) => (
            <input
              {...p}
              type="number"
              min={0}
              max={10}
              value={form.usualPain}
              onChange={(e) => setForm({ ...form, usualPain: Number(e.target.value) })}
            />
          )}
        </Field>
        <Field label="Goal effort, 1 to 10" error={error?.field('/goalEffort')}>
          {(p) => (
            <input
              {...p}
              type="number"
              min={1}
              max={10}
              value={form.goalEffort}
              onChange={(e) => setForm({ ...form, goalEffort: Number(e.target.value) })}
            />
          )}
        </Field>
        <Field label="School of pain" hint="monitored only with a diagnosis">
          {(p) => (
            <select
              {...p}
              value={form.school}
              onChange={(e) => setForm({ ...form, school: e.target.value as Form['school'] })}
            >
              <option value="PAIN_FREE">pain-free</option>
              <option value="MONITORED">monitored</option>
            </select>
          )}
        </Field>
        {form.school === 'MONITORED' && (
          <div className="sm:col-span-2">
            <Field label="Diagnosis, and who said so" error={error?.field('/schoolBy')}>
              {(p) => text('schoolBy', p)}
            </Field>
          </div>
        )}
      </div>
      <fieldset className="mb-4">
        <legend className="mb-1 font-semibold">
          Own kit, the quick list{' '}
          <span className="font-normal text-soft">used where no room is set on the Kit page</span>
        </legend>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
          {KIT.map(([id, words]) => (
            <label key={id} className="flex min-h-[40px] items-center gap-2">
              <input
                type="checkbox"
                checked={form.kit.includes(id)}
                onChange={(e) =>
                  setForm({
                    ...form,
                    kit: e.target.checked ? [...form.kit, id] : form.kit.filter((k) => k !== id),
                  })
                }
              />
              {words}
            </label>
          ))}
        </div>
      </fieldset>
      <Field
        label="Dumbbells, kg"
        hint="pairs unless said: 1, 2, 2.5 x 1"
        error={
          read === null ? 'Write kilograms with commas between: 1, 2, 2.5 x 1.' : error?.field('/weights')
        }
      >
        {(p) => <input {...p} value={weights} onChange={(e) => setWeights(e.target.value)} />}
      </Field>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        {client ? 'Save' : 'Add, then screen'}
      </Button>
    </form>
  )
}
