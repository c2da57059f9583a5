import { useOutletContext } from 'react-router'
import type { S } from '../../lib/api'

/** What every page of a client is given: who, how they stand, and what limits them. */
export interface ClientContext {
  client: S['Client']
  readiness: S['ClientStanding']
  limits: S['LimitView'][]
}

/** The client whose page this is. */
export function useClient(): ClientContext {
  return useOutletContext<ClientContext>()
}
