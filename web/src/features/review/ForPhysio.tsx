import { day, fullDay } from '../../lib/format'
import { wayWords } from './Facts'
import { Paper, useFacts } from './Paper'

const cell = 'border-t border-line py-1 pr-2 align-top'

/** Numbers, rules and sets for a physiotherapist or doctor, on one or two pages. */
export function ForPhysio() {
  const { f, points, failure } = useFacts()
  if (!f) return failure
  return (
    <Paper title={`${f.client}, for the physio`} name="For the physio">
      <article className="max-w-[860px] bg-sheet p-8 text-[14px] leading-snug print:p-0 print:text-[9.5pt]">
        <p className="text-soft">
          {f.studio}
          {f.phone && `, ${f.phone}`}, {fullDay(f.to)}
        </p>
        <h1 className="text-[22px] font-bold print:text-[15pt]">
          {f.client}, {f.age}: strength work {day(f.from)} to {fullDay(f.to)}
        </h1>
        <p className="mb-3">
          {f.facts && `${f.facts}. `}
          {f.goals.length > 0 && `Goal: ${f.goals.map((g) => `“${g}”`).join(', ')}. `}
          {f.school === 'MONITORED' ? 'Monitored' : 'Pain-free'} school, usual pain {f.usualPain} of 10;
          effort aimed for {f.goalEffort} of 10.
        </p>
        <p className="mb-3">
          <strong>{f.held}</strong> sessions held{f.stops > 0 && `, ${f.stops} ended at the stop panel`};{' '}
          {f.answered} of {f.held} next mornings answered, {f.worse} worse. Load a week (effort × minutes,
          Foster 2001): {f.weeks.map((w) => `${day(w.from)} ${w.load ?? 'not told'}`).join(', ')}.
        </p>
        <table className="mb-3 w-full border-collapse text-left">
          <thead className="text-soft">
            <tr>
              {['family', 'first', 'last', 'n', 'pain max', 'more pain next day', 'verdict, rule'].map(
                (h) => (
                  <th key={h} className="pr-2 font-normal">
                    {h}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {f.courses.map((c) => (
              <tr key={c.familyId} className="break-inside-avoid">
                <th scope="row" className={`${cell} font-semibold`}>
                  {c.family}
                  <span className="block font-normal">{wayWords[c.course.way]}</span>
                </th>
                <td className={cell}>{c.before}</td>
                <td className={cell}>{c.now}</td>
                <td className={`${cell} font-mono`}>{c.course.sessions}</td>
                <td className={`${cell} whitespace-nowrap font-mono`}>
                  {c.course.worstPain ?? '–'}
                  {c.course.hurt > 0 && ` (${c.course.hurt} ×)`}
                </td>
                <td className={`${cell} font-mono`}>
                  {c.course.worse}/{c.course.answered}
                </td>
                <td className={cell}>
                  {c.verdict}
                  {c.eases > 0 && ` Eased ${c.eases} ×.`}
                  {c.stops > 0 && ` Stopped ${c.stops} ×.`}
                  <span className="block text-soft">{c.rule}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="gap-8 sm:columns-2 print:columns-2">
          <Block title="Last sets" lines={f.courses.map((c) => `${c.family}: ${c.sets.join('; ')}`)} />
          <Block
            title="Trends, six weeks"
            lines={f.courses.flatMap((c) =>
              c.trends.map((t) => `${c.family}: ${t.sentence} ${t.from}; ${t.source}`),
            )}
          />
          <Block
            title="Limits kept"
            lines={f.limits.map(
              (l) =>
                `${l.words}${l.firm ? ', firm' : ''}, ${l.source}, from ${day(l.from)}${l.until ? ` to ${day(l.until)}` : ''}`,
            )}
          />
          <Block title="Limits ended" lines={f.ended.map((l) => `${l.words}, ${l.source}`)} />
          <Block
            title="Beside the sessions"
            lines={f.marks.map((m) => `${day(m.on)} ${m.title}${m.words ? `: ${m.words}` : ''}`)}
          />
          <Block title="Stands open" lines={f.open} />
          <Block
            title="Decided"
            lines={points.map((p) => `${p.words}${p.became ? ` (${p.became})` : ''}, ${day(p.on)}`)}
          />
        </div>
        <p className="mt-4 border-t border-line pt-2 text-soft">
          Pain and effort 0 to 10 as told. n: sessions of the family in these days. A mean of nothing is not
          shown, and what was not told is not counted as 0. We do not diagnose or change treatment; your word
          outranks our defaults.
        </p>
      </article>
    </Paper>
  )
}

function Block({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <section className="mb-2">
      <h2 className="font-bold">{title}</h2>
      <ul>
        {lines.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
    </section>
  )
}
