import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { api, ApiError, type S } from '../../lib/api'
import { kg } from '../../lib/format'
import { Button, Dialog, Failure, Field, Loading } from '../../ui'

type Room = S['Room']

const THINGS: [Room['things'][number], string][] = [
  ['MAT', 'mat'],
  ['PAD', 'knee pad'],
  ['CUSHION', 'firm cushion'],
  ['WEDGE', 'wedge to recline on'],
  ['TOWEL', 'towel'],
  ['BALL', 'ball'],
  ['BED', 'bed or plinth'],
  ['STRAP', 'strap round the trunk'],
]
const STAND_INS: [S['StandIn']['kind'], string][] = [
  ['CAN_400', 'full 400 g can'],
  ['BOTTLE', 'water bottle, ml'],
  ['BAG', 'bag of rice, g'],
  ['BACKPACK', 'backpack with books, g'],
]
const BLANK: Room = {
  chairs: [],
  dumbbells: [],
  standIns: [],
  bands: [],
  stepCm: [],
  wall: true,
  things: [],
  machines: [],
}

const ACTIVE = ['clients', false]

/** Studio rooms and client homes: what is there, what cannot be used, what is printed on it. */
export function KitPage() {
  const rooms = useQuery({ queryKey: ['rooms'], queryFn: () => api.get<S['RoomView'][]>('/rooms') })
  const clients = useQuery({
    queryKey: ACTIVE,
    queryFn: () => api.get<S['Client'][]>('/clients'),
  })
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
          <Places clients={clients.data} rooms={rooms.data} />
        </div>
        <Grip bands={bands} />
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

function Places({ clients, rooms }: { clients: S['Client'][]; rooms: S['RoomView'][] }) {
  const cache = useQueryClient()
  const place = useMutation({
    // one after the other, each on the version that the one before left
    scope: { id: 'place' },
    mutationFn: (v: { id: string; roomId: string }) =>
      api.put<S['Client']>(
        `/clients/${v.id}/place`,
        { roomId: v.roomId || null },
        cache.getQueryData<S['Client'][]>(ACTIVE)?.find((c) => c.id === v.id)?.version,
      ),
    onSuccess: (now) =>
      cache.setQueryData<S['Client'][]>(ACTIVE, (all) => all?.map((c) => (c.id === now.id ? now : c))),
    onSettled: () => void cache.invalidateQueries(),
  })
  return (
    <section aria-labelledby="places" className="border-t-2 border-ink pt-2">
      <h2 id="places" className="text-lg font-bold">
        Who trains where
      </h2>
      <ul>
        {clients.map((c) => (
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
    </section>
  )
}

function Grip({ bands }: { bands: S['Band'][] }) {
  const [form, setForm] = useState({
    band: 0,
    hold: 'ONE_FOOT',
    stanceCm: 30,
    reachCm: 100,
    wanted: '1.5',
    cap: '',
  })
  const band = bands[form.band]
  const grams = (s: string) => Math.floor(Number(s.replace(',', '.')) * 1000)
  const ask = useMutation({
    mutationFn: () =>
      api.post<S['GripView']>('/bands/grip', {
        band,
        hold: form.hold,
        stanceCm: form.hold === 'TWO_FEET' ? form.stanceCm : 0,
        reachCm: form.reachCm,
        wantedGrams: grams(form.wanted),
        capGrams: form.cap.trim() ? grams(form.cap) : null,
      }),
  })
  const error = ask.error instanceof ApiError ? ask.error : undefined
  const number = (k: 'stanceCm' | 'reachCm', label: string, hint: string) => (
    <Field label={label} hint={hint} error={error?.field('/' + k)}>
      {(p) => (
        <input
          {...p}
          type="number"
          value={form[k]}
          onChange={(e) => setForm({ ...form, [k]: Number(e.target.value) })}
        />
      )}
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
          onSubmit={(e) => {
            e.preventDefault()
            ask.mutate()
          }}
        >
          <Field label="Band" error={error?.field('/band')}>
            {(p) => (
              <select
                {...p}
                value={form.band}
                onChange={(e) => setForm({ ...form, band: Number(e.target.value) })}
              >
                {bands.map((b, i) => (
                  <option key={i} value={i}>
                    {b.name}, {b.freeLengthCm} cm
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="How it is held">
            {(p) => (
              <select {...p} value={form.hold} onChange={(e) => setForm({ ...form, hold: e.target.value })}>
                <option value="ONE_FOOT">standing on it with one foot, half per hand</option>
                <option value="TWO_FEET">with two feet, the stance taken off</option>
                <option value="WHOLE">fixed at one end, whole length</option>
              </select>
            )}
          </Field>
          <div className="grid grid-cols-2 gap-x-4">
            {form.hold === 'TWO_FEET' && number('stanceCm', 'Stance', 'cm between the feet')}
            {number('reachCm', 'Reach', 'cm, foot to hand at the end')}
            <Field label="Wanted pull" hint="kg per hand" error={error?.field('/wantedGrams')}>
              {(p) => (
                <input
                  {...p}
                  value={form.wanted}
                  onChange={(e) => setForm({ ...form, wanted: e.target.value })}
                />
              )}
            </Field>
            <Field label="Cap" hint="kg per hand, if limited" error={error?.field('/capGrams')}>
              {(p) => (
                <input {...p} value={form.cap} onChange={(e) => setForm({ ...form, cap: e.target.value })} />
              )}
            </Field>
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

function RoomForm({
  room,
  clients,
  onDone,
}: {
  room?: S['RoomView']
  clients: S['Client'][]
  onDone: () => void
}) {
  const [name, setName] = useState(room?.name ?? '')
  const [clientId, setClientId] = useState(room?.clientId ?? '')
  const [r, setR] = useState<Room>(room?.room ?? BLANK)
  const [steps, setSteps] = useState((room?.room.stepCm ?? []).join(', '))
  const [machines, setMachines] = useState((room?.room.machines ?? []).join(', '))
  const cache = useQueryClient()
  const done = () => {
    void cache.invalidateQueries()
    onDone()
  }
  const save = useMutation({
    mutationFn: () => {
      const parts = (s: string) =>
        s
          .split(/[,;]/)
          .map((x) => x.trim())
          .filter(Boolean)
      const body = {
        name,
        clientId: clientId || null,
        room: { ...r, stepCm: parts(steps).map(Number), machines: parts(machines) },
      }
      return room
        ? api.put<S['RoomView']>(`/rooms/${room.id}`, body, room.version)
        : api.post<S['RoomView']>('/rooms', body)
    },
    onSuccess: done,
  })
  const remove = useMutation({
    mutationFn: () => api.remove(`/rooms/${room?.id}`, room?.version),
    onSuccess: done,
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  const num = (label: string, value: number, put: (n: number) => void) => (
    <input
      aria-label={label}
      title={label}
      type="number"
      step="any"
      value={value}
      onChange={(e) => put(Number(e.target.value))}
    />
  )
  const box = (label: string, on: boolean, put: (b: boolean) => void) => (
    <label className="flex min-h-[40px] items-center gap-1.5 text-sm">
      <input type="checkbox" checked={on} onChange={(e) => put(e.target.checked)} />
      {label}
    </label>
  )
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <div className="grid gap-x-4 sm:grid-cols-2">
        <Field label="Name" error={error?.field('/name')}>
          {(p) => <input {...p} value={name} onChange={(e) => setName(e.target.value)} />}
        </Field>
        <Field label="Whose" error={error?.field('/clientId')}>
          {(p) => (
            <select {...p} value={clientId} onChange={(e) => setClientId(e.target.value)}>
              <option value="">the studio’s</option>
              {clients.map((c) => (
                <option key={c.id} value={c.id}>
                  home of {c.name}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <List
        title="Chairs"
        note="name, seat height in cm, how many; wheels or not solid: nobody works on it"
        list={r.chairs}
        blank={{
          name: 'chair',
          seatCm: 45,
          arms: false,
          wheels: false,
          solid: true,
          ownWheelchair: false,
          count: 1,
        }}
        onChange={(chairs) => setR({ ...r, chairs })}
        row={(c, put) => (
          <>
            <input
              aria-label="Name of the chair"
              className="!w-36"
              value={c.name}
              onChange={(e) => put({ ...c, name: e.target.value })}
            />
            <span className="w-20">
              {num('Seat height, cm', c.seatCm, (seatCm) => put({ ...c, seatCm }))}
            </span>
            <span className="w-16">{num('How many chairs', c.count, (count) => put({ ...c, count }))}</span>
            {box('arms', c.arms, (arms) => put({ ...c, arms }))}
            {box('wheels', c.wheels, (wheels) => put({ ...c, wheels }))}
            {box('solid', c.solid, (solid) => put({ ...c, solid }))}
            {box('own wheelchair', c.ownWheelchair, (ownWheelchair) => put({ ...c, ownWheelchair }))}
          </>
        )}
      />
      <List
        title="Dumbbells, as printed"
        note="what is printed on one, its unit, how many; counted in pairs where both hands work"
        list={r.dumbbells}
        blank={{ printed: 2, unit: 'KG' as const, count: 2 }}
        onChange={(dumbbells) => setR({ ...r, dumbbells })}
        row={(d, put) => (
          <>
            <span className="w-24">
              {num('Printed weight', d.printed, (printed) => put({ ...d, printed }))}
            </span>
            <select
              aria-label="Unit"
              className="!w-20"
              value={d.unit}
              onChange={(e) => put({ ...d, unit: e.target.value as typeof d.unit })}
            >
              <option value="KG">kg</option>
              <option value="LB">lb</option>
            </select>
            <span className="w-16">
              {num('How many dumbbells', d.count, (count) => put({ ...d, count }))}
            </span>
          </>
        )}
      />
      <List
        title="Stand-ins"
        list={r.standIns}
        blank={{ kind: 'CAN_400' as const, amount: 0, count: 2 }}
        onChange={(standIns) => setR({ ...r, standIns })}
        row={(s, put) => (
          <>
            <select
              aria-label="Kind of stand-in"
              className="!w-56"
              value={s.kind}
              onChange={(e) =>
                put({
                  ...s,
                  kind: e.target.value as typeof s.kind,
                  amount: e.target.value === 'CAN_400' ? 0 : s.amount || 1000,
                })
              }
            >
              {STAND_INS.map(([k, w]) => (
                <option key={k} value={k}>
                  {w}
                </option>
              ))}
            </select>
            {s.kind !== 'CAN_400' && (
              <span className="w-24">
                {num('How much, ml or g', s.amount, (amount) => put({ ...s, amount }))}
              </span>
            )}
            <span className="w-16">{num('How many of it', s.count, (count) => put({ ...s, count }))}</span>
          </>
        )}
      />
      <List
        title="Bands, as measured"
        list={r.bands}
        blank={{
          name: 'band',
          freeLengthCm: 150,
          points: [{ percent: 100, grams: 2000 }],
          latex: true,
          count: 1,
        }}
        onChange={(bands) => setR({ ...r, bands })}
        row={(b, put) => (
          <>
            <input
              aria-label="Name of the band"
              className="!w-32"
              value={b.name}
              onChange={(e) => put({ ...b, name: e.target.value })}
            />
            <span className="w-20">
              {num('Free length, cm', b.freeLengthCm, (freeLengthCm) => put({ ...b, freeLengthCm }))}
            </span>
            <input
              aria-label="Measured points, % stretch and kg"
              title="Measured points: 50: 1.2, 100: 2, 200: 3.4"
              className="!w-56"
              defaultValue={b.points.map((x) => `${x.percent}: ${x.grams / 1000}`).join(', ')}
              onChange={(e) => {
                const points = readPoints(e.target.value)
                if (points) put({ ...b, points })
              }}
            />
            <span className="w-16">{num('How many bands', b.count, (count) => put({ ...b, count }))}</span>
            {box('latex', b.latex, (latex) => put({ ...b, latex }))}
          </>
        )}
        note="name, free length in cm, points as % stretch and kg on the scale: 50: 1.2, 100: 2, 200: 3.4"
      />
      <div className="grid gap-x-4 sm:grid-cols-3">
        <Field label="Steps, cm" hint="10, 15, 20">
          {(p) => <input {...p} value={steps} onChange={(e) => setSteps(e.target.value)} />}
        </Field>
        <Field label="Counter height, cm" hint="empty: none">
          {(p) => (
            <input
              {...p}
              type="number"
              value={r.counterCm ?? ''}
              onChange={(e) =>
                setR({ ...r, counterCm: e.target.value === '' ? undefined : Number(e.target.value) })
              }
            />
          )}
        </Field>
        <Field label="Machines" hint="named only: leg press, cable">
          {(p) => <input {...p} value={machines} onChange={(e) => setMachines(e.target.value)} />}
        </Field>
      </div>
      <fieldset className="mb-4">
        <legend className="font-semibold">Also there</legend>
        <div className="flex flex-wrap gap-x-5">
          {box('free wall', r.wall, (wall) => setR({ ...r, wall }))}
          {THINGS.map(([id, words]) => (
            <span key={id}>
              {box(words, r.things.includes(id), (on) =>
                setR({ ...r, things: on ? [...r.things, id] : r.things.filter((t) => t !== id) }),
              )}
            </span>
          ))}
        </div>
      </fieldset>
      <Failure error={save.error ?? remove.error} />
      <div className="flex gap-2">
        <Button main type="submit" disabled={save.isPending}>
          {room ? 'Save' : 'Add'}
        </Button>
        {room && (
          <Button onClick={() => remove.mutate()} disabled={remove.isPending}>
            Remove
          </Button>
        )}
      </div>
    </form>
  )
}

/** "50: 1.2, 100: 2" as points; null while it cannot be read. */
export function readPoints(text: string): S['Measured'][] | null {
  const points: S['Measured'][] = []
  for (const part of text
    .split(/[,;]/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const m = /^(\d{2,3})\s*%?\s*:\s*(\d+(?:\.\d{1,3})?)\s*(?:kg)?$/.exec(part)
    if (!m) return null
    points.push({ percent: Number(m[1]), grams: Math.ceil(Number(m[2]) * 1000 - 1e-9) })
  }
  return points.length ? points : null
}

function List<T>({
  title,
  list,
  blank,
  row,
  note,
  onChange,
}: {
  title: string
  list: T[]
  blank: T
  row: (v: T, put: (v: T) => void) => ReactNode
  note?: string
  onChange: (list: T[]) => void
}) {
  return (
    <fieldset className="mb-4">
      <legend className="flex w-full items-end justify-between border-b-2 border-ink font-semibold">
        {title}
        <Button
          quiet
          className="!min-h-[30px]"
          onClick={() => onChange([...list, blank])}
          aria-label={`Add to ${title}`}
        >
          Add
        </Button>
      </legend>
      {note && list.length > 0 && <p className="pt-1 text-[13px] text-soft">{note}</p>}
      {list.map((v, i) => (
        <div key={i} className="flex flex-wrap items-center gap-2 border-b border-line py-1.5">
          {row(v, (n) => onChange(list.map((x, j) => (j === i ? n : x))))}
          <Button
            quiet
            onClick={() => onChange(list.filter((_, j) => j !== i))}
            aria-label={`Take out row ${i + 1} of ${title}`}
          >
            Take out
          </Button>
        </div>
      ))}
    </fieldset>
  )
}
