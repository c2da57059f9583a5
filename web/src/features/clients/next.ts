import type { S } from '../../lib/api'

/** The next step of a client in one line, and where it is taken. */
export function nextStep(
  s: Pick<
    S['ClientStanding'],
    'screenedOn' | 'outcome' | 'undecided' | 'findings' | 'stoppedToday' | 'closed'
  >,
  client: Pick<S['Client'], 'archivedOn' | 'record'>,
): { words: string; to: string } {
  if (client.archivedOn) return { words: 'Archived: restore before anything is planned.', to: 'papers' }
  if (client.record.consent?.withdrawnOn)
    return { words: 'Consent taken back: nothing new is recorded.', to: 'record' }
  const rescreen = s.findings.some((f) => f.rule.startsWith('standing.rescreen.'))
  if (!s.screenedOn)
    return { words: 'Not screened yet: screen first, then limits, then a plan.', to: 'screening' }
  if (rescreen) return { words: 'To be screened again before the next session.', to: 'screening' }
  if (s.stoppedToday) return { words: 'Stopped today: no session, a clinician is asked.', to: 'letter' }
  const decide =
    s.undecided === 0 ? '' : s.undecided === 1 ? '1 limit to decide' : `${s.undecided} limits to decide`
  if (s.closed && s.closed.bar !== 'UNDECIDED')
    return {
      words: `Screening done${decide && `, ${decide}`}; waits for a clinician’s word.`,
      to: 'papers?record',
    }
  if (s.outcome === 'ASK_FIRST')
    return {
      words: `Ask first${decide && `, and ${decide}`}: a clinician’s word before the next session.`,
      to: 'letter',
    }
  if (decide) return { words: `Screening done, ${decide}, then choose a plan.`, to: 'screening' }
  return { words: 'Screening done, limits decided: adapt a plan and start.', to: 'plan' }
}
