/** Shown while nothing is there yet. */
export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="py-8 text-soft">
      Loading {what} …
    </p>
  )
}
