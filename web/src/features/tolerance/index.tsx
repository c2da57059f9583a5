import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { type S, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { day, fullDay, verdictWords } from '../../lib/format'
import { useKeys } from '../../lib/keys'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'
import { AsTable, inAll, session } from './AsTable'
import { Decision, Mark } from './Decision'
import { Diary } from './Diary'
import { Sessions } from './Sessions'
import { Hatch, Strip, usePlaces } from './Strip'
import { held, said } from './scale'
import { SPANS, spanOf } from './span'
import { useWidth } from './useWidth'

/** Families in strips over true time, decisions beside: only what needs one asks for it. */
export function TolerancePage() {
  const { client } = useClient()
  const [params, setParams] = useSearchParams()
  const span = spanOf(params.get('span'))
  const view = useQuery({
    ...q.clients.tolerance(client.id, span.weeks),
    placeholderData: (before) => before,
  })
  if (view.error) return <Failure error={view.error} />
  if (!view.data) return <Loading what="tolerance" />
  if (view.data.sessions === 0) return <p>No session on record yet. The first run fills this page.</p>
  return (
    <>
      <Shown
        v={view.data}
        chooser={
          <div role="group" aria-label="Span shown" className="no-print flex gap-4 text-sm">
            {SPANS.map((s) => (
              <button
                key={s.key}
                type="button"
                aria-pressed={s === span}
                className={`min-h-[34px] border-b-[3px] ${s === span ? 'border-ochre font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
                onClick={() => setParams(s.key === SPANS[1]?.key ? {} : { span: s.key }, { replace: true })}
              >
                {s.words}
              </button>
            ))}
          </div>
        }
      />
    </>
  )
}

const PAPERS = [
  ['review', 'Review'],
  ['for-client', 'For the client'],
  ['for-physio', 'For the physio'],
] as const

function Shown({ v, chooser }: { v: S['ToleranceView']; chooser: React.ReactNode }) {
  const { client } = useClient()
  const go = useNavigate()
  const cache = useQueryClient()
  const [plot, width] = useWidth<HTMLDivElement>()
  const places = usePlaces({ v, width })
  const [eye, setEye] = useState<number | null>(null)
  const [table, setTable] = useState(false)
  const accept = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/clients/{clientId}/verdicts/accept', { params: { path: { clientId: client.id } } }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  const open = (at: number) => {
    const s = v.list[at]
    if (s) void go(`/runs/${s.runId}`)
  }
  const last = v.list.length - 1
  const step = (by: number) => setEye((e) => Math.max(0, Math.min(last, e === null ? last : e + by)))
  useKeys([
    { press: 'ArrowLeft', shown: '←', words: 'look a session back', act: () => step(-1) },
    { press: 'ArrowRight', shown: '→', words: 'look a session on', act: () => step(1) },
    {
      press: 'Enter',
      shown: 'Enter',
      words: 'open the session looked at',
      act: (e) => {
        if (eye !== null && !(e.target instanceof Element && e.target.closest('a,button,select'))) open(eye)
      },
    },
    {
      press: 'a',
      words: 'accept all that waits',
      act: () => {
        if (v.waiting > 0 && !accept.isPending) accept.mutate()
      },
    },
    { press: 't', words: 'the same as a table', act: () => setTable((t) => !t) },
  ])
  const [params] = useSearchParams()
  const here = params.size > 0 ? `?${params.toString()}` : ''
  const seen = eye === null ? undefined : v.list[eye]
  const sight = { eye, look: setEye, open, places }
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
        {chooser}
        <nav aria-label="Papers" className="no-print flex flex-wrap gap-x-4 text-sm">
          {PAPERS.map(([to, words]) => (
            <Link
              key={to}
              to={`/clients/${client.id}/${to}`}
              className="min-h-[34px] content-center text-teal underline underline-offset-4"
            >
              {words}
            </Link>
          ))}
        </nav>
        <p className="ml-auto text-sm">
          <strong>{v.waiting === 0 ? 'Nothing to decide' : `${v.waiting} to decide`}</strong>
        </p>
        {v.waiting > 0 && (
          <Button main onClick={() => accept.mutate()} disabled={accept.isPending} className="no-print">
            {v.waiting === 1 ? 'Accept' : v.waiting === 2 ? 'Accept both' : `Accept all ${v.waiting}`}
          </Button>
        )}
        <button
          type="button"
          aria-pressed={table}
          className="no-print min-h-[34px] text-sm text-teal underline underline-offset-4"
          onClick={() => setTable(!table)}
        >
          {table ? 'As strips' : 'As a table'}
        </button>
      </div>
      <Failure error={accept.error} />
      <p aria-live="polite" className="mb-1 line-clamp-1 text-[13px] text-soft">
        {seen && eye !== null ? (
          <>
            <strong className="text-ink">{fullDay(seen.date)}</strong> {session(seen)}
            <span className="sr-only">{v.families.map((f) => ` · ${f.family}: ${at(f, eye)}`).join('')}</span>
          </>
        ) : (
          <span className="hidden md:inline">
            Arrow keys or the pointer look at a session; Enter or a click opens it.
          </span>
        )}
      </p>
      {table ? (
        <AsTable v={v} />
      ) : (
        <div className="border-t-2 border-ink">
          <Hatch />
          <Row
            name="All sessions"
            head={
              <>
                <h2 className="font-bold">All sessions</h2>
                <p className="text-sm text-soft">{inAll(v)}</p>
              </>
            }
            side={
              <ul className={`text-sm ${v.summary.prompt ? 'text-ink' : 'text-soft'}`}>
                {v.summary.lines.map((l, i) => (
                  <li key={l} className={i === 0 && v.summary.prompt ? 'font-semibold text-ochre-deep' : ''}>
                    {l}
                  </li>
                ))}
              </ul>
            }
          >
            <div ref={plot}>{width > 0 && <Sessions v={v} width={width} {...sight} />}</div>
          </Row>
          <Diary v={v} width={width} Row={Row} />
          {v.families.map((f) => (
            <Row
              key={f.familyId}
              name={f.family}
              head={
                <>
                  <h2 className="font-bold">
                    <Link to={f.familyId + here} className="underline decoration-dotted underline-offset-4">
                      {f.family}
                    </Link>
                  </h2>
                  <p className="line-clamp-3 text-sm md:min-h-[63px] text-soft">
                    {eye === null ? (
                      <>
                        {f.current}
                        {f.tasks.length > 0 && ` · for ${f.tasks.join(', ')}`}
                      </>
                    ) : (
                      <span className="text-ink">{at(f, eye)}</span>
                    )}
                  </p>
                  {f.gap && <p className="text-[13px] text-plum">{f.gap}</p>}
                </>
              }
              side={
                <>
                  {f.verdict && <Decision key={f.verdict.id + f.verdict.version} v={f.verdict} />}
                  <Trends lines={f.trends.filter((t) => t.speaks)} />
                </>
              }
            >
              {width > 0 && <Strip f={f} v={v} width={width} {...sight} />}
            </Row>
          ))}
        </div>
      )}
      <Legend v={v} />
      <Overrides all={v.overrides} />
    </>
  )
}

const at = (f: S['FamilyRow'], eye: number) => {
  const i = f.marks.findIndex((m) => m.at === eye)
  const m = f.marks[i]
  return m ? said(m, held(f.marks)[i]) : 'not done that day'
}

function Row({
  name,
  head,
  side,
  children,
}: {
  name: string
  head: React.ReactNode
  side: React.ReactNode
  children: React.ReactNode
}) {
  return (
    <section
      aria-label={name}
      className="grid gap-x-5 gap-y-1 border-b border-line py-2.5 md:grid-cols-[160px_minmax(0,1fr)] lg:grid-cols-[180px_minmax(0,1fr)_310px]"
    >
      <div>{head}</div>
      <div className="min-w-0">{children}</div>
      <div className="md:col-start-2 lg:col-start-3">{side}</div>
    </section>
  )
}

/** What trends say, each with its numbers and where they come from. */
export function Trends({ lines }: { lines: S['TrendLine'][] }) {
  return (
    <ul className="mt-1">
      {lines.map((t) => (
        <li key={t.sentence} className="text-[13px]">
          {t.sentence}{' '}
          <span className="text-soft">
            {t.from}; {t.source}
          </span>
        </li>
      ))}
    </ul>
  )
}

function Legend({ v }: { v: S['ToleranceView'] }) {
  return (
    <p className="mt-2 text-[13px] text-soft">
      line: weight or movement, labelled where it changes · dot: effort of the last set, band = what is aimed
      for, {v.aimLow} to {v.aimHigh}, ochre over it · ▲ pain during, △ next morning, dashed: from{' '}
      {v.painLine + 1} on it eases ({v.school === 'MONITORED' ? 'monitored' : 'pain-free'} school) · – morning
      not answered · hatched: away
    </p>
  )
}

/** Decisions against the verdict are seen again: what, why, and how it went. */
function Overrides({ all }: { all: S['OverrideView'][] }) {
  if (all.length === 0) return null
  return (
    <section className="mt-6">
      <h2 className="border-b-2 border-ink pb-1 font-bold">Decided otherwise, and how it went</h2>
      <ul>
        {all.map((o) => (
          <li
            key={o.id}
            className="grid gap-x-5 border-b border-line py-1.5 text-sm md:grid-cols-[160px_minmax(0,1fr)_minmax(0,1fr)] lg:grid-cols-[180px_minmax(0,1fr)_minmax(0,1fr)]"
          >
            <span>
              <strong>{o.family}</strong>
              <span className="block text-soft">
                {day(o.on)}
                {o.by && `, ${o.by}`}
              </span>
            </span>
            <span>
              <span className="flex flex-wrap items-center gap-x-1.5">
                <Mark verdict={o.decided} /> {verdictWords[o.decided]} instead of{' '}
                {verdictWords[o.said]?.toLowerCase()}
              </span>
              {o.reason && <span className="block">“{o.reason}”</span>}
            </span>
            <span className={o.reading === 'WORSE' ? 'font-semibold text-ochre-deep' : ''}>{o.since}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
