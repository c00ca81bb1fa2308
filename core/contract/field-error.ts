import { fieldErrorOf, type ErrorCode, type FieldError } from './fields'

/** What was wrong with one field, its name leading the message. */
export const fieldError = (
  path: string,
  message: string,
  code: ErrorCode = 'invalid',
): { ok: false; errors: FieldError[] } => ({ ok: false, errors: [fieldErrorOf(path, message, code)] })
