import { Dialog } from '../../ui'

const SIGNS = [
  'Chest pressure or pain',
  'Fainting or near it',
  'Breathless out of proportion',
  'Drooping face, weak arm, unclear speech',
  'Sudden worst headache',
  'Irregular pounding heart with giddiness',
  'Cold sweat and grey',
  'Fall with injury or a knock to the head',
  'Sudden joint pain, pop or giving way',
  'Vision change',
  'Seizure',
  'New saddle numbness',
  'One-sided calf pain or swelling',
  'Coughing blood',
  'Shock from an implanted device',
  'Pregnancy: bleeding, fluid, contractions, belly pain',
  'Pregnancy: the baby moves less',
  'Diabetes: shaky, sweaty, confused',
  'Another sign',
]

/** Any client, one key: make safe first, then say what was seen. Choosing a sign ends the run. */
export function StopPanel({
  open,
  onOpenChange,
  emergency,
  contact,
  notes,
  onStop,
}: {
  open: boolean
  onOpenChange: (o: boolean) => void
  emergency: string
  contact?: string
  notes?: string[]
  onStop: (sign: string) => void
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Stop and make safe" wide>
      <ol className="mb-4 list-decimal pl-6 text-lg">
        <li>Stop. Sit or lie them down safely; stay with them.</li>
        <li>
          In doubt call <strong className="font-mono text-2xl text-brick">{emergency}</strong>. Send someone
          for the defibrillator.
        </li>
        <li>Follow your local protocol and first-aid training; they outrank this panel.</li>
        <li>
          Tell: emergency services, their contact{contact && <strong> {contact}</strong>}, the clinician.
        </li>
      </ol>
      {notes?.map((n) => (
        <p key={n} className="mb-2 border-l-4 border-brick bg-sheet px-3 py-2 font-semibold">
          {n}
        </p>
      ))}
      <p className="mb-2 font-bold">What was seen? Tapping ends the run, with the time.</p>
      <div className="grid gap-1.5 sm:grid-cols-2">
        {SIGNS.map((s) => (
          <button
            key={s}
            type="button"
            className="min-h-[48px] rounded border-2 border-brick bg-sheet px-3 text-left font-semibold hover:bg-brick hover:text-white"
            onClick={() => onStop(s)}
          >
            {s}
          </button>
        ))}
      </div>
      <button type="button" className="btn mt-5" onClick={() => onOpenChange(false)}>
        Close: no sign, go on
      </button>
    </Dialog>
  )
}
