import * as z from 'zod/mini'
import { type S, given } from '../../lib/api'
import { decimal, numberOf, whole } from '../../lib/form'

export type Sign = S['CheckForm']['signs'][number]

/** Grave ones first: what is seen or told decides, whatever the readings say. */
export const SIGNS: [Sign, string, ((n: S['Needs']) => boolean)?][] = [
  ['EMERGENCY', 'an emergency sign of the stop panel'],
  ['CHEST_HEAD_VISION_NERVE', 'chest, head, vision, speech or one side of the body: new, worse or sudden'],
  ['FLUSHED', 'pounding headache, sudden flushing or sweating', (n) => n.highSpine],
  ['UPPER_BELLY', 'upper-belly pain', (n) => n.maternity],
  ['HEADACHE', 'a headache that stays'],
  ['DIZZY', 'dizzy or giddy'],
  ['UNWELL', 'suddenly unwell'],
  ['FEVER', 'fever, chest infection or vomiting'],
  ['COLD', 'a cold'],
  ['NEW_PAIN', 'new pain or swelling'],
  ['HOT_JOINT', 'a hot, red, swollen joint'],
  ['HOT_REPLACED', 'the same, in a joint that was replaced', (n) => n.facts.replacedJoint],
  ['HOT_FOOT', 'a hot swollen foot', (n) => n.facts.diabetes],
  ['GROIN', 'new groin or thigh pain'],
  ['NO_WEIGHT', 'a leg that cannot bear weight'],
  ['FALLEN', 'a fall since last time'],
  ['AS_USUAL', 'chest, head, vision or nerve symptoms, long-standing and as usual'],
]

/** What is typed and ticked, as it stands; whether a reading may be so is the server's word. */
const ten = z.nullable(z.number())
export const FORM = z.object({
  systolic: whole,
  diastolic: whole,
  pulse: whole,
  saturation: whole,
  glucose: decimal,
  ketones: decimal,
  temperature: decimal,
  glucoseUnit: z.enum(['MMOL', 'MGDL', '']),
  sleep: ten,
  energy: ten,
  pain: ten,
  pulseIrregular: z.boolean(),
  severeLow: z.boolean(),
  wobbly: z.boolean(),
  hardYesterday: z.boolean(),
  signs: z.array(z.custom<Sign>()),
  /** another dose than the check's, or none */
  dose: z.enum(['AS_PLANNED', 'EASED', 'SHORT', '']),
  reason: z.string(),
})
export type Form = z.infer<typeof FORM>
export type Reading =
  'systolic' | 'diastolic' | 'pulse' | 'saturation' | 'glucose' | 'ketones' | 'temperature'
export type Flag = 'pulseIrregular' | 'severeLow' | 'wobbly' | 'hardYesterday'
export const BLANK: Form = {
  systolic: '',
  diastolic: '',
  pulse: '',
  saturation: '',
  glucose: '',
  ketones: '',
  temperature: '',
  glucoseUnit: '',
  sleep: null,
  energy: null,
  pain: null,
  pulseIrregular: false,
  severeLow: false,
  wobbly: false,
  hardYesterday: false,
  signs: [],
  dose: '',
  reason: '',
}

/** The check as it is sent: what is empty is not said. */
export function checkOf(f: Form, glucoseUnit: string): S['CheckForm'] {
  return {
    systolic: numberOf(f.systolic),
    diastolic: numberOf(f.diastolic),
    pulse: numberOf(f.pulse),
    saturation: numberOf(f.saturation),
    glucose: given(f.glucose.trim()),
    glucoseUnit,
    ketones: given(f.ketones.trim()),
    temperature: given(f.temperature.trim()),
    sleep: given(f.sleep),
    energy: given(f.energy),
    pain: given(f.pain),
    pulseIrregular: f.pulseIrregular,
    severeLow: f.severeLow,
    wobbly: f.wobbly,
    hardYesterday: f.hardYesterday,
    signs: f.signs,
  }
}

/** "None of these" and any sign shut each other out. */
export function withSign(signs: Sign[], id: Sign, on: boolean): Sign[] {
  if (!on) return signs.filter((x) => x !== id)
  return id === 'NONE' ? ['NONE'] : [...signs.filter((x) => x !== 'NONE'), id]
}
