import { useLayoutEffect, useRef, type ReactNode } from 'react'
import type { S } from '../../lib/api'
import { clock, seconds } from '../../lib/format'
import type { Moment } from '../../lib/run/moment'
import { Contour, posture } from '../../ui/Contour'
import { MovingFigure } from '../../ui/Figure'
import { phaseWords } from './words'

type Part = Pick<S['ScreenPart'], 'movementId' | 'modifiers' | 'range' | 'cues'> & {
  /** a run kept of before has its title only */
  name?: string
  how?: string[]
  title?: string
}

/** As large as there is room for; never under a fourteenth of the height. */
const SIZE =
  "text-[clamp(30px,min(10.6vh,11vw),130px)] group-data-[fit='1']:text-[clamp(28px,min(8.4vh,8.8vw),100px)] group-data-[fit='2']:text-[clamp(26px,min(7.3vh,7.4vw),90px)] group-data-[fit='3']:text-[clamp(26px,min(7.3vh,7.4vw),90px)]"
/** The cues go before the words get smaller than that. */
const STEPS = ['0', '1', '2', '3']

/** Words give way until nothing of them is cut: tried on the page itself, largest first. */
export function useFit(words: string) {
  const box = useRef<HTMLElement>(null)
  useLayoutEffect(() => {
    const fit = () => {
      const e = box.current
      STEPS.some((step) => {
        if (e) e.dataset.fit = step
        return ![...(e?.children ?? [])].some((c) => c.scrollHeight > (e?.clientHeight ?? 0) + 1)
      })
    }
    fit()
    window.addEventListener('resize', fit)
    // the letters come after the first drawing
    document.fonts?.ready.then(fit, () => {})
    return () => window.removeEventListener('resize', fit)
  }, [words])
  return box
}

/**
 * What is read from two metres: the countdown, the movement, its side and how, what comes next and in
 * which posture, how far in all. No names of conditions, no limits, no log.
 */
export function Far({
  timeline,
  moment,
  part,
  left,
  then,
  place,
  reps,
  corner,
  figure,
  onClock,
}: {
  timeline: S['Timeline']
  moment: Moment
  /** what goes on, or what comes in a rest */
  part?: Part
  /** it is left today: rest in its place */
  left?: boolean
  /** what comes after */
  then?: Part
  /** "round 1 of 2", "movement 3 of 6" */
  place: string[]
  /** "10 reps" */
  reps?: string
  corner?: ReactNode
  /** where a movement is drawn, for who is not signed in */
  figure?: (movementId: string) => string
  onClock?: () => void
}) {
  const { segment, shown, clock: c } = moment
  const working = segment.kind === 'WORK'
  const name = left ? 'Rest, this one is left today' : (part?.name ?? part?.title ?? 'Done soon')
  const side = shown && shown.side !== 'BOTH' && !left ? `${shown.side.toLowerCase()} side` : undefined
  const how = left ? [] : [side, reps, ...(part?.how ?? [])].filter(Boolean)
  const status = c.status === 'RUNNING' && working ? undefined : phaseWords(moment)
  const box = useFit(`${working} ${name} ${how.join(' ')}`)
  return (
    <FarFrame
      timeline={timeline}
      moment={moment}
      status={status && <p className="font-bold text-sand">{status}</p>}
      place={place}
      corner={corner}
      then={
        then && (
          <>
            , <strong className="text-white">{then.name ?? then.title}</strong>
          </>
        )
      }
      onClock={onClock}
    >
      <main
        ref={box}
        className="group flex min-h-0 items-center justify-between gap-6 overflow-hidden px-[3vw]"
      >
        <div className="min-w-0">
          <h1 className={`font-bold leading-[1.08] ${SIZE}`} data-far="name">
            {!working && <span className="font-normal text-[#a9bcc2]">next: </span>}
            {name}
          </h1>
          {how.length > 0 && (
            <p className={`font-bold leading-[1.12] text-sand ${SIZE}`} data-far="how">
              {how.join(' · ')}
            </p>
          )}
          {!left && part && part.cues.length > 0 && (
            <p className="mt-[1vh] group-data-[fit='3']:hidden text-[clamp(17px,min(4vh,4.4vw),40px)] leading-tight text-[#d5e0e3]">
              {part.cues.slice(0, 2).join(' · ')}
            </p>
          )}
        </div>
        {!left && part?.movementId && (
          <MovingFigure
            key={part.movementId}
            movementId={part.movementId}
            name={name}
            modifiers={part.modifiers}
            range={part.range}
            moving={working && c.status === 'RUNNING'}
            from={figure?.(part.movementId)}
            className="h-[min(26vh,26vw)] max-h-full shrink-0"
          />
        )}
      </main>
    </FarFrame>
  )
}

/** What every far has: the countdown and where one is above, what comes and the contour below. */
export function FarFrame({
  timeline,
  moment,
  status,
  place,
  corner,
  close = false,
  scrolls = false,
  then,
  onClock,
  children,
}: {
  timeline: S['Timeline']
  moment: Moment
  /** said before the place, large */
  status: ReactNode
  place: string[]
  corner?: ReactNode
  /** the countdown takes no more height than its figures */
  close?: boolean
  /** on a narrow screen it is longer than the screen */
  scrolls?: boolean
  /** what is done after that, in words */
  then: ReactNode
  onClock?: () => void
  children: ReactNode
}) {
  const { segment, shown, clock: c } = moment
  return (
    <div
      data-part={moment.index}
      className={`grid grid-rows-[auto_minmax(0,1fr)_auto] bg-night text-white ${scrolls ? 'min-h-[100dvh] md:h-[100dvh] md:overflow-hidden' : 'h-[100dvh] overflow-hidden'}`}
    >
      <div className="flex items-start justify-between gap-x-4 px-[3vw] pt-[2vh] portrait:flex-col-reverse">
        <Time close={close} text={clock(Math.ceil(seconds(moment.leftMs)))} onClock={onClock} />
        <div className="flex shrink-0 flex-col items-end gap-[1.2vh] text-right portrait:w-full">
          <div className="flex flex-col items-end gap-2 portrait:w-full portrait:flex-row-reverse portrait:flex-wrap">
            {corner}
          </div>
          <div className="text-[clamp(16px,3.1vh,28px)] leading-snug text-[#a9bcc2] portrait:flex portrait:w-full portrait:flex-wrap portrait:justify-between portrait:gap-x-4">
            {status}
            {place.map((p) => (
              <p key={p}>{p}</p>
            ))}
          </div>
        </div>
      </div>
      {children}
      <footer className="border-t border-[#35505a] px-[3vw] pb-[1vh] pt-[1vh]">
        <p className="text-[clamp(17px,min(4.4vh,5.4vw),38px)] leading-tight text-[#a9bcc2]">
          {moment.then ? (
            <>
              then {moment.restBefore > 0 && <strong className="text-white">rest {moment.restBefore}</strong>}
              {moment.restBefore > 0 && ', '}
              {moment.then.height === (shown ?? segment).height ? 'stay' : 'go'} {posture(moment.then.height)}
              {then}
              {moment.then.side !== 'BOTH' && `, ${moment.then.side.toLowerCase()}`}
            </>
          ) : (
            'then done'
          )}
        </p>
        <div className={`mx-auto mt-[0.5vh] ${close ? '[&_svg]:max-h-[9vh]' : '[&_svg]:max-h-[15vh]'}`}>
          <Contour adapted={timeline} slot={segment.slotKey} now={seconds(c.positionMs)} night low wide />
        </div>
      </footer>
    </div>
  )
}

/** The countdown; its colon is set close, so that the figures have the width. */
function Time({
  text,
  close = false,
  onClock,
}: {
  text: string
  /** the line is no higher than its figures */
  close?: boolean
  onClock?: () => void
}) {
  const [minutes, rest] = text.split(':')
  const wide = text.length > '0:00'.length // ten minutes and more
  const words = (
    <>
      {minutes}
      {wide ? (
        // from ten minutes on the seconds stand back, so that the minutes keep their size
        <span className="text-[0.5em]">:{rest}</span>
      ) : (
        <>
          <span className="-mx-[0.16em]">:</span>
          {rest}
        </>
      )}
    </>
  )
  const look = `font-mono tracking-tight text-[min(52vh,36vw)] portrait:text-[min(34vh,40vw)] ${close ? 'leading-[0.74]' : 'leading-[0.86]'}`
  return (
    <div role="timer" aria-label="time left in this part" className={look}>
      {onClock ? (
        <button
          type="button"
          className={close ? 'leading-[0.74]' : 'leading-[0.86]'}
          aria-label={`${text} left, show near`}
          onClick={onClock}
        >
          {words}
        </button>
      ) : (
        words
      )}
    </div>
  )
}
