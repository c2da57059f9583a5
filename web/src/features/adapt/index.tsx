import { useQuery } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { clock, day } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contour } from '../../ui/Contour'
import { Figure } from '../../ui/Figure'
import { useClient } from '../clients/useClient'
import { useChoices, type Choices } from './choices'
import { ComparePanel, Since } from './ComparePanel'
import { OrderOffer } from './OrderOffer'
import { Proposed } from './Proposed'
import { StairPanel } from './StairPanel'
import { Closed } from './Closed'
import { StartPanel } from './StartPanel'

/** The adapt desk: a plan resolved for this client today, with every reason. */
export function AdaptPage() {
  const { client } = useClient()
  const { planId } = useParams()
  const plans = useQuery(q.plans.all())
  const runs = useQuery(q.clients.runs(client.id))
  if (plans.error ?? runs.error) return <Failure error={plans.error ?? runs.error} />
  if (!plans.data || !runs.data) return <Loading what="plans" />
  // the plan of the last session is the client's plan until another is chosen
  const usual = plans.data.find((p) => p.id === runs.data.lines[0]?.planId)?.id
  const id = planId ?? usual
  const choice = <PlanChoice plans={plans.data} id={id} />
  if (!id) return <WhichPlan plans={plans.data} choice={choice} />
  return <Desk key={id} planId={id} choice={choice} />
}

/** Which plan is on the desk. */
function PlanChoice({ plans, id }: { plans: S['Plan'][]; id: string | undefined }) {
  const { client } = useClient()
  const navigate = useNavigate()
  return (
    <select
      className="no-print !w-auto max-w-[240px] font-bold"
      aria-label="Plan"
      value={id ?? ''}
      onChange={(e) => void navigate(`/clients/${client.id}/plan/${e.target.value}`)}
    >
      {!id && <option value="">Choose a plan</option>}
      {plans.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </select>
  )
}

/** Nothing was done yet and no plan is chosen: which one? */
function WhichPlan({ plans, choice }: { plans: S['Plan'][]; choice: ReactNode }) {
  const { client } = useClient()
  return (
    <section aria-labelledby="which" className="max-w-[760px]">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="which" className="text-lg font-bold">
          Which plan for {client.name.split(' ')[0]}?
        </h2>
        {choice}
      </div>
      <Standing />
      <p className="mt-1 text-soft">
        It is adapted at once and nothing is fixed by looking.{' '}
        <Link className="text-teal underline underline-offset-4" to="/plans?view=start">
          Starting points
        </Link>{' '}
        ·{' '}
        <Link className="text-teal underline underline-offset-4" to="/plans/new">
          build one
        </Link>
      </p>
      <ul className="mt-3 border-t-2 border-ink">
        {plans.map((p) => (
          <li key={p.id} className="border-b border-line">
            <Link
              className="flex min-h-[48px] items-center gap-4 py-2 hover:bg-teal-tint"
              to={`/clients/${client.id}/plan/${p.id}`}
            >
              <strong>{p.name}</strong>
              <span className="text-soft">{p.tags.join(', ')}</span>
              <span className="ml-auto font-mono">
                {p.timeline.total > 0 ? clock(p.timeline.total) : 'no clock'}
              </span>
            </Link>
          </li>
        ))}
        {plans.length === 0 && <li className="py-3">No plan yet: copy a starting point or build one.</li>}
      </ul>
    </section>
  )
}

/** What stands in the way of training: nothing passes it, or a clinician is asked first. */
function Standing() {
  const { client, readiness } = useClient()
  return (
    <>
      {readiness.closed && (
        <section
          aria-label="Not to be trained now"
          className="mb-4 border-l-4 border-brick bg-sheet px-4 py-3"
        >
          <Closed client={client} closed={readiness.closed} />
        </section>
      )}
      {!readiness.closed && readiness.outcome === 'ASK_FIRST' && (
        <p className="mb-2 border-l-4 border-ochre bg-sheet px-4 py-2">
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
    </>
  )
}

function Desk({ planId, choice }: { planId: string; choice: ReactNode }) {
  const { client, readiness } = useClient()
  const clientId = client.id
  const desk = q.desk(clientId, planId)
  const view = useQuery(desk.adapted())
  const [chosen, setChosen] = useState<string | null>(null)
  const [starting, setStarting] = useState(false)
  const [comparing, setComparing] = useState(false)
  const choices = useChoices(clientId, planId)
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
    { press: 'z', words: 'take the last change back', act: choices.back },
    { press: 'v', words: 'compare', act: () => setComparing((c) => !c) },
  ])
  if (view.error) return <Failure error={view.error} />
  if (!view.data || !current) return <Loading what="the adapted plan" />
  const v = view.data
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="sr-only">
          {v.planName} for {client.name.split(' ')[0]}, {day(v.date)}
        </h2>
        {choice}
        <span className="font-mono text-lg font-bold">{clock(v.timeline.total)}</span>
        <span className="text-soft">{day(v.date)}</span>
        <span className={v.effortCap === undefined ? 'text-soft' : 'text-plum'}>
          effort {v.effortCap === undefined ? `${client.goalEffort} of 10` : `${v.effortCap} of 10 at most`}
        </span>
        {v.workNote && <span className="text-plum">{v.workNote}</span>}
        <span className="no-print ml-auto flex flex-wrap items-center gap-x-1 gap-y-2">
          {choices.last && (
            <Button quiet disabled={choices.busy} onClick={choices.back}>
              Take back <kbd>z</kbd>
            </Button>
          )}
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
      <Standing />
      <Since clientId={clientId} planId={planId} />
      {comparing && <ComparePanel clientId={clientId} planId={planId} today={v.date} />}
      {[...v.sessionProblems, ...v.checks].map((c) => (
        <p key={c} className="mb-1 border-l-4 border-ochre pl-3 text-sm text-ochre-deep">
          {c}
        </p>
      ))}
      <Failure error={choices.release.error ?? choices.undo.error ?? choices.heavier.error} />
      <div className="grid items-start gap-5 lg:grid-cols-[1fr_352px]">
        <div className="min-w-0">
          <Contour
            planned={v.planned}
            adapted={v.timeline}
            who={client.name.split(' ')[0]}
            slot={current.key}
            low
          />
          {v.orders && <OrderOffer client={client} planId={v.planId} orders={v.orders} goals={v.goals} />}
          <SlotTable slots={v.slots} current={current.key} onChoose={setChosen} choices={choices} />
          {v.goals.length > 0 && (
            <p className="mt-2 text-sm">
              <strong>For the goal.</strong> {v.goals.join(' · ')}
            </p>
          )}
        </div>
        <div className="lg:sticky lg:top-3">
          <StairPanel
            key={current.key}
            clientId={clientId}
            planId={planId}
            slot={current}
            choices={choices}
          />
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

/** What the plan as adapted takes, what serves for it here, and what it does without. */
function Needs({ clientId, planId }: { clientId: string; planId: string }) {
  const needs = useQuery(q.desk(clientId, planId).needs())
  if (!needs.data) return null
  const n = needs.data
  return (
    <section aria-labelledby="needs" className="mt-8">
      <h2 id="needs" className="border-b-2 border-ink pb-1 font-bold">
        What this plan needs{' '}
        <span className="font-normal text-soft">as adapted, the same as on the day sheet · {n.place}</span>
      </h2>
      <ul className="grid gap-x-10 lg:grid-cols-2">
        {n.needs.map((x) => (
          <li key={x.words} className="border-b border-line py-1.5 text-sm">
            {x.here ? (
              <span>
                {x.words}
                {x.here !== x.words && (
                  <>
                    : <strong>{x.here}</strong>
                  </>
                )}
              </span>
            ) : (
              <strong className="text-brick">{x.words}: missing here</strong>
            )}
            <span className="text-soft"> for {x.slots.join(', ')}</span>
          </li>
        ))}
        {n.weights.length > 0 && (
          <li className="border-b border-line py-1.5 text-sm">weights: {n.weights.join(', ')}</li>
        )}
        {n.needs.length + n.weights.length === 0 && <li className="py-1.5 text-sm">Nothing.</li>}
      </ul>
      {n.lacking.map((x) => (
        <p key={x.words} className="mt-1 text-sm text-soft">
          Done without: {x.words}, asked for by {x.slots.join(', ')} and not here.
        </p>
      ))}
      {n.refused.map((w) => (
        <p key={w} className="mt-1 text-sm text-plum">
          {w}
        </p>
      ))}
    </section>
  )
}

const blocks = { WARM_UP: 'warm-up', WORK: 'work', COOL_DOWN: 'cool-down' }

/** Your own choice in a row, with its way back. */
function Mine({ words, back, busy }: { words: string; back: () => void; busy: boolean }) {
  return (
    <span className="mr-2 inline-flex items-baseline gap-2 text-[13px]">
      <strong className="text-ochre-deep">{words}</strong>
      <button
        type="button"
        disabled={busy}
        className="no-print min-h-[28px] text-teal underline underline-offset-4"
        onClick={back}
      >
        take back
      </button>
    </span>
  )
}

function SlotTable({
  slots,
  current,
  onChoose,
  choices,
}: {
  slots: S['SlotView'][]
  current: string
  onChoose: (k: string) => void
  choices: Choices
}) {
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <thead className="sr-only">
        <tr>
          <th>place</th>
          <th>purpose</th>
          <th>asked</th>
          <th>for this client</th>
          <th>dose</th>
        </tr>
      </thead>
      {(['WARM_UP', 'WORK', 'COOL_DOWN'] as const)
        .filter((b) => slots.some((s) => s.block === b))
        .map((b) => (
          <tbody key={b}>
            <tr>
              <th
                scope="rowgroup"
                colSpan={5}
                className="border-b-2 border-ink pb-0.5 pt-2 text-left text-[13px] font-semibold"
              >
                {blocks[b]}
              </th>
            </tr>
            {slots
              .filter((s) => s.block === b)
              .map((s, i) => (
                <SlotRow
                  key={s.key}
                  slot={s}
                  number={i + 1}
                  current={s.key === current}
                  onChoose={() => onChoose(s.key)}
                  choices={choices}
                />
              ))}
          </tbody>
        ))}
    </table>
  )
}

function SlotRow({
  slot: s,
  number,
  current,
  onChoose,
  choices,
}: {
  slot: S['SlotView']
  number: number
  current: boolean
  onChoose: () => void
  choices: Choices
}) {
  // a row tells its first reasons, the one chosen all of them; warm-up and cool-down stay low
  const ease = s.block !== 'WORK'
  const told = current ? s.reasons : s.reasons.slice(0, ease ? 1 : 2)
  const cell = `sm:table-cell ${ease && !current ? 'sm:py-0.5' : 'sm:py-1.5'}`
  return (
    <tr
      id={`slot-${s.key}`}
      className={`block cursor-default border-b border-line align-top sm:table-row ${current ? 'bg-teal-tint' : ''}`}
      // the button in the row is for the keyboard; a tap anywhere on it means the same
      onClick={onChoose}
    >
      <td className={`hidden w-7 px-1.5 font-mono ${cell}`}>{number}</td>
      <td className={`inline w-24 px-1 text-[13px] text-soft ${cell} sm:text-ink`}>
        {s.purpose}
        {s.serves.length > 0 && (
          <span className="text-moss sm:block" title={s.serves.join(', ')}>
            {' '}
            for the goal
          </span>
        )}
      </td>
      <td className={`inline w-36 px-1 ${cell} ${s.asAsked ? '' : 'line-through decoration-plum'}`}>
        {s.askedName}
      </td>
      <td className={`block px-1 py-1 ${cell}`}>
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
                  height={ease ? 28 : 36}
                />
              ),
          )}
        </span>
        <button
          type="button"
          className="block min-h-[28px] text-left leading-tight"
          aria-pressed={current}
          onClick={onChoose}
        >
          {s.asAsked ? (
            <span className="text-soft">as asked</span>
          ) : (
            <strong className="leading-tight">{s.title}</strong>
          )}
        </button>
        {s.pinned && (
          <Mine
            words="your choice"
            busy={choices.busy}
            back={() => choices.release.mutate({ slot: s, what: 'choice' })}
          />
        )}
        {told.map((r) => (
          <span
            key={r}
            title={current ? undefined : s.reasons.join('\n')}
            className={`text-[13px] leading-snug text-plum print:block ${current ? 'block' : ease ? 'line-clamp-1' : 'line-clamp-2'}`}
          >
            {r}
          </span>
        ))}
        {s.reasons.length > told.length && !ease && (
          <span className="block text-[13px] leading-snug text-soft">
            and {s.reasons.length - told.length} more
          </span>
        )}
        {s.gap && <span className="block text-[13px] leading-snug text-plum">{s.gap}</span>}
        {s.proposed && <Proposed p={s.proposed} current={current} />}
        {s.upper && !s.upper.taken && (
          <span className="block text-[13px] leading-snug text-soft">above it: {s.upper.words}</span>
        )}
      </td>
      <td className={`block px-1 pb-2 text-sm sm:w-48 ${cell}`}>
        {s.parts.map((p) => (
          <span key={p.side} className="block font-mono text-[13px]">
            {p.side !== 'BOTH' && `${p.side.toLowerCase()} `}
            {p.doseText}
          </span>
        ))}
        {s.weight?.set && (
          <Mine
            words="your weight"
            busy={choices.busy}
            back={() => choices.release.mutate({ slot: s, what: 'weight' })}
          />
        )}
        {s.weight && <span className="block text-[13px] leading-snug text-soft">{s.weight.words}</span>}
        {s.band && <span className="block text-[13px] leading-snug text-soft">{s.band}</span>}
        {s.stretch && current && (
          <span className="block text-[13px] leading-snug text-soft">rests: {s.stretch}</span>
        )}
      </td>
    </tr>
  )
}
