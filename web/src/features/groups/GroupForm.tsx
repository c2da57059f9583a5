import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useForm, useWatch } from 'react-hook-form'
import { zodResolver } from '@hookform/resolvers/zod'
import * as z from 'zod/mini'
import { useNavigate } from 'react-router'
import { type S, http, ifMatch, told, given } from '../../lib/api'
import { WEEKDAYS } from '../../lib/format'
import { refused } from '../../lib/form'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'

/** What is typed, as typed; whether it may be so is the server's word. */
const FORM = z.object({
  name: z.string(),
  roomId: z.string(),
  planId: z.string(),
  lanes: z.string(),
  weekday: z.string(),
  time: z.string(),
  members: z.array(z.string()),
})
type Form = z.infer<typeof FORM>

/** Who, where, which plan, how many lanes. */
export function GroupForm({ group, onDone }: { group?: S['GroupView']; onDone: () => void }) {
  const form = useForm<Form>({
    resolver: zodResolver(FORM),
    defaultValues: {
      name: group?.name ?? '',
      roomId: group?.roomId ?? '',
      planId: group?.planId ?? '',
      lanes: String(group?.lanes ?? 3),
      weekday: String(group?.weekday ?? ''),
      time: group?.time?.slice(0, 5) ?? '',
      members: group?.members.map((m) => m.id) ?? [],
    },
  })
  const { register, formState } = form
  const members = useWatch({ control: form.control, name: 'members' })
  const clients = useQuery(q.clients.names())
  const rooms = useQuery(q.studio.rooms())
  const plans = useQuery(q.plans.all())
  const cache = useQueryClient()
  const navigate = useNavigate()
  const save = useMutation({
    mutationFn: (f: Form) => {
      const body: S['GroupForm'] = {
        ...f,
        roomId: given(f.roomId),
        planId: given(f.planId),
        lanes: Number(f.lanes),
        weekday: f.weekday === '' ? undefined : Number(f.weekday),
        time: given(f.time),
      }
      return group
        ? told(
            http.PUT('/api/groups/{id}', {
              params: { path: { id: group.id }, header: ifMatch(group.version) },
              body,
            }),
          )
        : told(http.POST('/api/groups', { body }))
    },
    onError: (e) => refused(form, e),
    onSuccess: (g) => {
      void q.changed(cache, 'group')
      onDone()
      if (!group) void navigate(`/groups/${g.id}`)
    },
  })
  const loading = clients.error ?? rooms.error ?? plans.error
  if (loading) return <Failure error={loading} />
  if (!clients.data || !rooms.data || !plans.data) return <Loading what="people and rooms" />
  const wrong = (k: keyof Form) => formState.errors[k]?.message
  return (
    <form noValidate onSubmit={(e) => void form.handleSubmit((f) => save.mutate(f))(e)}>
      <Failure error={save.error} />
      <Field label="Name" error={wrong('name')}>
        {(p) => <input {...p} autoFocus {...register('name')} />}
      </Field>
      <div className="grid gap-x-5 sm:grid-cols-2">
        <Field label="Plan" error={wrong('planId')}>
          {(p) => (
            <select {...p} {...register('planId')}>
              <option value="">choose later</option>
              {plans.data.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Room" hint="its kit is shared; without a room everybody’s own kit counts">
          {(p) => (
            <select {...p} {...register('roomId')}>
              <option value="">no room</option>
              {rooms.data
                .filter((r) => !r.clientId)
                .map((r) => (
                  <option key={r.id} value={r.id}>
                    {r.name}
                  </option>
                ))}
            </select>
          )}
        </Field>
        <Field label="Lanes" hint="variants shown at a time" error={wrong('lanes')}>
          {(p) => (
            <select {...p} {...register('lanes')}>
              {[2, 3, 4].map((n) => (
                <option key={n} value={n}>
                  {n}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Day" error={wrong('weekday')}>
            {(p) => (
              <select {...p} {...register('weekday')}>
                <option value="">no fixed day</option>
                {WEEKDAYS.map((w, i) => (
                  <option key={w} value={i + 1}>
                    {w}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Time" error={wrong('time')}>
            {(p) => <input {...p} type="time" {...register('time')} />}
          </Field>
        </div>
      </div>
      <fieldset>
        <legend className="mb-1 font-semibold">
          People <span className="font-normal text-soft">{members.length} of 32 at most</span>
        </legend>
        <ul className="grid gap-x-5 sm:grid-cols-2">
          {clients.data.map((c) => (
            <li key={c.id}>
              <label className="flex min-h-[40px] items-center gap-3">
                <input
                  type="checkbox"
                  checked={members.includes(c.id)}
                  onChange={(e) =>
                    form.setValue(
                      'members',
                      e.target.checked ? [...members, c.id] : members.filter((m) => m !== c.id),
                    )
                  }
                />
                {c.name} <span className="truncate text-sm text-soft">{c.facts}</span>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onDone}>Leave it</Button>
        <Button main type="submit" disabled={save.isPending}>
          {group ? 'Save the group' : 'Keep the group'}
        </Button>
      </div>
    </form>
  )
}
