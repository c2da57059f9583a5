import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { type S, http, told } from '../../lib/api'
import { useTold } from '../../lib/told'
import { RunPage } from './RunPage'

const me = () => told(http.GET('/api/me'))

/** A run opened by its address: nothing is loaded but what runs it. */
export async function start(root: HTMLElement) {
  const first = await me().catch(() => undefined)
  // the sign-in belongs to the application, which comes back here after it
  if (first && !first.name) return (await import('../../app/start')).start(root)
  createRoot(root).render(
    <StrictMode>
      <Alone first={first} runId={location.pathname.split('/')[2] ?? ''} />
    </StrictMode>,
  )
}

/** The run on this device is shown whether the studio answers or not; its number to call comes with it. */
export function Alone({ first, runId }: { first?: S['Me']; runId: string }) {
  const { data } = useTold('me', () => (first ? Promise.resolve(first) : me()))
  return (
    <RunPage
      runId={runId}
      emergency={(data ?? first)?.emergencyNumber ?? 'the emergency number'}
      go={(to) => location.assign(to)}
      onEnd={() => {}}
    />
  )
}
