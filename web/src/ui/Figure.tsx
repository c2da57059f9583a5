import { figureOf } from '../lib/figure'

/** Without a connection there may be no drawing: the words say it. */
const hide = (e: { currentTarget: HTMLImageElement }) => {
  e.currentTarget.style.visibility = 'hidden'
}

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
  const width = Math.round((height * (phase === 'BOTH' ? 420 : 210)) / 225)
  return (
    <img
      src={figureOf(movementId, { modifiers, range, phase, night })}
      alt={`${name}, drawn${range < 100 ? `, ${range} % of the range` : ''}`}
      width={width}
      height={height}
      loading="lazy"
      style={{ width, height }}
      className="shrink-0"
      onError={hide}
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
  from,
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
  const src = (phase: 'START' | 'END') => figureOf(movementId, { modifiers, range, phase, night: true, from })
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
