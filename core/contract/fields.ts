import * as v from 'valibot'

/** How a value is quoted in an error: short, and never a wall of text. */
export function quoted(value: unknown): string {
  const text =
    typeof value === 'string'
      ? `"${value}"`
      : value === undefined
        ? 'nothing'
        : (JSON.stringify(value) ?? String(value))
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

/** A number between limits; the error names the field's limits and the value. */
export const between = (min: number, max: number, unit = '') => {
  const limits = `must be a number from ${min} to ${max}${unit ? ` ${unit}` : ''}`
  return v.pipe(
    v.number((issue) => `${limits}, got ${quoted(issue.input)}`),
    v.finite((issue) => `${limits}, got ${quoted(issue.input)}`),
    v.minValue(min, (issue) => `${limits}, got ${quoted(issue.input)}`),
    v.maxValue(max, (issue) => `${limits}, got ${quoted(issue.input)}`),
  )
}

export const wholeBetween = (min: number, max: number) =>
  v.pipe(
    between(min, max),
    v.integer((issue) => `must be a whole number, got ${quoted(issue.input)}`),
  )

/** One of a list of words. */
export const oneOf = <const T extends readonly [string, ...string[]] | readonly string[]>(words: T) =>
  v.picklist(words, (issue) => `must be one of ${words.join(', ')}; got ${quoted(issue.input)}`)

export const flag = v.boolean((issue) => `must be true or false, got ${quoted(issue.input)}`)

/** An object; the error says so instead of naming a library's type. */
export const record = <const T extends v.ObjectEntries>(entries: T) =>
  v.object(entries, (issue) =>
    issue.expected?.startsWith('"') ? 'is required' : `must be an object, got ${quoted(issue.input)}`,
  )

/** What is wrong, for programs: stable, while messages may be reworded. */
export type ErrorCode =
  | 'required'
  | 'wrong-type'
  | 'out-of-range'
  | 'not-whole'
  | 'not-an-option'
  | 'wrong-format'
  | 'too-long'
  | 'too-many'
  | 'too-few'
  | 'unknown-field'
  | 'duplicate'
  | 'not-found'
  | 'conflict'
  | 'not-allowed'
  | 'busy'
  | 'cancelled'
  | 'not-json'
  | 'too-large'
  | 'invalid'

/** One line: without line breaks and other control characters, which calendars, tables and logs would obey. */
const ONE_LINE = /^[^\p{Cc}\u2028\u2029]*$/u

export const oneLine = v.regex<string, string>(ONE_LINE, 'must be one line of plain text')
export const atMost = (most: number) =>
  v.maxLength<string, number, (issue: v.MaxLengthIssue<string, number>) => string>(
    most,
    (issue) => `must be at most ${most} characters, got ${issue.input.length}`,
  )

export interface FieldError {
  /** Where in the request, "grains.0.variety"; "" for the request itself. */
  path: string
  message: string
  code: ErrorCode
}

/** What is wrong with one field: its name leads the message. */
export const fieldErrorOf = (path: string, message: string, code: ErrorCode = 'invalid'): FieldError => ({
  path,
  message: `${path} ${message}`,
  code,
})

/** The codes of Valibot's own checks; lists and texts differ in what is too much of them. */
const CODE_OF_CHECK: Readonly<Record<string, ErrorCode>> = {
  picklist: 'not-an-option',
  enum: 'not-an-option',
  literal: 'not-an-option',
  finite: 'out-of-range',
  min_value: 'out-of-range',
  max_value: 'out-of-range',
  integer: 'not-whole',
  max_length: 'too-long',
  min_length: 'required',
  non_empty: 'required',
  regex: 'wrong-format',
}
const CODE_OF_LIST: Readonly<Record<string, ErrorCode>> = { max_length: 'too-many', min_length: 'too-few' }

/** @param issue as Valibot reports it */
function codeOf({ type, input, kind, expected, path }: v.BaseIssue<unknown>): ErrorCode {
  if (input === undefined || (type.endsWith('object') && expected?.startsWith('"'))) return 'required'
  // Checks of a field against another name the field, and are about its size or its absence.
  if (type === 'raw_check') {
    const value = path?.at(-1)?.value
    return value === undefined ? 'required' : typeof value === 'number' ? 'out-of-range' : 'invalid'
  }
  const known = (Array.isArray(input) ? CODE_OF_LIST[type] : undefined) ?? CODE_OF_CHECK[type]
  return known ?? (kind === 'schema' ? 'wrong-type' : 'invalid')
}

/** Valibot's issues as the contract's errors: the field's name leads the message. */
export const fieldErrors = (issues: readonly v.BaseIssue<unknown>[]): FieldError[] =>
  issues.map((issue) => {
    const path = v.getDotPath(issue) ?? ''
    return { path, message: `${path || 'request'} ${issue.message}`, code: codeOf(issue) }
  })
