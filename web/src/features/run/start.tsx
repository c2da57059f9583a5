import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { http, told } from '../../lib/api'
import { RunPage } from './RunPage'

/** A run opened by its address: nothing is loaded but what runs it. */
export async function start(root: HTMLElement) {
  const me = await told(http.GET('/api/me')).catch(() => undefined)
  // the sign-in belongs to the application, which comes back here after it
  if (me && !me.name) return (await import('../../app/start')).start(root)
  createRoot(root).render(
    <StrictMode>
      <RunPage
        runId={location.pathname.split('/')[2] ?? ''}
        // unknown for now, the run on this device is shown all the same
        emergency={me?.emergencyNumber ?? 'the emergency number'}
        go={(to) => location.assign(to)}
        onEnd={() => {}}
      />
    </StrictMode>,
  )
}
