import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { http, told } from '../api'

export const movements = {
  all: () =>
    queryOptions({
      queryKey: ['movements', 'all'],
      queryFn: () => told(http.GET('/api/movements')),
      staleTime: 60_000,
    }),
  one: (id: string) =>
    queryOptions({
      queryKey: ['movements', id],
      queryFn: () => told(http.GET('/api/movements/{id}', { params: { path: { id } } })),
    }),
  who: (id: string) =>
    queryOptions({
      queryKey: ['movements', id, 'who'],
      queryFn: () => told(http.GET('/api/movements/{id}/who', { params: { path: { id } } })),
    }),
  families: () =>
    queryOptions({
      queryKey: ['movements', 'families'],
      queryFn: () => told(http.GET('/api/movements/families')),
    }),
  figures: () =>
    queryOptions({
      queryKey: ['movements', 'figures'],
      queryFn: () => told(http.GET('/api/movements/figures')),
      staleTime: Infinity,
    }),
  document: (id: string) =>
    queryOptions({
      queryKey: ['movements', id, 'document'],
      queryFn: () => told(http.GET('/api/movements/{id}/document', { params: { path: { id } } })),
      staleTime: Infinity,
    }),
  /** Who may do a movement that is being typed. */
  whoMay: (document: string, replaces?: string) =>
    queryOptions({
      queryKey: ['movements', 'who', document, replaces],
      queryFn: () => told(http.POST('/api/movements/who', { body: { document, replaces } })),
      placeholderData: keepPreviousData,
    }),
}
