import { queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'

export const runs = {
  one: (id: string) =>
    queryOptions({
      queryKey: ['runs', id],
      queryFn: () => told(http.GET('/api/runs/{id}', { params: { path: { id } } })),
    }),
  checkInLink: (runId: string) =>
    queryOptions({
      queryKey: ['runs', runId, 'check-in-link'],
      queryFn: () => told(http.GET('/api/runs/{runId}/check-in-link', { params: { path: { runId } } })),
    }),
}
