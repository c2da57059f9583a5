import { Dialog } from '../../ui/Dialog'
import { useClient } from '../clients/useClient'

import { Closed } from './Closed'
import { later } from '../../lib/later'

const TodayCheck = later(() => import('./TodayCheck'), 'TodayCheck')

/** Today's check before a run, then the start. */
export function StartPanel({
  open,
  onOpenChange,
  planId,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  planId: string
}) {
  const { client, readiness } = useClient()
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={`Before ${client.name.split(' ')[0]} starts`} wide>
      {readiness.closed ? (
        <Closed client={client} closed={readiness.closed} />
      ) : (
        <TodayCheck planId={planId} />
      )}
    </Dialog>
  )
}
