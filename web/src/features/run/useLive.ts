import { useEffect, useMemo, useRef, useState } from 'react'
import type { S } from '../../lib/api'
import { foldTold, type Change, type Segment } from '../../lib/clock'
import { seconds } from '../../lib/format'
import type { Happening } from '../../lib/run'
import { momentOf, partOf } from '../../lib/run/moment'
import type { useRunLog } from './useRunLog'

/** A tap on back soon after a part began means the part before. */
const SOON = 3
const LOOK = 200

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
    () => foldTold(events, people, Object.fromEntries(run.people.map((p) => [p.clientId, p.painLine]))),
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
  const who = person.clientId
  const doing = (s: Pick<Segment, 'slotKey' | 'round' | 'side'>) =>
    told.doing(who, s.slotKey, s.round, s.side)
  const slot = (key: string | undefined) => person.slots.find((s) => s.key === key)
  return {
    run,
    person,
    events,
    segments,
    moment,
    told,
    now,
    ended: moment?.clock.status === 'STOPPED' || moment?.clock.status === 'FINISHED',
    slot,
    doing,
    part: (s: Segment) => partOf(slot(s.slotKey), doing(s), s.side),
    tell: (h: Happening) => add({ ...h, person: who }),
    /** the part that goes on now, for who asks later */
    latest: () => momentOf(timeline, people, log.latest(), clockNow())?.segment,
    change: (change: Change) => add({ kind: 'CHANGE', person: who, change }),
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
}

export type Live = ReturnType<typeof useLive>
