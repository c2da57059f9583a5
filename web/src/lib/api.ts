import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './api.gen'
import { early } from './early'

export type S = components['schemas']

export interface Problem {
  status: number
  code: string
  detail: string
  errors?: { pointer: string; detail: string }[]
  reasons?: string[]
  theirs?: unknown
  yours?: unknown
  /** the run that is open already, and its plan */
  run?: string
  planName?: string
}

/** A refused request, with the server's sentence. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
  /** The sentence for one field, by JSON pointer. */
  field(pointer: string): string | undefined {
    return this.problem.errors?.find((e) => e.pointer === pointer)?.detail
  }
}

function cookie(name: string): string | undefined {
  return document.cookie
    .split('; ')
    .find((c) => c.startsWith(name + '='))
    ?.slice(name.length + 1)
}

/** Whatever happens to a request, a failure is an ApiError; what changes something carries the token. */
const manners: Middleware = {
  async onRequest({ request }) {
    if (request.method === 'GET') return
    if (!cookie('XSRF-TOKEN')) await fetch('/api/me')
    request.headers.set('X-XSRF-TOKEN', cookie('XSRF-TOKEN') ?? '')
  },
  async onResponse({ response }) {
    if (!response.ok) throw await refusal(response)
  },
  onError({ error }) {
    return error instanceof ApiError
      ? error
      : new ApiError({
          status: 0,
          code: 'offline',
          detail: 'No connection to the server. Nothing is lost here; try again.',
        })
  },
}

/** The server, with the paths, parameters, bodies and answers of its own document. */
export const http = createClient<paths>({
  baseUrl: location.origin,
  headers: { Accept: 'application/json' },
  // asked for when it is needed, so that a test can stand in for the network
  fetch: (request: Request) => early(request) ?? fetch(request),
})
http.use(manners)

/** What a request answered: `await told(http.GET('/api/day'))`. A refusal is thrown as an ApiError. */
export async function told<D>(request: Promise<{ data?: D }>): Promise<D> {
  return (await request).data as D
}

/** The version an edit was made on, as the header the server compares. */
export const ifMatch = (version: number | undefined) =>
  version === undefined ? {} : { 'If-Match': `"${version}"` }

/** An empty field as it is sent: not at all, so that the server asks for it in its own words. */
export const given = <V extends string | number>(value: V | '' | null | undefined): V =>
  (value === '' || value === null ? undefined : value) as V

async function refusal(response: Response): Promise<ApiError> {
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>
  return new ApiError({
    ...problem,
    status: response.status,
    code: problem.code ?? 'unexpected',
    detail: problem.detail ?? 'The server did not answer as it should. Nothing was saved.',
  })
}

/** Sends a file of at most so many kB as it is; the server looks at its content, not its name. */
export async function sendFile<T>(path: string, file: File, kB: number): Promise<T> {
  if (file.size > kB * 1024)
    throw new ApiError({
      status: 413,
      code: 'too-large',
      detail: `This file is larger than ${kB < 1024 ? `${kB} kB` : `${kB / 1024} MB`}; nothing was saved.`,
    })
  if (!cookie('XSRF-TOKEN')) await fetch('/api/me')
  let response: Response
  try {
    response = await fetch('/api' + path, {
      method: 'POST',
      headers: {
        Accept: 'application/json',
        'Content-Type': 'application/octet-stream',
        'X-XSRF-TOKEN': cookie('XSRF-TOKEN') ?? '',
      },
      body: file,
    })
  } catch {
    throw new ApiError({
      status: 0,
      code: 'offline',
      detail: 'The file could not be sent. Nothing was saved; try again.',
    })
  }
  if (!response.ok) throw await refusal(response)
  return (await response.json()) as T
}

/** A paper of a client. */
export const upload = (clientId: string, file: File) =>
  sendFile<S['Attachment']>(
    `/clients/${clientId}/attachments?name=${encodeURIComponent(file.name)}`,
    file,
    10 * 1024,
  )

const LET_GO_MS = 30_000

/**
 * Fetches a file and hands it to the browser to keep, under the name the server gives it. A refusal is told
 * here, where a link would keep it as if it were the file.
 */
export async function keepFile(path: string): Promise<void> {
  const lost = () => {
    throw new ApiError({ status: 0, code: 'offline', detail: 'The file did not arrive whole; try again.' })
  }
  const response = await fetch('/api' + path).catch(lost)
  if (!response.ok) throw await refusal(response)
  const file = await response.blob().catch(lost)
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download =
    /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'riposo.json'
  link.click()
  // not every browser has taken it by now
  setTimeout(() => URL.revokeObjectURL(link.href), LET_GO_MS)
}
