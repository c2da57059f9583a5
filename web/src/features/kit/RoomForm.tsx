import { zodResolver } from '@hookform/resolvers/zod'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import {
  useFieldArray,
  useForm,
  useFormContext,
  FormProvider,
  useWatch,
  type FieldPath,
} from 'react-hook-form'
import { http, ifMatch, told, type S } from '../../lib/api'
import { refused } from '../../lib/form'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { asSent, asTyped, ROOM, ROWS, type RoomTyped } from './room'
import { STAND_INS, THINGS } from './things'

/** A studio room or somebody's home, as it is printed and measured there. */
export function RoomForm({
  room,
  clients,
  onDone,
}: {
  room?: S['RoomView']
  clients: S['ClientName'][]
  onDone: () => void
}) {
  const form = useForm<RoomTyped>({ resolver: zodResolver(ROOM), defaultValues: asTyped(room) })
  const { register, formState } = form
  const things = useWatch({ control: form.control, name: 'room.things' })
  const cache = useQueryClient()
  const done = () => {
    void q.changed(cache, 'kit')
    onDone()
  }
  const save = useMutation({
    mutationFn: (f: RoomTyped) => {
      const body = asSent(f)
      return room
        ? told(
            http.PUT('/api/rooms/{id}', {
              params: { path: { id: room.id }, header: ifMatch(room.version) },
              body,
            }),
          )
        : told(http.POST('/api/rooms', { body }))
    },
    onError: (e) => refused(form, e),
    onSuccess: done,
  })
  const remove = useMutation({
    mutationFn: (r: S['RoomView']) =>
      told(
        http.DELETE('/api/rooms/{id}', {
          params: { path: { id: r.id }, header: ifMatch(r.version) },
        }),
      ),
    onSuccess: done,
  })
  const wrong = formState.errors
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
        <div className="grid gap-x-4 sm:grid-cols-2">
          <Field label="Name" error={wrong.name?.message}>
            {(p) => <input {...p} {...register('name')} />}
          </Field>
          <Field label="Whose" error={wrong.clientId?.message}>
            {(p) => (
              <select {...p} {...register('clientId')}>
                <option value="">the studio’s</option>
                {clients.map((c) => (
                  <option key={c.id} value={c.id}>
                    home of {c.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        <List
          title="Chairs"
          name="chairs"
          note="name, seat height in cm, how many; wheels or not solid: nobody works on it"
          row={(at) => (
            <>
              <Cell at={`${at}.name`} label="Name of the chair" wide="!w-36" />
              <Cell at={`${at}.seatCm`} label="Seat height, cm" />
              <Cell at={`${at}.count`} label="How many chairs" />
              <Box at={`${at}.arms`}>arms</Box>
              <Box at={`${at}.wheels`}>wheels</Box>
              <Box at={`${at}.solid`}>solid</Box>
              <Box at={`${at}.ownWheelchair`}>own wheelchair</Box>
            </>
          )}
        />
        <List
          title="Dumbbells, as printed"
          name="dumbbells"
          note="what is printed on one, its unit, how many; counted in pairs where both hands work"
          row={(at) => (
            <>
              <Cell at={`${at}.printed`} label="Printed weight" />
              <select aria-label="Unit" className="!w-20" {...register(`${at}.unit`)}>
                <option value="KG">kg</option>
                <option value="LB">lb</option>
              </select>
              <Cell at={`${at}.count`} label="How many dumbbells" />
            </>
          )}
        />
        <List title="Stand-ins" name="standIns" row={(at) => <StandIn at={at} />} />
        <List
          title="Bands, as measured"
          name="bands"
          note="name, free length in cm, points as % stretch and kg on the scale: 50: 1.2, 100: 2, 200: 3.4"
          row={(at) => (
            <>
              <Cell at={`${at}.name`} label="Name of the band" wide="!w-32" />
              <Cell at={`${at}.freeLengthCm`} label="Free length, cm" />
              <Cell at={`${at}.points`} label="Measured points, % stretch and kg" wide="!w-56" />
              <Cell at={`${at}.count`} label="How many bands" />
              <Box at={`${at}.latex`}>latex</Box>
            </>
          )}
        />
        <div className="grid gap-x-4 sm:grid-cols-3">
          <Field label="Steps, cm" hint="10, 15, 20" error={wrong.room?.stepCm?.message}>
            {(p) => <input {...p} {...register('room.stepCm')} />}
          </Field>
          <Field label="Counter height, cm" hint="empty: none" error={wrong.room?.counterCm?.message}>
            {(p) => <input {...p} inputMode="numeric" {...register('room.counterCm')} />}
          </Field>
          <Field label="Machines" hint="named only: leg press, cable" error={wrong.room?.machines?.message}>
            {(p) => <input {...p} {...register('room.machines')} />}
          </Field>
        </div>
        <fieldset className="mb-4">
          <legend className="font-semibold">Also there</legend>
          <div className="flex flex-wrap gap-x-5">
            <Box at="room.wall">free wall</Box>
            {THINGS.map(([id, words]) => (
              <label key={id} className="flex min-h-[40px] items-center gap-1.5 text-sm">
                <input
                  type="checkbox"
                  checked={things.includes(id)}
                  onChange={(e) =>
                    form.setValue(
                      'room.things',
                      e.target.checked ? [...things, id] : things.filter((t) => t !== id),
                    )
                  }
                />
                {words}
              </label>
            ))}
          </div>
        </fieldset>
        <Failure error={save.error ?? remove.error} />
        <div className="flex gap-2">
          <Button main type="submit" disabled={save.isPending}>
            {room ? 'Save' : 'Add'}
          </Button>
          {room && (
            <Button onClick={() => remove.mutate(room)} disabled={remove.isPending}>
              Remove
            </Button>
          )}
        </div>
      </form>
    </FormProvider>
  )
}

type At = FieldPath<RoomTyped>

/** One value of a row, with what is wrong with it said under it. */
function Cell({ at, label, wide = '!w-20' }: { at: At; label: string; wide?: string }) {
  const { register, getFieldState, formState } = useFormContext<RoomTyped>()
  const error = getFieldState(at, formState).error?.message
  return (
    <span>
      <input
        aria-label={label}
        title={label}
        aria-invalid={error ? true : undefined}
        className={wide}
        {...register(at)}
      />
      {error && (
        <span role="alert" className="block text-sm font-semibold text-brick">
          {error}
        </span>
      )}
    </span>
  )
}

function Box({ at, children }: { at: At; children: ReactNode }) {
  const { register } = useFormContext<RoomTyped>()
  return (
    <label className="flex min-h-[40px] items-center gap-1.5 text-sm">
      <input type="checkbox" {...register(at)} />
      {children}
    </label>
  )
}

function StandIn({ at }: { at: `room.standIns.${number}` }) {
  const { register, control } = useFormContext<RoomTyped>()
  const kind = useWatch({ control, name: `${at}.kind` })
  return (
    <>
      <select aria-label="Kind of stand-in" className="!w-56" {...register(`${at}.kind`)}>
        {STAND_INS.map(([k, w]) => (
          <option key={k} value={k}>
            {w}
          </option>
        ))}
      </select>
      {kind !== 'CAN_400' && <Cell at={`${at}.amount`} label="How much, ml or g" wide="!w-24" />}
      <Cell at={`${at}.count`} label="How many of it" />
    </>
  )
}

/** A list of rows that can be added and taken out. */
function List<N extends keyof typeof ROWS>({
  title,
  name,
  note,
  row,
}: {
  title: string
  name: N
  note?: string
  row: (at: `room.${N}.${number}`) => ReactNode
}) {
  const { control } = useFormContext<RoomTyped>()
  const rows = useFieldArray<RoomTyped, `room.${keyof typeof ROWS}`>({ control, name: `room.${name}` })
  return (
    <fieldset className="mb-4">
      <legend className="flex w-full items-end justify-between border-b-2 border-ink font-semibold">
        {title}
        <Button
          quiet
          className="!min-h-[30px]"
          onClick={() => rows.append({ ...ROWS[name] })}
          aria-label={`Add to ${title}`}
        >
          Add
        </Button>
      </legend>
      {note && rows.fields.length > 0 && <p className="pt-1 text-[13px] text-soft">{note}</p>}
      {rows.fields.map((f, i) => (
        <div key={f.id} className="flex flex-wrap items-center gap-2 border-b border-line py-1.5">
          {row(`room.${name}.${i}`)}
          <Button quiet onClick={() => rows.remove(i)} aria-label={`Take out row ${i + 1} of ${title}`}>
            Take out
          </Button>
        </div>
      ))}
    </fieldset>
  )
}
