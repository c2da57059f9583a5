import { ApiError } from '../lib/api'

/** The sentence of a failed request, with its reasons. */
export function Failure({ error }: { error: unknown }) {
  if (!error) return null
  const problem = error instanceof ApiError ? error.problem : undefined
  return (
    <div role="alert" className="my-3 border-l-4 border-brick bg-sheet px-4 py-3">
      <p className="font-semibold text-brick">{problem?.detail ?? 'Something failed here.'}</p>
      {problem?.reasons?.map((r) => (
        <p key={r} className="mt-1 text-sm">
          {r}
        </p>
      ))}
      {problem?.errors && problem.errors.length > 1 && (
        <ul className="mt-1 list-disc pl-5 text-sm">
          {problem.errors.slice(0, 8).map((e) => (
            <li key={e.pointer}>{e.detail}</li>
          ))}
        </ul>
      )}
      {problem?.theirs !== undefined && <Versions theirs={problem.theirs} yours={problem.yours} />}
    </div>
  )
}

function Versions({ theirs, yours }: { theirs: unknown; yours: unknown }) {
  const a = theirs as Record<string, unknown>
  const b = yours as Record<string, unknown>
  const keys = Object.keys(b ?? {}).filter(
    (k) => a && k in a && JSON.stringify(a[k]) !== JSON.stringify(b[k]),
  )
  if (keys.length === 0) return null
  return (
    <table className="mt-2 w-full text-left text-sm">
      <thead>
        <tr>
          <th className="pr-4">field</th>
          <th className="pr-4">stored now</th>
          <th>yours</th>
        </tr>
      </thead>
      <tbody>
        {keys.map((k) => (
          <tr key={k}>
            <td className="pr-4">{k}</td>
            <td className="pr-4 font-mono">{JSON.stringify(a[k])}</td>
            <td className="font-mono">{JSON.stringify(b[k])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
