import { chip } from './look'

/** A number one step down, as it is, one step up: in one tap each. */
export function Stepper({
  label,
  value,
  given,
  down,
  up,
  keep,
}: {
  label: string
  value: string
  given: boolean
  down?: () => void
  up?: () => void
  keep: () => void
}) {
  return (
    <div>
      <p className="mb-1">{label}</p>
      <div className="flex gap-1 font-mono">
        <button type="button" className={chip()} aria-label={`${label} down`} disabled={!down} onClick={down}>
          −
        </button>
        <button
          type="button"
          className={chip(given)}
          aria-label={`${label} ${value}`}
          aria-pressed={given}
          onClick={keep}
        >
          {value}
        </button>
        <button type="button" className={chip()} aria-label={`${label} up`} disabled={!up} onClick={up}>
          +
        </button>
      </div>
    </div>
  )
}
