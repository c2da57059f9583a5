const SIX = 6
const TWELVE = 12
const YEAR = 52

/** Spans of true time; all has no number of weeks. */
export const SPANS: { key: string; words: string; weeks?: number }[] = [
  { key: '6', words: '6 weeks', weeks: SIX },
  { key: '12', words: '12 weeks', weeks: TWELVE },
  { key: 'year', words: 'a year', weeks: YEAR },
  { key: 'all', words: 'all' },
]

/** The span of an address; twelve weeks where it says none, or one there is not. */
export const spanOf = (key: string | null) =>
  SPANS.find((s) => s.key === key) ?? SPANS[1] ?? { key: '12', words: '12 weeks', weeks: TWELVE }
