/** What can wait of a client, as the list is asked for it and in words. */
export const WAITING: Record<string, string> = {
  VERDICT: 'verdicts to decide',
  CHECK_IN: 'mornings not answered',
  SCREENING: 'not screened yet',
  CLEARANCE: 'clearance wanted',
  LIMITS: 'limits to decide',
  ENDING: 'clearance ends soon',
  REVIEW: 'limits to review',
  AFTER: 'words after a session',
  RUN: 'session running',
  SIX_WEEKS: 'review due',
}
