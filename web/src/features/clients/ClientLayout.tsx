import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { NavLink, Outlet, useLocation, useParams } from 'react-router'
import { later } from '../../lib/later'
import * as q from '../../lib/queries'
import { day, kilos } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { useOpenInView } from '../../ui/useOpenInView'
import { LimitLine, LimitRibbon, useRibbon } from '../limits/LimitRibbon'
import { useTitle } from '../../lib/title'
import { type ClientContext } from './useClient'

const ClientForm = later(() => import('./ClientForm'), 'ClientForm')

const PAGES = [
  ['', 'Overview'],
  ['screening', 'Screening'],
  ['limits', 'Limits'],
  ['pulse', 'Pulse'],
  ['plan', 'Plan'],
  ['tolerance', 'Tolerance'],
  ['record', 'Record'],
  ['papers', 'Papers'],
] as const

/** The client's header: facts, limits ribbon, pages. */
export function ClientLayout() {
  const { clientId = '' } = useParams()
  const [editing, setEditing] = useState(false)
  const [ribbon, turn] = useRibbon()
  const client = useQuery(q.clients.one(clientId))
  const readiness = useQuery(q.clients.readiness(clientId))
  const limits = useQuery(q.limits.all(clientId))
  useTitle(client.data?.name)
  const { pathname } = useLocation()
  const tabs = useOpenInView(
    pathname,
    [client, readiness, limits].every((x) => x.data !== undefined),
  )
  const error = client.error ?? readiness.error ?? limits.error
  if (error) return <Failure error={error} />
  if (!client.data || !readiness.data || !limits.data) return <Loading what="the client" />
  const c = client.data
  const weights = [...new Set(c.kit.weights.map((w) => kilos(w.grams)))].sort((a, b) => a - b).join(', ')
  const withdrawn = c.record.consent?.withdrawnOn
  return (
    <>
      <div className="pt-2">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-[24px] font-bold">{c.name}</h1>
          <p className="order-3 basis-full text-sm text-soft sm:order-none sm:basis-auto">
            {c.age} · {c.facts ?? 'no facts noted'}
            {readiness.data.gestation && ` · ${readiness.data.gestation} weeks`}
            {weights && ` · ${c.room ? c.room.name : 'own kit'} ${weights} kg`}
          </p>
          <LimitLine limits={limits.data} open={ribbon} onTurn={turn} />
          <Button
            quiet
            className="order-2 ml-auto !min-h-[34px] sm:order-none"
            onClick={() => setEditing(true)}
          >
            Edit
          </Button>
        </div>
        {c.archivedOn && (
          <p className="mt-2 border-l-4 border-soft bg-sheet px-3 py-1.5">
            Archived {day(c.archivedOn)}: out of the lists, not to be trained. Restore on the Papers page.
          </p>
        )}
        {withdrawn && (
          <p className="mt-2 border-l-4 border-brick bg-sheet px-3 py-1.5">
            Consent withdrawn {day(withdrawn)}: nothing new is recorded.
          </p>
        )}
        <LimitRibbon limits={limits.data} open={ribbon} />
      </div>
      <nav
        ref={tabs}
        aria-label="Client"
        className="no-print mb-3 flex gap-x-6 overflow-x-auto whitespace-nowrap border-b border-line"
      >
        {PAGES.map(([to, words]) => (
          <NavLink
            key={to}
            to={to}
            end={to === ''}
            className={({ isActive }) =>
              `border-b-[3px] px-0.5 py-2 focus-visible:-outline-offset-2 ${isActive ? 'border-ochre font-semibold' : 'border-transparent text-soft hover:text-ink'}`
            }
          >
            {words}
          </NavLink>
        ))}
      </nav>
      <Outlet
        context={{ client: c, readiness: readiness.data, limits: limits.data } satisfies ClientContext}
      />
      <Dialog open={editing} onOpenChange={setEditing} title={`Edit ${c.name}`} wide>
        <ClientForm key={c.version} client={c} onDone={() => setEditing(false)} />
      </Dialog>
    </>
  )
}
