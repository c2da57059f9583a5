import { useState } from 'react'
import type { S } from '../../lib/api'
import { kilos } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { kept } from '../limits/caps'
import type { Slot } from './draft'
import { MovementFind } from './MovementFind'

type Kind = '' | 'movement' | 'slower' | 'weight'

const kindOf = (u: Slot['upper']): Kind =>
  !u ? '' : u.movementId !== undefined ? 'movement' : u.grams !== undefined ? 'weight' : 'slower'

/** One option above what the slot asks: shown to whoever may do it, never chosen by itself. */
export function UpperField({
  slot,
  movements,
  error,
  onChange,
}: {
  slot: Slot
  movements: S['MovementView'][]
  error?: string
  onChange: (u: Slot['upper']) => void
}) {
  const [kind, setKind] = useState<Kind>(kindOf(slot.upper))
  const named = movements.find((m) => m.id === slot.upper?.movementId)
  const turn = (to: Kind) => {
    setKind(to)
    onChange(to === 'slower' ? { slower: true } : undefined)
  }
  return (
    <div className="grid gap-x-5 sm:grid-cols-3">
      <Field label="Above it, for who can" hint="shown to whoever may do it; you take it" error={error}>
        {(p) => (
          <select {...p} value={kind} onChange={(e) => turn(e.target.value as Kind)}>
            <option value="">nothing named</option>
            <option value="movement">another movement</option>
            <option value="slower">the same, slower</option>
            <option value="weight">the same with a weight</option>
          </select>
        )}
      </Field>
      {kind === 'movement' && (
        <div className="sm:col-span-2">
          <p className="mb-1 font-semibold">The movement above it</p>
          {slot.upper?.movementId ? (
            <p className="flex min-h-[42px] items-center gap-2">
              {named?.name ?? `${slot.upper.movementId} (gone)`}
              <Button quiet onClick={() => onChange(undefined)}>
                another
              </Button>
            </p>
          ) : (
            <MovementFind
              label="The movement above this one"
              movements={movements}
              onPick={(m) => onChange({ movementId: m.id })}
            />
          )}
        </div>
      )}
      {kind === 'weight' && (
        <Field label="The weight above it" hint="kg as printed, each hand">
          {(p) => (
            <input
              {...p}
              type="number"
              step="0.5"
              value={slot.upper?.grams === undefined ? '' : kilos(slot.upper.grams)}
              onChange={(e) => {
                const text = e.target.value.trim()
                const grams = text === '' ? undefined : kept('GRAMS', Number(text.replace(',', '.')))
                onChange(grams === undefined ? undefined : { grams })
              }}
            />
          )}
        </Field>
      )}
    </div>
  )
}
