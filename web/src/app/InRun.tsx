import { useQueryClient } from '@tanstack/react-query'
import { useNavigate, useParams } from 'react-router'
import * as q from '../lib/queries'
import { Run } from './pages'

/** A run gone to from inside the application; by its address it stands alone. */
export function InRun({ emergency }: { emergency: string }) {
  const { runId = '' } = useParams()
  const cache = useQueryClient()
  const navigate = useNavigate()
  return (
    <Run
      key={runId}
      runId={runId}
      emergency={emergency}
      go={(to) => void navigate(to)}
      onEnd={() => void q.changed(cache, 'run', runId)}
    />
  )
}
