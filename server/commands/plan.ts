import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { between } from '#core/contract/fields'
import { formNumber, readerOf } from '#core/contract/settings'
import { LIMITS, type Result } from '#core/contract/plan-request'
import type { Kitchen } from '#server/store/open-household'

const MarkForm = v.object({
  grain_key: v.pipe(v.string('is required'), v.nonEmpty('is required'), v.maxLength(200, 'is too long')),
  vessel_id: v.pipe(v.string('is required'), v.nonEmpty('is required'), v.maxLength(64, 'is too long')),
  dry_g: v.pipe(formNumber, between(...LIMITS.amount['dry-mass'], 'g')),
  pour_g: v.pipe(formNumber, between(...LIMITS.pour_override_g, 'g')),
  depth_mm: v.pipe(formNumber, between(-800, 800, 'mm')),
})
const parseMark = readerOf(MarkForm)

/** Saves a pour for a grain in a pot, to be chosen again on the plan page. */
export function savePourMark({ equipment, grainBags }: Kitchen, input: unknown, nowMs: number): Result<null> {
  const read = parseMark(input)
  if (!read.ok) return read
  const { vessel_id } = read.value
  if (!equipment.vessels().some((row) => row.id === vessel_id))
    return {
      ok: false,
      errors: [
        {
          path: 'vessel_id',
          message: `vessel_id must be a pot of this kitchen, got "${vessel_id}"`,
          code: 'not-found',
        },
      ],
    }
  grainBags.addMark({ ...read.value, id: randomUUID(), made_ms: nowMs, name: 'your mark' })
  return { ok: true, value: null }
}

const parseGauge = readerOf(
  v.object({
    gauge: v.pipe(v.string('is required'), v.regex(/^[\w:-]{1,80}$/, 'must be a gauge')),
  }),
)

/** Saves which gauge the household uses. */
export function saveGauge({ household }: Kitchen, input: unknown): Result<null> {
  const read = parseGauge(input)
  if (!read.ok) return read
  household.saveGauge(read.value.gauge)
  return { ok: true, value: null }
}
