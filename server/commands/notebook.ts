import * as v from 'valibot'
import { between } from '#core/contract/fields'
import { formNumber, MEASURE_LIMITS, readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { FIGURE_KINDS, isFigureName, kindOf } from '#core/learn/figures'
import { MEASUREMENTS } from '#server/store/notebook'
import { dropPhoto } from '#server/photos/photos'
import type { Kitchen } from '#server/store/open-household'
import { note } from './rebuild-entry'
import { fieldError } from '#core/contract/field-error'
import { inOneWrite } from '../store/write'

const grams = v.optional(
  v.union(
    [
      v.pipe(
        v.literal(''),
        v.transform(() => null),
      ),
      v.pipe(formNumber, between(...MEASURE_LIMITS, 'g')),
    ],
    (issue) => issue.issues?.at(-1)?.message ?? 'must be a number',
  ),
  '',
)
const parseMeasured = readerOf(
  v.object(
    Object.fromEntries(MEASUREMENTS.map((kind) => [kind, grams])) as Record<
      (typeof MEASUREMENTS)[number],
      typeof grams
    >,
  ),
)

/** Writes down what was weighed of a cook; an empty field takes it back. */
export function measureCook(kitchen: Kitchen, cookId: string, input: unknown): Result<null> {
  const read = parseMeasured(input)
  if (!read.ok) return read
  if (!kitchen.cooks.findFinished(cookId))
    return fieldError('cook', `"${cookId}" is not finished, or not here`)
  const { 'pot-before': before, 'pot-after': after } = read.value
  if (typeof before === 'number' && typeof after === 'number' && after >= before)
    return fieldError('pot-after', `must weigh less than before the heat, ${before} g; got ${after}`)
  inOneWrite(kitchen.db, () => {
    for (const kind of MEASUREMENTS) kitchen.notebook.measure(cookId, kind, read.value[kind])
    note(kitchen, cookId)
  })
  return { ok: true, value: null }
}

/** A cook is gone with everything that hangs on it, as if it had never been. */
export function removeCook(kitchen: Kitchen, cookId: string): Result<null> {
  if (!kitchen.cooks.findFinished(cookId))
    return fieldError('cook', `"${cookId}" is not finished, or not here`)
  const pictures = kitchen.photos.ofCook(cookId)
  inOneWrite(kitchen.db, () => {
    kitchen.notebook.drop(cookId)
    kitchen.cooks.remove(cookId)
  })
  for (const { id } of pictures) dropPhoto(kitchen, id)
  return { ok: true, value: null }
}

const figure = v.pipe(
  v.string('is required'),
  v.check(isFigureName, 'must be a learned value'),
  v.maxLength(200, 'is too long'),
)
/** What a figure may be pinned at: g/g as they are, factors as factors. */
export const PIN_LIMITS = { 'g/g': [-0.8, 0.8], times: [0.3, 3] } as const

/** Pins a figure to a value the cook gives.  @param input value in g/g, or as a factor */
export function pinFigure({ notebook }: Kitchen, input: unknown, nowMs: number): Result<null> {
  const read = readerOf(v.object({ figure, value: formNumber }))(input)
  if (!read.ok) return read
  const { unit } = FIGURE_KINDS[kindOf(read.value.figure)]
  const [min, max] = PIN_LIMITS[unit]
  const { value } = read.value
  if (!(value >= min && value <= max))
    return fieldError('value', `must be from ${min} to ${max} ${unit}, got ${value}`, 'out-of-range')
  notebook.setOverride({
    figure: read.value.figure,
    kind: 'pin',
    value: unit === 'times' ? Math.log(value) : value,
    atMs: Math.round(nowMs),
  })
  return { ok: true, value: null }
}

/** Begins a figure afresh: what was thought of it until now is not counted. */
export function resetFigure({ notebook }: Kitchen, input: unknown, nowMs: number): Result<null> {
  const read = readerOf(v.object({ figure }))(input)
  if (!read.ok) return read
  notebook.setOverride({ figure: read.value.figure, kind: 'reset', value: 0, atMs: Math.round(nowMs) })
  return { ok: true, value: null }
}

/** Takes a pin or a fresh start back. */
export function removeFigureOverride({ notebook }: Kitchen, input: unknown): Result<null> {
  const read = readerOf(v.object({ figure }))(input)
  if (!read.ok) return read
  return notebook.removeOverride(read.value.figure)
    ? { ok: true, value: null }
    : fieldError('figure', 'is not fixed and was not restarted')
}
