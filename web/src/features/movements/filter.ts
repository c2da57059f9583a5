import type { S } from '../../lib/api'
import { findMovements } from '../../lib/find'

type M = S['MovementView']

/** What a demand filter asks: nothing, that it is there, or that it is not. */
export type Want = '' | 'with' | 'without'

export interface Filter {
  text: string
  purpose: string
  own: boolean
  wants: Record<string, Want>
}

export const NO_FILTER: Filter = { text: '', purpose: '', own: false, wants: {} }

/** The next of nothing, without, with: most look for what a movement does not ask. */
export const turn = (w: Want | undefined): Want => (!w ? 'without' : w === 'without' ? 'with' : '')

/** Movements that fit the words, the purpose and every demand filter: nearest the words first, else as the catalogue has them. */
export function fitting(all: M[], f: Filter): M[] {
  const answers = f.text.trim() === '' ? all : findMovements(all, f.text)
  return answers.filter(
    (m) =>
      (!f.own || m.own) &&
      (f.purpose === '' || m.purpose === f.purpose) &&
      Object.entries(f.wants).every(([d, w]) => w === '' || m.demands.includes(d) === (w === 'with')),
  )
}

/** Every demand that occurs, most common first. */
export function demandsOf(all: M[]): string[] {
  const n = new Map<string, number>()
  for (const m of all) for (const d of m.demands) n.set(d, (n.get(d) ?? 0) + 1)
  return [...n.entries()].sort((a, b) => b[1] - a[1]).map(([d]) => d)
}

/** A filter as the address keeps it, and back. */
export function toQuery(f: Filter): URLSearchParams {
  const q = new URLSearchParams()
  if (f.text) q.set('q', f.text)
  if (f.purpose) q.set('purpose', f.purpose)
  if (f.own) q.set('own', '1')
  const list = (w: Want) => Object.keys(f.wants).filter((d) => f.wants[d] === w)
  if (list('without').length > 0) q.set('without', list('without').join(','))
  if (list('with').length > 0) q.set('with', list('with').join(','))
  return q
}

export function fromQuery(q: URLSearchParams): Filter {
  const wants: Record<string, Want> = {}
  for (const d of (q.get('without') ?? '').split(',').filter(Boolean)) wants[d] = 'without'
  for (const d of (q.get('with') ?? '').split(',').filter(Boolean)) wants[d] = 'with'
  return { text: q.get('q') ?? '', purpose: q.get('purpose') ?? '', own: q.get('own') === '1', wants }
}
