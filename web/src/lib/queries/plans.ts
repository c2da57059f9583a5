import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { http, told, type S } from '../api'
import { ofClient } from './clients'

export const plans = {
  all: (archived = false) =>
    queryOptions({
      queryKey: ['plans', 'all', archived],
      queryFn: () => told(http.GET('/api/plans', { params: { query: archived ? { archived } : {} } })),
    }),
  one: (id: string) =>
    queryOptions({
      queryKey: ['plans', id],
      queryFn: () => told(http.GET('/api/plans/{id}', { params: { path: { id } } })),
    }),
  versions: (id: string, newest: number) =>
    queryOptions({
      queryKey: ['plans', id, 'versions', newest],
      queryFn: () => told(http.GET('/api/plans/{id}/versions', { params: { path: { id } } })),
    }),
  version: (id: string, number: number) =>
    queryOptions({
      queryKey: ['plans', id, 'version', number],
      queryFn: () =>
        told(http.GET('/api/plans/{id}/versions/{number}', { params: { path: { id, number } } })),
    }),
  startingPoints: () =>
    queryOptions({
      queryKey: ['plans', 'starting-points'],
      queryFn: () => told(http.GET('/api/plans/starting-points')),
      staleTime: Infinity,
    }),
  formats: () =>
    queryOptions({
      queryKey: ['plans', 'formats'],
      queryFn: () => told(http.GET('/api/plans/formats')),
      staleTime: Infinity,
    }),
  /** The timeline and the checks of a plan as it is typed. */
  compiled: (plan: S['SessionPlan']) =>
    queryOptions({
      queryKey: ['plans', 'compiled', plan],
      queryFn: () => told(http.POST('/api/plans/preview', { body: { plan } })),
      placeholderData: keepPreviousData,
      staleTime: Infinity,
    }),
}

/** A plan adapted to one client, with all that is asked about it. */
export const desk = (clientId: string, planId: string) => {
  const path = { clientId, planId }
  const key = (...rest: unknown[]) => ofClient(clientId, 'desk', planId, ...rest)
  return {
    /** the key all stairs of this desk share */
    stairs: key('stair'),
    adapted: () =>
      queryOptions({
        queryKey: key('adapted'),
        queryFn: () => told(http.GET('/api/clients/{clientId}/adapted/{planId}', { params: { path } })),
      }),
    /** `turn` is whatever moves the stair: where the client stands on it now. */
    stair: (slot: string, ...turn: unknown[]) =>
      queryOptions({
        queryKey: key('stair', slot, ...turn),
        queryFn: () =>
          told(
            http.GET('/api/clients/{clientId}/adapted/{planId}/slots/{key}/stair', {
              params: { path: { ...path, key: slot } },
            }),
          ),
        placeholderData: keepPreviousData,
      }),
    week: () =>
      queryOptions({
        queryKey: key('week'),
        queryFn: () => told(http.GET('/api/clients/{clientId}/adapted/{planId}/week', { params: { path } })),
      }),
    /** Says that the desk was looked at now, and what has changed since the last time. */
    seen: () =>
      queryOptions({
        queryKey: key('seen'),
        queryFn: () => told(http.POST('/api/clients/{clientId}/adapted/{planId}/seen', { params: { path } })),
        retry: 1,
      }),
    today: () =>
      queryOptions({
        queryKey: key('compare', 'today'),
        queryFn: () =>
          told(http.GET('/api/clients/{clientId}/adapted/{planId}/compare/today', { params: { path } })),
        retry: false,
      }),
    dates: (from: string, to: string) =>
      queryOptions({
        queryKey: key('compare', 'dates', from, to),
        queryFn: () =>
          told(
            http.GET('/api/clients/{clientId}/adapted/{planId}/compare', {
              params: { path, query: { from, to } },
            }),
          ),
        retry: false,
      }),
    other: (other: string) =>
      queryOptions({
        queryKey: key('compare', 'client', other),
        queryFn: () =>
          told(
            http.GET('/api/clients/{clientId}/adapted/{planId}/compare/client', {
              params: { path, query: { other } },
            }),
          ),
        retry: false,
      }),
    whatIf: (lift: string[]) =>
      queryOptions({
        queryKey: key('compare', 'what-if', lift),
        queryFn: () =>
          told(
            http.GET('/api/clients/{clientId}/adapted/{planId}/compare/what-if', {
              params: { path, query: { lift } },
            }),
          ),
        enabled: lift.length > 0,
        placeholderData: keepPreviousData,
      }),
    needs: () =>
      queryOptions({
        queryKey: key('needs'),
        queryFn: () => told(http.GET('/api/clients/{clientId}/plans/{planId}/needs', { params: { path } })),
      }),
  }
}
