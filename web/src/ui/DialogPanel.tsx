import { Dialog as RDialog } from 'radix-ui'
import { Suspense, useCallback, useRef, useState, type ReactNode } from 'react'
import { Button } from './Button'
import { Kept } from './kept'
import { Loading } from './Loading'

export interface DialogProps {
  open: boolean
  onOpenChange: (o: boolean) => void
  title: ReactNode
  children: ReactNode
  footer?: ReactNode
  wide?: boolean
  /** the page behind goes away with the dialog and looks after the focus itself */
  leaves?: boolean
  /** focus rests on nothing that acts, a tap beside it does nothing, and it has its own ways out */
  calm?: boolean
  /** what is typed here is kept as it is typed, or is not worth keeping: leaving never asks */
  free?: boolean
}

/** The dialog itself. The title and the footer stay in view; left with something typed, it asks first. */
export default function DialogPanel({
  open,
  onOpenChange,
  title,
  children,
  footer,
  wide,
  leaves,
  calm,
  free,
}: DialogProps) {
  const heading = useRef<HTMLHeadingElement>(null)
  const [seen, setSeen] = useState(false)
  const [typed, setTyped] = useState(false)
  const [asking, setAsking] = useState(false)
  const [opener, setOpener] = useState<Element | null>(null)
  if (open !== seen) {
    setSeen(open)
    setTyped(false)
    setAsking(false)
    // before a field inside takes the focus
    if (open) setOpener(document.activeElement)
  }
  const kept = useCallback(() => setTyped(false), [])
  const leave = (o: boolean) => {
    if (!o && typed && !free && !calm) setAsking(true)
    else onOpenChange(o)
  }
  return (
    <RDialog.Root open={open} onOpenChange={leave}>
      <RDialog.Portal>
        <RDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <RDialog.Content
          aria-describedby={undefined}
          onInput={() => setTyped(true)}
          onOpenAutoFocus={(e) => {
            if (!calm) return
            e.preventDefault()
            heading.current?.focus()
          }}
          onPointerDownOutside={(e) => calm && e.preventDefault()}
          onCloseAutoFocus={(e) => {
            e.preventDefault()
            if (!leaves && opener instanceof HTMLElement) opener.focus()
          }}
          className={`fixed inset-x-3 top-[4vh] z-50 mx-auto flex max-h-[92vh] flex-col rounded-md border-t-4 border-teal bg-paper text-ink ${wide ? (calm ? 'max-w-4xl' : 'max-w-3xl') : 'max-w-lg'}`}
        >
          <div className="flex items-start gap-3 px-5 pb-2 pt-4 sm:px-6">
            <RDialog.Title
              ref={heading}
              tabIndex={calm ? -1 : undefined}
              className="flex flex-1 flex-wrap items-baseline gap-x-3 text-xl font-bold outline-none"
            >
              {title}
            </RDialog.Title>
            {!calm && (
              <RDialog.Close asChild>
                <Button quiet className="-my-2 font-normal">
                  Close
                </Button>
              </RDialog.Close>
            )}
          </div>
          <div className={`overflow-auto px-5 sm:px-6 ${footer ? 'pb-3' : 'pb-6'}`}>
            <Kept value={kept}>
              <Suspense fallback={<Loading what="the form" />}>{children}</Suspense>
            </Kept>
          </div>
          {asking && (
            <div
              role="alert"
              className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t-4 border-ochre bg-ochre-tint px-5 py-3 sm:px-6"
            >
              <p className="font-semibold">What you typed here is not kept yet.</p>
              <Button autoFocus main onClick={() => setAsking(false)}>
                Go on here
              </Button>
              <Button onClick={() => onOpenChange(false)}>Leave without it</Button>
            </div>
          )}
          {footer && <div className="border-t border-line px-5 py-3 sm:px-6">{footer}</div>}
        </RDialog.Content>
      </RDialog.Portal>
    </RDialog.Root>
  )
}
