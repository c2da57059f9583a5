import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ApiError, keepFile } from './api'

const kept: { name: string; href: string }[] = []

beforeEach(() => {
  kept.length = 0
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:it', revokeObjectURL: () => {} }))
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    kept.push({ name: this.download, href: this.href })
  })
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const answer = (of: () => Promise<Response>) => vi.stubGlobal('fetch', of)

it('is kept under the name the server gives it', async () => {
  answer(() =>
    Promise.resolve(
      new Response('{}', {
        headers: { 'Content-Disposition': 'attachment; filename="riposo-client-7.json"' },
      }),
    ),
  )
  await keepFile('/clients/7/export')
  expect(kept).toEqual([{ name: 'riposo-client-7.json', href: 'blob:it' }])
})

it('is not kept where it was refused or broke off, and the sentence is told', async () => {
  answer(() => Promise.resolve(new Response('{"code":"busy","detail":"Much is asked."}', { status: 503 })))
  await expect(keepFile('/x')).rejects.toThrow('Much is asked.')
  answer(() => Promise.reject(new TypeError('network')))
  await expect(keepFile('/x')).rejects.toThrow(ApiError)
  const cut = new ReadableStream({ start: (c) => c.error(new TypeError('cut')) })
  answer(() => Promise.resolve(new Response(cut)))
  await expect(keepFile('/x')).rejects.toThrow('did not arrive whole')
  expect(kept).toEqual([])
})
