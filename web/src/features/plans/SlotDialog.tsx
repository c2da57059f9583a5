import { useState } from 'react'
import { kilos } from '../../lib/format'
import type { S } from '../../lib/api'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Field } from '../../ui/Field'
import { kept } from '../limits/caps'
import {
  CARRIES,
  readTempo,
  SLOT_SIDES,
  tempoText,
  type Block,
  type FormatInfo,
  type Slot,
  type Tempo,
} from './draft'
import { BandFields } from './BandFields'
import { MovementFind } from './MovementFind'
import { UpperField } from './UpperField'

const whole = (text: string) => (text.trim() === '' ? undefined : Number(text))
/** Grams of kilograms as typed, rounded down: a ceiling is never loosened by rounding. */
const grams = (text: string) =>
  text.trim() === '' ? undefined : kept('GRAMS', Number(text.replace(',', '.')))

/** Everything one slot may have of its own. */
export function SlotDialog({
  slot,
  block,
  info,
  movements,
  faults,
  onChange,
  onClose,
}: {
  slot: Slot
  block: Block
  info: FormatInfo
  movements: S['MovementView'][]
  /** what this slot asks for that cannot be */
  faults: S['FaultView'][]
  onChange: (s: Slot) => void
  onClose: () => void
}) {
  const m = movements.find((x) => x.id === slot.movementId)
  const rounds = roundsOf(block)
  const set = (part: Partial<Slot>) => onChange({ ...slot, ...part })
  const wrong = (field: string) => faults.find((f) => f.field === field)?.words
  const ways = m?.sides ?? []
  return (
    <Dialog
      open
      onOpenChange={(o) => !o && onClose()}
      title={m?.name ?? `${slot.movementId} (gone)`}
      wide
      free
    >
      {m ? (
        <p className="mb-4 text-soft">
          {m.purpose} · {m.position.replaceAll('-', ' ')} · tempo {m.tempo} · effort {m.effort} of 10
          {m.kit.length > 0 && ` · needs ${m.kit.join(', ')}`}
        </p>
      ) : (
        <p className="mb-4 border-l-4 border-brick pl-3 font-semibold text-brick">
          This movement is no longer in the catalogue. Replace it below.
        </p>
      )}
      <div className="mb-4">
        <p className="mb-1 font-semibold">Another movement here</p>
        <MovementFind
          label="Another movement for this slot"
          movements={movements}
          onPick={(x) => set({ movementId: x.id })}
        />
      </div>
      <div className="grid gap-x-5 sm:grid-cols-3">
        {(info.ownReps || slot.reps !== undefined) && (
          <Field
            label="Repetitions"
            hint={info.id === 'BY_COUNT' ? 'its own number' : 'own number; empty for the block’s'}
            error={wrong('reps')}
          >
            {(p) => (
              <input
                {...p}
                type="number"
                value={slot.reps ?? ''}
                onChange={(e) => set({ reps: whole(e.target.value) })}
              />
            )}
          </Field>
        )}
        {(m?.hold || info.id === 'HOLDS' || slot.hold !== undefined) && (
          <Field
            label="One hold, s"
            hint="2–300; empty for the time asked for. Limits and today still shorten it"
            error={wrong('hold')}
          >
            {(p) => (
              <input
                {...p}
                type="number"
                value={slot.hold ?? ''}
                onChange={(e) => set({ hold: whole(e.target.value) })}
              />
            )}
          </Field>
        )}
        <TempoField
          label="Tempo"
          hint={`lower-hold-lift-hold, s; empty for ${m?.tempo ?? 'the movement’s'}`}
          value={slot.tempo}
          onChange={(tempo) => set({ tempo })}
        />
        {((m?.carries.length ?? 0) > 1 || m?.carries[0] === 'BACKPACK' || slot.carry) && (
          <Field label="How it is held" error={wrong('carry')}>
            {(p) => (
              <select
                {...p}
                value={slot.carry ?? ''}
                onChange={(e) => set({ carry: (e.target.value || undefined) as Slot['carry'] })}
              >
                <option value="">{usualCarry(m)}</option>
                {[...new Set([...(m?.carries ?? []), ...(slot.carry ? [slot.carry] : [])])].map((c) => (
                  <option key={c} value={c}>
                    {CARRIES[c]}
                  </option>
                ))}
              </select>
            )}
          </Field>
        )}
        <Field
          label="Weight, at most"
          hint="kg as printed; history and caps still lead"
          error={wrong('grams')}
        >
          {(p) => (
            <input
              {...p}
              type="number"
              step="0.5"
              value={slot.grams === undefined ? '' : kilos(slot.grams)}
              onChange={(e) => set({ grams: grams(e.target.value) })}
            />
          )}
        </Field>
        {(ways.length > 0 || slot.sides) && (
          <Field label="Sides" hint={slot.sides ? undefined : usual(block, info)} error={wrong('sides')}>
            {(p) => (
              <select
                {...p}
                value={slot.sides ?? ''}
                onChange={(e) => set({ sides: (e.target.value || undefined) as Slot['sides'] })}
              >
                <option value="">as the block has it</option>
                {SLOT_SIDES.filter(([w]) => ways.includes(w) || slot.sides === w).map(([w, words]) => (
                  <option key={w} value={w}>
                    {words}
                  </option>
                ))}
              </select>
            )}
          </Field>
        )}
        {(ways.length > 0 || slot.start) && (
          <Field label={slot.sides === 'ONE_ONLY' ? 'The side' : 'Side that begins'}>
            {(p) => (
              <select
                {...p}
                value={slot.start ?? 'LEFT'}
                onChange={(e) => set({ start: e.target.value === 'RIGHT' ? 'RIGHT' : undefined })}
              >
                <option value="LEFT">left</option>
                <option value="RIGHT">right</option>
              </select>
            )}
          </Field>
        )}
        <Field label="Extra for a weaker side" hint="left out of the comparison of sides">
          {(p) => (
            <select
              {...p}
              value={slot.extra?.side ?? ''}
              onChange={(e) =>
                set({
                  extra:
                    e.target.value === ''
                      ? undefined
                      : {
                          side: e.target.value as 'LEFT' | 'RIGHT',
                          seconds: slot.extra?.seconds ?? 20,
                          reason: slot.extra?.reason ?? '',
                        },
                })
              }
            >
              <option value="">none</option>
              <option value="LEFT">left</option>
              <option value="RIGHT">right</option>
            </select>
          )}
        </Field>
        {slot.extra && (
          <div className="grid grid-cols-[90px_1fr] gap-3">
            <Field label="Seconds">
              {(p) => (
                <input
                  {...p}
                  type="number"
                  value={slot.extra?.seconds ?? ''}
                  onChange={(e) =>
                    slot.extra && set({ extra: { ...slot.extra, seconds: Number(e.target.value) } })
                  }
                />
              )}
            </Field>
            <Field label="Why" error={slot.extra.reason.trim() ? undefined : 'A recorded reason is wanted.'}>
              {(p) => (
                <input
                  {...p}
                  value={slot.extra?.reason ?? ''}
                  onChange={(e) => slot.extra && set({ extra: { ...slot.extra, reason: e.target.value } })}
                />
              )}
            </Field>
          </div>
        )}
      </div>
      {(m?.load === 'band' || slot.band) && (
        <BandFields slot={slot} error={wrong('band')} onChange={(band) => set({ band })} />
      )}
      <UpperField
        slot={slot}
        movements={movements}
        error={wrong('upper')}
        onChange={(upper) => set({ upper })}
      />
      {info.id === 'STAGED' && <Stages slot={slot} faults={faults} onChange={set} />}
      {info.id !== 'STAGED' && slot.stages.length > 0 && (
        <section aria-label="Stages" className="border-t-2 border-ink pt-2">
          <p className="mb-2 border-l-4 border-brick pl-3 font-semibold text-brick">{wrong('stages')}</p>
          <Button onClick={() => set({ stages: [] })}>Take the {slot.stages.length} stages out</Button>
        </section>
      )}
      {rounds > 1 && (
        <Rounds
          slot={slot}
          rounds={rounds}
          info={info}
          faults={faults}
          movements={movements}
          onChange={(r) => set({ rounds: r, ramp: r.length > 0 ? slot.ramp : undefined })}
          onRamp={(on) => set({ ramp: on || undefined })}
        />
      )}
      <div className="mt-4 flex justify-end">
        <Button main onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  )
}

/** What an empty choice of holding means. */
const usualCarry = (m: S['MovementView'] | undefined) => {
  const first = m?.carries[0]
  if (!first) return 'as the movement has it'
  return m.load === 'dumbbell' ? `as usual: ${CARRIES[first]}` : 'no weight'
}

/** How the block has the sides of a slot that says nothing of its own. */
function usual(block: Block, info: FormatInfo): string {
  if (info.id === 'PHRASE') return 'the phrase names the sides'
  if (block.sides === 'BY_ROUND') return 'the block: one side a round'
  return block.sides === 'EACH' || info.counted
    ? 'the block: each side its own'
    : 'the block: both in one interval, half each'
}

function roundsOf(b: Block): number {
  const v = b.format.values
  if (b.format.kind === 'LADDER') return b.format.ladder.length
  if (b.format.kind === 'BURSTS') return Math.max(1, Math.floor((v.ROUNDS ?? 1) / 2))
  if (b.format.kind === 'HOLDS' || b.format.kind === 'WALK_IN') return v.REPEATS ?? 1
  if (b.format.kind === 'GATHER') return Math.ceil((v.TOTAL ?? 1) / Math.max(1, v.SET_SIZE ?? 1))
  return v.ROUNDS ?? v.SETS ?? 1
}

/** A tempo as typed; what cannot be read stays in the field with a word, and is not taken. */
export function TempoField({
  label,
  hint,
  wrong,
  value,
  onChange,
}: {
  label: string
  hint?: string
  wrong?: string
  value: Tempo | undefined
  onChange: (t: Tempo | undefined) => void
}) {
  const [text, setText] = useState(tempoText(value))
  const bad = text.trim() !== '' && !readTempo(text)
  return (
    <Field label={label} hint={hint} error={bad ? 'Four numbers, such as 3-0-1-0.' : wrong}>
      {(p) => (
        <input
          {...p}
          className="font-mono"
          value={text}
          onChange={(e) => {
            setText(e.target.value)
            const t = readTempo(e.target.value)
            if (t || e.target.value.trim() === '') onChange(t)
          }}
        />
      )}
    </Field>
  )
}

const RANGES = ['FULL', 'HALF', 'LOW', 'HIGH'] as const
const STAGES = { REPS: 'repetitions', PULSES: 'pulses', HOLD: 'hold' }
const KINDS = ['REPS', 'PULSES', 'HOLD'] as const
const FRESH: Record<(typeof KINDS)[number], Tempo> = {
  REPS: { lower: 2, holdLow: 0, lift: 2, holdHigh: 0 },
  PULSES: { lower: 1, holdLow: 0, lift: 0, holdHigh: 0 },
  HOLD: { lower: 0, holdLow: 4, lift: 0, holdHigh: 0 },
}

function Stages({
  slot,
  faults,
  onChange,
}: {
  slot: Slot
  faults: S['FaultView'][]
  onChange: (s: Partial<Slot>) => void
}) {
  const stages = slot.stages
  const set = (i: number, part: Partial<S['Stage']>) =>
    onChange({ stages: stages.map((s, k) => (k === i ? { ...s, ...part } : s)) })
  const counts = stages.reduce(
    (n, s) => n + s.count * (s.tempo.lower + s.tempo.holdLow + s.tempo.lift + s.tempo.holdHigh),
    0,
  )
  return (
    <section aria-label="Stages" className="border-t-2 border-ink pt-2">
      <h3 className="font-bold">
        Stages <span className="font-mono font-normal">{counts} counts</span>
      </h3>
      {stages.map((s, i) => (
        <div
          key={i}
          className="grid grid-cols-2 items-end gap-3 border-b border-line sm:grid-cols-[80px_1fr_1fr_1fr_auto]"
        >
          <Field label="Count">
            {(p) => (
              <input
                {...p}
                type="number"
                value={s.count}
                onChange={(e) => set(i, { count: Number(e.target.value) })}
              />
            )}
          </Field>
          <Field label="What">
            {(p) => (
              <select
                {...p}
                value={s.kind}
                onChange={(e) => {
                  const kind = e.target.value as (typeof KINDS)[number]
                  set(i, { kind, tempo: FRESH[kind] })
                }}
              >
                {KINDS.map((k) => (
                  <option key={k} value={k}>
                    {STAGES[k]}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Range">
            {(p) => (
              <select
                {...p}
                value={s.range}
                onChange={(e) => set(i, { range: e.target.value as S['Stage']['range'] })}
              >
                {RANGES.map((k) => (
                  <option key={k} value={k}>
                    {k.toLowerCase()}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TempoField
            key={s.kind}
            label="Counts"
            value={s.tempo}
            wrong={faults.find((f) => f.field === `stages/${i}/tempo`)?.words}
            onChange={(t) => t && set(i, { tempo: t })}
          />
          <Button
            quiet
            className="mb-4"
            aria-label={`Remove stage ${i + 1}`}
            onClick={() => onChange({ stages: stages.filter((_, k) => k !== i) })}
          >
            Remove
          </Button>
        </div>
      ))}
      <Button
        className="mt-2"
        onClick={() =>
          onChange({ stages: [...stages, { count: 4, range: 'FULL', kind: 'REPS', tempo: FRESH.REPS }] })
        }
      >
        Add a stage
      </Button>
    </section>
  )
}

function Rounds({
  slot,
  rounds,
  info,
  faults,
  movements,
  onChange,
  onRamp,
}: {
  slot: Slot
  rounds: number
  info: FormatInfo
  faults: S['FaultView'][]
  movements: S['MovementView'][]
  onChange: (r: Slot['rounds']) => void
  onRamp: (ramp: boolean) => void
}) {
  const set = (round: number, part: Partial<S['RoundChange']>) => {
    const others = slot.rounds.filter((r) => r.round !== round)
    const next = { ...(slot.rounds.find((r) => r.round === round) ?? { round }), ...part }
    const empty = !next.movementId && next.reps === undefined && !next.tempo && next.grams === undefined
    onChange((empty ? others : [...others, next]).sort((a, b) => a.round - b.round))
  }
  return (
    <details className="border-t-2 border-ink pt-2" open={slot.rounds.length > 0}>
      <summary className="min-h-[40px] cursor-pointer font-bold">
        What differs by round{' '}
        {slot.rounds.length > 0 && <span className="font-normal">({slot.rounds.length})</span>}
      </summary>
      {Array.from({ length: Math.min(rounds, 10) }, (_, i) => {
        const r = slot.rounds.find((x) => x.round === i + 1)
        const m = movements.find((x) => x.id === r?.movementId)
        return (
          <div
            key={i}
            className="grid items-start gap-3 border-b border-line py-2 sm:grid-cols-[70px_1.6fr_80px_1fr_90px]"
          >
            <strong className="pt-2">round {i + 1}</strong>
            <div>
              {r?.movementId ? (
                <p className="flex min-h-[42px] items-center gap-2">
                  {m?.name ?? `${r.movementId} (gone)`}
                  <Button quiet onClick={() => set(i + 1, { movementId: undefined })}>
                    as in the slot
                  </Button>
                </p>
              ) : (
                <MovementFind
                  label={`Another movement in round ${i + 1}`}
                  movements={movements}
                  onPick={(x) => set(i + 1, { movementId: x.id })}
                />
              )}
            </div>
            {info.ownReps || r?.reps !== undefined ? (
              <Field
                label="Reps"
                error={r && faults.find((f) => f.field === `rounds/${slot.rounds.indexOf(r)}/reps`)?.words}
              >
                {(p) => (
                  <input
                    {...p}
                    type="number"
                    value={r?.reps ?? ''}
                    onChange={(e) => set(i + 1, { reps: whole(e.target.value) })}
                  />
                )}
              </Field>
            ) : (
              <span />
            )}
            <TempoField label="Tempo" value={r?.tempo} onChange={(t) => set(i + 1, { tempo: t })} />
            <Field label="kg at most" hint="0 for none">
              {(p) => (
                <input
                  {...p}
                  type="number"
                  step="0.5"
                  value={r?.grams === undefined ? '' : kilos(r.grams)}
                  onChange={(e) => set(i + 1, { grams: grams(e.target.value) })}
                />
              )}
            </Field>
          </div>
        )
      })}
      <label className="mt-2 flex min-h-[40px] items-center gap-2">
        <input type="checkbox" checked={slot.ramp === true} onChange={(e) => onRamp(e.target.checked)} />
        the rounds build up: never lighter, never quicker
      </label>
      {faults
        .filter((f) => f.field === 'ramp')
        .map((f) => (
          <p key={f.words} className="border-l-4 border-brick pl-3 font-semibold text-brick">
            {f.words}
          </p>
        ))}
    </details>
  )
}
