import type { S } from '../../../lib/api'
import type { Moment } from '../../../lib/run/moment'
import { Choice } from '../../../ui/Choice'

/** Whose sign it is: everybody who was not stopped yet. */
export function StopWho({
  run,
  moment,
  value,
  onChange,
}: {
  run: S['RunView']
  moment: Moment
  value?: string
  onChange: (clientId: string) => void
}) {
  const stopped = moment.clock.stops.map((s) => s.person)
  return (
    <Choice
      label="Who?"
      options={run.people.map(
        (p) =>
          [p.clientId, stopped.includes(p.clientId) ? `${p.called}, stopped already` : p.called] as const,
      )}
      value={value}
      onChange={onChange}
    />
  )
}
