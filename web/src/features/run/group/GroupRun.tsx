import { useState } from 'react'
import { http, told as ask, type S } from '../../../lib/api'
import { clock, seconds } from '../../../lib/format'
import { HEARD, type Heard } from '../../../lib/run/sound'
import { useDeviceState } from '../../../lib/tab'
import { useTold } from '../../../lib/told'
import { Failure } from '../../../ui/Failure'
import { Drawings } from '../Drawings'
import { Ended } from '../Ended'
import { Kept } from '../Kept'
import { button, stop } from '../look'
import { Controls, placeWords } from '../Near'
import { PulseFollow } from '../Pulse'
import { SecondScreen } from '../SecondScreen'
import { Sounds } from '../Sounds'
import { StopPanel } from '../StopPanel'
import type { Arm } from '../tell'
import { Unwell } from '../Unwell'
import { useAwake, useHeard } from '../useHeard'
import { useClockKeys, useStopping } from '../useClock'
import { useLive } from '../useLive'
import type { useRunLog } from '../useRunLog'
import { phaseWords, sideWord } from '../words'
import { GroupFar } from './GroupFar'
import { Lane, People } from './Lane'
import { LaneLines } from './LaneLines'
import { LEAVING, leftWords, rowOf } from './rows'
import { Strip } from './Strip'
import { StopWho } from './StopWho'

/** The hour of a group: one clock, lanes side by side, a name opens the one strip. */
export function GroupRun({
  run,
  log,
  emergency,
  go,
  onEnd,
}: {
  run: S['RunView']
  log: ReturnType<typeof useRunLog>
  emergency: string
  go: (to: string) => void
  onEnd: () => void
}) {
  const [chosen, setChosen] = useState<string>()
  const [arm, setArm] = useState<Arm>('LEFT')
  const [whose, setWhose] = useState<string>()
  const [far, setFar] = useState(false)
  const [tools, setTools] = useState(false)
  const [heard, setHeard] = useDeviceState<Heard>('riposo.heard', HEARD)
  const first = run.people.find((p) => p.clientId === chosen) ?? run.people[0]
  // a group has somebody
  const live = useLive(run, first ?? ({} as S['RunPersonView']), log)
  const { moment, segments, ended, told } = live
  const { add } = log
  const status = moment?.clock.status
  const running = status === 'RUNNING'
  const index = moment?.index ?? 0
  const shown = moment?.shown
  const lanes = (run.group?.lanes ?? []).map((l, i) => ({
    index: i,
    name: l.name,
    shown: shown && l.shown.find((s) => s.slotKey === shown.slotKey),
  }))
  useHeard(
    heard,
    running,
    segments,
    index,
    Math.ceil(seconds(moment?.leftMs ?? 0)),
    [shown && sideWord(shown.side), ...new Set(lanes.flatMap((l) => (l.shown ? [l.shown.name] : [])))]
      .filter(Boolean)
      .join(', '),
    run.beat,
  )
  useAwake(!ended && status !== 'READY')
  const stopping = useStopping(live)
  const openPanel = (who?: string) => {
    setWhose(who ?? chosen)
    stopping.show()
  }
  const step = (by: number) => {
    const at = run.people.findIndex((p) => p.clientId === chosen)
    const next = run.people[(at + by + run.people.length) % run.people.length]
    setChosen(next?.clientId)
  }
  useClockKeys(live, () => openPanel(), [
    { press: 'ArrowDown', shown: '↓', words: 'next person', act: () => step(1) },
    { press: 'ArrowUp', shown: '↑', words: 'person before', act: () => step(-1) },
    { press: 'f', words: 'far, near', act: () => setFar(!far) },
    { press: 'Escape', words: 'close the strip', act: () => setChosen(undefined) },
  ])
  const about = useTold(whose ?? '', async () =>
    whose ? ask(http.GET('/api/clients/{id}', { params: { path: { id: whose } } })) : undefined,
  )
  if (!moment || !first) return <Failure error={new Error('this run has no timeline, or nobody in it')} />
  const stopOf = run.people.find((p) => p.clientId === whose)
  const panel = (
    <StopPanel
      open={stopping.open}
      signs={(stopOf ?? first).signs}
      emergency={emergency}
      contact={[about.data?.record.emergencyName, about.data?.record.emergencyPhone]
        .filter(Boolean)
        .join(', ')}
      who={<StopWho run={run} moment={moment} value={whose} onChange={setWhose} />}
      ready={stopOf !== undefined}
      confirm={stopOf ? `Stop ${stopOf.called} and record` : 'Say who first'}
      onClose={stopping.close}
      onStop={(sign) => {
        stopping.recorded()
        add({ kind: 'STOP', sign: sign.id, text: sign.words, person: stopOf?.clientId })
        setChosen(undefined)
      }}
    />
  )
  const stopButton = (
    <button type="button" className={stop} onClick={() => openPanel()}>
      Stop sign <span className="font-mono max-sm:hidden">s</span>
    </button>
  )
  const title = <title>{`${run.group?.name ?? run.planName} · Riposo`}</title>
  const follow = (
    <>
      {run.people.map((p) => (
        <PulseFollow key={p.clientId} live={live.of(p)} />
      ))}
      <Drawings run={run} />
    </>
  )
  if (far && !ended)
    return (
      <>
        {title}
        {follow}
        <GroupFar
          timeline={run.timeline}
          moment={moment}
          lanes={lanes.filter((l) => l.shown).map((l) => ({ index: l.index, name: l.name, part: l.shown }))}
          place={placeWords(live)}
          onClock={() => setFar(false)}
          corner={
            <>
              {stopButton}
              <div className="flex gap-2">
                <button type="button" className={button} onClick={live.toggle}>
                  {status === 'READY' ? 'Start' : running ? 'Pause' : 'Go on'}
                </button>
                <button type="button" className={button} onClick={() => setFar(false)}>
                  Near
                </button>
              </div>
            </>
          }
        />
        {panel}
      </>
    )
  const rows = run.people.map((p) => rowOf(live.of(p), arm))
  const working = moment.segment.kind === 'WORK'
  const alone = rows.filter((r) => r.lane === undefined)
  const here = lanes.filter((l) => l.shown || rows.some((r) => r.lane === l.index))
  const asked = roomAsked(live)
  const time = clock(Math.ceil(seconds(moment.leftMs)))
  const strip = run.people.find((p) => p.clientId === chosen)
  return (
    <div data-part={index} className="flex min-h-screen flex-col bg-night text-[#EAF1F2]">
      {title}
      {follow}
      <header className="sticky top-0 z-10 border-b border-[#35505a] bg-night">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-1 px-4 py-2 md:px-6">
          {ended ? (
            <strong className="flex-1 text-lg">{run.group?.name}</strong>
          ) : (
            <>
              <div role="timer" aria-label="time left in this part">
                <button
                  type="button"
                  className="font-mono text-[clamp(44px,9.4vw,118px)] leading-[0.9] tracking-tight"
                  aria-label={`${time} left, show far`}
                  onClick={() => setFar(true)}
                >
                  {time}
                </button>
              </div>
              <div className="min-w-0 flex-1 leading-snug max-sm:order-3 max-sm:basis-full">
                <p className="text-[clamp(17px,1.7vw,22px)]">
                  <strong className={working && running ? undefined : 'text-sand'}>
                    {working && running ? 'work' : phaseWords(moment)}
                  </strong>
                  {working && sideWord(moment.segment.side) && (
                    <>
                      {' · '}
                      <strong>{sideWord(moment.segment.side)}</strong>
                    </>
                  )}
                </p>
                <p className="text-[#a9bcc2]">{placeWords(live).join(' · ')}</p>
              </div>
              <p className="font-mono text-[#b8c8cd] max-lg:hidden">{leftWords(live)}</p>
            </>
          )}
          <div className="ml-auto flex gap-2">{stopButton}</div>
        </div>
        {asked && (
          <section
            role="alert"
            className="border-l-8 border-[#f4ece4] bg-[#3a2a2a] px-4 py-3 md:px-6"
            aria-label="Does the room go on?"
          >
            <p className="text-lg font-bold">
              {asked.name} is stopped: {asked.words}. The clock stands.
            </p>
            {asked.aid && <p>First: {asked.aid}</p>}
            <div className="mt-2 flex flex-wrap gap-2">
              <button
                type="button"
                className={`${button} border-sand bg-sand text-night`}
                onClick={() => add({ kind: 'RESUME' })}
              >
                The room goes on
              </button>
              <button type="button" className={button} onClick={() => add({ kind: 'FINISH' })}>
                End it for everybody
              </button>
            </div>
          </section>
        )}
      </header>
      {!ended &&
        run.people.map((p) => {
          const stopped = moment.clock.stops.some((x) => x.person === p.clientId)
          const feels = stopped ? undefined : told.unwell.get(p.clientId)
          return (
            feels && (
              <div key={p.clientId} id={`unwell-${p.clientId}`}>
                <Unwell
                  key={feels.length}
                  told={feels}
                  live={live.of(p)}
                  onStop={() => openPanel(p.clientId)}
                />
              </div>
            )
          )
        })}
      {!ended && (
        <div className="px-4 py-2 md:px-6">
          <Controls
            live={live}
            more={
              <>
                <button type="button" className={button} onClick={() => setFar(true)}>
                  Far
                </button>
                <button
                  type="button"
                  className={button}
                  aria-expanded={tools}
                  onClick={() => setTools(!tools)}
                >
                  More …
                </button>
              </>
            }
          />
          {tools && (
            <div className="mt-2 flex flex-wrap gap-2">
              <button
                type="button"
                className={button}
                onClick={() => go(`/groups/${run.group?.id ?? ''}/start`)}
              >
                Somebody comes
              </button>
              <Sounds heard={heard} beat={run.beat} onChange={setHeard} />
              <SecondScreen runId={run.id} />
            </div>
          )}
        </div>
      )}
      {ended ? (
        <main className="flex-1 px-4 py-3 md:px-6">
          <h1 className="my-3 text-4xl font-bold">{status === 'STOPPED' ? 'Stopped' : 'Done'}</h1>
          <Leavers run={run} live={live} />
          <Ended run={run} log={log} emergency={emergency} go={go} onEnd={onEnd} stops={moment.clock.stops} />
          <Kept log={log} />
        </main>
      ) : (
        <>
          <main className="flex-1">
            <div
              className="grid max-md:!grid-cols-1"
              style={{ gridTemplateColumns: `repeat(${Math.max(1, here.length)}, minmax(0, 1fr))` }}
            >
              {here.map((l) => (
                <Lane
                  key={l.index}
                  index={l.index}
                  name={l.name}
                  shown={l.shown}
                  rows={rows.filter((r) => r.lane === l.index)}
                  next={!working}
                  chosen={chosen}
                  onChoose={(id) => setChosen(chosen === id ? undefined : id)}
                />
              ))}
            </div>
            {alone.length > 0 && (
              <section aria-label="On their own" className="border-t border-[#35505a] px-4 py-2 md:px-6">
                <p className="text-[#b8c8cd]">on their own</p>
                <People
                  rows={alone}
                  chosen={chosen}
                  onChoose={(id) => setChosen(chosen === id ? undefined : id)}
                />
              </section>
            )}
          </main>
          <div className="sticky bottom-0 z-10 bg-night">
            {strip ? (
              <Strip
                key={strip.clientId}
                live={live.of(strip)}
                arm={arm}
                onArm={setArm}
                onWoozy={() => {
                  setChosen(undefined)
                  scrollTo({ top: 0 })
                }}
              />
            ) : (
              <p className="border-t border-[#35505a] px-4 py-1.5 text-[#b8c8cd] md:px-6">
                Tap a name to log, ease or let them go.
                <span className="hidden font-mono text-sm lg:inline">
                  {' '}
                  space pause · ↑ ↓ people · ← → back, skip · R +15 s · F far · S stop sign
                </span>
              </p>
            )}
            <footer className="bg-[#0e1c22] px-4 py-1 md:px-6">
              <LaneLines run={run} now={seconds(moment.clock.positionMs)} />
              <Kept log={log} quiet />
            </footer>
          </div>
        </>
      )}
      {panel}
    </div>
  )
}

/** The stop of one person after which the room was not yet told to go on or to end. */
function roomAsked({ run, moment, ended }: ReturnType<typeof useLive>) {
  const last = moment?.clock.stops.at(-1)
  const since = moment?.clock.pausedAt
  if (ended || moment?.clock.status !== 'PAUSED' || !last || since === undefined || last.at < since)
    return undefined
  const person = run.people.find((p) => p.clientId === last.person)
  const sign = person?.signs.find((s) => s.id === last.sign)
  return person && { name: person.called, words: last.text ?? sign?.words ?? 'stop sign', aid: sign?.aid }
}

/** Who did not finish, and why. */
function Leavers({ run, live }: { run: S['RunView']; live: ReturnType<typeof useLive> }) {
  const all = run.people.flatMap((p) => {
    const stopped = live.moment?.clock.stops.filter((s) => s.person === p.clientId) ?? []
    const why = live.told.away.get(p.clientId)
    const words = [
      ...stopped.map((s) => `stopped: ${s.text ?? s.sign ?? ''}`),
      ...(why ? [`left: ${LEAVING[why]}`] : []),
    ]
    return words.length > 0 ? [`${p.called}, ${words.join('; ')}`] : []
  })
  return all.length === 0 ? null : <p className="mb-4 text-lg">Did not finish: {all.join('. ')}.</p>
}
