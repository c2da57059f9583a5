import type { S } from './api'

type M = S['MovementView']

/** One spelling of what is typed and what is there: no capitals, hyphens, accents, or plural s. */
export const tokens = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f’']/g, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .map((t) => (t.length > 2 && t.endsWith('s') && !t.endsWith('ss') ? t.slice(0, -1) : t))

/** What a movement is found by, made ready once: every key typed asks all of them. */
interface Entry {
  name: string[]
  words: string[][]
  family: string[][]
  hay: string[]
  whole: string
}
const entries = new WeakMap<M, Entry>()

function entry(m: M): Entry {
  let e = entries.get(m)
  if (!e) {
    const family = [m.familyName, ...m.familyWords]
    const rest = [m.name, ...m.words, ...family, m.purpose, m.position, m.region]
    const whole = [...rest, ...m.kit, ...m.demands, ...m.tasks].join(' ')
    e = {
      name: tokens(m.name),
      words: m.words.map(tokens),
      family: family.map(tokens),
      hay: tokens(whole),
      whole: whole.toLowerCase(),
    }
    entries.set(m, e)
  }
  return e
}

/** How well the words typed answer a phrase: 0 the phrase itself, 1 its words, 2 their beginnings. */
function fit(want: string[], have: string[]): number | undefined {
  if (have.join('') === want.join('')) return 0
  if (!answers(want, have)) return undefined
  return want.every((w) => have.includes(w)) ? 1 : 2
}

/** Every word is there; the last may still be being typed. */
const answers = (want: string[], have: string[]) =>
  want.every((w, i) => have.some((h) => h === w || (i === want.length - 1 && h.startsWith(w))))

const best = (want: string[], phrases: string[][]) =>
  phrases.reduce<number | undefined>((b, p) => {
    const f = fit(want, p)
    return f === undefined || (b !== undefined && b <= f) ? b : f
  }, undefined)

/**
 * How near a movement is to the words: its name or a word for it before what only its family is
 * called; last what it trains, needs or asks for. Undefined where some word answers nothing.
 */
function near(m: M, want: string[]): number | undefined {
  const e = entry(m)
  const name = fit(want, e.name)
  const word = best(want, e.words)
  const family = best(want, e.family)
  const own = name === undefined ? word : Math.min(name, word ?? 9)
  const FAMILY = 4
  // whole steps part the kinds of answer, what is within one is how well the words fit
  const STEP = 10
  const well = (fits: number) => fits / STEP
  if (own === 0) return name === 0 ? 0 : 1
  // a row is a row of the family that is called so, not whatever has the word in its name
  if (own !== undefined) return (family === undefined ? 3 : 2) + well(own)
  if (family !== undefined) return FAMILY + well(family)
  if (answers(want, e.hay)) return 5
  return want.every((w) => e.whole.includes(w)) ? 6 : undefined
}

/**
 * Movements that answer the words typed, nearest first, gentlest first among equals: everyday and
 * gym words too. “no kneeling” leaves out what kneels; nothing typed answers nothing.
 */
export function findMovements(all: M[], text: string): M[] {
  const want: string[] = []
  const not: string[] = []
  const said = tokens(text)
  for (let i = 0; i < said.length; i++) {
    const next = said[i + 1]
    if (said[i] === 'no' && next) {
      not.push(next)
      i++
    } else want.push(said[i] ?? '')
  }
  if (want.length + not.length === 0) return []
  const asks = (m: M, w: string) =>
    m.demands.some((d) => d.startsWith(w.slice(0, 5))) || m.position.includes(w)
  return all
    .filter((m) => !not.some((w) => asks(m, w)))
    .map((m) => ({ m, at: want.length === 0 ? 0 : near(m, want) }))
    .filter((x): x is { m: M; at: number } => x.at !== undefined)
    .sort((a, b) => a.at - b.at || a.m.difficulty - b.m.difficulty)
    .map((x) => x.m)
}
