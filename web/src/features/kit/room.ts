import * as z from 'zod/mini'
import { kilos, gramsUp } from '../../lib/format'
import type { S } from '../../lib/api'
import { count, number, numberOf, whole } from '../../lib/form'

type Room = S['Room']

const list = (what: RegExp, words: string) =>
  z.string().check(z.refine((t) => parts(t).every((p) => what.test(p)), words))

/** A room as typed: only what cannot be read is refused here. */
export const ROOM = z.object({
  name: z.string(),
  clientId: z.string(),
  room: z.object({
    chairs: z.array(
      z.object({
        name: z.string(),
        seatCm: number,
        count,
        arms: z.boolean(),
        wheels: z.boolean(),
        solid: z.boolean(),
        ownWheelchair: z.boolean(),
      }),
    ),
    dumbbells: z.array(z.object({ printed: number, unit: z.enum(['KG', 'LB']), count })),
    standIns: z.array(
      z.object({ kind: z.enum(['CAN_400', 'BOTTLE', 'BAG', 'BACKPACK']), amount: count, count }),
    ),
    bands: z.array(
      z.object({
        name: z.string(),
        freeLengthCm: number,
        points: z
          .string()
          .check(
            z.refine((t) => readPoints(t) !== null, 'Points as stretch and kilograms: 50: 1.2, 100: 2.'),
          ),
        latex: z.boolean(),
        count,
      }),
    ),
    stepCm: list(/^\d+(\.\d+)?$/, 'Heights in cm with commas between: 10, 15, 20.'),
    counterCm: whole,
    wall: z.boolean(),
    things: z.array(z.custom<Room['things'][number]>()),
    machines: z.string(),
  }),
})
export type RoomTyped = z.infer<typeof ROOM>

const parts = (s: string) =>
  s
    .split(/[,;]/)
    .map((x) => x.trim())
    .filter(Boolean)
const num = (s: string) => Number(s.replace(',', '.'))

/** A new row of each list. */
export const ROWS = {
  chairs: {
    name: 'chair',
    seatCm: '45',
    count: '1',
    arms: false,
    wheels: false,
    solid: true,
    ownWheelchair: false,
  },
  dumbbells: { printed: '2', unit: 'KG', count: '2' },
  standIns: { kind: 'CAN_400', amount: '0', count: '2' },
  bands: { name: 'band', freeLengthCm: '150', points: '100: 2', latex: true, count: '1' },
} as const

/** A room as the form shows it; none yet is an empty one with a free wall. */
export function asTyped(view?: S['RoomView']): RoomTyped {
  const r = view?.room
  return {
    name: view?.name ?? '',
    clientId: view?.clientId ?? '',
    room: {
      chairs: (r?.chairs ?? []).map((c) => ({ ...c, seatCm: String(c.seatCm), count: String(c.count) })),
      dumbbells: (r?.dumbbells ?? []).map((d) => ({
        ...d,
        printed: String(d.printed),
        count: String(d.count),
      })),
      standIns: (r?.standIns ?? []).map((s) => ({
        ...s,
        amount: String(s.amount),
        count: String(s.count),
      })),
      bands: (r?.bands ?? []).map((b) => ({
        ...b,
        freeLengthCm: String(b.freeLengthCm),
        points: b.points.map((x) => `${x.percent}: ${kilos(x.grams)}`).join(', '),
        count: String(b.count),
      })),
      stepCm: (r?.stepCm ?? []).join(', '),
      counterCm: r?.counterCm === undefined || r.counterCm === null ? '' : String(r.counterCm),
      wall: r?.wall ?? true,
      things: r?.things ?? [],
      machines: (r?.machines ?? []).join(', '),
    },
  }
}

/** The room as it is sent; everything could be read. */
export function asSent({ name, clientId, room: r }: RoomTyped): S['RoomForm'] {
  return {
    name,
    clientId: clientId || undefined,
    room: {
      ...r,
      chairs: r.chairs.map((c) => ({ ...c, seatCm: num(c.seatCm), count: num(c.count) })),
      dumbbells: r.dumbbells.map((d) => ({ ...d, printed: num(d.printed), count: num(d.count) })),
      standIns: r.standIns.map((s) => ({
        ...s,
        amount: s.kind === 'CAN_400' ? 0 : num(s.amount),
        count: num(s.count),
      })),
      bands: r.bands.map((b) => ({
        ...b,
        freeLengthCm: num(b.freeLengthCm),
        points: readPoints(b.points) ?? [],
        count: num(b.count),
      })),
      stepCm: parts(r.stepCm).map(num),
      counterCm: numberOf(r.counterCm),
      machines: parts(r.machines),
    },
  }
}

/** "50: 1.2, 100: 2" as points; null while it cannot be read. */
export function readPoints(text: string): S['Measured'][] | null {
  const points: S['Measured'][] = []
  for (const part of parts(text)) {
    const m = /^(\d{2,3})\s*%?\s*:\s*(\d+(?:\.\d{1,3})?)\s*(?:kg)?$/.exec(part)
    if (!m) return null
    points.push({ percent: Number(m[1]), grams: gramsUp(Number(m[2])) })
  }
  return points.length ? points : null
}
