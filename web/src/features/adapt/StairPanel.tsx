import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { typing } from '../../app/Shell'
import { api, ApiError, type S } from '../../lib/api'
import { Button, Failure, Field, Loading } from '../../ui'
import { Figure } from '../../ui/Figure'
import { Changes } from './ComparePanel'

type Choice = { movementId: string; modifiers?: string[]; reason?: string }

/** The stair of the slot's family: open and closed rungs, why, and the arrows. */
export function StairPanel({
  base,
  slot,
  cacheKey,
  onRelease,
}: {
  base: string
  slot: S['SlotView']
  cacheKey: string[]
  onRelease: () => void
}) {
  const stair = useQuery({
    queryKey: ['stair', base, slot.key, slot.stairFamilyId, slot.title],
    queryFn: () => api.get<S['Stair']>(`${base}/slots/${slot.key}/stair`),
    placeholderData: (p) => p,
  })
  const [asking, setAsking] = useState<{ choice: Choice; reasons: string[] } | null>(null)
  const [reason, setReason] = useState('')
  const [trace, setTrace] = useState(false)
  const [whole, setWhole] = useState(false)
  const [lifting, setLifting] = useState<string[]>([])
  const [thought, setThought] = useState(false)
  const cache = useQueryClient()
  const choose = useMutation({
    mutationFn: (c: Choice) => api.put<S['AdaptedView']>(`${base}/slots/${slot.key}/choice`, c),
    onSuccess: (v) => {
      setAsking(null)
      setReason('')
      cache.setQueryData(cacheKey, v)
      void cache.invalidateQueries({ queryKey: ['stair'] })
    },
    onError: (e, c) => {
      if (e instanceof ApiError && e.problem.code === 'reason-wanted')
        setAsking({ choice: c, reasons: e.problem.reasons ?? [] })
    },
  })
  const rungs = stair.data?.rungs
  const pick = useRef(choose.mutate)
  const modifying = useRef(0)
  const modify = useRef<(n: number) => void>(() => undefined)
  const now = slot.parts[0]
  const held = now?.modifiers ?? []
  useEffect(() => {
    pick.current = choose.mutate
    modify.current = (n) => {
      const m = stair.data?.modifiers[n]
      if (!m?.possible || !now?.movementId || (!m.on && held.length >= 3)) return
      choose.mutate({
        movementId: now.movementId,
        modifiers: m.on ? held.filter((x) => x !== m.id) : [...held, m.id],
      })
    }
  })
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return
      if (e.key === 't') setTrace((t) => !t)
      if (e.key === 'w') setThought((t) => !t)
      if (e.key === 'm') modifying.current = Date.now()
      if (/^[1-9]$/.test(e.key) && Date.now() - modifying.current < 3000) modify.current(Number(e.key) - 1)
      if (!rungs || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return
      const here = rungs.findIndex((r) => r.here)
      if (here < 0) return
      e.preventDefault()
      // hardest first: up the stair is back in the list; closed rungs are stepped over
      const way = e.key === 'ArrowUp' ? rungs.slice(0, here).reverse() : rungs.slice(here + 1)
      const next = way.find((r) => r.open)
      if (next) pick.current({ movementId: next.movementId })
    }
    window.addEventListener('keydown', on)
    return () => window.removeEventListener('keydown', on)
  }, [rungs])
  if (stair.error) return <Failure error={stair.error} />
  if (!stair.data || !rungs) return <Loading what="the stair" />
  const refused =
    choose.error instanceof ApiError && choose.error.problem.code === 'reason-wanted' ? null : choose.error
  const at = now
  const hereAt = Math.max(
    0,
    rungs.findIndex((r) => r.here),
  )
  const long = rungs.length > 9 && !whole
  const first = long ? Math.max(0, Math.min(hereAt - 3, rungs.length - 7)) : 0
  const last = long ? first + 7 : rungs.length
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
      <h3 className="text-[17px] font-bold">{stair.data.familyName}: the stair</h3>
      <p className="mb-2 text-[13px] text-soft">
        A higher step asks more. Hatched: closed to this client now.
      </p>
      <ol>
        {shown.map((r, i) => (
          <li
            key={r.movementId}
            style={{ marginLeft: `${Math.min(i, 12) * (shown.length > 8 ? 9 : 16)}px` }}
            className="mb-1"
          >
            <button
              type="button"
              disabled={r.here && slot.parts.length === 1}
              aria-current={r.here ? 'step' : undefined}
              onClick={() => choose.mutate({ movementId: r.movementId })}
              className={`block w-full rounded-sm border px-2.5 py-1 text-left leading-tight ${r.here ? 'border-teal bg-teal text-white' : r.open ? 'border-line bg-[#eef2f1] hover:border-teal' : 'hatch border-[#cdbccb] text-plum'}`}
            >
              <span className={r.here ? 'font-bold' : ''}>{r.name}</span>
              <span className="block text-[13px] opacity-90">
                {r.note}
                {r.open && r.modifiers.length > 0 && ` · with ${r.modifiers.join(', ')}`}
                {!r.open && r.closedBy[0] && ` · ${r.closedBy[0]}`}
                {!r.open && r.closedBy.length > 1 && ` · and ${r.closedBy.length - 1} more`}
              </span>
            </button>
          </li>
        ))}
      </ol>
      {rungs.length > 9 && (
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
        <kbd>↑</kbd> <kbd>↓</kbd> step · <kbd>j</kbd> <kbd>k</kbd> slot · <kbd>t</kbd> trace · <kbd>w</kbd>{' '}
        what if · <kbd>v</kbd> compare
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
                disabled={!m.possible || (!m.on && on.length >= 3)}
                onClick={() =>
                  choose.mutate({
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
              onClick={() => choose.mutate({ movementId: n.movementId, modifiers: n.modifiers })}
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
            choose.mutate({ ...asking.choice, reason })
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
        {slot.pinned && <Button onClick={onRelease}>Let Riposo choose again</Button>}
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
        <WhatIf base={base} closers={slot.closers} lifting={lifting} onLift={setLifting} />
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

/** What lifting some of the limits that close a slot would change in the plan; nothing is lifted. */
function WhatIf({
  base,
  closers,
  lifting,
  onLift,
}: {
  base: string
  closers: S['LiftView'][]
  lifting: string[]
  onLift: (ids: string[]) => void
}) {
  const query = lifting.map((id) => `lift=${id}`).join('&')
  const change = useQuery({
    queryKey: ['adapted', 'what-if', base, query],
    queryFn: () => api.get<S['ComparisonView']>(`${base}/compare/what-if?${query}`),
    enabled: lifting.length > 0,
    placeholderData: (p) => p,
  })
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
