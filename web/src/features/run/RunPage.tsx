import { useEffect, useRef, useState } from 'react'
import { useKeys, typing } from '../../lib/keys'
import { type S, http, told } from '../../lib/api'
import { entries, entryKey, foldClock, msLeft, segmentAt } from '../../lib/clock'
import { clock, doseWords, seconds } from '../../lib/format'
import { useTabState } from '../../lib/tab'
import { useTold } from '../../lib/told'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contour, posture } from '../../ui/Contour'
import { LogPanel } from './LogPanel'
import { Stopped } from './Stopped'
import { StopPanel } from './StopPanel'
import { useRunLog } from './useRunLog'

/** A tap on back soon after a part began means the part before. */
const SOON = 3
const COUNT = 3

const kindWords = {
  WORK: 'work',
  REST: 'rest',
  SIDE_CHANGE: 'change sides',
  POSTURE_CHANGE: 'change posture',
  SET_UP: 'set up the kit',
  TALK: 'explain',
}
const restWords = { STILL: 'rest', WALKING: 'rest, walking', STRETCH: 'rest in a stretch' }

/** A weight found in a set, for the sets after it. */
interface Found {
  grams: number
  after: number
}

/** Each side finds its own: the other may have a lower cap. */
const handOf = (s: S['Segment']) => `${s.slotKey} ${s.side}`

const nextOf = (f: Found | undefined, round: number) => (f && round > f.after ? f.grams : undefined)

const takenAt = (f: Found | undefined, round: number) => (f && round === f.after ? f.grams : undefined)

/** A rest is a stretch only where one was found for it. */
const restOf = (s: S['Segment'], stretch: string | undefined) =>
  s.restStyle === 'STRETCH' && !stretch ? 'STILL' : (s.restStyle ?? 'STILL')

export interface RunPageProps {
  runId: string
  /** the number to call, as the studio set it */
  emergency: string
  /** goes to another page */
  go: (to: string) => void
  /** the run has ended and the server knows: what hangs on it can be asked anew */
  onEnd: () => void
}

/** The live session: wall-clock timer, what now, what next, one-tap log, stop panel. */
export function RunPage({ runId, emergency, go, onEnd }: RunPageProps) {
  const log = useRunLog(runId, onEnd)
  if (log.error) return <Failure error={log.error} />
  if (!log.run) return <Loading what="the run" />
  const person = log.run.people[0]
  if (!person) return <Failure error={new Error('this run is for nobody')} />
  return <Live run={log.run} person={person} log={log} emergency={emergency} go={go} onEnd={onEnd} />
}

function Live({
  run,
  person,
  log,
  emergency,
  go,
  onEnd,
}: {
  run: S['RunView']
  person: S['RunPersonView']
  log: ReturnType<typeof useRunLog>
  emergency: string
  go: (to: string) => void
  onEnd: () => void
}) {
  const [now, setNow] = useState(() => log.now())
  const [stopping, setStopping] = useState(false)
  const [ending, setEnding] = useState(false)
  const [sound, setSound] = useState(true)
  const [arm, setArm] = useState<'LEFT' | 'RIGHT'>('LEFT')
  const [found, setFound] = useTabState<Record<string, Found | undefined>>(`riposo.found.${run.id}`, {})
  // what to keep in mind beside the timer; the run goes on without it
  const about = useTold(person.clientId, async () => {
    const of = { params: { path: { clientId: person.clientId } } }
    const [standing, pulse, client] = await Promise.all([
      told(http.GET('/api/clients/{clientId}/readiness', of)),
      told(http.GET('/api/clients/{clientId}/pulse', of)).catch(() => undefined),
      told(http.GET('/api/clients/{id}', { params: { path: { id: person.clientId } } })),
    ])
    return { notes: standing.notes, cap: pulse?.guide.cap, record: client.record }
  })
  const { add, events, now: clockNow } = log
  const { timeline } = run
  const segments = timeline.segments
  const people = run.people.map((p) => p.clientId)
  const c = foldClock(segments, people, events, now)
  const index = segmentAt(segments, c.positionMs)
  const segment = segments[index]
  const leftMs = segment ? msLeft(segment, c) : 0
  const over = seconds(c.positionMs) >= timeline.total
  useEffect(() => {
    const t = setInterval(() => setNow(clockNow()), 200)
    return () => clearInterval(t)
  }, [clockNow])
  const finished = useRef(false)
  useEffect(() => {
    if (over && c.status === 'RUNNING' && !finished.current) {
      finished.current = true
      add({ kind: 'FINISH' })
    }
  }, [over, c.status, add])
  useBeeps(sound && c.status === 'RUNNING', index, Math.ceil(seconds(leftMs)))
  const toggle = () => {
    if (c.status === 'READY') add({ kind: 'START' })
    else if (c.status === 'RUNNING') add({ kind: 'PAUSE' })
    else if (c.status === 'PAUSED') add({ kind: 'RESUME' })
  }
  const back = () =>
    segment &&
    add({
      kind: 'GOTO',
      segment: seconds(c.positionMs) - segment.start > SOON ? index : Math.max(0, index - 1),
    })
  const skip = () =>
    index + 1 < segments.length ? add({ kind: 'GOTO', segment: index + 1 }) : add({ kind: 'FINISH' })
  const rest = () => add({ kind: 'EXTEND', seconds: 15 })
  const ended = c.status === 'STOPPED' || c.status === 'FINISHED'
  // the panel pauses the clock; closed without a sign it leaves it as it was
  const paused = useRef(false)
  const openPanel = () => {
    paused.current = c.status === 'RUNNING'
    if (paused.current) add({ kind: 'PAUSE' })
    setStopping(true)
  }
  const closePanel = () => {
    setStopping(false)
    if (paused.current) add({ kind: 'RESUME' })
    paused.current = false
  }
  useKeys([
    // a sign can be seen after the end as well
    { press: '[Shift]+s', shown: 's', words: 'stop sign', act: openPanel },
    ...(ended
      ? []
      : [
          // space is the pause, even when a chip was tapped last; Enter presses the chip
          { press: 'Space', shown: 'space', words: 'start, pause, go on', act: toggle },
          { press: 'ArrowLeft', shown: '←', words: 'back', act: back },
          { press: 'ArrowRight', shown: '→', words: 'skip', act: skip },
          { press: '[Shift]+r', shown: 'r', words: '15 s more rest', act: rest },
        ]),
  ])
  useEffect(() => {
    const up = (e: KeyboardEvent) => {
      if (e.key === ' ' && !typing(e) && !document.querySelector('[role=dialog]')) e.preventDefault()
    }
    window.addEventListener('keyup', up)
    return () => window.removeEventListener('keyup', up)
  }, [])
  if (!segment) return <Failure error={new Error('this run has no timeline')} />
  const slotOf = (key: string) => person.slots.find((s) => s.key === key)
  const partOf = (s: S['Segment']) => {
    const slot = slotOf(s.slotKey)
    return slot?.parts.find((p) => p.side === s.side) ?? slot?.parts[0]
  }
  const nextWork = segments.slice(index + 1).find((s) => s.kind === 'WORK')
  const shown = segment.kind === 'WORK' ? segment : nextWork
  const then =
    segment.kind === 'WORK' || !nextWork
      ? nextWork
      : segments.slice(segments.indexOf(nextWork) + 1).find((s) => s.kind === 'WORK')
  const part = shown && partOf(shown)
  // a run kept on the device since before it was told says nothing of it
  const shownFor = (shown && slotOf(shown.slotKey)?.tasks) ?? []
  // In rest the set just done is asked; in work the one running.
  const asked =
    segment.kind === 'WORK' ? segment : [...segments.slice(0, index)].reverse().find((s) => s.kind === 'WORK')
  const loggable = asked?.block === 'WORK' ? asked : undefined
  // a phrase names its sides part by part, and is told of each arm as a whole
  const sides = new Set(
    segments
      .filter((g) => g.kind === 'WORK' && g.slotKey === loggable?.slotKey && g.round === loggable.round)
      .map((g) => g.side),
  )
  const phrase = sides.has('BOTH') && sides.has('LEFT') && sides.has('RIGHT')
  const toldOf = loggable && phrase ? { ...loggable, side: arm } : loggable
  const slots = person.slots.filter((s) => s.block === segment.block)
  const round = segment.round > 0 ? `round ${segment.round} · ` : ''
  const button =
    'min-h-[52px] rounded-md border border-[#41606b] px-5 text-lg font-semibold disabled:opacity-50'
  return (
    <div className="flex min-h-screen flex-col bg-night text-[#EAF1F2]">
      <title>{`${run.planName}, ${person.name} · Riposo`}</title>
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-3 md:px-6">
        <strong className="text-lg">{run.planName}</strong>
        <span className="text-[#a9bcc2]">
          {round}
          {segment.block === 'WORK' ? 'movement' : segment.block === 'WARM_UP' ? 'warm-up' : 'cool-down'}{' '}
          {Math.max(1, slots.findIndex((s) => s.key === segment.slotKey) + 1)} of {slots.length}
        </span>
        <span className="ml-auto font-mono text-lg">
          {clock(seconds(c.positionMs))} gone · {clock(timeline.total - seconds(c.positionMs))} left
        </span>
        <button
          type="button"
          className="min-h-[48px] rounded-md bg-[#f4ece4] px-5 text-lg font-bold text-brick"
          onClick={openPanel}
        >
          Stop sign <span className="font-mono">s</span>
        </button>
      </header>
      {person.before.cautions.map((words) => (
        <p key={words} className="bg-sand px-4 py-1.5 font-semibold text-night md:px-6">
          Caution: {words}
        </p>
      ))}
      <p className="flex flex-wrap gap-x-6 bg-panel px-4 py-1.5 text-[#d5e0e3] md:px-6">
        {person.before.dose && person.before.dose !== 'AS_PLANNED' && (
          <span>
            <strong>{doseWords[person.before.dose]}</strong> {person.before.reasons.join(' ')}
          </span>
        )}
        {run.beat && (
          <span>
            beat <strong className="font-mono">{run.beat}</strong> a minute, locked
          </span>
        )}
        {person.effortCap !== undefined && person.effortCap !== null && (
          <span>
            effort <strong>{person.effortCap}</strong> at most
          </span>
        )}
        {about.data?.cap && (
          <span>
            pulse cap <strong className="font-mono">{about.data.cap} bpm</strong>, over it rest
          </span>
        )}
        {about.data?.notes.map((n) => (
          <span key={n.condition + n.text}>{n.text}</span>
        ))}
      </p>
      <div className="grid flex-1 lg:grid-cols-[1fr_440px]">
        <main className="px-4 py-3 md:px-6">
          {ended ? (
            <div className="py-8">
              <h1 className="mb-3 text-4xl font-bold">{c.status === 'STOPPED' ? 'Stopped' : 'Done'}</h1>
              {c.status === 'STOPPED' ? (
                run.stops.length > 0 ? (
                  <Stopped run={run} emergency={emergency} onChange={() => log.refresh().then(onEnd)} />
                ) : (
                  <p className="mb-5 text-xl">
                    {c.stops[0]?.text}. Make safe, follow your local protocol and first-aid training;
                    emergency number <strong className="font-mono">{emergency}</strong>. What follows is said
                    once this has been sent.
                  </p>
                )
              ) : (
                <p className="mb-5 text-xl">
                  {run.leftOpen
                    ? 'Left open: nothing was heard of it for 12 hours, so it was ended as of the last entry. What still arrives is kept.'
                    : `${clock(timeline.total)} on the timeline. Now how it felt, while it is fresh.`}
                </p>
              )}
              <button
                type="button"
                className="min-h-[60px] rounded-md bg-sand px-8 text-xl font-bold text-night disabled:opacity-60"
                disabled={log.waiting > 0}
                onClick={() => go(`/after/${run.id}`)}
              >
                {log.waiting > 0 ? 'Sending …' : 'Words after'}
              </button>
            </div>
          ) : (
            <>
              <div className="flex flex-wrap items-end gap-x-8 gap-y-1">
                <p
                  className="font-mono text-[clamp(84px,13vw,164px)] leading-none tracking-tight"
                  role="timer"
                  aria-label="time left in this part"
                >
                  {clock(Math.ceil(seconds(leftMs)))}
                </p>
                <div className="pb-3 text-2xl text-[#b8c8cd]">
                  <p>
                    {c.status === 'READY'
                      ? 'ready'
                      : c.status === 'PAUSED'
                        ? 'paused'
                        : segment.kind === 'REST'
                          ? restWords[restOf(segment, slotOf(segment.slotKey)?.stretch)]
                          : kindWords[segment.kind]}
                  </p>
                  {segment.kind === 'WORK' && segment.side !== 'BOTH' && (
                    <p className="text-3xl font-bold text-white">{segment.side.toLowerCase()} side</p>
                  )}
                  {segment.kind === 'WORK' && (
                    <p>
                      {segment.reps !== undefined
                        ? `${segment.reps} ${segment.reps === 1 ? 'rep' : 'reps'}`
                        : segment.holdSeconds !== undefined
                          ? `holds of ${segment.holdSeconds} s`
                          : ''}
                    </p>
                  )}
                </div>
              </div>
              <h1 className="mt-3 text-[clamp(26px,4vw,46px)] font-bold leading-tight">
                {segment.kind !== 'WORK' && <span className="font-normal text-[#a9bcc2]">next: </span>}
                {part?.title ?? 'Done soon'}
              </h1>
              {shown?.stage !== undefined && slotOf(shown.slotKey)?.stages[shown.stage] && (
                <p className="mt-1 font-mono text-[clamp(20px,2.6vw,32px)] font-bold">
                  {slotOf(shown.slotKey)?.stages[shown.stage]}
                </p>
              )}
              <p className="mt-1 text-[clamp(18px,2.2vw,26px)] text-sand">
                {part?.cues.slice(0, 2).join(' · ')}
              </p>
              {part?.breathe && <p className="mt-1 text-xl">Breathe out on the effort, never hold.</p>}
              {part && <p className="mt-1 font-mono text-xl text-[#b8c8cd]">{part.doseText}</p>}
              {shown && slotOf(shown.slotKey)?.band && (
                <p className="mt-1 text-lg text-[#b8c8cd]">{slotOf(shown.slotKey)?.band}</p>
              )}
              {segment.kind === 'REST' && slotOf(segment.slotKey)?.stretch && (
                <p className="mt-1 text-[clamp(18px,2.2vw,26px)] font-bold text-white">
                  <span className="font-normal text-[#a9bcc2]">in this rest: </span>
                  {slotOf(segment.slotKey)?.stretch}
                </p>
              )}
              {shown && slotOf(shown.slotKey)?.upper && (
                <p className="mt-1 text-lg text-[#b8c8cd]">
                  above it, for who can: <strong>{slotOf(shown.slotKey)?.upper}</strong>
                </p>
              )}
              {shownFor.length > 0 && (
                <p className="mt-1 text-lg text-[#b8c8cd]">for {shownFor.join(', ')}</p>
              )}
              <p className="mt-5 border-t border-[#35505a] pt-3 text-xl">
                {then ? (
                  <>
                    then <strong>{partOf(then)?.title}</strong>
                    {then.side !== 'BOTH' && `, ${then.side.toLowerCase()}`},{' '}
                    {then.height === segment.height ? 'stay ' : ''}
                    {posture(then.height)}
                  </>
                ) : (
                  'then done'
                )}
              </p>
              <div className="mt-5 flex flex-wrap gap-2">
                <button type="button" className={`${button} border-sand bg-sand text-night`} onClick={toggle}>
                  {c.status === 'READY' ? 'Start' : c.status === 'PAUSED' ? 'Go on' : 'Pause'}
                </button>
                <button type="button" className={button} onClick={back} disabled={c.status === 'READY'}>
                  Back
                </button>
                <button type="button" className={button} onClick={skip} disabled={c.status === 'READY'}>
                  Skip
                </button>
                <button type="button" className={button} onClick={rest} disabled={c.status === 'READY'}>
                  +15 s
                </button>
                <button
                  type="button"
                  className={`${button} border-transparent`}
                  aria-pressed={sound}
                  onClick={() => setSound(!sound)}
                >
                  sound {sound ? 'on' : 'off'}
                </button>
                {ending ? (
                  <>
                    <button type="button" className={button} onClick={() => add({ kind: 'FINISH' })}>
                      End it now
                    </button>
                    <button
                      type="button"
                      className={`${button} border-transparent`}
                      onClick={() => setEnding(false)}
                    >
                      No, go on
                    </button>
                  </>
                ) : (
                  <button
                    type="button"
                    className={`${button} border-transparent`}
                    onClick={() => setEnding(true)}
                  >
                    End early
                  </button>
                )}
              </div>
              <p className="mt-3 hidden font-mono text-sm text-[#a9bcc2] md:block">
                space pause · ← → back, skip · R +15 s · S stop sign
              </p>
            </>
          )}
        </main>
        <aside className="bg-panel px-4 py-4 md:px-6" aria-label="Log">
          <LogPanel
            person={person}
            segment={toldOf}
            arm={phrase ? { side: arm, choose: setArm } : undefined}
            known={toldOf && entries(events, people).get(entryKey(toldOf, person.clientId))}
            next={toldOf && nextOf(found[handOf(toldOf)], toldOf.round)}
            taken={toldOf && takenAt(found[handOf(toldOf)], toldOf.round)}
            onNext={(grams) =>
              toldOf &&
              setFound((f) => ({
                ...f,
                [handOf(toldOf)]: grams === undefined ? undefined : { grams, after: toldOf.round },
              }))
            }
            add={(e) => add({ kind: 'ENTRY', entry: e, person: person.clientId })}
          />
          <p role="status" className="mt-4 text-sm text-[#a9bcc2]">
            {log.offline
              ? log.unkept
                ? `No connection, and this device keeps nothing: leave this page open, ${log.waiting} wait here.`
                : `No connection: ${log.waiting} kept on this device, sent when it is back.`
              : log.waiting > 0
                ? `${log.waiting} being sent`
                : 'Everything is kept.'}
          </p>
          {log.unkept && !log.offline && (
            <p role="alert" className="mt-2 border-l-4 border-sand pl-3 text-sm">
              This device is full or keeps nothing: what you log goes straight to the server. Without a
              connection leave this page open.
            </p>
          )}
          {log.refused.length > 0 && (
            <div role="alert" className="mt-2 border-l-4 border-sand pl-3 text-sm">
              <p className="font-bold">{log.refused.length} not taken by the server, kept here:</p>
              <ul>
                {log.refused.map((r) => (
                  <li key={r.event.id}>
                    {r.event.kind?.toLowerCase()}: {r.why}
                  </li>
                ))}
              </ul>
            </div>
          )}
          <Failure error={log.trouble} />
        </aside>
      </div>
      <footer className="mx-auto w-full max-w-[1000px] bg-[#0e1c22] px-4 md:max-w-none md:px-6 [&_svg]:max-h-[150px]">
        <Contour adapted={timeline} slot={segment.slotKey} now={seconds(c.positionMs)} night />
      </footer>
      <StopPanel
        open={stopping}
        signs={person.signs}
        emergency={emergency}
        contact={[about.data?.record.emergencyName, about.data?.record.emergencyPhone]
          .filter(Boolean)
          .join(', ')}
        onClose={closePanel}
        onStop={(sign) => {
          setStopping(false)
          paused.current = false
          add({ kind: 'STOP', sign: sign.id, text: sign.words, person: person.clientId })
        }}
      />
    </div>
  )
}

/** Local sounds: a low tone at each change, short ones at 3, 2, 1. */
function useBeeps(on: boolean, index: number, left: number) {
  const last = useRef({ index, left })
  useEffect(() => {
    const before = last.current
    last.current = { index, left }
    if (!on) return
    if (before.index !== index) beep(520, 0.35)
    else if (before.left !== left && left <= COUNT && left > 0) beep(880, 0.1)
  }, [on, index, left])
}

let audio: AudioContext | undefined
function beep(pitch: number, seconds: number) {
  try {
    audio ??= new AudioContext()
    const tone = audio.createOscillator()
    const loud = audio.createGain()
    tone.frequency.value = pitch
    loud.gain.value = 0.12
    tone.connect(loud).connect(audio.destination)
    tone.start()
    tone.stop(audio.currentTime + seconds)
  } catch {
    // no sound on this device: the screen says it all
  }
}
