import { FIGURE_WORDS } from '#core/leftovers/guidance-words'
import * as v from 'valibot'
import { DRESSING_IDS } from '#core/finish/dressing'
import { VARIETY_IDS } from '#core/grain/varieties'
import { COOLING_PLACES, NEXT_PLACES } from '#core/leftovers/cooling'
import { AUTHORITIES, FIGURE_IDS, FIGURES, guidanceOf, type FigureId } from '#core/leftovers/guidance'
import { LEFTOVER_EVENT_KINDS } from '#core/leftovers/container-state'
import { between, flag, oneOf, quoted, wholeBetween } from './fields'
import { nameText, lineText } from './texts'
import { formNumber, readerOf } from './settings'

/** Limits of leftovers. */
export const LEFTOVER_LIMITS = Object.freeze({
  name: 60,
  ml: [20, 20_000],
  depth_mm: [5, 400],
  many: [1, 50],
  grams: [5, 60_000],
  portions: [0.25, 100],
  stacked: [1, 20],
  containers: 30,
  bottle_g: [10, 20_000],
  taken_portions: [0.001, 100],
  for_whom: 60,
  steep_days: [0, 31],
} as const)

const named = nameText(LEFTOVER_LIMITS.name)
const number = (limits: readonly [number, number], unit: string) =>
  v.pipe(formNumber, between(...limits, unit))
const id = v.pipe(
  v.string('is required'),
  v.regex(/^[\w-]{1,64}$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
)

const ContainerForm = v.object({
  name: named,
  ml: number(LEFTOVER_LIMITS.ml, 'mL'),
  depth_mm: number(LEFTOVER_LIMITS.depth_mm, 'mm'),
  many: v.pipe(formNumber, wholeBetween(...LEFTOVER_LIMITS.many)),
})
export const parseContainerForm = readerOf(ContainerForm)

/** What is put away after a pot, at once: all of it or nothing. */
const ContainerSchema = v.object({
  cook_id: v.nullish(id),
  title: nameText(120, 'is empty; say what it is'),
  variety: oneOf(VARIETY_IDS),
  grams: between(...LEFTOVER_LIMITS.grams, 'g'),
  portions: between(...LEFTOVER_LIMITS.portions),
  water_share: between(0.2, 0.95),
  density_g_ml: between(0.3, 1.4, 'g/mL'),
  place: oneOf(COOLING_PLACES),
  /** Where it goes from the counter or the ice water. */
  next: v.nullish(oneOf(NEXT_PLACES)),
  for_whom: v.optional(lineText(LEFTOVER_LIMITS.for_whom), ''),
  open: flag,
  stacked: wholeBetween(...LEFTOVER_LIMITS.stacked),
  dressed: v.optional(flag, false),
  /** Minutes since it was off the heat. */
  minutes_ago: between(0, 1440, 'minutes'),
  containers: v.pipe(
    v.array(id, (issue) => `must be a list of containers, got ${quoted(issue.input)}`),
    v.minLength(1, 'needs at least one container'),
    v.maxLength(
      LEFTOVER_LIMITS.containers,
      (issue) => `holds at most ${LEFTOVER_LIMITS.containers} containers, got ${issue.input.length}`,
    ),
  ),
})
export type ContainerJson = v.InferInput<typeof ContainerSchema>
export const parseContainer = readerOf(ContainerSchema)

const TellForm = v.object({
  id,
  leftover_id: id,
  kind: oneOf(LEFTOVER_EVENT_KINDS),
  portions: v.optional(v.pipe(formNumber, between(...LEFTOVER_LIMITS.taken_portions))),
  /** The same as a cook says it: "half", "1 cup", "2 tbsp". */
  amount: v.optional(lineText(60)),
  target: v.optional(id),
})
export const parseTell = readerOf(TellForm)

const shortLine = lineText(60)
const blankIsNone = <T>(schema: v.GenericSchema<unknown, T>) =>
  v.optional(
    v.union([
      v.pipe(
        v.literal(''),
        v.transform(() => undefined),
      ),
      schema,
    ]),
  )
const BottleForm = v.object({
  style: oneOf(DRESSING_IDS),
  /** Left out where the cook's own amounts say it. */
  made_g: blankIsNone(number(LEFTOVER_LIMITS.bottle_g, 'g')),
  name: v.optional(shortLine, ''),
  /** The cook's own, "200 ml", "5 tbsp", "2 tsp"; and for how much dry grain, g. */
  vinegar: v.optional(shortLine, ''),
  sugar: v.optional(shortLine, ''),
  salt: v.optional(shortLine, ''),
  for_dry_g: blankIsNone(number(LEFTOVER_LIMITS.bottle_g, 'g')),
  steeps: v.optional(shortLine, ''),
  steep_days: blankIsNone(number(LEFTOVER_LIMITS.steep_days, 'days')),
})
export const parseBottleForm = readerOf(BottleForm)

/** Figures a household may set stricter; an empty field leaves the published one. */
const OWN_LIMITS: Record<FigureId, readonly [number, number]> = {
  hold_hot_c: [57, 90],
  cool_min: [10, 120],
  chill_min: [30, 240],
  fridge_c: [0, 5],
  eat_h: [1, 72],
  thawed_h: [1, 72],
  room_min: [5, 120],
  reheat_c: [74, 95],
  reheats: [0, 1],
}
const GuidanceForm = v.pipe(
  v.object({
    guidance: oneOf(AUTHORITIES),
    ...Object.fromEntries(FIGURE_IDS.map((figure) => [figure, v.optional(v.string('must be text'), '')])),
  } as { guidance: ReturnType<typeof oneOf<typeof AUTHORITIES>> } & Record<
    FigureId,
    v.OptionalSchema<v.StringSchema<string>, ''>
  >),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const given = dataset.value
    const published = guidanceOf(given.guidance)
    const own: Partial<Record<FigureId, number>> = {}
    for (const figure of FIGURE_IDS) {
      const text = given[figure].trim()
      if (text === '') continue
      const value = Number(text.replace(',', '.'))
      const [min, max] = OWN_LIMITS[figure]
      const issue = (message: string) =>
        addIssue({
          message,
          path: [{ type: 'object', origin: 'value', input: given, key: figure, value: text }],
        })
      if (!(value >= min && value <= max)) {
        issue(`must be from ${min} to ${max} ${FIGURE_WORDS[figure].unit}, got ${quoted(text)}`)
        return NEVER
      }
      const laxer =
        FIGURES[figure].stricter === 'higher'
          ? value < published[figure].value
          : value > published[figure].value
      if (laxer) {
        issue(
          `can only be set stricter than ${published[figure].value} ${FIGURE_WORDS[figure].unit} (${published[figure].source}), got ${quoted(text)}`,
        )
        return NEVER
      }
      if (value !== published[figure].value) own[figure] = value
    }
    return { guidance: given.guidance, own }
  }),
)
export const parseGuidance = readerOf(GuidanceForm)
