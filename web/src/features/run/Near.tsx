import { useState, type ReactNode } from 'react'
import type { Known } from '../../lib/clock'
import { clock, seconds } from '../../lib/format'
import { halted, overLine } from '../../lib/run/otherwise'
import { placeOf, roundsOf } from '../../lib/run/moment'
import { posture } from '../../ui/Contour'
import { Figure } from '../../ui/Figure'
import { button } from './look'
import { Otherwise } from './Otherwise'
import type { Live } from './useLive'
import { blockWord, countWords, phaseWords, sideWord } from './words'

/** Where in the session: "round 1 of 2", "movement 3 of 6". */
export function placeWords(live: Live): string[] {
  const { moment, segments, person } = live
  if (!moment) return []
  const { segment } = moment
  const { at, of } = placeOf(person.slots, segment)
  const rounds = roundsOf(segments, segment)
  return [
    ...(segment.round > 0 && rounds > 1 ? [`round ${segment.round} of ${rounds}`] : []),
    `${blockWord(segment)} ${at} of ${of}`,
  ]
}

/** The clock as the professional reads it: what is left, lived, skipped. A tap shows far. */
export function ClockBar({ live, onClock }: { live: Live; onClock: () => void }) {
  const { moment, run } = live
  if (!moment) return null
  const { clock: c, segment, leftMs } = moment
  const skipped = seconds(c.skippedMs)
  const working = segment.kind === 'WORK' && c.status === 'RUNNING'
  return (
    <>
      <div role="timer" aria-label="time left in this part">
        <button
          type="button"
          className="font-mono text-[clamp(40px,9vw,76px)] leading-none tracking-tight"
          aria-label={`${clock(Math.ceil(seconds(leftMs)))} left, show far`}
          onClick={onClock}
        >
          {clock(Math.ceil(seconds(leftMs)))}
        </button>
      </div>
      <div className="min-w-0 leading-snug max-sm:order-3 max-sm:basis-full sm:flex-1">
        <p className="text-lg">
          <strong className={working ? undefined : 'text-sand'}>
            {working ? 'work' : phaseWords(moment, live.slot(segment.slotKey)?.stretch)}
          </strong>
          {segment.kind === 'WORK' && sideWord(segment.side) && (
            <>
              {' '}
              · <strong>{sideWord(segment.side)}</strong>
            </>
          )}{' '}
          <span className="text-[#a9bcc2]">· {placeWords(live).join(' · ')}</span>
        </p>
        <p className="font-mono text-[#a9bcc2]">
          {clock(seconds(c.livedMs))} gone{skipped >= 1 && ` · ${clock(skipped)} skipped`} ·{' '}
          {clock(run.timeline.total - seconds(c.positionMs))} left
        </p>
      </div>
    </>
  )
}

/** What is done now or comes next, how, and how it can be done otherwise. */
export function NowAndNext({ live, known }: { live: Live; known?: Known }) {
  const { moment } = live
  if (!moment) return null
  const { segment, shown, then } = moment
  const working = segment.kind === 'WORK'
  const part = shown && live.part(shown)
  const slot = shown && live.slot(shown.slotKey)
  const doing = shown && live.doing(shown)
  const stretch = segment.kind === 'REST' ? live.slot(segment.slotKey)?.stretch : undefined
  const line = live.person.painLine
  // a band beside a weight goes with the weight and form it was put by
  const off =
    !!slot?.parts.some((p) => p.dose.beside) && !!doing && (!!doing.option || doing.grams !== undefined)
  const same = known && shown && known.entry.slotKey === shown.slotKey
  // a run kept on the device since before it was told says nothing of it
  const tasks = slot?.tasks ?? []
  return (
    <div className="flex gap-4">
      <div className="min-w-0 flex-1">
        <h1 className="text-[clamp(22px,2.6vw,32px)] font-bold leading-tight">
          {!working && <span className="font-normal text-[#a9bcc2]">next: </span>}
          {doing?.left ? `Rest (${part?.title} is left today)` : (part?.title ?? 'Done soon')}
        </h1>
        {!doing?.left && part && (
          <>
            <p className="text-lg text-sand">
              {[
                shown && sideWord(shown.side),
                shown && countWords(shown, doing?.option ? part.dose : undefined),
                ...part.cues.slice(0, 2),
              ]
                .filter(Boolean)
                .join(' · ')}
            </p>
            {shown?.stage !== undefined && slot?.stages[shown.stage] && (
              <p className="font-mono font-bold">{slot.stages[shown.stage]}</p>
            )}
            {part.breathe && <p>Breathe out on the effort, never hold.</p>}
            <p className="font-mono text-[#b8c8cd]">{part.doseText}</p>
          </>
        )}
        {slot?.proposed && <p className="text-sand">to decide: {slot.proposed}</p>}
        {slot?.band && (
          <p className="text-[#b8c8cd]">
            {off ? 'without the band: it is for the weight and movement as planned' : slot.band}
          </p>
        )}
        {stretch && (
          <p>
            <span className="text-[#a9bcc2]">in this rest: </span>
            <strong>{stretch}</strong>
          </p>
        )}
        {slot?.upper && (
          <p className="text-[#b8c8cd]">
            above it, for who can: <strong>{slot.upper}</strong>
          </p>
        )}
        {tasks.length > 0 && <p className="text-[#b8c8cd]">for {tasks.join(', ')}</p>}
        {shown && (
          <Otherwise
            key={shown.slotKey}
            live={live}
            set={shown}
            halted={!!same && halted(known.entry, line)}
            first={undefined}
          />
        )}
        <p className="mt-3 border-t border-[#35505a] pt-2 text-lg">
          {then ? (
            <>
              then{moment.restBefore > 0 && ` rest ${moment.restBefore},`}{' '}
              <strong>{live.doing(then).left ? 'rest' : live.part(then)?.title}</strong>
              {then.side !== 'BOTH' && `, ${then.side.toLowerCase()}`},{' '}
              {then.height === (shown ?? segment).height ? 'stay ' : ''}
              {posture(then.height)}
            </>
          ) : (
            'then done'
          )}
        </p>
      </div>
      {part?.movementId && !doing?.left && (
        <div className="max-sm:hidden">
          <Figure
            movementId={part.movementId}
            name={part.title}
            modifiers={part.modifiers}
            range={part.range}
            height={96}
            night
          />
        </div>
      )}
    </div>
  )
}

/** Pain over the line speaks at once: the easier one, the second time it is left. */
export function PainSpeaks({ live, known }: { live: Live; known: Known }) {
  const { person, told } = live
  const { entry } = known
  const line = person.painLine
  if (!overLine(entry, line)) return null
  const slotKey = entry.slotKey ?? ''
  const next = live.segments.find((s) => s.kind === 'WORK' && s.slotKey === slotKey && s.round > entry.round)
  const words = `Pain ${Math.max(entry.pain ?? 0, entry.painAfter ?? 0)} is over ${person.name}’s line of ${line}.`
  const times = told.times(person.clientId, slotKey)
  return (
    <div role="alert" className="mb-3 border-l-4 border-sand pl-3">
      {times > 1 || !next ? (
        <p className="font-bold text-sand">
          {words}{' '}
          {times > 1 ? 'The second time: the movement is left for today.' : 'It does not come again today.'}
        </p>
      ) : (
        <Otherwise
          live={live}
          set={{ slotKey, round: next.round, side: next.side }}
          halted
          first={
            live.doing({ slotKey, round: next.round, side: next.side }).option ? words : `${words} Ease it?`
          }
        />
      )}
    </div>
  )
}

/** Start, pause, back, skip, more rest, the end. */
export function Controls({ live, more }: { live: Live; more?: ReactNode }) {
  const [ending, setEnding] = useState(false)
  const status = live.moment?.clock.status
  const ready = status === 'READY'
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className={`${button} min-w-[96px] border-sand bg-sand text-night`}
        onClick={live.toggle}
      >
        {ready ? 'Start' : status === 'PAUSED' ? 'Go on' : 'Pause'}
      </button>
      <button type="button" className={button} onClick={live.back} disabled={ready}>
        Back
      </button>
      <button type="button" className={button} onClick={live.skip} disabled={ready}>
        Skip
      </button>
      <button type="button" className={button} onClick={live.rest} disabled={ready}>
        +15 s
      </button>
      {more}
      {ending ? (
        <>
          <button type="button" className={button} onClick={() => live.finish()}>
            End it now
          </button>
          <button type="button" className={`${button} border-transparent`} onClick={() => setEnding(false)}>
            No, go on
          </button>
        </>
      ) : (
        <button type="button" className={`${button} border-transparent`} onClick={() => setEnding(true)}>
          End early
        </button>
      )}
    </div>
  )
}
