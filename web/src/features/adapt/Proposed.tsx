import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import { http, ifMatch, told, type S } from '../../lib/api'
import { verdictWords } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { useClient } from '../clients/useClient'

/** What the record proposes for the family of a slot, before the session: to accept in place. */
export function Proposed({ p, current }: { p: S['ProposedView']; current: boolean }) {
  const { client } = useClient()
  const cache = useQueryClient()
  const accept = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/verdicts/{id}/decision', {
          params: { path: { id: p.verdictId }, header: ifMatch(p.version) },
          body: { verdict: p.says },
        }),
      ),
    onSuccess: () => q.changed(cache, 'client', client.id),
  })
  const words = verdictWords[p.says]
  return (
    <div className={`text-[13px] leading-snug ${p.waits ? 'text-ink' : 'text-soft'}`}>
      <span className={current ? '' : 'line-clamp-2'}>
        <strong className={p.waits ? 'text-ochre-deep' : ''}>
          {p.waits ? `to decide: ${words?.toLowerCase()}` : words}
        </strong>
        {'. '}
        {p.sentence}
      </span>
      {current && p.waits && (
        <span className="no-print mt-1 flex flex-wrap items-center gap-3">
          {p.open && (
            <Button main disabled={accept.isPending} onClick={() => accept.mutate()}>
              Accept
            </Button>
          )}
          <Link to={`/clients/${client.id}/tolerance`} className="text-teal underline underline-offset-4">
            decide otherwise
          </Link>
        </span>
      )}
      <Failure error={accept.error} />
    </div>
  )
}
