import { queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'

export const groups = {
  all: () => queryOptions({ queryKey: ['groups', 'all'], queryFn: () => told(http.GET('/api/groups')) }),
  one: (id: string) =>
    queryOptions({
      queryKey: ['groups', id],
      queryFn: () => told(http.GET('/api/groups/{id}', { params: { path: { id } } })),
    }),
  /** who is here today, and what is asked of each before the start */
  start: (id: string) =>
    queryOptions({
      queryKey: ['groups', id, 'start'],
      queryFn: () => told(http.GET('/api/groups/{id}/start', { params: { path: { id } } })),
    }),
  /** the meeting as it stands for one version of the group */
  sheet: (id: string, version: number) =>
    queryOptions({
      queryKey: ['groups', id, 'sheet', version],
      queryFn: () => told(http.GET('/api/groups/{id}/sheet', { params: { path: { id } } })),
    }),
}
