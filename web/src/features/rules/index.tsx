import { useQuery } from '@tanstack/react-query'
import { useSearchParams } from 'react-router'
import * as q from '../../lib/queries'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

/** Every rule the program holds: its id, where it comes from, its school, where it is switched. */
export function RulesPage() {
  const rules = useQuery(q.studio.rules())
  const [query, setQuery] = useSearchParams()
  if (rules.error) return <Failure error={rules.error} />
  if (!rules.data) return <Loading what="the rules" />
  const text = query.get('q') ?? ''
  const area = query.get('area') ?? ''
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const areas = [...new Set(rules.data.map((r) => r.area))]
  const shown = rules.data.filter(
    (r) =>
      (area === '' || r.area === area) &&
      words.every((w) =>
        `${r.id} ${r.words} ${r.source} ${r.switched} ${r.school ?? ''}`.toLowerCase().includes(w),
      ),
  )
  const set = (k: string, v: string) => {
    const q = new URLSearchParams(query)
    if (v === '') q.delete(k)
    else q.set(k, v)
    setQuery(q, { replace: true })
  }
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 pb-3 pt-6">
        <h1 className="text-2xl font-bold">Rules</h1>
        <span className="text-soft">
          {shown.length} of {rules.data.length}, read from the program itself
        </span>
      </div>
      <p className="mb-3 max-w-[70ch]">
        Riposo proposes, you decide; a clinician’s word and your local protocol outrank every line here.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <input
          className="!w-72"
          aria-label="Find a rule"
          placeholder="words, source or id"
          value={text}
          onChange={(e) => set('q', e.target.value)}
        />
        <select
          className="!w-auto"
          aria-label="Area"
          value={area}
          onChange={(e) => set('area', e.target.value)}
        >
          <option value="">every area</option>
          {areas.map((a) => (
            <option key={a}>{a}</option>
          ))}
        </select>
      </div>
      {shown.length === 0 && <p className="py-8">No rule has these words.</p>}
      {areas
        .filter((a) => shown.some((r) => r.area === a))
        .map((a) => (
          <section key={a} aria-labelledby={`area-${a}`} className="mt-6">
            <h2 id={`area-${a}`} className="border-b-2 border-ink pb-1 font-bold">
              {a} <span className="font-normal text-soft">{shown.filter((r) => r.area === a).length}</span>
            </h2>
            <ul>
              {shown
                .filter((r) => r.area === a)
                .map((r) => (
                  <li
                    key={r.id}
                    id={r.id}
                    className="grid gap-x-6 border-b border-line py-1.5 text-sm md:grid-cols-[1fr_220px_260px]"
                  >
                    <span>
                      {r.words}
                      <span className="block break-all font-mono text-[12px] text-soft">{r.id}</span>
                    </span>
                    <span>
                      {r.source}
                      {r.school && <strong className="block">{r.school} school</strong>}
                    </span>
                    <span className="text-soft">{r.switched}</span>
                  </li>
                ))}
            </ul>
          </section>
        ))}
    </>
  )
}
