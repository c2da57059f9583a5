import { useState } from 'react'
import type { S } from '../../lib/api'
import { entryKey, type Entry, type Known, type RunEvent } from '../../lib/clock'
import { hourOf, kg } from '../../lib/format'
import { partOf } from '../../lib/run/moment'
import { button, chip } from './look'
import { LogPanel } from './LogPanel'

const weight = (e: Entry) =>
  e.left !== undefined || e.right !== undefined
    ? `${kg(e.left ?? 0)} left, ${kg(e.right ?? 0)} right`
    : e.grams === undefined
      ? undefined
      : e.grams === 0
        ? 'no weight'
        : kg(e.grams)

/** What was told of a set, in a line. */
export function entryWords(e: Partial<Entry>): string {
  const entry = e as Entry
  return [
    e.effort !== undefined && `effort ${e.effort}`,
    e.pain !== undefined && `pain ${e.pain}${e.painWhere ? ` ${e.painWhere}` : ''}`,
    e.reps !== undefined && `${e.reps} ${e.reps === 1 ? 'rep' : 'reps'}`,
    weight(entry),
    e.parts &&
      e.parts.map((p) => `${p.reps ?? 0} with ${p.grams ? kg(p.grams) : 'no weight'}`).join(', then '),
    e.breathless !== undefined && `breathlessness ${e.breathless}`,
    e.talk &&
      { SENTENCES: 'talks in sentences', PHRASES: 'talks in a few words', WORDS: 'single words' }[e.talk],
    e.formLost !== undefined && (e.formLost ? `form lost${e.fault ? `: ${e.fault}` : ''}` : 'form kept'),
    e.formLost === undefined && e.fault && `fault: ${e.fault}`,
    e.support && 'support used',
    e.touchDowns !== undefined && `${e.touchDowns} touch-downs`,
    e.grabs !== undefined && `${e.grabs} grabs`,
    e.stoppedEarly && `stopped early: ${e.stoppedEarly}`,
    e.note && `“${e.note}”`,
    e.notDone && 'not done after all',
    e.corrects && 'taken back',
  ]
    .filter(Boolean)
    .join(', ')
}

/**
 * Every set told so far. One opens to be corrected; nothing is written over: what was said before stays
 * beside it, with its time.
 */
export function SetList({
  person,
  sets,
  events,
  add,
}: {
  person: S['RunPersonView']
  sets: Known[]
  events: RunEvent[]
  add: (e: Entry) => void
}) {
  const [open, setOpen] = useState<string>()
  if (sets.length === 0) return <p className="text-[#b8c8cd]">No set is told yet.</p>
  return (
    <ul>
      {sets.map((k) => {
        const key = entryKey(k.entry, k.person)
        const slot = person.slots.find((s) => s.key === k.entry.slotKey)
        const title = partOf(slot, k.doing, k.entry.side ?? 'BOTH')?.title ?? 'rest'
        const side = k.entry.side === 'BOTH' ? '' : `, ${k.entry.side?.toLowerCase()}`
        return (
          <li key={key} className="border-t border-[#35505a]">
            <button
              type="button"
              className="flex min-h-[44px] w-full flex-wrap items-center gap-x-3 py-1.5 text-left"
              aria-expanded={open === key}
              onClick={() => setOpen(open === key ? undefined : key)}
            >
              <span className="font-semibold">
                {title} · set {k.entry.round}
                {side}
              </span>
              <span className="text-[#d5e0e3]">{entryWords(k.entry)}</span>
            </button>
            {open === key && (
              <div className="mb-3 border-l-4 border-sand pl-3">
                <LogPanel
                  person={person}
                  segment={{
                    slotKey: k.entry.slotKey ?? '',
                    round: k.entry.round,
                    side: k.entry.side ?? 'BOTH',
                  }}
                  known={k.entry}
                  doing={k.doing}
                  add={add}
                />
                <div className="mt-3 flex flex-wrap gap-1.5">
                  {k.entry.pain !== undefined && (
                    <button
                      type="button"
                      className={chip()}
                      onClick={() =>
                        k.events.filter((e) => e.entry?.pain !== undefined).forEach((e) => add(without(e)))
                      }
                    >
                      pain was not said
                    </button>
                  )}
                  <button
                    type="button"
                    className={button}
                    onClick={() => {
                      add({ ...own(k.entry), notDone: true })
                      setOpen(undefined)
                    }}
                  >
                    This set was not done
                  </button>
                </div>
                <Trail events={events} of={key} person={k.person} />
              </div>
            )}
          </li>
        )
      })}
    </ul>
  )
}

const own = (e: Entry): Entry => ({ slotKey: e.slotKey, round: e.round, side: e.side })

/** What stands in for an event of which the pain was not said: the rest of it stays. */
const without = (e: RunEvent): Entry => ({
  ...(e.entry as Entry),
  pain: undefined,
  painWhere: undefined,
  corrects: e.id,
})

/** Everything that was told of a set, in the order it was told. */
function Trail({ events, of, person }: { events: RunEvent[]; of: string; person: string }) {
  const told = events
    .filter((e) => e.entry && entryKey(e.entry, e.person ?? person) === of)
    .sort((a, b) => (a.at ?? 0) - (b.at ?? 0))
  const back = new Set(events.map((e) => e.entry?.corrects).filter(Boolean))
  return (
    <div className="mt-3">
      <p className="font-semibold">As it was told</p>
      <ol className="text-sm">
        {told.map((e) => (
          <li key={e.id} className={back.has(e.id) ? 'text-[#b8c8cd] line-through' : undefined}>
            <span className="font-mono">{hourOf(new Date(e.at ?? 0))}</span>{' '}
            {entryWords(e.entry ?? {}) || 'nothing more'}
          </li>
        ))}
      </ol>
    </div>
  )
}
