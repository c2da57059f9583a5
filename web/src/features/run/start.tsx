import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { http, told } from '../../lib/api'
import { useTold } from '../../lib/told'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { RunPage } from './RunPage'

/** A run opened by its address: nothing is loaded but what runs it. */
export async function start(root: HTMLElement) {
  const me = told(http.GET('/api/me'))
  const who = await me.catch(() => undefined)
  // the sign-in belongs to the application, which comes back here after it
  if (who && !who.name) return (await import('../../app/start')).start(root)
  createRoot(root).render(
    <StrictMode>
      <Alone runId={location.pathname.split('/')[2] ?? ''} />
    </StrictMode>,
  )
}

function Alone({ runId }: { runId: string }) {
  const me = useTold('me', () => told(http.GET('/api/me')))
  if (me.error) return <Failure error={me.error} />
  if (!me.data) return <Loading what="the run" />
  return (
    <RunPage
      runId={runId}
      emergency={me.data.emergencyNumber ?? ''}
      go={(to) => location.assign(to)}
      onEnd={() => {}}
    />
  )
}
