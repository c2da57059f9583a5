import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useKeys } from '../../lib/keys'
import { ApiError, type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { Figure } from '../../ui/Figure'
import type { Choices } from './choices'
import { Changes } from './ComparePanel'
import { indent, part } from './steps'
import { WeightPanel } from './WeightPanel'

type Choice = S['Choose']

/** The stair of the slot's family: open and closed rungs, why; the arrows move the eye, Enter takes. */
export function StairPanel({
  clientId,
  planId,
  slot,
  choices,
}: {
  clientId: string
  planId: string
  slot: S['SlotView']
  choices: Choices
}) {
  const desk = q.desk(clientId, planId)
  const stair = useQuery(desk.stair(slot.key, slot.stairFamilyId, slot.title))
  const [asking, setAsking] = useState<{ choice: Choice; reasons: string[] } | null>(null)
  const [reason, setReason] = useState('')
  const [trace, setTrace] = useState(false)
  const [whole, setWhole] = useState(false)
  const [lifting, setLifting] = useState<string[]>([])
  const [thought, setThought] = useState(false)
  const [weighing, setWeighing] = useState(false)
  const [eye, setEye] = useState<string>()
  const list = useRef<HTMLOListElement>(null)
  const take = (choice: Choice) =>
    choices.choose.mutate(
      { slot, choice },
      {
        onSuccess: () => {
          setAsking(null)
          setReason('')
          setEye(undefined)
        },
        onError: (e) => {
          if (e instanceof ApiError && e.problem.code === 'reason-wanted')
            setAsking({ choice, reasons: e.problem.reasons ?? [] })
        },
      },
    )
  const rungs = stair.data?.rungs
  const now = slot.parts[0]
  const held = now?.modifiers ?? []
  const modify = (n: number) => {
    const m = stair.data?.modifiers[n]
    if (!m?.possible || !now?.movementId) return
    take({
      movementId: now.movementId,
      modifiers: m.on ? held.filter((x) => x !== m.id) : [...held, m.id],
    })
  }
  const hereAt = Math.max(0, rungs?.findIndex((r) => r.here) ?? 0)
  const eyeAt = rungs?.findIndex((r) => r.movementId === eye) ?? -1
  // hardest first: up the stair is back in the list. Only the eye moves; Enter on the step takes it
  const look = (by: number) => {
    const next = rungs?.[(eyeAt < 0 ? hereAt : eyeAt) + by]
    if (!next) return
    setEye(next.movementId)
  }
  useEffect(() => {
    if (eye) list.current?.querySelector<HTMLElement>('[data-eye=true]')?.focus()
  }, [eye])
  useKeys([
    { press: 'ArrowUp', shown: '↑', words: 'look a step up the stair', act: () => look(-1) },
    { press: 'ArrowDown', shown: '↓', words: 'look a step down the stair', act: () => look(1) },
    { press: 'Enter', shown: 'Enter', words: 'take the step looked at' },
    {
      press: 'm ([1-9])',
      shown: 'm 1–9',
      words: 'make it gentler, the modifier of that number',
      act: (e) => modify(Number(e.key) - 1),
    },
    { press: 't', words: 'the trace', act: () => setTrace((t) => !t) },
    { press: 'w', words: 'what if', act: () => setThought((t) => !t) },
  ])
  if (stair.error) return <Failure error={stair.error} />
  if (!stair.data || !rungs) return <Loading what="the stair" />
  const failed = choices.choose.variables?.slot.key === slot.key ? choices.choose.error : null
  const refused = failed instanceof ApiError && failed.problem.code === 'reason-wanted' ? null : failed
  const at = now
  const { long, first, last } = part(rungs.length, eyeAt < 0 ? hereAt : eyeAt, whole)
  const shown = rungs.slice(first, last)
  const on = held
  return (
    <section
      aria-label={`Stair: ${stair.data.familyName}`}
      className="no-print rounded-md border border-line bg-sheet p-4"
    >
      {slot.parts.map(
        (p) =>
          p.movementId && (
            <div key={p.side} className="mb-1 flex items-end gap-3 border-b border-line pb-2">
              <Figure
                movementId={p.movementId}
                name={p.title}
                modifiers={p.modifiers}
                range={p.range}
                height={92}
              />
              <span className="min-w-0 text-[13px] leading-tight text-soft">
                {p.side !== 'BOTH' && <strong className="block text-ink">{p.side.toLowerCase()}</strong>}
                {p.range < 100 ? `cut to ${p.range} %; dotted: the full range` : 'start and end'}
              </span>
            </div>
          ),
      )}
      <Beside slot={slot} take={take} heavier={(grams) => choices.heavier.mutate({ slot, grams })} />
      {slot.weight && (
        <div className="mb-2 border-b border-line pb-1">
          <button
            type="button"
            aria-expanded={weighing}
            className="min-h-[34px] text-left text-sm text-teal underline underline-offset-4"
            onClick={() => setWeighing(!weighing)}
          >
            {weighing ? 'Leave the weight' : 'Another weight'}
          </button>
          {weighing && (
            <WeightPanel
              clientId={clientId}
              planId={planId}
              slot={slot}
              weight={slot.weight}
              onSet={() => !slot.weight?.set && choices.weighed(slot.key)}
            />
          )}
        </div>
      )}
      <h3 className="text-[17px] font-bold">{stair.data.familyName}: the stair</h3>
      <p className="mb-2 text-[13px] text-soft">
        A higher step asks more. Hatched: closed to this client now.
      </p>
      <ol ref={list}>
        {shown.map((r, i) => (
          <li key={r.movementId} style={{ marginLeft: indent(i, shown.length) }} className="mb-1">
            <button
              type="button"
              data-eye={r.movementId === eye}
              aria-disabled={r.here && slot.parts.length === 1}
              aria-current={r.here ? 'step' : undefined}
              onClick={() => {
                if (!(r.here && slot.parts.length === 1)) take({ movementId: r.movementId })
              }}
              className={`block w-full rounded-sm border px-2.5 py-1 text-left leading-tight ${r.movementId === eye ? 'outline-2 outline-offset-1 outline-ochre ' : ''}${r.here ? 'border-teal bg-teal text-white' : r.open ? 'border-line bg-[#eef2f1] hover:border-teal' : 'hatch border-[#cdbccb] text-plum'}`}
            >
              <span className={r.here ? 'font-bold' : ''}>{r.name}</span>
              <span className="block text-[13px] opacity-90">
                {r.note}
                {r.open && r.modifiers.length > 0 && ` · ${r.modifiers.join(', ')}`}
                {!r.open && r.closedBy[0] && ` · ${r.closedBy[0]}`}
                {!r.open && r.closedBy.length > 1 && ` · and ${r.closedBy.length - 1} more`}
              </span>
            </button>
          </li>
        ))}
      </ol>
      {(long || whole) && (
        <button
          type="button"
          aria-expanded={whole}
          className="min-h-[34px] text-left text-sm text-teal underline underline-offset-4"
          onClick={() => setWhole(!whole)}
        >
          {whole
            ? 'Only the steps around'
            : `The whole stair: ${first > 0 ? `${first} more above` : ''}${first > 0 && last < rungs.length ? ', ' : ''}${last < rungs.length ? `${rungs.length - last} more below` : ''}`}
        </button>
      )}
      <p className="mt-1 text-[13px] text-soft">
        <kbd>↑</kbd> <kbd>↓</kbd> look · <kbd>Enter</kbd> take · <kbd>z</kbd> take back · <kbd>j</kbd>{' '}
        <kbd>k</kbd> slot · <kbd>t</kbd> trace · <kbd>w</kbd> what if · <kbd>v</kbd> compare
      </p>
      {stair.data.modifiers.length > 0 && at?.movementId && (
        <>
          <h4 className="mb-1.5 mt-3 text-sm font-bold">
            Make it gentler without leaving <kbd>m</kbd> <span className="font-normal">then its number</span>
          </h4>
          <div className="flex flex-wrap gap-1.5">
            {stair.data.modifiers.map((m, i) => (
              <button
                key={m.id}
                type="button"
                aria-pressed={m.on}
                disabled={!m.possible}
                onClick={() =>
                  take({
                    movementId: at.movementId ?? '',
                    modifiers: m.on ? on.filter((x) => x !== m.id) : [...on, m.id],
                  })
                }
                className={`min-h-[34px] rounded-full border px-3 text-sm disabled:opacity-60 ${m.on ? 'border-ochre bg-ochre-tint font-semibold' : 'border-line bg-paper'}`}
              >
                <span className="font-mono text-[12px] text-soft">{i + 1}</span> {m.words}
              </button>
            ))}
          </div>
          {stair.data.modifiers
            .filter((m) => m.on)
            .map((m) => (
              <p key={m.id} className="mt-1 text-[13px] text-soft">
                <strong>{m.words}</strong>: {m.changes.join(' · ')}
              </p>
            ))}
        </>
      )}
      {slot.next.length > 0 && (
        <>
          <h4 className="mb-1 mt-3 text-sm font-bold">The next two</h4>
          {slot.next.map((n) => (
            <button
              key={n.movementId + n.title}
              type="button"
              className="block min-h-[34px] text-left text-sm text-teal underline underline-offset-4"
              onClick={() => take({ movementId: n.movementId, modifiers: n.modifiers })}
            >
              {n.title}
              <span className="block text-[13px] text-soft no-underline">
                {n.givenUp.length === 0 ? 'gives nothing up' : n.givenUp.join(' · ')}
              </span>
            </button>
          ))}
        </>
      )}
      {asking && (
        <form
          className="mt-3 border-l-4 border-ochre pl-3"
          onSubmit={(e) => {
            e.preventDefault()
            take({ ...asking.choice, reason })
          }}
        >
          <p className="font-semibold">An advised limit closes this.</p>
          {asking.reasons.map((r) => (
            <p key={r} className="text-sm">
              {r}
            </p>
          ))}
          <Field label="Why you pass it">
            {(p) => <input {...p} autoFocus value={reason} onChange={(e) => setReason(e.target.value)} />}
          </Field>
          <Button main type="submit" disabled={reason.trim() === ''}>
            Keep this, with the reason
          </Button>{' '}
          <Button quiet onClick={() => setAsking(null)}>
            Leave it
          </Button>
        </form>
      )}
      <Failure error={refused} />
      <div className="mt-3 flex flex-wrap gap-2">
        {slot.pinned && (
          <Button onClick={() => choices.release.mutate({ slot, what: 'choice' })}>
            Let Riposo choose again
          </Button>
        )}
        {slot.closers.length > 0 && (
          <Button quiet aria-expanded={thought} onClick={() => setThought(!thought)}>
            What if a limit were lifted?
          </Button>
        )}
        {slot.rejections.length > 0 && (
          <Button quiet aria-expanded={trace} onClick={() => setTrace(!trace)}>
            {trace ? 'Hide the trace' : 'Why not something nearer?'}
          </Button>
        )}
      </div>
      {thought && slot.closers.length > 0 && (
        <WhatIf
          clientId={clientId}
          planId={planId}
          closers={slot.closers}
          lifting={lifting}
          onLift={setLifting}
        />
      )}
      {trace && (
        <ul className="mt-2 border-t border-line text-sm">
          {slot.rejections.map((r) => (
            <li key={r.movementId} className="border-b border-line py-1.5">
              <strong>{r.name}</strong>
              {r.mendable && <span className="text-soft"> (a gentler form is open, but gives up more)</span>}
              {r.sentences.map((s) => (
                <span key={s} className="block text-plum">
                  {s}
                </span>
              ))}
            </li>
          ))}
          <li className="py-1.5">
            <strong>What the choice gives up</strong>, weighed in this order:
            {slot.givenUp.length === 0 && <span className="block">nothing</span>}
            {slot.givenUp.map((g) => (
              <span key={g} className="block text-soft">
                {g}
              </span>
            ))}
          </li>
        </ul>
      )}
    </section>
  )
}

/** What is to be known beside the stair: what it is for, what fills the rests, what is above it. */
function Beside({
  slot,
  take,
  heavier,
}: {
  slot: S['SlotView']
  take: (c: Choice) => void
  heavier: (grams: number) => void
}) {
  const { upper } = slot
  return (
    <div className="mb-2 text-[13px] leading-snug">
      {slot.tasks.length > 0 && (
        <p>
          For {slot.tasks.join(', ')}
          {slot.serves.length > 0 && <strong className="text-moss">: the client’s goal</strong>}
        </p>
      )}
      {slot.stretch && <p className="text-soft">In the rests: {slot.stretch}</p>}
      {upper && (
        <p className="mt-1">
          Above it, for who can: <strong>{upper.words}</strong>{' '}
          {upper.taken ? (
            <span className="font-semibold text-ochre-deep">taken</span>
          ) : (
            <button
              type="button"
              className="min-h-[28px] font-semibold text-teal underline underline-offset-4"
              onClick={() => {
                if (upper.movementId) take({ movementId: upper.movementId, modifiers: upper.modifiers })
                else if (upper.grams) heavier(upper.grams)
              }}
            >
              take it
            </button>
          )}
        </p>
      )}
    </div>
  )
}

/** What lifting some of the limits that close a slot would change in the plan; nothing is lifted. */
function WhatIf({
  clientId,
  planId,
  closers,
  lifting,
  onLift,
}: {
  clientId: string
  planId: string
  closers: S['LiftView'][]
  lifting: string[]
  onLift: (ids: string[]) => void
}) {
  const change = useQuery(q.desk(clientId, planId).whatIf(lifting))
  return (
    <div className="mt-2 border-t border-line pt-2 text-sm">
      <p className="font-bold">Lift in thought:</p>
      {closers.map((c) => (
        <label key={c.limitId} className="flex min-h-[34px] items-center gap-2">
          <input
            type="checkbox"
            checked={lifting.includes(c.limitId)}
            onChange={() =>
              onLift(
                lifting.includes(c.limitId)
                  ? lifting.filter((x) => x !== c.limitId)
                  : [...lifting, c.limitId],
              )
            }
          />
          <span>
            {c.words}{' '}
            <span className="text-soft">
              {c.firm ? 'firm' : 'advised'} · {c.source}
            </span>
          </span>
        </label>
      ))}
      <Failure error={change.error} />
      {lifting.length > 0 && change.data && <Changes c={change.data} />}
    </div>
  )
}
