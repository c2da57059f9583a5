import { useState } from 'react'
import { entryKey, type Entry } from '../../../lib/clock'
import { doseWords } from '../../../lib/format'
import { halted, overLine } from '../../../lib/run/otherwise'
import { Choice, Scale } from '../../../ui/Choice'
import { LogPanel } from '../LogPanel'
import { chip, unwell as woozy } from '../look'
import { PainSpeaks } from '../Near'
import { Otherwise } from '../Otherwise'
import { PulseBox } from '../Pulse'
import { SetList } from '../SetList'
import { nextWeight, setToldOf, type Arm } from '../tell'
import type { Live } from '../useLive'
import { LEAVING } from './rows'

const ARMS = [
  ['LEFT', 'left'],
  ['RIGHT', 'right'],
] as const
const TABS = [
  ['LOG', 'more of this set'],
  ['SETS', 'sets so far'],
  ['PULSE', 'pulse'],
] as const
const REASONS = Object.entries(LEAVING) as [keyof typeof LEAVING, string][]

/** The one strip for a tapped name: effort, pain, otherwise, woozy; the rest behind one tap more. */
export function Strip({
  live,
  arm,
  onArm,
  onWoozy,
}: {
  live: Live
  arm: Arm
  onArm: (a: Arm) => void
  /** a mild symptom was told: what is asked of it comes above */
  onWoozy: () => void
}) {
  const { person, told, moment } = live
  const [more, setMore] = useState<'LOG' | 'SETS' | 'PULSE' | 'LEAVES'>()
  const who = person.clientId
  const set = setToldOf(live, arm)
  const known = set && told.sets.get(entryKey(set, who))
  const shown = moment?.shown
  const add = (e: Entry) => live.tell({ kind: 'ENTRY', entry: e })
  const log = (e: Partial<Entry>) =>
    set && add({ slotKey: set.slotKey, round: set.round, side: set.side, ...e })
  const part = set && live.part(set)
  const entry = known?.entry
  const hurts = overLine(entry, person.painLine)
  const away = told.away.get(who)
  const stopped = moment?.clock.stops.filter((s) => s.person === who) ?? []
  const unwellNow = told.unwell.has(who)
  const over = (n: number | undefined, cap: number | undefined) =>
    n !== undefined && cap !== undefined && n > cap
  return (
    <section
      aria-label={`Log of ${person.called}`}
      data-strip={person.called}
      className="max-h-[70vh] overflow-y-auto border-t-2 border-sand bg-panel px-4 py-2 md:px-6"
    >
      <div className="grid gap-x-6 gap-y-1 lg:grid-cols-[minmax(140px,190px)_auto_minmax(0,1fr)]">
        <div>
          <h2 className="text-xl font-bold">{person.called}</h2>
          <p className="text-[15px] leading-snug text-[#b8c8cd]">
            {stopped.length > 0
              ? `stopped: ${stopped.map((s) => s.text ?? s.sign).join('; ')}`
              : away
                ? `left: ${LEAVING[away]}`
                : part
                  ? `${part.title}${set && set.round > 0 ? `, set ${set.round}` : ''}${set && set.side !== 'BOTH' ? `, ${set.side.toLowerCase()}` : ''}`
                  : 'nothing to log yet'}
          </p>
          {set?.phrase && (
            <p className="flex gap-1.5" role="group" aria-label="which side">
              {ARMS.map(([side, words]) => (
                <button
                  key={side}
                  type="button"
                  className={chip(arm === side)}
                  aria-pressed={arm === side}
                  onClick={() => onArm(side)}
                >
                  {words}
                </button>
              ))}
            </p>
          )}
          {person.before.dose && person.before.dose !== 'AS_PLANNED' && (
            <p className="text-[15px] text-sand">{doseWords[person.before.dose]} today</p>
          )}
          {person.before.cautions.map((c) => (
            <p key={c} className="text-[15px] font-semibold leading-snug text-sand">
              {c}
            </p>
          ))}
        </div>
        {set ? (
          <div className="[&_.mb-4]:mb-1">
            <Scale
              label={
                <>
                  effort
                  {person.effortCap !== undefined && (
                    <span className="text-sand">, {person.effortCap} at most</span>
                  )}
                </>
              }
              name="effort"
              look="night"
              value={entry?.effort}
              onChange={(effort) => log({ effort })}
            />
            {over(entry?.effort, person.effortCap) && (
              <p role="alert" className="font-bold text-sand">
                Over the limit of {person.effortCap}: ease now, rest until it is below.
              </p>
            )}
            <Scale
              label={
                <>
                  pain
                  {person.painLine !== undefined && (
                    <span className="text-sand">, over {person.painLine} ease</span>
                  )}
                </>
              }
              name="pain"
              look="night"
              value={entry?.pain}
              onChange={(pain) => log({ pain })}
            />
          </div>
        ) : (
          <p className="text-[#b8c8cd]">Sets are logged here once the work block begins.</p>
        )}
        <div className="flex flex-col justify-between gap-2">
          {known && hurts ? (
            <PainSpeaks live={live} known={known} />
          ) : (
            shown && (
              <Otherwise
                key={shown.slotKey + who}
                live={live}
                set={shown}
                halted={!!known && known.entry.slotKey === shown.slotKey && halted(entry, person.painLine)}
              />
            )
          )}
          <div className="flex flex-wrap items-center gap-1.5">
            <button
              type="button"
              className={`${woozy} !min-h-[46px]`}
              onClick={() => {
                if (!unwellNow) live.tell({ kind: 'UNWELL', unwell: { symptom: 'WOOZY', how: 'FELT' } })
                onWoozy()
              }}
            >
              {unwellNow ? 'How is it?' : 'Woozy'}
            </button>
            {TABS.map(([tab, words]) => (
              <button
                key={tab}
                type="button"
                className={chip(more === tab)}
                aria-expanded={more === tab}
                onClick={() => setMore(more === tab ? undefined : tab)}
              >
                {words}
              </button>
            ))}
            {away ? (
              <button type="button" className={chip()} onClick={() => live.tell({ kind: 'AWAY' })}>
                is back
              </button>
            ) : (
              stopped.length === 0 && (
                <button
                  type="button"
                  className={chip(more === 'LEAVES')}
                  aria-expanded={more === 'LEAVES'}
                  onClick={() => setMore(more === 'LEAVES' ? undefined : 'LEAVES')}
                >
                  leaves …
                </button>
              )
            )}
          </div>
        </div>
      </div>
      {more === 'LEAVES' && !away && (
        <div className="mt-2">
          <Choice
            label={`${person.called} leaves, why`}
            look="night"
            options={REASONS}
            value={undefined}
            onChange={(why) => {
              live.tell({ kind: 'AWAY', why })
              setMore(undefined)
            }}
          />
        </div>
      )}
      {more === 'LOG' && (
        <div className="mt-2 max-w-[720px]">
          <LogPanel
            key={set && entryKey(set)}
            person={person}
            segment={set}
            known={entry}
            doing={known?.doing ?? (set && live.doing(set))}
            working={false}
            beside
            {...nextWeight(live, set)}
            add={add}
          />
        </div>
      )}
      {more === 'SETS' && (
        <div className="mt-2">
          <SetList
            person={person}
            sets={[...told.sets.values()].filter((k) => k.person === who)}
            events={live.events}
            add={add}
          />
        </div>
      )}
      {more === 'PULSE' && <PulseBox live={live} />}
    </section>
  )
}
