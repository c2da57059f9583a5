import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, ApiError, type S } from '../../lib/api'
import { doseWords, outcomeWords } from '../../lib/format'
import { Button, Dialog, Failure, Field, Loading, OutcomeMark, Scale } from '../../ui'
import { useClient } from '../clients'

type Sign = S['CheckForm']['signs'][number]

const SIGNS: [Sign, string][] = [
  ['FEVER', 'fever, chest infection or vomiting'],
  ['COLD', 'a cold'],
  ['UNWELL', 'unwell'],
  ['DIZZY', 'dizzy or giddy'],
  ['NEW_PAIN', 'new pain or swelling'],
  ['CHEST_HEAD_VISION_NERVE', 'chest, head, vision or nerve symptoms'],
  ['EMERGENCY', 'an emergency sign of the stop panel'],
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
      {readiness.outcome === 'CLEARANCE_ONLY' ? (
        <>
          <p className="font-bold text-brick">Only a clearance opens this; no reason lifts it.</p>
          {readiness.findings
            .filter((f) => f.outcome === 'CLEARANCE_ONLY')
            .map((f) => (
              <p key={f.rule} className="mt-2">
                {f.text}
              </p>
            ))}
          <Link className="btn btn-main mt-4" to={`/clients/${client.id}/papers`}>
            Record a clearance
          </Link>
        </>
      ) : (
        <CheckThenStart planId={planId} />
      )}
    </Dialog>
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
  const preview = useQuery({
    queryKey: ['check', client.id, form],
    queryFn: () => api.post<S['CheckView']>(`/clients/${client.id}/today-checks/preview`, form),
    placeholderData: (p) => p,
    retry: false,
    staleTime: Infinity,
  })
  const start = useMutation({
    mutationFn: async () => {
      const check = await api.post<S['CheckView']>(`/clients/${client.id}/today-checks`, form)
      if (check.result.outcome === 'NOT_TODAY' || check.result.outcome === 'URGENT') return null
      return api.post<S['Run']>('/runs', {
        clientId: client.id,
        planId,
        checkId: check.id,
        dose,
        reason: reason || null,
        groupId: new URLSearchParams(window.location.search).get('group'),
      })
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
    <label key={words} className="flex min-h-[40px] items-center gap-2">
      <input type="checkbox" checked={on} onChange={(e) => set(e.target.checked)} />
      {words}
    </label>
  )
  const sign = (id: Sign, words: string) =>
    check(signs.includes(id), (on) => setSigns(on ? [...signs, id] : signs.filter((x) => x !== id)), words)
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
        <p className="mb-3 text-sm text-soft">
          Shoes on, chair solid and still, brakes on, water and inhaler or tablets at hand, phone near.
        </p>
        <Scale
          label="Pain now"
          low="none"
          high="worst"
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
          {wants('PRESSURE') && (
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
          {signs.some((s) => ['FEVER', 'UNWELL', 'COLD'].includes(s)) &&
            input('temperature', 'Temperature', '°C, where taken')}
        </div>
        <fieldset className="mb-4">
          <legend className="mb-1 border-b-2 border-ink pb-1 font-bold">Today there is</legend>
          <div className="grid gap-x-4 sm:grid-cols-2">
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
            {SIGNS.map(([id, words]) => sign(id, words))}
            {n.maternity && sign('UPPER_BELLY', 'upper-belly pain')}
            {n.highSpine && sign('FLUSHED', 'pounding headache, flushing or sweating')}
          </div>
        </fieldset>
      </div>
      <aside aria-live="polite" aria-label="Today" className="md:border-l md:border-line md:pl-6">
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
                  {r} <span className="text-soft">handbook 6</span>
                </li>
              ))}
              {result.findings.map((f) => (
                <li key={f.rule + f.text} className="border-b border-line py-1">
                  {f.text} <span className="block text-[13px] text-soft">{f.source}</span>
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
              </p>
            )}
            {!over && (
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
        <Button main type="submit" disabled={start.isPending} className="mt-2 w-full">
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
