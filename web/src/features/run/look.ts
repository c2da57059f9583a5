/** How the buttons of a run look. */
export const button =
  'min-h-[48px] rounded-md border border-[#41606b] px-3 text-base sm:px-4 font-semibold disabled:opacity-50'
export const chip = (on = false) =>
  `min-h-[46px] min-w-[44px] rounded border px-2.5 text-base ${on ? 'border-sand bg-sand font-bold text-night' : 'border-[#41606b]'}`
/** The one button that stops: it looks the same and stands in the same corner everywhere. */
export const stop =
  'min-h-[48px] shrink-0 whitespace-nowrap rounded-md bg-[#f4ece4] px-3 text-base sm:px-4 sm:text-lg font-bold text-brick'
export const unwell =
  'min-h-[48px] shrink-0 whitespace-nowrap rounded-md border-2 border-sand px-3 text-base sm:px-4 sm:text-lg font-bold text-sand'
