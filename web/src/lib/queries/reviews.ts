import { queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'
import { ofClient } from './clients'

export const reviews = {
  all: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'reviews'),
      queryFn: () =>
        told(http.GET('/api/clients/{clientId}/reviews', { params: { path: { clientId: id } } })),
    }),
  one: (clientId: string, id: string) =>
    queryOptions({
      queryKey: ofClient(clientId, 'reviews', id),
      queryFn: () => told(http.GET('/api/reviews/{id}', { params: { path: { id } } })),
    }),
  /** What a review of today would look at. */
  facts: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'reviews', 'facts'),
      queryFn: () =>
        told(http.GET('/api/clients/{clientId}/review-facts', { params: { path: { clientId: id } } })),
    }),
}
