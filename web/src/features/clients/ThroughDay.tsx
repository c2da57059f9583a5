import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'

/** Small doses spread over the day: what is asked today, and a tick for each one done. */
export function ThroughDay({ clientId }: { clientId: string }) {
  const key = q.clients.dayPlans(clientId).queryKey
  const cache = useQueryClient()
  const given = useQuery(q.clients.dayPlans(clientId))
  const plans = useQuery(q.plans.all())
  const [choosing, setChoosing] = useState(false)
  const give = useMutation({
    mutationFn: (planId: string) =>
      told(
        http.POST('/api/clients/{clientId}/day-plans', { params: { path: { clientId } }, body: { planId } }),
      ),
    onSuccess: (all) => {
      cache.setQueryData(key, all)
      setChoosing(false)
    },
  })
  const end = useMutation({
    mutationFn: (id: string) =>
      told(http.DELETE('/api/clients/{clientId}/day-plans/{id}', { params: { path: { clientId, id } } })),
    onSuccess: (all) => cache.setQueryData(key, all),
  })
  const tick = useMutation({
    mutationFn: ({
      id,
      ...body
    }: {
      id: string
      date: string
      slotKey: string
      number: number
      on: boolean
    }) =>
      told(
        http.PUT('/api/clients/{clientId}/day-plans/{id}/ticks', {
          params: { path: { clientId, id } },
          body,
        }),
      ),
    onSuccess: (one) => cache.setQueryData(key, (all) => all?.map((p) => (p.id === one.id ? one : p))),
  })
  const offered = (plans.data ?? []).filter(
    (p) =>
      p.plan.blocks.some((b) => b.format.kind === 'THROUGH_DAY') &&
      !given.data?.some((g) => g.planId === p.id),
  )
  if (!given.data) return <Failure error={given.error} />
  return (
    <div className="mb-7">
      <h2 className="mb-1 text-lg font-bold">Through the day</h2>
      <Failure error={give.error ?? end.error ?? tick.error} />
      {given.data.map((p) => (
        <section key={p.id} aria-label={p.planName} className="mb-3 border-t-2 border-ink">
          <p className="flex flex-wrap items-baseline gap-x-3 py-1.5">
            <strong>{p.planName}</strong>
            <span className="font-mono">
              {p.done} of {p.all}
            </span>
            <span className="text-sm text-soft">
              {p.daysAWeek ? `${p.daysAWeek} days a week` : 'every day'} · done{' '}
              {p.week.map((w) => `${day(w.date).split(' ')[0]}: ${w.done}`).join(', ')}
            </span>
            <Button quiet className="ml-auto" onClick={() => end.mutate(p.id)}>
              End it
            </Button>
          </p>
          {p.closed && (
            <p className="border-l-4 border-brick pl-3 font-semibold text-brick">Not now: {p.closed}</p>
          )}
          <ul>
            {p.doses.map((d) => (
              <li
                key={d.slotKey}
                className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1.5"
              >
                <span className="min-w-0 flex-1">
                  {d.title} <span className="text-soft">{d.doseText}</span>
                  {d.reasons.map((r) => (
                    <span key={r} className="block text-[13px] text-plum">
                      {r}
                    </span>
                  ))}
                </span>
                {!d.rest && (
                  <span className="flex gap-1">
                    {Array.from({ length: d.times }, (_, i) => i + 1).map((n) => {
                      const on = d.ticked.includes(n)
                      return (
                        <button
                          key={n}
                          type="button"
                          aria-pressed={on}
                          aria-label={`${d.title}, dose ${n} of ${d.times}`}
                          disabled={tick.isPending || (!!p.closed && !on)}
                          className={`min-h-[44px] min-w-[44px] rounded border font-mono ${on ? 'border-ink bg-ink text-white' : 'border-[#9aa5ab] bg-sheet'}`}
                          onClick={() =>
                            tick.mutate({ id: p.id, date: p.date, slotKey: d.slotKey, number: n, on: !on })
                          }
                        >
                          {on ? '✓' : n}
                        </button>
                      )
                    })}
                  </span>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {given.data.length === 0 && <p className="text-soft">No doses through the day.</p>}
      {choosing ? (
        <ul>
          {offered.map((p) => (
            <li key={p.id}>
              <Button quiet onClick={() => give.mutate(p.id)}>
                {p.name}
              </Button>
            </li>
          ))}
          {offered.length === 0 && (
            <li className="text-sm text-soft">
              No plan in use has doses through the day: copy “Ten at a time” from the starting points, or
              build one.
            </li>
          )}
        </ul>
      ) : (
        <Button quiet onClick={() => setChoosing(true)}>
          Give a plan through the day
        </Button>
      )}
    </div>
  )
}
