import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { sendFile, type S } from '../../lib/api'
import { bodyShare } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Figure } from '../../ui/Figure'
import { demandsOf, fitting, fromQuery, toQuery, turn, type Filter } from './filter'

/** The catalogue: found by name, purpose and what a movement does not ask for. */
export function MovementsPage() {
  const all = useQuery(q.movements.all())
  const [query, setQuery] = useSearchParams()
  const find = useRef<HTMLInputElement>(null)
  const filter = fromQuery(query)
  // the address follows a moment later: a second tap in the same breath builds on the first
  const latest = useRef(filter)
  useEffect(() => {
    latest.current = fromQuery(query)
  }, [query])
  const set = (change: (f: Filter) => Filter) => {
    latest.current = change(latest.current)
    setQuery(toQuery(latest.current), { replace: true })
  }
  useKeys([{ press: 'f', words: 'find a movement', act: () => find.current?.focus() }])
  if (all.error) return <Failure error={all.error} />
  if (!all.data) return <Loading what="the movements" />
  const shown = fitting(all.data, filter)
  const families = [...new Set(shown.map((m) => m.family))]
  const purposes = [...new Set(all.data.map((m) => m.purpose))]
  const active = query.size > 0
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-3 pt-6">
        <h1 className="text-2xl font-bold">Movements</h1>
        <span className="text-soft">
          {active ? `${shown.length} of ${all.data.length}` : all.data.length} in {families.length} families
        </span>
        <span className="ml-auto flex flex-wrap gap-2">
          <Link className="btn btn-quiet" to="/rules">
            Rules
          </Link>
          <Link className="btn btn-main" to="/movements/new">
            Add your own
          </Link>
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <input
          ref={find}
          className="!w-72"
          aria-label="Find a movement"
          placeholder="name, gym word, family, kit (f)"
          value={filter.text}
          onChange={(e) => set((f) => ({ ...f, text: e.target.value }))}
        />
        <select
          className="!w-auto"
          aria-label="Purpose"
          value={filter.purpose}
          onChange={(e) => set((f) => ({ ...f, purpose: e.target.value }))}
        >
          <option value="">every purpose</option>
          {purposes.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
        <label className="flex min-h-[44px] items-center gap-2">
          <input
            type="checkbox"
            checked={filter.own}
            onChange={(e) => set((f) => ({ ...f, own: e.target.checked }))}
          />
          only our own
        </label>
        {active && (
          <Button quiet onClick={() => setQuery({}, { replace: true })}>
            Show all
          </Button>
        )}
      </div>
      <div className="mt-3 flex flex-wrap gap-1.5" role="group" aria-label="By what a movement asks for">
        {demandsOf(all.data).map((d) => {
          const w = filter.wants[d] ?? ''
          return (
            <button
              key={d}
              type="button"
              aria-pressed={w !== ''}
              onClick={() => set((f) => ({ ...f, wants: { ...f.wants, [d]: turn(f.wants[d] ?? '') } }))}
              className={`min-h-[34px] border-b-2 px-2 text-sm ${w === 'without' ? 'border-plum font-semibold text-plum' : w === 'with' ? 'border-teal font-semibold text-teal' : 'border-line'}`}
            >
              {w === 'without' ? `no ${d}` : w === 'with' ? `with ${d}` : d}
            </button>
          )
        })}
      </div>
      <p className="mt-1 text-[13px] text-soft">Press a demand once for “no …”, twice for “with …”.</p>
      {shown.length === 0 && (
        <p className="py-8">
          Nothing fits.{' '}
          {filter.own ? 'You have no movement of your own like this yet.' : 'Take one filter away.'}
        </p>
      )}
      {families.map((f) => {
        const rungs = shown.filter((m) => m.family === f)
        return (
          <section key={f} aria-labelledby={`fam-${f}`} className="mt-7">
            <h2 id={`fam-${f}`} className="flex items-baseline gap-3 border-b-2 border-ink pb-1 font-bold">
              {rungs[0]?.familyName}
              <span className="font-normal text-soft">
                {rungs[0]?.purpose} · {rungs.length === 1 ? '1 movement' : `${rungs.length} movements`}
              </span>
              <Link
                className="ml-auto text-sm font-normal text-teal underline underline-offset-4"
                to={`/movements/family/${f}`}
              >
                the stair
              </Link>
            </h2>
            <ul className="grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
              {rungs.map((m) => (
                <li key={m.id} className="border-b border-line">
                  <Link
                    to={`/movements/${m.id}`}
                    className="flex min-h-[76px] items-center gap-3 py-1 hover:bg-teal-tint"
                  >
                    <Figure movementId={m.id} name="" height={64} />
                    <span className="min-w-0 leading-tight">
                      <span className="font-semibold">{m.name}</span>
                      {m.own && <span className="ml-2 text-[13px] font-semibold text-ochre-deep">ours</span>}
                      {m.retired && <span className="ml-2 text-[13px] text-soft">retired</span>}
                      <span className="block text-[13px] text-soft">
                        rung {m.rung} · {m.position.replace(/-/g, ' ')} · difficulty&nbsp;{m.difficulty}
                        {m.share !== undefined && ` · ${bodyShare(m.share)}`}
                      </span>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )
      })}
      <Files />
    </>
  )
}

/** Movements in and out as a document. */
function Files() {
  const cache = useQueryClient()
  const send = useMutation({
    meta: { says: 'Reading the document …' },
    mutationFn: (file: File) =>
      sendFile<S['Imported']>(`/movements/import?file=${encodeURIComponent(file.name)}`, file, 256),
    onSuccess: () => void q.changed(cache, 'movement'),
  })
  return (
    <section aria-labelledby="files" className="mt-10 border-t-2 border-ink pt-2">
      <h2 id="files" className="font-bold">
        In and out
      </h2>
      <p className="flex flex-wrap gap-x-5 text-teal">
        <a className="flex min-h-[44px] items-center underline" href="/api/movements/export">
          Our own, JSON
        </a>
        <a className="flex min-h-[44px] items-center underline" href="/api/movements/export?all=true">
          The whole catalogue, JSON
        </a>
        <a className="flex min-h-[44px] items-center underline" href="/api/movements/schema">
          The schema
        </a>
      </p>
      <label className="mt-1 block">
        <span className="mb-1 block font-semibold">Bring in movements</span>
        <input
          type="file"
          accept=".json,.yaml,.yml"
          aria-label="Movements document to import"
          onChange={(e) => {
            const f = e.target.files?.[0]
            if (f) send.mutate(f)
            e.target.value = ''
          }}
        />
        <span className="mt-1 block text-sm text-soft">
          JSON or YAML after the schema, 256 kB at most; all or nothing.
        </span>
      </label>
      <Failure error={send.error} />
      {send.data && (
        <div role="status" className="my-3 border-l-4 border-moss bg-sheet px-4 py-2">
          <p className="font-semibold">Added: {send.data.added.join(', ')}.</p>
          {send.data.doubts.map((d) => (
            <p key={d} className="text-sm text-ochre-deep">
              {d}
            </p>
          ))}
        </div>
      )}
    </section>
  )
}
