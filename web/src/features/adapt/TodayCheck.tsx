import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { zodResolver } from '@hookform/resolvers/zod'
import { Link, useNavigate } from 'react-router'
import { ApiError, type S, http, told, given } from '../../lib/api'
import { refused } from '../../lib/form'
import * as q from '../../lib/queries'
import { doseWords, outcomeWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { useKept } from '../../ui/kept'
import { Loading } from '../../ui/Loading'
import { OutcomeMark, RuleLink } from '../../ui/Outcome'
import { useClient } from '../clients/useClient'

import { BLANK, checkOf, FORM, SIGNS, withSign, type Flag, type Form, type Reading, type Sign } from './check'

/** Today's check and the start, in one form. */
export function TodayCheck({ planId }: { planId: string }) {
  const { client, readiness } = useClient()
  const needs = useQuery(q.check.needs(client.id))
  const me = useQuery(q.studio.me())
  const typing = useForm<Form>({ resolver: zodResolver(FORM), defaultValues: BLANK })
  const { register, setValue } = typing
  const typed = useWatch({ control: typing.control }) as Form
  // the same start sent twice is one check and one run; anything answered otherwise is another
  const sent = useRef<{ form: string; checkId: string; runId: string }>(null)
  const kept = useKept()
  const navigate = useNavigate()
  const cache = useQueryClient()
  const glucoseUnit = typed.glucoseUnit || (me.data?.glucoseUnit === 'MGDL' ? 'MGDL' : 'MMOL')
  const form = checkOf(typed, glucoseUnit)
  const { signs } = typed
  const dose = typed.dose || null
  // what the form comes to rests on the checks kept already: a kept or withdrawn one asks anew
  const checks = useChecks(client.id)
  const before = checks.data?.filter((c) => c.today).map((c) => [c.id, c.withdrawn ?? ''])
  const preview = useQuery(q.check.preview(client.id, form, before))
  const start = useMutation({
    meta: { says: 'Starting the session …' },
    mutationFn: async (f: Form) => {
      // what was submitted, not what is on screen by now
      const form = checkOf(f, f.glucoseUnit || glucoseUnit)
      const { dose, reason } = f
      const asked = JSON.stringify([form, dose])
      if (sent.current?.form !== asked) {
        const check = await told(
          http.POST('/api/clients/{clientId}/today-checks', {
            params: { path: { clientId: client.id } },
            body: form,
          }),
        )
        if (check.result.outcome === 'NOT_TODAY' || check.result.outcome === 'URGENT') return null
        if (check.id) sent.current = { form: asked, checkId: check.id, runId: crypto.randomUUID() }
      }
      return told(
        http.POST('/api/runs', {
          body: {
            id: sent.current?.runId,
            clientId: client.id,
            planId,
            checkId: sent.current?.checkId,
            dose: given(dose),
            reason: given(reason),
            groupId: given(new URLSearchParams(window.location.search).get('group')),
          },
        }),
      )
    },
    onError: (e) => {
      refused(typing, e)
      // a reply that was lost, or a reason that was wanted, is the same start again; what was refused is not
      const code = e instanceof ApiError ? e.problem.code : ''
      if (!['offline', 'reason-wanted', 'run-open'].includes(code)) sent.current = null
    },
    onSuccess: (r) => {
      kept()
      void q.changed(cache, 'client', client.id)
      if (r) void navigate(`/run/${r.id}`)
    },
  })
  if (needs.error) return <Failure error={needs.error} />
  if (!needs.data) return <Loading what="today’s check" />
  const n = needs.data
  const wants = (k: string) => n.required.includes(k as S['Needs']['required'][number])
  const startError = start.error instanceof ApiError ? start.error : undefined
  const shownError = preview.error instanceof ApiError ? preview.error : undefined
  const at = (k: keyof Form) => typing.formState.errors[k]?.message ?? shownError?.field('/' + k)
  const result = shownError ? undefined : preview.data?.result
  const over = result?.outcome === 'NOT_TODAY' || result?.outcome === 'URGENT'
  const wantsReason =
    readiness.outcome === 'ASK_FIRST' || dose !== null || startError?.problem.code === 'reason-wanted'
  const input = (k: Reading, label: string, hint: string) => (
    <Field key={k} label={label} hint={hint} error={at(k)}>
      {(p) => <input {...p} inputMode="decimal" {...register(k)} />}
    </Field>
  )
  const check = (k: Flag, words: string) => (
    <label className="flex min-h-[40px] items-start gap-2 py-1 leading-snug">
      <input type="checkbox" {...register(k)} />
      {words}
    </label>
  )
  const sign = (id: Sign, words: string) => (
    <label key={id} className="flex min-h-[40px] items-start gap-2 py-1 leading-snug">
      <input
        type="checkbox"
        checked={signs.includes(id)}
        onChange={(e) => setValue('signs', withSign(signs, id, e.target.checked))}
      />
      {words}
    </label>
  )
  // what cannot be read and is no longer asked must not hold the start back unseen
  const dropHidden = () => {
    const read = FORM.safeParse(typing.getValues())
    for (const issue of read.error?.issues ?? []) {
      const k = issue.path[0] as Reading
      if (document.getElementsByName(k).length === 0) setValue(k, '')
    }
  }
  const scale = (k: 'pain' | 'sleep' | 'energy', label: string, low: string, high: string) => (
    <Scale
      label={label}
      name={label}
      low={low}
      high={high}
      value={typed[k]}
      onChange={(v) => setValue(k, v, { shouldValidate: typing.formState.isSubmitted })}
      error={at(k)}
    />
  )
  return (
    <form
      noValidate
      className="grid gap-x-8 md:grid-cols-[1fr_260px]"
      onSubmit={(e) => {
        e.preventDefault()
        dropHidden()
        void typing.handleSubmit((f) => start.mutate(f))()
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
        {scale('pain', 'Pain now', 'none', `worst · usual ${n.usualPain}`)}
        {scale('sleep', 'Sleep', 'none', 'best')}
        {scale('energy', 'Energy', 'none', 'full')}
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
            <div className="self-center">{check('pulseIrregular', 'irregular, and new')}</div>
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
                    onChange={(e) => setValue('glucoseUnit', e.target.value as 'MMOL' | 'MGDL')}
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
            {n.steadiness && check('wobbly', 'wobbly on the feet')}
            {check('hardYesterday', 'a hard day yesterday, chores count')}
            {wants('GLUCOSE') && check('severeLow', 'a severe low in the last 24 h')}
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
                        setValue(
                          'dose',
                          e.target.value === result.dose ? '' : (e.target.value as Form['dose']),
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
          <Field label="Reason to go ahead" hint="kept with the run" error={at('reason')}>
            {(p) => <input {...p} {...register('reason')} />}
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
  return useQuery(q.check.all(clientId))
}

/** Earlier checks of today: kept, shown, and withdrawn only as a mistaken tap, with a reason. */
function Earlier({ clientId }: { clientId: string }) {
  const checks = useChecks(clientId)
  const [at, setAt] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const cache = useQueryClient()
  const withdraw = useMutation({
    mutationFn: (id: string) =>
      told(
        http.POST('/api/clients/{clientId}/today-checks/{id}/withdrawal', {
          params: { path: { clientId, id } },
          body: { reason },
        }),
      ),
    onSuccess: () => {
      setAt(null)
      setReason('')
      return q.changed(cache, 'client', clientId)
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
