/** What a strap says: a pulse in bpm as it sends it, or nothing where it has lost the skin. */
export type Beat = number | undefined

/** A pulse strap, real or made up, behind one port. */
export interface Strap {
  from: 'STRAP' | 'SIMULATED'
  name: string
  /**
   * Begins to tell; rejects where it cannot be reached.
   * @returns how to end it
   */
  start: (on: (beat: Beat) => void, lost: () => void) => Promise<() => void>
}

const LEAST = 20
const GREATEST = 250
/** A value older than that is no value. */
const FRESH = 5000
/** A jump of more than that is believed only when it stays. */
const JUMP = 25
const STAYS = 3
const ALIKE = 10
const REMEMBERED = 5

/**
 * Makes one pulse of what a strap sends: what cannot be right and single wrong spikes are left out, and
 * nothing old is ever given for new.
 */
export class PulseReader {
  private good: { bpm: number; at: number }[] = []
  private odd: number[] = []

  /** @param at milliseconds on any clock that only goes forward */
  take(beat: Beat, at: number) {
    if (beat === undefined || !(beat >= LEAST && beat <= GREATEST)) return
    this.good = this.good.filter((g) => at - g.at <= 2 * FRESH).slice(-REMEMBERED)
    const sorted = this.good.map((g) => g.bpm).sort((a, b) => a - b)
    const usual = sorted[Math.floor(sorted.length / 2)]
    // the first of all may be a wrong one as well: it is believed once others are like it
    if (usual === undefined || Math.abs(beat - usual) > JUMP) {
      this.odd = [...this.odd.filter((o) => Math.abs(o - beat) <= ALIKE), beat]
      if (this.odd.length < STAYS) return
      this.good = []
    }
    this.odd = []
    this.good.push({ bpm: beat, at })
  }

  /** The pulse in whole bpm; undefined where there is no fresh one. */
  now(at: number): number | undefined {
    const last = this.good.at(-1)
    return last && at - last.at <= FRESH ? Math.round(last.bpm) : undefined
  }
}

/** Seconds in which a pulse goes two thirds of the way up to what the work asks, and back in rest. */
const RISE = 40
const FALL = 55
const NOISE = 2
/** A second. */
const DROPS = 0.007
const SPIKES = 0.017
const SHORTEST = 4
const LONGER = 16

/** A heart made up: it follows what is asked of it with a lag; its strap loses contact and sends nonsense. */
export class SimulatedHeart {
  bpm: number
  private silent = 0

  constructor(
    private readonly resting: number,
    private readonly maximum: number,
    private readonly random: () => number = Math.random,
  ) {
    this.bpm = resting
  }

  /**
   * Goes on by some seconds.
   * @param demand share of the reserve that is asked for, 0 to 1
   * @returns what its strap sends
   */
  step(seconds: number, demand: number): Beat {
    const target = this.resting + demand * (this.maximum - this.resting)
    const lag = target > this.bpm ? RISE : FALL
    this.bpm += (target - this.bpm) * (1 - Math.exp(-seconds / lag))
    if (this.silent > 0) {
      this.silent -= seconds
      return undefined
    }
    if (this.random() < DROPS * seconds) this.silent = SHORTEST + this.random() * LONGER
    if (this.random() < SPIKES * seconds) return this.random() < 1 / 2 ? this.bpm * 2 : 0
    return this.bpm + (this.random() * 2 - 1) * NOISE
  }
}

const SECOND = 1000

/** The strap that ships: its pulse is made up and says so. */
export const simulatedStrap = (heart: SimulatedHeart, demand: () => number): Strap => ({
  from: 'SIMULATED',
  name: 'simulated strap',
  start: (on) => {
    const t = setInterval(() => on(heart.step(1, demand())), SECOND)
    return Promise.resolve(() => clearInterval(t))
  },
})

/** Flags of a measurement: sixteen bits, then two that say whether the strap can tell skin and has it. */
const WIDE = 0b1
const SKIN = 0b110
const NO_SKIN = 0b100

/**
 * A measurement of the heart-rate service of the Bluetooth SIG.
 * @returns undefined where it cannot be read, or the strap says that it has no skin
 */
export function heartRate(data: DataView): Beat {
  if (data.byteLength < 2) return undefined
  const flags = data.getUint8(0)
  if ((flags & SKIN) === NO_SKIN) return undefined
  if ((flags & WIDE) === 0) return data.getUint8(1)
  return data.byteLength > 2 ? data.getUint16(1, true) : undefined
}

interface Characteristic extends EventTarget {
  value?: DataView
  startNotifications: () => Promise<unknown>
}
interface Bluetooth {
  requestDevice: (o: object) => Promise<
    EventTarget & {
      name?: string
      gatt?: {
        connect: () => Promise<{
          getPrimaryService: (s: string) => Promise<{
            getCharacteristic: (c: string) => Promise<Characteristic>
          }>
        }>
        disconnect: () => void
      }
    }
  >
}

const bluetooth = () => (navigator as unknown as { bluetooth?: Bluetooth }).bluetooth
export const canReachStrap = () => typeof navigator !== 'undefined' && !!bluetooth()

/** A real strap, by the heart-rate service of the browser's Bluetooth; asked for in a tap. */
export async function bluetoothStrap(): Promise<Strap> {
  const device = await bluetooth()?.requestDevice({ filters: [{ services: ['heart_rate'] }] })
  if (!device) throw new Error('This browser reaches no strap.')
  return {
    from: 'STRAP',
    name: device.name ?? 'strap',
    start: async (on, lost) => {
      const server = await device.gatt?.connect()
      const service = await server?.getPrimaryService('heart_rate')
      const told = await service?.getCharacteristic('heart_rate_measurement')
      if (!told) throw new Error('This strap has no heart-rate service.')
      const hear = () => on(told.value ? heartRate(told.value) : undefined)
      told.addEventListener('characteristicvaluechanged', hear)
      device.addEventListener('gattserverdisconnected', lost)
      await told.startNotifications()
      return () => {
        told.removeEventListener('characteristicvaluechanged', hear)
        device.removeEventListener('gattserverdisconnected', lost)
        device.gatt?.disconnect()
      }
    },
  }
}

/** What is known of a strap that was begun. */
export interface StrapState {
  status: 'NONE' | 'ASKED' | 'ON' | 'LOST'
  name?: string
  from?: Strap['from']
  /** why it could not be begun */
  failed?: string
  /** when it was lost, ms since 1970 */
  lostAt?: number
}

/** A strap as long as a run is open on this device: views come and go, it goes on. */
export class StrapSession {
  private reader = new PulseReader()
  private state: StrapState = { status: 'NONE' }
  private end = () => {}
  private listeners = new Set<() => void>()
  private heardAt: number | undefined

  constructor(private readonly clock: () => number = () => performance.now()) {}

  readonly snapshot = () => this.state
  readonly subscribe = (on: () => void) => {
    this.listeners.add(on)
    return () => this.listeners.delete(on)
  }

  /** Begins with a strap, in place of the one before. */
  async begin(ask: () => Promise<Strap>) {
    this.stop()
    this.set({ status: 'ASKED' })
    try {
      const strap = await ask()
      this.reader = new PulseReader()
      this.end = await strap.start(
        (beat) => {
          this.reader.take(beat, this.clock())
          if (this.reader.now(this.clock()) !== undefined) this.heardAt = this.clock()
        },
        () => {
          this.reader = new PulseReader()
          this.set({ ...this.state, status: 'LOST', lostAt: Date.now() })
        },
      )
      this.heardAt = this.clock()
      this.set({ status: 'ON', name: strap.name, from: strap.from })
    } catch (e) {
      // the person may have closed the browser's own list: nothing was lost
      this.set({ status: 'NONE', failed: e instanceof Error ? e.message : String(e) })
    }
  }

  stop() {
    this.end()
    this.end = () => {}
    this.set({ status: 'NONE' })
  }

  /** The pulse now; undefined where there is none that is fresh: an old number is never shown. */
  pulse(): number | undefined {
    if (this.state.status === 'NONE' || this.state.status === 'ASKED') return undefined
    const bpm = this.reader.now(this.clock())
    const silent = this.heardAt !== undefined && this.clock() - this.heardAt > FRESH
    if (this.state.status === 'ON' && bpm === undefined && silent)
      this.set({ ...this.state, status: 'LOST', lostAt: Date.now() })
    else if (this.state.status === 'LOST' && bpm !== undefined) this.set({ ...this.state, status: 'ON' })
    return bpm
  }

  private set(state: StrapState) {
    this.state = state
    this.listeners.forEach((l) => l())
  }
}

const sessions = new Map<string, StrapSession>()
/** The strap of one person of a run on this device. */
export function strapOf(runId: string, person: string): StrapSession {
  const key = `${runId}/${person}`
  const s = sessions.get(key) ?? new StrapSession()
  sessions.set(key, s)
  return s
}
