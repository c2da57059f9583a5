import { createElement, lazy, useState, type ComponentProps, type ComponentType } from 'react'

/** Any component: what props it takes is the module's own affair. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Any = ComponentType<any>

/**
 * A component loaded when it is first shown, or before that with `load`: then it is there at once, and
 * nothing else is shown in its place first.
 */
export function later<K extends string, M extends Record<K, Any>>(load: () => Promise<M>, name: K) {
  let here: Any | undefined
  const come = async () => {
    const module = await load()
    here = module[name]
    return module
  }
  const Lazy: Any = lazy(async () => ({ default: (await come())[name] }))
  function Later(props: ComponentProps<M[K]>) {
    // once shown it stays what it was: another component in its place would forget what was typed
    const [Shown] = useState<Any>(() => here ?? Lazy)
    return createElement(Shown, props)
  }
  return Object.assign(Later, { load: come })
}
