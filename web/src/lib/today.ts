import { useQuery } from '@tanstack/react-query'
import * as q from './queries'

/** Today in the studio's zone, as the server says: a limit set now must hold now, wherever the browser is. */
export function useToday(): string {
  const me = useQuery(q.studio.me())
  return me.data?.today ?? ''
}
