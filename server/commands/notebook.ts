import * as v from 'valibot'
import { between, oneOf } from '#core/contract/fields'
import { formNumber, MEASURE_LIMITS, readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import {
  FIGURE_KINDS,
  isFigureName,
  kindOf,
  OVERRIDE_KINDS,
  widenedTo,
  type KitchenChange,
} from '#core/learn/figures'
import { MEASUREMENTS } from '#server/store/notebook'
import { dropPhoto } from '#server/photos/photos'
import { currentBeliefs } from '#server/queries/beliefs'
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

const AT_THE_STOVE = ['pot-before', 'pot-after'] as const
const parseWeight = readerOf(
  v.object({ kind: oneOf(AT_THE_STOVE), grams: v.pipe(formNumber, between(...MEASURE_LIMITS, 'g')) }),
)

/** One weight of the pot, while it cooks or afterwards. */
export function weighPot(kitchen: Kitchen, cookId: string, input: unknown): Result<null> {
  const read = parseWeight(input)
  if (!read.ok) return read
  if (!kitchen.cooks.find(cookId)) return fieldError('cook', `"${cookId}" is not here`, 'not-found')
  const { kind, grams } = read.value
  const before = kitchen.notebook.measured(cookId).find((m) => m.kind === 'pot-before')?.grams
  if (kind === 'pot-after' && before !== undefined && grams >= before)
    return fieldError('grams', `must be less than before heating, ${before} g; got ${grams}`, 'out-of-range')
  inOneWrite(kitchen.db, () => {
    kitchen.notebook.measure(cookId, kind, grams)
    if (kitchen.cooks.findFinished(cookId)) note(kitchen, cookId)
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

const overrideNamed = v.object({ figure, kind: v.optional(oneOf(OVERRIDE_KINDS)) })

/** Takes an override back: the one named, else a pin or a reset. */
export function removeFigureOverride({ notebook }: Kitchen, input: unknown): Result<null> {
  const read = readerOf(overrideNamed)(input)
  if (!read.ok) return read
  const { figure, kind } = read.value
  const removed = (kind ? [kind] : (['pin', 'reset'] as const)).filter((k) =>
    notebook.removeOverride(figure, k),
  )
  return removed.length > 0
    ? { ok: true, value: null }
    : fieldError('figure', 'is not fixed and was not restarted')
}

/**
 * The kitchen moved, or a burner was changed: what was learned of it is less sure from now on.
 * @param only names of figures to look at; left out: all
 * @returns the names of those that are less sure
 */
export function widenFigures(
  kitchen: Kitchen,
  change: KitchenChange,
  nowMs: number,
  only?: readonly string[],
): string[] {
  const { known } = currentBeliefs(kitchen)
  return Object.entries(known).flatMap(([name, { sd: before, pinned }]) => {
    const sd = only && !only.includes(name) ? undefined : widenedTo(change, name)
    if (sd === undefined || pinned || before >= sd) return []
    kitchen.notebook.setOverride({ figure: name, kind: 'widen', value: 0, sd, atMs: Math.round(nowMs) })
    return [name]
  })
}

/** Undoes the widening of these figures. */
export function narrowFigures({ notebook }: Kitchen, names: readonly string[]): void {
  for (const name of names) notebook.removeOverride(name, 'widen')
}
