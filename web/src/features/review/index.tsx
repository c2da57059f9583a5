import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { type S, given, http, ifMatch, told } from '../../lib/api'
import { day, fullDay } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'
import { Facts } from './Facts'
import { PointForm } from './PointForm'

/** A client's reviews: the one that is open, when the next is due, and those that were kept. */
export function ReviewPage() {
  const { client } = useClient()
  const { reviewId } = useParams()
  const all = useQuery(q.reviews.all(client.id))
  const shown = reviewId ?? all.data?.openId
  const one = useQuery({ ...q.reviews.one(client.id, shown ?? ''), enabled: !!shown })
  const cache = useQueryClient()
  const open = useMutation({
    meta: { says: 'Gathering what there is …' },
    mutationFn: () =>
      told(http.POST('/api/clients/{clientId}/reviews', { params: { path: { clientId: client.id } } })),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  const error = all.error ?? one.error
  if (error) return <Failure error={error} />
  if (!all.data || (shown && !one.data)) return <Loading what="the reviews" />
  const { due, reviews } = all.data
  const rest = reviews.filter((r) => r.id !== shown)
  return (
    <>
      {one.data ? (
        <Whole key={one.data.id} v={one.data} />
      ) : (
        <section aria-label="Review" className="max-w-2xl">
          <h2 className="text-lg font-bold">
            {due === undefined
              ? 'No review is due: nobody trained in the last six weeks.'
              : due <= all.data.today
                ? `A review is due since ${day(due)}.`
                : `The next review is due on ${day(due)}; it can be held before.`}
          </h2>
          <p className="mb-3">
            It looks at what was aimed at, what went up and what it cost, and keeps what is decided next.
          </p>
          <Failure error={open.error} />
          <p className="flex flex-wrap gap-2">
            <Button main disabled={open.isPending} onClick={() => open.mutate()}>
              Begin the review
            </Button>
            <Papers clientId={client.id} />
          </p>
        </section>
      )}
      {rest.length > 0 && (
        <section aria-labelledby="kept" className="mt-8 max-w-2xl">
          <h2 id="kept" className="mb-1 font-bold">
            Kept
          </h2>
          <ul className="border-t-2 border-ink">
            {rest.map((r) => (
              <li key={r.id} className="border-b border-line py-1.5">
                <Link
                  className="text-teal underline underline-offset-4"
                  to={`/clients/${client.id}/review/${r.id}`}
                >
                  {fullDay(r.on)}
                </Link>{' '}
                <span className="text-sm text-soft">
                  {r.closedOn ? `by ${r.closedBy}` : 'open'},{' '}
                  {r.points === 1 ? '1 point' : `${r.points} points`}
                  {r.asked && ', asked for'}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  )
}

/** The two papers made from the same facts. */
export function Papers({ clientId, reviewId }: { clientId: string; reviewId?: string }) {
  const query = reviewId ? `?review=${reviewId}` : ''
  return (
    <>
      <Link className="btn" to={`/clients/${clientId}/for-client${query}`}>
        For the client
      </Link>
      <Link className="btn" to={`/clients/${clientId}/for-physio${query}`}>
        For the physio
      </Link>
    </>
  )
}

function Whole({ v }: { v: S['ReviewView'] }) {
  const { client } = useClient()
  const cache = useQueryClient()
  const [words, setWords] = useState('')
  const close = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/reviews/{id}/close', {
          params: { path: { id: v.id }, header: ifMatch(v.version) },
          body: { words: given(words.trim()) },
        }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_400px]">
      <section aria-label="What was found">
        <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
          <h2 className="text-lg font-bold">
            Review, {day(v.facts.from)} to {fullDay(v.facts.to)}
          </h2>
          <p className="text-sm text-soft">
            {v.closedOn
              ? `closed ${day(v.closedOn)} by ${v.closedBy}`
              : `begun by ${v.openedBy}${v.asked ? ', asked for before it was due' : ''}`}
          </p>
        </div>
        <Facts f={v.facts} />
      </section>
      <section aria-labelledby="next">
        <h2 id="next" className="mb-1 text-lg font-bold">
          What next
        </h2>
        <ol className="mb-3 border-t-2 border-ink">
          {v.points.length === 0 && <li className="py-2 text-soft">Nothing decided yet.</li>}
          {v.points.map((p, i) => (
            <li key={i} className="border-b border-line py-1.5">
              {p.words}
              <span className="block text-sm text-soft">
                {p.became && `${p.became}; `}
                {day(p.on)}, {p.by}
              </span>
            </li>
          ))}
        </ol>
        {v.words && (
          <p className="mb-3 border-l-4 border-teal pl-3">
            <span className="block text-sm text-soft">for the client</span>
            {v.words}
          </p>
        )}
        {!v.closedOn && (
          <>
            <PointForm v={v} />
            <Field label="A word for the client" hint="printed on their page, in your words">
              {(p) => (
                <textarea
                  {...p}
                  rows={3}
                  maxLength={1000}
                  value={words}
                  onChange={(e) => setWords(e.target.value)}
                />
              )}
            </Field>
            <Failure error={close.error} />
          </>
        )}
        <p className="flex flex-wrap gap-2">
          {!v.closedOn && (
            <Button main disabled={close.isPending} onClick={() => close.mutate()}>
              Close and keep
            </Button>
          )}
          <Papers clientId={client.id} reviewId={v.id} />
        </p>
      </section>
    </div>
  )
}
