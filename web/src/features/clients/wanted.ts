import type { Wanted } from '../../lib/queries/clients'

const COMING = ['TODAY', 'WEEK', 'NOTHING'] as const

/** What the address asks of the list; what it says that makes no sense plays no part. */
export function wanted(search: URLSearchParams): Wanted {
  const find = search.get('find')?.trim()
  const waits = search.get('waits')
  const coming = COMING.find((c) => c === search.get('coming'))
  const page = Number(search.get('page'))
  return {
    ...(search.get('archived') === 'true' && { archived: true }),
    ...(find && { find }),
    ...(waits && /^[A-Z_]+$/.test(waits) && { waits }),
    ...(coming && { coming }),
    ...(search.get('order') === 'NEXT' && { order: 'NEXT' as const }),
    ...(Number.isInteger(page) && page > 0 && { page }),
  }
}

/** The address with one thing asked otherwise; anything but another page begins at the first. */
export function change(search: URLSearchParams, key: string, value: string): URLSearchParams {
  const next = new URLSearchParams(search)
  if (value) next.set(key, value)
  else next.delete(key)
  if (key !== 'page') next.delete('page')
  return next
}
