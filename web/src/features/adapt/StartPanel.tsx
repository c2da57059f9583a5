import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { doseWords, outcomeWords } from '../../lib/format'
import { Button, Dialog, Failure, Field, Loading, OutcomeMark, RuleLink, Scale } from '../../ui'
import { useClient } from '../clients'

type Sign = S['CheckForm']['signs'][number]

/** Grave ones first: what is seen or told decides, whatever the readings say. */
const SIGNS: [Sign, string, ((n: S['Needs']) => boolean)?][] = [
  ['EMERGENCY', 'an emergency sign of the stop panel'],
  ['CHEST_HEAD_VISION_NERVE', 'chest, head, vision, speech or one side of the body: new, worse or sudden'],
  ['FLUSHED', 'pounding headache, sudden flushing or sweating', (n) => n.highSpine],
  ['UPPER_BELLY', 'upper-belly pain', (n) => n.maternity],
  ['HEADACHE', 'a headache that stays'],
  ['DIZZY', 'dizzy or giddy'],
  ['UNWELL', 'suddenly unwell'],
  ['FEVER', 'fever, chest infection or vomiting'],
  ['COLD', 'a cold'],
  ['NEW_PAIN', 'new pain or swelling'],
  ['HOT_JOINT', 'a hot, red, swollen joint'],
  ['HOT_REPLACED', 'the same, in a joint that was replaced', (n) => n.facts.replacedJoint],
  ['HOT_FOOT', 'a hot swollen foot', (n) => n.facts.diabetes],
  ['GROIN', 'new groin or thigh pain'],
  ['NO_WEIGHT', 'a leg that cannot bear weight'],
  ['FALLEN', 'a fall since last time'],
  ['AS_USUAL', 'chest, head, vision or nerve symptoms, long-standing and as usual'],
]

/** Today's check before a run, then the start. */
export function StartPanel({
  open,
  onOpenChange,
  planId,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  planId: string
}) {
  const { client, readiness } = useClient()
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={`Before ${client.name.split(' ')[0]} starts`} wide>
      {readiness.closed ? (
        <Closed client={client} closed={readiness.closed} />
      ) : (
        <CheckThenStart planId={planId} />
      )}
    </Dialog>
  )
}

/** Who may not train: what stands open, why, and the way to it. */
export function Closed({ client, closed }: { client: S['Client']; closed: S['Closed'] }) {
  const screening = closed.bar === 'NOT_SCREENED' || closed.bar === 'UNDECIDED'
  return (
    <>
      <p className="font-bold text-brick">{closed.sentence}</p>
      {closed.why.map((w) => (
        <p key={w} className="mt-2">
          {w}
        </p>
      ))}
      <p className="mt-3 flex flex-wrap gap-2">
        {screening ? (
          <Link className="btn btn-main" to={`/clients/${client.id}/screening`}>
            {closed.bar === 'UNDECIDED' ? 'Decide the limits' : `Screen ${client.name.split(' ')[0]}`}
          </Link>
        ) : (
          <>
            {closed.bar === 'CLEARANCE_ONLY' && (
              <Link className="btn btn-main" to={`/clients/${client.id}/papers?record`}>
                Record a clearance
              </Link>
            )}
            <Link className="btn" to={`/clients/${client.id}/letter`}>
              Letter that asks for it
            </Link>
          </>
        )}
      </p>
    </>
  )
}

function CheckThenStart({ planId }: { planId: string }) {
  const { client, readiness } = useClient()
  const needs = useQuery({
    queryKey: ['needs', client.id],
    queryFn: () => api.get<S['Needs']>(`/clients/${client.id}/today-checks/needs`),
  })
  const me = useQuery({ queryKey: ['me'], queryFn: () => api.get<S['Me']>('/me') })
  const [text, setText] = useState({
    systolic: '',
    diastolic: '',
    pulse: '',
    saturation: '',
    glucose: '',
    ketones: '',
    temperature: '',
  })
  const [unit, setUnit] = useState<'MMOL' | 'MGDL' | null>(null)
  const [scale, setScale] = useState<{ sleep: number | null; energy: number | null; pain: number | null }>({
    sleep: null,
    energy: null,
    pain: null,
  })
  const [flags, setFlags] = useState({
    pulseIrregular: false,
    severeLow: false,
    wobbly: false,
    hardYesterday: false,
  })
  const [signs, setSigns] = useState<Sign[]>([])
  const [dose, setDose] = useState<S['Start']['dose'] | null>(null)
  const [reason, setReason] = useState('')
  // the same start sent twice is one check and one run; anything answered otherwise is another
  const sent = useRef<{ form: string; checkId: string; runId: string }>(null)
  const navigate = useNavigate()
  const cache = useQueryClient()
  const number = (s: string) => (s.trim() === '' ? null : Number(s))
  const glucoseUnit = unit ?? (me.data?.glucoseUnit === 'MGDL' ? 'MGDL' : 'MMOL')
  const form = {
    systolic: number(text.systolic),
    diastolic: number(text.diastolic),
    pulse: number(text.pulse),
    saturation: number(text.saturation),
    glucose: text.glucose.trim() || null,
    glucoseUnit,
    ketones: text.ketones.trim() || null,
    temperature: text.temperature.trim() || null,
    ...scale,
    ...flags,
    signs,
  }
  // what the form comes to rests on the checks kept already: a kept or withdrawn one asks anew
  const checks = useChecks(client.id)
  const before = checks.data?.filter((c) => c.today).map((c) => [c.id, c.withdrawn ?? ''])
  const preview = useQuery({
    queryKey: ['check', client.id, form, before],
    queryFn: () => api.post<S['CheckView']>(`/clients/${client.id}/today-checks/preview`, form),
    placeholderData: (p) => p,
    retry: false,
    staleTime: Infinity,
  })
  const start = useMutation({
    mutationFn: async () => {
      const asked = JSON.stringify([form, dose])
      if (sent.current?.form !== asked) {
        const check = await api.post<S['CheckView']>(`/clients/${client.id}/today-checks`, form)
        if (check.result.outcome === 'NOT_TODAY' || check.result.outcome === 'URGENT') return null
        if (check.id) sent.current = { form: asked, checkId: check.id, runId: crypto.randomUUID() }
      }
      return api.post<S['RunView']>('/runs', {
        id: sent.current?.runId,
        clientId: client.id,
        planId,
        checkId: sent.current?.checkId,
        dose,
        reason: reason || null,
        groupId: new URLSearchParams(window.location.search).get('group'),
      })
    },
    onError: (e) => {
      // a reply that was lost, or a reason that was wanted, is the same start again; what was refused is not
      const code = e instanceof ApiError ? e.problem.code : ''
      if (!['offline', 'reason-wanted', 'run-open'].includes(code)) sent.current = null
    },
    onSuccess: (r) => {
      void cache.invalidateQueries()
      if (r) void navigate(`/run/${r.id}`)
    },
  })
  if (needs.error) return <Failure error={needs.error} />
  if (!needs.data) return <Loading what="today’s check" />
  const n = needs.data
  const wants = (k: string) => n.required.includes(k as S['Needs']['required'][number])
  const startError = start.error instanceof ApiError ? start.error : undefined
  const shownError = preview.error instanceof ApiError ? preview.error : undefined
  const at = (f: string) => startError?.field(f) ?? shownError?.field(f)
  const result = shownError ? undefined : preview.data?.result
  const over = result?.outcome === 'NOT_TODAY' || result?.outcome === 'URGENT'
  const wantsReason =
    readiness.outcome === 'ASK_FIRST' || dose !== null || startError?.problem.code === 'reason-wanted'
  const input = (k: keyof typeof text, label: string, hint: string) => (
    <Field key={k} label={label} hint={hint} error={at('/' + k)}>
      {(p) => (
        <input
          {...p}
          inputMode="decimal"
          value={text[k]}
          onChange={(e) => setText({ ...text, [k]: e.target.value.replace(/[^\d.,]/g, '') })}
        />
      )}
    </Field>
  )
  const check = (on: boolean, set: (b: boolean) => void, words: string) => (
    <label key={words} className="flex min-h-[40px] items-center gap-2 leading-snug">
      <input type="checkbox" checked={on} onChange={(e) => set(e.target.checked)} />
      {words}
    </label>
  )
  const sign = (id: Sign, words: string) =>
    check(
      signs.includes(id),
      (on) =>
        setSigns(
          !on
            ? signs.filter((x) => x !== id)
            : id === 'NONE'
              ? ['NONE']
              : [...signs.filter((x) => x !== 'NONE'), id],
        ),
      words,
    )
  return (
    <form
      noValidate
      className="grid gap-x-8 md:grid-cols-[1fr_260px]"
      onSubmit={(e) => {
        e.preventDefault()
        start.mutate()
      }}
    >
      <div>
        <Earlier clientId={client.id} />
        <p className="mb-3 text-sm text-soft">
          Shoes on, chair solid and still, brakes on, water and inhaler or tablets at hand, phone near.
        </p>
        <fieldset className="mb-4">
          <legend className="mb-1 w-full border-b-2 border-ink pb-1 font-bold">
            Symptoms today <span className="font-normal text-soft">count whatever the readings say</span>
          </legend>
          <div className="grid items-start gap-x-4 gap-y-1 sm:grid-cols-2">
            <div className="font-semibold sm:col-span-2">{sign('NONE', 'none of these')}</div>
            {SIGNS.filter(([, , when]) => !when || when(n)).map(([id, words]) => sign(id, words))}
          </div>
        </fieldset>
        <Scale
          label="Pain now"
          low="none"
          high={`worst · usual ${n.usualPain}`}
          value={scale.pain}
          onChange={(v) => setScale({ ...scale, pain: v })}
          error={at('/pain')}
        />
        <Scale
          label="Sleep"
          low="none"
          high="best"
          value={scale.sleep}
          onChange={(v) => setScale({ ...scale, sleep: v })}
        />
        <Scale
          label="Energy"
          low="none"
          high="full"
          value={scale.energy}
          onChange={(v) => setScale({ ...scale, energy: v })}
        />
        {n.required.length > 0 && (
          <h3 className="mb-2 border-b-2 border-ink pb-1 font-bold">
            Readings <span className="font-normal text-soft">seated; the run waits for them</span>
          </h3>
        )}
        <div className="grid grid-cols-2 gap-x-4">
          {(wants('PRESSURE') || signs.includes('DIZZY')) && (
            <>
              {input('systolic', 'Blood pressure, upper', 'mmHg')}
              {input('diastolic', 'lower', 'mmHg')}
            </>
          )}
          {wants('PULSE') && input('pulse', 'Resting pulse', 'bpm')}
          {wants('PULSE') && (
            <div className="self-center">
              {check(
                flags.pulseIrregular,
                (b) => setFlags({ ...flags, pulseIrregular: b }),
                'irregular, and new',
              )}
            </div>
          )}
          {wants('SATURATION') && input('saturation', 'Oxygen saturation', '% at rest')}
          {wants('GLUCOSE') && (
            <>
              {input('glucose', 'Glucose', glucoseUnit === 'MGDL' ? 'mg/dL' : 'mmol/L')}
              <Field label="Unit of glucose">
                {(p) => (
                  <select
                    {...p}
                    value={glucoseUnit}
                    onChange={(e) => setUnit(e.target.value as 'MMOL' | 'MGDL')}
                  >
                    <option value="MMOL">mmol/L</option>
                    <option value="MGDL">mg/dL</option>
                  </select>
                )}
              </Field>
            </>
          )}
          {(wants('GLUCOSE') || n.sugar.sglt2) && input('ketones', 'Ketones', 'mmol/L, where tested')}
          {signs.some((s) => ['FEVER', 'UNWELL', 'COLD', 'HOT_JOINT', 'HOT_REPLACED'].includes(s)) &&
            input('temperature', 'Temperature', '°C, where taken')}
        </div>
        <fieldset className="mb-4">
          <legend className="mb-1 w-full border-b-2 border-ink pb-1 font-bold">Today there is</legend>
          <div className="grid items-start gap-x-4 gap-y-1.5 sm:grid-cols-2">
            {n.steadiness &&
              check(flags.wobbly, (b) => setFlags({ ...flags, wobbly: b }), 'wobbly on the feet')}
            {check(
              flags.hardYesterday,
              (b) => setFlags({ ...flags, hardYesterday: b }),
              'a hard day yesterday, chores count',
            )}
            {wants('GLUCOSE') &&
              check(
                flags.severeLow,
                (b) => setFlags({ ...flags, severeLow: b }),
                'a severe low in the last 24 h',
              )}
          </div>
        </fieldset>
      </div>
      <aside
        aria-live="polite"
        aria-label="Today"
        className="md:sticky md:top-0 md:self-start md:border-l md:border-line md:pl-6"
      >
        <h3 className="mb-2 font-bold">Today</h3>
        {shownError && !shownError.problem.errors && <Failure error={shownError} />}
        {result && (
          <>
            <p className="text-lg">
              <OutcomeMark outcome={result.outcome}>{outcomeWords[result.outcome]}</OutcomeMark>
            </p>
            <p className="mt-2 font-semibold">{preview.data?.words}</p>
            <ul className="mt-2 text-sm">
              {result.doseReasons.map((r) => (
                <li key={r} className="border-b border-line py-1">
                  {r} <RuleLink source="house rule" rule="today.dose.lines" />
                </li>
              ))}
              {result.findings.map((f) => (
                <li key={f.rule + f.text} className="border-b border-line py-1">
                  {f.text}{' '}
                  <span className="block">
                    <RuleLink source={f.source} rule={f.rule} />
                  </span>
                </li>
              ))}
              {result.wobbly && (
                <li className="border-b border-line py-1">
                  Wobbly: balance without support one level lower.
                </li>
              )}
            </ul>
            {result.missing.length > 0 && (
              <p className="mt-3 text-sm">
                <span className="font-semibold">Still wanted:</span> {result.missing.join('; ')}.
                {n.restingPulseWanted && (
                  <>
                    {' '}
                    <Link className="text-teal underline" to={`/clients/${client.id}/record`}>
                      Enter the resting pulse in the record
                    </Link>
                  </>
                )}
              </p>
            )}
            {!over && result.missing.length === 0 && (
              <div className="mt-4">
                <Field label="Dose" hint={dose ? 'another than the check’s: say why' : undefined}>
                  {(p) => (
                    <select
                      {...p}
                      value={dose ?? result.dose}
                      onChange={(e) =>
                        setDose(
                          e.target.value === result.dose ? null : (e.target.value as S['Start']['dose']),
                        )
                      }
                    >
                      {['AS_PLANNED', 'EASED', 'SHORT'].map((d) => (
                        <option key={d} value={d}>
                          {doseWords[d]}
                          {d === result.dose ? ', as checked' : ''}
                        </option>
                      ))}
                    </select>
                  )}
                </Field>
              </div>
            )}
          </>
        )}
        {wantsReason && !over && (
          <Field label="Reason to go ahead" hint="kept with the run" error={startError?.field('/reason')}>
            {(p) => <input {...p} value={reason} onChange={(e) => setReason(e.target.value)} />}
          </Field>
        )}
        <Failure error={start.error} />
        {startError?.problem.code === 'run-open' && startError.problem.run && (
          <Link className="btn btn-main mb-2" to={`/run/${startError.problem.run}`}>
            Back into {startError.problem.planName ?? 'the open session'}
          </Link>
        )}
        <Button
          main={startError?.problem.code !== 'run-open'}
          type="submit"
          disabled={start.isPending}
          className="mt-2 w-full"
        >
          {over ? 'Keep this check' : 'Start'}
        </Button>
        {start.data === null && (
          <p role="status" className="mt-3 font-semibold">
            Kept. No session on this check.
          </p>
        )}
        <p className="mt-3 text-[13px] text-soft">
          Every check is kept with its date. Local protocol and a clinician’s word come first.
        </p>
      </aside>
    </form>
  )
}

function useChecks(clientId: string) {
  return useQuery({
    queryKey: ['checks', clientId],
    queryFn: () => api.get<S['Checked'][]>(`/clients/${clientId}/today-checks`),
  })
}

/** Earlier checks of today: kept, shown, and withdrawn only as a mistaken tap, with a reason. */
function Earlier({ clientId }: { clientId: string }) {
  const checks = useChecks(clientId)
  const [at, setAt] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const withdraw = useMutation({
    mutationFn: (id: string) => api.post(`/clients/${clientId}/today-checks/${id}/withdrawal`, { reason }),
    onSuccess: () => {
      setAt(null)
      setReason('')
      return cache.invalidateQueries()
    },
  })
  const error = withdraw.error instanceof ApiError ? withdraw.error : undefined
  const today = (checks.data ?? []).filter((c) => c.today)
  if (today.length === 0) return null
  return (
    <section aria-label="Checked already today" className="mb-4 border-l-4 border-ochre bg-sheet px-4 py-2">
      <h3 className="font-bold">Checked already today</h3>
      <ul>
        {today.map((c) => (
          <li key={c.id} className="py-1 text-sm">
            <span className="font-mono">{c.time}</span>{' '}
            {c.withdrawn ? (
              <span className="text-soft">
                <s>{outcomeWords[c.result.outcome]}</s>, {c.withdrawn}
              </span>
            ) : (
              <>
                <strong>{outcomeWords[c.result.outcome]}</strong>{' '}
                {c.result.findings.map((f) => f.text).join(' ')}
                {c.open && at !== c.id && (
                  <Button quiet className="!min-h-[32px]" onClick={() => setAt(c.id)}>
                    Tapped by mistake
                  </Button>
                )}
              </>
            )}
            {at === c.id && (
              <span className="mt-1 flex flex-wrap items-end gap-2">
                <label className="flex-1">
                  How did it come to be tapped? Both are kept.
                  <input value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
                </label>
                <Button onClick={() => withdraw.mutate(c.id)} disabled={withdraw.isPending}>
                  Withdraw this check
                </Button>
                <Button quiet onClick={() => setAt(null)}>
                  Leave it
                </Button>
                {error && (
                  <span role="alert" className="w-full font-semibold text-brick">
                    {error.field('/reason') ?? error.message}
                  </span>
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
