import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
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
import { found } from './found'

const ClientForm = later(() => import('./ClientForm'), 'ClientForm')
type Line = S['ClientLine']

/** Everybody at a glance: what they have, when they come next, what waits; found by typing. */
export function ClientsPage() {
  const [archived, setArchived] = useState(false)
  const [text, setText] = useState('')
  const clients = useQuery(q.clients.list(archived))
  const [adding, setAdding] = useState(false)
  const navigate = useNavigate()
  useKeys([
    { press: 'f', words: 'find in the list', act: () => document.getElementById('find-client')?.focus() },
  ])
  if (clients.error) return <Failure error={clients.error} />
  if (!clients.data) return <Loading what="clients" />
  const shown = found(clients.data, text)
  const first = shown[0]
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2 py-4">
        <h1 className="text-[26px] font-bold">Clients</h1>
        <form
          className="min-w-0 flex-1 basis-56"
          role="search"
          onSubmit={(e) => {
            e.preventDefault()
            if (first) void navigate(`/clients/${first.id}`)
          }}
        >
          <input
            id="find-client"
            type="search"
            aria-label="Find a client"
            placeholder="name, condition, what waits"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </form>
        <label className="flex min-h-[42px] items-center gap-2">
          <input type="checkbox" checked={archived} onChange={(e) => setArchived(e.target.checked)} />
          archived too
        </label>
        <Button main onClick={() => setAdding(true)}>
          Add a client
        </Button>
      </div>
      {clients.data.length === 0 ? (
        <p className="border-t-2 border-ink py-6">Nobody yet. Add the first client, then screen them.</p>
      ) : shown.length === 0 ? (
        <p role="status" className="border-t-2 border-ink py-6">
          Nobody here has “{text}” in name, conditions or what waits.
        </p>
      ) : (
        <ul className="border-t-2 border-ink" aria-label="Clients">
          {shown.map((c) => (
            <Row key={c.id} c={c} />
          ))}
        </ul>
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
