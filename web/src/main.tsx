import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { App } from './app/App'
import { ApiError } from './lib/api'
import './styles.css'

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (n, e) => n < 2 && e instanceof ApiError && e.problem.status === 0,
      refetchOnWindowFocus: true,
      staleTime: 5000,
    },
  },
})

const root = document.getElementById('root')
if (!root) throw new Error('no root element')
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
)
