import type { S } from '../../lib/api'

const plain = (s: string) => s.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** The clients whose name, conditions, facts or what waits hold every word typed; accents play no part. */
export function found(all: S['ClientLine'][], text: string): S['ClientLine'][] {
  const words = plain(text).split(/\s+/).filter(Boolean)
  return all.filter((c) => {
    const said = plain(
      [
        c.name,
        c.facts ?? '',
        c.goal ?? '',
        ...c.conditions,
        ...c.waits.map((w) => w.text),
        c.next?.what ?? '',
      ].join(' '),
    )
    return words.every((w) => said.includes(w))
  })
}
