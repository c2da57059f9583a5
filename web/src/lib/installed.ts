import { useEffect, useState } from 'react'

/**
 * A newer version of the application that waits on this device; undefined where none does. It is taken only
 * when somebody takes it, never while a session goes on.
 */
export function useNewer(): (() => void) | undefined {
  const [waiting, setWaiting] = useState<ServiceWorker>()
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return
    let over = false
    const look = (r: ServiceWorkerRegistration | undefined) => {
      if (over || !r) return
      if (r.waiting && r.active) setWaiting(r.waiting)
      r.addEventListener('updatefound', () => {
        const next = r.installing
        next?.addEventListener('statechange', () => {
          if (!over && next.state === 'installed' && r.active) setWaiting(next)
        })
      })
    }
    navigator.serviceWorker.getRegistration().then(look, () => {})
    return () => {
      over = true
    }
  }, [])
  return (
    waiting &&
    (() => {
      navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true })
      waiting.postMessage({ type: 'SKIP_WAITING' })
    })
  )
}
