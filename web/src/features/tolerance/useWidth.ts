import { useLayoutEffect, useRef, useState } from 'react'

/** The width of an element in whole px, kept as the window changes; 0 until it is known. */
export function useWidth<T extends HTMLElement>() {
  const ref = useRef<T>(null)
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const el = ref.current
    if (!el) return
    const read = () => setWidth(Math.floor(el.clientWidth))
    read()
    const watch = new ResizeObserver(read)
    watch.observe(el)
    return () => watch.disconnect()
  }, [])
  return [ref, width] as const
}
