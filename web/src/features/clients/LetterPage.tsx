import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import * as q from '../../lib/queries'
import { fullDay } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Field } from '../../ui/Field'
import { Loading } from '../../ui/Loading'
import { useClient } from './useClient'

/** A letter to doctor, midwife or physiotherapist that asks for just what is wanted. */
export function LetterPage() {
  const { client } = useClient()
  const [to, setTo] = useState('')
  const [off, setOff] = useState<string[]>([])
  const letter = useQuery(q.papers.letter(client.id))
  if (letter.error) return <Failure error={letter.error} />
  if (!letter.data) return <Loading what="the letter" />
  const l = letter.data
  const happened = l.happened.filter((a) => !off.includes(a))
  const asked = l.asked.filter((a) => !off.includes(a))
  const limits = l.limits.filter((a) => !off.includes(a))
  return (
    <div className="grid gap-10 lg:grid-cols-[1fr_320px]">
      <article className="max-w-2xl bg-sheet p-8 print:p-0" aria-label="Letter">
        <p className="text-right">
          {l.studio}
          {l.phone && `, telephone ${l.phone}`}, {fullDay(l.date)}
        </p>
        <p className="my-6">To: {to || '____________________________'}</p>
        <p className="mb-4 font-bold">
          {l.client}, born {fullDay(l.birthDate)}: your word before strength work
        </p>
        <p className="mb-3">
          We lead strength sessions adapted to each client. Planned: {l.work}
          {l.goal && ` The client’s own goal: “${l.goal}”.`}
        </p>
        {happened.length > 0 && (
          <>
            <p className="font-bold">What happened:</p>
            <ul className="mb-4 ml-5 list-disc">
              {happened.map((h) => (
                <li key={h} className="py-1">
                  {h}
                </li>
              ))}
            </ul>
          </>
        )}
        {asked.length > 0 && (
          <>
            <p className="font-bold">We ask you to judge:</p>
            <ol className="mb-4 ml-5 list-decimal">
              {asked.map((a) => (
                <li key={a} className="py-1">
                  {a}
                  <span className="block">☐ may train within limits ☐ may not train yet</span>
                </li>
              ))}
            </ol>
          </>
        )}
        {limits.length > 0 && (
          <>
            <p className="font-bold">Firm limits we keep; please confirm, change or lift:</p>
            <ul className="mb-4 ml-5 list-disc">
              {limits.map((a) => (
                <li key={a} className="py-1">
                  {a} <span className="block">☐ keep ☐ lift ☐ change to ____________</span>
                </li>
              ))}
            </ul>
          </>
        )}
        {asked.length + limits.length === 0 && <p className="mb-4">Nothing is asked at the moment.</p>}
        <p className="mb-2">
          Limits we should keep (side, degrees, kilograms, pulse, until when): ______________________________
        </p>
        <p className="mb-8">
          Please sign and date. Your word outranks our defaults; it is filed with its date and its end.
        </p>
        <p className="mb-8">Name, role, date, signature: ______________________________</p>
        <p>
          With thanks, {l.professional}, {l.studio}
        </p>
        <p className="mt-6 text-sm">
          {l.consent ? `The client agreed to such letters on ${fullDay(l.consent)}. ` : ''}We do not diagnose
          or change treatment.
        </p>
      </article>
      <aside className="no-print">
        <Field label="To">{(p) => <input {...p} value={to} onChange={(e) => setTo(e.target.value)} />}</Field>
        <fieldset className="mb-4">
          <legend className="font-semibold">What it asks</legend>
          {[...l.happened, ...l.asked, ...l.limits].map((a) => (
            <label key={a} className="flex items-start gap-2 py-1.5 text-sm">
              <input
                type="checkbox"
                checked={!off.includes(a)}
                onChange={(e) => setOff(e.target.checked ? off.filter((x) => x !== a) : [...off, a])}
              />
              {a}
            </label>
          ))}
        </fieldset>
        {!l.consent && (
          <p className="mb-4 border-l-4 border-ochre bg-sheet px-3 py-2 text-sm">
            No consent to letters is on file, so the letter claims none.{' '}
            <Link className="text-teal underline" to="../record">
              Record it
            </Link>{' '}
            before it goes out.
          </p>
        )}
        <div className="flex gap-2">
          <Button main onClick={() => window.print()}>
            Print
          </Button>
          <Link className="btn" to="../papers">
            Back to papers
          </Link>
        </div>
      </aside>
    </div>
  )
}
