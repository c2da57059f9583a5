import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState, type ComponentProps, type ReactNode } from 'react'
import { zodResolver } from '@hookform/resolvers/zod'
import { FormProvider, useFieldArray, useForm, useFormContext, useWatch } from 'react-hook-form'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import { refused, sentences } from '../../lib/form'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { asSent, asTyped, BLANK, RECORD, type RecordTyped, type RowsOf } from './record'
import { useClient } from './useClient'

const EFFECTS: [string, string][] = [
  ['SLOWS_PULSE', 'slows the pulse'],
  ['LOWERS_PRESSURE', 'lowers blood pressure'],
  ['LOWERS_SUGAR', 'lowers blood sugar'],
  ['THINS_BLOOD', 'thins the blood'],
  ['STEROID', 'steroid'],
  ['OTHER', 'other'],
]
const LINES: [string, string][] = [
  ['SYSTOLIC_HIGH', 'systolic, mmHg, at or over'],
  ['DIASTOLIC_HIGH', 'diastolic, mmHg, at or over'],
  ['PULSE_HIGH', 'resting pulse, bpm, at or over'],
  ['PULSE_LOW', 'resting pulse, bpm, at or under'],
  ['SATURATION_LOW', 'saturation, %, at or under'],
  ['GLUCOSE_HIGH', 'glucose, mmol/L, at or over'],
  ['GLUCOSE_LOW', 'glucose, mmol/L, at or under'],
]
const SIDES: [string, string][] = [
  ['', 'no side'],
  ['LEFT', 'left'],
  ['RIGHT', 'right'],
  ['BOTH', 'both'],
]
const ABILITY: [string, string][] = [
  ['', 'not recorded'],
  ['NONE', 'none'],
  ['SOME', 'some'],
  ['FULL', 'full'],
]

/** What is known of a client beyond the form: history, measures that rules rest on, care plan, consent. */
export function RecordPage() {
  const { client } = useClient()
  return <RecordForm key={client.id} client={client} />
}

function RecordForm({ client }: { client: S['Client'] }) {
  // what was loaded is what is changed: one stored meanwhile by somebody else is never written over
  const [base, setBase] = useState(client)
  const form = useForm<RecordTyped>({
    resolver: zodResolver(RECORD),
    values: asTyped(base.record, base.name),
  })
  const { register, formState } = form
  if (client.version > base.version && !formState.isDirty) setBase(client)
  const agreed = useWatch({ control: form.control, name: 'consent.on' }) !== ''
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: (f: RecordTyped) =>
      told(
        http.PUT('/api/clients/{id}/record', {
          params: { path: { id: base.id }, header: ifMatch(base.version) },
          body: asSent(f),
        }),
      ),
    onError: (e) => refused(form, e),
    onSuccess: async (now) => {
      setBase(now)
      form.reset(asTyped(now.record, now.name))
      await q.changed(cache, 'client', now.id)
    },
  })
  const stale = save.error instanceof ApiError && save.error.problem.code === 'stale'
  const text = (k: 'emergencyName' | 'emergencyPhone', label: string) => (
    <Field label={label} error={formState.errors[k]?.message}>
      {(p) => <input {...p} {...register(k)} />}
    </Field>
  )
  const number = (
    k:
      | 'kneeCm'
      | 'massKg'
      | 'statureCm'
      | 'restingPulse'
      | 'measuredMaximum'
      | 'clinicCap'
      | 'usualSystolic'
      | 'usualSaturation',
    label: string,
    hint: string,
  ) => (
    <Field label={label} hint={hint} error={formState.errors[k]?.message}>
      {(p) => <input {...p} inputMode="numeric" {...register(k)} />}
    </Field>
  )
  const ability = (k: 'legFunction' | 'trunkControl', label: string) => (
    <Field label={label} hint="for wheelchair users">
      {(p) => (
        <select {...p} {...register(k)}>
          {ABILITY.map(([v, w]) => (
            <option key={v} value={v}>
              {w}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
        <div className="grid gap-x-10 lg:grid-cols-2">
          <div>
            <Rows
              title="Conditions"
              name="conditions"
              row={(at) => (
                <>
                  <input aria-label="Condition" placeholder="condition" {...register(`${at}.name`)} />
                  <Pick label="Side of the condition" options={SIDES} {...register(`${at}.side`)} />
                  <input aria-label="Note on the condition" placeholder="note" {...register(`${at}.note`)} />
                  <input aria-label="Condition since" type="date" {...register(`${at}.since`)} />
                </>
              )}
            />
            <Rows
              title="Operations"
              name="operations"
              row={(at) => (
                <>
                  <input aria-label="Operation" placeholder="operation" {...register(`${at}.name`)} />
                  <Pick label="Side of the operation" options={SIDES} {...register(`${at}.side`)} />
                  <input
                    aria-label="The surgeon’s word"
                    placeholder="surgeon’s word"
                    {...register(`${at}.word`)}
                  />
                  <input aria-label="Date of the operation" type="date" {...register(`${at}.on`)} />
                </>
              )}
            />
            <Rows
              title="Medicines relevant to exercise"
              name="medicines"
              row={(at) => (
                <>
                  <input aria-label="Medicine" placeholder="medicine" {...register(`${at}.name`)} />
                  <Pick label="What it does" options={EFFECTS} {...register(`${at}.effect`)} />
                </>
              )}
            />
            <Rows
              title="More goals, in the client’s words"
              name="goals"
              row={(at) => <input aria-label="Goal" className="sm:col-span-2" {...register(`${at}.words`)} />}
            />
          </div>
          <div>
            <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">Measures that rules rest on</h2>
            <div className="grid gap-x-4 sm:grid-cols-2">
              {number('restingPulse', 'Resting pulse', 'bpm')}
              {number('measuredMaximum', 'Measured maximum pulse', 'bpm, from a test; outranks formulas')}
              {number('clinicCap', 'Pulse cap set by the clinic', 'bpm')}
              {number('usualSystolic', 'Usual systolic', 'mmHg, wanted for injury at T6 or above')}
              {number('usualSaturation', 'Usual saturation at rest', '%, for lung disease')}
              {number('kneeCm', 'Knee height', 'cm, for seats that must be higher')}
              {number('massKg', 'Body mass', 'kg, to say what arms and legs move')}
              {number('statureCm', 'Stature', 'cm, for hands at a counter or wall')}
              <label className="flex min-h-[42px] items-center gap-2 self-center">
                <input type="checkbox" {...register('olderMaximum')} />
                use 220 − age, the older school
              </label>
              {ability('legFunction', 'Leg function')}
              {ability('trunkControl', 'Trunk control')}
            </div>
            <Rows
              title="Own care plan: not today at"
              name="careLines"
              row={(at) => (
                <>
                  <Pick label="Reading" options={LINES} {...register(`${at}.kind`)} />
                  <input
                    aria-label="Line"
                    placeholder="number"
                    inputMode="decimal"
                    {...register(`${at}.value`)}
                  />
                  <input
                    aria-label="Clinician who set the line"
                    placeholder="clinician"
                    {...register(`${at}.by`)}
                  />
                  <input aria-label="Date of the clinician’s word" type="date" {...register(`${at}.on`)} />
                </>
              )}
            />
            <p className="mb-5 text-[13px] text-soft">
              A line may tighten the usual ones; a looser one needs a clinician’s name and date. Urgent stays
              urgent.
            </p>
            <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">In an emergency call</h2>
            <div className="grid gap-x-4 sm:grid-cols-2">
              {text('emergencyName', 'Name')}
              {text('emergencyPhone', 'Telephone')}
            </div>
            <h2 className="mb-2 border-b-2 border-ink pb-1 font-bold">Consent to keep this record</h2>
            <div className="grid gap-x-4 sm:grid-cols-3">
              <Field label="Given on" error={formState.errors.consent?.on?.message}>
                {(p) => <input {...p} type="date" {...register('consent.on')} />}
              </Field>
              {agreed && (
                <>
                  <Field label="Signed by" error={formState.errors.consent?.name?.message}>
                    {(p) => <input {...p} {...register('consent.name')} />}
                  </Field>
                  <label className="flex min-h-[42px] items-center gap-2 self-center">
                    <input type="checkbox" {...register('consent.letters')} />
                    letters may go to doctor, midwife or physiotherapist
                  </label>
                  <Field
                    label="Withdrawn on"
                    hint="from then on nothing new is recorded"
                    error={formState.errors.consent?.withdrawnOn?.message}
                  >
                    {(p) => <input {...p} type="date" {...register('consent.withdrawnOn')} />}
                  </Field>
                </>
              )}
            </div>
          </div>
        </div>
        <Failure error={save.error} />
        {stale && (
          <Button
            className="mb-3"
            onClick={() => {
              setBase(client)
              form.reset(asTyped(client.record, client.name))
              save.reset()
            }}
          >
            Load what is stored
          </Button>
        )}
        <div className="flex items-center gap-3">
          <Button main type="submit" disabled={save.isPending}>
            Save the record
          </Button>
          {save.isSuccess && !formState.isDirty && <span role="status">saved</span>}
        </div>
      </form>
    </FormProvider>
  )
}

function Pick({
  label,
  options,
  ...field
}: { label: string; options: [string, string][] } & ComponentProps<'select'>) {
  return (
    <select aria-label={label} {...field}>
      {options.map(([v, w]) => (
        <option key={v} value={v}>
          {w}
        </option>
      ))}
    </select>
  )
}

/** A list of small rows to add to, change and take out. */
function Rows<N extends RowsOf>({
  title,
  name,
  row,
}: {
  title: string
  name: N
  row: (at: `${N}.${number}`) => ReactNode
}) {
  const { control, formState } = useFormContext<RecordTyped>()
  const rows = useFieldArray<RecordTyped, RowsOf>({ control, name })
  return (
    <section className="mb-5" aria-label={title}>
      <h2 className="mb-2 flex items-end justify-between border-b-2 border-ink pb-1 font-bold">
        {title}
        <Button
          quiet
          className="!min-h-[24px]"
          onClick={() => rows.append({ ...BLANK[name] })}
          aria-label={`Add to ${title}`}
        >
          Add
        </Button>
      </h2>
      {rows.fields.length === 0 && <p className="text-sm text-soft">none noted</p>}
      {rows.fields.map((f, i) => (
        <div key={f.id} className="flex flex-wrap gap-2 border-b border-line py-2">
          <div className="grid flex-1 gap-2 sm:grid-cols-[1fr_190px]">{row(`${name}.${i}`)}</div>
          <Button quiet onClick={() => rows.remove(i)} aria-label={`Take out row ${i + 1} of ${title}`}>
            Take out
          </Button>
          {sentences(formState.errors[name]?.[i]).map((w) => (
            <p key={w} className="w-full text-sm font-semibold text-brick">
              {w}
            </p>
          ))}
        </div>
      ))}
      {formState.errors[name]?.message && (
        <p className="text-sm font-semibold text-brick">{formState.errors[name].message}</p>
      )}
    </section>
  )
}
