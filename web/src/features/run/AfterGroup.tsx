import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { ApiError, type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Choice, Scale } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { FEEL, wordsOf, type Words } from './after'
import { keepWords, useKeep } from './AfterPage'

const NOTHING: Words = { effort: null, feel: null, symptom: null, note: '' }
const whole = (w: Words) => w.effort !== null && w.feel !== null && w.symptom !== null

/** Why somebody did not finish; undefined where they did. */
function unfinished(run: S['RunView'], clientId: string): string | undefined {
  const stops = run.stops.filter((s) => s.person === clientId || s.person === undefined)
  const away = run.state.away.find((a) => a.person === clientId)
  const words = [
    ...stops.map((s) => `stopped: ${s.words}${s.withdrawn ? ' (withdrawn as tapped in error)' : ''}`),
    ...(away ? [`left: ${away.words}`] : []),
  ]
  return words.length > 0 ? words.join('; ') : undefined
}

/** Everybody of a group in one page, three taps each, kept together. */
export function AfterGroup({ run }: { run: S['RunView'] }) {
  const [said, setSaid] = useState<Record<string, Words>>({})
  const [failed, setFailed] = useState<Record<string, unknown>>({})
  const [busy, setBusy] = useState(false)
  const keep = useKeep(run.id)
  const links = useQuery(q.runs.checkInLinks(run.id))
  const open = run.people.filter((p) => p.effortAfter === undefined)
  const ready = open.filter((p) => whole(said[p.clientId] ?? NOTHING))
  const begun = open.filter((p) => said[p.clientId] && !whole(said[p.clientId] ?? NOTHING))
  const all = async () => {
    setBusy(true)
    const not: Record<string, unknown> = {}
    for (const p of ready) {
      try {
        await keepWords(run.id, p.clientId, said[p.clientId] ?? NOTHING)
      } catch (e) {
        not[p.clientId] = e
      }
    }
    setFailed(not)
    setBusy(false)
    keep()
  }
  return (
    <>
      <ul>
        {run.people.map((p) => {
          const w = said[p.clientId] ?? NOTHING
          const say = (some: Partial<Words>) =>
            setSaid((was) => ({ ...was, [p.clientId]: { ...(was[p.clientId] ?? NOTHING), ...some } }))
          const error = failed[p.clientId]
          const why = unfinished(run, p.clientId)
          const sets = run.state.entries.filter((e) => e.person === p.clientId).length
          const advice = run.after.find((a) => a.symptom === w.symptom)?.advice
          return (
            <li key={p.clientId} data-after={p.called} className="border-t border-line py-2">
              <div className="grid items-start gap-x-5 gap-y-1 lg:grid-cols-[160px_410px_170px_minmax(0,1fr)] [&_.mb-4]:mb-0">
                <div>
                  <h2 className="font-bold">{p.name}</h2>
                  <p className="text-sm text-soft">{sets === 1 ? '1 set' : `${sets} sets`} logged</p>
                  {why && <p className="text-sm font-semibold text-brick">did not finish, {why}</p>}
                </div>
                {p.effortAfter !== undefined ? (
                  <p className="lg:col-span-3">
                    <strong>Kept.</strong> {wordsOf(run, p)}
                    {p.note && `. “${p.note}”`}{' '}
                    {links.data
                      ?.filter((l) => l.clientId === p.clientId)
                      .map((l) => (
                        <span key={l.checkInId} className="text-soft">
                          Check-in planned for {l.second ? 'the third day' : 'tomorrow'}:{' '}
                          <Link className="text-teal underline" to={`/ask/${l.checkInId}`}>
                            link and code
                          </Link>
                          .{' '}
                        </span>
                      ))}
                    <Link className="text-teal underline" to={`/clients/${p.clientId}/tolerance`}>
                      verdicts
                    </Link>
                  </p>
                ) : (
                  <>
                    <Scale
                      label={<span className="text-sm font-normal text-soft">effort of the session</span>}
                      name={`${p.called} effort`}
                      value={w.effort}
                      onChange={(effort) => say({ effort })}
                      error={error instanceof ApiError ? error.field('/effort') : undefined}
                    />
                    <Choice
                      label={<span className="text-sm font-normal text-soft">felt</span>}
                      options={FEEL}
                      value={w.feel}
                      onChange={(feel) => say({ feel })}
                    />
                    <div className="lg:row-span-2">
                      <Choice
                        label={<span className="text-sm font-normal text-soft">symptom now</span>}
                        options={run.after.map((a) => [a.symptom, a.words] as const)}
                        value={w.symptom}
                        onChange={(symptom) => say({ symptom })}
                      />
                      {advice && (
                        <p
                          role="alert"
                          className="mt-1 border-l-4 border-ochre pl-3 text-sm font-semibold text-ochre-deep"
                        >
                          {advice}
                        </p>
                      )}
                    </div>
                    <input
                      aria-label={`note on ${p.called}`}
                      placeholder="note"
                      className="lg:col-span-2 lg:col-start-2"
                      maxLength={400}
                      value={w.note}
                      onChange={(e) => say({ note: e.target.value })}
                    />
                    {error !== undefined && (
                      <div className="lg:col-span-4">
                        <Failure error={error} />
                      </div>
                    )}
                  </>
                )}
              </div>
            </li>
          )
        })}
      </ul>
      <div className="sticky bottom-0 flex flex-wrap items-center gap-3 border-t border-line bg-paper py-3">
        {open.length > 0 ? (
          <>
            <Button main disabled={busy || ready.length === 0} onClick={() => void all()}>
              {ready.length === open.length && open.length > 1
                ? `Keep all ${open.length}, and send the check-ins`
                : `Keep ${ready.length} of ${open.length}, and send the check-ins`}
            </Button>
            {begun.length > 0 && (
              <p className="text-soft">
                still wanted:{' '}
                {begun.map((p) => `${p.called} (${missing(said[p.clientId] ?? NOTHING)})`).join(', ')}
              </p>
            )}
          </>
        ) : (
          <Link className="btn btn-main" to="/">
            Day sheet
          </Link>
        )}
      </div>
    </>
  )
}

const missing = (w: Words) =>
  [w.effort === null && 'effort', w.feel === null && 'felt', w.symptom === null && 'symptom']
    .filter(Boolean)
    .join(', ')
