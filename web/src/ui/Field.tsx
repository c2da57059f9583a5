import { useEffect, useId, useRef, useState, type ReactNode } from 'react'

/** What a control inside a field is told about it. */
export interface FieldProps {
  id: string
  'aria-describedby'?: string
  'aria-invalid'?: boolean
}

/** A label, its control, and the sentence of what is wrong with it, which goes once it is corrected. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  label: string
  hint?: string
  error?: string
  children: (p: FieldProps) => ReactNode
}) {
  const id = useId()
  const note = id + 'n'
  const [corrected, setCorrected] = useState<string>()
  if (!error && corrected) setCorrected(undefined)
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    // sent again and refused again, it is said again
    const form = box.current?.closest('form')
    const again = () => setCorrected(undefined)
    form?.addEventListener('submit', again)
    return () => form?.removeEventListener('submit', again)
  }, [])
  const wrong = error === corrected ? undefined : error
  // as the input goes up, never as it goes down: a render in between would take the key back
  return (
    <div ref={box} className="mb-4" onInput={() => setCorrected(error)}>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-describedby': hint || wrong ? note : undefined,
        'aria-invalid': wrong ? true : undefined,
      })}
      {(wrong || hint) && (
        <p id={note} className={`mt-1 text-sm ${wrong ? 'font-semibold text-brick' : 'text-soft'}`}>
          {wrong ?? hint}
        </p>
      )}
    </div>
  )
}
