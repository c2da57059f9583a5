import type { S } from '../../lib/api'

export type Plan = S['SessionPlan']
export type Block = S['PlanBlock']
export type Slot = S['Slot']
export type Format = S['Format']
export type Tempo = S['Tempo']
export type FormatInfo = S['FormatView']

/** How the two sides of a slot may come. */
export const SLOT_SIDES = [
  ['IN_TURN', 'in turn'],
  ['ONE_THEN_OTHER', 'all of one side, then the other'],
  ['BY_ROUND', 'one side a round'],
  ['ONE_ONLY', 'one side only (recorded)'],
] as const

/** How a weight is held or carried. */
export const CARRIES: Record<NonNullable<Slot['carry']>, string> = {
  EACH_HAND: 'one in each hand',
  ONE_HAND: 'in one hand',
  BOTH_HANDS: 'one in both hands',
  TWO_IN_ONE: 'two in one hand',
  THIGHS: 'on the thighs',
  HIPS: 'on the hips',
  BACKPACK: 'in a backpack',
}

/** What a height is of. */
export const HEIGHTS = { LEAN: 'Hands at', SEAT: 'Seat height', STEP: 'Step height' } as const

/** A plan while it is built. Numbers of a format may still be missing: they are asked for. */
export interface Draft {
  name: string
  tags: string[]
  note: string
  plan: Plan
}

export interface History {
  past: Draft[]
  now: Draft
  future: Draft[]
  /** the field being typed into: its edits are undone together */
  group?: string
}

export type Action =
  | { kind: 'set'; draft: Draft; group?: string }
  | { kind: 'undo' }
  | { kind: 'redo' }
  | { kind: 'load'; draft: Draft }

const DEPTH = 100

/** Undo and redo over whole drafts. */
export function history(h: History, a: Action): History {
  switch (a.kind) {
    case 'load':
      return { past: [], now: a.draft, future: [] }
    case 'set':
      if (a.draft === h.now) return h
      return a.group !== undefined && a.group === h.group
        ? { ...h, now: a.draft, future: [] }
        : { past: [...h.past, h.now].slice(-DEPTH), now: a.draft, future: [], group: a.group }
    case 'undo': {
      const last = h.past[h.past.length - 1]
      return last ? { past: h.past.slice(0, -1), now: last, future: [h.now, ...h.future] } : h
    }
    case 'redo': {
      const [next, ...rest] = h.future
      return next ? { past: [...h.past, h.now], now: next, future: rest } : h
    }
  }
}

export const BLOCK_WORDS = { WARM_UP: 'Warm-up', WORK: 'Work', COOL_DOWN: 'Cool-down' } as const
/** Blocks with what each is called: two of one kind are told apart by a number. */
export const namedBlocks = (blocks: Block[]) =>
  blocks.map((block) => {
    const same = blocks.filter((x) => x.block === block.block)
    const words = BLOCK_WORDS[block.block]
    return { block, words: same.length > 1 ? `${words} ${same.indexOf(block) + 1}` : words }
  })
export type BlockKind = keyof typeof BLOCK_WORDS
const ORDER: BlockKind[] = ['WARM_UP', 'WORK', 'COOL_DOWN']

export const emptyBlock = (key: string, block: BlockKind): Block => ({
  key,
  block,
  format: { kind: block === 'WORK' ? 'INTERVALS' : 'IN_TURN', values: {}, ladder: [], phrase: [] },
  sides: 'SPLIT',
  alternate: false,
  rest: 'STILL',
  talk: 0,
  setUp: 0,
  slots: [],
})

export const BLANK: Draft = {
  name: '',
  tags: [],
  note: '',
  plan: {
    blocks: [
      emptyBlock('warm-up', 'WARM_UP'),
      emptyBlock('work', 'WORK'),
      emptyBlock('cool-down', 'COOL_DOWN'),
    ],
  },
}

const keys = (p: Plan) => new Set(p.blocks.flatMap((b) => [b.key, ...b.slots.map((s) => s.key)]))

/** A key nothing in the plan has yet. */
export function freshKey(p: Plan, prefix: string, but: string[] = []): string {
  const used = keys(p)
  let n = 1
  while (used.has(prefix + n) || but.includes(prefix + n)) n++
  return prefix + n
}

export const changeBlock = (p: Plan, key: string, change: (b: Block) => Block): Plan => ({
  ...p,
  blocks: p.blocks.map((b) => (b.key === key ? change(b) : b)),
})

export const changeSlot = (p: Plan, key: string, change: (s: Slot) => Slot): Plan => ({
  ...p,
  blocks: p.blocks.map((b) =>
    b.slots.some((s) => s.key === key)
      ? { ...b, slots: b.slots.map((s) => (s.key === key ? change(s) : s)) }
      : b,
  ),
})

/** Adds a movement at the end of a block. */
export function addSlot(p: Plan, blockKey: string, movementId: string): Plan {
  const key = freshKey(p, 's')
  return changeBlock(p, blockKey, (b) => ({
    ...b,
    slots: [
      ...b.slots,
      {
        key,
        movementId,
        // a movement added takes the time of the one before it
        seconds: b.format.kind === 'IN_TURN' ? (b.slots[b.slots.length - 1]?.seconds ?? 60) : undefined,
        stages: [],
        rounds: [],
      },
    ],
  }))
}

export const removeSlot = (p: Plan, key: string): Plan => ({
  ...p,
  blocks: p.blocks.map((b) => ({ ...b, slots: b.slots.filter((s) => s.key !== key) })),
})

/** Copies a slot behind itself. */
export function copySlot(p: Plan, key: string): Plan {
  const fresh = freshKey(p, 's')
  return {
    ...p,
    blocks: p.blocks.map((b) => {
      const i = b.slots.findIndex((s) => s.key === key)
      const s = b.slots[i]
      return s
        ? { ...b, slots: [...b.slots.slice(0, i + 1), { ...s, key: fresh }, ...b.slots.slice(i + 1)] }
        : b
    }),
  }
}

/** Moves a slot to a place in its block; out of range leaves the plan as it is. */
export function moveSlot(p: Plan, key: string, to: number): Plan {
  const b = p.blocks.find((x) => x.slots.some((s) => s.key === key))
  if (!b || to < 0 || to >= b.slots.length) return p
  const from = b.slots.findIndex((s) => s.key === key)
  const slots = [...b.slots]
  const [s] = slots.splice(from, 1)
  if (s) slots.splice(to, 0, s)
  return changeBlock(p, b.key, (x) => ({ ...x, slots }))
}

/** Adds a block after the last one of its kind, so that warm-up, work and cool-down stay in order. */
export function addBlock(p: Plan, block: Block): Plan {
  const at = p.blocks.filter((b) => ORDER.indexOf(b.block) <= ORDER.indexOf(block.block)).length
  return { ...p, blocks: [...p.blocks.slice(0, at), block, ...p.blocks.slice(at)] }
}

export function copyBlock(p: Plan, key: string): Plan {
  const i = p.blocks.findIndex((b) => b.key === key)
  const b = p.blocks[i]
  if (!b) return p
  const made: string[] = []
  const slots = b.slots.map((s) => {
    const k = freshKey(p, 's', made)
    made.push(k)
    return { ...s, key: k }
  })
  const copy = { ...b, key: freshKey(p, 'block-'), slots }
  return { ...p, blocks: [...p.blocks.slice(0, i + 1), copy, ...p.blocks.slice(i + 1)] }
}

export const removeBlock = (p: Plan, key: string): Plan => ({
  ...p,
  blocks: p.blocks.filter((b) => b.key !== key),
})

/** Another format for a block: numbers both ask for stay, the rest is asked for. */
export function changeFormat(b: Block, info: FormatInfo): Block {
  const values: Record<string, number> = {}
  for (const p of info.params) {
    const kept = b.format.values[p.id]
    if (kept !== undefined && kept >= p.least && kept <= p.greatest) values[p.id] = kept
  }
  return {
    ...b,
    format: { kind: info.id, values, ladder: [], phrase: [] },
    slots: b.slots.map((s) => ({
      ...s,
      seconds: info.id === 'IN_TURN' ? (s.seconds ?? 60) : s.seconds,
      rounds: [],
      ramp: undefined,
    })),
  }
}

/** What is still to be asked before the plan can be compiled, in words. */
export function missing(p: Plan, formats: FormatInfo[]): string[] {
  const out: string[] = []
  for (const { block: b, words } of namedBlocks(p.blocks)) {
    if (b.slots.length === 0) continue
    const info = formats.find((f) => f.id === b.format.kind)
    if (!info) continue
    const what = info.params.filter((x) => b.format.values[x.id] === undefined).map((x) => x.words)
    if (info.ladder && b.format.ladder.length === 0) what.push('work of each round')
    if (info.phrase && b.format.phrase.length === 0) what.push('pattern of sides')
    if (info.id === 'IN_TURN' && b.slots.some((s) => s.seconds === undefined))
      what.push('seconds of each slot')
    if (info.id === 'BY_COUNT' && b.slots.some((s) => s.reps === undefined))
      what.push('repetitions of each movement')
    if (info.id === 'STAGED' && b.slots.some((s) => s.stages.length === 0))
      what.push('stages of each movement')
    if (what.length > 0) out.push(`${words}, ${info.words}: ${what.join(', ')}`)
  }
  return out
}

/** The plan as it is sent: blocks without slots are not part of it. */
export const sent = (p: Plan): Plan => ({ ...p, blocks: p.blocks.filter((b) => b.slots.length > 0) })

export const tempoText = (t: Tempo | undefined) =>
  t ? `${t.lower}-${t.holdLow}-${t.lift}-${t.holdHigh}` : ''

/** "3-0-1-0" as a tempo; undefined when it is none. */
export function readTempo(text: string): Tempo | undefined {
  const m = /^(\d{1,2})-(\d{1,2})-(\d{1,2})-(\d{1,2})$/.exec(text.trim())
  if (!m) return undefined
  const [lower = 0, holdLow = 0, lift = 0, holdHigh = 0] = m.slice(1).map(Number)
  return lower + holdLow + lift + holdHigh > 0 ? { lower, holdLow, lift, holdHigh } : undefined
}

/** "60/50/40" as numbers; undefined while it is not one number after another. */
export function readLadder(text: string): number[] | undefined {
  const parts = text
    .split(/[\s/,]+/)
    .filter(Boolean)
    .map(Number)
  return parts.every((n) => Number.isInteger(n) && n > 0) ? parts : undefined
}
