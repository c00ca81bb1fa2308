import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { between, oneOf, quoted } from '#core/contract/fields'
import { nameText } from '#core/contract/texts'
import { formNumber, readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { AVOIDED_IDS } from '#core/eaters/avoid'
import type { Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'

export const PERSON_LIMITS = Object.freeze({ name: 24, appetite: [0.25, 3], most: 20 } as const)

const parsePerson = readerOf(
  v.object({
    name: v.pipe(
      nameText(PERSON_LIMITS.name),
      // A name with a comma or a number could not be read in “who is eating”.
      v.regex(/^[^\d,;]+$/, (issue) => `must be without figures and commas, got ${quoted(issue.input)}`),
    ),
    appetite: v.pipe(formNumber, between(...PERSON_LIMITS.appetite, 'portions')),
    firmness: v.optional(
      v.union(
        [
          v.pipe(
            v.literal(''),
            v.transform(() => null),
          ),
          v.pipe(formNumber, between(0, 1)),
        ],
        'must be from 0 to 1, or empty',
      ),
      '',
    ),
    avoids: v.pipe(
      v.optional(v.string(), ''),
      v.transform((text) =>
        text
          .split(',')
          .map((word) => word.trim())
          .filter((word) => word !== ''),
      ),
      v.array(oneOf(AVOIDED_IDS)),
    ),
  }),
)

/** Adds a person, or changes one. */
export function savePerson({ people }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parsePerson(input)
  if (!read.ok) return read
  const all = people.all()
  const given = typeof input.id === 'string' && input.id !== '' ? input.id : undefined
  if (given !== undefined && !all.some((e) => e.id === given))
    return fieldError('id', `must be a person of this kitchen, got "${given}"`, 'not-found')
  if (given === undefined && all.length >= PERSON_LIMITS.most)
    return fieldError('name', `cannot be added: the limit is ${PERSON_LIMITS.most} people`)
  if (all.some((e) => e.id !== given && e.name.toLowerCase() === read.value.name.toLowerCase()))
    return fieldError('name', `is already used, got "${read.value.name}"`, 'conflict')
  const id = given ?? randomUUID()
  people.save({ id, ...read.value })
  return { ok: true, value: id }
}

export function dropPerson({ people }: Kitchen, id: unknown): Result<null> {
  return typeof id === 'string' && people.drop(id)
    ? { ok: true, value: null }
    : fieldError('id', `must be a person of this kitchen, got ${quoted(id)}`, 'not-found')
}
