import { useId, useState, type Ref } from 'react'
import type { S } from '../../lib/api'
import { findMovements } from '../../lib/find'

const SHOWN = 8

/** Find a movement as you type: Enter takes the marked one, arrows move the mark. */
export function MovementFind({
  label,
  movements,
  onPick,
  inputRef,
  onFocus,
}: {
  label: string
  movements: S['MovementView'][]
  onPick: (m: S['MovementView']) => void
  inputRef?: Ref<HTMLInputElement>
  onFocus?: () => void
}) {
  const [text, setText] = useState('')
  const [mark, setMark] = useState(0)
  const id = useId()
  const hits = findMovements(movements, text)
  const shown = hits.slice(0, SHOWN)
  const pick = (m: S['MovementView']) => {
    onPick(m)
    setText('')
    setMark(0)
  }
  return (
    <div className="relative">
      <input
        ref={inputRef}
        role="combobox"
        aria-label={label}
        aria-expanded={shown.length > 0}
        aria-controls={shown.length > 0 ? id : undefined}
        aria-activedescendant={shown[mark] ? `${id}-${mark}` : undefined}
        placeholder="add: name, purpose or demand, “push no kneeling”"
        value={text}
        onFocus={onFocus}
        onChange={(e) => {
          setText(e.target.value)
          setMark(0)
        }}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault()
            setMark(
              Math.min(Math.max(0, shown.length - 1), Math.max(0, mark + (e.key === 'ArrowDown' ? 1 : -1))),
            )
          } else if (e.key === 'Enter') {
            e.preventDefault()
            const m = shown[mark]
            if (m) pick(m)
          } else if (e.key === 'Escape') {
            // first it empties the field, then it leaves it, so that keys mean the page again
            if (text === '') e.currentTarget.blur()
            setText('')
          }
        }}
      />
      {text.trim() !== '' && (
        <ul
          id={id}
          role={shown.length > 0 ? 'listbox' : undefined}
          aria-label={label}
          className="absolute inset-x-0 z-20 border border-ink bg-sheet shadow-md"
        >
          {shown.map((m, i) => (
            <li
              key={m.id}
              id={`${id}-${i}`}
              role="option"
              aria-selected={i === mark}
              className={`flex min-h-[40px] cursor-pointer items-center justify-between gap-3 px-3 ${i === mark ? 'bg-teal-tint' : ''}`}
              onPointerDown={(e) => {
                e.preventDefault()
                pick(m)
              }}
            >
              <span>{m.name}</span>
              <span className="text-right text-sm text-soft">
                {m.purpose} · {m.position.replaceAll('-', ' ')}
              </span>
            </li>
          ))}
          {hits.length > SHOWN && (
            <li role="presentation" className="px-3 py-1 text-sm text-soft">
              {hits.length - SHOWN} more: type on
            </li>
          )}
          {hits.length === 0 && (
            <li className="px-3 py-2 text-sm text-soft">No movement answers “{text}”.</li>
          )}
        </ul>
      )}
    </div>
  )
}
