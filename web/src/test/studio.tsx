import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { MemoryRouter, Outlet, Route, Routes } from 'react-router'
import { afterEach, vi } from 'vitest'
import type { ClientContext } from '../features/clients/useClient'

/** One request as it reached the server. */
export interface Call {
  method: string
  path: string
  query: URLSearchParams
  // what a test looks at it knows
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  body: any
  version: string | null
}
type Reply = (c: Call) => unknown

/** Thrown by a reply: the server refuses, with its problem. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly problem: object,
  ) {}
}
/** Thrown by a reply: it never arrives. */
export const LOST = new TypeError('network')

/** A server of a few answers that notes what it was asked; what it does not know is a failed test. */
export function server(replies: Record<string, Reply | object>) {
  const calls: Call[] = []
  const unknown: string[] = []
  document.cookie = 'XSRF-TOKEN=t'
  vi.stubGlobal('fetch', async (input: Request | string) => {
    const request = typeof input === 'string' ? new Request(new URL(input, location.href)) : input
    const url = new URL(request.url)
    const text = await request.text()
    const call: Call = {
      method: request.method,
      path: url.pathname,
      query: url.searchParams,
      body: text ? JSON.parse(text) : undefined,
      version: request.headers.get('If-Match'),
    }
    calls.push(call)
    const reply = replies[`${call.method} ${call.path}`]
    if (!reply) {
      unknown.push(`${call.method} ${call.path}`)
      return new Response('{}', { status: 500 })
    }
    try {
      const body: unknown = typeof reply === 'function' ? (reply as Reply)(call) : reply
      return body === undefined
        ? new Response(null, { status: 204 })
        : new Response(JSON.stringify(body), { status: 200, headers: { 'Content-Type': 'application/json' } })
    } catch (e) {
      if (!(e instanceof Refusal)) throw e
      return new Response(JSON.stringify({ status: e.status, ...e.problem }), { status: e.status })
    }
  })
  return {
    calls,
    unknown,
    sent: (method: string, path: string) => calls.filter((c) => c.method === method && c.path === path),
  }
}

/** Shows a part of the page as the application would, for a client where one is given. */
export function show(
  ui: ReactNode,
  { client, at = '/' }: { client?: Partial<ClientContext>; at?: string } = {},
) {
  const cache = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const user = userEvent.setup()
  const shown = render(
    <QueryClientProvider client={cache}>
      <MemoryRouter initialEntries={[at]}>
        <Routes>
          <Route element={<Outlet context={client} />}>
            <Route path="*" element={ui} />
          </Route>
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return { user, cache, ...shown }
}

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  sessionStorage.clear()
})
