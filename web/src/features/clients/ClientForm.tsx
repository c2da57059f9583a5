import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useForm, useWatch } from 'react-hook-form'
import { zodResolver } from '@hookform/resolvers/zod'
import * as z from 'zod/mini'
import { type S, http, ifMatch, told, given } from '../../lib/api'
import { count, refused } from '../../lib/form'
import { kilos, gramsUp } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { THINGS } from '../kit/things'

const KIT = [
  ['CHAIR', 'solid chair'],
  ['WALL', 'free wall'],
  ['COUNTER', 'counter'],
  ['DUMBBELLS', 'dumbbells'],
  ['BAND', 'band'],
  ['STEP', 'step'],
  ...THINGS,
] as const

type Form = z.infer<typeof FORM>
const DUMBBELLS = 'Write kilograms with commas between: 1, 2, 2.5 x 1.'
/** What is typed, as typed: only what cannot be read is refused here. */
const FORM = z.object({
  name: z.string(),
  birthDate: z.string(),
  email: z.string(),
  goal: z.string(),
  facts: z.string(),
  mobility: z.enum(['USUAL', 'SLOW']),
  school: z.enum(['PAIN_FREE', 'MONITORED']),
  schoolBy: z.string(),
  usualPain: count,
  goalEffort: count,
  kit: z.array(z.custom<S['ClientForm']['kit'][number]>()),
  secondCheckIn: z.boolean(),
  weights: z.string().check(z.refine((t) => readWeights(t) !== null, DUMBBELLS)),
})

/** A client as the form shows them; nobody yet is a blank form. */
const asTyped = (c?: S['Client']): Form => ({
  name: c?.name ?? '',
  birthDate: c?.birthDate ?? '',
  email: c?.email ?? '',
  goal: c?.goal ?? '',
  facts: c?.facts ?? '',
  mobility: c?.mobility ?? 'USUAL',
  school: c?.school ?? 'PAIN_FREE',
  schoolBy: c?.schoolBy ?? '',
  usualPain: String(c?.usualPain ?? 0),
  goalEffort: String(c?.goalEffort ?? 6),
  secondCheckIn: c?.secondCheckIn ?? false,
  kit: c?.ownKit.items ?? ['CHAIR', 'WALL'],
  weights: (c?.ownKit.weights ?? [])
    .map((w) => `${kilos(w.grams)}${w.count === 2 ? '' : ` x ${w.count}`}`)
    .join(', '),
})

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
    weights.push({ grams: gramsUp(Number(m[1])), count: m[2] ? Number(m[2]) : 2 })
  }
  return weights
}

export function ClientForm({ client, onDone }: { client?: S['Client']; onDone: (c: S['Client']) => void }) {
  const form = useForm<Form>({ resolver: zodResolver(FORM), defaultValues: asTyped(client) })
  const { register, formState } = form
  const [school, kit] = useWatch({ control: form.control, name: ['school', 'kit'] })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: (f: Form) => {
      const body: S['ClientForm'] = {
        ...f,
        birthDate: given(f.birthDate),
        email: given(f.email),
        goal: given(f.goal),
        facts: given(f.facts),
        schoolBy: given(f.schoolBy),
        usualPain: Number(f.usualPain),
        goalEffort: Number(f.goalEffort),
        weights: readWeights(f.weights) ?? [],
      }
      return client
        ? told(
            http.PUT('/api/clients/{id}', {
              params: { path: { id: client.id }, header: ifMatch(client.version) },
              body,
            }),
          )
        : told(http.POST('/api/clients', { body }))
    },
    onError: (e) => refused(form, e),
    onSuccess: (c) => {
      void q.changed(cache, 'client', c.id)
      onDone(c)
    },
  })
  const wrong = (k: keyof Form) => formState.errors[k]?.message
  return (
    <form noValidate onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
      <div className="grid gap-x-5 sm:grid-cols-2">
        <Field label="Name" error={wrong('name')}>
          {(p) => <input {...p} {...register('name')} />}
        </Field>
        <Field label="Date of birth" error={wrong('birthDate')}>
          {(p) => <input {...p} type="date" {...register('birthDate')} />}
        </Field>
        <Field label="E-mail, for the check-in" error={wrong('email')}>
          {(p) => <input {...p} type="email" {...register('email')} />}
        </Field>
        <Field
          label="Facts that matter"
          hint="two falls last year, T10, second pregnancy"
          error={wrong('facts')}
        >
          {(p) => <input {...p} {...register('facts')} />}
        </Field>
      </div>
      <Field label="Goal, in their words" error={wrong('goal')}>
        {(p) => <input {...p} {...register('goal')} />}
      </Field>
      <div className="grid gap-x-5 sm:grid-cols-3">
        <Field label="Changing posture" hint="slow: 40 s to the floor">
          {(p) => (
            <select {...p} {...register('mobility')}>
              <option value="USUAL">usual</option>
              <option value="SLOW">slow</option>
            </select>
          )}
        </Field>
        <Field label="Usual pain, 0 to 10" error={wrong('usualPain')}>
          {(p) => <input {...p} type="number" min={0} max={10} {...register('usualPain')} />}
        </Field>
        <Field label="Goal effort, 1 to 10" error={wrong('goalEffort')}>
          {(p) => <input {...p} type="number" min={1} max={10} {...register('goalEffort')} />}
        </Field>
        <Field label="School of pain" hint="monitored only with a diagnosis">
          {(p) => (
            <select {...p} {...register('school')}>
              <option value="PAIN_FREE">pain-free</option>
              <option value="MONITORED">monitored</option>
            </select>
          )}
        </Field>
        {school === 'MONITORED' && (
          <div className="sm:col-span-2">
            <Field label="Diagnosis, and who said so" error={wrong('schoolBy')}>
              {(p) => <input {...p} {...register('schoolBy')} />}
            </Field>
          </div>
        )}
      </div>
      <label className="mb-4 flex min-h-[44px] items-center gap-2">
        <input type="checkbox" {...register('secondCheckIn')} />
        <span>
          A second check-in at 72 h{' '}
          <span className="text-soft">
            for whom the second and third day are worse; it comes by itself while nothing may step up
          </span>
        </span>
      </label>
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
                checked={kit.includes(id)}
                onChange={(e) =>
                  form.setValue('kit', e.target.checked ? [...kit, id] : kit.filter((k) => k !== id))
                }
              />
              {words}
            </label>
          ))}
        </div>
      </fieldset>
      <Field label="Dumbbells, kg" hint="pairs unless said: 1, 2, 2.5 x 1" error={wrong('weights')}>
        {(p) => <input {...p} {...register('weights')} />}
      </Field>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        {client ? 'Save' : 'Add, then screen'}
      </Button>
    </form>
  )
}
