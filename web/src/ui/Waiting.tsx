import { type Query, useIsFetching, useMutationState } from '@tanstack/react-query'
import { useEffect, useState } from 'react'

/** What takes longer than this says so. */
export const QUICK_MS = 400

/** What is shown answers the question before, until the new answer comes. */
const turning = (query: Query) => query.observers.some((o) => o.getCurrentResult().isPlaceholderData)

/**
 * What is being done, where it takes longer than a moment: what is saved, in its own words (meta.says) or
 * plainly, and what is loaded while the page still shows what came before.
 */
export function Waiting() {
  const pending = useMutationState({
    filters: { status: 'pending' },
    select: (m) => (typeof m.meta?.says === 'string' ? m.meta.says : 'Saving …'),
  })
  const loading = useIsFetching({ predicate: turning }) > 0
  const busy = pending.length > 0 || loading
  const [long, setLong] = useState(false)
  useEffect(() => {
    if (!busy) return
    const after = setTimeout(() => setLong(true), QUICK_MS)
    return () => {
      clearTimeout(after)
      setLong(false)
    }
  }, [busy])
  return (
    <p role="status" aria-label="What is being done" className="no-print fixed bottom-3 left-3 z-50">
      {busy && long && (
        <span className="block border-l-4 border-teal bg-ink px-3 py-2 text-white">
          {[...new Set([...pending, ...(loading ? ['Loading …'] : [])])].join(' ')}
        </span>
      )}
    </p>
  )
}
