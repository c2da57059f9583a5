import { StrictMode, type ReactNode } from 'react'
import { createRoot } from 'react-dom/client'
import { http, told } from '../../lib/api'
import { Failure } from '../../ui/Failure'
import { RunPage } from './RunPage'

/** A run opened by its address: nothing is loaded but what runs it. */
export async function start(root: HTMLElement) {
  let shown: ReactNode
  try {
    const me = await told(http.GET('/api/me'))
    // the sign-in belongs to the application, which comes back here after it
    if (!me.name) return (await import('../../app/start')).start(root)
    shown = (
      <RunPage
        runId={location.pathname.split('/')[2] ?? ''}
        emergency={me.emergencyNumber ?? ''}
        go={(to) => location.assign(to)}
        onEnd={() => {}}
      />
    )
  } catch (e) {
    shown = <Failure error={e} />
  }
  createRoot(root).render(<StrictMode>{shown}</StrictMode>)
}
