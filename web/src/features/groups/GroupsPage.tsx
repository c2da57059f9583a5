import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { WEEKDAYS } from '../../lib/format'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

const GroupForm = later(() => import('./GroupForm'), 'GroupForm')

export function GroupsPage() {
  const groups = useQuery(q.groups.all())
  const [adding, setAdding] = useState(false)
  const cache = useQueryClient()
  if (groups.error) return <Failure error={groups.error} />
  if (!groups.data) return <Loading what="groups" />
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 py-5">
        <h1 className="text-[26px] font-bold">Groups</h1>
        <Button main onClick={() => setAdding(true)}>
          New group
        </Button>
      </div>
      {groups.data.length === 0 && (
        <p className="border-t-2 border-ink py-6">
          No group yet. A group has people, a room with its kit, and a plan; the lanes are found for it.
        </p>
      )}
      <ul className="border-t-2 border-ink">
        {groups.data.map((g) => (
          <li key={g.id} className="border-b border-line">
            <Link to={`/groups/${g.id}`} className="block py-3 hover:bg-sheet">
              <strong className="text-lg">{g.name}</strong>{' '}
              <span className="text-soft">
                {g.weekday && `${WEEKDAYS[g.weekday - 1]} ${g.time?.slice(0, 5) ?? ''} · `}
                {g.members.length} people · {g.room ?? 'no room'} · {g.plan ?? 'no plan yet'} · {g.lanes}{' '}
                lanes
              </span>
              <span className="block text-sm">{g.members.map((m) => m.name.split(' ')[0]).join(' · ')}</span>
            </Link>
          </li>
        ))}
      </ul>
      <Dialog open={adding} onOpenChange={setAdding} title="New group" wide>
        <GroupForm
          onDone={() => {
            setAdding(false)
            void q.changed(cache, 'group')
          }}
        />
      </Dialog>
    </>
  )
}
