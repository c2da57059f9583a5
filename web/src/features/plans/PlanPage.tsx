import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useReducer, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { useRested } from '../../lib/rested'
import { clock, fullDay } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contour } from '../../ui/Contour'
import { BlockEditor } from './BlockEditor'
import {
  addBlock,
  BLANK,
  BLOCK_WORDS,
  changeSlot,
  emptyBlock,
  freshKey,
  history,
  missing,
  sent,
  type BlockKind,
  type Draft,
  type History,
  type FormatInfo,
} from './draft'
import { SlotDialog } from './SlotDialog'
import { Totals } from './Totals'
import { useTitle } from '../../lib/title'

export function PlanPage() {
  const { planId = '' } = useParams()
  const plan = useQuery({ ...q.plans.one(planId), enabled: planId !== 'new' })
  const movements = useQuery(q.movements.all())
  const formats = useQuery(q.plans.formats())
  useTitle(planId === 'new' ? 'New plan' : plan.data?.name)
  const error = plan.error ?? movements.error ?? formats.error
  if (error) return <Failure error={error} />
  if (!movements.data || !formats.data || (planId !== 'new' && !plan.data)) return <Loading what="the plan" />
  return (
    <Builder
      key={planId + String(plan.data?.version)}
      plan={plan.data}
      movements={movements.data}
      formats={formats.data}
    />
  )
}

/** Edits not saved when the page was left come back; undo takes them off again. */
function restored(key: string, plan?: S['Plan']): History {
  const stored = draftOf(plan)
  try {
    const left = JSON.parse(sessionStorage.getItem(key) ?? 'null') as {
      shape: number
      version?: number
      draft: Draft
    } | null
    if (left?.shape === 1 && left.version === plan?.version)
      return { past: [stored], now: left.draft, future: [] }
  } catch {
    // what cannot be read is not ours to show
  }
  return { past: [], now: stored, future: [] }
}

const draftOf = (p?: S['Plan']): Draft =>
  p ? { name: p.name, tags: p.tags, note: p.note ?? '', plan: p.plan } : BLANK

function Builder({
  plan,
  movements,
  formats,
}: {
  plan?: S['Plan']
  movements: S['MovementView'][]
  formats: FormatInfo[]
}) {
  const kept = `plan-draft:${plan?.id ?? 'new'}`
  const [h, dispatch] = useReducer(history, undefined, () => restored(kept, plan))
  const draft = h.now
  const [chosen, setChosen] = useState<string>()
  const [block, setBlock] = useState(draft.plan.blocks.find((b) => b.block === 'WORK')?.key ?? '')
  const [editing, setEditing] = useState<string>()
  const [order, setOrder] = useState<{ block: string; view: S['OrderView'] }>()
  const [looking, setLooking] = useState(false)
  const set = (next: Draft, group?: string) => {
    setOrder(undefined)
    dispatch({ kind: 'set', draft: next, group })
  }
  const setPlan = (p: S['SessionPlan'], group?: string) => set({ ...draft, plan: p }, group)
  const asked = missing(draft.plan, formats)
  const body = sent(draft.plan)
  const ready = body.blocks.length > 0 && asked.length === 0
  const settled = useSettled(body)
  const preview = useQuery({ ...q.plans.compiled(settled), enabled: ready && settled.blocks.length > 0 })
  const navigate = useNavigate()
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () => {
      const form = { name: draft.name, tags: draft.tags, note: draft.note, plan: body }
      return plan
        ? told(
            http.PUT('/api/plans/{id}', {
              params: { path: { id: plan.id }, header: ifMatch(plan.version) },
              body: form,
            }),
          )
        : told(http.POST('/api/plans', { body: form }))
    },
    onSuccess: (p) => {
      sessionStorage.removeItem(kept)
      void q.changed(cache, 'plan')
      void navigate(`/plans/${p.id}`)
    },
  })
  const findOrder = useMutation({
    meta: { says: 'Looking for the order …' },
    mutationFn: (key: string) => told(http.POST('/api/plans/order', { body: { plan: body, blockKey: key } })),
    onSuccess: (view, key) => setOrder({ block: key, view }),
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const now = ready && !preview.error ? preview.data : undefined
  const stale = ready ? undefined : preview.data
  const shown = now ?? stale
  const fixes = (now?.checks ?? []).filter((c) => c.fix)
  const take = (p: S['SessionPlan']) => setPlan(keepEmpty(draft.plan, p))
  const changed = JSON.stringify(draft) !== JSON.stringify(draftOf(plan))
  const undo = (kind: 'undo' | 'redo') => {
    setOrder(undefined)
    dispatch({ kind })
  }
  const focus = (selector: string) => document.querySelector<HTMLElement>(selector)?.focus()
  const here = CSS.escape(block)
  useKeys([
    { press: '$mod+s', shown: 'ctrl s', words: 'save', typing: true, act: () => ready && save.mutate() },
    { press: '[$mod]+z', shown: 'z', words: 'take the last change back', act: () => undo('undo') },
    { press: '[$mod]+Shift+z', shown: 'Z', words: 'do it again', act: () => undo('redo') },
    { press: 'a', words: 'add a movement', act: () => focus(`[data-find="${here}"] input`) },
    { press: 'f', words: 'format', act: () => focus(`[data-block="${here}"] select`) },
    { press: 'n', words: 'name', act: () => focus('#plan-name') },
    {
      press: 'o',
      words: 'order for me',
      act: () => (order?.view.better ? take(order.view.plan) : findOrder.mutate(block)),
    },
    {
      press: '([1-9])',
      shown: '1–9',
      words: 'take the mend of that number',
      act: (e) => {
        const fix = fixes[Number(e.key) - 1]?.fix
        if (fix) take(fix.plan)
      },
    },
  ])
  useEffect(() => {
    if (save.isPending || save.isSuccess) return
    if (changed) sessionStorage.setItem(kept, JSON.stringify({ shape: 1, version: plan?.version, draft }))
    else sessionStorage.removeItem(kept)
  }, [kept, changed, draft, plan?.version, save.isPending, save.isSuccess])
  const slot = draft.plan.blocks.flatMap((b) => b.slots).find((s) => s.key === editing)
  const slotBlock = draft.plan.blocks.find((b) => b.slots.some((s) => s.key === editing))
  const slotInfo = formats.find((f) => f.id === slotBlock?.format.kind)
  // what one interval or set comes to, by slot: the first is shown
  const expected = new Map<string, string>()
  const alone = new Set(
    draft.plan.blocks.flatMap((b) => b.slots.filter((s) => s.sides === 'ONE_ONLY').map((s) => s.key)),
  )
  for (const g of now?.timeline.segments ?? [])
    if (g.kind === 'WORK' && !expected.has(g.slotKey))
      expected.set(
        g.slotKey,
        [
          g.reps !== undefined
            ? `${g.reps} reps in ${g.length} s`
            : g.holdSeconds !== undefined
              ? `${g.length} s held`
              : '',
          g.side !== 'BOTH' && !alone.has(g.slotKey) ? 'a side' : '',
        ]
          .filter(Boolean)
          .join(' '),
      )
  const marked = new Set([
    ...(now?.checks ?? []).flatMap((c) => c.slots),
    ...(now?.faults ?? []).map((f) => f.slotKey),
  ])
  const nameOf = (key: string) => {
    const id = draft.plan.blocks.flatMap((b) => b.slots).find((s) => s.key === key)?.movementId
    return movements.find((m) => m.id === id)?.name ?? id ?? key
  }
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 pb-3 pt-4">
        <div className="min-w-56 flex-1">
          <label className="sr-only" htmlFor="plan-name">
            Name of the plan
          </label>
          <input
            id="plan-name"
            className="!border-0 !border-b-2 !bg-transparent !px-0 text-[26px] font-bold"
            placeholder="Name of the plan"
            value={draft.name}
            onChange={(e) => set({ ...draft, name: e.target.value }, 'name')}
          />
          {error?.field('/name') && (
            <p className="text-sm font-semibold text-brick">{error.field('/name')}</p>
          )}
        </div>
        <p className="font-mono text-[30px] font-bold leading-none" role="status" aria-label="total">
          {now ? (
            <>
              {now.timeline.estimated && <span className="font-sans text-base font-normal">about </span>}
              {clock(now.timeline.total)}
            </>
          ) : (
            '–:––'
          )}
        </p>
        <Button onClick={() => dispatch({ kind: 'undo' })} disabled={h.past.length === 0}>
          Undo <kbd>z</kbd>
        </Button>
        <Button onClick={() => dispatch({ kind: 'redo' })} disabled={h.future.length === 0}>
          Redo
        </Button>
        <Button
          main
          onClick={() => save.mutate()}
          disabled={save.isPending || !ready || (!!plan && !changed)}
        >
          {plan ? (changed ? 'Save plan' : 'Saved') : 'Keep plan'}
        </Button>
      </div>
      {plan && <Tools plan={plan} onVersions={() => setLooking(true)} />}
      <Failure error={save.error ?? findOrder.error ?? (ready ? preview.error : null)} />
      {plan && plan.archivedOn && (
        <p className="my-2 border-l-4 border-soft pl-3">Archived since {fullDay(plan.archivedOn)}.</p>
      )}
      {shown && shown.timeline.total > 0 ? (
        <div className={now ? '' : 'opacity-50'}>
          <div className="hidden lg:block">
            <Contour planned={shown.timeline} slot={chosen} wide />
          </div>
          <div className="lg:hidden">
            <Contour planned={shown.timeline} slot={chosen} />
          </div>
        </div>
      ) : (
        <p className="border-y border-line py-6 text-soft">
          {shown && ready
            ? 'This plan has no clock: its doses are ticked off through the day.'
            : 'The contour is drawn as soon as there is a movement and every number is there.'}
        </p>
      )}
      {asked.length > 0 && (
        <ul className="mt-2" role="status">
          {asked.map((a) => (
            <li key={a} className="border-l-4 border-ochre pl-3 text-ochre-deep">
              Still to say: {a}.
            </li>
          ))}
        </ul>
      )}
      <div className="mt-4 grid gap-x-8 lg:grid-cols-[1fr_330px]">
        <div className="min-w-0">
          {draft.plan.blocks.map((b) => (
            <div key={b.key}>
              {order?.block === b.key && (
                <Order
                  view={order.view}
                  names={b.slots.map(
                    (s) => movements.find((m) => m.id === s.movementId)?.name ?? s.movementId,
                  )}
                  onTake={() => take(order.view.plan)}
                  onLeave={() => setOrder(undefined)}
                />
              )}
              <BlockEditor
                plan={draft.plan}
                block={b}
                formats={formats}
                movements={movements}
                view={now?.blocks.find((x) => x.key === b.key)}
                marked={marked}
                expected={expected}
                chosen={chosen}
                onChoose={(key, of) => {
                  setChosen(key)
                  setBlock(of)
                }}
                onChange={setPlan}
                onEdit={setEditing}
                onOrder={() => ready && findOrder.mutate(b.key)}
              />
            </div>
          ))}
          <div className="flex flex-wrap gap-2">
            {(Object.keys(BLOCK_WORDS) as BlockKind[]).map((k) => (
              <Button
                key={k}
                onClick={() =>
                  setPlan(addBlock(draft.plan, emptyBlock(freshKey(draft.plan, k.toLowerCase() + '-'), k)))
                }
              >
                + {BLOCK_WORDS[k].toLowerCase()} block
              </Button>
            ))}
          </div>
        </div>
        <aside className="mt-6 min-w-0 lg:mt-0">
          <Faults faults={now?.faults ?? []} name={nameOf} onEdit={setEditing} />
          <Remarks checks={now?.checks ?? []} onTake={take} known={!!now} />
          {now && <Totals compiled={now} />}
          <About draft={draft} onChange={set} error={error} />
          <p className="mt-5 hidden text-[13px] leading-6 text-soft md:block">
            <kbd>n</kbd> name · <kbd>a</kbd> add · <kbd>Esc</kbd> leave the field · <kbd>f</kbd> format ·{' '}
            <kbd>↑ ↓</kbd> choose · <kbd>Alt ↑ ↓</kbd> move · <kbd>e</kbd> edit · <kbd>y</kbd> copy ·{' '}
            <kbd>Del</kbd> remove · <kbd>o</kbd> order · <kbd>1</kbd>–<kbd>9</kbd> take a fix · <kbd>z</kbd>{' '}
            undo · <kbd>Ctrl S</kbd> save
          </p>
        </aside>
      </div>
      {slot && slotBlock && slotInfo && (
        <SlotDialog
          key={slot.key}
          slot={slot}
          block={slotBlock}
          info={slotInfo}
          movements={movements}
          faults={(now?.faults ?? []).filter((f) => f.slotKey === slot.key)}
          onChange={(s) =>
            setPlan(
              changeSlot(draft.plan, slot.key, () => s),
              `slot/${slot.key}`,
            )
          }
          onClose={() => setEditing(undefined)}
        />
      )}
      {plan && looking && (
        <VersionsDialog
          plan={plan}
          onClose={() => setLooking(false)}
          onTake={(v) => {
            set({ ...draft, name: v.name, plan: v.plan })
            setLooking(false)
          }}
        />
      )}
    </>
  )
}

/** The plan once typing has paused, so that half a number is not reckoned with. */
function useSettled(plan: S['SessionPlan']): S['SessionPlan'] {
  const text = useRested(JSON.stringify(plan), 180)
  return useMemo(() => JSON.parse(text) as S['SessionPlan'], [text])
}

/** A plan that came back from the server, with the blocks that are still empty here put back. */
function keepEmpty(before: S['SessionPlan'], after: S['SessionPlan']): S['SessionPlan'] {
  return {
    ...after,
    blocks: before.blocks.map((b) => after.blocks.find((x) => x.key === b.key) ?? b),
  }
}

/** What the plan asks for that cannot be: it is not kept until it is mended. */
function Faults({
  faults,
  name,
  onEdit,
}: {
  faults: S['FaultView'][]
  name: (slotKey: string) => string
  onEdit: (slotKey: string) => void
}) {
  if (faults.length === 0) return null
  return (
    <section aria-label="To mend" className="mb-5">
      <h2 className="border-b-2 border-ink pb-1 font-bold">To mend before it can be kept</h2>
      <ul>
        {faults.map((f) => (
          <li key={f.slotKey + f.field} className="border-b border-line py-2">
            <p className="border-l-4 border-brick pl-3">{f.words}</p>
            <button
              type="button"
              className="mt-1 min-h-[40px] pl-4 text-left font-semibold text-teal underline underline-offset-4"
              onClick={() => onEdit(f.slotKey)}
            >
              Edit {name(f.slotKey)}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Remarks({
  checks,
  onTake,
  known,
}: {
  checks: S['Remark'][]
  onTake: (p: S['SessionPlan']) => void
  known: boolean
}) {
  let key = 0
  return (
    <section aria-label="Remarks">
      <h2 className="border-b-2 border-ink pb-1 font-bold">Remarks</h2>
      {checks.length === 0 && (
        <p className="py-2 text-soft">{known ? 'Nothing to remark.' : 'Once the plan can be reckoned.'}</p>
      )}
      <ul>
        {checks.map((c) => {
          const n = c.fix ? ++key : 0
          return (
            <li key={c.rule} className="border-b border-line py-2">
              <p className="border-l-4 border-ochre pl-3">{c.words}</p>
              {c.fix && (
                <button
                  type="button"
                  className="mt-1 flex min-h-[40px] items-center gap-2 pl-4 text-left font-semibold text-teal underline underline-offset-4"
                  onClick={() => c.fix && onTake(c.fix.plan)}
                >
                  <kbd className="no-underline">{n}</kbd> {c.fix.words}
                </button>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function Order({
  view,
  names,
  onTake,
  onLeave,
}: {
  view: S['OrderView']
  names: string[]
  onTake: () => void
  onLeave: () => void
}) {
  const here = useRef<HTMLElement>(null)
  useEffect(() => here.current?.scrollIntoView({ block: 'center' }), [view])
  return (
    <section
      ref={here}
      aria-label="Proposed order"
      className="mb-3 border-l-4 border-teal bg-sheet px-4 py-3"
    >
      <p className="font-bold">{view.better ? 'A better order' : 'The order as it is'}</p>
      <p className="mb-2">{view.words}</p>
      {view.better && (
        <ol className="columns-1 sm:columns-2">
          {view.order.map((from, to) => (
            <li key={from} className="flex gap-2 py-0.5">
              <span className="w-14 shrink-0 font-mono text-soft">
                {from + 1}
                {from !== to && ` → ${to + 1}`}
              </span>
              <span className={from === to ? 'text-soft' : 'font-semibold'}>{names[from]}</span>
            </li>
          ))}
        </ol>
      )}
      <p className="my-2 text-[13px] text-soft">
        Every order of the block was tried. Fewest trips to the floor first, then regions apart, posture
        changes, big before small, upper and lower in turn. Pairs stay together.
      </p>
      <div className="flex gap-2">
        {view.better && (
          <Button main onClick={onTake}>
            Take this order <kbd className="text-ink">o</kbd>
          </Button>
        )}
        <Button onClick={onLeave}>{view.better ? 'Leave it' : 'Good'}</Button>
      </div>
    </section>
  )
}

function About({
  draft,
  onChange,
  error,
}: {
  draft: Draft
  onChange: (d: Draft, group?: string) => void
  error?: ApiError
}) {
  const [tags, setTags] = useState(draft.tags.join(', '))
  return (
    <section aria-label="About the plan" className="mt-5">
      <h2 className="border-b-2 border-ink pb-1 font-bold">About it</h2>
      <label className="mt-2 block text-[13px] text-soft">
        tags, with commas
        <input
          className="text-ink"
          value={tags}
          onChange={(e) => {
            setTags(e.target.value)
            onChange(
              {
                ...draft,
                tags: e.target.value
                  .split(',')
                  .map((t) => t.trim())
                  .filter(Boolean),
              },
              'tags',
            )
          }}
        />
      </label>
      {error?.field('/tags') && <p className="text-sm font-semibold text-brick">{error.field('/tags')}</p>}
      <label className="mt-2 block text-[13px] text-soft">
        note
        <textarea
          className="text-ink"
          rows={2}
          maxLength={400}
          value={draft.note}
          onChange={(e) => onChange({ ...draft, note: e.target.value }, 'note')}
        />
      </label>
      <label className="mt-2 block text-[13px] text-soft">
        beat, a minute; staged sets count by it
        <input
          type="number"
          className="!w-[110px] font-mono text-ink"
          placeholder="none"
          value={draft.plan.beat ?? ''}
          onChange={(e) =>
            onChange(
              {
                ...draft,
                plan: { ...draft.plan, beat: e.target.value === '' ? undefined : Number(e.target.value) },
              },
              'beat',
            )
          }
        />
      </label>
    </section>
  )
}

function Tools({ plan, onVersions }: { plan: S['Plan']; onVersions: () => void }) {
  const cache = useQueryClient()
  const navigate = useNavigate()
  const copy = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/plans/{id}/copy', {
          params: { path: { id: plan.id } },
          body: { name: `${plan.name}, copy`.slice(0, 120) },
        }),
      ),
    onSuccess: (p) => {
      void q.changed(cache, 'plan')
      void navigate(`/plans/${p.id}`)
    },
  })
  const archive = useMutation({
    mutationFn: () => {
      const which = { params: { path: { id: plan.id } } }
      return plan.archivedOn
        ? told(http.POST('/api/plans/{id}/restore', which))
        : told(http.POST('/api/plans/{id}/archive', which))
    },
    onSuccess: () => void q.changed(cache, 'plan'),
  })
  return (
    <div className="flex flex-wrap items-center gap-x-2 pb-2">
      <Button quiet onClick={() => copy.mutate()}>
        Copy
      </Button>
      <Button quiet onClick={onVersions}>
        Versions
      </Button>
      <a className="btn btn-quiet" href={`/api/plans/${plan.id}/document`}>
        Export
      </a>
      <Button quiet onClick={() => archive.mutate()}>
        {plan.archivedOn ? 'Take out of the archive' : 'Archive'}
      </Button>
      <Failure error={copy.error ?? archive.error} />
    </div>
  )
}

function VersionsDialog({
  plan,
  onClose,
  onTake,
}: {
  plan: S['Plan']
  onClose: () => void
  onTake: (v: S['PlanVersion']) => void
}) {
  const list = useQuery(q.plans.versions(plan.id, plan.version))
  const [number, setNumber] = useState<number>()
  const version = useQuery({ ...q.plans.version(plan.id, number ?? 0), enabled: number !== undefined })
  return (
    <Dialog open onOpenChange={(o) => !o && onClose()} title="Versions" wide>
      <Failure error={list.error ?? version.error} />
      <ul className="mb-3">
        {list.data?.map((v) => (
          <li key={v.number} className="border-b border-line">
            <button
              type="button"
              aria-pressed={number === v.number}
              className={`flex min-h-[42px] w-full items-center gap-4 text-left ${number === v.number ? 'bg-teal-tint' : ''}`}
              onClick={() => setNumber(v.number)}
            >
              <span className="w-8 font-mono">{v.number}</span>
              <span className="flex-1">{v.name}</span>
              <span className="text-soft">
                {fullDay(v.at)}, {v.by}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {version.data && (
        <>
          {version.data.timeline.total > 0 && <Contour planned={version.data.timeline} />}
          <p className="my-2">
            {version.data.plan.blocks.reduce((n, b) => n + b.slots.length, 0)} slots,{' '}
            <span className="font-mono">{clock(version.data.timeline.total)}</span>
          </p>
          <Button main onClick={() => version.data && onTake(version.data)}>
            Put version {version.data.number} in the builder
          </Button>
          <p className="mt-1 text-sm text-soft">
            Nothing is stored until the plan is saved; undo takes it back.
          </p>
        </>
      )}
    </Dialog>
  )
}
