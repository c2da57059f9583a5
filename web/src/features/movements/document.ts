/** A movement's document as the open format has it; only what the editor touches is typed. */
export interface Doc {
  id: string
  name: string
  family: string
  after: string | null
  difficulty: number
  position: string
  sides: string
  tempo: string
  load: string
  share?: number
  figure?: string
  lever?: number
  muscles: { primary: string[]; secondary: string[] }
  kit: string[]
  demands: {
    joints: string[]
    spine: string[]
    bearing: string[]
    impact: number
    balance: number
    supported: boolean
    hold: number
    pressure: number
    grip: number
    effort: number
    complexity: number
    head: string[]
    acts: string[]
    weight?: { least: number; hands: number; overhead: boolean }
  }
  range?: { least: number; cuts: string[] }
  modifiers: string[]
  cues: string[]
  faults: string[]
}

/** An id from a name: "Counter press, slow" becomes counter-press-slow. */
export function idOf(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '')
}

/** Lines of a text field, without empty ones. */
export const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)

/** Words parted by commas, without empty ones. */
export const words = (text: string): string[] =>
  text
    .split(',')
    .map((l) => l.trim())
    .filter(Boolean)

/** A new list with the entry in or out. */
export const toggled = (list: string[], entry: string): string[] =>
  list.includes(entry) ? list.filter((x) => x !== entry) : [...list, entry]

/** The document with what goes together kept together: weight with load, range and lever with their modifier. */
export function coherent(d: Doc): Doc {
  const out: Doc = { ...d, demands: { ...d.demands } }
  const weighted = d.load === 'dumbbell' || d.load === 'band'
  if (weighted && !out.demands.weight)
    out.demands.weight = { least: d.load === 'band' ? 1000 : 500, hands: 2, overhead: false }
  if (!weighted) delete out.demands.weight
  if (!d.modifiers.includes('range')) delete out.range
  else if (!out.range) out.range = { least: 60, cuts: firstMotion(d) }
  if (!d.modifiers.includes('shorter-lever')) delete out.lever
  else if (!out.lever) out.lever = 30
  return out
}

function firstMotion(d: Doc): string[] {
  const first = d.demands.joints[0]?.split(' ')[0]
  return first ? [first] : []
}
