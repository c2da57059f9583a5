import type { ReactNode } from 'react'

const OUTCOME: Record<string, string> = {
  READY: 'border-moss text-moss',
  GO: 'border-moss text-moss',
  READY_WITH_LIMITS: 'border-teal text-teal',
  CAUTION: 'border-ochre text-ochre-deep',
  NOT_KNOWN: 'border-dashed border-soft text-soft',
  STILL_OPEN: 'border-dashed border-soft text-soft',
  ASK_FIRST: 'border-ochre text-ochre-deep',
  NOT_SCREENED: 'border-soft text-soft',
  NOT_TODAY: 'border-brick text-brick',
  CLEARANCE_ONLY: 'border-brick text-brick',
  URGENT: 'border-brick bg-brick text-white',
}

/** Where a sentence comes from: a published source, or a house rule whose words are one step away. */
export function RuleLink({ source, rule }: { source: string; rule: string }) {
  return (
    <span className="text-[13px] text-soft">
      {source} ·{' '}
      <a
        className="underline decoration-dotted underline-offset-2"
        href={`/rules?q=${encodeURIComponent(rule)}`}
        target="_blank"
        rel="noreferrer"
      >
        {rule}
      </a>
    </span>
  )
}

/** An outcome as a word with a rule beside it. */
export function OutcomeMark({ outcome, children }: { outcome: string; children: ReactNode }) {
  return (
    <span className={`inline-block border-l-4 px-2 font-bold ${OUTCOME[outcome] ?? ''}`}>{children}</span>
  )
}
