import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { ApiError, type S, http, told, given } from '../../lib/api'
import * as q from '../../lib/queries'
import { doseWords, outcomeWords } from '../../lib/format'
import { useTitle } from '../../lib/title'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { OutcomeMark } from '../../ui/Outcome'
import { BLANK, checkOf, SIGNS, withSign, type Form, type Reading } from '../adapt/check'

type Person = S['GroupAsked']
type Result = S['CheckView']['result']
interface Refusal {
  clientId: string
  code?: string
  sentence: string
  reasons: string[]
}

/** What each reading is asked as, in few words. */
const READINGS: [S['Needs']['required'][number], [Reading, string, string][]][] = [
  [
    'PRESSURE',
    [
      ['systolic', 'upper', 'mmHg'],
      ['diastolic', 'lower', 'mmHg'],
    ],
  ],
  ['PULSE', [['pulse', 'pulse', 'bpm']]],
  ['SATURATION', [['saturation', 'oxygen', '%']]],
]
const SCALES = [
  ['pain', 'pain'],
  ['sleep', 'sleep'],
  ['energy', 'energy'],
] as const
const TEN = 10

/** Today's check of everybody in one pass, a row each with only what is asked; then one start. */
export function StartPage() {
  const { groupId = '' } = useParams()
  const before = useQuery(q.groups.start(groupId))
  useTitle(before.data && `${before.data.name}, start`)
  if (before.error) return <Failure error={before.error} />
  if (!before.data) return <Loading what="who is here" />
  return <Start key={before.data.openRun} before={before.data} />
}

function Start({ before }: { before: S['GroupBefore'] }) {
  const cache = useQueryClient()
  const navigate = useNavigate()
  const me = useQuery(q.studio.me())
  const [forms, setForms] = useState<Record<string, Form>>({})
  const [anew, setAnew] = useState<string[]>([])
  const [out, setOut] = useState<string[]>([])
  const [refused, setRefused] = useState<Refusal[]>([])
  // the same answers sent twice are one check, the same start sent twice is one run
  const kept = useRef(new Map<string, { form: string; id: string }>())
  const start = useRef<{ of: string; id: string }>(null)
  const unit = me.data?.glucoseUnit === 'MGDL' ? 'MGDL' : 'MMOL'
  const joining = before.openRun
  const people = before.people.filter((p) => !p.inRun)
  const uses = (p: Person) => (p.checked && !anew.includes(p.clientId) ? p.checked : undefined)
  const formOf = (p: Person) => forms[p.clientId] ?? BLANK
  const previews = useQueries({
    queries: people.map((p) => ({
      ...q.check.preview(p.clientId, checkOf(formOf(p), formOf(p).glucoseUnit || unit), 'group'),
      enabled: !uses(p),
    })),
  })
  const resultOf = (p: Person): Result | undefined =>
    uses(p)?.result ?? previews[people.indexOf(p)]?.data?.result
  const over = (r: Result | undefined) => r?.outcome === 'NOT_TODAY' || r?.outcome === 'URGENT'
  const good = (p: Person) => {
    const r = resultOf(p)
    return !!r && r.missing.length === 0 && !over(r)
  }
  const going = people.filter((p) => !out.includes(p.clientId) && good(p))
  const open = people.filter((p) => !out.includes(p.clientId) && !good(p))
  /** Keeps today's check; null where the day allows no session. */
  const check = async (p: Person): Promise<string | null> => {
    const before = uses(p)
    if (before) return before.id
    const body = checkOf(formOf(p), formOf(p).glucoseUnit || unit)
    const form = JSON.stringify(body)
    const known = kept.current.get(p.clientId)
    if (known?.form === form) return known.id
    const c = await told(
      http.POST('/api/clients/{clientId}/today-checks', {
        params: { path: { clientId: p.clientId } },
        body,
      }),
    )
    if (over(c.result) || !c.id) return null
    kept.current.set(p.clientId, { form, id: c.id })
    return c.id
  }
  const body = async (p: Person): Promise<S['GroupJoining'] | null> => {
    const checkId = await check(p)
    const { dose, reason } = formOf(p)
    return checkId === null
      ? null
      : {
          clientId: p.clientId,
          checkId,
          dose: given(dose || null),
          reason: given(reason.trim()),
        }
  }
  const begin = useMutation({
    meta: { says: 'Starting the session …' },
    mutationFn: async (who: Person[]) => {
      setRefused([])
      const bodies = await Promise.all(who.map(body))
      const all = bodies.filter((b): b is S['GroupJoining'] => b !== null)
      if (joining) {
        const [one] = all
        if (!one) return undefined
        return told(
          http.POST('/api/groups/{id}/runs/{runId}/people', {
            params: { path: { id: before.groupId, runId: joining } },
            body: one,
          }),
        )
      }
      const of = JSON.stringify(all)
      if (start.current?.of !== of) start.current = { of, id: crypto.randomUUID() }
      return told(
        http.POST('/api/groups/{id}/runs', {
          params: { path: { id: before.groupId } },
          body: { id: start.current.id, people: all },
        }),
      )
    },
    onError: (e, who) => {
      if (!(e instanceof ApiError)) return
      // another device may have started them meanwhile
      void cache.invalidateQueries({ queryKey: ['groups', before.groupId, 'start'] })
      const named = (e.problem as { people?: Refusal[] }).people
      const [one] = who
      setRefused(
        named ??
          (joining && one
            ? [{ clientId: one.clientId, sentence: e.message, reasons: e.problem.reasons ?? [] }]
            : []),
      )
    },
    onSuccess: (r) => {
      void cache.invalidateQueries({ queryKey: ['groups', before.groupId] })
      if (r) void navigate(`/run/${r.runId}`)
    },
  })
  /** A check that rules the day out is kept as well. */
  const keepOnly = useMutation({
    mutationFn: (p: Person) => check(p),
    onSuccess: (_, p) => {
      setOut((was) => [...was, p.clientId])
      void q.changed(cache, 'client', p.clientId)
    },
  })
  return (
    <div className="py-5">
      <h1 className="text-[26px] font-bold">
        {joining ? `Who comes to ${before.name}?` : `Before ${before.name} starts`}
      </h1>
      <p className="mb-3 text-soft">
        {before.planName} · shoes on, chairs solid and still, brakes on, water, inhaler or tablets at hand,
        phone near
        {joining && (
          <>
            {' · '}
            <Link className="text-teal underline" to={`/run/${joining}`}>
              back into the session
            </Link>
          </>
        )}
      </p>
      {people.length === 0 && (
        <p className="border-y border-line py-4">
          Everybody who is here is in it.{' '}
          <Link className="text-teal underline" to={`/groups/${before.groupId}`}>
            A drop-in is added on the group’s page
          </Link>
          .
        </p>
      )}
      <ul>
        {people.map((p) => (
          <PersonRow
            key={p.clientId}
            person={p}
            form={formOf(p)}
            unit={unit}
            used={uses(p)}
            result={resultOf(p)}
            words={uses(p) ? undefined : previews[people.indexOf(p)]?.data?.words}
            error={uses(p) ? undefined : previews[people.indexOf(p)]?.error}
            out={out.includes(p.clientId)}
            refusal={refused.find((r) => r.clientId === p.clientId)}
            onForm={(f) => setForms((was) => ({ ...was, [p.clientId]: f }))}
            onAnew={() => setAnew((was) => [...was, p.clientId])}
            onOut={() =>
              setOut((was) =>
                was.includes(p.clientId) ? was.filter((id) => id !== p.clientId) : [...was, p.clientId],
              )
            }
            onKeepOnly={() => keepOnly.mutate(p)}
            onTake={joining && good(p) ? () => begin.mutate([p]) : undefined}
            busy={begin.isPending || keepOnly.isPending}
          />
        ))}
      </ul>
      {before.apart.length > 0 && (
        <section aria-labelledby="apart" className="mt-3">
          <h2 id="apart" className="border-b-2 border-brick pb-1 font-bold text-brick">
            Not started with the group
          </h2>
          <ul>
            {before.apart.map((a) => (
              <li key={a.clientId} className="border-b border-line py-1.5">
                <Link className="font-bold underline underline-offset-4" to={`/clients/${a.clientId}`}>
                  {a.name}
                </Link>
                : {a.reasons.join(' ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      {refused.length === 0 && <Failure error={begin.error} />}
      <Failure error={keepOnly.error} />
      {!joining && people.length > 0 && (
        <div className="sticky bottom-0 flex flex-wrap items-center gap-3 border-t border-line bg-paper py-3">
          <Button main disabled={begin.isPending || going.length === 0} onClick={() => begin.mutate(going)}>
            {open.length === 0 && out.length === 0
              ? `Start all ${going.length}`
              : `Start with ${going.length}`}
          </Button>
          <p className="text-soft" role="status">
            {refused.length > 0
              ? `Nobody was started, because of ${people
                  .filter((p) => refused.some((r) => r.clientId === p.clientId))
                  .map((p) => p.called)
                  .join(', ')}: see there, or start without.`
              : open.length > 0
                ? `still open: ${open.map((p) => p.called).join(', ')}`
                : out.length > 0
                  ? `without ${people
                      .filter((p) => out.includes(p.clientId))
                      .map((p) => p.called)
                      .join(', ')}`
                  : 'Every check is kept with its date. Local protocol and a clinician’s word come first.'}
          </p>
        </div>
      )}
    </div>
  )
}

function PersonRow({
  person,
  form,
  unit,
  used,
  result,
  words,
  error,
  out,
  refusal,
  onForm,
  onAnew,
  onOut,
  onKeepOnly,
  onTake,
  busy,
}: {
  person: Person
  form: Form
  unit: 'MMOL' | 'MGDL'
  /** a check of today that is good for the start */
  used?: S['GroupChecked']
  result?: Result
  words?: string
  error: unknown
  /** not started with the others */
  out: boolean
  refusal?: Refusal
  onForm: (f: Form) => void
  onAnew: () => void
  onOut: () => void
  onKeepOnly: () => void
  /** takes them into the run that goes on; undefined where they cannot be, or all start together */
  onTake?: () => void
  busy: boolean
}) {
  const [signs, setSigns] = useState(false)
  const box = useRef<HTMLLIElement>(null)
  useEffect(() => {
    if (refusal) box.current?.scrollIntoView({ block: 'center' })
  }, [refusal])
  const n = person.needs
  const { called } = person
  const set = (some: Partial<Form>) => onForm({ ...form, ...some })
  const wants = (k: S['Needs']['required'][number]) => n.required.includes(k)
  const asked = READINGS.filter(
    ([k]) => wants(k) || (k === 'PRESSURE' && form.signs.includes('DIZZY')),
  ).flatMap(([, fields]) => fields)
  const none = form.signs.includes('NONE')
  const some = form.signs.filter((s) => s !== 'NONE')
  const over = result?.outcome === 'NOT_TODAY' || result?.outcome === 'URGENT'
  const at = (k: string) => (error instanceof ApiError ? error.field('/' + k) : undefined)
  const wrong = error instanceof ApiError ? error : undefined
  const field = (k: Reading, label: string, hint: string) => (
    <label key={k} className="text-[13px] text-soft">
      {label} <span>{hint}</span>
      <input
        className="block !w-[68px] text-base text-ink"
        inputMode="decimal"
        aria-label={`${called}: ${label}, ${hint}`}
        aria-invalid={!!at(k)}
        value={form[k]}
        onChange={(e) => set({ [k]: e.target.value })}
      />
    </label>
  )
  const flag = (k: 'wobbly' | 'hardYesterday' | 'severeLow' | 'pulseIrregular', label: string) => (
    <label key={k} className="flex min-h-[44px] items-center gap-1.5 text-[14px]">
      <input
        type="checkbox"
        aria-label={`${called}: ${label}`}
        checked={form[k]}
        onChange={(e) => set({ [k]: e.target.checked })}
      />
      {label}
    </label>
  )
  return (
    <li
      ref={box}
      data-start={called}
      className={`border-t border-line py-2 ${refusal ? 'border-l-4 border-l-brick pl-3' : ''}`}
    >
      <div className="grid items-start gap-x-4 gap-y-1.5 lg:grid-cols-[150px_minmax(0,1fr)_minmax(230px,290px)]">
        <div>
          <h2 className="font-bold leading-tight">{person.name}</h2>
          <button type="button" className="min-h-[32px] text-[13px] text-teal underline" onClick={onOut}>
            {out ? 'comes after all' : 'not now'}
          </button>
        </div>
        {out ? (
          <p className="text-soft">not started with the others</p>
        ) : used ? (
          <p>
            Checked at <span className="font-mono">{used.time}</span>.{' '}
            <Button quiet onClick={onAnew}>
              ask again
            </Button>
          </p>
        ) : (
          <div>
            <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
              <div className="flex gap-1" role="group" aria-label={`${called}: symptoms today`}>
                <button
                  type="button"
                  aria-pressed={none}
                  className={`min-h-[44px] rounded border px-2 ${none ? 'border-ink bg-ink font-semibold text-white' : 'border-[#9aa5ab] bg-sheet'}`}
                  onClick={() => {
                    set({ signs: withSign(form.signs, 'NONE', !none) })
                    setSigns(false)
                  }}
                >
                  no symptoms
                </button>
                <button
                  type="button"
                  aria-expanded={signs}
                  aria-pressed={some.length > 0}
                  className={`min-h-[44px] rounded border px-2 ${some.length > 0 ? 'border-ink bg-ink font-semibold text-white' : 'border-[#9aa5ab] bg-sheet'}`}
                  onClick={() => setSigns(!signs)}
                >
                  {some.length > 0 ? `${some.length} told` : 'some …'}
                </button>
              </div>
              {SCALES.map(([k, label]) => (
                <label key={k} className="text-[13px] text-soft">
                  {label} {k === 'pain' && n.usualPain > 0 ? `(usual ${n.usualPain})` : '0–10'}
                  <input
                    className="block !w-[68px] text-base text-ink"
                    inputMode="numeric"
                    maxLength={2}
                    aria-label={`${called}: ${label}, 0 to 10`}
                    aria-invalid={!!at(k)}
                    value={form[k] ?? ''}
                    onChange={(e) => {
                      const v = e.target.value.replace(/\D/g, '')
                      if (Number(v) <= TEN) set({ [k]: v === '' ? null : Number(v) })
                    }}
                  />
                </label>
              ))}
              {asked.map(([k, label, hint]) => field(k, label, hint))}
              {wants('GLUCOSE') && field('glucose', 'glucose', unit === 'MGDL' ? 'mg/dL' : 'mmol/L')}
              {(wants('GLUCOSE') || n.sugar.sglt2) && field('ketones', 'ketones', 'mmol/L')}
              {some.some((s) => ['FEVER', 'UNWELL', 'COLD', 'HOT_JOINT', 'HOT_REPLACED'].includes(s)) &&
                field('temperature', 'temperature', '°C')}
              {wants('PULSE') && flag('pulseIrregular', 'irregular, and new')}
              {n.steadiness && flag('wobbly', 'wobbly')}
              {flag('hardYesterday', 'hard day yesterday')}
              {wants('GLUCOSE') && flag('severeLow', 'severe low in 24 h')}
            </div>
            {signs && (
              <div className="mt-1 grid gap-x-4 sm:grid-cols-2">
                {SIGNS.filter(([, , when]) => !when || when(n)).map(([id, label]) => (
                  <label
                    key={id}
                    className="flex min-h-[36px] items-start gap-2 py-0.5 text-[14px] leading-snug"
                  >
                    <input
                      type="checkbox"
                      aria-label={`${called}: ${label}`}
                      checked={form.signs.includes(id)}
                      onChange={(e) => set({ signs: withSign(form.signs, id, e.target.checked) })}
                    />
                    {label}
                  </label>
                ))}
              </div>
            )}
          </div>
        )}
        <div aria-live="polite">
          {wrong && (
            <p role="alert" className="text-sm font-semibold text-brick">
              {wrong.problem.errors?.map((e) => e.detail).join(' ') ?? wrong.message}
            </p>
          )}
          {result && !wrong && !out && (
            <>
              <p className="leading-snug">
                <OutcomeMark outcome={result.outcome}>{outcomeWords[result.outcome]}</OutcomeMark>{' '}
                <span className="text-[14px]">{used ? doseWords[result.dose] : words}</span>
              </p>
              {result.missing.length > 0 && (
                <p className="text-[13px] text-soft">wanted: {result.missing.join('; ')}</p>
              )}
              {[...result.doseReasons, ...result.findings.map((f) => f.text)].map((r) => (
                <p key={r} className="text-[13px] leading-snug text-ochre-deep">
                  {r}
                </p>
              ))}
              {over && !used && result.missing.length === 0 && (
                <Button className="mt-1" disabled={busy} onClick={onKeepOnly}>
                  Keep this check, no session
                </Button>
              )}
              {!over && result.missing.length === 0 && (
                <div className="mt-1 flex flex-wrap items-center gap-2">
                  <select
                    className="!w-auto"
                    aria-label={`dose of ${called}`}
                    value={form.dose || result.dose}
                    onChange={(e) =>
                      set({
                        dose: e.target.value === result.dose ? '' : (e.target.value as Form['dose']),
                      })
                    }
                  >
                    {['AS_PLANNED', 'EASED', 'SHORT'].map((d) => (
                      <option key={d} value={d}>
                        {doseWords[d]}
                        {d === result.dose ? ', as checked' : ''}
                      </option>
                    ))}
                  </select>
                  {onTake && (
                    <Button main disabled={busy} onClick={onTake}>
                      Take {called} in
                    </Button>
                  )}
                </div>
              )}
            </>
          )}
          {refusal && (
            <p role="alert" className="text-sm font-semibold text-brick">
              {refusal.sentence} {refusal.reasons.join(' ')}
              {refusal.code === 'run-open' && (
                <>
                  {' '}
                  <Link className="underline" to={`/clients/${person.clientId}`}>
                    Their page
                  </Link>{' '}
                  leads back into it.
                </>
              )}
            </p>
          )}
          {(form.dose !== '' || refusal) && !over && (
            <input
              className="mt-1"
              aria-label={`reason for ${called}`}
              placeholder="reason, kept with the run"
              maxLength={400}
              value={form.reason}
              onChange={(e) => set({ reason: e.target.value })}
            />
          )}
        </div>
      </div>
    </li>
  )
}
