import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { clock } from '../../lib/format'
import { Button, Failure, Field, Loading } from '../../ui'
import { Contour } from '../../ui/Contour'

export function PlansPage() {
  const plans = useQuery({ queryKey: ['plans'], queryFn: () => api.get<S['Plan'][]>('/plans') })
  if (plans.error) return <Failure error={plans.error} />
  if (!plans.data) return <Loading what="plans" />
  return (
    <>
      <div className="flex items-end justify-between py-5">
        <h1 className="text-[26px] font-bold">Plans</h1>
        <Link className="btn btn-main" to="/plans/new">
          New plan
        </Link>
      </div>
      {plans.data.length === 0 && (
        <p className="border-t-2 border-ink py-6">
          No plan yet. Build one: warm-up, five to eight work slots, cool-down.
        </p>
      )}
      <ul className="border-t-2 border-ink">
        {plans.data.map((p) => (
          <li key={p.id} className="border-b border-line">
            <Link to={`/plans/${p.id}`} className="grid grid-cols-[1fr_auto] gap-x-6 py-3 hover:bg-sheet">
              <strong>{p.name}</strong>
              <span className="font-mono">{clock(p.timeline.total)}</span>
              <span className="text-soft">
                {p.plan.work.length} slots, {p.plan.format.work} s work, {p.plan.format.rest} s rest,{' '}
                {p.plan.format.rounds} {p.plan.format.rounds === 1 ? 'round' : 'rounds'}
              </span>
              <span className="text-right text-soft">{p.timeline.floorTrips} trips to the floor</span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

interface Line {
  key: string
  movementId: string
  seconds: number
}
interface Draft {
  name: string
  warmUp: Line[]
  work: Line[]
  coolDown: Line[]
  workSeconds: number
  restSeconds: number
  rounds: number
}
type BlockKey = 'warmUp' | 'work' | 'coolDown'
const BLANK: Draft = {
  name: '',
  warmUp: [],
  work: [],
  coolDown: [],
  workSeconds: 40,
  restSeconds: 30,
  rounds: 2,
}
const BLOCKS: { key: BlockKey; words: string; hint: string }[] = [
  { key: 'warmUp', words: 'Warm-up', hint: 'seconds each' },
  { key: 'work', words: 'Work', hint: 'five to eight slots' },
  { key: 'coolDown', words: 'Cool-down', hint: 'seconds each' },
]

export function PlanPage() {
  const { planId } = useParams()
  const plan = useQuery({
    queryKey: ['plan', planId],
    queryFn: () => api.get<S['Plan']>(`/plans/${planId}`),
    enabled: planId !== 'new',
  })
  const movements = useQuery({
    queryKey: ['movements'],
    queryFn: () => api.get<S['MovementView'][]>('/movements'),
    staleTime: Infinity,
  })
  if (plan.error ?? movements.error) return <Failure error={plan.error ?? movements.error} />
  if (!movements.data || (planId !== 'new' && !plan.data)) return <Loading what="the plan" />
  return <Builder key={planId + String(plan.data?.version)} plan={plan.data} movements={movements.data} />
}

function Builder({ plan, movements }: { plan?: S['Plan']; movements: S['MovementView'][] }) {
  const lines = (s: S['Slot'][]) =>
    s.map((x) => ({ key: x.key, movementId: x.movementId, seconds: x.seconds ?? 60 }))
  const [draft, setDraft] = useState<Draft>(
    plan
      ? {
          name: plan.name,
          warmUp: lines(plan.plan.warmUp),
          work: lines(plan.plan.work),
          coolDown: lines(plan.plan.coolDown),
          workSeconds: plan.plan.format.work,
          restSeconds: plan.plan.format.rest,
          rounds: plan.plan.format.rounds,
        }
      : BLANK,
  )
  const body = { ...draft, work: draft.work.map((l) => ({ ...l, seconds: null })) }
  const ready =
    draft.warmUp.length > 0 && draft.coolDown.length > 0 && draft.work.length >= 5 && draft.work.length <= 8
  const preview = useQuery({
    queryKey: ['compile', { ...body, name: '' }],
    queryFn: () => api.post<S['Compiled']>('/plans/preview', { ...body, name: 'preview' }),
    enabled: ready,
    placeholderData: (p) => p,
    staleTime: Infinity,
  })
  const navigate = useNavigate()
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      plan
        ? api.put<S['Plan']>(`/plans/${plan.id}`, body, plan.version)
        : api.post<S['Plan']>('/plans', body),
    onSuccess: (p) => {
      void cache.invalidateQueries()
      void navigate(`/plans/${p.id}`)
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const change = (block: BlockKey, next: Line[]) => setDraft({ ...draft, [block]: next })
  const number = (k: 'workSeconds' | 'restSeconds' | 'rounds', label: string, unit: string) => (
    <Field label={label} hint={unit}>
      {(p) => (
        <input
          {...p}
          type="number"
          value={draft[k]}
          onChange={(e) => setDraft({ ...draft, [k]: Number(e.target.value) })}
        />
      )}
    </Field>
  )
  const t = preview.data?.timeline
  return (
    <>
      <div className="flex flex-wrap items-end gap-4 py-4">
        <div className="min-w-64 flex-1">
          <label className="sr-only" htmlFor="plan-name">
            Name of the plan
          </label>
          <input
            id="plan-name"
            className="!border-0 !border-b-2 !bg-transparent !px-0 text-[26px] font-bold"
            placeholder="Name of the plan"
            value={draft.name}
            onChange={(e) => setDraft({ ...draft, name: e.target.value })}
          />
          {error?.field('/name') && (
            <p className="text-sm font-semibold text-brick">{error.field('/name')}</p>
          )}
        </div>
        <p className="font-mono text-2xl font-bold" aria-label="total">
          {t && ready ? clock(t.total) : '–:––'}
        </p>
        <Button main onClick={() => save.mutate()} disabled={save.isPending}>
          {plan ? 'Save plan' : 'Keep plan'}
        </Button>
      </div>
      <Failure error={save.error ?? preview.error} />
      {t && ready ? (
        <>
          <Contour planned={t} />
          <p className="mt-2 text-sm">
            work <span className="font-mono">{clock(t.workSeconds)}</span> · rest{' '}
            <span className="font-mono">{clock(t.restSeconds)}</span> · posture changes {t.postureChanges} ·
            trips to the floor {t.floorTrips}
          </p>
          <ul className="mt-1">
            {preview.data?.checks.map((c) => (
              <li key={c} className="border-l-4 border-ochre pl-3 text-sm text-ochre-deep">
                {c}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="border-y border-line py-6 text-soft">
          The contour is drawn once there is a warm-up, a cool-down and five to eight work slots. Work slots
          now: {draft.work.length}.
        </p>
      )}
      <div className="mt-6 grid max-w-xl grid-cols-3 gap-4">
        {number('workSeconds', 'Work', 'seconds')}
        {number('restSeconds', 'Rest', 'seconds')}
        {number('rounds', 'Rounds', 'over the whole list')}
      </div>
      <div className="grid gap-8 lg:grid-cols-[1fr_1.3fr_1fr]">
        {BLOCKS.map((b) => (
          <BlockEditor
            key={b.key}
            block={b}
            lines={draft[b.key]}
            movements={movements}
            onChange={(l) => change(b.key, l)}
          />
        ))}
      </div>
    </>
  )
}

function BlockEditor({
  block,
  lines,
  movements,
  onChange,
}: {
  block: (typeof BLOCKS)[number]
  lines: Line[]
  movements: S['MovementView'][]
  onChange: (l: Line[]) => void
}) {
  const [text, setText] = useState('')
  const words = text.trim().toLowerCase()
  const hits = words
    ? movements
        .filter((m) => `${m.name} ${m.purpose} ${m.familyName} ${m.position}`.toLowerCase().includes(words))
        .slice(0, 6)
    : []
  const add = (m: S['MovementView']) => {
    let n = lines.length + 1
    while (lines.some((l) => l.key === `${block.key}-${n}`)) n++
    onChange([...lines, { key: `${block.key}-${n}`, movementId: m.id, seconds: 60 }])
    setText('')
  }
  const move = (i: number, by: number) => {
    const next = [...lines]
    const [l] = next.splice(i, 1)
    if (l) next.splice(i + by, 0, l)
    onChange(next)
  }
  return (
    <section aria-label={block.words}>
      <h2 className="border-b-2 border-ink pb-1 font-bold">
        {block.words} <span className="font-normal text-soft">{block.hint}</span>
      </h2>
      <ol>
        {lines.map((l, i) => {
          const m = movements.find((x) => x.id === l.movementId)
          return (
            <li key={l.key} className="flex items-center gap-1 border-b border-line py-1">
              <span className="w-5 font-mono text-soft">{i + 1}</span>
              <span className="min-w-0 flex-1">
                {m?.name ?? `${l.movementId} (gone)`}
                <span className="block text-[13px] text-soft">
                  {m?.purpose} · {m?.position.replace('-', ' ')}
                </span>
              </span>
              {block.key !== 'work' && (
                <input
                  className="!w-[72px] font-mono"
                  aria-label={`seconds of ${m?.name ?? l.movementId}`}
                  type="number"
                  value={l.seconds}
                  onChange={(e) =>
                    onChange(lines.map((x) => (x === l ? { ...l, seconds: Number(e.target.value) } : x)))
                  }
                />
              )}
              <button
                type="button"
                className="min-h-[40px] px-1.5"
                aria-label={`Move ${m?.name ?? ''} up`}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                ↑
              </button>
              <button
                type="button"
                className="min-h-[40px] px-1.5"
                aria-label={`Move ${m?.name ?? ''} down`}
                disabled={i === lines.length - 1}
                onClick={() => move(i, 1)}
              >
                ↓
              </button>
              <button
                type="button"
                className="min-h-[40px] px-1.5 text-soft"
                aria-label={`Remove ${m?.name ?? ''}`}
                onClick={() => onChange(lines.filter((x) => x !== l))}
              >
                ✕
              </button>
            </li>
          )
        })}
      </ol>
      <form
        className="mt-2"
        onSubmit={(e) => {
          e.preventDefault()
          const first = hits[0]
          if (first) add(first)
        }}
      >
        <input
          aria-label={`Find a movement for ${block.words}`}
          placeholder="find by name or purpose"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </form>
      <ul>
        {hits.map((m) => (
          <li key={m.id}>
            <button
              type="button"
              className="flex min-h-[42px] w-full justify-between gap-2 border-b border-line text-left hover:bg-sheet"
              onClick={() => add(m)}
            >
              <span>{m.name}</span>
              <span className="text-soft">{m.purpose}</span>
            </button>
          </li>
        ))}
        {words && hits.length === 0 && (
          <li className="py-2 text-sm text-soft">No movement matches “{text}”.</li>
        )}
      </ul>
    </section>
  )
}
