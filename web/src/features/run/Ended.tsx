import type { S } from '../../lib/api'
import { clock } from '../../lib/format'
import { Stopped } from './Stopped'
import type { useRunLog } from './useRunLog'

/** What the run came to, and the way to the words after. */
export function Ended({
  run,
  log,
  emergency,
  go,
  onEnd,
  stops,
}: {
  run: S['RunView']
  log: ReturnType<typeof useRunLog>
  emergency: string
  go: (to: string) => void
  onEnd: () => void
  stops: { text?: string }[]
}) {
  const stopped = stops.length > 0
  return (
    <div className="pb-6">
      {stopped ? (
        run.stops.length > 0 ? (
          <Stopped run={run} emergency={emergency} onChange={() => log.refresh().then(onEnd)} />
        ) : (
          <p className="mb-5 text-xl">
            {stops[0]?.text}. Make safe, follow your local protocol and first-aid training; emergency number{' '}
            <strong className="font-mono">{emergency}</strong>. What follows is said once this has been sent.
          </p>
        )
      ) : (
        <p className="mb-5 text-xl">
          {run.leftOpen
            ? 'Left open: nothing was heard of it for 12 hours, so it was ended as of the last entry. What still arrives is kept.'
            : `${clock(run.timeline.total)} on the timeline. Now how it felt, while it is fresh.`}
        </p>
      )}
      <button
        type="button"
        className="min-h-[60px] rounded-md bg-sand px-8 text-xl font-bold text-night disabled:opacity-60"
        disabled={log.waiting > 0}
        onClick={() => go(`/after/${run.id}`)}
      >
        {log.waiting > 0 ? 'Sending …' : 'Words after'}
      </button>
    </div>
  )
}
