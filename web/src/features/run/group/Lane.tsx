import type { S } from '../../../lib/api'
import { Figure } from '../../../ui/Figure'
import { LANES } from './look'
import { restsNow, type Chip, type Row } from './rows'

const CHIP: Record<Chip['look'], string> = {
  ASK: 'border-[#41606b]',
  TOLD: 'border-sand bg-sand font-bold text-night',
  HURT: 'border-[#e3b8e0] text-[#e3b8e0]',
  GONE: 'border-transparent text-[#a9bcc2]',
}

/** A lane: what is demonstrated, and under it who follows, each with what is theirs. */
export function Lane({
  index,
  name,
  shown,
  rows,
  next,
  chosen,
  onChoose,
}: {
  index: number
  name: string
  shown?: S['LaneShownView']
  rows: Row[]
  /** it comes after this rest */
  next: boolean
  chosen?: string
  onChoose: (clientId: string) => void
}) {
  return (
    <section
      aria-label={`Lane ${name}`}
      className="min-w-0 border-[#35505a] px-4 pb-2 max-md:border-t md:px-5 md:[&+&]:border-l"
    >
      <div className="-mx-4 mb-2 md:-mx-5">
        <svg width="100%" height="6" aria-hidden="true" className="block">
          <path
            d="M0 3H4000"
            stroke={LANES[index]?.colour}
            strokeWidth="5"
            strokeDasharray={LANES[index]?.dash}
          />
        </svg>
      </div>
      <div className="flex items-start justify-between gap-3">
        <div className="min-w-0">
          <p className="text-[#b8c8cd]">
            {name}
            {next && <strong className="text-sand"> · next</strong>}
          </p>
          <h2 className="text-[clamp(20px,2.1vw,32px)] font-bold leading-tight">
            {shown?.name ?? 'with another lane'}
          </h2>
          {shown && shown.cues.length > 0 && (
            <p className="text-[clamp(15px,1.35vw,19px)] leading-snug text-sand">
              {shown.cues.slice(0, 2).join(' · ')}
            </p>
          )}
        </div>
        {shown?.movementId && (
          <Figure movementId={shown.movementId} name={shown.name} phase="END" height={84} night />
        )}
      </div>
      <People rows={rows} chosen={chosen} onChoose={onChoose} />
    </section>
  )
}

/** Names, one row each: a tap opens the one strip. */
export function People({
  rows,
  chosen,
  onChoose,
}: {
  rows: Row[]
  chosen?: string
  onChoose: (clientId: string) => void
}) {
  return (
    <ul className="mt-2">
      {rows.map(({ person, live, alone, weight, own, chip }) => {
        const rests = chip?.look !== 'GONE' && restsNow(live)
        const open = chosen === person.clientId
        return (
          <li key={person.clientId} className="border-t border-[#2a424b]">
            <button
              type="button"
              aria-pressed={open}
              data-person={person.called}
              className={`grid min-h-[44px] w-full grid-cols-[minmax(72px,0.42fr)_1fr_auto] items-center gap-x-3 py-1 text-left ${open ? 'bg-[#24404a]' : ''} ${chip?.look === 'GONE' ? 'text-[#a9bcc2]' : ''}`}
              onClick={() => onChoose(person.clientId)}
            >
              <strong className="text-[17px]">{person.called}</strong>
              <span className="leading-snug">
                {alone && <span>{alone} </span>}
                {weight}
                {weight && (own.length > 0 || rests) && ' · '}
                <span className="text-[15px] text-[#e3b8e0]">{own.join(' · ')}</span>
                {rests && <span className="text-[15px] font-bold text-sand"> rests</span>}
              </span>
              {chip && (
                <span
                  className={`min-w-[38px] rounded border px-2 py-1 text-center text-[15px] ${CHIP[chip.look]}`}
                >
                  {chip.words}
                </span>
              )}
            </button>
          </li>
        )
      })}
    </ul>
  )
}
