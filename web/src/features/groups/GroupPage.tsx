import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { type S, http, told } from '../../lib/api'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { useTitle } from '../../lib/title'
import { clock, longDay, outcomeWords } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Contours, LaneMark } from './Contours'

const GroupForm = later(() => import('./GroupForm'), 'GroupForm')

const APART: Record<string, string> = { ...outcomeWords, ARCHIVED: 'Archived', CONSENT: 'No consent' }

/** The group sheet: contour lines of the lanes, slots down, lanes across, exceptions by name. */
export function GroupPage() {
  const { groupId = '' } = useParams()
  const group = useQuery(q.groups.one(groupId))
  const [editing, setEditing] = useState(false)
  useTitle(group.data?.name)
  const cache = useQueryClient()
  const archive = useMutation({
    mutationFn: () => {
      const which = { params: { path: { id: groupId } } }
      return group.data?.archivedOn
        ? told(http.POST('/api/groups/{id}/restore', which))
        : told(http.POST('/api/groups/{id}/archive', which))
    },
    onSuccess: () => void q.changed(cache, 'group'),
  })
  if (group.error) return <Failure error={group.error} />
  if (!group.data) return <Loading what="the group" />
  const g = group.data
  return (
    <>
      {g.planId ? (
        <Sheet group={g} onEdit={() => setEditing(true)} onArchive={() => archive.mutate()} />
      ) : (
        <div className="py-6">
          <h1 className="mb-3 text-[26px] font-bold">{g.name}</h1>
          <p className="mb-4">This group has no plan yet. Choose one, and the lanes are found for it.</p>
          <Button main onClick={() => setEditing(true)}>
            Choose a plan
          </Button>
        </div>
      )}
      <Failure error={archive.error} />
      <Dialog open={editing} onOpenChange={setEditing} title={`Edit ${g.name}`} wide>
        <GroupForm key={g.version} group={g} onDone={() => setEditing(false)} />
      </Dialog>
    </>
  )
}

/** What can be changed at one meeting. */
type Meeting =
  | { what: 'move'; body: S['Move'] }
  | { what: 'drop-in'; body: S['Who'] }
  | { what: 'away'; body: S['Away'] }
  | { what: 'anew' }

function Sheet({
  group,
  onEdit,
  onArchive,
}: {
  group: S['GroupView']
  onEdit: () => void
  onArchive: () => void
}) {
  const cache = useQueryClient()
  const { queryKey: key, ...rest } = q.groups.sheet(group.id, group.version)
  const sheet = useQuery({ queryKey: key, ...rest })
  const [slot, setSlot] = useState<string>()
  const [who, setWho] = useState<string>()
  const [dropping, setDropping] = useState(false)
  const meet = useMutation({
    mutationFn: (m: Meeting) => {
      const at = { params: { path: { id: group.id, date: sheet.data?.date ?? '' } } }
      switch (m.what) {
        case 'move':
          return told(http.POST('/api/groups/{id}/meetings/{date}/move', { ...at, body: m.body }))
        case 'drop-in':
          return told(http.POST('/api/groups/{id}/meetings/{date}/drop-in', { ...at, body: m.body }))
        case 'away':
          return told(http.POST('/api/groups/{id}/meetings/{date}/away', { ...at, body: m.body }))
        case 'anew':
          return told(http.POST('/api/groups/{id}/meetings/{date}/anew', at))
      }
    },
    onSuccess: (s) => {
      cache.setQueryData(key, s)
      setDropping(false)
    },
  })
  const print = (paper: string) => `/api/groups/${group.id}/sheet.pdf?paper=${paper}`
  useKeys([
    { press: '[Shift]++', shown: '+', words: 'a drop-in', act: () => setDropping(true) },
    {
      press: 'l',
      words: 'people and their lanes',
      act: () => document.querySelector<HTMLElement>('[data-people] button')?.focus(),
    },
    {
      press: '[Shift]+p',
      shown: 'P',
      words: 'print the sheet',
      act: (e) => e.key === 'P' && window.open(print('A4')),
    },
  ])
  if (sheet.error) return <Failure error={sheet.error} />
  if (!sheet.data) return <Loading what="the lanes" />
  const s = sheet.data
  const work = s.slots.filter((x) => x.block === 'WORK')
  const person = s.people.find((p) => p.clientId === who)
  const cols = `minmax(120px,0.5fr) repeat(${s.lanes.length}, minmax(0, 1.2fr))`
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-3 pt-5">
        <h1 className="text-[26px] font-bold">{s.name}</h1>
        <p className="text-soft">
          {longDay(s.date)} · {people(s.people.length)} · {s.room ?? 'no room'} ·{' '}
          <Link className="underline underline-offset-4" to={`/plans/${s.planId}`}>
            {s.planName}
          </Link>
        </p>
        <p className="ml-auto font-mono text-xl font-bold">{clock(s.totalSeconds)}</p>
        {s.people.length > 0 && !group.archivedOn && (
          <Link className="btn btn-main no-print" to={`/groups/${group.id}/start`}>
            Today’s check and start
          </Link>
        )}
      </div>
      <Failure error={meet.error} />
      {s.shortages.map((x) => (
        <p key={x} className="border-l-4 border-ochre pl-3 text-ochre-deep">
          {x}
        </p>
      ))}
      {s.people.length === 0 ? (
        <p className="border-y border-line py-6">
          Nobody can be started with this group today; see below why.
        </p>
      ) : (
        <>
          <div className="mt-2">
            <Contours sheet={s} slot={slot} />
          </div>
          {s.watch.length > 0 && (
            <ul aria-label="To watch" className="mt-2 gap-x-8 sm:columns-2">
              {s.watch.map((w) => (
                <li key={w.clientId} className="break-inside-avoid pb-0.5 text-[13.5px] leading-snug">
                  <strong className="text-ochre-deep">watch {w.name}</strong>{' '}
                  <span className="text-soft">{w.reasons.join('; ')}</span>
                </li>
              ))}
            </ul>
          )}
          <div role="table" aria-label="Slots by lanes" className="mt-3">
            <div role="row" className="hidden gap-x-4 md:grid" style={{ gridTemplateColumns: cols }}>
              <span role="columnheader" className="border-b-2 border-ink pb-1 font-bold">
                slot
              </span>
              {s.lanes.map((l) => (
                <span role="columnheader" key={l.lane} className="border-b-2 border-ink pb-1">
                  <LaneMark lane={l.lane} /> <strong>{l.name}</strong>
                  <span className="block text-[13px] text-soft">
                    {l.people.join(' · ') || 'nobody for most of it'}
                  </span>
                  {l.notes.map((x) => (
                    <span key={x.clientId + x.text} className="block text-[13px] text-plum">
                      {x.name}: {x.text}
                    </span>
                  ))}
                </span>
              ))}
            </div>
            <Ease slots={s.slots.filter((x) => x.block === 'WARM_UP')} words="Warm-up" />
            {work.map((x) => (
              <SlotRow
                key={x.key}
                slot={x}
                lanes={s.lanes}
                cols={cols}
                chosen={slot === x.key}
                onChoose={() => setSlot(slot === x.key ? undefined : x.key)}
                planId={s.planId}
                room={s.roomId}
                onTaken={() => void cache.invalidateQueries({ queryKey: key })}
              />
            ))}
            <Ease slots={s.slots.filter((x) => x.block === 'COOL_DOWN')} words="Cool-down" />
          </div>
        </>
      )}
      <div className="no-print mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-labelledby="people" data-people>
          <h2 id="people" className="border-b-2 border-ink pb-1 font-bold">
            People and lanes
          </h2>
          <ul>
            {s.people.map((p) => (
              <li key={p.clientId} className="flex flex-wrap items-center gap-x-3 border-b border-line">
                <button
                  type="button"
                  aria-expanded={who === p.clientId}
                  className="min-h-[42px] flex-1 text-left"
                  onClick={() => setWho(who === p.clientId ? undefined : p.clientId)}
                >
                  {p.name}
                  {p.dropIn && <span className="text-ochre-deep"> dropped in</span>}
                </button>
                <span className="text-soft">
                  {p.lane === undefined ? 'alone' : s.lanes[p.lane]?.name}
                  {p.moved && ', by hand'}
                </span>
                {who === p.clientId && person && (
                  <div className="w-full pb-3">
                    <p className="mb-1 text-[13px] text-soft">
                      Another lane: every slot is checked again. What it breaks is said here.
                    </p>
                    <div className="flex flex-wrap gap-2">
                      {s.lanes.map((l) => (
                        <Button
                          key={l.lane}
                          aria-pressed={p.lane === l.lane}
                          className={p.lane === l.lane ? '!border-ink' : ''}
                          disabled={meet.isPending}
                          onClick={() =>
                            meet.mutate({ what: 'move', body: { clientId: p.clientId, lane: l.lane } })
                          }
                        >
                          <LaneMark lane={l.lane} /> {l.name}
                        </Button>
                      ))}
                      {p.moved && (
                        <Button
                          quiet
                          onClick={() => meet.mutate({ what: 'move', body: { clientId: p.clientId } })}
                        >
                          as found
                        </Button>
                      )}
                      <Button
                        quiet
                        onClick={() =>
                          meet.mutate({ what: 'away', body: { clientId: p.clientId, away: true } })
                        }
                      >
                        not here today
                      </Button>
                      <Link
                        className="btn btn-quiet"
                        to={`/clients/${p.clientId}/plan/${s.planId}?group=${s.groupId}`}
                      >
                        start {p.name.split(' ')[0]}
                      </Link>
                      <a
                        className="btn btn-quiet"
                        href={`/api/clients/${p.clientId}/adapted/${s.planId}/card.pdf`}
                        target="_blank"
                        rel="noreferrer"
                      >
                        card
                      </a>
                    </div>
                    {person.reasons.map((r) => (
                      <p key={r} className="mt-1 border-l-4 border-plum pl-3 text-sm text-plum">
                        The lane {r}
                      </p>
                    ))}
                  </div>
                )}
              </li>
            ))}
            {group.members
              .filter(
                (m) =>
                  !s.people.some((p) => p.clientId === m.id) && !s.apart.some((a) => a.clientId === m.id),
              )
              .map((m) => (
                <li key={m.id} className="flex items-center gap-3 border-b border-line text-soft">
                  <span className="flex-1">{m.name}, not here today</span>
                  <Button
                    quiet
                    onClick={() => meet.mutate({ what: 'away', body: { clientId: m.id, away: false } })}
                  >
                    is here
                  </Button>
                </li>
              ))}
          </ul>
        </section>
        <section aria-labelledby="kit">
          <h2 id="kit" className="border-b-2 border-ink pb-1 font-bold">
            Kit, most at once
          </h2>
          <ul>
            {s.kit.map((k) => (
              <li key={k.words} className="flex justify-between border-b border-line py-1.5">
                <span>{k.words}</span>
                <span
                  className={`font-mono ${k.have !== undefined && k.have < k.most ? 'font-bold text-ochre-deep' : ''}`}
                >
                  {k.most} at once
                  {k.have !== undefined ? `, ${k.have} there` : ', not counted in the room'}
                </span>
              </li>
            ))}
            {s.kit.length === 0 && <li className="py-2 text-soft">Nothing is needed.</li>}
          </ul>
        </section>
      </div>
      {s.apart.length > 0 && (
        <section aria-labelledby="apart" className="mt-6">
          <h2 id="apart" className="border-b-2 border-brick pb-1 font-bold text-brick">
            Not started with the group
          </h2>
          <ul>
            {s.apart.map((a) => (
              <li key={a.clientId} className="border-b border-line py-2">
                <Link className="font-bold underline underline-offset-4" to={`/clients/${a.clientId}`}>
                  {a.name}
                </Link>{' '}
                <strong className="text-brick">{APART[a.outcome] ?? a.outcome}</strong>: {a.reasons.join(' ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="no-print mt-6 flex flex-wrap items-center gap-2 border-t border-line pt-3">
        <Button main onClick={() => setDropping(true)}>
          Drop-in <kbd className="text-ink">+</kbd>
        </Button>
        <a className="btn" href={print('A4')} target="_blank" rel="noreferrer">
          Print A4 <kbd>P</kbd>
        </a>
        <a className="btn" href={print('LETTER')} target="_blank" rel="noreferrer">
          Print Letter
        </a>
        {(s.kept || s.people.some((p) => p.moved)) && (
          <Button onClick={() => meet.mutate({ what: 'anew' })}>Lay out anew</Button>
        )}
        <Button quiet onClick={onEdit}>
          Edit the group
        </Button>
        <Button quiet onClick={onArchive}>
          {group.archivedOn ? 'Take out of the archive' : 'Archive'}
        </Button>
        {s.kept && (
          <p className="text-sm text-soft">
            Lanes are kept as they were before the drop-in; a slot that had to change is marked.
          </p>
        )}
      </div>
      <DropIn
        open={dropping}
        onOpenChange={setDropping}
        here={[...s.people.map((p) => p.clientId), ...s.apart.map((p) => p.clientId)]}
        busy={meet.isPending}
        error={meet.error}
        onPick={(clientId) => meet.mutate({ what: 'drop-in', body: { clientId } })}
      />
    </>
  )
}

/** The option above a slot: who may do it, taken for one at a time, and taken back. */
function Above({
  planId,
  room,
  slotKey,
  upper,
  onTaken,
}: {
  planId: string
  /** where it is done, for the kit there */
  room?: string
  slotKey: string
  upper: S['SheetUpper']
  onTaken: () => void
}) {
  const take = useMutation({
    mutationFn: async (who: S['SheetMay']) => {
      const at = { params: { path: { clientId: who.clientId, planId, key: slotKey } } }
      const { movementId, modifiers, grams } = upper
      const there = { params: { ...at.params, query: { room } } }
      if (movementId === undefined) {
        const weight = '/api/clients/{clientId}/adapted/{planId}/slots/{key}/weight'
        return who.taken
          ? told(http.DELETE(weight, at))
          : told(http.PUT(weight, { ...there, body: { grams: grams ?? 0, today: true } }))
      }
      const choice = '/api/clients/{clientId}/adapted/{planId}/slots/{key}/choice'
      return who.taken
        ? told(http.DELETE(choice, at))
        : told(http.PUT(choice, { ...there, body: { movementId, modifiers } }))
    },
    onSuccess: onTaken,
  })
  return (
    <div className="no-print text-[13px] leading-snug">
      <p>
        above it, for who can: <strong>{upper.words}</strong>
      </p>
      <p>
        take it for{' '}
        {upper.may.map((p, i) => (
          <span key={p.clientId}>
            {i > 0 && ', '}
            <button
              type="button"
              aria-pressed={p.taken}
              aria-label={p.taken ? `take it back for ${p.name}` : `take it for ${p.name}`}
              disabled={take.isPending}
              className={`min-h-[28px] underline underline-offset-4 ${p.taken ? 'font-semibold text-ochre-deep' : 'text-teal'}`}
              onClick={() => take.mutate(p)}
            >
              {p.taken ? `${p.name} ✓ back` : p.name}
            </button>
          </span>
        ))}
      </p>
      <Failure error={take.error} />
    </div>
  )
}

const people = (n: number) => (n === 0 ? 'nobody' : n === 1 ? '1 person' : `${n} people`)

function Ease({ slots, words }: { slots: S['SheetSlot'][]; words: string }) {
  if (slots.length === 0) return null
  return (
    <p className="border-b border-line py-2 text-[14px] text-soft">
      <strong className="text-ink">{words}</strong>{' '}
      {slots
        .map(
          (s) =>
            [...new Set(s.cells.map((c) => c.title).filter(Boolean))].join(' or ') +
            s.alone.map((a) => `; ${a.name} alone: ${a.text}`).join(''),
        )
        .join(' · ')}
    </p>
  )
}

function SlotRow({
  slot,
  lanes,
  cols,
  chosen,
  onChoose,
  planId,
  room,
  onTaken,
}: {
  slot: S['SheetSlot']
  lanes: S['SheetLane'][]
  cols: string
  chosen: boolean
  onChoose: () => void
  planId: string
  room?: string
  onTaken: () => void
}) {
  return (
    <div
      role="row"
      className={`grid gap-x-4 border-b border-line py-2 max-md:!grid-cols-1 ${chosen ? 'bg-ochre-tint/50' : ''}`}
      style={{ gridTemplateColumns: cols }}
    >
      <div role="rowheader" className="self-start">
        <button type="button" aria-pressed={chosen} className="text-left" onClick={onChoose}>
          <strong>{slot.number}</strong> {slot.purpose}
          <span className="block font-mono text-[12px] tracking-tight text-soft">{slot.work}</span>
          {slot.changed && (
            <span className="text-[13px] font-semibold text-ochre-deep">lanes found anew</span>
          )}
        </button>
        {slot.upper && slot.upper.may.length > 0 && (
          <Above planId={planId} room={room} slotKey={slot.key} upper={slot.upper} onTaken={onTaken} />
        )}
      </div>
      {slot.cells.map((c) => (
        <div role="cell" key={c.lane} className="min-w-0">
          <p className={c.title ? '' : 'text-soft'}>
            <span className="md:hidden">
              <LaneMark lane={c.lane} /> {lanes[c.lane]?.name}:{' '}
            </span>
            {c.title ?? 'with another lane'}
            {c.title && <span className="text-[13px] text-soft"> {people(c.people)}</span>}
          </p>
          {c.weights.map((x) => (
            <p key={x} className="text-[13.5px] text-soft">
              {x}
            </p>
          ))}
          {c.exceptions.map((x) => (
            <p key={x.clientId + x.text} className="text-[13.5px] text-plum">
              {x.name}: {x.text}
            </p>
          ))}
          {c.lane === lanes.length - 1 && (
            <>
              {slot.alone.map((x) => (
                <p key={x.clientId} className="text-[13.5px] font-semibold text-brick">
                  alone, {x.name}: {x.text}
                </p>
              ))}
            </>
          )}
        </div>
      ))}
    </div>
  )
}

function DropIn({
  open,
  onOpenChange,
  here,
  busy,
  error,
  onPick,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  here: string[]
  busy: boolean
  error: unknown
  onPick: (id: string) => void
}) {
  const [text, setText] = useState('')
  const clients = useQuery({ ...q.clients.names(), enabled: open })
  const shown = (clients.data ?? [])
    .filter((c) => !here.includes(c.id))
    .filter((c) => c.name.toLowerCase().includes(text.trim().toLowerCase()))
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Who drops in?" free>
      <p className="mb-2 text-soft">The others keep their lanes where that is possible.</p>
      <Failure error={error} />
      <input
        autoFocus
        aria-label="Name of who drops in"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          const first = shown[0]
          if (e.key === 'Enter' && first && !busy) onPick(first.id)
        }}
      />
      <ul className="mt-2">
        {shown.slice(0, 8).map((c) => (
          <li key={c.id} className="border-b border-line">
            <button
              type="button"
              disabled={busy}
              className="flex min-h-[44px] w-full items-center justify-between gap-3 text-left"
              onClick={() => onPick(c.id)}
            >
              <span>{c.name}</span>
              <span className="truncate text-sm text-soft">{c.facts}</span>
            </button>
          </li>
        ))}
        {clients.data && shown.length === 0 && (
          <li className="py-2 text-soft">Nobody else has “{text}” in the name.</li>
        )}
      </ul>
    </Dialog>
  )
}
