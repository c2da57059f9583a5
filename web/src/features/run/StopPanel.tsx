import { ToggleGroup } from 'radix-ui'
import { useState, type ReactNode } from 'react'
import type { S } from '../../lib/api'
import { Button } from '../../ui/Button'
// not loaded on demand: the stop panel opens without a connection too
import Dialog from '../../ui/DialogPanel'

type Sign = S['SignView']

/** Where nothing more is known on this device: still a way to stop. */
const ANY: Sign[] = [
  {
    id: 'OTHER',
    words: 'Another sign that worries you',
    aid: 'Sit or lie as is easiest, do not let them walk. Emergency call.',
    source: 'house rule',
    after: 'EMERGENCY',
    place: 'ANYONE',
  },
]

const PLACES: [Sign['place'], string][] = [
  ['OWN', 'first for this client'],
  ['ANYONE', 'anyone'],
  ['OTHERS', 'seldom for this client'],
]

/**
 * Make safe, choose what was seen, confirm. Opening it has paused the clock; focus rests on nothing that
 * acts, and closing without a sign leaves the clock as it was.
 */
export function StopPanel({
  open,
  signs,
  emergency,
  contact,
  who,
  ready = true,
  confirm = 'Stop the session and record',
  onClose,
  onStop,
}: {
  open: boolean
  signs?: Sign[]
  emergency: string
  contact?: string
  /** whose sign it is, where there are several */
  who?: ReactNode
  /** it is known whose it is */
  ready?: boolean
  /** what the one button that records says */
  confirm?: string
  onClose: () => void
  onStop: (sign: Sign) => void
}) {
  const [chosen, setChosen] = useState('')
  const all = signs && signs.length > 0 ? signs : ANY
  const sign = all.find((s) => s.id === chosen)
  const close = () => {
    setChosen('')
    onClose()
  }
  return (
    <Dialog
      open={open}
      onOpenChange={(o) => !o && close()}
      title={
        <>
          Stop and make safe
          <span className="ml-auto whitespace-nowrap">
            call <span className="font-mono text-2xl text-brick">{emergency}</span>
          </span>
        </>
      }
      wide
      calm
      footer={
        <div aria-live="polite">
          {sign ? (
            <p className="mb-2">
              <strong>First:</strong> {sign.aid}{' '}
              <span className="text-[13px] text-soft">{sign.source} · local protocol first</span>
            </p>
          ) : (
            <p className="mb-2 text-soft">Choose what was seen; nothing is recorded until it is confirmed.</p>
          )}
          <div className="flex flex-wrap gap-2">
            <Button onClick={close} className="min-h-[48px] flex-1 whitespace-nowrap">
              Close, nothing happened
            </Button>
            <Button
              className="min-h-[48px] flex-1 whitespace-nowrap !border-brick !bg-brick !text-white disabled:!border-[#9aa5ab] disabled:!bg-transparent disabled:!text-soft"
              disabled={!sign || !ready}
              onClick={() => {
                if (!sign || !ready) return
                setChosen('')
                onStop(sign)
              }}
            >
              {confirm}
            </Button>
          </div>
        </div>
      }
    >
      <p className="mb-1">
        <strong>No answer, no normal breathing: call, compressions at once, defibrillator.</strong>{' '}
        <span className="max-sm:hidden">Otherwise stop, sit or lie them down safely, stay with them. </span>
        Your local protocol and first-aid training outrank this panel.
      </p>
      <p className="mb-2">
        Tell: emergency services, {contact ? <strong>{contact}</strong> : 'their contact'}, the clinician.
      </p>
      {who}
      <ToggleGroup.Root
        type="single"
        aria-label="What was seen"
        value={chosen}
        // a second tap on the sign chosen leaves it chosen
        onValueChange={(v) => setChosen((was) => v || was)}
      >
        {PLACES.map(([place, words]) => {
          const here = all.filter((s) => s.place === place)
          return (
            here.length > 0 && (
              <div key={place} role="presentation">
                <p className="mb-1 mt-2 text-sm text-soft">{words}</p>
                <div className="grid gap-1.5 sm:grid-cols-2 lg:grid-cols-3">
                  {here.map((s) => (
                    <ToggleGroup.Item
                      key={s.id}
                      value={s.id}
                      className="min-h-[46px] rounded border border-[#9aa5ab] bg-sheet px-3 py-1 text-left font-semibold leading-snug data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-white"
                    >
                      {s.words}
                    </ToggleGroup.Item>
                  ))}
                </div>
              </div>
            )
          )
        })}
      </ToggleGroup.Root>
    </Dialog>
  )
}
