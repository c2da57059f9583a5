import { useQuery } from '@tanstack/react-query'
import { Link, useNavigate, useParams } from 'react-router'
import { useKeys } from '../../lib/keys'
import { bodyShare } from '../../lib/format'
import * as q from '../../lib/queries'
import { useTitle } from '../../lib/title'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Figure } from '../../ui/Figure'

/** A family's stair for nobody in particular: hardest on top, what each step moves written on it. */
export function FamilyPage() {
  const { familyId } = useParams()
  const navigate = useNavigate()
  const families = useQuery(q.movements.families())
  const list = families.data
  useTitle(list?.find((f) => f.id === familyId)?.name)
  const at = list?.findIndex((f) => f.id === familyId) ?? -1
  const go = (by: number) => {
    const next = at < 0 ? undefined : list?.[at + by]
    if (next) void navigate(`/movements/family/${next.id}`)
  }
  useKeys([
    { press: 'ArrowLeft', shown: '←', words: 'the family before', act: () => go(-1) },
    { press: 'ArrowRight', shown: '→', words: 'the next family', act: () => go(1) },
  ])
  if (families.error) return <Failure error={families.error} />
  if (!list) return <Loading what="the stair" />
  const f = list[at]
  if (!f)
    return (
      <p className="py-10">
        There is no such family.{' '}
        <Link className="text-teal underline" to="/movements">
          All movements
        </Link>
      </p>
    )
  const step = f.rungs.length > 10 ? 14 : 26
  return (
    <>
      <p className="pt-5 text-sm">
        <Link className="text-teal underline underline-offset-4" to="/movements">
          Movements
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4 pb-3">
        <h1 className="text-2xl font-bold">{f.name}: the stair</h1>
        <span className="text-soft">
          {f.purpose}, for {f.tasks.join(', ')} · {f.rungs.length} rungs · a higher step never asks for less
          on every count
        </span>
        <span className="flex flex-wrap items-center gap-3 text-sm sm:ml-auto">
          <kbd>←</kbd> <kbd>→</kbd> family
          <select
            aria-label="Family"
            className="!w-auto max-w-full"
            value={f.id}
            onChange={(e) => void navigate(`/movements/family/${e.target.value}`)}
          >
            {list.map((x) => (
              <option key={x.id} value={x.id}>
                {x.name}
              </option>
            ))}
          </select>
        </span>
      </div>
      <ol>
        {f.rungs.map((m, i) => (
          <li key={m.id} className="mb-1" style={{ marginLeft: `min(${i * step}px, ${i * 0.9}%)` }}>
            <Link
              to={`/movements/${m.id}`}
              className="flex max-w-[760px] items-center gap-2 rounded-sm sm:gap-4 border border-line bg-sheet px-3 py-1 hover:border-teal"
            >
              <span className="w-6 shrink-0 text-right font-mono text-soft">{m.rung}</span>
              <Figure movementId={m.id} name="" height={52} />
              <span className="min-w-0 flex-1 leading-tight">
                <span className="font-semibold">{m.name}</span>
                {m.own && <span className="ml-2 text-[13px] font-semibold text-ochre-deep">ours</span>}
                {m.retired && <span className="ml-2 text-[13px] text-soft">retired</span>}
                <span className="block text-[13px] text-soft">
                  {m.position.replace(/-/g, ' ')} · effort {m.effort}
                  {m.kit.length > 0 && ` · ${m.kit.join(', ')}`}
                  <span className="sm:hidden">
                    {m.share !== undefined && ` · ${bodyShare(m.share)}`} · difficulty {m.difficulty}
                  </span>
                </span>
              </span>
              <span className="hidden text-right font-mono text-sm sm:block">
                {m.share !== undefined && <span className="block">{bodyShare(m.share)}</span>}
                <span className="text-soft">{m.difficulty} of 100</span>
              </span>
            </Link>
          </li>
        ))}
      </ol>
      <p className="mt-3 text-[13px] text-soft">
        Share of body weight moved: Ebben 2011, Winter. Difficulty: Riposo’s own order across families, 0 to
        100.
      </p>
    </>
  )
}
