import type { components } from './api.gen'

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

async function call<T>(method: string, path: string, body?: unknown, version?: number): Promise<T> {
  const headers: Record<string, string> = { Accept: 'application/json' }
  if (body !== undefined) headers['Content-Type'] = 'application/json'
  if (version !== undefined) headers['If-Match'] = `"${version}"`
  if (method !== 'GET') {
    if (!cookie('XSRF-TOKEN')) await fetch('/api/me')
    headers['X-XSRF-TOKEN'] = cookie('XSRF-TOKEN') ?? ''
  }
  let response: Response
  try {
    response = await fetch('/api' + path, {
      method,
      headers,
      body: body === undefined ? undefined : JSON.stringify(body),
    })
  } catch {
    throw new ApiError({
      status: 0,
      code: 'offline',
      detail: 'No connection to the server. Nothing is lost here; try again.',
    })
  }
  return answer<T>(response)
}

async function answer<T>(response: Response): Promise<T> {
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as Partial<Problem>
    throw new ApiError({
      ...problem,
      status: response.status,
      code: problem.code ?? 'unexpected',
      detail: problem.detail ?? 'The server did not answer as it should. Nothing was saved.',
    })
  }
  return (response.status === 204 ? undefined : await response.json()) as T
}

/** Sends a file as it is; the server looks at its content, not its name. */
export async function sendFile<T>(path: string, file: File, most: number): Promise<T> {
  if (file.size > most)
    throw new ApiError({
      status: 413,
      code: 'too-large',
      detail: `This file is larger than ${most >= 1024 * 1024 ? `${most / 1024 / 1024} MB` : `${most / 1024} kB`}; nothing was saved.`,
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
  return answer<T>(response)
}

/** A paper of a client. */
export const upload = (clientId: string, file: File) =>
  sendFile<S['Attachment']>(
    `/clients/${clientId}/attachments?name=${encodeURIComponent(file.name)}`,
    file,
    10 * 1024 * 1024,
  )

export const api = {
  get: <T>(path: string) => call<T>('GET', path),
  post: <T>(path: string, body: unknown, version?: number) => call<T>('POST', path, body, version),
  put: <T>(path: string, body: unknown, version?: number) => call<T>('PUT', path, body, version),
  remove: <T>(path: string, version?: number) => call<T>('DELETE', path, undefined, version),
}
