import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { ScreenPage } from './ScreenPage'

/** The second screen of a run: nothing of the application but what is read from two metres. */
export function start(root: HTMLElement) {
  createRoot(root).render(
    <StrictMode>
      <ScreenPage code={decodeURIComponent(location.pathname.split('/')[2] ?? '')} />
    </StrictMode>,
  )
}
