import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { type S, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { clock, day } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contour } from '../../ui/Contour'
import { Figure } from '../../ui/Figure'
import { useClient } from '../clients/useClient'
import { ComparePanel, Since } from './ComparePanel'
import { OrderOffer } from './OrderOffer'
import { StairPanel } from './StairPanel'
import { Closed } from './Closed'
import { StartPanel } from './StartPanel'

/** The adapt desk: a plan resolved for this client today, with every reason. */
export function AdaptPage() {
  const { client } = useClient()
  const { planId } = useParams()
  const navigate = useNavigate()
  const plans = useQuery(q.plans.all())
  const runs = useQuery(q.clients.runs(client.id))
  if (plans.error ?? runs.error) return <Failure error={plans.error ?? runs.error} />
  if (!plans.data || !runs.data) return <Loading what="plans" />
  const usual = runs.data[runs.data.length - 1]?.planId
  const id = planId ?? usual ?? plans.data[0]?.id
  if (!id)
    return (
      <p>
        No plan yet.{' '}
        <Link className="text-teal underline" to="/plans/new">
          Build one first.
        </Link>
      </p>
    )
  return (
    <>
      <label className="no-print mb-3 flex flex-wrap items-center gap-3">
        <span className="text-soft">plan</span>
        <select
          className="!w-auto"
          value={id}
          onChange={(e) => void navigate(`/clients/${client.id}/plan/${e.target.value}`)}
        >
          {plans.data.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </label>
      <Desk key={id} planId={id} />
    </>
  )
}

function Desk({ planId }: { planId: string }) {
  const { client, readiness } = useClient()
  const clientId = client.id
  const desk = q.desk(clientId, planId)
  const view = useQuery(desk.adapted())
  const cache = useQueryClient()
  const [chosen, setChosen] = useState<string | null>(null)
  const [starting, setStarting] = useState(false)
  const [comparing, setComparing] = useState(false)
  const release = useMutation({
    mutationFn: (slot: string) =>
      told(
        http.DELETE('/api/clients/{clientId}/adapted/{planId}/slots/{key}/choice', {
          params: { path: { clientId, planId, key: slot } },
        }),
      ),
    onSuccess: (v) => {
      cache.setQueryData(desk.adapted().queryKey, v)
      void cache.invalidateQueries({ queryKey: desk.stairs })
    },
  })
  const slots = view.data?.slots
  const current =
    slots?.find((s) => s.key === chosen) ??
    slots?.find((s) => s.block === 'WORK' && !s.asAsked) ??
    slots?.find((s) => s.block === 'WORK')
  const go = (by: number) => {
    const next = slots && current && slots[slots.indexOf(current) + by]
    if (!next) return
    setChosen(next.key)
    document.getElementById(`slot-${next.key}`)?.scrollIntoView({ block: 'nearest' })
  }
  useKeys([
    { press: 'j', words: 'the next slot', act: () => go(1) },
    { press: 'k', words: 'the slot before', act: () => go(-1) },
    { press: 'v', words: 'compare', act: () => setComparing((c) => !c) },
  ])
  if (view.error) return <Failure error={view.error} />
  if (!view.data || !current) return <Loading what="the adapted plan" />
  const v = view.data
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-lg font-bold">
          {v.planName} for {client.name.split(' ')[0]}, {day(v.date)}
        </h2>
        <span className="font-mono text-lg font-bold">{clock(v.timeline.total)}</span>
        {v.effortCap !== undefined && <span className="text-plum">effort {v.effortCap} at most</span>}
        {v.workNote && <span className="text-plum">{v.workNote}</span>}
        <span className="no-print ml-auto flex flex-wrap items-center gap-x-1 gap-y-2">
          {!readiness.closed && (
            <>
              <a
                className="btn btn-quiet"
                href={`/api/clients/${client.id}/adapted/${planId}/card.pdf?paper=A4`}
                target="_blank"
                rel="noreferrer"
              >
                Card A4
              </a>
              <a
                className="btn btn-quiet"
                href={`/api/clients/${client.id}/adapted/${planId}/card.pdf?paper=LETTER`}
                target="_blank"
                rel="noreferrer"
              >
                Card Letter
              </a>
            </>
          )}
          <Button quiet aria-expanded={comparing} onClick={() => setComparing(!comparing)}>
            Compare
          </Button>
          {readiness.closed ? null : v.timeline.total > 0 ? (
            <Button main={readiness.outcome !== 'ASK_FIRST'} onClick={() => setStarting(true)}>
              Start this session
            </Button>
          ) : (
            <Link className="btn btn-main" to={`/clients/${client.id}`}>
              Through the day
            </Link>
          )}
        </span>
      </div>
      {readiness.closed && (
        <section
          aria-label="Not to be trained now"
          className="mb-4 border-l-4 border-brick bg-sheet px-4 py-3"
        >
          <Closed client={client} closed={readiness.closed} />
        </section>
      )}
      {!readiness.closed && readiness.outcome === 'ASK_FIRST' && (
        <p className="mb-4 border-l-4 border-ochre bg-sheet px-4 py-2">
          <strong>Ask first.</strong>{' '}
          {readiness.findings
            .filter((f) => f.outcome === 'ASK_FIRST')
            .map((f) => f.text)
            .join(' ')}{' '}
          <Link className="text-teal underline" to={`/clients/${client.id}/letter`}>
            Letter that asks for it
          </Link>
          {' · '}starting needs a recorded reason
        </p>
      )}
      <Since clientId={clientId} planId={planId} />
      {comparing && <ComparePanel clientId={clientId} planId={planId} today={v.date} />}
      {[...v.sessionProblems, ...v.checks].map((c) => (
        <p key={c} className="mb-1 border-l-4 border-ochre pl-3 text-sm text-ochre-deep">
          {c}
        </p>
      ))}
      <div className="grid items-start gap-5 lg:grid-cols-[1fr_352px]">
        <div className="min-w-0">
          <Contour
            planned={v.planned}
            adapted={v.timeline}
            who={client.name.split(' ')[0]}
            slot={current.key}
          />
          {v.orders && <OrderOffer client={client} planId={v.planId} orders={v.orders} />}
          <SlotTable slots={v.slots} current={current.key} onChoose={setChosen} />
        </div>
        <div className="lg:sticky lg:top-3">
          <StairPanel
            key={current.key}
            clientId={clientId}
            planId={planId}
            slot={current}
            onRelease={() => release.mutate(current.key)}
          />
          <Failure error={release.error} />
        </div>
      </div>
      <Needs clientId={client.id} planId={planId} />
      <p className="mt-4 text-[13px] text-soft">
        Riposo proposes, you decide; a clinician’s word outranks every line here.
      </p>
      <StartPanel open={starting} onOpenChange={setStarting} planId={planId} />
    </>
  )
}

/** What the plan as stated needs, what serves for it where the client trains, what is missing. */
function Needs({ clientId, planId }: { clientId: string; planId: string }) {
  const needs = useQuery(q.desk(clientId, planId).needs())
  if (!needs.data) return null
  const n = needs.data
  const missing = n.needs.filter((x) => !x.here)
  return (
    <section aria-labelledby="needs" className="mt-8">
      <h2 id="needs" className="border-b-2 border-ink pb-1 font-bold">
        What this plan needs{' '}
        <span className="font-normal text-soft">
          {n.place} · {missing.length === 0 ? 'nothing is missing' : `${missing.length} missing`}
        </span>
      </h2>
      <ul className="grid gap-x-10 lg:grid-cols-2">
        {n.needs.map((x) => (
          <li key={x.words} className="border-b border-line py-1.5 text-sm">
            {x.here ? (
              <span>
                {x.words}: <strong>{x.here}</strong>
              </span>
            ) : (
              <strong className="text-brick">{x.words}: missing here</strong>
            )}
            <span className="text-soft"> for {x.slots.join(', ')}</span>
            {!x.here && <span className="text-soft">; the desk above offers what does without</span>}
          </li>
        ))}
        {n.weights.map((w) => (
          <li key={w} className="border-b border-line py-1.5 text-sm">
            {w}
          </li>
        ))}
      </ul>
      {n.refused.map((w) => (
        <p key={w} className="mt-1 text-sm text-plum">
          {w}
        </p>
      ))}
    </section>
  )
}

const blocks = { WARM_UP: 'warm-up', WORK: 'work', COOL_DOWN: 'cool-down' }

function SlotTable({
  slots,
  current,
  onChoose,
}: {
  slots: S['SlotView'][]
  current: string
  onChoose: (k: string) => void
}) {
  return (
    <table className="mt-3 w-full border-collapse text-left">
      <thead className="hidden text-[13px] text-soft sm:table-header-group">
        <tr>
          <th className="w-8 pb-1 font-normal"></th>
          <th className="w-32 pb-1 font-normal">purpose</th>
          <th className="w-40 pb-1 font-normal">asked</th>
          <th className="pb-1 font-normal">for this client</th>
          <th className="w-44 pb-1 font-normal">dose</th>
        </tr>
      </thead>
      {(['WARM_UP', 'WORK', 'COOL_DOWN'] as const).map((b) => (
        <tbody key={b}>
          <tr>
            <th
              scope="rowgroup"
              colSpan={5}
              className="border-b-2 border-ink pb-0.5 pt-3 text-left text-[13px] font-semibold"
            >
              {blocks[b]}
            </th>
          </tr>
          {slots
            .filter((s) => s.block === b)
            .map((s, i) => (
              <tr
                key={s.key}
                id={`slot-${s.key}`}
                className={`block border-b border-line align-top sm:table-row ${s.key === current ? 'bg-teal-tint' : ''}`}
              >
                <td className="hidden px-2 py-2 font-mono sm:table-cell">{i + 1}</td>
                <td className="inline px-1 text-[13px] text-soft sm:table-cell sm:py-2 sm:text-[15px] sm:text-ink">
                  {s.purpose}
                </td>
                <td
                  className={`inline px-1 sm:table-cell sm:py-2 ${s.asAsked ? '' : 'line-through decoration-plum'}`}
                >
                  {s.askedName}
                </td>
                <td className="block px-1 py-1 sm:table-cell sm:py-2">
                  <span className="float-right ml-2 hidden gap-1 md:flex">
                    {s.parts.map(
                      (p) =>
                        p.movementId && (
                          <Figure
                            key={p.side}
                            movementId={p.movementId}
                            name=""
                            modifiers={p.modifiers}
                            range={p.range}
                            height={44}
                          />
                        ),
                    )}
                  </span>
                  <button
                    type="button"
                    className="block min-h-[28px] text-left"
                    aria-pressed={s.key === current}
                    onClick={() => onChoose(s.key)}
                  >
                    {s.asAsked ? <span className="text-soft">as asked</span> : <strong>{s.title}</strong>}
                    {s.pinned && (
                      <span className="ml-2 text-[13px] font-semibold text-ochre-deep">your choice</span>
                    )}
                  </button>
                  {s.reasons.map((r) => (
                    <span key={r} className="block text-[13px] leading-snug text-plum">
                      {r}
                    </span>
                  ))}
                </td>
                <td className="block px-1 pb-2 font-mono text-sm sm:table-cell sm:py-2">
                  {s.parts.map((p) => (
                    <span key={p.side} className="block">
                      {p.side !== 'BOTH' && `${p.side.toLowerCase()} `}
                      {p.doseText}
                    </span>
                  ))}
                  {s.weight && (
                    <span className="block font-sans text-[13px] leading-snug text-soft">
                      {s.weight.set && <strong className="text-ochre-deep">your weight · </strong>}
                      {s.weight.words}
                    </span>
                  )}
                </td>
              </tr>
            ))}
        </tbody>
      ))}
    </table>
  )
}
