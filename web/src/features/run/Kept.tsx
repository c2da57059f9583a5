import { Failure } from '../../ui/Failure'
import type { useRunLog } from './useRunLog'

/** Whether what was logged is kept, where, and what was not taken. */
export function Kept({
  log,
  quiet = false,
}: {
  log: ReturnType<typeof useRunLog>
  /** nothing is said while all is well */
  quiet?: boolean
}) {
  const well = !log.offline && log.waiting === 0 && !log.unkept
  return (
    <>
      <p role="status" className={quiet ? 'text-sm text-sand' : 'mt-4 text-sm text-[#a9bcc2]'}>
        {log.offline
          ? log.unkept
            ? `No connection, and this device keeps nothing: leave this page open, ${log.waiting} wait here.`
            : `No connection: ${log.waiting} kept on this device, sent when it is back.`
          : log.waiting > 0
            ? `${log.waiting} being sent`
            : quiet && well
              ? ''
              : 'Everything is kept.'}
      </p>
      {log.unkept && !log.offline && (
        <p role="alert" className="mt-2 border-l-4 border-sand pl-3 text-sm">
          This device is full or keeps nothing: what you log goes straight to the server. Without a connection
          leave this page open.
        </p>
      )}
      {log.refused.length > 0 && (
        <div role="alert" className="mt-2 border-l-4 border-sand pl-3 text-sm">
          <p className="font-bold">{log.refused.length} not taken by the server, kept here:</p>
          <ul>
            {log.refused.map((r) => (
              <li key={r.event.id}>
                {r.event.kind?.toLowerCase()}: {r.why}
              </li>
            ))}
          </ul>
        </div>
      )}
      <Failure error={log.trouble} />
    </>
  )
}
