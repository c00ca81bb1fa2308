import type { FieldError } from '#core/contract/fields'

/** What was wrong with one field, its name leading the message. */
export const fieldError = (path: string, message: string): { ok: false; errors: FieldError[] } => ({
  ok: false,
  errors: [{ path, message: `${path} ${message}` }],
})
