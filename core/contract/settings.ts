import * as v from 'valibot'
import { EVENT_AMOUNTS, EVENT_KINDS } from '#core/cook/events'
import { REMEDY_HEAT_IDS } from '#core/cook/remedy-heat'
import { COMPLAINTS, REMEDY_LIMITS } from '#core/cook/remedy'
import { BOTTOMS, EVENNESS, STEPS } from '#core/learn/rating'
import { CUP_IDS } from '#core/units/cups'
import { UNIT_SYSTEMS } from '#core/units/system'
import { CRYSTAL_IDS } from '#core/seasoning/salt'
import { between, fieldErrors, flag, oneOf, quoted } from './fields'
import { nameText } from './texts'
import { LIMITS, type Result } from './plan-request'

/** What a household may write about a cook. */
export const MAX_NOTE = 2000
export const MAX_ATE = 200
/** What a kitchen scale says of a pot, g. */
export const MEASURE_LIMITS = [1, 100_000] as const
const MAX_ID = 64
/** Moments as UTC milliseconds. */
export const EPOCH_LIMITS = [0, 8.64e15] as const

const id = v.pipe(
  v.string((issue) => `must be text, got ${quoted(issue.input)}`),
  v.regex(/^[\w-]+$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
  v.maxLength(MAX_ID, `must be at most ${MAX_ID} characters`),
)

/** What is begun to put a pot right. */
export const RemedySchema = v.object({
  complaint: oneOf(COMPLAINTS),
  addG: between(0, REMEDY_LIMITS.addG, 'g'),
  turn: flag,
  pourOffG: v.optional(between(0, REMEDY_LIMITS.addG, 'g')),
  steam: v.optional(flag),
  heat: v.optional(oneOf(REMEDY_HEAT_IDS)),
  powerW: between(0, REMEDY_LIMITS.powerW, 'W'),
  lid: oneOf(['on', 'ajar', 'off']),
  heatMinutes: between(0, REMEDY_LIMITS.minutes, 'minutes'),
  restMinutes: between(0, REMEDY_LIMITS.minutes, 'minutes'),
})

/**
 * A press at the stove, as a device sends it. The device's clock may be wrong, so it says when it pressed and
 * when it sends.
 */
export const PressSchema = v.pipe(
  v.object({
    id,
    kind: oneOf(EVENT_KINDS),
    stage: id,
    pressed_ms: between(...EPOCH_LIMITS),
    sent_ms: between(...EPOCH_LIMITS),
    ahead_ms: v.optional(between(-EPOCH_LIMITS[1], EPOCH_LIMITS[1])),
    seconds: v.optional(between(1, 600, 's')),
    clarity: v.optional(between(0, 1)),
    amount: v.optional(between(0, LIMITS.wet_mass_g[1])),
    remedy: v.optional(RemedySchema),
    target: v.optional(id),
  }),
  v.forward(
    v.check(
      ({ kind, amount }) => {
        const limits = EVENT_AMOUNTS[kind]
        return !limits || (amount !== undefined && amount >= limits[0] && amount <= limits[1])
      },
      ({ input: { kind, amount } }) =>
        `must be from ${EVENT_AMOUNTS[kind]!.join(' to ')} for ${kind}, got ${quoted(amount)}`,
    ),
    ['amount'],
  ),
  v.forward(
    v.check(
      ({ kind, remedy }) => (kind === 'remedy') === (remedy !== undefined),
      'goes with the kind remedy, and only with it',
    ),
    ['remedy'],
  ),
)

/** Numbers as forms send them: text, a comma or a point for the decimals. Empty is not zero. */
export const formNumber = v.pipe(
  v.string('is required'),
  v.trim(),
  v.nonEmpty('is empty; give a number'),
  v.check(
    (text) => /^[+−-]?\d+([.,]\d+)?$/.test(text),
    (issue) => `must be a number, got ${quoted(issue.input)}`,
  ),
  v.transform((text) => Number(text.replace(',', '.').replace('−', '-'))),
)

const step = v.pipe(
  formNumber,
  v.check(
    (n) => (STEPS as readonly number[]).includes(n),
    (issue) => `must be from −2 to 2 in whole steps, got ${quoted(issue.input)}`,
  ),
)

const RatingSchema = v.object({
  wet_dry: step,
  hardness: step,
  bottom: v.optional(oneOf(BOTTOMS), 'clean'),
  separate: v.optional(
    v.union([
      v.pipe(
        v.literal(''),
        v.transform(() => null),
      ),
      step,
    ]),
  ),
  even: v.optional(oneOf(EVENNESS), 'even'),
  ate: v.pipe(
    v.optional(v.string(), ''),
    v.trim(),
    v.maxLength(MAX_ATE, (issue) => `must be at most ${MAX_ATE} characters, got ${issue.input.length}`),
  ),
  note: v.pipe(
    v.optional(v.string(), ''),
    v.trim(),
    v.maxLength(MAX_NOTE, (issue) => `must be at most ${MAX_NOTE} characters, got ${issue.input.length}`),
  ),
})

/** Limits of the household's own figures, for the form and for the check. */
export const SETTINGS_LIMITS = Object.freeze({
  elevation_m: LIMITS.elevation_m,
  kitchen_c: [5, 45],
  crease_mm: [10, 60],
  name: 60,
} as const)

/** Whether the platform knows a zone by this name. */
export const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

export const CLOCKS = ['24', '12'] as const
export const UNITS = ['grams', 'cups'] as const
/** How the water is shown first. */
export const GAUGES = ['scale', 'cups', 'line', 'finger'] as const

const SettingsSchema = v.object({
  name: nameText(SETTINGS_LIMITS.name),
  units: oneOf(UNITS),
  cup: oneOf(CUP_IDS),
  system: oneOf(UNIT_SYSTEMS),
  elevation_m: v.pipe(formNumber, between(...SETTINGS_LIMITS.elevation_m, 'm')),
  kitchen_c: v.pipe(formNumber, between(...SETTINGS_LIMITS.kitchen_c, '°C')),
  crease_mm: v.pipe(formNumber, between(...SETTINGS_LIMITS.crease_mm, 'mm')),
  clock: oneOf(CLOCKS),
  crystal: oneOf(CRYSTAL_IDS),
  zone: v.pipe(
    v.string('is required'),
    v.check(isZone, (issue) => `must be a time zone like Europe/Berlin, got ${quoted(issue.input)}`),
  ),
})
export type Settings = v.InferOutput<typeof SettingsSchema>

export const readerOf =
  <S extends v.GenericSchema>(schema: S) =>
  (input: unknown): Result<v.InferOutput<S>> => {
    // One complaint a field: what is empty is not also no number.
    const parsed = v.safeParse(schema, input, { abortPipeEarly: true })
    return parsed.success
      ? { ok: true, value: parsed.output }
      : { ok: false, errors: fieldErrors(parsed.issues) }
  }

export const parsePress = readerOf(PressSchema)
export const parseRating = readerOf(RatingSchema)
export const parseSettings = readerOf(SettingsSchema)
