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

export interface FieldError {
  /** Where in the request, "grains.0.variety"; "" for the request itself. */
  path: string
  message: string
}

/** Valibot's issues as the contract's errors: the field's name leads the message. */
export const fieldErrors = (issues: readonly v.BaseIssue<unknown>[]): FieldError[] =>
  issues.map((issue) => {
    const path = v.getDotPath(issue) ?? ''
    return { path, message: `${path || 'request'} ${issue.message}` }
  })
