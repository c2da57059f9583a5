/** How a stair is drawn: a long one shows the steps round where the client stands. */

const LONG = 9
const AROUND = 7

/** Which steps are shown, from `first` to before `last`. */
export function part(steps: number, here: number, whole: boolean) {
  const long = steps > LONG && !whole
  const first = long ? Math.max(0, Math.min(here - 3, steps - AROUND)) : 0
  return { long, first, last: long ? first + AROUND : steps }
}

/** How far in a step stands, so that the stair is seen to go down. */
export const indent = (step: number, shown: number) => `${Math.min(step, 12) * (shown > 8 ? 9 : 16)}px`
