import { useQuery } from '@tanstack/react-query'
import * as q from '../../lib/queries'
import { Failure } from '../../ui/Failure'
import { Loading } from '../../ui/Loading'

const time = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})

/** The outbox of the mail stand-in and the record of changes. */
export function RecordsPage() {
  const audit = useQuery(q.studio.audit())
  const outbox = useQuery(q.studio.outbox())
  if (audit.error ?? outbox.error) return <Failure error={audit.error ?? outbox.error} />
  if (!audit.data || !outbox.data) return <Loading what="records" />
  return (
    <div className="grid gap-x-10 lg:grid-cols-2">
      <section>
        <h1 className="py-5 text-[26px] font-bold">Outbox</h1>
        <p className="mb-2 text-sm text-soft">
          What the mail stand-in would send. Nothing leaves this machine.
        </p>
        <ul className="border-t-2 border-ink">
          {outbox.data.length === 0 && <li className="py-3 text-soft">Nothing sent yet.</li>}
          {outbox.data.slice(0, 30).map((m) => (
            <li key={m.id} className="border-b border-line py-2.5 text-sm">
              <strong>{m.recipient}</strong> · {m.subject}{' '}
              <span className="text-soft">{time.format(new Date(m.at))}</span>
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
        <p className="mb-2 text-sm text-soft">Newest first, the last 200.</p>
        <ul className="border-t-2 border-ink">
          {audit.data.map((a) => (
            <li key={a.id} className="border-b border-line py-1.5 text-sm">
              <span className="text-soft">{time.format(new Date(a.at))}</span> {a.who} {a.action} {a.subject}
              {a.detail && <span className="text-soft">: {a.detail}</span>}
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
