import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { type S, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'

/** An order in which this client goes to the floor less often, taken up as a plan of their own. */
export function OrderOffer({
  client,
  planId,
  orders,
  goals,
}: {
  client: S['Client']
  planId: string
  orders: S['ClientOrderView'][]
  /** what here serves the client's goal: it is kept in any order */
  goals: string[]
}) {
  const cache = useQueryClient()
  const navigate = useNavigate()
  const copy = useMutation({
    mutationFn: async () => {
      const p = await told(http.GET('/api/plans/{id}', { params: { path: { id: planId } } }))
      const blocks = p.plan.blocks.map((b) => {
        const found = orders.find((o) => o.blockKey === b.key)
        return found ? { ...b, slots: found.order.flatMap((i) => b.slots[i] ?? []) } : b
      })
      return told(
        http.POST('/api/plans', {
          body: {
            name: `${p.name}, ordered for ${client.name}`.slice(0, 120),
            tags: p.tags,
            note: p.note,
            plan: { ...p.plan, blocks },
          },
        }),
      )
    },
    onSuccess: (p) => {
      void q.changed(cache, 'plan')
      void navigate(`/clients/${client.id}/plan/${p.id}`)
    },
  })
  return (
    <section className="mt-3 border-l-4 border-teal bg-sheet px-3 py-2" aria-label="An order for this client">
      {orders.map((o) => (
        <p key={o.blockKey}>
          For {client.name.split(' ')[0]}, the {o.blockKey} block in the order{' '}
          {o.order.map((i) => i + 1).join(', ')}: {o.words}
        </p>
      ))}
      {goals.length > 0 && (
        <p className="text-sm text-soft">For the goal, in this order too: {goals.join(' · ')}</p>
      )}
      <Button quiet disabled={copy.isPending} onClick={() => copy.mutate()}>
        Copy the plan in this order
      </Button>
      <Failure error={copy.error} />
    </section>
  )
}
