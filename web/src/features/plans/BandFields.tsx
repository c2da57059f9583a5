import { useState } from 'react'
import { kilos } from '../../lib/format'
import { Field } from '../../ui/Field'
import { kept } from '../limits/caps'
import type { Slot } from './draft'

type Ask = NonNullable<Slot['band']>
type Hold = Ask['hold']

const HOLDS: [Hold, string][] = [
  ['ONE_FOOT', 'under one foot'],
  ['TWO_FEET', 'under both feet'],
  ['WHOLE', 'over its whole length'],
]

const number = (text: string) => {
  const n = text.trim() === '' ? NaN : Number(text.replace(',', '.'))
  return Number.isFinite(n) ? n : undefined
}

/** How a slot wants its band; all of it or nothing: the grip is reckoned for each person. */
export function BandFields({
  slot,
  error,
  onChange,
}: {
  slot: Slot
  error?: string
  onChange: (b: Slot['band']) => void
}) {
  const b = slot.band
  const [told, setTold] = useState({
    hold: b?.hold ?? ('' as Hold | ''),
    kg: b ? String(kilos(b.grams)) : '',
    reach: b ? String(b.reachCm) : '',
    stance: b?.stanceCm === undefined ? '' : String(b.stanceCm),
  })
  const set = (part: Partial<typeof told>) => {
    const next = { ...told, ...part }
    setTold(next)
    const kg = number(next.kg)
    const reach = number(next.reach)
    const stance = next.hold === 'TWO_FEET' ? number(next.stance) : undefined
    const whole =
      next.hold !== '' &&
      kg !== undefined &&
      reach !== undefined &&
      (next.hold !== 'TWO_FEET' || stance !== undefined)
    onChange(
      whole && next.hold !== ''
        ? { hold: next.hold, grams: kept('GRAMS', kg) ?? 0, reachCm: Math.round(reach), stanceCm: stance }
        : undefined,
    )
  }
  const open = told.hold !== ''
  const short = open && !slot.band
  return (
    <div className="grid gap-x-5 sm:grid-cols-3">
      <Field
        label="The band"
        hint="the grip is each person’s own"
        error={error ?? (short ? 'Pull, reach and stance are wanted too.' : undefined)}
      >
        {(p) => (
          <select {...p} value={told.hold} onChange={(e) => set({ hold: e.target.value as Hold | '' })}>
            <option value="">as it is held usually</option>
            {HOLDS.map(([h, words]) => (
              <option key={h} value={h}>
                {words}
              </option>
            ))}
          </select>
        )}
      </Field>
      {open && (
        <>
          <Field label="Pull wanted, kg" hint="on a hand, at the end">
            {(p) => (
              <input
                {...p}
                inputMode="decimal"
                value={told.kg}
                onChange={(e) => set({ kg: e.target.value })}
              />
            )}
          </Field>
          <Field label="Reach, cm" hint="from there to the hand at the end, for 1.70 m">
            {(p) => (
              <input
                {...p}
                inputMode="numeric"
                value={told.reach}
                onChange={(e) => set({ reach: e.target.value })}
              />
            )}
          </Field>
          {told.hold === 'TWO_FEET' && (
            <Field label="Between the feet, cm">
              {(p) => (
                <input
                  {...p}
                  inputMode="numeric"
                  value={told.stance}
                  onChange={(e) => set({ stance: e.target.value })}
                />
              )}
            </Field>
          )}
        </>
      )}
    </div>
  )
}
