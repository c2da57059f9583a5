import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'

const ANEW = 60_000

/** What belongs to the studio as a whole. */
export const studio = {
  me: () => queryOptions({ queryKey: ['me'], queryFn: () => told(http.GET('/api/me')) }),
  settings: () => queryOptions({ queryKey: ['settings'], queryFn: () => told(http.GET('/api/settings')) }),
  day: () =>
    queryOptions({
      queryKey: ['day'],
      queryFn: () => told(http.GET('/api/day')),
      // mornings come while it lies open
      refetchInterval: ANEW,
    }),
  /** all that was told today */
  mornings: () =>
    queryOptions({ queryKey: ['day', 'mornings'], queryFn: () => told(http.GET('/api/day/mornings')) }),
  rooms: () => queryOptions({ queryKey: ['rooms'], queryFn: () => told(http.GET('/api/rooms')) }),
  rules: () =>
    queryOptions({ queryKey: ['rules'], queryFn: () => told(http.GET('/api/rules')), staleTime: Infinity }),
  /** pages from 0; the one before stays until the next is there */
  outbox: (page: number) =>
    queryOptions({
      queryKey: ['outbox', page],
      queryFn: () => told(http.GET('/api/outbox', { params: { query: { page } } })),
      placeholderData: keepPreviousData,
    }),
  audit: (page: number) =>
    queryOptions({
      queryKey: ['audit', page],
      queryFn: () => told(http.GET('/api/audit', { params: { query: { page } } })),
      placeholderData: keepPreviousData,
    }),
}
