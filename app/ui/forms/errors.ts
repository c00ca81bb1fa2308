import type { FieldError } from '#core/contract/fields'

/** What an action answers when something was wrong: the errors, and everything as it was typed. */
export interface Refused {
  errors: FieldError[]
  typed: Record<string, string>
}

export const typedOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].filter((pair): pair is [string, string] => typeof pair[1] === 'string'))

/** A field's message without the field's name. */
export const errorAt = (refused: Refused | undefined, path: string): string | undefined =>
  refused?.errors
    .find((e) => e.path === path || e.path.startsWith(`${path}.`))
    ?.message.replace(/^[\w.]+ /, '')

/** What belongs to no field that can be seen. */
export const otherErrors = (refused: Refused | undefined, fields: readonly string[]): string | undefined =>
  refused?.errors.find((e) => !fields.includes(e.path.split('.')[0]!))?.message

/** The error of a form whose key no action of its page answers to. */
export const unknownIntent = (intent: unknown): FieldError => ({
  path: 'intent',
  message: `intent must be an action of this page, got "${String(intent).slice(0, 40)}"`,
  code: 'not-an-option',
})
