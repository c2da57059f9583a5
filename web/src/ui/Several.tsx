import { ToggleGroup } from 'radix-ui'
import { useId, type ReactNode } from 'react'

const LOOKS = {
  form: 'min-h-[44px] rounded border border-[#9aa5ab] bg-sheet px-2.5 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-white',
  big: 'min-h-[54px] rounded-md border-2 border-line bg-sheet px-2 text-lg font-semibold data-[state=on]:border-teal data-[state=on]:bg-teal data-[state=on]:text-white',
} as const

/** Any of several, or the one that says none of them. Nothing chosen yet is `undefined`, none is `[]`. */
export function Several<V extends string>({
  label,
  options,
  none,
  value,
  onChange,
  look = 'form',
  layout = 'flex flex-wrap gap-1',
}: {
  label: ReactNode
  options: readonly (readonly [V, ReactNode])[]
  /** the words of the answer that says none of them; left out where none need not be said */
  none?: ReactNode
  value: readonly V[] | undefined
  onChange: (v: V[]) => void
  look?: keyof typeof LOOKS
  layout?: string
}) {
  const id = useId()
  return (
    <div className="mb-4">
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby={id}
        className={layout}
        value={value === undefined ? [] : none && value.length === 0 ? [NONE] : [...value]}
        onValueChange={(now) =>
          onChange(
            now.includes(NONE) && (value === undefined || value.length > 0)
              ? []
              : now.filter((v): v is V => v !== NONE),
          )
        }
      >
        {none && (
          <ToggleGroup.Item value={NONE} className={LOOKS[look]}>
            {none}
          </ToggleGroup.Item>
        )}
        {options.map(([v, words]) => (
          <ToggleGroup.Item key={v} value={v} className={LOOKS[look]}>
            {words}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  )
}

const NONE = 'none of them'
