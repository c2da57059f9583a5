/** A colour and a stroke a lane, as on the sheet: the line is told by both. */
export const LANES = [
  { colour: '#CBA6C8', dash: undefined },
  { colour: '#F0C98A', dash: '10 4' },
  { colour: '#7FB9C0', dash: '2 4' },
  { colour: '#D5E0E3', dash: '12 4 2 4' },
]
