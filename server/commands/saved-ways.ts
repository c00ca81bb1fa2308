import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { SAVED_WAY_LIMITS } from '#core/contract/bundle-names'
import { nameText } from '#core/contract/texts'
import { fieldError } from '#core/contract/field-error'
import type { Result } from '#core/contract/plan-request'
import { readerOf } from '#core/contract/settings'
import type { Kitchen } from '#server/store/open-household'

const textUpTo = (most: number) =>
  v.pipe(
    v.string('is required'),
    v.maxLength(most, (issue) => `must be at most ${most} characters, got ${issue.input.length}`),
  )

const parseWay = readerOf(
  v.object({
    name: nameText(SAVED_WAY_LIMITS.name, 'is empty; enter a name, for example “Sunday rice”'),
    search: textUpTo(SAVED_WAY_LIMITS.search),
    steps: v.nullish(textUpTo(SAVED_WAY_LIMITS.steps)),
  }),
)

/** Saves a way under a name; one of the same name is replaced.  @returns its id, and whether another was replaced */
export function saveWay(
  { savedWays }: Kitchen,
  input: unknown,
  nowMs: number,
): Result<{ id: string; replaced: boolean }> {
  const read = parseWay(input)
  if (!read.ok) return read
  const { name, search, steps = null } = read.value
  const before = savedWays.idOf(name)
  if (before === undefined && savedWays.all().length >= SAVED_WAY_LIMITS.most)
    return fieldError(
      'name',
      `there may be ${SAVED_WAY_LIMITS.most} saved ways; delete one first`,
      'too-many',
    )
  const id = before ?? randomUUID()
  savedWays.put({ id, name, search, steps, saved_ms: Math.round(nowMs) })
  return { ok: true, value: { id, replaced: before !== undefined } }
}

/** Deletes a saved way.  @returns whether there was one */
export const deleteWay = ({ savedWays }: Kitchen, id: string): boolean => savedWays.drop(id)
