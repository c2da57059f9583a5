const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
const LONG = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  timeZone: 'UTC',
})

/** "12 Feb" from an ISO date. */
export const day = (iso: string) => DAY.format(new Date(iso.slice(0, 10) + 'T00:00:00Z'))
/** "Tuesday 24 November" from an ISO date. */
export const longDay = (iso: string) => LONG.format(new Date(iso.slice(0, 10) + 'T00:00:00Z'))
/** Seconds as "19:40". */
export const clock = (seconds: number) => {
  const s = Math.max(0, Math.round(seconds))
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}
export const kg = (grams: number) => `${grams / 1000} kg`
export const outcomeWords: Record<string, string> = {
  READY: 'Ready',
  READY_WITH_LIMITS: 'Ready with limits',
  ASK_FIRST: 'Ask first',
  CLEARANCE_ONLY: 'Clearance only',
  NOT_SCREENED: 'Not screened',
  GO: 'Go',
  CAUTION: 'Caution: ease',
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
    default:
      return String(value)
  }
}
