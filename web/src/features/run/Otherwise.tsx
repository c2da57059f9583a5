import { useState } from 'react'
import type { S } from '../../lib/api'
import type { Change, Segment } from '../../lib/clock'
import { kg } from '../../lib/format'
import { capOf, gramsOf, leastOf, lighterThan, optionsOf } from '../../lib/run/otherwise'
import { partOf } from '../../lib/run/moment'
import { Choice } from '../../ui/Choice'
import { chip } from './look'
import type { Live } from './useLive'

type Option = S['RunOptionView']
const SCOPES = [
  ['ON', 'from now on'],
  ['ONCE', 'this time'],
] as const

/**
 * A slot done otherwise, in one tap: easier, harder, another, lighter, left. All of it was reckoned under
 * the limits when the run began, so it needs no connection.
 */
export function Otherwise({
  live,
  set,
  halted,
  first,
}: {
  live: Live
  /** the set it holds for first */
  set: Pick<Segment, 'slotKey' | 'round' | 'side'>
  /** pain over the line or lost form: nothing is made harder */
  halted: boolean
  /** what it was told for, said before the buttons: "pain 5 is over her line of 3" */
  first?: string
}) {
  const [scope, setScope] = useState<'ON' | 'ONCE'>('ON')
  const [more, setMore] = useState(false)
  const slot = live.slot(set.slotKey)
  if (!slot) return null
  const doing = live.doing(set)
  const part = partOf(slot, doing, set.side)
  const may = optionsOf(slot, doing)
  const own = slot.parts[0]?.title
  const change = (c: Partial<Change> & Pick<Change, 'to'>) =>
    live.change({ slotKey: set.slotKey, round: set.round, side: 'BOTH', onward: scope === 'ON', ...c })
  const least = leastOf(part, doing)
  const less = least === undefined || doing.left ? undefined : lighterThan(part, least)
  const grams = gramsOf(part, doing)
  const changed = doing.option !== undefined || doing.left || doing.grams !== undefined
  const easier = may.EASIER
  const take = (o: Option, words: string) => (
    <button
      key={o.id}
      type="button"
      className={chip()}
      onClick={() => change({ to: 'OPTION', option: o.id })}
    >
      <span className="text-[#b8c8cd]">{words} </span>
      {o.title}
    </button>
  )
  const lead = easier[0]
  return (
    <section aria-label={`${own ?? 'this slot'} otherwise`} className="mt-2">
      {first && <p className="mb-1 font-bold text-sand">{first}</p>}
      {changed && (
        <p className="mb-1 flex flex-wrap items-center gap-2">
          <span>
            {doing.left
              ? doing.hurt
                ? `${own} is left today: pain was over the line twice.`
                : `${own} is left today.`
              : [
                  doing.option && `${part?.title} in place of ${own}`,
                  doing.grams !== undefined && grams !== undefined && (grams === 0 ? 'no weight' : kg(grams)),
                ]
                  .filter(Boolean)
                  .join(', ')}
          </span>
          {!(doing.hurt && doing.left) && (
            <button type="button" className={chip()} onClick={() => change({ to: 'BACK' })}>
              take it back
            </button>
          )}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-1.5">
        {lead && take(lead, 'Easier:')}
        {less !== undefined && (
          <button
            type="button"
            className={chip()}
            onClick={() =>
              change({ to: 'WEIGHT', side: set.side as Change['side'], option: doing.option, grams: less })
            }
          >
            <span className="text-[#b8c8cd]">Lighter:</span> {less === 0 ? 'no weight' : kg(less)}
          </button>
        )}
        {!doing.left && (
          <button type="button" className={chip()} onClick={() => change({ to: 'LEAVE' })}>
            Leave it today
          </button>
        )}
        {(easier.length > 1 || may.HARDER.length > 0 || may.SWAP.length > 0) && (
          <button type="button" className={chip()} aria-expanded={more} onClick={() => setMore(!more)}>
            {more ? 'less' : 'more …'}
          </button>
        )}
      </div>
      {more && (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {easier.slice(1).map((o) => take(o, 'Easier:'))}
          {may.SWAP.map((o) => take(o, 'Instead:'))}
          {halted || doing.hurt
            ? may.HARDER.length > 0 && (
                <p className="w-full text-[#b8c8cd]">Nothing harder after pain over the line or lost form.</p>
              )
            : may.HARDER.map((o) => take(o, 'Harder:'))}
          <div className="w-full">
            <Choice label="holds" look="night" options={SCOPES} value={scope} onChange={setScope} />
          </div>
        </div>
      )}
      {capOf(part, set.side) !== undefined && more && (
        <p className="text-sm text-[#b8c8cd]">At most {kg(capOf(part, set.side) ?? 0)} by the limits.</p>
      )}
    </section>
  )
}
