import { OutcomeSide } from './OutcomeSide'
import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { type S } from '../../lib/api'
import * as q from '../../lib/queries'
import { fullDay } from '../../lib/format'
import { Button } from '../../ui/Button'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { useClient } from '../clients/useClient'

/** One version as signed, to read and to print. */
export function ScreeningVersion() {
  const { client } = useClient()
  const { number } = useParams()
  const list = useQuery(q.screening.all(client.id))
  const questions = useQuery(q.screening.questions())
  if (list.error ?? questions.error) return <Failure error={list.error ?? questions.error} />
  if (!list.data || !questions.data) return <Loading what="the screening" />
  const s = list.data.find((x) => String(x.number) === number)
  if (!s) return <p className="py-6">There is no version {number} of this screening.</p>
  const asked = questions.data.filter((q) => s.answers[q.id] !== undefined)
  const words = (q: S['Question']) =>
    s.answers[q.id] === 'unsure'
      ? 'not sure'
      : (q.options.find((o) => o.value === s.answers[q.id])?.words ?? s.answers[q.id])
  return (
    <article className="max-w-3xl">
      <div className="no-print mb-4 flex gap-2">
        <Link className="btn" to="..">
          Back to screenings
        </Link>
        <Button main onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h2 className="text-xl font-bold">
        Screening of {client.name}, version {s.number}, {fullDay(s.takenOn)}
      </h2>
      <p className="mb-4 text-sm">born {fullDay(client.birthDate)}</p>
      <OutcomeSide preview={s.assessment} plain />
      <table className="mt-6 w-full text-left text-sm">
        <caption className="pb-1 text-left font-bold">Answers</caption>
        <tbody>
          {asked.map((q) => (
            <tr key={q.id} className="border-b border-line align-top">
              <td className="py-1 pr-4">{q.text}</td>
              <td className="w-40 py-1 font-semibold">
                {words(q)} {q.kind === 'NUMBER' && q.unit}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {s.assessment.proposals.length > 0 && (
        <>
          <h3 className="mb-1 mt-6 font-bold">Limits proposed, and what was decided</h3>
          <ul className="text-sm">
            {s.assessment.proposals.map((p) => (
              <li key={p.key} className="border-b border-line py-1">
                {p.words} ({p.condition}, {p.source}): {p.decision?.toLowerCase() ?? 'not decided yet'}
                {p.reason && `, ${p.reason}`}
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-10 grid grid-cols-2 gap-10 text-sm">
        <p className="border-t border-ink pt-1">
          read to and agreed by {s.signedClient}, typed name, {fullDay(s.takenOn)}
        </p>
        <p className="border-t border-ink pt-1">
          {s.signedProfessional}, professional, {fullDay(s.takenOn)}
        </p>
      </div>
      <p className="mt-6 text-sm text-soft">
        Riposo does not diagnose. A clinician’s word outranks this page; local protocol and licensed practice
        come first.
      </p>
    </article>
  )
}
