import { useEffect, useMemo, useRef, useState } from 'react'
import type { S } from '../../lib/api'
import { foldTold, type Change, type RunEvent, type Segment, type Told } from '../../lib/clock'
import { seconds } from '../../lib/format'
import type { Happening } from '../../lib/run'
import { momentOf, partOf, type Moment } from '../../lib/run/moment'
import { hardnessOf } from '../../lib/run/otherwise'
import type { useRunLog } from './useRunLog'

/** A tap on back soon after a part began means the part before. */
const SOON = 3
const LOOK = 200

type Set = Pick<Segment, 'slotKey' | 'round' | 'side'>

/** What is the same for everybody of a run: its clock, and all that was told. */
interface Room {
  run: S['RunView']
  events: RunEvent[]
  segments: Segment[]
  moment: Moment | undefined
  told: Told
  now: number
  ended: boolean
  add: (h: Happening) => void
  /** the part that goes on now, for who asks later */
  latest: () => Segment | undefined
  toggle: () => void
  back: () => void
  skip: () => void
  rest: () => void
  finish: () => void
}

const slotIn = (person: S['RunPersonView'] | undefined, key: string | undefined) =>
  person?.slots.find((s) => s.key === key)

/** The run as one person has it. */
function liveOf(room: Room, person: S['RunPersonView']) {
  const who = person.clientId
  const slot = (key: string | undefined) => slotIn(person, key)
  const doing = (s: Set) => room.told.doing(who, s.slotKey, s.round, s.side)
  return {
    ...room,
    person,
    slot,
    doing,
    part: (s: Set) => partOf(slot(s.slotKey), doing(s), s.side),
    tell: (h: Happening) => room.add({ ...h, person: who }),
    change: (change: Change) => room.add({ kind: 'CHANGE', person: who, change }),
  }
}

export type Live = ReturnType<typeof liveOf>

/** The run as it goes: the moment, what was told, and all that can be done to the clock. */
export function useLive(
  run: S['RunView'],
  person: S['RunPersonView'],
  log: Pick<ReturnType<typeof useRunLog>, 'events' | 'add' | 'now' | 'latest'>,
) {
  const { add, events, now: clockNow } = log
  const [now, setNow] = useState(() => clockNow())
  useEffect(() => {
    const t = setInterval(() => setNow(clockNow()), LOOK)
    return () => clearInterval(t)
  }, [clockNow])
  const { timeline } = run
  const segments = timeline.segments
  const people = useMemo(() => run.people.map((p) => p.clientId), [run])
  const told = useMemo(
    () =>
      foldTold(events, people, {
        lines: Object.fromEntries(run.people.map((p) => [p.clientId, p.painLine])),
        hardness: (who, key, option) =>
          hardnessOf(
            slotIn(
              run.people.find((p) => p.clientId === who),
              key,
            ),
            option,
          ),
      }),
    [events, people, run],
  )
  const moment = momentOf(timeline, people, events, now)
  const over = !!moment && seconds(moment.clock.positionMs) >= timeline.total
  const running = moment?.clock.status === 'RUNNING'
  const finished = useRef(false)
  useEffect(() => {
    if (over && running && !finished.current) {
      finished.current = true
      add({ kind: 'FINISH' })
    }
  }, [over, running, add])
  const room: Room = {
    run,
    events,
    segments,
    moment,
    told,
    now,
    ended: moment?.clock.status === 'STOPPED' || moment?.clock.status === 'FINISHED',
    add,
    latest: () => momentOf(timeline, people, log.latest(), clockNow())?.segment,
    toggle: () => {
      const status = moment?.clock.status
      if (status === 'READY') add({ kind: 'START' })
      else if (status === 'RUNNING') add({ kind: 'PAUSE' })
      else if (status === 'PAUSED') add({ kind: 'RESUME' })
    },
    back: () => {
      if (!moment) return
      const { index, segment, clock } = moment
      const begun = seconds(clock.positionMs) - segment.start > SOON
      add({ kind: 'GOTO', segment: begun ? index : Math.max(0, index - 1) })
    },
    skip: () => {
      if (!moment) return
      if (moment.index + 1 < segments.length) add({ kind: 'GOTO', segment: moment.index + 1 })
      else add({ kind: 'FINISH' })
    },
    rest: () => add({ kind: 'EXTEND', seconds: 15 }),
    finish: () => add({ kind: 'FINISH' }),
  }
  return { ...liveOf(room, person), of: (p: S['RunPersonView']) => liveOf(room, p) }
}
