import type { FieldValues, Path, UseFormReturn } from 'react-hook-form'
import { ApiError } from './api'

/**
 * Puts the server's sentences at the fields they speak of, by JSON pointer ("/room/stepCm" is
 * `room.stepCm`). Each goes when its field is corrected. What a form checks itself is only whether a
 * field can be read at all: the rules are the server's.
 */
export function refused<F extends FieldValues, C, T>(form: UseFormReturn<F, C, T>, error: unknown) {
  if (!(error instanceof ApiError)) return
  for (const e of error.problem.errors ?? [])
    form.setError(e.pointer.slice(1).replaceAll('/', '.') as Path<F>, {
      type: 'server',
      message: e.detail,
    })
}
