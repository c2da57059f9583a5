import { day, fullDay } from '../../lib/format'
import { Came, Mornings, Rise } from './pictures'
import { Paper, useFacts } from './Paper'

const FEW = 2
const LIMITS = 4

/** Signs of arithmetic in words. */
const plain = (words: string) => words.replace(' ≤ ', ' at most ').replace(' ≥ ', ' at least ')

/** One page in plain words and big type, with three pictures. */
export function ForClient() {
  const { f, points, words, failure } = useFacts()
  if (!f) return failure
  // what a clinician said comes first
  const limits = [...f.limits].sort((a, b) => Number(b.firm) - Number(a.firm))
  const first = f.client.split(' ')[0]
  const up = f.courses
    .filter((c) => c.course.way === 'UP')
    .sort((a, b) => b.levels - a.levels)
    .slice(0, FEW)
  const same = f.courses.filter((c) => c.course.way === 'SAME').map((c) => c.family.toLowerCase())
  const less = f.courses.filter((c) => c.course.way === 'DOWN').map((c) => c.family.toLowerCase())
  return (
    <Paper title={`For ${first}`} name="For the client">
      <article className="max-w-[720px] bg-sheet p-8 text-[19px] leading-snug print:p-0 print:text-[15pt]">
        <p className="text-base text-soft print:text-[11pt]">
          {f.studio}, {fullDay(f.to)}
        </p>
        <h1 className="mb-2 text-[30px] font-bold print:text-[24pt]">
          {first}, your weeks from {day(f.from)} to {day(f.to)}
        </h1>
        {f.goals[0] && <p className="mb-4">What you want: “{f.goals[0]}”</p>}
        <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2 print:grid-cols-2">
          <section>
            <h2 className="font-bold">You came {f.held === 1 ? 'once' : `${f.held} times`}</h2>
            <Came weeks={f.weeks} />
          </section>
          <section>
            <h2 className="font-bold">How the mornings after were</h2>
            <Mornings held={f.held} answered={f.answered} worse={f.worse} />
            <p className="text-base print:text-[12pt]">
              ● {f.answered - f.worse} as good as before, or better
              {f.worse > 0 && `, ◆ ${f.worse} worse`}
              {f.held > f.answered && `, ○ ${f.held - f.answered} not told`}
            </p>
          </section>
        </div>
        <section className="mt-4">
          <h2 className="font-bold">{up.length > 0 ? 'What became more' : 'What you kept up'}</h2>
          {up.length === 0 && (
            <p>
              {same.length > 0 ? `You held: ${same.slice(0, LIMITS).join(', ')}. Holding is work too.` : ''}
            </p>
          )}
          <div className="grid gap-x-8 sm:grid-cols-2 print:grid-cols-2">
            {up.map((c) => (
              <div key={c.familyId}>
                <Rise c={c} big />
                <p>
                  {c.tasks[0] ? `For ${c.tasks[0]}: ` : ''}
                  {c.family.toLowerCase()}, from {c.before} to <strong>{c.now}</strong>
                </p>
              </div>
            ))}
          </div>
          {less.length > 0 && (
            <p className="mt-1">
              Less on purpose for now: {less.join(', ')}. Less is a proper dose when the body asks for it.
            </p>
          )}
        </section>
        {f.limits.length > 0 && (
          <section className="mt-4">
            <h2 className="font-bold">What we look out for with you</h2>
            <ul className="ml-6 list-disc">
              {limits.slice(0, LIMITS).map((l) => (
                <li key={l.words}>
                  {plain(l.words)}
                  {l.until && `, until ${day(l.until)}`}
                </li>
              ))}
            </ul>
            {f.limits.length > LIMITS && <p>and {f.limits.length - LIMITS} more that we keep for you</p>}
          </section>
        )}
        <section className="mt-4">
          <h2 className="font-bold">What comes next</h2>
          {words && <p>{words}</p>}
          <ul className="ml-6 list-disc">
            {points.map((p, i) => (
              <li key={i}>{p.words}</li>
            ))}
          </ul>
          {points.length === 0 && !words && <p>We go on as we are, and tell you before anything changes.</p>}
        </section>
        <p className="mt-5 border-t border-line pt-2 text-base text-soft print:text-[11pt]">
          Tell us when something is new or hurts. This page does not replace your doctor. In an emergency call{' '}
          {f.emergencyNumber}.{f.phone && ` ${f.studio}: ${f.phone}.`}
        </p>
      </article>
    </Paper>
  )
}
