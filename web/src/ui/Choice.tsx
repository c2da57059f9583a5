import { ToggleGroup } from 'radix-ui'
import { useId, type ReactNode } from 'react'

/** How a choice looks: in a form, on the dark screen of a run, on a client's phone. */
const LOOKS = {
  form: 'min-h-[44px] rounded border border-[#9aa5ab] bg-sheet px-2 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-white',
  night:
    'min-h-[46px] min-w-[44px] rounded border border-[#41606b] px-2.5 text-base data-[state=on]:border-sand data-[state=on]:bg-sand data-[state=on]:font-bold data-[state=on]:text-night',
  big: 'min-h-[54px] rounded-md border-2 border-line bg-sheet px-1 text-lg font-semibold data-[state=on]:border-teal data-[state=on]:bg-teal data-[state=on]:text-white',
} as const
export type Look = keyof typeof LOOKS

/**
 * One of several, as one stop of the tab key: arrows move, Enter or a tap chooses. Moving never chooses,
 * because a tap may already be a record. `value` is what is chosen, or nothing yet.
 */
export function Choice<V extends string>({
  label,
  name,
  options,
  value,
  onChange,
  look = 'form',
  layout = 'flex flex-wrap gap-1',
  error,
}: {
  /** what is asked; read out with the group */
  label: ReactNode
  /** put before each answer when it is read out alone: "effort 4" */
  name?: string
  options: readonly (readonly [V, ReactNode])[]
  value: V | null | undefined
  onChange: (v: V) => void
  look?: Look
  layout?: string
  error?: string
}) {
  const id = useId()
  return (
    <div className="mb-4">
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <ToggleGroup.Root
        type="single"
        aria-labelledby={id}
        aria-describedby={error ? id + 'e' : undefined}
        className={layout}
        value={value ?? ''}
        onValueChange={(v) => onChange((v || value) as V)}
      >
        {options.map(([v, words]) => (
          <ToggleGroup.Item
            key={v}
            value={v}
            aria-label={name ? `${name} ${v}` : undefined}
            className={LOOKS[look]}
            onClick={(e) => {
              // tapped in a run: the keys go on meaning the clock, not the scale
              if (look === 'night' && e.detail > 0) e.currentTarget.blur()
            }}
          >
            {words}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {error && (
        <p id={id + 'e'} className="mt-1 text-sm font-semibold text-brick">
          {error}
        </p>
      )}
    </div>
  )
}

const TEN = Array.from({ length: 11 }, (_, n) => [String(n), String(n)] as const)

/** 0 to 10 in one tap or key: the one scale for effort, pain, sleep and energy. */
export function Scale({
  label,
  name,
  value,
  onChange,
  low,
  high,
  look = 'form',
  error,
}: {
  label: ReactNode
  name: string
  value: number | null | undefined
  onChange: (n: number) => void
  low?: string
  high?: string
  look?: Look
  error?: string
}) {
  return (
    <Choice
      label={
        <>
          {label}
          {low && (
            <span className="font-normal text-soft">
              {' '}
              0 {low}, 10 {high}
            </span>
          )}
        </>
      }
      name={name}
      options={TEN}
      value={value === null || value === undefined ? value : (String(value) as `${number}`)}
      onChange={(v) => onChange(Number(v))}
      look={look}
      layout={`grid gap-1 font-mono ${look === 'form' ? 'grid-cols-6 sm:grid-cols-11' : 'max-w-[420px] grid-cols-6 md:max-w-none md:grid-cols-11'}`}
      error={error}
    />
  )
}
