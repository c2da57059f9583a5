import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { sendFile, type S, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { clock, fullDay } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Contour } from '../../ui/Contour'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { namedBlocks } from './draft'

const VIEWS = [
  ['', 'In use'],
  ['start', 'Starting points'],
  ['archive', 'Archive'],
] as const

export function PlansPage() {
  const [params, setParams] = useSearchParams()
  const view = params.get('view') ?? ''
  return (
    <>
      <div className="flex flex-wrap items-end gap-3 py-5">
        <h1 className="mr-auto text-[26px] font-bold">Plans</h1>
        <ImportPlan />
        <Link className="btn btn-main" to="/plans/new">
          New plan
        </Link>
      </div>
      <nav aria-label="Which plans" className="flex gap-5 border-b-2 border-ink">
        {VIEWS.map(([id, words]) => (
          <button
            key={id}
            type="button"
            aria-current={view === id ? 'page' : undefined}
            className={`min-h-[44px] ${view === id ? 'font-bold' : 'text-soft underline underline-offset-4'}`}
            onClick={() => setParams(id ? { view: id } : {})}
          >
            {words}
          </button>
        ))}
      </nav>
      {view === 'start' ? <StartingPoints /> : <OwnPlans archived={view === 'archive'} />}
    </>
  )
}

const formatsOf = (p: S['SessionPlan']) => [
  ...new Set(
    p.blocks.filter((b) => b.block === 'WORK').map((b) => b.format.kind.toLowerCase().replaceAll('_', ' ')),
  ),
]

const slotsOf = (p: S['SessionPlan']) =>
  p.blocks.reduce((n, b) => n + (b.block === 'WORK' ? b.slots.length : 0), 0)

function Line({
  name,
  tags,
  note,
  plan,
  timeline,
}: {
  name: string
  tags: string[]
  note?: string
  plan: S['SessionPlan']
  timeline: S['Timeline']
}) {
  return (
    <span className="grid grid-cols-[1fr_auto] gap-x-6">
      <strong>{name}</strong>
      <span className="text-right font-mono">
        {timeline.total > 0 ? (timeline.estimated ? 'about ' : '') + clock(timeline.total) : 'no clock'}
      </span>
      <span className="text-soft">
        {slotsOf(plan)} work slots · {formatsOf(plan).join(' and ')}
        {tags.length > 0 && ` · ${tags.join(', ')}`}
        {note && <span className="block">{note}</span>}
      </span>
      <span className="text-right text-soft">
        {timeline.floorTrips === 0
          ? 'no trip to the floor'
          : timeline.floorTrips === 1
            ? '1 trip to the floor'
            : `${timeline.floorTrips} trips to the floor`}
      </span>
    </span>
  )
}

function OwnPlans({ archived }: { archived: boolean }) {
  const plans = useQuery(q.plans.all(archived))
  const [tag, setTag] = useState('')
  if (plans.error) return <Failure error={plans.error} />
  if (!plans.data) return <Loading what="plans" />
  const tags = [...new Set(plans.data.flatMap((p) => p.tags))].sort()
  const shown = plans.data.filter((p) => !tag || p.tags.includes(tag))
  return (
    <>
      {tags.length > 0 && (
        <div className="flex flex-wrap gap-1.5 py-2" role="group" aria-label="Tags">
          {tags.map((t) => (
            <button
              key={t}
              type="button"
              aria-pressed={tag === t}
              className={`min-h-[36px] border-b-2 px-2 ${tag === t ? 'border-ochre font-semibold' : 'border-transparent text-soft'}`}
              onClick={() => setTag(tag === t ? '' : t)}
            >
              {t}
            </button>
          ))}
        </div>
      )}
      {plans.data.length === 0 && (
        <p className="py-6">
          {archived
            ? 'Nothing is archived.'
            : 'No plan yet. Build one, or copy a starting point and make it yours.'}
        </p>
      )}
      <ul>
        {shown.map((p) => (
          <li key={p.id} className="border-b border-line">
            <Link to={`/plans/${p.id}`} className="block py-3 hover:bg-sheet">
              <Line {...p} />
              {p.gone.length > 0 && (
                <span className="font-semibold text-brick">
                  No longer in the catalogue: {p.gone.join(', ')}. Open the plan to replace.
                </span>
              )}
              {p.archivedOn && <span className="text-soft">archived {fullDay(p.archivedOn)}</span>}
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

function StartingPoints() {
  const starts = useQuery(q.plans.startingPoints())
  const [open, setOpen] = useState<string>()
  const navigate = useNavigate()
  const cache = useQueryClient()
  const copy = useMutation({
    mutationFn: (name: string) => told(http.POST('/api/plans/starting-points/copy', { body: { name } })),
    onSuccess: (p) => {
      void q.changed(cache, 'plan')
      void navigate(`/plans/${p.id}`)
    },
  })
  if (starts.error) return <Failure error={starts.error} />
  if (!starts.data) return <Loading what="starting points" />
  return (
    <>
      <p className="py-3 text-soft">Copied, never edited in place: the copy is yours to change.</p>
      <Failure error={copy.error} />
      <ul>
        {starts.data.map((s) => (
          <li
            key={s.name}
            className="grid items-center gap-x-5 border-t border-line py-3 sm:grid-cols-[1fr_auto]"
          >
            <Line {...s} />
            <span className="flex gap-2">
              <Button
                quiet
                aria-expanded={open === s.name}
                aria-label={`Look at ${s.name}`}
                onClick={() => setOpen(open === s.name ? undefined : s.name)}
              >
                {open === s.name ? 'Close' : 'Look'}
              </Button>
              <Button
                aria-label={`Copy ${s.name}`}
                disabled={copy.isPending}
                onClick={() => copy.mutate(s.name)}
              >
                Copy
              </Button>
            </span>
            {open === s.name && <Inside plan={s.plan} timeline={s.timeline} />}
          </li>
        ))}
      </ul>
    </>
  )
}

/** The numbers of a format with their words and units: "work 40 s". */
const numbers = (f: S['Format'], formats: S['FormatView'][]) =>
  (formats.find((x) => x.id === f.kind)?.params ?? [])
    .filter((p) => f.values[p.id] !== undefined)
    .map((p) => `${p.words} ${f.values[p.id]}${p.unit ? ` ${p.unit}` : ''}`)

/** A plan looked into before it is copied: its contour, its blocks, what each asks for. */
function Inside({ plan, timeline }: { plan: S['SessionPlan']; timeline: S['Timeline'] }) {
  const movements = useQuery(q.movements.all())
  const formats = useQuery(q.plans.formats())
  if (!movements.data || !formats.data) return <Loading what="the plan" />
  const name = (id: string) => movements.data.find((m) => m.id === id)?.name ?? id
  return (
    <div className="sm:col-span-2">
      {timeline.total > 0 && <Contour planned={timeline} low wide />}
      <div className="mt-2 grid gap-x-8 gap-y-3 sm:grid-cols-3">
        {namedBlocks(plan.blocks).map(({ block: b, words }) => (
          <section key={b.key} aria-label={words}>
            <h3 className="border-b border-ink text-sm font-bold">
              {words}{' '}
              <span className="font-normal text-soft">
                {[
                  formats.data.find((f) => f.id === b.format.kind)?.words,
                  ...numbers(b.format, formats.data),
                ].join(', ')}
              </span>
            </h3>
            <ol className="text-sm">
              {b.slots.map((s) => (
                <li key={s.key} className="border-b border-line py-1">
                  {name(s.movementId)}
                  <span className="text-soft">
                    {s.seconds !== undefined && ` ${s.seconds} s`}
                    {s.reps !== undefined && ` ${s.reps} ${s.reps === 1 ? 'rep' : 'reps'}`}
                  </span>
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </div>
  )
}

function ImportPlan() {
  const pick = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()
  const cache = useQueryClient()
  const send = useMutation({
    meta: { says: 'Reading the document …' },
    mutationFn: (file: File) => sendFile<S['Plan']>('/plans/import', file, 256),
    onSuccess: (p) => {
      void q.changed(cache, 'plan')
      void navigate(`/plans/${p.id}`)
    },
  })
  return (
    <>
      <input
        ref={pick}
        type="file"
        accept=".json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Plan document to import"
        onChange={(e) => {
          const f = e.target.files?.[0]
          if (f) send.mutate(f)
          e.target.value = ''
        }}
      />
      <Button onClick={() => pick.current?.click()} disabled={send.isPending}>
        Import
      </Button>
      {send.error && (
        <div className="order-last w-full">
          <Failure error={send.error} />
          <p className="text-sm text-soft">
            Nothing was imported. The shape of the document is in{' '}
            <a className="text-teal underline" href="/api/plans/schema">
              its schema
            </a>
            .
          </p>
        </div>
      )}
    </>
  )
}
