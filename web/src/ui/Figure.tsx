/** The movement drawn: first position on the left, last on the right; a cut range is shown cut. */
export function Figure({
  movementId,
  name,
  modifiers = [],
  range = 100,
  phase = 'BOTH',
  height = 64,
  night = false,
}: {
  movementId: string
  name: string
  modifiers?: string[]
  range?: number
  phase?: 'BOTH' | 'START' | 'END'
  height?: number
  night?: boolean
}) {
  const query = new URLSearchParams({ phase })
  if (range < 100) query.set('range', String(range))
  if (modifiers.length > 0) query.set('modifiers', modifiers.join(','))
  if (night) query.set('ground', 'NIGHT')
  const width = Math.round((height * (phase === 'BOTH' ? 420 : 210)) / 225)
  return (
    <img
      src={`/api/movements/${movementId}/figure.svg?${query}`}
      alt={`${name}, drawn${range < 100 ? `, ${range} % of the range` : ''}`}
      width={width}
      height={height}
      loading="lazy"
      style={{ width, height }}
      className="shrink-0"
    />
  )
}
