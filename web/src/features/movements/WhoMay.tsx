import { Link } from 'react-router'
import type { S } from '../../lib/api'

/** Who of the list may do a movement, who with a change, and what closes it to the others. */
export function WhoMay({ who }: { who: S['WhoView'] }) {
  return (
    <>
      <p className="py-1">
        <strong>
          {who.asItIs + who.withChange} of {who.people.length}
        </strong>{' '}
        may do it: {who.asItIs} as it is, {who.withChange} with a change. Closed to {who.closed}.
      </p>
      <ul>
        {[...who.people]
          .sort((a, b) => Number(b.open) - Number(a.open) || a.how.length - b.how.length)
          .map((p) => (
            <li key={p.id} className="border-b border-line py-1 text-sm">
              <Link className="font-semibold" to={`/clients/${p.id}/limits`}>
                {p.name}
              </Link>{' '}
              {p.open ? (
                <span className="text-teal">{p.how === '' ? 'as it is' : `with ${p.how}`}</span>
              ) : (
                <span className="text-plum">
                  closed: {p.why[0]}
                  {p.why.length > 1 && `, and ${p.why.length - 1} more`}
                </span>
              )}
            </li>
          ))}
      </ul>
    </>
  )
}
