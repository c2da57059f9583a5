import type { FieldErrors, FieldValues, Path, UseFormReturn } from 'react-hook-form'
import * as z from 'zod/mini'
import { ApiError } from './api'

/*
 * Numbers as they are typed: text, until it is sent. An emptied field is never a nought, and one that
 * cannot be read is said at its field; whether the number may be so is the server's word.
 */

/** A whole number, or nothing. */
export const whole = z.string().check(z.regex(/^\s*\d*\s*$/, 'A whole number, without a comma.'))
/** A whole number that has to be there. */
export const count = z.string().check(z.regex(/^\s*\d+\s*$/, 'A whole number.'))
/** A number with point or comma, or nothing. */
export const decimal = z.string().check(z.regex(/^\s*(\d+([.,]\d*)?)?\s*$/, 'A number, such as 7.2.'))
/** A number with point or comma that has to be there. */
export const number = z.string().check(z.regex(/^\s*\d+([.,]\d*)?\s*$/, 'A number.'))

/** Reads a field only while it is asked for: what is hidden never stands in the way. */
export function asked<F extends Record<K, string>, K extends string>(
  field: K,
  how: z.ZodMiniString,
  when: (form: F) => boolean,
) {
  return z.check<F>((c) => {
    const read = when(c.value) ? how.safeParse(c.value[field]) : undefined
    if (read && !read.success)
      c.issues.push({
        code: 'custom',
        path: [field],
        input: c.value[field],
        message: read.error.issues[0]?.message,
      })
  })
}

/** What was typed as a number; nothing typed is none. */
export function numberOf(typed: string): number | undefined {
  return typed.trim() === '' ? undefined : Number(typed.replace(',', '.'))
}

/**
 * Puts the server's sentences at the fields they speak of, by JSON pointer ("/room/stepCm" is
 * `room.stepCm`), and goes to the first. Each goes when its field is corrected. What a form checks itself
 * is only whether a field can be read at all: the rules are the server's.
 */
export function refused<F extends FieldValues, C, T>(form: UseFormReturn<F, C, T>, error: unknown) {
  if (!(error instanceof ApiError)) return
  error.problem.errors?.forEach((e, i) =>
    form.setError(
      e.pointer.slice(1).replaceAll('/', '.') as Path<F>,
      { type: 'server', message: e.detail },
      { shouldFocus: i === 0 },
    ),
  )
}

/** Every sentence at or below a part of a form, such as the rows of a list. */
export function sentences(errors: FieldErrors[string]): string[] {
  if (!errors || typeof errors !== 'object') return []
  if (typeof errors.message === 'string') return [errors.message]
  return Object.entries(errors).flatMap(([k, e]) => (k === 'ref' ? [] : sentences(e as FieldErrors[string])))
}
