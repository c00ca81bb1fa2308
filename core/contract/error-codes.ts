import type { ErrorCode } from './fields'

/** What each error code means, for people who write programs. */
export const ERROR_CODES: Record<ErrorCode, string> = {
  required: 'the field is missing or empty',
  'wrong-type': 'text instead of a number, a list instead of an object and the like',
  'out-of-range': 'a number outside its limits',
  'not-whole': 'a fraction where a whole number is needed',
  'not-an-option': 'none of the allowed words',
  'wrong-format': 'text that is not a date, an id or whatever the field holds',
  'too-long': 'text over its limit of characters',
  'too-many': 'a list with too many entries, or too many at once',
  'too-few': 'a list with too few entries',
  'unknown-field': 'a field that does not exist',
  duplicate: 'the same id or name twice',
  'not-found': 'no such thing in this kitchen',
  conflict: 'not possible as things are now',
  'not-allowed': 'not with this method, or not from this device',
  busy: 'too many requests at once; try again',
  cancelled: 'the client disconnected',
  'not-json': 'a body that is not JSON',
  'too-large': 'a body over its limit of bytes',
  invalid: 'anything else; the message says what',
}
