import * as z from 'zod/mini'
import { type S, given } from '../../lib/api'
import { number, numberOf, whole } from '../../lib/form'

type Rec = S['ClientRecord']

const side = z.enum(['', 'LEFT', 'RIGHT', 'BOTH'])
const ability = z.enum(['', 'NONE', 'SOME', 'FULL'])

/** What is known of a client, as typed: only what cannot be read is refused here. */
export const RECORD = z.object({
  conditions: z.array(z.object({ name: z.string(), side, since: z.string(), note: z.string() })),
  operations: z.array(z.object({ name: z.string(), side, on: z.string(), word: z.string() })),
  medicines: z.array(z.object({ name: z.string(), effect: z.custom<S['Medicine']['effect']>() })),
  goals: z.array(z.object({ words: z.string() })),
  careLines: z.array(
    z.object({ kind: z.custom<S['CareLine']['kind']>(), value: number, by: z.string(), on: z.string() }),
  ),
  restingPulse: whole,
  measuredMaximum: whole,
  clinicCap: whole,
  usualSystolic: whole,
  usualSaturation: whole,
  kneeCm: whole,
  massKg: whole,
  statureCm: whole,
  olderMaximum: z.boolean(),
  legFunction: ability,
  trunkControl: ability,
  emergencyName: z.string(),
  emergencyPhone: z.string(),
  consent: z.object({ on: z.string(), name: z.string(), letters: z.boolean(), withdrawnOn: z.string() }),
})
export type RecordTyped = z.infer<typeof RECORD>
/** The lists of rows. */
export type RowsOf = 'conditions' | 'operations' | 'medicines' | 'goals' | 'careLines'

/** A new row of each list. A line of the care plan begins without a number: none is usual. */
export const BLANK: { [K in RowsOf]: RecordTyped[K][number] } = {
  conditions: { name: '', side: '', since: '', note: '' },
  operations: { name: '', side: '', on: '', word: '' },
  medicines: { name: '', effect: 'OTHER' },
  goals: { words: '' },
  careLines: { kind: 'SYSTOLIC_HIGH', value: '', by: '', on: '' },
}

const typed = (n: number | undefined) => (n === undefined ? '' : String(n))

/** A record as the form shows it. */
export function asTyped(r: Rec, client: string): RecordTyped {
  return {
    conditions: (r.conditions ?? []).map((c) => ({
      name: c.name,
      side: c.side ?? '',
      since: c.since ?? '',
      note: c.note ?? '',
    })),
    operations: (r.operations ?? []).map((o) => ({
      name: o.name,
      side: o.side ?? '',
      on: o.on ?? '',
      word: o.word ?? '',
    })),
    medicines: (r.medicines ?? []).map((m) => ({ name: m.name, effect: m.effect })),
    goals: (r.goals ?? []).map((words) => ({ words })),
    careLines: (r.careLines ?? []).map((l) => ({
      kind: l.kind,
      value: String(l.value),
      by: l.by ?? '',
      on: l.on ?? '',
    })),
    restingPulse: typed(r.restingPulse),
    measuredMaximum: typed(r.measuredMaximum),
    clinicCap: typed(r.clinicCap),
    usualSystolic: typed(r.usualSystolic),
    usualSaturation: typed(r.usualSaturation),
    kneeCm: typed(r.kneeCm),
    massKg: typed(r.massKg),
    statureCm: typed(r.statureCm),
    olderMaximum: r.olderMaximum,
    legFunction: r.legFunction ?? '',
    trunkControl: r.trunkControl ?? '',
    emergencyName: r.emergencyName ?? '',
    emergencyPhone: r.emergencyPhone ?? '',
    consent: {
      on: r.consent?.on ?? '',
      name: r.consent?.name ?? client,
      letters: r.consent?.letters === true,
      withdrawnOn: r.consent?.withdrawnOn ?? '',
    },
  }
}

/** The record as it is sent; everything could be read, and what is empty is not said. */
export function asSent(f: RecordTyped): Rec {
  return {
    conditions: f.conditions.map((c) => ({
      name: c.name,
      side: c.side || undefined,
      since: given(c.since),
      note: given(c.note),
    })),
    operations: f.operations.map((o) => ({
      name: o.name,
      side: o.side || undefined,
      on: given(o.on),
      word: given(o.word),
    })),
    medicines: f.medicines,
    goals: f.goals.map((g) => g.words),
    // the form has refused an empty line: it can not become a line at 0
    careLines: f.careLines.map((l) => ({
      kind: l.kind,
      value: numberOf(l.value) ?? NaN,
      by: given(l.by),
      on: given(l.on),
    })),
    restingPulse: numberOf(f.restingPulse),
    measuredMaximum: numberOf(f.measuredMaximum),
    clinicCap: numberOf(f.clinicCap),
    usualSystolic: numberOf(f.usualSystolic),
    usualSaturation: numberOf(f.usualSaturation),
    kneeCm: numberOf(f.kneeCm),
    massKg: numberOf(f.massKg),
    statureCm: numberOf(f.statureCm),
    olderMaximum: f.olderMaximum,
    legFunction: f.legFunction || undefined,
    trunkControl: f.trunkControl || undefined,
    emergencyName: given(f.emergencyName),
    emergencyPhone: given(f.emergencyPhone),
    consent: f.consent.on
      ? {
          on: f.consent.on,
          name: f.consent.name,
          letters: f.consent.letters,
          withdrawnOn: given(f.consent.withdrawnOn),
        }
      : undefined,
  }
}
