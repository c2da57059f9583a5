import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { day, outcomeWords } from '../../lib/format'
import { Button, Failure, Field, Loading, OutcomeMark } from '../../ui'
import { useClient } from '../clients'
import { Proposals } from './Proposals'

/** Screenings of a client: the newest with its proposals, or the questions. */
export function ScreeningPage() {
  const { client } = useClient()
  const list = useQuery({
    queryKey: ['screenings', client.id],
    queryFn: () => api.get<S['ScreeningView'][]>(`/clients/${client.id}/screenings`),
  })
  const [asking, setAsking] = useState(false)
  if (list.error) return <Failure error={list.error} />
  if (!list.data) return <Loading what="screenings" />
  const last = list.data[0]
  if (asking || !last) return <Questions client={client} before={last} onDone={() => setAsking(false)} />
  return (
    <div className="grid gap-10 lg:grid-cols-[1fr_380px]">
      <section aria-labelledby="newest">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
          <h2 id="newest" className="text-lg font-bold">
            Version {last.number}, {day(last.takenOn)}
          </h2>
          <Button onClick={() => setAsking(true)}>Screen again</Button>
        </div>
        <p className="mb-4 text-sm text-soft">
          signed by {last.signedClient} and {last.signedProfessional}; never edited, a change is a new version
        </p>
        <Proposals screening={last} />
        <h3 className="mb-1 mt-8 font-bold">Versions kept</h3>
        <ul>
          {list.data.map((s) => (
            <li key={s.id} className="border-b border-line py-2 text-sm">
              <strong>Version {s.number}</strong>, {day(s.takenOn)}: {outcomeWords[s.assessment.standing]}
              {s.changes.length > 0 && (
                <ul className="ml-4 list-disc text-soft">
                  {s.changes.map((c) => (
                    <li key={c}>{c}</li>
                  ))}
                </ul>
              )}
            </li>
          ))}
        </ul>
      </section>
      <OutcomeSide preview={last.assessment} />
    </div>
  )
}

function OutcomeSide({ preview }: { preview: S['Preview'] }) {
  return (
    <aside aria-live="polite" className="lg:sticky lg:top-4 lg:self-start">
      <h2 className="mb-2 text-lg font-bold">Outcome</h2>
      <p className="border-t-2 border-ink py-2.5">
        <span className="inline-block w-20 text-soft">standing</span>
        <OutcomeMark outcome={preview.standing}>{outcomeWords[preview.standing]}</OutcomeMark>
      </p>
      <p className="border-y border-line py-2.5">
        <span className="inline-block w-20 text-soft">today</span>
        <OutcomeMark outcome={preview.today}>{outcomeWords[preview.today]}</OutcomeMark>
      </p>
      {preview.gestation && (
        <p className="border-b border-line py-2.5">
          <span className="inline-block w-20 text-soft">weeks</span>
          <span className="font-mono">{preview.gestation}</span>
        </p>
      )}
      <ul>
        {preview.findings.map((f) => (
          <li key={f.rule + f.text} className="border-b border-line py-2 text-sm">
            {f.text}
            <span className="block text-[13px] text-soft">
              {outcomeWords[f.outcome]} · {f.source} · {f.rule}
            </span>
          </li>
        ))}
      </ul>
      {preview.findings.length === 0 && <p className="py-2 text-sm text-soft">No finding so far.</p>}
      <p className="mt-3 text-[13px] text-soft">
        “Not sure” counts as yes until cleared. A clinician’s word outranks this.
      </p>
    </aside>
  )
}

const KEYS: Record<string, string> = { y: 'yes', n: 'no', u: 'unsure', '?': 'unsure' }

function Questions({
  client,
  before,
  onDone,
}: {
  client: S['Client']
  before?: S['ScreeningView']
  onDone: () => void
}) {
  const questions = useQuery({
    queryKey: ['questions'],
    queryFn: () => api.get<S['Question'][]>('/screening/questions'),
    staleTime: Infinity,
  })
  const [answers, setAnswers] = useState<Record<string, string>>(before?.answers ?? {})
  const [signed, setSigned] = useState('')
  const after = useRef<string | null>(null)
  const preview = useQuery({
    queryKey: ['preview', answers],
    queryFn: () => api.post<S['Preview']>('/screening/preview', { answers }),
    placeholderData: (p) => p,
    staleTime: Infinity,
  })
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      api.post<S['ScreeningView']>(`/clients/${client.id}/screenings`, { answers, signedClient: signed }),
    onSuccess: async () => {
      await cache.invalidateQueries()
      onDone()
    },
  })
  const rows = useRef(new Map<string, HTMLElement>())
  const focused = useRef(false)
  const visible = preview.data?.visible ?? []
  const first = visible[0]
  useEffect(() => {
    if (first && !focused.current) {
      const t = setTimeout(() => {
        focused.current = true
        rows.current.get(first)?.focus()
      }, 60)
      return () => clearTimeout(t)
    }
  }, [first])
  // An answer may bring up a question of its own: go on only when the server has said which come next.
  const settled = preview.data && !preview.isPlaceholderData ? preview.data.visible : undefined
  useEffect(() => {
    if (!settled || !after.current) return
    const next = settled[settled.indexOf(after.current) + 1]
    after.current = null
    if (next) rows.current.get(next)?.focus()
  }, [settled])
  if (!questions.data || !preview.data) return <Loading what="the questions" />
  const asked = questions.data.filter((q) => visible.includes(q.id))
  const step = (id: string, by: number) => {
    const next = asked[asked.findIndex((q) => q.id === id) + by]
    if (next) rows.current.get(next.id)?.focus()
  }
  const answer = (id: string, value: string) => setAnswers((a) => ({ ...a, [id]: value }))
  const error = save.error instanceof ApiError ? save.error : undefined
  return (
    <div className="grid gap-10 lg:grid-cols-[1fr_380px]">
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault()
          save.mutate()
        }}
      >
        <p className="mb-3 text-sm text-soft">
          <kbd>y</kbd> yes <kbd>n</kbd> no <kbd>u</kbd> not sure · answers move on by themselves, <kbd>↑</kbd>{' '}
          <kbd>↓</kbd> go back and forth
        </p>
        {asked.map((q, i) => {
          const head = q.group !== asked[i - 1]?.group ? q.group : ''
          const wrong = preview.data.errors[q.id] ?? error?.field('/answers/' + q.id)
          return (
            <div key={q.id}>
              {head && <h2 className="mt-5 border-b-2 border-ink pb-1 font-bold">{head}</h2>}
              {q.kind === 'YES_NO' || q.kind === 'SIDE' ? (
                <div
                  ref={(el) => {
                    if (el) rows.current.set(q.id, el)
                  }}
                  tabIndex={0}
                  role="group"
                  aria-label={q.text}
                  onKeyDown={(e) => {
                    const value =
                      q.kind === 'SIDE' ? { l: 'left', r: 'right', b: 'both' }[e.key] : KEYS[e.key]
                    if (value) {
                      e.preventDefault()
                      e.stopPropagation()
                      answer(q.id, value)
                      if (answers[q.id] === value) step(q.id, 1)
                      else after.current = q.id
                    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
                      e.preventDefault()
                      step(q.id, e.key === 'ArrowDown' ? 1 : -1)
                    }
                  }}
                  className={`flex flex-wrap items-center justify-between gap-2 border-b border-line py-1.5 pr-2 focus:bg-teal-tint ${q.showIf ? 'pl-6' : ''}`}
                >
                  <span className="min-w-0 flex-1 basis-64">{q.text}</span>
                  <span className="flex gap-1">
                    {(q.kind === 'SIDE' ? ['left', 'right', 'both'] : ['yes', 'no', 'unsure']).map((v) => (
                      <button
                        key={v}
                        type="button"
                        tabIndex={-1}
                        aria-pressed={answers[q.id] === v}
                        onClick={() => answer(q.id, v)}
                        className={`min-h-[38px] min-w-[58px] rounded border px-2 ${answers[q.id] === v ? 'border-ink bg-ink font-semibold text-white' : 'border-line bg-sheet'}`}
                      >
                        {v === 'unsure' ? 'not sure' : v}
                      </button>
                    ))}
                  </span>
                </div>
              ) : (
                <div className={`border-b border-line py-2 ${q.showIf ? 'pl-6' : ''}`}>
                  <label className="flex flex-wrap items-center justify-between gap-2">
                    <span>
                      {q.text}{' '}
                      {q.unit && (
                        <span className="text-soft">
                          ({q.unit}
                          {q.optional ? ', if taken' : ''})
                        </span>
                      )}
                    </span>
                    <input
                      ref={(el) => {
                        if (el) rows.current.set(q.id, el)
                      }}
                      className="!w-48"
                      type={q.kind === 'DATE' ? 'date' : 'number'}
                      aria-invalid={!!wrong}
                      value={answers[q.id] ?? ''}
                      onChange={(e) => answer(q.id, e.target.value)}
                    />
                  </label>
                </div>
              )}
              {wrong && (
                <p role="alert" className="py-1 pl-6 text-sm font-semibold text-brick">
                  {wrong}
                </p>
              )}
            </div>
          )
        })}
        <div className="mt-6 max-w-md">
          <Field label={`Signed by ${client.name}, typed name`} error={error?.field('/signedClient')}>
            {(p) => <input {...p} value={signed} onChange={(e) => setSigned(e.target.value)} />}
          </Field>
        </div>
        <Failure error={save.error} />
        <div className="flex items-center gap-3">
          <Button main type="submit" disabled={save.isPending}>
            Sign and keep
          </Button>
          {before && <Button onClick={onDone}>Leave without keeping</Button>}
          <span className="text-soft">
            {preview.data.missing.length === 0 ? 'all answered' : `${preview.data.missing.length} to answer`}
          </span>
        </div>
      </form>
      <OutcomeSide preview={preview.data} />
    </div>
  )
}
