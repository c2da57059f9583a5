import { Dialog as RDialog } from 'radix-ui'
import { useId, useRef, useState, type ComponentProps, type ReactNode } from 'react'
import { ApiError, upload, type S } from '../lib/api'

type Attached = S['Attachment']

/** A button; main is the one thing to do next. */
export function Button({
  main,
  quiet,
  className = '',
  ...props
}: ComponentProps<'button'> & { main?: boolean; quiet?: boolean }) {
  return (
    <button
      type="button"
      {...props}
      className={`btn ${main ? 'btn-main' : ''} ${quiet ? 'btn-quiet' : ''} ${className}`}
    />
  )
}

/** A label, its control, and the sentence of what is wrong with it. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  label: string
  hint?: string
  error?: string
  children: (p: { id: string; 'aria-describedby'?: string; 'aria-invalid'?: boolean }) => ReactNode
}) {
  const id = useId()
  const note = id + 'n'
  return (
    <div className="mb-4">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-describedby': hint || error ? note : undefined,
        'aria-invalid': error ? true : undefined,
      })}
      {(error || hint) && (
        <p id={note} className={`mt-1 text-sm ${error ? 'font-semibold text-brick' : 'text-soft'}`}>
          {error ?? hint}
        </p>
      )}
    </div>
  )
}

/** 0 to 10 in one tap or key. */
export function Scale({
  label,
  value,
  onChange,
  low,
  high,
  error,
}: {
  label: string
  value: number | null
  onChange: (n: number) => void
  low?: string
  high?: string
  error?: string
}) {
  const id = useId()
  return (
    <div className="mb-4" role="group" aria-labelledby={id}>
      <p id={id} className="mb-1 font-semibold">
        {label}
        {low && (
          <span className="font-normal text-soft">
            {' '}
            0 {low}, 10 {high}
          </span>
        )}
      </p>
      <div className="grid grid-cols-11 gap-0.5 sm:gap-1">
        {Array.from({ length: 11 }, (_, n) => (
          <button
            key={n}
            type="button"
            aria-label={`${label} ${n}`}
            aria-pressed={value === n}
            onClick={() => onChange(n)}
            className={`min-h-[44px] rounded border font-mono ${value === n ? 'border-ink bg-ink text-white' : 'border-[#9aa5ab] bg-sheet'}`}
          >
            {n}
          </button>
        ))}
      </div>
      {error && <p className="mt-1 text-sm font-semibold text-brick">{error}</p>}
    </div>
  )
}

/** A file to keep with a client; sent at once, so that nothing is lost when the form fails. */
export function FilePick({
  clientId,
  file,
  onFile,
}: {
  clientId: string
  file?: Attached | null
  onFile: (a: Attached | null) => void
}) {
  const [error, setError] = useState<unknown>(null)
  const [busy, setBusy] = useState(false)
  return (
    <Field label="Letter or note" hint="PDF, PNG or JPEG, 10 MB at most">
      {(p) => (
        <>
          {file ? (
            <p className="flex min-h-[42px] items-center gap-3">
              <a className="text-teal underline" href={`/api/attachments/${file.id}`}>
                {file.name}
              </a>
              <Button quiet onClick={() => onFile(null)}>
                Leave it out
              </Button>
            </p>
          ) : (
            <input
              {...p}
              type="file"
              accept=".pdf,.png,.jpg,.jpeg"
              disabled={busy}
              onChange={(e) => {
                const picked = e.target.files?.[0]
                if (!picked) return
                setBusy(true)
                setError(null)
                upload(clientId, picked)
                  .then(onFile, (x: unknown) => setError(x))
                  .finally(() => setBusy(false))
              }}
            />
          )}
          <Failure error={error} />
        </>
      )}
    </Field>
  )
}

/** The sentence of a failed request, with its reasons. */
export function Failure({ error }: { error: unknown }) {
  if (!error) return null
  const problem = error instanceof ApiError ? error.problem : undefined
  return (
    <div role="alert" className="my-3 border-l-4 border-brick bg-sheet px-4 py-3">
      <p className="font-semibold text-brick">{problem?.detail ?? 'Something failed here.'}</p>
      {problem?.reasons?.map((r) => (
        <p key={r} className="mt-1 text-sm">
          {r}
        </p>
      ))}
      {problem?.errors && problem.errors.length > 1 && (
        <ul className="mt-1 list-disc pl-5 text-sm">
          {problem.errors.slice(0, 8).map((e) => (
            <li key={e.pointer}>{e.detail}</li>
          ))}
        </ul>
      )}
      {problem?.theirs !== undefined && <Versions theirs={problem.theirs} yours={problem.yours} />}
    </div>
  )
}

function Versions({ theirs, yours }: { theirs: unknown; yours: unknown }) {
  const a = theirs as Record<string, unknown>
  const b = yours as Record<string, unknown>
  const keys = Object.keys(b ?? {}).filter(
    (k) => a && k in a && JSON.stringify(a[k]) !== JSON.stringify(b[k]),
  )
  if (keys.length === 0) return null
  return (
    <table className="mt-2 w-full text-left text-sm">
      <thead>
        <tr>
          <th className="pr-4">field</th>
          <th className="pr-4">stored now</th>
          <th>yours</th>
        </tr>
      </thead>
      <tbody>
        {keys.map((k) => (
          <tr key={k}>
            <td className="pr-4">{k}</td>
            <td className="pr-4 font-mono">{JSON.stringify(a[k])}</td>
            <td className="font-mono">{JSON.stringify(b[k])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** A dialog; the trigger keeps its own look. The title and the footer stay in view. */
export function Dialog({
  open,
  onOpenChange,
  title,
  children,
  footer,
  wide,
  leaves,
  calm,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  title: ReactNode
  children: ReactNode
  footer?: ReactNode
  wide?: boolean
  /** the page behind goes away with the dialog and looks after the focus itself */
  leaves?: boolean
  /** focus rests on nothing that acts, and a tap beside it does nothing */
  calm?: boolean
}) {
  const heading = useRef<HTMLHeadingElement>(null)
  return (
    <RDialog.Root open={open} onOpenChange={onOpenChange}>
      <RDialog.Portal>
        <RDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <RDialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(e) => {
            if (!calm) return
            e.preventDefault()
            heading.current?.focus()
          }}
          onPointerDownOutside={(e) => calm && e.preventDefault()}
          onCloseAutoFocus={(e) => leaves && e.preventDefault()}
          className={`fixed inset-x-3 top-[4vh] z-50 mx-auto flex max-h-[92vh] flex-col rounded-md border-t-4 border-teal bg-paper text-ink ${wide ? (calm ? 'max-w-4xl' : 'max-w-3xl') : 'max-w-lg'}`}
        >
          <RDialog.Title
            ref={heading}
            tabIndex={calm ? -1 : undefined}
            className="flex flex-wrap items-baseline gap-x-3 px-5 pb-2 pt-4 text-xl font-bold outline-none sm:px-6"
          >
            {title}
          </RDialog.Title>
          <div className={`overflow-auto px-5 sm:px-6 ${footer ? 'pb-3' : 'pb-6'}`}>{children}</div>
          {footer && <div className="border-t border-line px-5 py-3 sm:px-6">{footer}</div>}
        </RDialog.Content>
      </RDialog.Portal>
    </RDialog.Root>
  )
}

/** Shown while nothing is there yet. */
export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="py-8 text-soft">
      Loading {what} …
    </p>
  )
}

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
