import type { S } from '../../lib/api'
import { day } from '../../lib/format'
import { Came, Mornings, Rise } from './pictures'

export const wayWords = { UP: 'went up', SAME: 'stayed', DOWN: 'went down' } as const

/** What was found, in the professional's words: aim, sessions, what went up, what it cost, limits. */
export function Facts({ f }: { f: S['ReviewFacts'] }) {
  return (
    <>
      <p className="mb-3">
        <span className="text-soft">aimed at</span>{' '}
        {f.goals.length > 0 ? f.goals.map((g) => `“${g}”`).join(', ') : 'no goal is on record'}
      </p>
      <div className="mb-5 grid gap-6 sm:grid-cols-2">
        <figure>
          <Came weeks={f.weeks} />
          <figcaption className="text-sm">
            {f.held} {f.held === 1 ? 'session' : 'sessions'} held
            {f.stops > 0 && `, ${f.stops} ended at the stop panel`}
          </figcaption>
        </figure>
        <figure>
          <Mornings held={f.held} answered={f.answered} worse={f.worse} />
          <figcaption className="text-sm">
            {f.answered} of {f.held} mornings answered, {f.worse} worse than before
          </figcaption>
        </figure>
      </div>
      <h3 className="font-bold">What went up, and what it cost</h3>
      <div className="mb-5 overflow-x-auto" tabIndex={0} role="region" aria-label="Families of the review">
        <table className="w-full min-w-[560px] border-collapse border-t-2 border-ink text-left text-sm">
          <thead className="text-soft">
            <tr>
              {['family', 'from, to', '', 'worst pain', 'more pain next day', 'eased, stopped'].map(
                (h, i) => (
                  <th key={i} className="py-1 pr-3 font-normal">
                    {h}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {f.courses.map((c) => (
              <tr key={c.familyId} className="border-t border-line align-top">
                <th scope="row" className="py-1.5 pr-3 font-semibold">
                  {c.family}
                  <span className="block font-normal text-soft">
                    {wayWords[c.course.way]}, {c.course.sessions} ×
                  </span>
                </th>
                <td className="py-1.5 pr-3">
                  {c.before}
                  {c.before !== c.now && <span className="block font-semibold">{c.now}</span>}
                </td>
                <td className="py-1.5 pr-3">
                  <Rise c={c} />
                </td>
                <td className="py-1.5 pr-3 font-mono">{c.course.worstPain ?? 'not told'}</td>
                <td className="py-1.5 pr-3 font-mono">
                  {c.course.worse} of {c.course.answered}
                </td>
                <td className="py-1.5 font-mono">
                  {c.eases}, {c.stops}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Lines
        title="Limits that came"
        lines={f.came.map((l) => `${l.words}, from ${day(l.from)}, ${l.source}`)}
      />
      <Lines title="Limits that ended" lines={f.ended.map((l) => `${l.words}, ${l.source}`)} />
      <Lines
        title="Beside the sessions"
        lines={f.marks.map((m) => `${day(m.on)} ${m.title}${m.words ? `: ${m.words}` : ''}`)}
      />
      <Lines title="Stands open" lines={f.open} />
      <Lines title="What the record proposes" lines={f.next} />
    </>
  )
}

export function Lines({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <>
      <h3 className="mt-3 font-bold">{title}</h3>
      <ul className="text-sm">
        {lines.map((l) => (
          <li key={l} className="py-0.5">
            {l}
          </li>
        ))}
      </ul>
    </>
  )
}
