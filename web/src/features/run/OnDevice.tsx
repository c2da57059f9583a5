import { useEffect, useState } from 'react'
import { day } from '../../lib/format'
import { onDevice, type OnDevice as Run } from '../../lib/run'
import { Loading } from '../../ui/Loading'

const STATUS: Record<Run['status'], string> = {
  READY: 'ready to start',
  RUNNING: 'running',
  PAUSED: 'paused',
  STOPPED: 'stopped',
  FINISHED: 'done',
}

/** What works without a network: the sessions that were started while there was one. */
export function OnDevice() {
  const [runs, setRuns] = useState<Run[]>()
  useEffect(() => {
    onDevice().then(setRuns, () => setRuns([]))
  }, [])
  if (!runs) return <Loading what="what is on this device" />
  return (
    <main className="mx-auto max-w-2xl px-4 py-6">
      <h1 className="text-[26px] font-bold">No connection</h1>
      <p className="mb-4 text-soft">
        Sessions that were started on this device open here, run, and keep what is logged; it is sent when the
        connection is back. Starting another one needs the server: today’s check and the limits are asked
        there.
      </p>
      {runs.length === 0 ? (
        <p className="border-y border-line py-4">Nothing was started on this device.</p>
      ) : (
        <ul className="border-t-2 border-ink">
          {runs.map((r) => (
            <li key={r.id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-2">
              <span className="flex-1">
                <strong>{r.name}</strong>{' '}
                <span className="text-soft">
                  {r.planName}, {day(r.date)} · {STATUS[r.status]}
                  {r.waiting > 0 && ` · ${r.waiting} not sent yet`}
                </span>
              </span>
              <a className="btn" href={`/run/${r.id}`}>
                Open
              </a>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="btn mt-4" onClick={() => location.reload()}>
        Look for the connection again
      </button>
    </main>
  )
}
