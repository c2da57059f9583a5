import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod/mini'
import { ApiError, type S, http, ifMatch, told, given } from '../../lib/api'
import { later } from '../../lib/later'
import { asked, count, decimal, number, numberOf, refused } from '../../lib/form'
import * as q from '../../lib/queries'
import { gramsDown, kg } from '../../lib/format'
import { useRested } from '../../lib/rested'
import { THINGS } from './things'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { Pages } from '../../ui/Pages'
import { usePage } from '../../ui/usePage'

const RoomForm = later(() => import('./RoomForm'), 'RoomForm')

/** Studio rooms and client homes: what is there, what cannot be used, what is printed on it. */
export function KitPage() {
  const rooms = useQuery(q.studio.rooms())
  const clients = useQuery(q.clients.names())
  const [editing, setEditing] = useState<S['RoomView'] | 'new' | null>(null)
  const error = rooms.error ?? clients.error
  if (error) return <Failure error={error} />
  if (!rooms.data || !clients.data) return <Loading what="the kit" />
  const bands = rooms.data.flatMap((r) => r.room.bands)
  const name = (id?: string) => clients.data.find((c) => c.id === id)?.name
  return (
    <>
      <div className="flex items-end justify-between py-5">
        <h1 className="text-[26px] font-bold">Kit</h1>
        <Button main onClick={() => setEditing('new')}>
          Add a room or home
        </Button>
      </div>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[1fr_360px]">
        <div>
          {rooms.data.length === 0 && (
            <p className="border-t-2 border-ink py-5">
              No room yet. Describe where you train: chairs with their seat height, dumbbells as printed,
              bands as measured.
            </p>
          )}
          {rooms.data.map((r) => (
            <section key={r.id} aria-label={r.name} className="mb-8 border-t-2 border-ink pt-2">
              <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                <h2 className="text-lg font-bold">
                  {r.name}{' '}
                  <span className="font-normal text-soft">
                    {r.clientId ? `home of ${name(r.clientId) ?? 'a client'}` : 'studio room'} · {r.usedBy}{' '}
                    {r.usedBy === 1 ? 'trains' : 'train'} here
                  </span>
                </h2>
                <Button quiet onClick={() => setEditing(r)} aria-label={`Change ${r.name}`}>
                  Change
                </Button>
              </div>
              <dl className="grid grid-cols-[110px_1fr] gap-y-1 text-sm">
                <dt className="text-soft">weights</dt>
                <dd>
                  {r.weights
                    .map(
                      (w) => `${w.words}${w.words === kg(w.grams) ? '' : ` (${kg(w.grams)})`} × ${w.count}`,
                    )
                    .join(', ') || 'none'}
                </dd>
                <dt className="text-soft">chairs</dt>
                <dd>
                  {r.room.chairs.map((c) => `${c.name}, seat ${c.seatCm} cm × ${c.count}`).join('; ') ||
                    'none'}
                </dd>
                <dt className="text-soft">bands</dt>
                <dd>
                  {r.room.bands
                    .map(
                      (b) =>
                        `${b.name}, ${b.freeLengthCm} cm, ${b.points.length} measured${b.latex ? ', latex' : ''} × ${b.count}`,
                    )
                    .join('; ') || 'none'}
                </dd>
                <dt className="text-soft">else</dt>
                <dd>
                  {[
                    r.room.wall && 'free wall',
                    r.room.counterCm && `counter ${r.room.counterCm} cm`,
                    ...r.room.stepCm.map((s) => `step ${s} cm`),
                    ...r.room.things.map((t) => THINGS.find(([id]) => id === t)?.[1]),
                    ...r.room.machines,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </dd>
              </dl>
              {r.refused.map((w) => (
                <p key={w} className="mt-2 border-l-4 border-plum bg-sheet px-3 py-1.5 text-sm">
                  {w}
                </p>
              ))}
            </section>
          ))}
          <Places rooms={rooms.data} />
        </div>
        <Grip key={JSON.stringify(bands)} bands={bands} />
      </div>
      <Dialog
        open={editing !== null}
        onOpenChange={(o) => !o && setEditing(null)}
        title={editing === 'new' ? 'Add a room or home' : 'Change the room'}
        wide
      >
        {editing && (
          <RoomForm
            key={editing === 'new' ? 'new' : editing.id + editing.version}
            room={editing === 'new' ? undefined : editing}
            clients={clients.data}
            onDone={() => setEditing(null)}
          />
        )}
      </Dialog>
    </>
  )
}

/** How long typing has to rest before it is looked for. */
const REST_MS = 200

type Trains = S['PagedTrains']

function Places({ rooms }: { rooms: S['RoomView'][] }) {
  const cache = useQueryClient()
  const [find, setFind] = useState('')
  const [page, setPage] = usePage('trains')
  const found = useQuery(q.clients.trains(useRested(find.trim(), REST_MS), page))
  // every page and search that is kept: somebody stands in several
  const kept = { queryKey: ['clients', 'trains'] }
  const place = useMutation({
    // one after the other, each on the version that the one before left
    scope: { id: 'place' },
    mutationFn: (v: { id: string; roomId: string }) =>
      told(
        http.PUT('/api/clients/{id}/place', {
          params: {
            path: { id: v.id },
            header: ifMatch(
              cache
                .getQueriesData<Trains>(kept)
                .flatMap(([, all]) => all?.lines ?? [])
                .filter((c) => c.id === v.id)
                .reduce<number | undefined>(
                  (newest, c) => Math.max(newest ?? c.version, c.version),
                  undefined,
                ),
            ),
          },
          body: { roomId: given(v.roomId) },
        }),
      ),
    onSuccess: (now) =>
      cache.setQueriesData<Trains>(
        kept,
        (all) => all && { ...all, lines: all.lines.map((c) => (c.id === now.id ? now : c)) },
      ),
    onSettled: () => void q.changed(cache, 'kit'),
  })
  return (
    <section aria-labelledby="places" className="border-t-2 border-ink pt-2">
      <h2 id="places" className="text-lg font-bold">
        Who trains where
      </h2>
      <p className="pt-2">
        <input
          type="search"
          aria-label="Find who trains where by name"
          placeholder="find by name"
          className="!w-56"
          maxLength={120}
          value={find}
          onChange={(e) => {
            setFind(e.target.value)
            // a letter typed is no page gone to: back goes back to where one was
            if (page > 0) setPage(0)
          }}
        />
      </p>
      <Failure error={found.error} />
      {!found.data && !found.error && <Loading what="who trains where" />}
      {found.data && (
        <>
          <Pages label="Pages of who trains where" {...found.data} go={setPage}>
            {found.isPlaceholderData
              ? 'looking …'
              : `${found.data.total} ${found.data.total === 1 ? 'client' : 'clients'}`}
          </Pages>
          <ul aria-busy={found.isPlaceholderData}>
            {found.data.lines.map((c) => (
              <li
                key={c.id}
                className="grid items-center gap-2 border-b border-line py-1.5 sm:grid-cols-[200px_240px_1fr]"
              >
                <span>{c.name}</span>
                <select
                  aria-label={`Where ${c.name} trains`}
                  value={c.room?.id ?? ''}
                  onChange={(e) => place.mutate({ id: c.id, roomId: e.target.value })}
                >
                  <option value="">own kit, the quick list</option>
                  {rooms
                    .filter((r) => !r.clientId || r.clientId === c.id)
                    .map((r) => (
                      <option key={r.id} value={r.id}>
                        {r.name}
                      </option>
                    ))}
                </select>
                <span className="text-sm text-soft">{c.refusedKit.join(' ')}</span>
                {place.variables?.id === c.id && (
                  <div className="sm:col-span-3">
                    <Failure error={place.error} />
                  </div>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

/** A grip as asked for, in cm and kilograms as typed. */
const GRIP = z
  .object({
    band: z.string(),
    hold: z.custom<S['GripQuestion']['hold']>(),
    stanceCm: z.string(),
    reachCm: count,
    wanted: number,
    cap: decimal,
  })
  .check(asked('stanceCm', count, (f) => f.hold === 'TWO_FEET'))
type GripTyped = z.infer<typeof GRIP>

function Grip({ bands }: { bands: S['Band'][] }) {
  const form = useForm<GripTyped>({
    resolver: zodResolver(GRIP),
    defaultValues: { band: '0', hold: 'ONE_FOOT', stanceCm: '30', reachCm: '100', wanted: '1.5', cap: '' },
  })
  const { register, formState } = form
  const [at, hold] = useWatch({ control: form.control, name: ['band', 'hold'] })
  const band = bands[Number(at)]
  const grams = (s: string) => gramsDown(numberOf(s) ?? NaN)
  const ask = useMutation({
    meta: { says: 'Reckoning the grip …' },
    mutationFn: (f: GripTyped) =>
      told(
        http.POST('/api/bands/grip', {
          body: {
            band: bands[Number(f.band)] as S['Band'],
            hold: f.hold,
            stanceCm: f.hold === 'TWO_FEET' ? Number(f.stanceCm) : 0,
            reachCm: Number(f.reachCm),
            wantedGrams: grams(f.wanted),
            capGrams: f.cap.trim() ? grams(f.cap) : undefined,
          },
        }),
      ),
    onError: (e) => {
      refused(form, e)
      // what is asked for in kilograms is refused in grams
      const error = e instanceof ApiError ? e : undefined
      for (const [k, g] of [
        ['wanted', '/wantedGrams'],
        ['cap', '/capGrams'],
      ] as const)
        if (error?.field(g)) form.setError(k, { type: 'server', message: error.field(g) })
    },
  })
  const error = ask.error instanceof ApiError ? ask.error : undefined
  const wrong = (k: keyof GripTyped) => formState.errors[k]?.message
  const amount = (k: 'stanceCm' | 'reachCm' | 'wanted' | 'cap', label: string, hint: string) => (
    <Field label={label} hint={hint} error={wrong(k)}>
      {(p) => <input {...p} inputMode="decimal" {...register(k)} />}
    </Field>
  )
  return (
    <aside aria-labelledby="grip">
      <h2 id="grip" className="mb-2 border-b-2 border-ink pb-1 text-lg font-bold">
        Grip on a band
      </h2>
      {!band ? (
        <p className="text-soft">Add a room with a measured band first.</p>
      ) : (
        <form
          noValidate
          // a grip reckoned for other numbers never stands beside these
          onInput={() => ask.reset()}
          onSubmit={(e) => void form.handleSubmit((f) => ask.mutate(f))(e)}
        >
          <Field label="Band" error={wrong('band')}>
            {(p) => (
              <select {...p} {...register('band')}>
                {bands.map((b, i) => (
                  <option key={i} value={i}>
                    {b.name}, {b.freeLengthCm} cm
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="How it is held" error={wrong('hold')}>
            {(p) => (
              <select {...p} {...register('hold')}>
                <option value="ONE_FOOT">standing on it with one foot, half per hand</option>
                <option value="TWO_FEET">with two feet, the stance taken off</option>
                <option value="WHOLE">fixed at one end, whole length</option>
              </select>
            )}
          </Field>
          <div className="grid grid-cols-2 gap-x-4">
            {hold === 'TWO_FEET' && amount('stanceCm', 'Stance', 'cm between the feet')}
            {amount('reachCm', 'Reach', 'cm, foot to hand at the end')}
            {amount('wanted', 'Wanted pull', 'kg per hand')}
            {amount('cap', 'Cap', 'kg per hand, if limited')}
          </div>
          {!error?.problem.errors && <Failure error={ask.error} />}
          <Button type="submit" disabled={ask.isPending}>
            Compute the grip
          </Button>
          {ask.data && (
            <p role="status" className="mt-3 border-l-4 border-teal bg-sheet px-3 py-2">
              {ask.data.words}
            </p>
          )}
        </form>
      )}
      <p className="mt-4 text-[13px] text-soft">
        Measured with a luggage scale at 50, 100 and 200 % stretch. One point only is a linear estimate, and
        caps are checked against 1.5 times it. Over 200 % warns, over 250 % is refused. Band under the middle
        of the foot, looked over for wear; pushing and dipping chairs stand against a wall.
      </p>
    </aside>
  )
}
