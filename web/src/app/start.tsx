import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { newClient } from '../lib/client'
import * as q from '../lib/queries'
import { App } from './App'
import { warm } from './pages'

/** The application for those who sign in. */
export async function start(root: HTMLElement) {
  const client = newClient()
  const { pathname } = location
  if (pathname === '/') void client.prefetchQuery({ ...q.studio.day(), retry: false })
  // drawn once, when it is known who is there and what is shown; who is not signed in is told by /me
  await Promise.all([warm(pathname), client.prefetchQuery({ ...q.studio.me(), retry: false })])
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  )
}
