/** A difference that is no rounding: the clock was set, or the device slept. */
const STEP = 20
/** An answer that took longer says too little of the time. */
const SLOW = 1500

/**
 * The time of this device that goes on evenly: counted by the clock that only goes forward, so that
 * setting the other one back changes nothing. A device that slept is ahead of what was counted, and is
 * believed; where it had only been set forward, the server's time says so and `put` takes it back.
 */
export class SteadyClock {
  private base: number

  constructor(
    private readonly wall: () => number = Date.now,
    private readonly counted: () => number = () => performance.now(),
  ) {
    this.base = wall() - counted()
  }

  /** Milliseconds since 1970, as this device takes it. */
  now(): number {
    const steady = this.base + this.counted()
    const ahead = this.wall() - steady
    if (ahead <= STEP) return steady
    this.base += ahead
    return this.wall()
  }
}

let here: SteadyClock | undefined
/** The clock of this page. */
export const steadyNow = () => (here ??= new SteadyClock()).now()

/**
 * By how much a clock is off that said `mine` in the middle of a round trip in which the server said
 * `theirs`; 0 where the round trip alone can make that difference.
 */
export const offBy = (theirs: number, mine: number, roundTrip: number) => {
  const off = theirs - mine
  return roundTrip < SLOW && Math.abs(off) > roundTrip + STEP ? off : 0
}
