import { useRef, useState } from 'react'
import type { S } from '../../lib/api'
import { clock, kg } from '../../lib/format'
import { Button } from '../../ui/Button'
import {
  addSlot,
  BLOCK_WORDS,
  changeBlock,
  changeFormat,
  changeSlot,
  CARRIES,
  HEIGHTS,
  copyBlock,
  copySlot,
  moveSlot,
  namedBlocks,
  readLadder,
  removeBlock,
  removeSlot,
  SLOT_SIDES,
  tempoText,
  type Block,
  type FormatInfo,
  type Plan,
  type Slot,
} from './draft'
import { MovementFind } from './MovementFind'

const small = 'min-h-[40px] min-w-[32px] px-1.5 disabled:opacity-40'

/** One block: its format and numbers, its slots, and the place to add more. */
export function BlockEditor({
  plan,
  block,
  formats,
  movements,
  view,
  marked,
  expected,
  chosen,
  onChoose,
  onChange,
  onEdit,
  onOrder,
}: {
  plan: Plan
  block: Block
  formats: FormatInfo[]
  movements: S['MovementView'][]
  view?: S['BlockView']
  /** slots a remark is about */
  marked: Set<string>
  /** what one interval or set comes to, by slot */
  expected: Map<string, string>
  chosen?: string
  onChoose: (key: string | undefined, block: string) => void
  onChange: (p: Plan, group?: string) => void
  onEdit: (key: string) => void
  onOrder: () => void
}) {
  const info = formats.find((f) => f.id === block.format.kind)
  const words =
    namedBlocks(plan.blocks).find((b) => b.block.key === block.key)?.words ?? BLOCK_WORDS[block.block]
  const rows = useRef<Record<string, HTMLLIElement | null>>({})
  const [dragged, setDragged] = useState<string>()
  const sided = block.slots.some((s) => movements.find((m) => m.id === s.movementId)?.oneSided)
  const change = (c: (b: Block) => Block, group?: string) => onChange(changeBlock(plan, block.key, c), group)
  const focus = (key?: string) => setTimeout(() => key && rows.current[key]?.focus(), 0)
  const move = (key: string, to: number) => {
    onChange(moveSlot(plan, key, to))
    focus(key)
  }
  return (
    <section aria-label={`${words} ${block.key}`} className="mb-7" data-block={block.key}>
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-ink pb-1">
        <h2 className="text-lg font-bold">{words}</h2>
        {view && view.seconds > 0 && (
          <span className="font-mono" title="rests and changes of posture included">
            {clock(view.seconds)}
          </span>
        )}
        <span className="ml-auto flex flex-wrap">
          {view?.orders && (
            <Button quiet onClick={onOrder}>
              Order for me
            </Button>
          )}
          {block.slots.length > 0 && (
            <Button quiet onClick={() => onChange(copyBlock(plan, block.key))}>
              Copy block
            </Button>
          )}
          <Button quiet onClick={() => onChange(removeBlock(plan, block.key))}>
            Remove block
          </Button>
        </span>
      </header>
      {info && <Numbers block={block} info={info} formats={formats} sided={sided} onChange={change} />}
      <ol aria-label={`slots of ${words}`}>
        {block.slots.map((s, i) => (
          <Row
            key={s.key}
            slot={s}
            at={i}
            last={i === block.slots.length - 1}
            info={info}
            movement={movements.find((m) => m.id === s.movementId)}
            marked={marked.has(s.key)}
            expected={expected.get(s.key)}
            chosen={chosen === s.key}
            paired={!!info?.pairs && i % 2 === 0 && i + 1 < block.slots.length}
            first={chosen === undefined && i === 0}
            dragging={dragged === s.key}
            rowRef={(el) => {
              rows.current[s.key] = el
            }}
            onFocus={() => onChoose(s.key, block.key)}
            onNumber={(field, n) =>
              onChange(
                changeSlot(plan, s.key, (x) => ({ ...x, [field]: n })),
                field + s.key,
              )
            }
            onKey={(e) => {
              const to = e.key === 'ArrowUp' ? i - 1 : e.key === 'ArrowDown' ? i + 1 : undefined
              if (to !== undefined && e.altKey) {
                e.preventDefault()
                move(s.key, to)
              } else if (to !== undefined) {
                e.preventDefault()
                focus(block.slots[to]?.key)
              } else if (e.key === 'Delete' || e.key === 'Backspace') {
                e.preventDefault()
                onChange(removeSlot(plan, s.key))
                focus(block.slots[i + 1]?.key ?? block.slots[i - 1]?.key)
              } else if (e.key === 'Enter' || e.key === 'e') {
                e.preventDefault()
                onEdit(s.key)
              } else if (e.key === 'y') {
                e.preventDefault()
                onChange(copySlot(plan, s.key))
              }
            }}
            onMove={(by) => move(s.key, i + by)}
            onCopy={() => onChange(copySlot(plan, s.key))}
            onRemove={() => onChange(removeSlot(plan, s.key))}
            onEdit={() => onEdit(s.key)}
            onDrag={() => setDragged(s.key)}
            onDrop={() => {
              if (dragged && block.slots.some((x) => x.key === dragged)) onChange(moveSlot(plan, dragged, i))
              setDragged(undefined)
            }}
          />
        ))}
      </ol>
      <div className="mt-2 max-w-xl" data-find={block.key}>
        <MovementFind
          label={`Add a movement to ${words}`}
          movements={movements}
          onFocus={() => onChoose(undefined, block.key)}
          onPick={(m) => onChange(addSlot(plan, block.key, m.id))}
        />
      </div>
    </section>
  )
}

function Row({
  slot,
  at,
  last,
  info,
  movement,
  marked,
  expected,
  chosen,
  first,
  paired,
  dragging,
  rowRef,
  onFocus,
  onKey,
  onNumber,
  onMove,
  onCopy,
  onRemove,
  onEdit,
  onDrag,
  onDrop,
}: {
  slot: Slot
  at: number
  last: boolean
  info?: FormatInfo
  movement?: S['MovementView']
  marked: boolean
  expected?: string
  chosen: boolean
  first: boolean
  paired: boolean
  dragging: boolean
  rowRef: (el: HTMLLIElement | null) => void
  onFocus: () => void
  onKey: (e: React.KeyboardEvent) => void
  onNumber: (field: 'seconds' | 'reps', n: number | undefined) => void
  onMove: (by: number) => void
  onCopy: () => void
  onRemove: () => void
  onEdit: () => void
  onDrag: () => void
  onDrop: () => void
}) {
  const name = movement?.name ?? slot.movementId
  const own = [
    slot.tempo && `tempo ${tempoText(slot.tempo)}`,
    slot.carry && CARRIES[slot.carry],
    slot.grams !== undefined && `${kg(slot.grams)} at most`,
    slot.ramp && 'builds up',
    slot.height !== undefined &&
      `${HEIGHTS[movement?.support?.kind ?? 'LEAN'].toLowerCase()} ${slot.height} cm`,
    slot.sides && slot.sides !== 'ONE_ONLY' && SLOT_SIDES.find(([w]) => w === slot.sides)?.[1],
    slot.sides === 'ONE_ONLY' && `${slot.start === 'RIGHT' ? 'right' : 'left'} only`,
    slot.sides !== 'ONE_ONLY' && slot.start === 'RIGHT' && 'right first',
    slot.hold !== undefined && `holds of ${slot.hold} s`,
    slot.stages.length > 0 && `${slot.stages.length} stages`,
    slot.rounds.length > 0 && `round ${slot.rounds.map((r) => r.round).join(', ')} differs`,
    slot.band && `band ${kg(slot.band.grams)}`,
    slot.upper && 'an option above it',
    slot.extra && `${slot.extra.seconds} s more ${slot.extra.side.toLowerCase()}: ${slot.extra.reason}`,
  ].filter(Boolean)
  const field = info?.id === 'IN_TURN' ? 'seconds' : info?.ownReps ? 'reps' : undefined
  return (
    <li
      ref={rowRef}
      tabIndex={chosen || first ? 0 : -1}
      draggable
      onDragStart={onDrag}
      onDragOver={(e) => e.preventDefault()}
      onDrop={onDrop}
      onFocus={onFocus}
      onKeyDown={(e) => e.target === e.currentTarget && onKey(e)}
      className={`flex items-center gap-1 border-b py-1 pl-1 max-sm:flex-wrap max-sm:justify-end ${paired ? 'border-dashed border-line' : 'border-line'} ${chosen ? 'bg-teal-tint' : ''} ${dragging ? 'opacity-50' : ''}`}
    >
      <span
        className={`w-9 shrink-0 whitespace-nowrap font-mono ${marked ? 'font-bold text-ochre-deep' : chosen ? '' : 'text-soft'}`}
      >
        {at + 1}
        {marked && <span title="a remark is about this slot"> !</span>}
      </span>
      <span className="min-w-0 flex-1 max-sm:basis-[calc(100%-3rem)]">
        {movement ? (
          <span className="font-medium">{name}</span>
        ) : (
          <span className="font-semibold text-brick">{name}: no longer in the catalogue</span>
        )}
        <span className={`block text-[13px] ${chosen ? '' : 'text-soft'}`}>
          {movement && `${movement.purpose} · ${movement.position.replaceAll('-', ' ')}`}
          {movement?.oneSided && ' · one side at a time'}
          {expected && <span className="font-mono"> · {expected}</span>}
          {own.length > 0 && <strong className="text-ink"> · {own.join(' · ')}</strong>}
        </span>
      </span>
      {field && (
        <label className="flex items-center gap-1 text-sm text-soft">
          <input
            className="!w-[70px] font-mono"
            aria-label={`${field === 'seconds' ? 'seconds' : 'repetitions'} of ${name}`}
            type="number"
            value={slot[field] ?? ''}
            onChange={(e) => onNumber(field, e.target.value === '' ? undefined : Number(e.target.value))}
          />
          {field === 'seconds' ? 's' : 'reps'}
        </label>
      )}
      {movement ? (
        <button
          type="button"
          className={`${small} text-teal underline underline-offset-4`}
          aria-label={`Edit ${name}`}
          onClick={onEdit}
        >
          edit
        </button>
      ) : (
        <Button onClick={onEdit}>Replace</Button>
      )}
      <span className="flex shrink-0">
        <button
          type="button"
          className={small}
          aria-label={`Move ${name} up`}
          disabled={at === 0}
          onClick={() => onMove(-1)}
        >
          ↑
        </button>
        <button
          type="button"
          className={small}
          aria-label={`Move ${name} down`}
          disabled={last}
          onClick={() => onMove(1)}
        >
          ↓
        </button>
        <button
          type="button"
          className={`${small} hidden sm:block`}
          aria-label={`Copy ${name}`}
          onClick={onCopy}
        >
          +
        </button>
        <button
          type="button"
          className={`${small} text-soft`}
          aria-label={`Remove ${name}`}
          onClick={onRemove}
        >
          ✕
        </button>
      </span>
    </li>
  )
}

const SIDES = [
  ['SPLIT', 'both in one interval'],
  ['EACH', 'an interval each'],
  ['BY_ROUND', 'left odd, right even rounds'],
] as const

function Numbers({
  block,
  info,
  formats,
  sided,
  onChange,
}: {
  block: Block
  info: FormatInfo
  formats: FormatInfo[]
  sided: boolean
  onChange: (c: (b: Block) => Block, group?: string) => void
}) {
  const value = (id: string, n: number | undefined) =>
    onChange((b) => {
      const values = Object.fromEntries(Object.entries(b.format.values).filter(([k]) => k !== id))
      if (n !== undefined) values[id] = n
      return { ...b, format: { ...b.format, values } }
    }, `${block.key}/${id}`)
  const label = 'flex flex-col text-[13px] text-soft'
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2 py-2">
      <label className={label}>
        format
        <select
          className="!w-auto text-ink"
          value={block.format.kind}
          onChange={(e) => {
            const next = formats.find((f) => f.id === e.target.value)
            if (next) onChange((b) => changeFormat(b, next))
          }}
        >
          {formats.map((f) => (
            <option key={f.id} value={f.id}>
              {f.words}
            </option>
          ))}
        </select>
      </label>
      {info.params.map((p) =>
        p.id === 'DROP_LAST_REST' ? (
          <label key={p.id} className={label}>
            last rest
            <select
              className="!w-auto text-ink"
              value={block.format.values[p.id] ?? ''}
              onChange={(e) => value(p.id, e.target.value === '' ? undefined : Number(e.target.value))}
            >
              <option value="">choose</option>
              <option value="0">kept</option>
              <option value="1">dropped</option>
            </select>
          </label>
        ) : (
          <Number_
            key={p.id}
            words={p.words + (p.unit ? `, ${p.unit}` : '')}
            hint={`${p.least}–${p.greatest}`}
            bad={outOf(block.format.values[p.id], p)}
            value={block.format.values[p.id]}
            onChange={(n) => value(p.id, n)}
          />
        ),
      )}
      {info.ladder && <Ladder block={block} onChange={onChange} />}
      {info.phrase && (
        <label className={label}>
          pattern of sides
          <input
            className={`!w-[130px] font-mono text-ink ${block.format.phrase.length === 0 ? 'border-ochre' : ''}`}
            placeholder="L R B"
            title="L left, R right, B both"
            value={block.format.phrase.map((s) => s[0]).join(' ')}
            onChange={(e) => {
              const phrase = [...e.target.value.toUpperCase()]
                .filter((c) => 'LRB'.includes(c))
                .map((c) => (c === 'L' ? 'LEFT' : c === 'R' ? 'RIGHT' : 'BOTH'))
              onChange(
                (b) => ({ ...b, format: { ...b.format, phrase: phrase as S['Format']['phrase'] } }),
                `${block.key}/phrase`,
              )
            }}
          />
        </label>
      )}
      {sided && (
        <label className={label}>
          one-sided movements
          <select
            className="!w-auto text-ink"
            value={block.sides}
            onChange={(e) => onChange((b) => ({ ...b, sides: e.target.value as Block['sides'] }))}
          >
            {SIDES.map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      <More block={block} sided={sided} onChange={onChange} />
      {info.effortRaise > 0 && (
        <p className="w-full text-[13px] text-soft">
          This format asks {info.effortRaise} more of 10 than the usual dose; effort caps are held to that.
        </p>
      )}
    </div>
  )
}

const outOf = (n: number | undefined, p: { least: number; greatest: number }) =>
  n !== undefined && (n < p.least || n > p.greatest || !Number.isInteger(n))

function Number_({
  words,
  hint,
  bad,
  value,
  onChange,
}: {
  words: string
  hint: string
  bad: boolean
  value: number | undefined
  onChange: (n: number | undefined) => void
}) {
  return (
    <label className="flex flex-col text-[13px] text-soft">
      {words}
      <input
        type="number"
        inputMode="numeric"
        aria-invalid={bad || undefined}
        className={`!w-[92px] font-mono text-ink ${value === undefined ? '!border-ochre' : bad ? '!border-brick' : ''}`}
        placeholder={hint}
        title={bad ? `${hint} is possible` : hint}
        value={value ?? ''}
        onChange={(e) => onChange(e.target.value === '' ? undefined : Number(e.target.value))}
      />
    </label>
  )
}

function Ladder({
  block,
  onChange,
}: {
  block: Block
  onChange: (c: (b: Block) => Block, group?: string) => void
}) {
  const [text, setText] = useState(block.format.ladder.join('/'))
  const read = readLadder(text)
  return (
    <label className="flex flex-col text-[13px] text-soft">
      work of each round, s
      <input
        className={`!w-[190px] font-mono text-ink ${!read ? '!border-brick' : read.length === 0 ? '!border-ochre' : ''}`}
        placeholder="60/50/40"
        aria-invalid={!read || undefined}
        value={text}
        onChange={(e) => {
          setText(e.target.value)
          const ladder = readLadder(e.target.value)
          if (ladder) onChange((b) => ({ ...b, format: { ...b.format, ladder } }), `${block.key}/ladder`)
        }}
      />
    </label>
  )
}

/** What few blocks need: rests, set-up, days. */
function More({
  block,
  sided,
  onChange,
}: {
  block: Block
  sided: boolean
  onChange: (c: (b: Block) => Block, group?: string) => void
}) {
  const used =
    block.rest !== 'STILL' ||
    block.talk > 0 ||
    block.setUp > 0 ||
    block.daysAWeek !== undefined ||
    block.alternate
  const [open, setOpen] = useState(used)
  if (!open)
    return (
      <Button quiet onClick={() => setOpen(true)}>
        rest, set-up, days
      </Button>
    )
  const label = 'flex flex-col text-[13px] text-soft'
  return (
    <>
      <label className={label}>
        the rest is
        <select
          className="!w-auto text-ink"
          value={block.rest}
          onChange={(e) => onChange((b) => ({ ...b, rest: e.target.value as Block['rest'] }))}
        >
          <option value="STILL">still</option>
          <option value="WALKING">walking</option>
          <option value="STRETCH">a stretch</option>
        </select>
      </label>
      <Number_
        words="explain, s"
        hint="0–600"
        bad={outOf(block.talk, { least: 0, greatest: 600 })}
        value={block.talk}
        onChange={(n) => onChange((b) => ({ ...b, talk: n ?? 0 }), `${block.key}/talk`)}
      />
      <Number_
        words="set up kit, s"
        hint="0–600"
        bad={outOf(block.setUp, { least: 0, greatest: 600 })}
        value={block.setUp}
        onChange={(n) => onChange((b) => ({ ...b, setUp: n ?? 0 }), `${block.key}/setUp`)}
      />
      <label className={label}>
        days a week
        <select
          className="!w-auto text-ink"
          value={block.daysAWeek ?? ''}
          onChange={(e) =>
            onChange((b) => ({ ...b, daysAWeek: e.target.value === '' ? undefined : Number(e.target.value) }))
          }
        >
          <option value="">every session</option>
          {[1, 2, 3, 4, 5, 6, 7].map((n) => (
            <option key={n} value={n}>
              {n}
            </option>
          ))}
        </select>
      </label>
      {sided && (
        <label className="flex min-h-[42px] items-center gap-2 text-[13px] text-soft">
          <input
            type="checkbox"
            checked={block.alternate}
            onChange={(e) => onChange((b) => ({ ...b, alternate: e.target.checked }))}
          />
          the side that begins changes each round
        </label>
      )}
    </>
  )
}
