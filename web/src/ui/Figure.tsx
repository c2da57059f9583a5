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

/**
 * The movement going from its first position to its last and back; still where motion is not wanted, and
 * while nothing is done.
 */
export function MovingFigure({
  movementId,
  name,
  modifiers = [],
  range = 100,
  moving,
  from = `/api/movements/${movementId}/figure.svg`,
  className = '',
}: {
  movementId: string
  name: string
  modifiers?: string[]
  range?: number
  moving: boolean
  /** where it is drawn, for who is not signed in */
  from?: string
  className?: string
}) {
  const src = (phase: 'START' | 'END') => {
    const query = new URLSearchParams({ phase })
    if (range < 100) query.set('range', String(range))
    if (modifiers.length > 0) query.set('modifiers', modifiers.join(','))
    query.set('ground', 'NIGHT')
    return `${from}?${query}`
  }
  const hide = (e: { currentTarget: HTMLImageElement }) => {
    // without a connection there may be no drawing: the words say it
    e.currentTarget.style.visibility = 'hidden'
  }
  return (
    <div className={`relative aspect-[210/225] ${className}`} data-moving={moving}>
      <img
        src={src('START')}
        alt={`${name}, drawn`}
        className="figure-from absolute inset-0 size-full"
        onError={hide}
      />
      <img src={src('END')} alt="" className="figure-to absolute inset-0 size-full" onError={hide} />
    </div>
  )
}
