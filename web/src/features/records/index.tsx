import { useQuery } from '@tanstack/react-query'
import { moment } from '../../lib/format'
import * as q from '../../lib/queries'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'
import { Pages } from '../../ui/Pages'
import { usePage } from '../../ui/usePage'

/** The outbox of the mail stand-in and the record of changes; their pages are in the address. */
export function RecordsPage() {
  const [changes, toChanges] = usePage('changes')
  const [messages, toMessages] = usePage('messages')
  const audit = useQuery(q.studio.audit(changes))
  const outbox = useQuery(q.studio.outbox(messages))
  if (audit.error ?? outbox.error) return <Failure error={audit.error ?? outbox.error} />
  if (!audit.data || !outbox.data) return <Loading what="records" />
  return (
    <div className="grid gap-x-10 lg:grid-cols-2">
      <section>
        <h1 className="py-5 text-[26px] font-bold">Outbox</h1>
        <p className="text-sm text-soft">What the mail stand-in would send. Nothing leaves this machine.</p>
        <Pages newest label="Pages of the outbox" {...outbox.data} go={toMessages}>
          {outbox.isPlaceholderData ? 'looking …' : `${outbox.data.total} messages, newest first`}
        </Pages>
        <ul className="border-t-2 border-ink" aria-busy={outbox.isPlaceholderData}>
          {outbox.data.total === 0 && <li className="py-3 text-soft">Nothing sent yet.</li>}
          {outbox.data.lines.map((m) => (
            <li key={m.id} className="border-b border-line py-2.5 text-sm">
              <strong>{m.recipient}</strong> · {m.subject} <span className="text-soft">{moment(m.at)}</span>
              {m.link && (
                <a className="block break-all text-teal underline" href={m.link}>
                  {m.link}
                </a>
              )}
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="py-5 text-[26px] font-bold">Changes</h2>
        <p className="text-sm text-soft">Who changed what, who signed in, and what was tried.</p>
        <Pages newest label="Pages of the changes" {...audit.data} go={toChanges}>
          {audit.isPlaceholderData ? 'looking …' : `${audit.data.total} entries, newest first`}
        </Pages>
        <ul className="border-t-2 border-ink" aria-busy={audit.isPlaceholderData}>
          {audit.data.lines.map((a) => (
            <li key={a.id} className="border-b border-line py-1.5 text-sm">
              <span className="text-soft">{moment(a.at)}</span> {a.who} {a.action} {a.subject}
              {a.detail && <span className="text-soft">: {a.detail}</span>}
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
