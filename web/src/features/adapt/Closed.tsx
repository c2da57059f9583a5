import { Link } from 'react-router'
import { type S } from '../../lib/api'

/** Who may not train: what stands open, why, and the way to it. */
export function Closed({ client, closed }: { client: S['Client']; closed: S['Closed'] }) {
  const screening = closed.bar === 'NOT_SCREENED' || closed.bar === 'UNDECIDED'
  return (
    <>
      <p className="font-bold text-brick">{closed.sentence}</p>
      {closed.why.map((w) => (
        <p key={w} className="mt-2">
          {w}
        </p>
      ))}
      <p className="mt-3 flex flex-wrap gap-2">
        {screening ? (
          <Link className="btn btn-main" to={`/clients/${client.id}/screening`}>
            {closed.bar === 'UNDECIDED' ? 'Decide the limits' : `Screen ${client.name.split(' ')[0]}`}
          </Link>
        ) : (
          <>
            {closed.bar === 'CLEARANCE_ONLY' && (
              <Link className="btn btn-main" to={`/clients/${client.id}/papers?record`}>
                Record a clearance
              </Link>
            )}
            <Link className="btn" to={`/clients/${client.id}/letter`}>
              Letter that asks for it
            </Link>
          </>
        )}
      </p>
    </>
  )
}
