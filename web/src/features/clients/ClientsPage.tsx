import { useQuery } from '@tanstack/react-query'
import { type ReactNode, useEffect, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import type { S } from '../../lib/api'
import { day } from '../../lib/format'
import { useKeys } from '../../lib/keys'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Pages } from '../../ui/Pages'
import { change, wanted } from './wanted'
import { WAITING } from './waiting'

const ClientForm = later(() => import('./ClientForm'), 'ClientForm')
type Line = S['ClientLine']

/** How long typing has to rest before it is looked for. */
const REST_MS = 200

/** Everybody at a glance: what they have, when they come next, what waits; found by typing. */
export function ClientsPage() {
  const [search, setSearch] = useSearchParams()
  const asked = wanted(search)
  const [text, setText] = useState(asked.find ?? '')
  const clients = useQuery(q.clients.list(asked))
  const [going, setGoing] = useState(false)
  const [adding, setAdding] = useState(false)
  const navigate = useNavigate()
  useKeys([
    { press: 'f', words: 'find in the list', act: () => document.getElementById('find-client')?.focus() },
  ])
  const set = (key: string, value: string) => setSearch(change(search, key, value), { replace: true })
  useEffect(() => {
    if (text.trim() === (asked.find ?? '')) return
    const rests = setTimeout(
      () => setSearch((before) => change(before, 'find', text.trim()), { replace: true }),
      REST_MS,
    )
    return () => clearTimeout(rests)
  }, [text, asked.find, setSearch])
  // what is shown answers another question while the new one is on its way
  const known = !!clients.data && !clients.isPlaceholderData && text.trim() === (asked.find ?? '')
  const firstId = clients.data?.lines[0]?.id
  useEffect(() => {
    // Enter before the answer is there goes on as soon as it is
    if (going && known && firstId) void navigate(`/clients/${firstId}`)
  }, [going, known, firstId, navigate])
  if (clients.error && !clients.data) return <Failure error={clients.error} />
  if (!clients.data) return <Loading what="clients" />
  const { lines, total, all, page, pages, waiting } = clients.data
  const narrowed = !!(asked.find ?? asked.waits ?? asked.coming)
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2 py-4">
        <h1 className="text-[26px] font-bold">Clients</h1>
        <form
          className="order-1 min-w-0 flex-1 basis-56 sm:order-none"
          role="search"
          onSubmit={(e) => {
            e.preventDefault()
            setGoing(true)
          }}
        >
          <input
            id="find-client"
            type="search"
            maxLength={120}
            aria-label="Find a client"
            placeholder="name, condition, what waits"
            value={text}
            onChange={(e) => {
              setText(e.target.value)
              setGoing(false)
            }}
          />
        </form>
        <Choice id="list-waits" label="waits" value={asked.waits ?? ''} set={(v) => set('waits', v)}>
          <option value="">whatever</option>
          {Object.entries(WAITING)
            .filter(([kind]) => kind === asked.waits || waiting[kind])
            .map(([kind, words]) => (
              <option key={kind} value={kind}>
                {words}, {waiting[kind] ?? 0}
              </option>
            ))}
        </Choice>
        <Choice id="list-comes" label="comes" value={asked.coming ?? ''} set={(v) => set('coming', v)}>
          <option value="">whenever</option>
          <option value="TODAY">today</option>
          <option value="WEEK">within 7 days</option>
          <option value="NOTHING">nothing set</option>
        </Choice>
        <Choice
          id="list-by"
          label="by"
          value={asked.order ?? 'NAME'}
          set={(v) => set('order', v === 'NAME' ? '' : v)}
        >
          <option value="NAME">name</option>
          <option value="NEXT">next session</option>
        </Choice>
        <label className="order-1 flex min-h-[42px] items-center gap-2 sm:order-none">
          <input
            type="checkbox"
            checked={asked.archived ?? false}
            onChange={(e) => set('archived', e.target.checked ? 'true' : '')}
          />
          archived too
        </label>
        <Button main className="ml-auto sm:ml-0" onClick={() => setAdding(true)}>
          Add a client
        </Button>
      </div>
      <Failure error={clients.error} />
      {all === 0 ? (
        <p className="border-t-2 border-ink py-6">Nobody yet. Add the first client, then screen them.</p>
      ) : total === 0 ? (
        <p role="status" className="border-t-2 border-ink py-6">
          {asked.find
            ? `Nobody here has “${asked.find}” in name, conditions or what waits.`
            : 'Nobody here answers to that.'}
        </p>
      ) : (
        <>
          <Pages label="Pages" page={page} pages={pages} go={(to) => set('page', to > 0 ? `${to}` : '')}>
            {known ? (narrowed ? `${total} of ${all} clients` : `${total} clients`) : 'looking …'}
          </Pages>
          <ul className="border-t-2 border-ink" aria-label="Clients" aria-busy={!known}>
            {lines.map((c) => (
              <Row key={c.id} c={c} />
            ))}
          </ul>
        </>
      )}
      <Dialog open={adding} onOpenChange={setAdding} title="Add a client" wide leaves>
        <ClientForm
          onDone={(c) => {
            setAdding(false)
            void navigate(`/clients/${c.id}/screening`)
          }}
        />
      </Dialog>
    </>
  )
}

/** One thing the list is narrowed or ordered by. */
function Choice(p: {
  id: string
  label: string
  value: string
  set: (value: string) => void
  children: ReactNode
}) {
  return (
    <span className="order-1 flex min-w-0 flex-1 basis-[45%] items-center gap-2 sm:order-none sm:flex-none sm:basis-auto">
      <label htmlFor={p.id} className="text-soft">
        {p.label}
      </label>
      <select
        id={p.id}
        className="min-w-0 flex-1 sm:!w-auto"
        value={p.value}
        onChange={(e) => p.set(e.target.value)}
      >
        {p.children}
      </select>
    </span>
  )
}

function Row({ c }: { c: Line }) {
  const today = useToday()
  const wait = c.waits[0]
  return (
    <li className="border-b border-line">
      <Link
        to={`/clients/${c.id}`}
        className="grid gap-x-6 gap-y-0.5 py-2.5 hover:bg-sheet sm:grid-cols-2 lg:grid-cols-[230px_1fr_200px_minmax(0,300px)]"
      >
        <span>
          <strong>{c.name}</strong> <span className="font-mono">{c.age}</span>
          {c.archivedOn && <span className="block text-sm text-soft">archived {day(c.archivedOn)}</span>}
        </span>
        <span className="text-sm">
          {c.conditions.length > 0 ? c.conditions.join(' · ') : (c.facts ?? 'no conditions noted')}
        </span>
        <span className="text-sm">
          {c.next ? (
            <>
              <span className="font-mono">
                {c.next.date === today ? 'today' : day(c.next.date)} {c.next.time.slice(0, 5)}
              </span>{' '}
              <span className="text-soft">{c.next.what}</span>
            </>
          ) : (
            <span className="text-soft">nothing set</span>
          )}
        </span>
        <span className="text-sm">
          {wait && (
            <>
              <span className="font-semibold text-ochre-deep">{wait.text}</span>
              {c.waits.length > 1 && <span className="text-soft"> · {c.waits.length - 1} more</span>}
            </>
          )}
        </span>
      </Link>
    </li>
  )
}
