import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { S } from '../../lib/api'
import { carried, open, sameName, visible, type Given } from './answers'

const file = JSON.parse(readFileSync('../core/src/test/resources/shown-cases.json', 'utf8')) as {
  questions: S['Question'][]
  cases: { answers: Given; visible: string[]; missing: string[] }[]
}

describe('which questions are asked', () => {
  it('are the same as the server asks', () => {
    expect(file.cases.length).toBeGreaterThan(30)
    for (const c of file.cases) {
      expect(visible(file.questions, c.answers)).toEqual(c.visible)
      expect(open(file.questions, c.answers)).toEqual(c.missing.filter((id) => id !== 'pregnancy.due'))
    }
  })
  it('takes nothing over that is about now', () => {
    const before = Object.fromEntries(file.questions.map((q) => [q.id, 'yes']))
    const kept = carried(file.questions, before)
    expect(kept['sign.chest']).toBeUndefined()
    expect(kept['falls.any']).toBeUndefined()
    expect(kept['heart.event']).toBe('yes')
  })
  it('knows a name in other spaces and capitals', () => {
    expect(sameName(' odile  VARGA', 'Odile Varga')).toBe(true)
    expect(sameName('Odile', 'Odile Varga')).toBe(false)
  })
})
