import type { ComponentProps } from 'react'

/** A button; main is the one thing to do next. */
export function Button({
  main,
  quiet,
  className = '',
  ...props
}: ComponentProps<'button'> & { main?: boolean; quiet?: boolean }) {
  return (
    <button
      type="button"
      {...props}
      className={`btn ${main ? 'btn-main' : ''} ${quiet ? 'btn-quiet' : ''} ${className}`}
    />
  )
}
