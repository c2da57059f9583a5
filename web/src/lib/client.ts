import { QueryCache, QueryClient } from '@tanstack/react-query'
import { ApiError } from './api'

const lost = (e: unknown) => e instanceof ApiError && e.problem.status === 0

let since: Date | undefined
const told = new Set<() => void>()
function turn(now: Date | undefined) {
  if ((since === undefined) === (now === undefined)) return
  since = now
  told.forEach((tell) => tell())
}

/** Since when no refresh has reached the server; undefined while it answers. */
export const stale = {
  since: () => since,
  subscribe(tell: () => void) {
    told.add(tell)
    return () => void told.delete(tell)
  },
}

/**
 * What the server said, kept while the page is open. A change that finds no connection fails at once, and is
 * not done later behind one's back; a page that is shown stays when a refresh finds none, and `stale` says so.
 */
export function newClient() {
  const client = new QueryClient({
    queryCache: new QueryCache({
      onError(e, query) {
        if (!lost(e) || query.state.data === undefined) return
        query.setState({ status: 'success', error: null })
        turn(new Date())
      },
      onSuccess() {
        if (since === undefined) return
        turn(undefined)
        // it answers again: what else is shown is asked for anew, so that nothing old stays unsaid
        void client.invalidateQueries()
      },
    }),
    defaultOptions: {
      queries: {
        networkMode: 'always',
        refetchOnReconnect: true,
        retry: (n, e) => n < 2 && lost(e),
        refetchOnWindowFocus: true,
        staleTime: 5000,
      },
      mutations: { networkMode: 'always' },
    },
  })
  return client
}
