import { OutcomeSide } from './OutcomeSide'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { ToggleGroup } from 'radix-ui'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import { useKeys } from '../../lib/keys'
import * as q from '../../lib/queries'
import { useRested } from '../../lib/rested'
import { day, fullDay, outcomeWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'
import { carried, local, open, sameName, visible, type Given } from './answers'
import { Proposals } from './Proposals'

/** Screenings of a client: the newest with its proposals, or the questions. */
export function ScreeningPage() {
  const { client } = useClient()
  const list = useQuery(q.screening.all(client.id))
  const draft = useQuery(q.screening.draft(client.id))
  const questions = useQuery(q.screening.questions())
  const [asking, setAsking] = useState(false)
  const error = list.error ?? draft.error ?? questions.error
  if (error) return <Failure error={error} />
  if (!list.data || !draft.data || !questions.data) return <Loading what="screenings" />
  const last = list.data[0]
  if (asking || !last)
    return (
      <Questions
        client={client}
        questions={questions.data}
        before={last}
        draft={draft.data}
        onDone={() => setAsking(false)}
      />
    )
  const half = (draft.data.version !== undefined && draft.data.version !== null) || !!local.read(client.id)
  return (
    <div className="grid gap-10 lg:grid-cols-[1fr_380px]">
      <section aria-labelledby="newest">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
          <h2 id="newest" className="text-lg font-bold">
            Version {last.number}, {day(last.takenOn)}
          </h2>
          <span className="flex gap-2">
            <Link className="btn" to={`${last.number}`}>
              Read or print
            </Link>
            <Button main={half} onClick={() => setAsking(true)}>
              {half ? 'Go on with the draft' : 'Screen again'}
            </Button>
          </span>
        </div>
        <p className="mb-4 text-sm text-soft">
          read to and agreed by {last.signedClient}; taken by {last.signedProfessional}; never edited, a
          change is a new version
        </p>
        <Proposals clientId={client.id} screening={last} />
        <h3 className="mb-1 mt-8 font-bold">Versions kept</h3>
        <ul>
          {list.data.map((s) => (
            <li key={s.id} className="border-b border-line py-2 text-sm">
              <Link className="font-bold text-teal underline" to={`${s.number}`}>
                Version {s.number}
              </Link>
              , {fullDay(s.takenOn)}: {outcomeWords[s.assessment.standing]}
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

const KEYS: Record<string, string> = { y: 'yes', n: 'no', u: 'unsure', '?': 'unsure' }

/** The answers a question takes, with the key for each. */
function choices(q: S['Question']): { key: string; value: string; words: string }[] {
  if (q.kind === 'SIDE')
    return ['left', 'right', 'both'].map((v) => ({ key: v.charAt(0), value: v, words: v }))
  if (q.kind === 'CHOICE')
    return q.options.map((o, i) => ({ key: String(i + 1), value: o.value, words: o.words }))
  return ['yes', 'no', 'unsure'].map((v) => ({
    key: v.charAt(0),
    value: v,
    words: v === 'unsure' ? 'not sure' : v,
  }))
}

/** Keeps the answers half done on the server, one save after the other; says when someone else did too. */
function useDraft(clientId: string, draft: S['DraftView'], answers: Record<string, string>) {
  const version = useRef(draft.version ?? undefined)
  const [sent, setSent] = useState(() => JSON.stringify(draft.answers))
  const busy = useRef(false)
  const [error, setError] = useState<unknown>(null)
  const [tick, setTick] = useState(0)
  const stop = useRef(false)
  const flight = useRef<Promise<unknown>>(Promise.resolve())
  useEffect(() => {
    const text = JSON.stringify(answers)
    if (text === sent || busy.current || stop.current || Object.keys(answers).length === 0) return
    const t = setTimeout(() => {
      if (stop.current) return
      busy.current = true
      flight.current = told(
        http.PUT('/api/clients/{clientId}/screening-draft', {
          params: { path: { clientId }, header: ifMatch(version.current) },
          body: { answers },
        }),
      )
        .then(
          (d) => {
            version.current = d.version ?? undefined
            setSent(text)
            setError(null)
          },
          (e: unknown) => {
            setError(e)
            // someone else's draft is not written over; a lost network is tried again
            if (e instanceof ApiError && e.problem.status !== 0) stop.current = true
          },
        )
        .finally(() => {
          busy.current = false
          setTimeout(() => setTick((n) => n + 1), stop.current ? 0 : 400)
        })
    }, 500)
    return () => clearTimeout(t)
  }, [answers, clientId, sent, tick])
  const same = JSON.stringify(answers) === sent || Object.keys(answers).length === 0
  return {
    state: same ? 'draft kept' : error ? 'draft not kept' : 'keeping the draft',
    error,
    /** Nothing is kept any more, and what is on its way has arrived: a signed screening leaves no draft. */
    end: () => {
      stop.current = true
      return flight.current
    },
    goOn: () => {
      stop.current = false
      setTick((n) => n + 1)
    },
  }
}

function Questions({
  client,
  questions,
  before,
  draft,
  onDone,
}: {
  client: S['Client']
  questions: S['Question'][]
  before?: S['ScreeningView']
  draft: S['DraftView']
  onDone: () => void
}) {
  const begun = Object.keys(draft.answers).length > 0
  const [answers, setAnswers] = useState<Given>(
    () => local.read(client.id) ?? (begun ? draft.answers : carried(questions, before?.answers ?? {})),
  )
  const keeping = useDraft(client.id, draft, answers)
  const [signed, setSigned] = useState('')
  const [behalf, setBehalf] = useState('')
  const after = useRef<string | null>(null)
  const judged = useRested(answers, 120)
  const preview = useQuery(q.screening.preview(judged))
  const cache = useQueryClient()
  const other = signed.trim() !== '' && !sameName(signed, client.name)
  const save = useMutation({
    meta: { says: 'Keeping the screening and its limits …' },
    mutationFn: async () => {
      await keeping.end()
      return told(
        http.POST('/api/clients/{clientId}/screenings', {
          params: { path: { clientId: client.id } },
          body: {
            answers,
            signedClient: signed,
            onBehalf: other ? given(behalf) : undefined,
          },
        }),
      )
    },
    onError: () => keeping.goOn(),
    onSuccess: async () => {
      local.drop(client.id)
      await q.changed(cache, 'client', client.id)
      onDone()
    },
  })
  const discard = useMutation({
    mutationFn: () =>
      told(
        http.DELETE('/api/clients/{clientId}/screening-draft', { params: { path: { clientId: client.id } } }),
      ),
    onSuccess: async () => {
      local.drop(client.id)
      await cache.invalidateQueries(q.screening.draft(client.id))
      setAnswers(carried(questions, before?.answers ?? {}))
      onDone()
    },
  })
  useKeys([
    { press: 'y n u', words: 'yes, no, not sure' },
    { press: '1 2 3', words: 'a choice' },
    { press: 'l r b', words: 'left, right, both' },
    { press: 'arrows', shown: '↑ ↓', words: 'the question before, the next' },
  ])
  const rows = useRef(new Map<string, HTMLElement>())
  const sign = useRef<HTMLInputElement>(null)
  const shown = visible(questions, answers)
  const missing = open(questions, answers)
  const asked = questions.filter((q) => shown.includes(q.id))
  const first = useRef(missing[0] ?? shown[0])
  useEffect(() => {
    const t = setTimeout(() => rows.current.get(first.current ?? '')?.focus(), 60)
    return () => clearTimeout(t)
  }, [])
  const step = (id: string, by: number) => {
    const next = asked[asked.findIndex((q) => q.id === id) + by]
    if (next) rows.current.get(next.id)?.focus()
    else if (by > 0) sign.current?.focus()
  }
  // the next question, a new one too, stands there before the next key is read
  useLayoutEffect(() => {
    if (!after.current) return
    step(after.current, 1)
    after.current = null
  })
  const answer = (id: string, value: string) => {
    const next = { ...answers, [id]: value }
    local.keep(client.id, next)
    setAnswers(next)
  }
  const error = save.error instanceof ApiError ? save.error : undefined
  const lastTime = (q: S['Question']) => {
    const v = before?.answers[q.id]
    if (!before || v === undefined) return undefined
    const words = v === 'unsure' ? 'not sure' : (q.options.find((o) => o.value === v)?.words ?? v)
    return `${day(before.takenOn)}: ${words}`
  }
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
          <kbd>y</kbd> yes <kbd>n</kbd> no <kbd>u</kbd> not sure <kbd>1</kbd> <kbd>2</kbd> <kbd>3</kbd> a
          choice, <kbd>l</kbd> <kbd>r</kbd> <kbd>b</kbd> a side · answers move on by themselves, <kbd>↑</kbd>{' '}
          <kbd>↓</kbd> go back and forth, <kbd>enter</kbd> leaves a date or number
        </p>
        {begun && draft.changedAt && (
          <p className="mb-3 border-l-4 border-ochre bg-sheet px-4 py-2 text-sm">
            Half done, kept by {draft.changedBy} on {day(draft.changedAt)}. It goes on where it was left.{' '}
            <Button quiet onClick={() => discard.mutate()} disabled={discard.isPending}>
              Throw the draft away
            </Button>
          </p>
        )}
        {asked.map((q, i) => {
          const head = q.group !== asked[i - 1]?.group ? q.group : ''
          const wrong = preview.data?.errors[q.id] ?? error?.field('/answers/' + q.id)
          const wide = q.kind === 'CHOICE'
          return (
            <div key={q.id}>
              {head && <h2 className="mt-5 border-b-2 border-ink pb-1 font-bold">{head}</h2>}
              {q.kind !== 'DATE' && q.kind !== 'NUMBER' ? (
                <ToggleGroup.Root
                  type="single"
                  rovingFocus={false}
                  ref={(el) => {
                    if (el) rows.current.set(q.id, el)
                  }}
                  tabIndex={0}
                  aria-label={q.text}
                  value={answers[q.id] ?? ''}
                  onValueChange={(v) => v && answer(q.id, v)}
                  onKeyDown={(e) => {
                    const value =
                      q.kind === 'YES_NO' ? KEYS[e.key] : choices(q).find((c) => c.key === e.key)?.value
                    if (value) {
                      e.preventDefault()
                      e.stopPropagation()
                      after.current = q.id
                      answer(q.id, value)
                    } else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
                      e.preventDefault()
                      step(q.id, e.key === 'ArrowDown' ? 1 : -1)
                    }
                  }}
                  className={`flex flex-wrap items-center justify-between gap-2 border-b border-line py-1.5 pr-2 focus:bg-teal-tint ${q.showIf ? 'pl-6' : ''}`}
                >
                  <span className="min-w-0 flex-1 basis-64">
                    {q.text}
                    {lastTime(q) && <span className="ml-2 whitespace-nowrap text-[13px]">{lastTime(q)}</span>}
                  </span>
                  <span className="flex flex-wrap gap-1">
                    {choices(q).map((c) => (
                      <ToggleGroup.Item
                        key={c.value}
                        value={c.value}
                        tabIndex={-1}
                        className="min-h-[38px] min-w-[58px] rounded border border-[#9aa5ab] bg-sheet px-2 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-white"
                      >
                        {wide && <span className="mr-1 font-mono text-xs">{c.key}</span>}
                        {c.words}
                      </ToggleGroup.Item>
                    ))}
                  </span>
                </ToggleGroup.Root>
              ) : (
                <div className={`border-b border-line py-2 ${q.showIf ? 'pl-6' : ''}`}>
                  <label className="flex flex-wrap items-center justify-between gap-2">
                    <span>
                      {q.text}{' '}
                      {(q.unit ?? q.optional) && (
                        <span className="text-soft">
                          ({[q.unit, q.optional ? 'if known' : null].filter(Boolean).join(', ')})
                        </span>
                      )}
                      {lastTime(q) && (
                        <span className="ml-2 whitespace-nowrap text-[13px]">{lastTime(q)}</span>
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
                      onKeyDown={(e) => {
                        if (e.key === 'Enter') {
                          e.preventDefault()
                          step(q.id, 1)
                        }
                      }}
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
          <Field
            label={`Read to and agreed by, typed name`}
            hint={`${client.name}, or who signs on their behalf`}
            error={error?.field('/signedClient')}
          >
            {(p) => <input {...p} ref={sign} value={signed} onChange={(e) => setSigned(e.target.value)} />}
          </Field>
          {other && (
            <Field
              label={`On behalf of ${client.name}, as`}
              hint="daughter, guardian, interpreter"
              error={error?.field('/onBehalf')}
            >
              {(p) => <input {...p} value={behalf} onChange={(e) => setBehalf(e.target.value)} />}
            </Field>
          )}
        </div>
        <Failure error={save.error} />
        <div className="flex flex-wrap items-center gap-3">
          <Button main type="submit" disabled={save.isPending}>
            Sign and keep
          </Button>
          {before && (
            <Button
              onClick={() => {
                void cache.invalidateQueries(q.screening.draft(client.id))
                onDone()
              }}
            >
              Back, the draft stays
            </Button>
          )}
          <span className="text-soft">
            {missing.length === 0 ? 'all answered' : `${missing.length} to answer`} · {keeping.state}
          </span>
        </div>
        <Failure error={keeping.error} />
      </form>
      {preview.data ? (
        <OutcomeSide preview={preview.data} waits={judged !== answers || preview.isPlaceholderData} />
      ) : (
        <aside aria-label="Outcome">
          {preview.error ? <Failure error={preview.error} /> : <Loading what="the outcome" />}
        </aside>
      )}
    </div>
  )
}
