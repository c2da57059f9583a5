import type { ReactNode } from 'react'
import { Button } from './Button'

/** How many there are, which page this is, and the way to the others. Nothing to turn where there is one. */
export function Pages(p: {
  label: string
  /** newest first: the others are older, not next */
  newest?: boolean
  /** what is there, in words */
  children: ReactNode
  /** from 0 */
  page: number
  pages: number
  go: (page: number) => void
}) {
  return (
    <nav aria-label={p.label} className="flex min-h-[44px] flex-wrap items-center gap-3 py-1">
      <span role="status" className="text-soft">
        {p.children}
        {p.pages > 1 && `, page ${p.page + 1} of ${p.pages}`}
      </span>
      {p.pages > 1 && (
        <>
          <Button quiet disabled={p.page === 0} onClick={() => p.go(p.page - 1)}>
            {p.newest ? 'Newer' : 'Previous'}
          </Button>
          <Button quiet disabled={p.page + 1 >= p.pages} onClick={() => p.go(p.page + 1)}>
            {p.newest ? 'Older' : 'Next'}
          </Button>
        </>
      )}
    </nav>
  )
}
