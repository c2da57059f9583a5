import { useEffect, useState } from 'react'

/** A value once it has stayed the same for so long: what is typed is looked for when typing pauses. */
export function useRested<T>(value: T, ms: number): T {
  const [rested, setRested] = useState(value)
  useEffect(() => {
    const t = setTimeout(() => setRested(value), ms)
    return () => clearTimeout(t)
  }, [value, ms])
  return rested
}
