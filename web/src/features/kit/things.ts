import type { S } from '../../lib/api'

/** What may lie about, beside furniture and weights. */
export const THINGS: [S['Room']['things'][number], string][] = [
  ['MAT', 'mat'],
  ['PAD', 'knee pad'],
  ['CUSHION', 'firm cushion'],
  ['WEDGE', 'wedge to recline on'],
  ['TOWEL', 'towel'],
  ['BALL', 'ball'],
  ['BED', 'bed or plinth'],
  ['STRAP', 'strap round the trunk'],
]
export const STAND_INS: [S['StandIn']['kind'], string][] = [
  ['CAN_400', 'full 400 g can'],
  ['BOTTLE', 'water bottle, ml'],
  ['BAG', 'bag of rice, g'],
  ['BACKPACK', 'backpack with books, g'],
]
