import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { parseBagForm } from '#core/contract/equipment'
import { readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { varietyOf } from '#core/grain/varieties'
import { meaningOf } from '#core/convert/ratio'
import type { Kitchen } from '#server/store/open-household'

const parseId = readerOf(
  v.object({
    id: v.pipe(v.string('is required'), v.regex(/^[\w-]{1,64}$/, 'must be a grain bag of this kitchen')),
  }),
)
const nothing = (id: string) => ({
  ok: false as const,
  errors: [
    {
      path: 'id',
      message: `id must be a grain bag of this kitchen, got "${id}"`,
      code: 'not-found' as const,
    },
  ],
})

/** Puts a bag on the shelf, or changes one that is there. What was adopted from an older label goes with the label. */
export function saveBag({ grainBags }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseBagForm(input)
  if (!read.ok) return read
  const given = typeof input.id === 'string' && input.id !== '' ? input.id : undefined
  const old = grainBags.bags().find((bag) => bag.id === given)
  if (given !== undefined && !old) return nothing(given)
  const id = old?.id ?? randomUUID()
  const sameLabel =
    old !== undefined && old.label_ratio === read.value.label_ratio && old.variety === read.value.variety
  grainBags.saveBag({ ...read.value, id, adopted_delta: sameLabel ? old.adopted_delta : null })
  return { ok: true, value: id }
}

export function dropBag({ grainBags }: Kitchen, input: unknown): Result<null> {
  const read = parseId(input)
  if (!read.ok) return read
  return grainBags.dropBag(read.value.id) ? { ok: true, value: null } : nothing(read.value.id)
}

/**
 * Takes the label's word: the uptake its ratio means, as far as it can be known, becomes this bag's own.
 * Taken again, it is given back.
 */
export function adoptLabel({ grainBags }: Kitchen, input: unknown): Result<null> {
  const read = parseId(input)
  if (!read.ok) return read
  const bag = grainBags.bags().find((b) => b.id === read.value.id)
  if (!bag) return nothing(read.value.id)
  if (bag.label_ratio === null)
    return {
      ok: false,
      errors: [
        {
          path: 'label_ratio',
          message: 'label_ratio is not given, so there is nothing to adopt',
          code: 'not-found',
        },
      ],
    }
  const delta =
    labelMeaning(bag.variety, bag.label_ratio).uptake.middle - varietyOf(bag.variety).uptake.standard
  grainBags.saveBag({
    ...bag,
    adopted_delta: bag.adopted_delta === null ? Math.max(-1, Math.min(1, delta)) : null,
  })
  return { ok: true, value: null }
}

/** What a label's ratio by volume means, when nothing else is known of where it worked. */
export const labelMeaning = (variety: Parameters<typeof varietyOf>[0], ratio: number) =>
  meaningOf({
    variety,
    ratio,
    by: 'volume',
    waterCupOverGrainCup: 1,
    washed: undefined,
    soakedMinutes: 0,
    pot: undefined,
    batchG: undefined,
  })
