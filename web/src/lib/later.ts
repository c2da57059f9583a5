import { lazy, type ComponentType, type LazyExoticComponent } from 'react'

/** Any component: what props it takes is the module's own affair. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Any = ComponentType<any>

/** A component loaded when it is first shown, or before that with `load`. */
export function later<K extends string, M extends Record<K, Any>>(
  load: () => Promise<M>,
  name: K,
): LazyExoticComponent<M[K]> & { load: () => Promise<M> } {
  return Object.assign(
    lazy(async () => ({ default: (await load())[name] })),
    { load },
  )
}
