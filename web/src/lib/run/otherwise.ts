import type { S } from '../api'
import type { Doing, Entry } from '../clock'

type Part = S['RunPartView']

/** The weights a part can be held with, lightest first; of a run kept of before, none and the one planned. */
export function weightsOf(part: Part | undefined): number[] {
  const kit = part?.weights as number[] | undefined
  const planned = part?.dose.grams
  if (planned === undefined) return []
  return kit && kit.length > 0 ? kit : [...new Set([0, planned])]
}

/** The greatest weight the limits leave on a side, in grams; undefined where nothing limits it. */
export function capOf(part: Part | undefined, side: string): number | undefined {
  const caps = [side === 'RIGHT' ? undefined : part?.capLeft, side === 'LEFT' ? undefined : part?.capRight]
  const known = caps.filter((c): c is number => c !== undefined)
  return known.length > 0 ? Math.min(...known) : undefined
}

/** The next weight of the kit below one; undefined where there is none. */
export const lighterThan = (part: Part | undefined, grams: number) =>
  weightsOf(part)
    .filter((w) => w < grams)
    .at(-1)

export const heavierThan = (part: Part | undefined, grams: number) => weightsOf(part).find((w) => w > grams)

/** Grams of a set that comes: as changed, else as asked; undefined where none is taken. */
export const gramsOf = (part: Part | undefined, doing: Doing) =>
  part?.dose.grams === undefined ? undefined : (doing.grams ?? part.dose.grams)

/** The same of the hand that holds less: what both hold next is under it. */
export const leastOf = (part: Part | undefined, doing: Doing) => {
  const held = part?.dose.held
  return doing.grams ?? (held ? Math.min(held.left, held.right) : part?.dose.grams)
}

/** Pain over the client's line, lost form: after that nothing is made harder. */
export function halted(e: Partial<Entry> | undefined, line: number | undefined): boolean {
  const pain = Math.max(...[e?.pain, e?.painFirst, e?.painLater, e?.painAfter].map((p) => p ?? 0))
  return e?.formLost === true || pain > (line ?? 0)
}

export const overLine = (e: Partial<Entry> | undefined, line: number | undefined) =>
  line !== undefined && [e?.pain, e?.painFirst, e?.painLater, e?.painAfter].some((p) => (p ?? 0) > line)

export type Option = S['RunOptionView']

/** How hard a slot is as it is done, 0 to 100; 0 where it is not known. */
export const hardnessOf = (slot: S['RunSlotView'] | undefined, option: string | undefined) => {
  // a run kept of before has no options
  const options = slot?.options as Option[] | undefined
  return hardest(options?.find((o) => o.id === option)?.parts ?? slot?.parts ?? [])
}

const hardest = (parts: Part[]) => Math.max(0, ...parts.map((p) => p.difficulty ?? 0))

/**
 * What a slot may become, beside what it is now: of what was sent, and never more than that. Once it is
 * easier, what lies between is harder again.
 */
export function optionsOf(
  slot: S['RunSlotView'] | undefined,
  doing: Doing,
): Record<Option['kind'], Option[]> {
  // a run kept of before has no options
  const all = (slot?.options as Option[] | undefined) ?? []
  const now = all.find((o) => o.id === doing.option)
  const kind = (o: Option) => {
    if (!now) return o.kind
    const more = hardest(o.parts) - hardest(now.parts)
    return more > 0 ? 'HARDER' : o.kind === 'SWAP' ? 'SWAP' : more < 0 ? 'EASIER' : 'SWAP'
  }
  const of = (k: Option['kind']) => all.filter((o) => o !== now && kind(o) === k)
  return { EASIER: of('EASIER'), HARDER: of('HARDER'), SWAP: of('SWAP') }
}
