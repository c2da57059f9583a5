const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
const DATED = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})
const LONG = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  timeZone: 'UTC',
})
const HOUR = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const MOMENT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
})
/** Further away than this a day of the year could be of another year. */
const NEAR_MS = 300 * 86_400_000

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** "12 Feb" from an ISO date, "12 Feb 2023" where it is more than ten months away. */
export const day = (iso: string) => {
  const date = new Date(iso.slice(0, 10) + 'T00:00:00Z')
  return (Math.abs(date.getTime() - Date.now()) > NEAR_MS ? DATED : DAY).format(date)
}
/** "12 Feb 2026, 14:05" from an ISO instant, of the device's own day. */
export const moment = (iso: string) => MOMENT.format(new Date(iso))
/** "Tuesday 24 November" from an ISO date. */
export const longDay = (iso: string) => LONG.format(new Date(iso.slice(0, 10) + 'T00:00:00Z'))
/** "14:05", of the device's own day. */
export const hourOf = (at: Date) => HOUR.format(at)
/** Seconds as "19:40". */
export const clock = (seconds: number) => {
  const s = Math.max(0, Math.round(seconds))
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}
/** Kilograms of grams. */
export const kilos = (grams: number) => grams / 1000
export const kg = (grams: number) => `${kilos(grams)} kg`
/** Grams of kilograms as they are, up: what is held against a cap is never made lighter by rounding. */
export const gramsUp = (kilograms: number) => Math.ceil(kilograms * 1000 - 1e-9)
/** Grams of kilograms wanted or allowed, down. */
export const gramsDown = (kilograms: number) => Math.floor(kilograms * 1000 + 1e-6)
/** A share of body weight. */
export const bodyShare = (share: number) => `${Math.round(share * 100)} % of body weight`
/** The size of a file. */
export const fileSize = (bytes: number) => `${Math.ceil(bytes / 1024)} kB`
/** Seconds of milliseconds. */
export const seconds = (ms: number) => ms / 1000
/** 1 lb is 0.45359237 kg exactly. */
export const GRAMS_PER_LB = 453.59237
/** Grams in the unit the studio chose, kilograms beside pounds: "2.2 lb (1 kg)". */
export const mass = (grams: number, unit: string | undefined) =>
  unit === 'LB' ? `${Math.round((grams / GRAMS_PER_LB) * 10) / 10} lb (${kg(grams)})` : kg(grams)
/** "12 Feb 2027" from an ISO date. */
export const fullDay = (iso: string) => `${day(iso)} ${iso.slice(0, 4)}`
export const doseWords: Record<string, string> = {
  AS_PLANNED: 'As planned',
  EASED: 'Eased',
  SHORT: 'Short',
  NOT_TODAY: 'Not today',
}
export const outcomeWords: Record<string, string> = {
  READY: 'Ready',
  READY_WITH_LIMITS: 'Ready with limits',
  NOT_KNOWN: 'Not known yet',
  ASK_FIRST: 'Ask first',
  CLEARANCE_ONLY: 'Clearance only',
  NOT_SCREENED: 'Not screened',
  GO: 'Go',
  CAUTION: 'Caution: ease',
  STILL_OPEN: 'Not known yet',
  NOT_TODAY: 'Not today',
  URGENT: 'Urgent: act now',
}
export const verdictWords: Record<string, string> = {
  STEP_UP: 'Step up',
  STAY: 'Stay',
  EASE: 'Ease',
  STOP_AND_REFER: 'Stop and refer',
}
/** An amount with the unit of its axis. */
export function amount(unit: string, value: number): string {
  switch (unit) {
    case 'DEGREES':
      return `${value}°`
    case 'GRAMS':
      return kg(value)
    case 'PERCENT':
      return `${value} %`
    case 'SECONDS':
      return `${value} s`
    case 'MINUTES':
      return `${value} min`
    case 'PER_WEEK':
      return `${value} a week`
    case 'BPM':
      return `${value} bpm`
    case 'LEAST_MINUTES':
      return `${60 - value} min`
    default:
      return String(value)
  }
}
