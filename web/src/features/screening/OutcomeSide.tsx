import { type S } from '../../lib/api'
import { outcomeWords } from '../../lib/format'
import { OutcomeMark, RuleLink } from '../../ui/Outcome'

/** What the answers come to, with every finding and its source. */
export function OutcomeSide({
  preview,
  plain,
  waits,
}: {
  preview: S['Preview']
  plain?: boolean
  /** the newest answers are on their way: what is shown is from before them */
  waits?: boolean
}) {
  return (
    <aside
      aria-live={plain ? undefined : 'polite'}
      aria-label="Outcome"
      aria-busy={waits}
      className={plain ? '' : 'lg:sticky lg:top-4 lg:max-h-[96vh] lg:self-start lg:overflow-auto'}
      tabIndex={plain ? undefined : 0}
    >
      <h2 className="mb-2 text-lg font-bold">Outcome</h2>
      <p className="border-t-2 border-ink py-2.5">
        <span className="inline-block w-20 text-soft">standing</span>
        <OutcomeMark outcome={preview.standing}>{outcomeWords[preview.standing]}</OutcomeMark>
      </p>
      <p className="border-y border-line py-2.5">
        <span className="inline-block w-20 text-soft">today</span>
        <OutcomeMark outcome={preview.today}>{outcomeWords[preview.today]}</OutcomeMark>
      </p>
      {!plain && preview.missing.length > 0 && (
        <p className="border-b border-line py-2 text-sm">
          {preview.missing.length} still to answer: nothing is called ready before they are.
        </p>
      )}
      {preview.gestation && (
        <p className="border-b border-line py-2.5">
          <span className="inline-block w-20 text-soft">weeks</span>
          <span className="font-mono">{preview.gestation}</span>
        </p>
      )}
      <ul>
        {preview.findings.map((f) => (
          <li key={f.rule + f.text} className="border-b border-line py-2 text-sm">
            {f.text}
            <span className="block">
              <span className="text-[13px] text-soft">{outcomeWords[f.outcome]} · </span>
              <RuleLink source={f.source} rule={f.rule} />
            </span>
          </li>
        ))}
      </ul>
      {preview.findings.length === 0 && <p className="py-2 text-sm text-soft">No finding so far.</p>}
      {preview.notes.length > 0 && (
        <>
          <h3 className="mt-4 font-bold">Keep in mind</h3>
          <ul>
            {preview.notes.map((n) => (
              <li key={n.condition + n.text} className="border-b border-line py-1.5 text-sm">
                {n.text}
                <span className="block text-[13px] text-soft">
                  {n.condition} · {n.source}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {!plain && (
        <p className="mt-3 text-[13px] text-soft">
          “Not sure” counts as yes until cleared. A clinician’s word outranks this.
        </p>
      )}
    </aside>
  )
}
