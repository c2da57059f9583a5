import type { ReactNode } from 'react'
import type { S } from '../../../lib/api'
import type { Moment } from '../../../lib/run/moment'
import { MovingFigure } from '../../../ui/Figure'
import { FarFrame, useFit } from '../Far'
import { phaseWords } from '../words'
import { LANES } from './look'

type Part = Pick<S['ScreenPart'], 'movementId' | 'name' | 'cues'> &
  Partial<Pick<S['ScreenPart'], 'how' | 'modifiers' | 'range'>>

/** What a lane shows now, or next. */
export interface FarLane {
  index: number
  name: string
  part?: Part
}

/** What a group reads from two metres: the countdown, what each lane does, what comes. Nobody is named. */
export function GroupFar({
  timeline,
  moment,
  lanes,
  place,
  corner,
  figure,
  onClock,
}: {
  timeline: S['Timeline']
  moment: Moment
  lanes: FarLane[]
  place: string[]
  corner?: ReactNode
  /** where a movement is drawn, for who is not signed in */
  figure?: (movementId: string) => string
  onClock?: () => void
}) {
  const { segment, shown, clock: c } = moment
  const working = segment.kind === 'WORK'
  const status = c.status === 'RUNNING' && working ? undefined : phaseWords(moment)
  const side = shown && shown.side !== 'BOTH' ? `${shown.side.toLowerCase()} side` : undefined
  const box = useFit(`${working} ${lanes.map((l) => l.part?.name).join(' ')}`)
  return (
    <FarFrame
      timeline={timeline}
      moment={moment}
      status={
        <>
          {side && <p className="text-[clamp(26px,7.2vh,60px)] font-bold leading-none text-sand">{side}</p>}
          {status && <p className="font-bold text-sand">{status}</p>}
        </>
      }
      place={place}
      corner={corner}
      close
      scrolls
      then={null}
      onClock={onClock}
    >
      <main
        ref={box}
        className="group grid min-h-0 gap-x-[2vw] gap-y-4 px-[3vw] pt-[1vh] md:grid-flow-col md:auto-cols-fr md:overflow-hidden"
      >
        {lanes.map((l) => (
          <section key={l.index} aria-label={`Lane ${l.name}`} className="flex min-h-0 min-w-0 flex-col">
            <svg width="100%" height="8" aria-hidden="true" className="shrink-0">
              <path
                d="M0 4H4000"
                stroke={LANES[l.index]?.colour}
                strokeWidth="7"
                strokeDasharray={LANES[l.index]?.dash}
              />
            </svg>
            <p className="text-[clamp(15px,2.4vh,22px)] leading-tight text-[#b8c8cd]">
              {l.name}
              {!working && <strong className="text-sand"> · next</strong>}
            </p>
            <h2
              data-far="name"
              className="text-[clamp(26px,min(7.3vh,4.8vw),66px)] font-bold leading-[1.04] [overflow-wrap:anywhere]"
            >
              {l.part?.name ?? 'with another lane'}
            </h2>
            {l.part && l.part.cues.length > 0 && (
              <p className="text-[clamp(16px,2.9vh,28px)] leading-tight text-sand group-data-[fit='3']:hidden">
                {l.part.cues[0]}
              </p>
            )}
            {l.part?.movementId && (
              <MovingFigure
                key={l.part.movementId}
                movementId={l.part.movementId}
                name={l.part.name}
                moving={working && c.status === 'RUNNING'}
                from={figure?.(l.part.movementId)}
                className="mt-[0.5vh] h-[15vh] shrink-0 self-start group-data-[fit='1']:h-[10vh] group-data-[fit='2']:hidden group-data-[fit='3']:hidden"
              />
            )}
          </section>
        ))}
      </main>
    </FarFrame>
  )
}
