import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { http, told, type S } from '../api'
import type { paths } from '../api.gen'

/** What is looked for in the list; what is left out plays no part. */
export type Wanted = NonNullable<paths['/api/client-list']['get']['parameters']['query']>

const clientIs = (clientId: string) => ({ params: { path: { clientId } } })

/** What belongs to one client hangs under their key, so that a change of theirs reaches all of it. */
export const ofClient = (clientId: string, ...rest: unknown[]) => ['client', clientId, ...rest]

export const clients = {
  /** a page of who trains where; a name holds what is looked for */
  trains: (find: string, page: number) =>
    queryOptions({
      queryKey: ['clients', 'trains', find, page],
      queryFn: () => told(http.GET('/api/clients/trains', { params: { query: { find, page } } })),
      placeholderData: keepPreviousData,
    }),
  /** a page of those found at a glance, with conditions, next session and what waits */
  list: (wanted: Wanted) =>
    queryOptions({
      queryKey: ['clients', 'list', wanted],
      queryFn: () => told(http.GET('/api/client-list', { params: { query: wanted } })),
      placeholderData: keepPreviousData,
    }),
  /** everybody in use by name, to choose from */
  names: () =>
    queryOptions({ queryKey: ['clients', 'names'], queryFn: () => told(http.GET('/api/client-names')) }),
  one: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'self'),
      queryFn: () => told(http.GET('/api/clients/{id}', { params: { path: { id } } })),
    }),
  readiness: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'readiness'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/readiness', clientIs(id))),
    }),
  pulse: (id: string, bpm?: number) =>
    queryOptions({
      queryKey: ofClient(id, 'pulse', bpm),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/pulse', { params: { path: { clientId: id }, query: { bpm } } }),
        ),
      retry: false,
    }),
  /** the newest */
  runs: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'runs'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/runs', clientIs(id))),
    }),
  /** @param weeks up to today; all without */
  tolerance: (id: string, weeks?: number) =>
    queryOptions({
      queryKey: ofClient(id, 'tolerance', weeks),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/tolerance', {
            params: { path: { clientId: id }, query: { weeks } },
          }),
        ),
    }),
  family: (id: string, familyId: string, weeks?: number) =>
    queryOptions({
      queryKey: ofClient(id, 'tolerance', familyId, weeks),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/tolerance/{familyId}', {
            params: { path: { clientId: id, familyId }, query: { weeks } },
          }),
        ),
    }),
  diary: (id: string, from: string) =>
    queryOptions({
      queryKey: ofClient(id, 'diary', from),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/diary', {
            params: { path: { clientId: id }, query: { from } },
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  /** What was different before a day. */
  before: (id: string, on: string) =>
    queryOptions({
      queryKey: ofClient(id, 'diary', 'before', on),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/diary/before', {
            params: { path: { clientId: id }, query: { on } },
          }),
        ),
    }),
  dayPlans: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'day-plans'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/day-plans', clientIs(id))),
    }),
}

/** What is kept on paper about a client. */
export const papers = {
  clearances: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'clearances'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/clearances', clientIs(id))),
    }),
  defaultUntil: (id: string, givenOn: string, covers: string[]) =>
    queryOptions({
      queryKey: ofClient(id, 'clearances', 'default', givenOn, covers),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/clearances/default', {
            params: { path: { clientId: id }, query: { givenOn, covers } },
          }),
        ),
    }),
  happened: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'happened'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/happened', clientIs(id))),
    }),
  files: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'files'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/attachments', clientIs(id))),
    }),
  letter: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'letter'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/letter', clientIs(id))),
    }),
  /** pages from 0 */
  trail: (clientId: string, page: number) =>
    queryOptions({
      queryKey: ofClient(clientId, 'trail', `${page}`),
      queryFn: () => told(http.GET('/api/audit', { params: { query: { clientId, page } } })),
      placeholderData: keepPreviousData,
    }),
}

export const screening = {
  questions: () =>
    queryOptions({
      queryKey: ['questions'],
      queryFn: () => told(http.GET('/api/screening/questions')),
      staleTime: Infinity,
    }),
  all: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'screenings'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/screenings', clientIs(id))),
    }),
  draft: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'draft'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/screening-draft', clientIs(id))),
    }),
  /** What answers come to; the last outcome stays while the next is worked out. */
  preview: (answers: Record<string, string>) =>
    queryOptions({
      queryKey: ['preview', answers],
      queryFn: () => told(http.POST('/api/screening/preview', { body: { answers } })),
      placeholderData: keepPreviousData,
      staleTime: Infinity,
    }),
}

export const limits = {
  all: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'limits'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/limits', clientIs(id))),
    }),
  on: (clientId: string, date: string) =>
    queryOptions({
      queryKey: ofClient(clientId, 'limits', 'on', date),
      queryFn: () =>
        told(
          http.GET('/api/clients/{clientId}/limits/on', { params: { path: { clientId }, query: { date } } }),
        ),
      enabled: !!date,
      placeholderData: keepPreviousData,
    }),
  open: (clientId: string, date: string) =>
    queryOptions({
      queryKey: ofClient(clientId, 'open', date),
      queryFn: () =>
        told(http.GET('/api/clients/{clientId}/open', { params: { path: { clientId }, query: { date } } })),
      enabled: !!date,
      placeholderData: keepPreviousData,
    }),
  floor: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'floor'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/floor', clientIs(id))),
    }),
  axes: () =>
    queryOptions({ queryKey: ['axes'], queryFn: () => told(http.GET('/api/axes')), staleTime: Infinity }),
  /** One limit as a sentence. */
  words: (axisId: string, side: S['LimitView']['side'], cap: number) =>
    queryOptions({
      queryKey: ['axes', 'words', axisId, side, cap],
      queryFn: () => told(http.GET('/api/axes/words', { params: { query: { axisId, side, cap } } })),
      retry: false,
      staleTime: Infinity,
    }),
}

/** Today's check before a session. */
export const check = {
  needs: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'check', 'needs'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/today-checks/needs', clientIs(id))),
    }),
  all: (id: string) =>
    queryOptions({
      queryKey: ofClient(id, 'check', 'all'),
      queryFn: () => told(http.GET('/api/clients/{clientId}/today-checks', clientIs(id))),
    }),
  /** What a check comes to; `before` are the checks of today it stands beside. */
  preview: (id: string, body: S['CheckForm'], before: unknown) =>
    queryOptions({
      queryKey: ofClient(id, 'check', 'preview', body, before),
      queryFn: () =>
        told(
          http.POST('/api/clients/{clientId}/today-checks/preview', {
            params: { path: { clientId: id } },
            body,
          }),
        ),
      placeholderData: keepPreviousData,
      retry: false,
      staleTime: Infinity,
    }),
}
