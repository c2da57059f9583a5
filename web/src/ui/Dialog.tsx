import { lazy, Suspense, useState } from 'react'
import type { DialogProps } from './DialogPanel'

const DialogPanel = lazy(() => import('./DialogPanel'))

/** A dialog, loaded when it first opens. The trigger keeps its own look and gets the focus back. */
export function Dialog(props: DialogProps) {
  const [was, setWas] = useState(props.open)
  if (props.open && !was) setWas(true)
  return was ? (
    <Suspense fallback={null}>
      <DialogPanel {...props} />
    </Suspense>
  ) : null
}
