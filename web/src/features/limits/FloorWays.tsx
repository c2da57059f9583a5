import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiError, type S, http, told } from '../../lib/api'
import * as q from '../../lib/queries'
import { day } from '../../lib/format'
import { useToday } from '../../lib/today'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'

type Way = S['WayView']

/** How the client gets down to the floor and up: which way is open, and which was seen to go well. */
export function FloorWays({ clientId }: { clientId: string }) {
  const [seeing, setSeeing] = useState<Way | null>(null)
  const cache = useQueryClient()
  const floor = useQuery(q.limits.floor(clientId))
  const back = useMutation({
    mutationFn: (id: string) =>
      told(http.DELETE('/api/clients/{clientId}/floor/seen/{id}', { params: { path: { clientId, id } } })),
    onSuccess: () => void q.changed(cache, 'client', clientId),
  })
  const wish = useMutation({
    mutationFn: (onceUp: boolean) =>
      told(
        http.PUT('/api/clients/{clientId}/floor/once-up', {
          params: { path: { clientId } },
          body: { onceUp },
        }),
      ),
    onSuccess: () => void q.changed(cache, 'client', clientId),
  })
  return (
    <section className="mt-10" aria-labelledby="floor">
      <h2 id="floor" className="mb-1 text-lg font-bold">
        To the floor and up
        {floor.data && (
          <span className="font-normal text-soft">
            {' '}
            {floor.data.open ? 'open today' : 'closed today: nothing is done on the floor'}
          </span>
        )}
      </h2>
      <Failure error={floor.error ?? back.error ?? wish.error} />
      {floor.data && (
        <label className="mb-2 flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            checked={floor.data.onceUp}
            disabled={wish.isPending}
            onChange={(e) => wish.mutate(e.target.checked)}
          />
          Once up, stay up: later floor work of a session is done off the floor
        </label>
      )}
      {floor.isPending && <Loading what="the ways to the floor" />}
      <ul className="border-t-2 border-ink">
        {floor.data?.ways.map((w) => (
          <li key={w.way} className="grid gap-x-6 gap-y-1 border-b border-line py-3 md:grid-cols-[1fr_320px]">
            <div>
              <strong>
                {w.words[0]?.toUpperCase() + w.words.slice(1)}: {w.open ? 'open' : 'closed'}
              </strong>
              <span className="block text-sm text-soft">asks {w.asks} (house rule)</span>
              {w.closedBy.map((c) => (
                <span key={c} className="block text-sm">
                  {c}
                </span>
              ))}
              {!w.open && (
                <span className="block text-sm text-soft">
                  {w.seeingOpens
                    ? 'Only advised limits close it: seen to go well once, it is open.'
                    : 'Seeing it go well does not open it: a clearance, or a change of the limit, does.'}
                </span>
              )}
            </div>
            <div className="text-sm">
              <Seen way={w} onBack={(id) => back.mutate(id)} />
              <Button quiet onClick={() => setSeeing(w)} aria-label={`Seen to go well: ${w.words}`}>
                Seen to go well
              </Button>
            </div>
          </li>
        ))}
      </ul>
      <Dialog
        open={seeing !== null}
        onOpenChange={(o) => !o && setSeeing(null)}
        title={`Seen to go well, ${seeing?.words ?? ''}`}
      >
        {seeing && <SeenForm clientId={clientId} way={seeing} onDone={() => setSeeing(null)} />}
      </Dialog>
    </section>
  )
}

function Seen({ way, onBack }: { way: Way; onBack: (id: string) => void }) {
  const s = way.seen
  if (!s) return <span className="block text-soft">Not seen yet.</span>
  return (
    <span className="block">
      Seen {day(s.on)} by {s.by}, {s.help ? `with help: ${s.help}` : 'without help'}.{' '}
      {s.holds ? `Good until ${day(s.until)}.` : <strong>No longer good: {s.ended}.</strong>}{' '}
      <button type="button" className="text-teal underline" onClick={() => onBack(s.id)}>
        Take it back
      </button>
    </span>
  )
}

function SeenForm({ clientId, way, onDone }: { clientId: string; way: Way; onDone: () => void }) {
  const today = useToday()
  const [on, setOn] = useState(today)
  const [help, setHelp] = useState('')
  const cache = useQueryClient()
  const save = useMutation({
    mutationFn: () =>
      told(
        http.POST('/api/clients/{clientId}/floor/seen', {
          params: { path: { clientId } },
          body: { way: way.way, on, help },
        }),
      ),
    onSuccess: () => {
      void q.changed(cache, 'client', clientId)
      onDone()
    },
  })
  const error = save.error instanceof ApiError ? save.error : undefined
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        save.mutate()
      }}
    >
      <p className="mb-3">
        Down and up {way.words}, with you beside, safely and without new pain. Advised limits then no longer
        close this way; firm ones still do. It is good for 6 months, in pregnancy for 6 weeks, and ends with a
        fall, an operation or a flare.
      </p>
      <Field label="Day" error={error?.field('/on')}>
        {(p) => <input {...p} type="date" max={today} value={on} onChange={(e) => setOn(e.target.value)} />}
      </Field>
      <Field label="Help needed" hint="Empty for none." error={error?.field('/help')}>
        {(p) => <input {...p} maxLength={200} value={help} onChange={(e) => setHelp(e.target.value)} />}
      </Field>
      <Failure error={save.error} />
      <Button main type="submit" disabled={save.isPending}>
        Record
      </Button>
    </form>
  )
}
