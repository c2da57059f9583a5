import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { useTitle } from '../../lib/title'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { bodyShare } from '../../lib/format'
import { Figure } from '../../ui/Figure'
import { CARRIES, HEIGHTS, SLOT_SIDES } from '../plans/draft'
import { WhoMay } from './WhoMay'

const SIDE_WORDS = Object.fromEntries(SLOT_SIDES)

/** One movement in full: drawn, its demands, what each change does, and who may do it. */
export function MovementPage() {
  const { movementId = '' } = useParams()
  const cache = useQueryClient()
  const one = useQuery(q.movements.one(movementId))
  useTitle(one.data?.movement.name)
  const who = useQuery(q.movements.who(movementId))
  const retire = useMutation({
    mutationFn: (back: boolean) =>
      back
        ? told(http.POST('/api/movements/{id}/restore', { params: { path: { id: movementId } } }))
        : told(http.DELETE('/api/movements/{id}', { params: { path: { id: movementId } } })),
    onSuccess: () => void q.changed(cache, 'movement'),
  })
  if (one.error) return <Failure error={one.error} />
  if (!one.data) return <Loading what="the movement" />
  const d = one.data
  const m = d.movement
  return (
    <>
      <p className="pt-5 text-sm">
        <Link className="text-teal underline underline-offset-4" to="/movements">
          Movements
        </Link>{' '}
        ·{' '}
        <Link className="text-teal underline underline-offset-4" to={`/movements/family/${m.family}`}>
          {m.familyName}, rung {m.rung}
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-2">
        <h1 className="text-2xl font-bold">{m.name}</h1>
        {m.own && <span className="font-semibold text-ochre-deep">ours</span>}
        {m.retired && <span className="text-soft">retired: offered no more</span>}
        <span className="ml-auto flex flex-wrap gap-2">
          {m.own && (
            <Link className="btn" to={`/movements/${m.id}/edit`}>
              Edit
            </Link>
          )}
          {m.own && (
            <Button quiet onClick={() => retire.mutate(m.retired)}>
              {m.retired ? 'Offer it again' : 'Retire it'}
            </Button>
          )}
          <Link className="btn btn-quiet" to={`/movements/new?from=${m.id}`}>
            Make a copy of our own
          </Link>
        </span>
      </div>
      <Failure error={retire.error} />
      <div className="grid items-start gap-8 lg:grid-cols-[minmax(0,440px)_1fr]">
        <div>
          <div className="border border-line bg-sheet p-3">
            <Figure movementId={m.id} name={m.name} height={200} />
            <p className="flex text-[13px] text-soft">
              <span className="w-1/2">start</span>
              <span>end</span>
            </p>
          </div>
          <p className="mt-3 text-soft">
            {m.purpose} · {m.position.replace(/-/g, ' ')} · {d.sides} · tempo {m.tempo} · effort {m.effort} of
            10 · difficulty {m.difficulty} of 100
            {m.share !== undefined && ` · moves ${bodyShare(m.share)}`}
            {d.range !== undefined && ` · useful from ${d.range} of its range`}
          </p>
          <p className="mt-1">
            <strong>{d.primary.join(', ')}</strong>
            {d.secondary.length > 0 && (
              <span className="text-soft">; helped by {d.secondary.join(', ')}</span>
            )}
          </p>
          <p className="mt-1 text-sm text-soft">
            {[
              m.sides.length > 0 && `sides: ${m.sides.map((x) => SIDE_WORDS[x]).join(', ')}`,
              m.carries.length > 0 && `weight: ${m.carries.map((c) => CARRIES[c]).join(', ')}`,
              m.support &&
                `${HEIGHTS[m.support.kind].toLowerCase()} ${m.support.least}–${m.support.most} cm, usual ${m.support.usual}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </p>
          {m.tasks.length > 0 && <p className="mt-1">For {m.tasks.join(', ')}.</p>}
          <p className="mt-1 text-sm text-soft">needs {m.kit.length === 0 ? 'no kit' : m.kit.join(', ')}</p>
          {m.words.length > 0 && <p className="mt-1 text-sm text-soft">also called {m.words.join(', ')}</p>}
          <h2 className="mt-4 border-b-2 border-ink pb-0.5 font-bold">Say</h2>
          <ul>
            {m.cues.map((c) => (
              <li key={c} className="border-b border-line py-1">
                {c}
              </li>
            ))}
          </ul>
          <h2 className="mt-4 border-b-2 border-ink pb-0.5 font-bold">Watch for</h2>
          <ul>
            {d.faults.map((c) => (
              <li key={c} className="border-b border-line py-1">
                {c}
              </li>
            ))}
          </ul>
          {d.doubts.map((x) => (
            <p key={x} className="mt-2 border-l-4 border-ochre pl-3 text-sm text-ochre-deep">
              {x}
            </p>
          ))}
        </div>
        <div>
          <h2 className="border-b-2 border-ink pb-0.5 font-bold">
            What it asks for{' '}
            <span className="font-normal text-soft">
              {m.oneSided ? 'with the left at work; the right likewise' : 'on every axis a limit can cap'}
            </span>
          </h2>
          <table className="w-full text-left text-sm">
            <tbody>
              {d.demands.map((x) => (
                <tr key={x.axisId} className="border-b border-line">
                  <td className="py-1 pr-3">{x.words}</td>
                  <td className="py-1 text-right font-mono">
                    {x.left === 'closed' ? 'yes' : x.both ? x.left : `left ${x.left}, right ${x.right}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="mt-5 border-b-2 border-ink pb-0.5 font-bold">
            What makes it gentler <span className="font-normal text-soft">three at most at once</span>
          </h2>
          <table className="w-full text-left text-sm">
            <tbody>
              {d.modifiers.map((x) => (
                <tr key={x.id} className="border-b border-line align-top">
                  <td className="w-48 py-1 pr-3 font-semibold">
                    {x.words}
                    {x.needs !== '' && <span className="block font-normal text-soft">needs {x.needs}</span>}
                  </td>
                  <td className="py-1">{x.changes.join(' · ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="mt-5 border-b-2 border-ink pb-0.5 font-bold">Who may do it today</h2>
          <Failure error={who.error} />
          {who.data && <WhoMay who={who.data} />}
        </div>
      </div>
    </>
  )
}
