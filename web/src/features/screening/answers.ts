import type { S } from '../../lib/api'

type Asked = Pick<S['Question'], 'id' | 'kind' | 'showIf' | 'optional' | 'fresh'>
export type Given = Record<string, string>

/**
 * The questions to ask given the answers so far, in order. What brings a question up is said by the question
 * itself (`showIf`), so that no key waits for the server; the server reads the same data and decides. Both are
 * held to core/src/test/resources/shown-cases.json.
 */
export function visible(questions: Asked[], given: Given): string[] {
  const shown = new Set<string>()
  const yes = (id: string) => shown.has(id) && (given[id] === 'yes' || given[id] === 'unsure')
  for (const q of questions) {
    const up =
      !q.showIf ||
      q.showIf.split('|').some((one) => {
        const [id = '', value] = one.split('=')
        return value === undefined ? yes(id) : shown.has(id) && given[id] === value
      })
    if (up) shown.add(q.id)
  }
  return [...shown]
}

/** Questions asked and not answered that have to be. */
export function open(questions: Asked[], given: Given): string[] {
  const shown = new Set(visible(questions, given))
  return questions.filter((q) => shown.has(q.id) && !q.optional && !given[q.id]?.trim()).map((q) => q.id)
}

/** What a new screening takes over from the last one: nothing that is about now. */
export function carried(questions: Asked[], before: Given): Given {
  const fresh = new Set(questions.filter((q) => q.fresh).map((q) => q.id))
  return Object.fromEntries(Object.entries(before).filter(([id]) => !fresh.has(id)))
}

/** Whether a typed name is the client's own; case and spaces play no part. */
export const sameName = (a: string, b: string) => plain(a) === plain(b)
const plain = (s: string) => s.trim().replace(/\s+/g, ' ').toLowerCase()

const KEY = 'riposo.screening.'

/** Answers as they stand in this tab, kept in the same breath as they are given. */
export const local = {
  read(clientId: string): Given | undefined {
    try {
      const k = JSON.parse(sessionStorage.getItem(KEY + clientId) ?? '') as { v: number; answers: Given }
      return k.v === 1 ? k.answers : undefined
    } catch {
      return undefined
    }
  },
  keep(clientId: string, answers: Given) {
    sessionStorage.setItem(KEY + clientId, JSON.stringify({ v: 1, answers }))
  },
  drop(clientId: string) {
    sessionStorage.removeItem(KEY + clientId)
  },
}
