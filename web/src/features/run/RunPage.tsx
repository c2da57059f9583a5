import { useState } from 'react'
import { type S, http, told } from '../../lib/api'
import { entryKey } from '../../lib/clock'
import { doseWords, seconds } from '../../lib/format'
import { HEARD, type Heard } from '../../lib/run/sound'
import { useDeviceState } from '../../lib/tab'
import { useTold } from '../../lib/told'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contour } from '../../ui/Contour'
import { Kept } from './Kept'
import { button, chip, stop, unwell } from './look'
import { ClockBar, Controls, NowAndNext, PainSpeaks, placeWords } from './Near'
import { StopPanel } from './StopPanel'
import { nextWeight, setToldOf, type Arm } from './tell'
import { useExtras, useGroup } from './useExtras'
import { useAwake, useHeard } from './useHeard'
import { useClockKeys, useStopping } from './useClock'
import { useLive } from './useLive'
import { useRunLog } from './useRunLog'
import { countWords, sideWord } from './words'

type View = 'far' | 'near'

export interface RunPageProps {
  runId: string
  /** the number to call, as the studio set it */
  emergency: string
  /** goes to another page */
  go: (to: string) => void
  /** the run has ended and the server knows: what hangs on it can be asked anew */
  onEnd: () => void
}

/** The live session: far for who moves, near for who leads, the stop sign in view in both. */
export function RunPage({ runId, emergency, go, onEnd }: RunPageProps) {
  const log = useRunLog(runId, onEnd)
  const group = useGroup(!!log.run?.group)
  if (log.error) return <Failure error={log.error} />
  if (!log.run) return <Loading what="the run" />
  const person = log.run.people[0]
  if (!person) return <Failure error={new Error('this run is for nobody')} />
  if (log.run.group)
    return group ? (
      <group.GroupRun run={log.run} log={log} emergency={emergency} go={go} onEnd={onEnd} />
    ) : (
      <Loading what="the group" />
    )
  return <Running run={log.run} person={person} log={log} emergency={emergency} go={go} onEnd={onEnd} />
}

function Running({
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
  const live = useLive(run, person, log)
  const { moment, segments, ended } = live
  const { add } = log
  const extras = useExtras()
  const [arm, setArm] = useState<Arm>('LEFT')
  const [listed, setListed] = useState(false)
  const [wanted, setWanted] = useState<{ view: View; index: number }>()
  const [pinned, setPinned] = useDeviceState<View | null>('riposo.view', null)
  const [heard, setHeard] = useDeviceState<Heard>('riposo.heard', HEARD)
  // what to keep in mind beside the timer; the run goes on without it
  const about = useTold(person.clientId, async () => {
    const of = { params: { path: { clientId: person.clientId } } }
    const [standing, client] = await Promise.all([
      told(http.GET('/api/clients/{clientId}/readiness', of)),
      told(http.GET('/api/clients/{id}', { params: { path: { id: person.clientId } } })),
    ])
    return { notes: standing.notes, record: client.record }
  })
  const status = moment?.clock.status
  const index = moment?.index ?? 0
  const running = status === 'RUNNING'
  const shown = moment?.shown
  const part = shown && live.part(shown)
  const working = moment?.segment.kind === 'WORK'
  useHeard(
    heard,
    running,
    segments,
    index,
    Math.ceil(seconds(moment?.leftMs ?? 0)),
    [part?.name ?? part?.title, shown && sideWord(shown.side)].filter(Boolean).join(', '),
    run.beat,
  )
  useAwake(!ended && status !== 'READY')
  // far comes up by itself in work, near in a rest; a tap holds until the next part, a pin until it is let go
  const auto: View = working && running ? 'far' : 'near'
  const view: View = ended ? 'near' : wanted?.index === index ? wanted.view : (pinned ?? auto)
  const turn = () => setWanted({ view: view === 'far' ? 'near' : 'far', index })
  const stopping = useStopping(live)
  const unwellNow = live.told.unwell.get(person.clientId)
  const feel = () => {
    if (running) add({ kind: 'PAUSE' })
    if (!unwellNow)
      add({ kind: 'UNWELL', person: person.clientId, unwell: { symptom: 'WOOZY', how: 'FELT' } })
    setWanted(undefined)
  }
  useClockKeys(live, stopping.show, [
    { press: 'f', words: 'far, near', act: turn },
    { press: 'w', words: 'woozy', act: feel },
  ])
  if (!moment) return <Failure error={new Error('this run has no timeline')} />
  const toldOf = setToldOf(live, arm)
  const known = toldOf && live.told.sets.get(entryKey(toldOf, person.clientId))
  const stopButton = (
    <button type="button" className={stop} onClick={stopping.show}>
      Stop sign <span className="font-mono max-sm:hidden">s</span>
    </button>
  )
  const unwellButton = !ended && (
    <button
      type="button"
      className={unwell}
      onClick={() =>
        unwellNow ? document.getElementById('unwell')?.scrollIntoView({ block: 'center' }) : feel()
      }
    >
      {unwellNow ? 'How is it?' : 'Woozy'}
    </button>
  )
  const panel = (
    <StopPanel
      open={stopping.open}
      signs={person.signs}
      emergency={emergency}
      contact={[about.data?.record.emergencyName, about.data?.record.emergencyPhone]
        .filter(Boolean)
        .join(', ')}
      onClose={stopping.close}
      onStop={(sign) => {
        stopping.recorded()
        add({ kind: 'STOP', sign: sign.id, text: sign.words, person: person.clientId })
      }}
    />
  )
  const keep = (kept: View) => (
    <button
      type="button"
      className={chip(pinned === kept)}
      aria-pressed={pinned === kept}
      aria-label={`keep ${kept}`}
      onClick={() => {
        setWanted(undefined)
        setPinned((was) => (was === kept ? null : kept))
      }}
    >
      keep
    </button>
  )
  const title = <title>{`${run.planName}, ${person.name} · Riposo`}</title>
  if (view === 'far' && !unwellNow && extras) {
    const { Far } = extras
    const doing = shown && live.doing(shown)
    return (
      <>
        {title}
        <extras.PulseFollow live={live} />
        <extras.Drawings run={run} />
        <Far
          timeline={run.timeline}
          moment={moment}
          part={part}
          left={doing?.left}
          then={moment.then && live.part(moment.then)}
          place={placeWords(live)}
          reps={shown && countWords(shown, doing?.option ? part?.dose : undefined)}
          onClock={turn}
          corner={
            <>
              {stopButton}
              {unwellButton}
              <div className="flex gap-2">
                <button type="button" className={button} onClick={live.toggle}>
                  {status === 'READY' ? 'Start' : running ? 'Pause' : 'Go on'}
                </button>
                <button type="button" className={button} onClick={turn}>
                  Near
                </button>
                {keep('far')}
              </div>
              <extras.PulseFar live={live} />
            </>
          }
        />
        {panel}
      </>
    )
  }
  return (
    <div data-part={index} className="flex min-h-screen flex-col bg-night text-[#EAF1F2]">
      {title}
      <header className="sticky top-0 z-10 border-b border-[#35505a] bg-night">
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2 md:px-6">
          {ended ? (
            <strong className="flex-1 text-lg">{run.planName}</strong>
          ) : (
            <ClockBar live={live} onClock={turn} />
          )}
          <div className="ml-auto flex gap-2">
            {unwellButton}
            {stopButton}
          </div>
        </div>
      </header>
      {unwellNow && (
        <div id="unwell">
          {extras ? (
            <extras.Unwell key={unwellNow.length} told={unwellNow} live={live} onStop={stopping.show} />
          ) : (
            <p className="px-4 py-2 font-bold text-sand">{person.name}: woozy. Rest.</p>
          )}
        </div>
      )}
      {!ended && (
        <div className="px-4 py-2 md:px-6">
          <Controls
            live={live}
            more={
              <>
                <button type="button" className={button} onClick={turn}>
                  Far
                </button>
                {keep('near')}
              </>
            }
          />
        </div>
      )}
      <Beside run={run} person={person} about={about.data} />
      <div className="grid flex-1 lg:grid-cols-[1fr_572px]">
        <main className="order-2 px-4 py-3 md:px-6 lg:order-1">
          {ended ? (
            <>
              <h1 className="my-3 text-4xl font-bold">{status === 'STOPPED' ? 'Stopped' : 'Done'}</h1>
              {extras && (
                <extras.Ended
                  run={run}
                  log={log}
                  emergency={emergency}
                  go={go}
                  onEnd={onEnd}
                  stops={moment.clock.stops}
                />
              )}
            </>
          ) : (
            <NowAndNext live={live} known={known} />
          )}
          {!ended && extras && (
            <>
              <extras.PulseFollow live={live} />
              <extras.Drawings run={run} />
              <extras.PulseBox live={live} />
            </>
          )}
          {!ended && (
            <div className="mt-4 flex flex-wrap gap-2">
              {extras && <extras.Sounds heard={heard} beat={run.beat} onChange={setHeard} />}
              {extras && <extras.SecondScreen runId={run.id} />}
            </div>
          )}
          <div className="mt-4">
            <button
              type="button"
              className={button}
              aria-expanded={listed}
              onClick={() => setListed(!listed)}
            >
              Sets of the session, {live.told.sets.size}
            </button>
            {listed && extras && (
              <div className="mt-2">
                <extras.SetList
                  person={person}
                  sets={[...live.told.sets.values()]}
                  events={log.events}
                  add={(e) => add({ kind: 'ENTRY', entry: e, person: person.clientId })}
                />
              </div>
            )}
          </div>
          {!ended && (
            <p className="mt-3 hidden font-mono text-sm text-[#a9bcc2] md:block">
              space pause · ← → back, skip · R +15 s · F far, near · W woozy · S stop sign
            </p>
          )}
        </main>
        <aside className="order-1 bg-panel px-4 py-4 md:px-6 lg:order-2" aria-label="Log">
          {known && <PainSpeaks live={live} known={known} />}
          {extras && (
            <extras.LogPanel
              key={toldOf && entryKey(toldOf)}
              person={person}
              segment={toldOf}
              arm={toldOf?.phrase ? { side: arm, choose: setArm } : undefined}
              known={known?.entry}
              doing={known?.doing ?? (toldOf && live.doing(toldOf))}
              working={working && moment.done === moment.segment}
              {...nextWeight(live, toldOf)}
              add={(e) => add({ kind: 'ENTRY', entry: e, person: person.clientId })}
            />
          )}
          <Kept log={log} />
        </aside>
      </div>
      {!ended && (
        <footer className="mx-auto w-full max-w-[1000px] bg-[#0e1c22] px-4 md:max-w-none md:px-6 [&_svg]:max-h-[130px]">
          <Contour
            adapted={run.timeline}
            slot={moment.segment.slotKey}
            now={seconds(moment.clock.positionMs)}
            night
          />
        </footer>
      )}
      {panel}
    </div>
  )
}

/** Cautions, today's dose, caps and notes: what to keep in mind. */
function Beside({
  run,
  person,
  about,
}: {
  run: S['RunView']
  person: S['RunPersonView']
  about?: { notes: { condition: string; text: string }[] }
}) {
  return (
    <>
      {person.before.cautions.map((words) => (
        <p key={words} className="bg-sand px-4 py-1.5 font-semibold text-night md:px-6">
          Caution: {words}
        </p>
      ))}
      <p className="flex flex-wrap gap-x-6 bg-panel px-4 py-1.5 text-[#d5e0e3] md:px-6">
        <strong>{run.planName}</strong>
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
        {about?.notes.map((n) => (
          <span key={n.condition + n.text}>{n.text}</span>
        ))}
      </p>
    </>
  )
}
