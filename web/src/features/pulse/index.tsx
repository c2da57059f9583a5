import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { ApiError } from '../../lib/api'
import * as q from '../../lib/queries'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'

/** The pulse of one client: maxima, ranges on both scales, caps, and a reading shown on both. */
export function PulsePage() {
  const { client } = useClient()
  const [typed, setTyped] = useState('')
  const guide = useQuery(q.clients.pulse(client.id))
  const read = useQuery({
    ...q.clients.pulse(client.id, Number(typed)),
    enabled: typed.length >= 2,
    placeholderData: keepPreviousData,
  })
  if (guide.error)
    return (
      <>
        <Failure error={guide.error} />
        <Link className="btn" to="../record">
          To the record
        </Link>
      </>
    )
  if (!guide.data) return <Loading what="the pulse guide" />
  const g = guide.data.guide
  const reading = typed.length >= 2 && !read.error ? read.data?.reading : undefined
  const low = g.resting ?? 40
  const at = (bpm: number) => `${Math.max(0, Math.min(100, ((bpm - low) / (g.maximum - low)) * 100))}%`
  return (
    <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[1fr_360px]">
      <section aria-labelledby="ranges">
        <h2 id="ranges" className="mb-2 border-b-2 border-ink pb-1 text-lg font-bold">
          Ranges{' '}
          <span className="font-normal text-soft">
            maximum {g.maximum} bpm ({g.maximumSource}),{' '}
            {g.resting ? `resting ${g.resting} bpm` : 'resting not recorded'}
          </span>
        </h2>
        {g.warnings.map((w) => (
          <p key={w} className="mb-2 border-l-4 border-ochre bg-sheet px-3 py-2">
            {w}
          </p>
        ))}
        {g.ranges.length > 0 && (
          <table className="w-full text-left">
            <caption className="sr-only">Ranges of pulse with effort and talk test</caption>
            <thead>
              <tr className="border-b border-line text-sm text-soft">
                <th className="py-1 font-normal">work</th>
                <th className="py-1 font-normal">bpm</th>
                <th className="w-2/5 py-1 font-normal">
                  <span className="sr-only">on the line from resting to maximum</span>
                </th>
                <th className="py-1 font-normal">effort</th>
                <th className="py-1 font-normal">talk test</th>
              </tr>
            </thead>
            <tbody>
              {g.ranges.map((r) => (
                <tr key={r.name + r.scale} className={`border-b border-line ${r.usable ? '' : 'text-soft'}`}>
                  <td className="py-2">
                    {r.name}, % {r.scale}
                    {!r.usable && <span className="block text-[13px]">means nothing here, see above</span>}
                  </td>
                  <td className="font-mono">
                    <span className={r.usable ? '' : 'line-through'}>
                      {r.from}–{r.to}
                    </span>
                  </td>
                  <td aria-hidden="true">
                    <span className="relative block h-4 border-x border-ink bg-sheet">
                      <span
                        className={`absolute h-4 ${r.usable ? 'bg-teal' : 'hatch'}`}
                        style={{ left: at(r.from), right: `calc(100% - ${at(r.to)})` }}
                      />
                      {g.cap && (
                        <span className="absolute h-4 w-[3px] bg-brick" style={{ left: at(g.cap) }} />
                      )}
                    </span>
                  </td>
                  <td className="font-mono">{r.effort}</td>
                  <td>{r.talk}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-3 text-sm text-soft">
          Talk test: sings is light, talks in sentences is moderate, only words is hard. Effort 0 to 10;
          effort 3–4 is 11–13 of Borg’s 6–20. Effort and talk lead where they disagree with the pulse.
        </p>
        <h2 className="mb-2 mt-8 border-b-2 border-ink pb-1 text-lg font-bold">Cap</h2>
        {g.cap ? (
          <p>
            <strong className="text-xl">{g.cap} bpm</strong> {g.capSource}. Over it: rest. Switching targets
            off never takes it away.
          </p>
        ) : (
          <p className="text-soft">No cap on the pulse.</p>
        )}
      </section>
      <aside>
        <h2 className="mb-2 border-b-2 border-ink pb-1 text-lg font-bold">A reading</h2>
        <Field label="Pulse, bpm" error={read.error instanceof ApiError ? read.error.message : undefined}>
          {(p) => (
            <input
              {...p}
              inputMode="numeric"
              value={typed}
              onChange={(e) => setTyped(e.target.value.replace(/\D/g, '').slice(0, 3))}
            />
          )}
        </Field>
        {reading && (
          <p aria-live="polite" className="mb-6 text-lg">
            {reading.bpm} bpm is <strong>{reading.ofMaximum} % of maximum</strong> and{' '}
            {reading.ofReserve === undefined || reading.ofReserve === null ? (
              'of reserve unknown: record the resting pulse'
            ) : (
              <strong>{reading.ofReserve} % of reserve</strong>
            )}
            . {reading.overCap && <span className="font-bold text-brick">Over the cap: rest.</span>}
          </p>
        )}
        <h2 className="mb-2 border-b-2 border-ink pb-1 text-lg font-bold">Ways to the maximum</h2>
        <ul>
          {g.maxima.map((m) => (
            <li key={m.name} className="flex justify-between gap-3 border-b border-line py-1.5">
              <span className={m.used ? 'font-semibold' : 'text-soft'}>
                {m.name}
                <span className="block text-[13px] font-normal text-soft">
                  {m.source}
                  {m.used && ' · used'}
                </span>
              </span>
              <span className="font-mono">{m.bpm}</span>
            </li>
          ))}
        </ul>
        <p className="mt-3 text-sm">
          <Link className="text-teal underline" to="../record">
            Resting pulse, a measured maximum and the clinic’s cap
          </Link>{' '}
          are in the record.
        </p>
      </aside>
    </div>
  )
}
