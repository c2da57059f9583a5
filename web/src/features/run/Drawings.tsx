import { useEffect } from 'react'
import type { S } from '../../lib/api'
import { draw } from '../../lib/run'

/** Asks once for every drawing of the run, so that they are here without a network too. Shows nothing. */
export function Drawings({ run }: { run: S['RunView'] }) {
  const of = run.people.length
  useEffect(() => {
    const workers = navigator.serviceWorker as ServiceWorkerContainer | undefined
    const ask = () => void draw(run)
    if (workers?.controller) ask()
    else workers?.addEventListener('controllerchange', ask, { once: true })
    return () => workers?.removeEventListener('controllerchange', ask)
    // somebody who comes may bring others
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [run.id, of])
  return null
}
