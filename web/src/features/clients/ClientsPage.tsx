import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api, type S } from '../../lib/api'
import { Button, Dialog, Failure, Loading } from '../../ui'
import { ClientForm } from './ClientForm'

export function ClientsPage() {
  const [archived, setArchived] = useState(false)
  const clients = useQuery({
    queryKey: ['clients', archived],
    queryFn: () => api.get<S['Client'][]>(`/clients${archived ? '?archived=true' : ''}`),
  })
  const [adding, setAdding] = useState(false)
  const navigate = useNavigate()
  if (clients.error) return <Failure error={clients.error} />
  if (!clients.data) return <Loading what="clients" />
  return (
    <>
      <div className="flex items-end justify-between py-5">
        <h1 className="text-[26px] font-bold">Clients</h1>
        <span className="flex items-center gap-4">
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={archived} onChange={(e) => setArchived(e.target.checked)} />
            archived too
          </label>
          <Button main onClick={() => setAdding(true)}>
            Add a client
          </Button>
        </span>
      </div>
      {clients.data.length === 0 && (
        <p className="border-t-2 border-ink py-6">Nobody yet. Add the first client, then screen them.</p>
      )}
      <ul className="border-t-2 border-ink">
        {clients.data.map((c) => (
          <li key={c.id} className="border-b border-line">
            <Link
              to={`/clients/${c.id}`}
              className="grid grid-cols-[1fr_auto] gap-x-6 py-3 hover:bg-sheet sm:grid-cols-[220px_50px_1fr_1fr]"
            >
              <strong>{c.name}</strong>
              <span className="text-right font-mono sm:text-left">{c.age}</span>
              <span className="col-span-2 text-soft sm:col-span-1">
                {c.archivedOn && 'archived · '}
                {c.facts}
              </span>
              <span className="col-span-2 text-sm sm:col-span-1">{c.goal && `“${c.goal}”`}</span>
            </Link>
          </li>
        ))}
      </ul>
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
