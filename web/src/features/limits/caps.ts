import { GRAMS_PER_LB, kilos } from '../../lib/format'

/** A cap as typed on screen: kilograms or pounds for grams, least minutes for their complement. */
export function shown(unit: string, cap: number, mass = 'KG'): number {
  if (unit === 'GRAMS') return mass === 'LB' ? Math.floor((cap / GRAMS_PER_LB) * 100) / 100 : kilos(cap)
  return unit === 'LEAST_MINUTES' ? 60 - cap : cap
}

/** What is kept for a cap as typed: grams rounded down, so that no cap is loosened by rounding. */
export function kept(unit: string, typed: number, mass = 'KG'): number {
  if (unit === 'GRAMS') return Math.floor(typed * (mass === 'LB' ? GRAMS_PER_LB : 1000) + 1e-6)
  return unit === 'LEAST_MINUTES' ? 60 - typed : typed
}

/**
 * The cap that is sent: exactly what was stored while the field still reads as it was opened, whatever
 * the unit it is shown in; else what was typed. NaN when nothing is typed.
 */
export function sent(
  unit: string,
  typed: string,
  mass: string,
  stored?: { unit: string; cap: number },
): number {
  if (stored && stored.unit === unit && typed === String(shown(unit, stored.cap, mass))) return stored.cap
  return typed.trim() === '' ? NaN : kept(unit, Number(typed), mass)
}

const LABELS: Record<string, string> = {
  DEGREES: 'Up to, degrees',
  PERCENT: 'Up to, %',
  SECONDS: 'Up to, s',
  MINUTES: 'Up to, min',
  PER_WEEK: 'Up to, a week',
  BPM: 'Up to, bpm',
  LEAST_MINUTES: 'At least, min',
  LEVEL: 'Up to, level',
}

export const capLabel = (unit: string, mass = 'KG') =>
  unit === 'GRAMS' ? `Up to, ${mass === 'LB' ? 'lb' : 'kg'}` : (LABELS[unit] ?? 'Up to')
