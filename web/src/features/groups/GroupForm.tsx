import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import { WEEKDAYS } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'

/** Who, where, which plan, how many lanes. */
export function GroupForm({ group, onDone }: { group?: S['GroupView']; onDone: () => void }) {
  const [form, setForm] = useState({
    name: group?.name ?? '',
    roomId: group?.roomId ?? '',
    planId: group?.planId ?? '',
    lanes: group?.lanes ?? 3,
    weekday: group?.weekday ?? 0,
    time: group?.time?.slice(0, 5) ?? '',
    members: group?.members.map((m) => m.id) ?? [],
  })
  const clients = useQuery(q.clients.all())
  const rooms = useQuery(q.studio.rooms())
  const plans = useQuery(q.plans.all())
  const cache = useQueryClient()
  const navigate = useNavigate()
  const save = useMutation({
    mutationFn: () => {
      const body = {
        ...form,
        roomId: given(form.roomId),
        planId: given(form.planId),
        weekday: form.weekday || undefined,
        time: given(form.time),
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
    onSuccess: (g) => {
      void q.changed(cache, 'group')
      onDone()
      if (!group) void navigate(`/groups/${g.id}`)
    },
  })
  const loading = clients.error ?? rooms.error ?? plans.error
  if (loading) return <Failure error={loading} />
  if (!clients.data || !rooms.data || !plans.data) return <Loading what="people and rooms" />
  const error = save.error instanceof ApiError ? save.error : undefined
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <Failure error={save.error} />
      <Field label="Name" error={error?.field('/name')}>
        {(p) => (
          <input
            {...p}
            autoFocus
            value={form.name}
            onChange={(e) => setForm({ ...form, name: e.target.value })}
          />
        )}
      </Field>
      <div className="grid gap-x-5 sm:grid-cols-2">
        <Field label="Plan" error={error?.field('/planId')}>
          {(p) => (
            <select {...p} value={form.planId} onChange={(e) => setForm({ ...form, planId: e.target.value })}>
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
            <select {...p} value={form.roomId} onChange={(e) => setForm({ ...form, roomId: e.target.value })}>
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
        <Field label="Lanes" hint="variants shown at a time" error={error?.field('/lanes')}>
          {(p) => (
            <select
              {...p}
              value={form.lanes}
              onChange={(e) => setForm({ ...form, lanes: Number(e.target.value) })}
            >
              {[2, 3, 4].map((n) => (
                <option key={n} value={n}>
                  {n}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Day">
            {(p) => (
              <select
                {...p}
                value={form.weekday}
                onChange={(e) => setForm({ ...form, weekday: Number(e.target.value) })}
              >
                <option value={0}>no fixed day</option>
                {WEEKDAYS.map((w, i) => (
                  <option key={w} value={i + 1}>
                    {w}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Time">
            {(p) => (
              <input
                {...p}
                type="time"
                value={form.time}
                onChange={(e) => setForm({ ...form, time: e.target.value })}
              />
            )}
          </Field>
        </div>
      </div>
      <fieldset>
        <legend className="mb-1 font-semibold">
          People <span className="font-normal text-soft">{form.members.length} of 32 at most</span>
        </legend>
        <ul className="grid gap-x-5 sm:grid-cols-2">
          {clients.data.map((c) => (
            <li key={c.id}>
              <label className="flex min-h-[40px] items-center gap-3">
                <input
                  type="checkbox"
                  checked={form.members.includes(c.id)}
                  onChange={(e) =>
                    setForm({
                      ...form,
                      members: e.target.checked
                        ? [...form.members, c.id]
                        : form.members.filter((m) => m !== c.id),
                    })
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
