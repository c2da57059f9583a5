const WHOLE = 100

/** Where a movement is drawn; the same address for the same drawing, so that it is kept once. */
export function figureOf(
  movementId: string,
  {
    modifiers = [],
    range = WHOLE,
    phase,
    night = false,
    from = `/api/movements/${movementId}/figure.svg`,
  }: {
    modifiers?: string[]
    range?: number
    phase: 'BOTH' | 'START' | 'END'
    night?: boolean
    /** another place, for who is not signed in */
    from?: string
  },
): string {
  const query = new URLSearchParams({ phase })
  if (range < WHOLE) query.set('range', String(range))
  if (modifiers.length > 0) query.set('modifiers', modifiers.join(','))
  if (night) query.set('ground', 'NIGHT')
  return `${from}?${query}`
}
