import { queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'

export const runs = {
  one: (id: string) =>
    queryOptions({
      queryKey: ['runs', id],
      queryFn: () => told(http.GET('/api/runs/{id}', { params: { path: { id } } })),
    }),
  checkIn: (id: string) =>
    queryOptions({
      queryKey: ['check-in', id],
      queryFn: () => told(http.GET('/api/check-ins/{id}', { params: { path: { id } } })),
    }),
  checkInLinks: (runId: string) =>
    queryOptions({
      queryKey: ['runs', runId, 'check-in-links'],
      queryFn: () => told(http.GET('/api/runs/{runId}/check-in-links', { params: { path: { runId } } })),
    }),
}
