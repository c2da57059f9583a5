import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import type { S } from '../../lib/api'
import * as q from '../../lib/queries'
import { useTitle } from '../../lib/title'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

/** The facts of a review, or of today where none is named: both papers are made from the same. */
export function useFacts(): {
  f?: S['ReviewFacts']
  points: S['Point'][]
  words?: string
  failure: ReactNode
} {
  const { clientId = '' } = useParams()
  const [params] = useSearchParams()
  const id = params.get('review') ?? ''
  const review = useQuery({ ...q.reviews.one(clientId, id), enabled: id !== '' })
  const live = useQuery({ ...q.reviews.facts(clientId), enabled: id === '' })
  const error = review.error ?? live.error
  return {
    f: id ? review.data?.facts : live.data,
    points: review.data?.points ?? [],
    words: review.data?.words,
    failure: error ? <Failure error={error} /> : <Loading what="the facts" />,
  }
}

/** A paper on screen: what is printed, and the two buttons that are not. */
export function Paper({ title, name, children }: { title: string; name: string; children: ReactNode }) {
  const { clientId = '' } = useParams()
  const [params] = useSearchParams()
  const query = params.size > 0 ? `?${params.toString()}` : ''
  useTitle(title)
  return (
    <div className="py-4">
      <p className="no-print mb-4 flex flex-wrap items-center gap-2">
        <Button main onClick={() => window.print()}>
          Print
        </Button>
        {name === 'For the client' ? (
          <Link className="btn" to={`/clients/${clientId}/for-physio${query}`}>
            For the physio
          </Link>
        ) : (
          <Link className="btn" to={`/clients/${clientId}/for-client${query}`}>
            For the client
          </Link>
        )}
        <Link className="btn" to={`/clients/${clientId}/review`}>
          Review
        </Link>
        <Link className="btn" to={`/clients/${clientId}/tolerance`}>
          Tolerance
        </Link>
      </p>
      {children}
    </div>
  )
}
