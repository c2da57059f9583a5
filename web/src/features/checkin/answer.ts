import type { S } from '../../lib/api'

type Answer = S['Answer']
export type Sign = Answer['newSigns'][number]

/** What is tapped so far; a missing part is not answered yet. */
export interface Tapped {
  pain?: number
  compared?: Answer['compared']
  moreTired?: boolean
  newSigns?: Sign[]
  /** swelling that passed is none of the signs, and not nothing */
  passed?: boolean
  places: string[]
  side?: string
  soreness?: number
  sleep?: number
  energy?: number
  words: string
}

export const NOTHING: Tapped = { places: [], words: '' }

export const PLACES = ['shoulder', 'elbow', 'wrist', 'neck', 'back', 'hip', 'knee', 'ankle', 'other'] as const
export const SIDES = ['left', 'right', 'both sides'] as const
export const SIGNS: readonly (readonly [Sign | 'PASSED', string])[] = [
  ['NIGHT_PAIN', 'Pain that woke me'],
  ['NUMBNESS', 'Numbness'],
  ['GIVING_WAY', 'A joint gave way'],
  ['SWELLING', 'Swelling that stays'],
  ['PASSED', 'Swelling, gone again'],
  ['EMERGENCY', 'Chest pain, fainting, breathless at rest, a weak face or arm'],
]
export const COMPARED = [
  ['BETTER', 'better'],
  ['SAME', 'same'],
  ['WORSE', 'worse'],
] as const
export const YES = [
  ['no', 'no'],
  ['yes', 'yes'],
] as const

/** The four that must be answered. */
export const whole = (t: Tapped) =>
  t.pain !== undefined && t.compared !== undefined && t.moreTired !== undefined && t.newSigns !== undefined

/** What is sent; undefined while one of the four is missing. */
export function answerOf(t: Tapped): Answer | undefined {
  const { pain, compared, moreTired, newSigns } = t
  if (pain === undefined || compared === undefined || moreTired === undefined || newSigns === undefined)
    return undefined
  const where = pain > 0 && t.places.length > 0 ? `${t.side ? `${t.side} ` : ''}${t.places.join(', ')}` : ''
  return {
    pain,
    compared,
    moreTired,
    newSigns,
    swelling: newSigns.includes('SWELLING')
      ? 'STAYS'
      : t.passed
        ? 'PASSED'
        : newSigns.length === 0
          ? 'NONE'
          : undefined,
    where: where || undefined,
    soreness: t.soreness,
    sleep: t.sleep,
    energy: t.energy,
    words: t.words.trim() || undefined,
  }
}

/** An answer kept before, to be changed. */
export function tappedOf(a: S['NextDay']): Tapped {
  const where = a.more.where ?? ''
  const side = SIDES.find((s) => where.startsWith(`${s} `))
  const said = side ? where.slice(side.length + 1) : where
  return {
    pain: a.pain,
    compared: a.compared,
    moreTired: a.moreTired,
    newSigns: a.newSigns,
    passed: a.more.swelling === 'PASSED',
    places: said === '' ? [] : said.split(', '),
    side,
    soreness: a.more.soreness,
    sleep: a.more.sleep,
    energy: a.more.energy,
    words: a.more.words ?? '',
  }
}

/** What was tapped, line by line, as it is looked over before it is sent. */
export function lines(t: Tapped): [string, string][] {
  const signs = SIGNS.filter(([id]) => (id === 'PASSED' ? t.passed : t.newSigns?.includes(id))).map(
    ([, words]) => words,
  )
  const all: [string, string | undefined][] = [
    ['Pain now', t.pain === undefined ? undefined : `${t.pain} of 10`],
    ['Where', answerOf(t)?.where],
    ['Than before the session', COMPARED.find(([id]) => id === t.compared)?.[1]],
    ['Much more tired', t.moreTired === undefined ? undefined : t.moreTired ? 'yes' : 'no'],
    ['New', t.newSigns === undefined ? undefined : signs.length === 0 ? 'nothing' : signs.join('; ')],
    ['Sore muscles', of10(t.soreness)],
    ['Sleep', of10(t.sleep)],
    ['Energy', of10(t.energy)],
    ['In your words', t.words.trim() || undefined],
  ]
  return all.filter((l): l is [string, string] => l[1] !== undefined)
}

const TEN = 10
const of10 = (n?: number) => (n === undefined ? undefined : `${n} of ${TEN}`)
