import type { S } from '../../lib/api'

export const FEEL = [
  ['GOOD', 'good'],
  ['SO_SO', 'so-so'],
  ['POOR', 'poor'],
] as const

/** What is said after a session; null while it was not asked. */
export interface Words {
  effort: number | null
  feel: (typeof FEEL)[number][0] | null
  symptom: S['AfterView']['symptom'] | null
  note: string
}

/** What was said, in a line. */
export const wordsOf = (run: S['RunView'], person: S['RunPersonView']) =>
  [
    `Effort ${person.effortAfter ?? ''}`,
    FEEL.find(([id]) => id === person.feel)?.[1],
    person.symptom && person.symptom !== 'NONE'
      ? run.after.find((a) => a.symptom === person.symptom)?.words
      : undefined,
  ]
    .filter(Boolean)
    .join(', ')
