import { canSpeak, sound, type Heard } from '../../lib/run/sound'
import { chip } from './look'

/** Which of the sounds are on; this device remembers it. */
export function Sounds({
  heard,
  beat,
  onChange,
}: {
  heard: Heard
  /** beats a minute of the plan; undefined where it has none */
  beat?: number
  onChange: (change: (was: Heard) => Heard) => void
}) {
  const one = (key: keyof Heard, words: string) => (
    <button
      type="button"
      aria-pressed={heard[key]}
      className={chip(heard[key])}
      onClick={() => {
        if (key === 'tones' && !heard.tones) sound('start')
        onChange((was) => ({ ...was, [key]: !was[key] }))
      }}
    >
      {words} {heard[key] ? 'on' : 'off'}
    </button>
  )
  return (
    <div className="flex flex-wrap gap-1.5">
      {one('tones', 'tones')}
      {canSpeak() && one('voice', 'voice')}
      {beat !== undefined && one('beat', `beat ${beat}`)}
    </div>
  )
}
