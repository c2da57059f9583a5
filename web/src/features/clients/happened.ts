import type { S } from '../../lib/api'

/** What can happen between screenings, and counts for training. */
export const HAPPENED: [S['HappenedForm']['kind'], string][] = [
  ['HEART_EVENT', 'a heart event, stroke, clot or new device'],
  ['SYMPTOM', 'a new symptom: chest, breath, dizziness, heartbeat, calf'],
  ['OPERATION', 'an operation or a fracture'],
  ['ILLNESS', 'an illness'],
  ['HOSPITAL', 'a hospital stay'],
  ['FALL', 'a fall'],
  ['FLARE', 'a flare of pain or of a condition'],
]

/** What recording it does. */
export const consequence = (kind: S['HappenedForm']['kind']) =>
  ['HEART_EVENT', 'SYMPTOM', 'OPERATION'].includes(kind)
    ? 'Clearances given before it no longer count: a clearance dated after it is wanted.'
    : 'The client is screened again before the next run, whatever the gap.'
