import { useState } from 'react'
import { Button } from '../../ui/Button'

/** The sessions that were started and not ended, taken onto this device for times without a network. */
export function Ready({ runs }: { runs: string[] }) {
  const [said, setSaid] = useState<string>()
  const [busy, setBusy] = useState(false)
  if (runs.length === 0) return null
  const take = async () => {
    setBusy(true)
    const ready = await import('../../lib/run').then((run) => run.makeReady(runs)).catch(() => [])
    setBusy(false)
    setSaid(
      ready.length === runs.length
        ? `${ready.length === 1 ? 'It opens' : `All ${ready.length} open`} here without a network from now on.`
        : `${ready.length} of ${runs.length} could be kept: this device is full, or the connection is not there.`,
    )
  }
  return (
    <div className="mt-4 border-t border-line pt-2 text-sm">
      <Button disabled={busy} onClick={() => void take()}>
        Keep {runs.length === 1 ? 'the open session' : `the ${runs.length} open sessions`} on this device
      </Button>
      <p className="mt-1 text-soft" role="status">
        {said ??
          'For a hall without a network: start today’s sessions here first, then keep them. What was started runs and logs without one; starting needs the server.'}
      </p>
    </div>
  )
}
