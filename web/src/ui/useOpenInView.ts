import { useEffect, useRef } from 'react'

/** On a phone a row of pages scrolls: the one that is open is in view. Give the row the ref. */
export function useOpenInView(...on: unknown[]) {
  const row = useRef<HTMLElement>(null)
  const key = on.join(' ')
  useEffect(() => {
    row.current
      ?.querySelector('[aria-current=page]')
      ?.scrollIntoView?.({ block: 'nearest', inline: 'center' })
  }, [key])
  return row
}
