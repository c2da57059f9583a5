import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { ApiError, type S, http, ifMatch, told } from '../../lib/api'
import { numberOf } from '../../lib/form'
import * as q from '../../lib/queries'
import { useRested } from '../../lib/rested'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { coherent, idOf, lines, toggled, words, type Doc } from './document'
import { WhoMay } from './WhoMay'

const POSITIONS = [
  'chair',
  'standing',
  'standing-supported',
  'one-leg',
  'stepping',
  'raised-plank',
  'supine',
  'reclined',
  'prone',
  'side-lying',
  'all-fours',
  'kneeling',
  'half-kneeling',
  'floor-plank',
  'long-sitting',
]
const LEVELS = [
  ['impact', 3],
  ['balance', 4],
  ['pressure', 3],
  ['grip', 3],
  ['effort', 10],
  ['complexity', 3],
] as const
const START = 'seated-curl'

/** Add a movement of one's own, from a copy of the nearest; who may do it is reckoned as you write. */
export function OwnMovementPage() {
  const { movementId } = useParams()
  const [query] = useSearchParams()
  const from = movementId ?? query.get('from') ?? START
  const doc = useQuery({ ...q.movements.document(from ?? ''), enabled: from !== undefined })
  const all = useQuery(q.movements.all())
  const axes = useQuery(q.limits.axes())
  const figures = useQuery(q.movements.figures())
  const error = doc.error ?? all.error ?? axes.error ?? figures.error
  if (error) return <Failure error={error} />
  if (!doc.data || !all.data || !axes.data || !figures.data) return <Loading what="the movement" />
  return (
    <Editor
      key={from}
      editing={movementId}
      given={doc.data}
      all={all.data}
      axes={axes.data}
      figures={figures.data}
    />
  )
}

function Editor({
  editing,
  given,
  all,
  axes,
  figures,
}: {
  editing?: string
  given: S['OwnDocument']
  all: S['MovementView'][]
  axes: S['AxisView'][]
  figures: string[]
}) {
  const navigate = useNavigate()
  const cache = useQueryClient()
  const [doc, setDoc] = useState<Doc>(() => {
    const d = JSON.parse(given.document) as Doc
    return editing ? d : { ...d, id: '', name: '' }
  })
  const set = (more: Partial<Doc>) => setDoc((d) => coherent({ ...d, ...more }))
  const demand = (more: Partial<Doc['demands']>) =>
    setDoc((d) => coherent({ ...d, demands: { ...d.demands, ...more } }))
  const text = JSON.stringify(doc)
  const settled = useRested(text, 300)
  const named = doc.name.trim() !== ''
  const who = useQuery({ ...q.movements.whoMay(settled, editing), enabled: named })
  const save = useMutation({
    mutationFn: () =>
      editing
        ? told(
            http.PUT('/api/movements/{id}', {
              params: { path: { id: editing }, header: ifMatch(given.version) },
              body: { document: text },
            }),
          )
        : told(http.POST('/api/movements', { body: { document: text } })),
    onSuccess: (d) => {
      void q.changed(cache, 'movement')
      void navigate(`/movements/${d.id}`)
    },
  })
  const families = [...new Map(all.map((m) => [m.family, m.familyName])).entries()]
  const rungs = all.filter((m) => m.family === doc.family && m.id !== editing)
  const oneSided = doc.sides === 'one-side'
  const acts = axes.filter((a) => a.id.startsWith('act.'))
  const motions = axes.filter((a) => /^joint\..*\.any$/.test(a.id))
  const at = (p: string) =>
    (save.error instanceof ApiError ? save.error.field(p) : undefined) ??
    (named ? who.data?.problems.find((x) => x.pointer === p)?.detail : undefined)
  return (
    <>
      <p className="pt-5 text-sm">
        <Link className="text-teal underline underline-offset-4" to="/movements">
          Movements
        </Link>
      </p>
      <h1 className="pb-1 text-2xl font-bold">
        {editing ? `Change “${doc.name}”` : 'A movement of our own'}
      </h1>
      {!editing && (
        <label className="mb-4 flex flex-wrap items-center gap-3">
          <span className="text-soft">started from a copy of</span>
          <select
            className="!w-auto max-w-full"
            value={given.id}
            onChange={(e) => void navigate(`/movements/new?from=${e.target.value}`)}
          >
            {all.map((m) => (
              <option key={m.id} value={m.id}>
                {m.familyName}: {m.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="grid items-start gap-8 lg:grid-cols-[1fr_380px]">
        <form
          className="min-w-0"
          onSubmit={(e) => {
            e.preventDefault()
            save.mutate()
          }}
        >
          <Part title="What it is">
            <Field label="Name" error={at('/name')} hint={doc.id ? `known as ${doc.id}` : undefined}>
              {(p) => (
                <input
                  {...p}
                  maxLength={80}
                  value={doc.name}
                  onChange={(e) =>
                    set(
                      editing ? { name: e.target.value } : { name: e.target.value, id: idOf(e.target.value) },
                    )
                  }
                />
              )}
            </Field>
            <div className="grid gap-x-4 sm:grid-cols-2">
              <Field label="Family" error={at('/family')}>
                {(p) => (
                  <select
                    {...p}
                    value={doc.family}
                    onChange={(e) => set({ family: e.target.value, after: null })}
                  >
                    {families.map(([id, name]) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <Field label="Stands above" error={at('/after')}>
                {(p) => (
                  <select
                    {...p}
                    value={doc.after ?? ''}
                    onChange={(e) => set({ after: e.target.value || null })}
                  >
                    <option value="">nothing: the gentlest</option>
                    {rungs.map((m) => (
                      <option key={m.id} value={m.id}>
                        {m.rung} {m.name} ({m.difficulty})
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <Whole
                label="Difficulty, 0 to 100"
                value={doc.difficulty}
                onChange={(difficulty) => set({ difficulty })}
                error={at('/difficulty')}
              />
              <Pick
                label="Position"
                value={doc.position}
                from={POSITIONS}
                onChange={(position) => set({ position })}
                error={at('/position')}
              />
              <Pick
                label="Sides"
                value={doc.sides}
                from={['both', 'alternating', 'one-side']}
                onChange={(sides) => set({ sides })}
              />
              <Pick
                label="Load"
                value={doc.load}
                from={['none', 'own', 'dumbbell', 'band']}
                onChange={(load) => set({ load })}
                error={at('/demands/weight')}
              />
              <Field label="Tempo" hint="seconds to lower, hold, lift, hold" error={at('/tempo')}>
                {(p) => (
                  <input
                    {...p}
                    className="font-mono"
                    value={doc.tempo}
                    onChange={(e) => set({ tempo: e.target.value })}
                  />
                )}
              </Field>
              <Field label="Kit" hint="commas; chair|counter where either will do" error={at('/kit')}>
                {(p) => <Words {...p} value={doc.kit} onChange={(kit) => set({ kit })} />}
              </Field>
              <Field label="Muscles, first" hint="commas" error={at('/muscles/primary')}>
                {(p) => (
                  <Words
                    {...p}
                    value={doc.muscles.primary}
                    onChange={(primary) => set({ muscles: { ...doc.muscles, primary } })}
                  />
                )}
              </Field>
              <Field label="Muscles that help" hint="commas">
                {(p) => (
                  <Words
                    {...p}
                    value={doc.muscles.secondary}
                    onChange={(secondary) => set({ muscles: { ...doc.muscles, secondary } })}
                  />
                )}
              </Field>
              <Pick
                label="Drawn as"
                value={doc.figure ?? ''}
                from={['', ...figures]}
                onChange={(f) => set({ figure: f || undefined })}
              />
            </div>
          </Part>
          <Part title="What it asks for">
            <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
              {LEVELS.map(([l, most]) => (
                <Whole
                  key={l}
                  label={`${l[0]?.toUpperCase()}${l.slice(1)}, 0 to ${most}`}
                  value={doc.demands[l]}
                  onChange={(v) => demand({ [l]: v })}
                  error={at(`/demands/${l}`)}
                />
              ))}
              <Whole
                label="Hold, seconds"
                error={at('/demands/hold')}
                value={doc.demands.hold}
                onChange={(hold) => demand({ hold })}
              />
              {doc.demands.weight && (
                <Whole
                  label="Least weight, grams"
                  error={at('/demands/weight/least')}
                  value={doc.demands.weight.least}
                  onChange={(least) => demand({ weight: { ...weight(doc), least } })}
                />
              )}
              {doc.demands.weight && (
                <Whole
                  label="Hands that hold it"
                  error={at('/demands/weight/hands')}
                  value={doc.demands.weight.hands}
                  onChange={(hands) => demand({ weight: { ...weight(doc), hands } })}
                />
              )}
            </div>
            <div className="mb-4 flex flex-wrap gap-x-6">
              <Check
                label="a hand on a support"
                on={doc.demands.supported}
                onChange={() => demand({ supported: !doc.demands.supported })}
              />
              {doc.demands.weight && (
                <Check
                  label="the weight goes overhead"
                  on={doc.demands.weight.overhead}
                  onChange={() => demand({ weight: { ...weight(doc), overhead: !weight(doc).overhead } })}
                />
              )}
              {['below-heart', 'back', 'turn'].map((h) => (
                <Check
                  key={h}
                  label={`head ${h.replace('-', ' ')}`}
                  on={doc.demands.head.includes(h)}
                  onChange={() => demand({ head: toggled(doc.demands.head, h) })}
                />
              ))}
            </div>
            <Field
              label="Joints"
              hint={`one a line: motion, degrees, free | own | added${oneSided ? ', working | other' : ''}. Motions: ${motions.map((a) => a.id.split('.')[1]).join(', ')}`}
              error={at('/demands/joints')}
            >
              {(p) => <Lines {...p} value={doc.demands.joints} onChange={(joints) => demand({ joints })} />}
            </Field>
            <div className="grid gap-x-4 sm:grid-cols-2">
              <Field
                label="Spine"
                hint="flexion | extension | rotation | side-bend, 1 mid or 2 end, loaded"
                error={at('/demands/spine')}
              >
                {(p) => <Lines {...p} value={doc.demands.spine} onChange={(spine) => demand({ spine })} />}
              </Field>
              <Field
                label="What the limbs carry"
                hint="arm | leg, percent of body weight on that one limb"
                error={at('/demands/bearing')}
              >
                {(p) => (
                  <Lines {...p} value={doc.demands.bearing} onChange={(bearing) => demand({ bearing })} />
                )}
              </Field>
            </div>
            <fieldset className="mb-4">
              <legend className="mb-1 font-semibold">It includes</legend>
              <div className="flex flex-wrap gap-x-5">
                {acts.map((a) => (
                  <Check
                    key={a.id}
                    label={a.words}
                    on={doc.demands.acts.includes(a.id.slice(4))}
                    onChange={() => demand({ acts: toggled(doc.demands.acts, a.id.slice(4)) })}
                  />
                ))}
              </div>
              {at('/demands/acts') && (
                <p className="text-sm font-semibold text-brick">{at('/demands/acts')}</p>
              )}
            </fieldset>
          </Part>
          <Part title="What makes it gentler, and what to say">
            <Field
              label="Modifiers it takes"
              hint="commas, such as slower, hold-support, no-weight, one-side, range"
              error={at('/modifiers')}
            >
              {(p) => <Words {...p} value={doc.modifiers} onChange={(modifiers) => set({ modifiers })} />}
            </Field>
            {doc.range && (
              <div className="grid gap-x-4 sm:grid-cols-2">
                <Whole
                  label="Useful from, % of the range"
                  error={at('/range/least')}
                  value={doc.range.least}
                  onChange={(least) => set({ range: { least, cuts: doc.range?.cuts ?? [] } })}
                />
                <Field label="Joints a shorter range cuts" hint="commas" error={at('/range/cuts')}>
                  {(p) => (
                    <Words
                      {...p}
                      value={doc.range?.cuts ?? []}
                      onChange={(cuts) => set({ range: { least: doc.range?.least ?? 60, cuts } })}
                    />
                  )}
                </Field>
              </div>
            )}
            <div className="grid gap-x-4 sm:grid-cols-2">
              <Field label="Cues" hint="two to four, one a line" error={at('/cues')}>
                {(p) => <Lines {...p} value={doc.cues} onChange={(cues) => set({ cues })} />}
              </Field>
              <Field label="Usual faults" hint="one to three, one a line" error={at('/faults')}>
                {(p) => <Lines {...p} value={doc.faults} onChange={(faults) => set({ faults })} />}
              </Field>
            </div>
          </Part>
          <Failure error={save.error} />
          <Button main type="submit" disabled={!named || save.isPending}>
            {editing ? 'Save the change' : 'Add it'}
          </Button>{' '}
          <Link className="btn btn-quiet" to={editing ? `/movements/${editing}` : '/movements'}>
            Leave it
          </Link>
        </form>
        <aside aria-label="Who may do it" aria-live="polite" className="lg:sticky lg:top-3">
          <h2 className="border-b-2 border-ink pb-1 font-bold">Who in my list may do this</h2>
          {!named && <p className="py-2 text-soft">Give it a name; the count begins with that.</p>}
          <Failure error={who.error} />
          {named && who.data && who.data.problems.length > 0 && (
            <ul className="py-2">
              {who.data.problems.map((x) => (
                <li key={x.pointer + x.detail} className="border-l-4 border-brick px-3 py-1 text-sm">
                  <span className="font-mono">{x.pointer || 'document'}</span> {x.detail}
                </li>
              ))}
            </ul>
          )}
          {named &&
            who.data?.doubts.map((x) => (
              <p key={x} className="my-1 border-l-4 border-ochre px-3 text-sm text-ochre-deep">
                {x}
              </p>
            ))}
          {named && who.data && who.data.problems.length === 0 && <WhoMay who={who.data} />}
        </aside>
      </div>
    </>
  )
}

function weight(d: Doc) {
  return d.demands.weight ?? { least: 500, hands: 2, overhead: false }
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mb-4">
      <h2 className="mb-3 border-b-2 border-ink pb-1 font-bold">{title}</h2>
      {children}
    </section>
  )
}

function Pick({
  label,
  value,
  from,
  onChange,
  error,
}: {
  label: string
  value: string
  from: string[]
  onChange: (v: string) => void
  error?: string
}) {
  return (
    <Field label={label} error={error}>
      {(p) => (
        <select {...p} value={value} onChange={(e) => onChange(e.target.value)}>
          {from.map((x) => (
            <option key={x} value={x}>
              {x === '' ? 'the posture alone' : x.replace(/-/g, ' ')}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
}

/** A whole number as typed; while it is none the document has none there, and the server says so. */
function Whole({
  label,
  value,
  onChange,
  error,
}: {
  label: string
  value: number
  onChange: (v: number) => void
  error?: string
}) {
  const [typed, setTyped] = useState(String(value))
  return (
    <Field label={label} error={error}>
      {(p) => (
        <input
          {...p}
          inputMode="numeric"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value)
            onChange(numberOf(e.target.value) ?? NaN)
          }}
        />
      )}
    </Field>
  )
}

function Check({ label, on, onChange }: { label: string; on: boolean; onChange: () => void }) {
  return (
    <label className="flex min-h-[34px] items-center gap-2 text-sm">
      <input type="checkbox" checked={on} onChange={onChange} />
      {label}
    </label>
  )
}

interface ListProps {
  id: string
  value: string[]
  onChange: (v: string[]) => void
}

/** A list as lines; what is typed stays as typed until it is read. */
function Lines({ value, onChange, ...p }: ListProps) {
  const [text, setText] = useState(value.join('\n'))
  return (
    <textarea
      {...p}
      rows={Math.max(2, value.length + 1)}
      className="font-mono text-sm"
      value={text}
      onChange={(e) => {
        setText(e.target.value)
        onChange(lines(e.target.value))
      }}
    />
  )
}

/** A list as words parted by commas. */
function Words({ value, onChange, ...p }: ListProps) {
  const [text, setText] = useState(value.join(', '))
  return (
    <input
      {...p}
      value={text}
      onChange={(e) => {
        setText(e.target.value)
        onChange(words(e.target.value))
      }}
    />
  )
}
