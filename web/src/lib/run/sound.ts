import type { Segment } from '../clock'

/** What is heard of a run; each can be off, and the device remembers it. */
export interface Heard {
  tones: boolean
  voice: boolean
  beat: boolean
}
export const HEARD: Heard = { tones: true, voice: false, beat: true }

/** A tone of its own for each thing that happens. */
export type Cue = 'start' | 'half' | 'count' | 'end' | 'side'

const COUNT = 3
/** Halves of shorter work are not called. */
const LONG = 20

/** Where the clock stood and stands, in whole seconds left. */
interface Tick {
  index: number
  left: number
}

/** The cue between two looks at the clock; undefined for none. A jump over several parts is one cue. */
export function cueBetween(segments: Segment[], before: Tick, now: Tick): Cue | undefined {
  const s = segments[now.index]
  if (!s) return undefined
  if (before.index !== now.index) {
    const last = segments[before.index]
    if (s.kind === 'WORK')
      return last?.kind === 'SIDE_CHANGE' || (last?.kind === 'WORK' && last.slotKey === s.slotKey)
        ? 'side'
        : 'start'
    return s.kind === 'SIDE_CHANGE' ? 'side' : 'end'
  }
  if (before.left === now.left) return undefined
  if (now.left > 0 && now.left <= COUNT) return 'count'
  const half = Math.floor(s.length / 2)
  return s.kind === 'WORK' && s.length >= LONG && before.left > half && now.left <= half ? 'half' : undefined
}

/** Pitch in Hz, begin and length in seconds. */
type Note = readonly [pitch: number, at: number, long: number]
const TONES: Record<Cue, readonly Note[]> = {
  start: [
    [523, 0, 0.14],
    [784, 0.16, 0.3],
  ],
  half: [[659, 0, 0.18]],
  count: [[880, 0, 0.09]],
  end: [
    [784, 0, 0.14],
    [392, 0.16, 0.4],
  ],
  side: [
    [659, 0, 0.12],
    [659, 0.2, 0.12],
  ],
}
const LOUD = 0.12
const BEAT: Note = [220, 0, 0.05]

let audio: AudioContext | undefined

function play(notes: readonly Note[]) {
  try {
    audio ??= new AudioContext()
    if (audio.state === 'suspended') void audio.resume()
    const from = audio.currentTime
    for (const [pitch, at, long] of notes) {
      const tone = audio.createOscillator()
      const loud = audio.createGain()
      tone.frequency.value = pitch
      loud.gain.value = LOUD
      tone.connect(loud).connect(audio.destination)
      tone.start(from + at)
      tone.stop(from + at + long)
    }
  } catch {
    // no sound on this device: the screen says it all
  }
}

export const sound = (cue: Cue) => play(TONES[cue])
export const beat = () => play([BEAT])

/** Voices of the device itself: what a network would have to speak is not asked. */
const voices = () => {
  try {
    return speechSynthesis.getVoices().filter((v) => v.localService)
  } catch {
    return []
  }
}

export const canSpeak = () => voices().length > 0

/** Says a few words with the device's own voice, in place of what it was saying; nothing where it has none. */
export function say(words: string) {
  const all = voices()
  const voice = all.find((v) => v.lang.startsWith('en')) ?? all[0]
  if (!voice) return
  try {
    speechSynthesis.cancel()
    const s = new SpeechSynthesisUtterance(words)
    s.voice = voice
    speechSynthesis.speak(s)
  } catch {
    // the screen says it as well
  }
}
