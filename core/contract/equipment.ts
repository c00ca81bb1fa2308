import * as v from 'valibot'
import { VARIETY_IDS } from '#core/grain/varieties'
import { MATERIAL_IDS } from '#core/vessel/materials'
import { wrongMarks } from '#core/vessel/shape'
import { between, oneOf, quoted } from './fields'
import { nameText } from './texts'
import { formNumber, readerOf } from './settings'

/** Limits of what a household may say of its things; forms show them, the check uses them. */
/** Devices that report to the stove. */
export const DEVICE_KINDS = ['scale', 'probe', 'cooker', 'pressure-pot'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

export const HOUSEHOLD_LIMITS = Object.freeze({
  name: 60,
  label: 500,
  capacity_ml: [100, 60_000],
  diameter_mm: [40, 800],
  height_mm: [10, 800],
  empty_g: [50, 30_000],
  sticks_g: [0, 2000],
  rated_w: [50, 20_000],
  measure_ml: [5, 5000],
  left_g: [0, 100_000],
  label_ratio: [0.1, 20],
  marks: 40,
  printed: 20,
  programme_minutes: [0, 600],
  knob: 12,
} as const)

const named = nameText(HOUSEHOLD_LIMITS.name)
const optionalText = (most: number) =>
  v.pipe(
    v.optional(v.string(), ''),
    v.trim(),
    v.maxLength(most, (issue) => `must be at most ${most} characters, got ${issue.input.length}`),
  )
const number = (limits: readonly [number, number], unit: string) =>
  v.pipe(formNumber, between(...limits, unit))
/** A number that may be left empty, or whose field is not shown. */
const maybe = (limits: readonly [number, number], unit: string) =>
  v.optional(
    v.union(
      [
        v.pipe(
          v.literal(''),
          v.transform(() => null),
        ),
        number(limits, unit),
      ],
      (issue) => firstMessage(issue),
    ),
    '',
  )
const firstMessage = (issue: v.BaseIssue<unknown>): string => {
  const inner = issue.issues?.[issue.issues.length - 1]
  return inner?.message ?? `must be a number, got ${quoted(issue.input)}`
}
const ticked = v.pipe(
  v.optional(v.string(), ''),
  v.transform((text): 0 | 1 => (text === '' || text === '0' ? 0 : 1)),
)
const day = v.pipe(
  v.optional(v.string(), ''),
  v.check(
    (text) => text === '' || (/^\d{4}-\d{2}-\d{2}$/.test(text) && Number.isFinite(Date.parse(text))),
    (issue) => `must be a day, got ${quoted(issue.input)}`,
  ),
  v.transform((text) => (text === '' ? null : text)),
)

/** Lines of "number unit = number unit", as "20 mm = 500 mL": what a cook writes down while counting water in. */
const markLines = v.pipe(
  v.optional(v.string(), ''),
  v.transform((text) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== ''),
  ),
  v.maxLength(
    HOUSEHOLD_LIMITS.marks,
    (issue) => `holds at most ${HOUSEHOLD_LIMITS.marks} marks, got ${issue.input.length}`,
  ),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const marks = []
    for (const [i, line] of dataset.value.entries()) {
      const found = /^(\d+(?:[.,]\d+)?)\s*(?:mm)?\s*[=:]\s*(\d+(?:[.,]\d+)?)\s*(?:ml)?$/i.exec(line)
      if (!found) {
        addIssue({ message: `line ${i + 1} must be like "20 mm = 500 mL", got ${quoted(line)}` })
        return NEVER
      }
      const [level_mm, volume_ml] = [found[1]!, found[2]!].map((n) => Number(n.replace(',', '.'))) as [
        number,
        number,
      ]
      marks.push({ level_mm, volume_ml })
    }
    if (marks.length === 0) return null
    const wrong = wrongMarks(marks.map((m) => ({ levelMm: m.level_mm, volumeMl: m.volume_ml })))
    if (wrong) {
      addIssue({ message: wrong })
      return NEVER
    }
    return marks
  }),
)

/** Lines of "name = millimetres", as "3 = 41 mm": what the maker printed inside a bowl, from the bottom up. */
const printedLines = v.pipe(
  v.optional(v.string(), ''),
  v.transform((text) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== ''),
  ),
  v.maxLength(
    HOUSEHOLD_LIMITS.printed,
    (issue) => `holds at most ${HOUSEHOLD_LIMITS.printed} lines, got ${issue.input.length}`,
  ),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const printed: { name: string; level_mm: number }[] = []
    for (const [i, line] of dataset.value.entries()) {
      const found = /^(.{1,20}?)\s*[=:]\s*(\d{1,3}(?:[.,]\d+)?)\s*(?:mm)?$/i.exec(line)
      const level = found ? Number(found[2]!.replace(',', '.')) : NaN
      if (!found || !(level > 0 && level <= HOUSEHOLD_LIMITS.height_mm[1])) {
        addIssue({
          message: `line ${i + 1} must be like "3 = 41 mm", up to ${HOUSEHOLD_LIMITS.height_mm[1]} mm, got ${quoted(line)}`,
        })
        return NEVER
      }
      if (level <= (printed[printed.length - 1]?.level_mm ?? 0)) {
        addIssue({ message: `line ${i + 1} must be higher than the line before it, got ${quoted(line)}` })
        return NEVER
      }
      printed.push({ name: found[1]!, level_mm: level })
    }
    return printed.length === 0 ? null : printed
  }),
)

const VesselForm = v.object({
  name: named,
  kind: oneOf(['pot', 'cooker', 'pressure-electric', 'pressure-stovetop', 'oven-dish']),
  capacity_ml: number(HOUSEHOLD_LIMITS.capacity_ml, 'mL'),
  rim_diameter_mm: number(HOUSEHOLD_LIMITS.diameter_mm, 'mm'),
  base_diameter_mm: maybe(HOUSEHOLD_LIMITS.diameter_mm, 'mm'),
  height_mm: maybe(HOUSEHOLD_LIMITS.height_mm, 'mm'),
  lid: oneOf(['tight', 'loose', 'foil']),
  lining: oneOf(['bare', 'enamel', 'glazed', 'coated']),
  material: oneOf(MATERIAL_IDS),
  empty_g: maybe(HOUSEHOLD_LIMITS.empty_g, 'g'),
  own_rated_w: maybe(HOUSEHOLD_LIMITS.rated_w, 'W'),
  sticks_g: maybe(HOUSEHOLD_LIMITS.sticks_g, 'g'),
  marks: markLines,
  printed: printedLines,
})

const ProgrammeForm = v.object({
  vessel_id: v.pipe(v.string('is required'), v.nonEmpty('is required')),
  name: named,
  pressure: oneOf(['none', 'low', 'high']),
  minutes: maybe(HOUSEHOLD_LIMITS.programme_minutes, 'minutes'),
  after_it: oneOf(['natural', 'timed', 'quick', 'holds-warm']),
  known: oneOf(['known', 'guessed', 'timed']),
})

const HeatForm = v.object({
  name: named,
  kind: oneOf(['gas', 'coil', 'ceramic', 'induction']),
  rated_w: number(HOUSEHOLD_LIMITS.rated_w, 'W'),
  knob: v.pipe(
    v.optional(v.string(), ''),
    v.transform((text) =>
      text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== ''),
    ),
    v.maxLength(
      HOUSEHOLD_LIMITS.knob,
      (issue) => `holds at most ${HOUSEHOLD_LIMITS.knob} places, got ${issue.input.length}`,
    ),
    v.rawTransform(({ dataset, addIssue, NEVER }) => {
      const places = []
      for (const [i, line] of dataset.value.entries()) {
        const found = /^(.{1,30}?)\s*[=:]\s*(\d{1,3}(?:[.,]\d+)?)\s*%?$/.exec(line)
        const share = found ? Number(found[2]!.replace(',', '.')) / 100 : NaN
        if (!found || !(share > 0 && share <= 1)) {
          addIssue({ message: `line ${i + 1} must be like "3 = 40 %", from 1 to 100 %, got ${quoted(line)}` })
          return NEVER
        }
        places.push({ name: found[1]!, share })
      }
      return places
    }),
  ),
})

const MeasureForm = v.variant(
  'how',
  [
    v.object({ how: v.literal('known'), name: named, ml: number(HOUSEHOLD_LIMITS.measure_ml, 'mL') }),
    v.object({
      how: v.literal('weighed'),
      name: named,
      empty_g: number([0, 20_000], 'g'),
      full_g: number([1, 30_000], 'g'),
    }),
    v.object({
      how: v.literal('counted'),
      name: named,
      known_ml: number(HOUSEHOLD_LIMITS.capacity_ml, 'mL'),
      times: number([0.25, 500], 'times'),
    }),
  ],
  (issue) => `must be known, weighed or counted, got ${quoted(issue.input)}`,
)

const BagForm = v.object({
  variety: oneOf(VARIETY_IDS),
  name: named,
  label: optionalText(HOUSEHOLD_LIMITS.label),
  label_ratio: maybe(HOUSEHOLD_LIMITS.label_ratio, ''),
  bought_on: day,
  opened_on: day,
  new_crop: ticked,
  enriched: ticked,
  left_g: maybe(HOUSEHOLD_LIMITS.left_g, 'g'),
})

export const parseVesselForm = readerOf(VesselForm)
export const parseHeatForm = readerOf(HeatForm)
export const parseMeasureForm = readerOf(MeasureForm)
export const parseProgrammeForm = readerOf(ProgrammeForm)
export const parseBagForm = readerOf(BagForm)
export type VesselFormValue = v.InferOutput<typeof VesselForm>
