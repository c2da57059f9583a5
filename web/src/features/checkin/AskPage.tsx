import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { type S, http, told } from '../../lib/api'
import { day } from '../../lib/format'
import * as q from '../../lib/queries'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { Questions } from './Questions'
import { SentLink } from './SentLink'

const BY = [
  ['PHONE', 'by phone'],
  ['DOOR', 'at the door'],
] as const

/** A check-in as the professional sees it: ask it by phone or at the door, or see what was told and what it did. */
export function AskPage() {
  const { checkInId = '' } = useParams()
  const asked = useQuery(q.runs.checkIn(checkInId))
  const me = useQuery(q.studio.me())
  const cache = useQueryClient()
  const [by, setBy] = useState<S['Asked']['by']>()
  const [changing, setChanging] = useState(false)
  if (asked.error) return <Failure error={asked.error} />
  if (!asked.data) return <Loading what="the check-in" />
  const v = asked.data
  const keep = async (answer: S['Answer']) => {
    if (!by) return
    const now = await told(
      http.POST('/api/check-ins/{id}/answer', {
        params: { path: { id: checkInId } },
        body: { by, answer },
      }),
    )
    cache.setQueryData(q.runs.checkIn(checkInId).queryKey, now)
    setChanging(false)
    void q.changed(cache, 'client', v.clientId)
  }
  const may = v.stands === 'OPEN' || v.stands === 'LINK_OVER' || changing
  return (
    <div className="py-5">
      <h1 className="text-[26px] font-bold">
        {v.second ? 'Third day' : 'Morning'} after: {v.client}
      </h1>
      <p className="mb-4 text-soft">
        Session of {day(v.session)} · {STANDS[v.stands](v)}
      </p>
      {v.sentence && !changing && (
        <section aria-label="What was told" className="mb-5">
          <p className={v.emergency ? 'font-bold text-brick' : 'font-semibold'}>{v.sentence}</p>
          <p className="text-sm text-soft">{v.toldBy}</p>
          <h2 className="mt-3 font-bold">What it did</h2>
          <ul>
            {v.did.length === 0 && <li>No verdict changed.</li>}
            {v.did.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
          {v.emergency && (
            <p className="mt-2 border-l-4 border-brick pl-3">
              An emergency sign: strength work is closed until a clearance dated after it. Ring them now.
            </p>
          )}
          {v.mayBeError && <InError id={v.id} />}
          <p className="mt-3 flex flex-wrap gap-2">
            <Link className="btn btn-main" to={`/clients/${v.clientId}/tolerance`}>
              See the verdicts
            </Link>
            {v.changeUntil && (
              <Button onClick={() => setChanging(true)}>Change it, until {v.changeUntil}</Button>
            )}
            <Link className="btn" to="/">
              Day sheet
            </Link>
          </p>
        </section>
      )}
      <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,460px)_minmax(0,1fr)]">
        {may && (
          <section aria-label="Ask them" className="max-w-md">
            <Choice label="Asked by you, how?" options={BY} value={by} onChange={setBy} />
            {by && (
              <Questions
                key={String(changing)}
                before={changing ? v.answer : undefined}
                emergency={me.data?.emergencyNumber ?? 'the emergency number'}
                third={v.second}
                send={keep}
              />
            )}
          </section>
        )}
        {v.link && (
          <section aria-label="The link" className="mb-5 border-l-4 border-teal pl-4">
            <p className="mb-1 font-semibold">
              Their link, good {v.stands === 'EARLY' ? `from ${day(v.opensOn)} ` : ''}until {day(v.linkUntil)}
            </p>
            <SentLink link={v.link} whose={v.client} />
          </section>
        )}
      </div>
    </div>
  )
}

const STANDS: Record<S['AskView']['stands'], (v: S['AskView']) => string> = {
  EARLY: (v) => `it is asked from ${day(v.opensOn)} on`,
  OPEN: (v) => `not answered; their link is good until ${day(v.linkUntil)}`,
  LINK_OVER: (v) => `not answered, their link is over; you may ask until ${day(v.askUntil)}`,
  ANSWERED: () => 'answered',
  OVER: () => 'not answered: more than a week is not remembered well enough, so it stays unknown',
}

/** A sign told in error, on the day it was told. */
function InError({ id }: { id: string }) {
  const cache = useQueryClient()
  const [reason, setReason] = useState('')
  const [open, setOpen] = useState(false)
  const withdraw = useMutation({
    mutationFn: () =>
      told(http.POST('/api/check-ins/{id}/error', { params: { path: { id } }, body: { reason } })),
    onSuccess: (now) => {
      cache.setQueryData(q.runs.checkIn(id).queryKey, now)
      void q.changed(cache, 'client', now.clientId)
    },
  })
  if (!open)
    return (
      <button
        type="button"
        className="min-h-[44px] text-sm text-soft underline underline-offset-4"
        onClick={() => setOpen(true)}
      >
        They say it was tapped in error
      </button>
    )
  return (
    <form
      className="mt-2"
      onSubmit={(e) => {
        e.preventDefault()
        withdraw.mutate()
      }}
    >
      <Field label="How it came to be tapped, in their words" hint="your word, today only">
        {(p) => <input {...p} maxLength={400} value={reason} onChange={(e) => setReason(e.target.value)} />}
      </Field>
      <Failure error={withdraw.error} />
      <Button type="submit" disabled={withdraw.isPending || reason.trim() === ''}>
        Withdraw the sign
      </Button>
    </form>
  )
}
