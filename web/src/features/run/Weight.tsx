import { useState } from 'react'
import type { S } from '../../lib/api'
import type { Entry } from '../../lib/clock'
import { gramsUp, kg, kilos } from '../../lib/format'
import { capOf, heavierThan, lighterThan } from '../../lib/run/otherwise'
import { button, chip } from './look'
import { Stepper } from './Stepper'

/** What the number of kilograms is of. */
const HELD: Record<NonNullable<S['Held']['way']>, string> = {
  EACH_HAND: 'each hand',
  ONE_HAND: 'one hand',
  BOTH_HANDS: 'both hands together',
  TWO_IN_ONE: 'one hand, two weights',
  THIGHS: 'each thigh',
  HIPS: 'on the hips',
  BACKPACK: 'in the backpack',
}
const HEAVIEST = 100_000
const words = (grams: number) => (grams === 0 ? 'none' : String(kilos(grams)))

/**
 * The weight a set was done with, by the steps of the kit: the truth, also above the dose and above a
 * limit, which is said. Hand by hand where the hands hold different ones.
 */
export function Weight({
  part,
  side,
  known,
  grams,
  log,
}: {
  part: S['RunPartView']
  side: string
  known?: Entry
  /** of the set as it comes, in grams */
  grams: number
  log: (e: Partial<Entry>) => void
}) {
  const [other, setOther] = useState<string>()
  const held = part.dose.held
  const hands = held && held.left !== held.right && side === 'BOTH'
  const now = known?.grams ?? grams
  const left = known?.left ?? known?.grams ?? held?.left ?? grams
  const right = known?.right ?? known?.grams ?? held?.right ?? grams
  const step = (label: string, at: number, given: boolean, to: (g: number) => void) => {
    const less = lighterThan(part, at)
    const more = heavierThan(part, at)
    return (
      <Stepper
        label={label}
        value={words(at)}
        given={given}
        down={less === undefined ? undefined : () => to(less)}
        up={more === undefined ? undefined : () => to(more)}
        keep={() => to(at)}
      />
    )
  }
  const of = HELD[held?.way ?? (part.dose.hands === 2 ? 'EACH_HAND' : 'ONE_HAND')]
  const over = hands
    ? [['left hand', left, part.capLeft] as const, ['right hand', right, part.capRight] as const].filter(
        ([, g, cap]) => cap !== undefined && g > cap,
      )
    : ([['', now, capOf(part, side)]] as const).filter(([, g, cap]) => cap !== undefined && g > cap)
  const typed = other === undefined ? NaN : gramsUp(Number(other.replace(',', '.')))
  const fits = Number.isFinite(typed) && typed >= 0 && typed <= HEAVIEST
  return (
    <>
      {hands ? (
        <>
          {step('kg left hand', left, known?.left !== undefined, (g) => log({ left: g, right }))}
          {step('kg right hand', right, known?.right !== undefined, (g) => log({ left, right: g }))}
        </>
      ) : (
        step(`kg ${of}`, now, known?.grams !== undefined, (g) => log({ grams: g }))
      )}
      <div className="self-end">
        {other === undefined ? (
          <button type="button" className={chip()} onClick={() => setOther('')}>
            other kg
          </button>
        ) : (
          <form
            className="flex items-end gap-1"
            onSubmit={(e) => {
              e.preventDefault()
              if (!fits) return
              log({ grams: typed })
              setOther(undefined)
            }}
          >
            <label>
              kg {of}
              <input
                className="block w-24 text-ink"
                inputMode="decimal"
                value={other}
                aria-invalid={other !== '' && !fits}
                onChange={(e) => setOther(e.target.value)}
              />
            </label>
            <button type="submit" className={button} disabled={!fits}>
              Keep
            </button>
          </form>
        )}
      </div>
      {other !== undefined && other !== '' && !fits && (
        <p role="alert" className="w-full font-bold text-sand">
          A weight in kilograms, 0 to {kilos(HEAVIEST)}.
        </p>
      )}
      {over.map(([hand, g, cap]) => (
        <p key={hand} role="alert" className="w-full font-bold text-sand">
          {hand && `${hand}: `}
          {kg(g)} is over the limit of {kg(cap ?? 0)}: kept as it was done. Next set {kg(cap ?? 0)} at most.
        </p>
      ))}
    </>
  )
}
