import { useEffect, useRef, useState, useSyncExternalStore } from 'react'
import type { RunEvent } from '../../lib/clock'
import { hourOf, seconds } from '../../lib/format'
import { sound } from '../../lib/run/sound'
import {
  bluetoothStrap,
  canReachStrap,
  SimulatedHeart,
  simulatedStrap,
  strapOf,
  type StrapSession,
} from '../../lib/run/strap'
import { button, chip } from './look'
import type { Live } from './useLive'

const LEAST = 20
const GREATEST = 250
/** Share of the reserve that parts of a session ask of the heart that is made up. */
const ASKS = { WARM_UP: 0.45, WORK: 0.75, COOL_DOWN: 0.3, STILL: 0.1 }
const USUAL_RESTING = 70
/** When the pulse is read again after the work, in seconds. */
const RECOVERED = 60

const strap = (live: Live) => strapOf(live.run.id, live.person.clientId)

/** Seconds since the work ended; undefined while it goes on, and before any. */
export function sinceWork(live: Live): number | undefined {
  const { moment } = live
  if (!moment?.done || moment.segment.kind === 'WORK') return undefined
  const end = moment.done.start + moment.done.length
  return Math.max(0, Math.round(seconds(moment.clock.positionMs) - end))
}

const keep = (live: Live, bpm: number, from: 'TYPED' | 'STRAP' | 'SIMULATED', afterWork?: number) =>
  live.tell({ kind: 'PULSE', pulse: { bpm, from, afterWork } })

/** The pulse now, of the strap if it has a fresh one. Looks again whenever the clock does. */
export function usePulse(live: Live): { bpm?: number; over: boolean; session: StrapSession } {
  const session = strap(live)
  useSyncExternalStore(session.subscribe, session.snapshot)
  const bpm = session.pulse()
  const cap = live.person.pulse?.cap
  return { bpm, over: bpm !== undefined && cap !== undefined && bpm > cap, session }
}

/**
 * Keeps what a strap tells at the moments that count, the end of the work, a minute after and going over
 * the cap, whichever view is shown. Shows nothing.
 */
export function PulseFollow({ live }: { live: Live }) {
  const { bpm, over, session } = usePulse(live)
  const { moment } = live
  const index = moment?.index
  const since = sinceWork(live)
  const last = useRef({ index, over, since, bpm })
  useEffect(() => {
    const before = last.current
    last.current = { index, over, since, bpm: bpm ?? before.bpm }
    const { from } = session.snapshot()
    if (bpm === undefined || !from) return
    const ended = before.since === undefined && since !== undefined
    const again = (before.since ?? 0) < RECOVERED && (since ?? 0) >= RECOVERED && before.since !== undefined
    if (over && !before.over) sound('end')
    if (ended || again || (over && !before.over)) keep(live, bpm, from, since)
  })
  return null
}

/** The pulse against what it is read against: bpm, share of the reserve, cap. Over the cap it calls rest. */
export function PulseBox({ live }: { live: Live }) {
  const { bpm, over, session } = usePulse(live)
  const [typed, setTyped] = useState('')
  const [asked, setAsked] = useState(false)
  const state = session.snapshot()
  const guide = live.person.pulse
  const kept = live.events.filter(
    (e) => e.kind === 'PULSE' && (!e.person || e.person === live.person.clientId),
  )
  const n = Number(typed.replace(',', '.'))
  const fits = Number.isInteger(n) && n >= LEAST && n <= GREATEST
  // a run kept of before has no scale to read it on
  const share = (of: number) =>
    guide?.resting === undefined
      ? guide && `${Math.round((of / guide.maximum) * 100)} % of maximum`
      : `${Math.round(((of - guide.resting) / (guide.maximum - guide.resting)) * 100)} % of reserve`
  const demand = () => {
    const s = live.latest()
    return !s || s.kind !== 'WORK' ? ASKS.STILL : ASKS[s.block]
  }
  return (
    <section aria-label="Pulse" className="mt-4 border-t border-[#35505a] pt-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong>pulse</strong>
        {bpm !== undefined ? (
          <>
            <span className="font-mono text-3xl">{bpm}</span> bpm
            <span>{share(bpm)}</span>
          </>
        ) : state.status === 'LOST' ? (
          <strong role="alert" className="text-sand">
            The strap was lost{state.lostAt && ` at ${hourOf(new Date(state.lostAt))}`}: no pulse.
            {lastOver(kept, guide?.cap) && ' The last one kept was over the cap: rest, and count.'} Wet it,
            press it on, or count.
          </strong>
        ) : (
          <span className="text-[#b8c8cd]">{lastWords(kept) ?? 'none yet'}</span>
        )}
        {guide?.cap !== undefined && (
          <span>
            cap <strong className="font-mono">{guide.cap}</strong>
            {guide.capSource && <span className="text-[#b8c8cd]"> ({guide.capSource})</span>}
          </span>
        )}
      </p>
      {state.name && state.status !== 'NONE' && <p className="text-sm text-[#b8c8cd]">{state.name}</p>}
      {over && <OverCap bpm={bpm ?? 0} cap={guide?.cap ?? 0} live={live} />}
      {typedOver(kept, guide?.cap) !== undefined && bpm === undefined && (
        <OverCap bpm={typedOver(kept, guide?.cap) ?? 0} cap={guide?.cap ?? 0} live={live} />
      )}
      <form
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault()
          if (!fits) return
          keep(live, n, 'TYPED', sinceWork(live))
          setTyped('')
        }}
      >
        <label>
          bpm, counted
          <input
            className="block w-24 text-ink"
            inputMode="numeric"
            value={typed}
            aria-invalid={typed !== '' && !fits}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <button type="submit" className={button} disabled={!fits}>
          Keep
        </button>
        {state.status === 'NONE' ? (
          <button type="button" className={chip()} aria-expanded={asked} onClick={() => setAsked(!asked)}>
            strap …
          </button>
        ) : (
          <button type="button" className={chip()} onClick={() => session.stop()}>
            strap off
          </button>
        )}
      </form>
      {typed !== '' && !fits && (
        <p role="alert" className="mt-1 font-bold text-sand">
          A pulse is {LEAST} to {GREATEST} beats a minute.
        </p>
      )}
      {asked && state.status === 'NONE' && (
        <p className="mt-2 flex flex-wrap gap-2">
          {canReachStrap() && (
            <button type="button" className={button} onClick={() => void session.begin(bluetoothStrap)}>
              A strap near by
            </button>
          )}
          <button
            type="button"
            className={button}
            onClick={() => {
              const heart = new SimulatedHeart(
                guide?.resting ?? USUAL_RESTING,
                guide?.maximum ?? GREATEST - USUAL_RESTING,
              )
              void session.begin(() => Promise.resolve(simulatedStrap(heart, demand)))
            }}
          >
            The simulated strap, its pulse is made up
          </button>
        </p>
      )}
      {state.failed && state.status === 'NONE' && <p role="alert">No strap: {state.failed}</p>}
    </section>
  )
}

function OverCap({ bpm, cap, live }: { bpm: number; cap: number; live: Live }) {
  return (
    <p role="alert" className="mt-2 border-l-4 border-sand pl-3 text-lg font-bold text-sand">
      Pulse {bpm} is over the cap of {cap}: rest until it is below.{' '}
      {live.moment?.clock.status === 'RUNNING' && live.moment.segment.kind === 'WORK' && (
        <button type="button" className={button} onClick={live.toggle}>
          Pause for it
        </button>
      )}
    </p>
  )
}

const last = (kept: RunEvent[]) => [...kept].sort((a, b) => (a.at ?? 0) - (b.at ?? 0)).at(-1)

/** The last one typed, where it was over the cap. */
function typedOver(kept: RunEvent[], cap: number | undefined) {
  const p = last(kept)?.pulse
  return p?.from === 'TYPED' && cap !== undefined && p.bpm > cap ? p.bpm : undefined
}

/** The last one kept was over the cap: that goes on calling rest, without the old number. */
function lastOver(kept: RunEvent[], cap: number | undefined) {
  const p = last(kept)?.pulse
  return p !== undefined && cap !== undefined && p.bpm > cap
}

function lastWords(kept: RunEvent[]) {
  const e = last(kept)
  if (!e?.pulse) return undefined
  const { bpm, afterWork } = e.pulse
  return `last ${bpm} bpm at ${hourOf(new Date(e.at ?? 0))}${afterWork === undefined ? ', in work' : `, ${afterWork} s after the work`}`
}

/** The pulse on far: large over the cap, small else; who only looks on is shown none. */
export function PulseFar({ live }: { live: Live }) {
  const { bpm, over, session } = usePulse(live)
  const cap = live.person.pulse?.cap
  if (session.snapshot().status === 'LOST') return <p className="font-bold text-sand">strap lost, no pulse</p>
  if (bpm === undefined) return null
  return (
    <p role={over ? 'alert' : undefined} className={over ? 'bg-sand px-2 font-bold text-night' : undefined}>
      {over && 'Rest: '}
      <span className="font-mono">{bpm}</span> bpm{cap !== undefined && `, cap ${cap}`}
    </p>
  )
}
