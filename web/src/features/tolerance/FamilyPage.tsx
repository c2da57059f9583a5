import { useQuery } from '@tanstack/react-query'
import { Suspense } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import type { S } from '../../lib/api'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { fullDay, kg, verdictWords } from '../../lib/format'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'
import { Mark, statusWords } from './Decision'
import { spanOf } from './span'
import { Trends } from './index'

const Charts = later(() => import('./Charts'), 'Charts')

/** One family large: its figures in charts and as a table, and every verdict. */
export function FamilyPage() {
  const { client } = useClient()
  const { familyId = '' } = useParams()
  const [params] = useSearchParams()
  const span = spanOf(params.get('span'))
  const view = useQuery(q.clients.family(client.id, familyId, span.weeks))
  if (view.error) return <Failure error={view.error} />
  if (!view.data) return <Loading what="the family" />
  const v = view.data
  return (
    <>
      <p className="no-print mb-1 text-sm">
        <Link
          to={`..${span.key === '12' ? '' : `?span=${span.key}`}`}
          className="text-teal underline underline-offset-4"
        >
          all families
        </Link>
      </p>
      <h2 className="text-[20px] font-bold">{v.family}</h2>
      <p className="text-soft">
        now: {v.current} · {v.points.length} sessions in {span.words === 'all' ? 'all' : span.words}
      </p>
      {v.gap && <p className="text-plum">{v.gap}</p>}
      <Trends lines={v.trends} />
      <div className="mt-4">
        <Suspense fallback={<Loading what="the charts" />}>
          <Charts v={v} />
        </Suspense>
      </div>
      <Points v={v} />
      <Verdicts v={v} />
    </>
  )
}

const figure = (n: number | undefined) => (n === undefined ? '–' : n)
const weight = (p: S['SessionPoint']) =>
  !p.weight
    ? '–'
    : p.weight.left === p.weight.right
      ? kg(p.weight.left)
      : `left ${kg(p.weight.left)}, right ${kg(p.weight.right)}`

function Points({ v }: { v: S['FamilyView'] }) {
  return (
    <section className="mt-6">
      <h2 className="border-b-2 border-ink pb-1 font-bold">Session by session</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Sessions as a table">
        <table className="w-full border-collapse text-left text-sm">
          <thead className="text-soft">
            <tr>
              {[
                'session',
                'what',
                'weight',
                'asked',
                'done',
                'effort',
                'pain',
                'morning',
                'pulse',
                'sets',
              ].map((h) => (
                <th key={h} className="py-1 pr-4 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {[...v.points].reverse().map((p) => (
              <tr key={p.runId} className="border-t border-line align-top">
                <th scope="row" className="whitespace-nowrap py-1 pr-4 font-normal">
                  <Link to={`/runs/${p.runId}`} className="text-teal underline underline-offset-4">
                    {fullDay(p.date)}
                  </Link>
                </th>
                <td className="py-1 pr-4">{p.movement}</td>
                <td className="whitespace-nowrap py-1 pr-4">{weight(p)}</td>
                {[p.asked, p.done, p.effort, p.pain, p.morning, p.pulse].map((n, i) => (
                  <td key={i} className="py-1 pr-4 font-mono">
                    {figure(n)}
                  </td>
                ))}
                <td className="min-w-60 py-1 text-[13px] text-soft">{p.sets.join('; ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

function Verdicts({ v }: { v: S['FamilyView'] }) {
  return (
    <section className="mt-6">
      <h2 className="border-b-2 border-ink pb-1 font-bold">Verdicts</h2>
      <ul>
        {v.record.map((r) => (
          <li
            key={r.id}
            className="grid gap-x-5 border-b border-line py-1.5 text-sm md:grid-cols-[110px_minmax(0,1fr)_minmax(0,1fr)]"
          >
            <span className="text-soft">{fullDay(r.date)}</span>
            <span>
              <span className="flex flex-wrap items-center gap-x-1.5">
                <Mark verdict={r.decided ?? r.verdict} />
                <strong>{verdictWords[r.decided ?? r.verdict]}</strong>
                <span className="text-soft">
                  {r.status === 'WAITING'
                    ? 'to decide'
                    : (statusWords[r.status] ?? `instead of ${verdictWords[r.verdict]?.toLowerCase()}`)}
                </span>
              </span>
              <span className="block">{r.sentence}</span>
              {r.reason && <span className="block">“{r.reason}”</span>}
              {r.again && <span className="block text-ochre-deep">Reckoned anew: {r.again}.</span>}
            </span>
            <span className="text-[13px] text-soft">
              {r.restsOn.map((s) => (
                <span key={s} className="block">
                  {s}
                </span>
              ))}
              {r.rule}, {r.source}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
