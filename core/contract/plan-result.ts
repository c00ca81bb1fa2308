import { AMOUNT_KINDS } from '#core/plan/stage-amount'
import * as v from 'valibot'
import { LOOSEN_WAYS, type LoosenWay } from '#core/finish/loosen'
import { VARIETY_IDS } from '#core/grain/varieties'
import { CUES, type CueId } from '#core/methods/signs'
import { STAGE_KINDS } from '#core/methods/definition'
import { LID_POSITIONS } from '#core/heat/lid'
import { HEAT_LEVELS } from '#core/heat/sources'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import { between, flag, oneOf, quoted } from './fields'

/**
 * A plan as it is stored and published: what `plan` answers with, written as a schema. Figures are only held
 * to be figures; what they may be is for the physics that made them to say.
 */
const LARGEST = 1e9
const MAX_STAGES = 80
const MAX_CAUTIONS = 60
const LONGEST = 600

const figure = between(-LARGEST, LARGEST)
const text = (most = LONGEST) =>
  v.pipe(
    v.string((issue) => `must be text, got ${quoted(issue.input)}`),
    v.maxLength(most, (issue) => `may have ${most} characters at most, got ${issue.input.length}`),
  )
const name = v.pipe(
  text(64),
  v.regex(/^[\w-]+$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
)
const list = <const T extends v.GenericSchema>(item: T, most: number) =>
  v.pipe(
    v.array(item, (issue) => `must be a list, got ${quoted(issue.input)}`),
    v.maxLength(most, (issue) => `holds at most ${most}, got ${issue.input.length}`),
  )
const some = v.optional(figure)

const WindowSchema = v.object({ low: figure, expected: figure, high: figure })

const measuredList = list(v.object({ measure: text(200), value: figure, text: text(200) }), 10)
const StageSchema = v.object({
  id: name,
  after: list(name, MAX_STAGES),
  kind: oneOf(STAGE_KINDS),
  title: text(),
  heat: oneOf(HEAT_LEVELS),
  power_w: figure,
  lid: oneOf(LID_POSITIONS),
  minutes: WindowSchema,
  ends_on: oneOf(['clock', 'cue']),
  cue: v.optional(text()),
  cue_id: v.optional(oneOf(Object.keys(CUES) as CueId[])),
  hands_on: flag,
  lag_minutes: some,
  loosen: v.optional(oneOf(Object.keys(LOOSEN_WAYS) as LoosenWay[])),
  starts_at: v.optional(text(64)),
  begins_ms: some,
  mends: v.optional(v.object({ addG: figure, turn: flag, pourOffG: some })),
  checks: list(text(), 20),
  set: v.optional(
    v.object({
      setting: text(80),
      minutes: some,
      pressure: v.optional(oneOf(['low', 'high'])),
      release: v.optional(oneOf(['natural', 'timed', 'quick'])),
    }),
  ),
  amounts: v.optional(
    list(
      v.object({
        what: oneOf(AMOUNT_KINDS),
        name: v.optional(text(200)),
        grams: figure,
        ml: some,
        // Plans of before 2.0 have none.
        measures: v.optional(measuredList, []),
      }),
      60,
    ),
  ),
})

const CautionSchema = v.object({
  code: text(80),
  severity: oneOf(['note', 'warn', 'stop']),
  about: oneOf(['texture', 'fit', 'burn', 'food-safety', 'timing']),
  text: text(1000),
  remedy: v.optional(text(1000)),
  mend: v.optional(v.record(text(80), v.unknown())),
})

export const PlanSchema = v.object({
  grain: v.object({
    mass_g: figure,
    volume_ml: figure,
    parts: list(
      v.object({
        variety: oneOf(VARIETY_IDS),
        mass_g: figure,
        volume_ml: figure,
        measures: v.optional(measuredList),
      }),
      20,
    ),
  }),
  water: v.object({
    pour_g: figure,
    ratio_by_volume: figure,
    ratio_by_mass: figure,
    absorbed_g: figure,
    evaporated_g: figure,
    carried_in_g: figure,
    drained_off_g: figure,
    left_in_pot_g: figure,
    short_g: figure,
    uptake_target: figure,
    clinging_g: figure,
    soaked_in_g: figure,
    steam_in_g: figure,
    boiler_g: some,
    add_in_water_g: figure,
    firm_pour_g: figure,
    standard_pour_g: figure,
    soft_pour_g: figure,
    evaporated_by_stage: v.record(name, figure),
  }),
  gauges: v.object({
    bed_depth_mm: figure,
    water_above_bed_mm: figure,
    fill_line_ml: figure,
    fill_level_mm: figure,
    swollen_level_mm: figure,
    froth_level_mm: figure,
    basket_level_mm: some,
    firm_level_mm: figure,
    standard_level_mm: figure,
    soft_level_mm: figure,
  }),
  yield: v.object({
    cooked_mass_g: figure,
    cooked_volume_ml: figure,
    left_behind_g: figure,
    servings: figure,
    to_keep_g: figure,
  }),
  keeps: v.object({ warm_minutes: figure, dry_minutes: figure, dries_percent_per_hour: figure }),
  set_aside: v.optional(
    v.object({
      share: figure,
      grams: figure,
      ml: figure,
      tray_long_cm: figure,
      tray_wide_cm: figure,
      sprinkle_g: figure,
    }),
  ),
  dressing: v.optional(
    v.object({
      vinegar_g: figure,
      vinegar_ml: figure,
      sugar_g: figure,
      salt_g: figure,
      salt_last_g: figure,
      liquid_g: figure,
      liquid_ml: figure,
      ml_per_240_ml_dry: figure,
    }),
  ),
  loosen: oneOf(Object.keys(LOOSEN_WAYS) as LoosenWay[]),
  spread: v.optional(v.object({ area_cm2: figure, tray_long_cm: figure, tray_wide_cm: figure })),
  // A stage waits only for stages before it, so that there is no circle.
  stages: v.pipe(
    list(StageSchema, MAX_STAGES),
    v.minLength(1, 'has no stage'),
    v.check((stages) => new Set(stages.map((s) => s.id)).size === stages.length, 'has a stage twice'),
    v.check(
      (stages) =>
        stages.every((stage, i) => stage.after.every((id) => stages.slice(0, i).some((s) => s.id === id))),
      'has a stage that waits for one that does not come before it',
    ),
  ),
  total_minutes: WindowSchema,
  hands_on_minutes: figure,
  boil_c: figure,
  separate_index: figure,
  seasoning: v.object({
    stock_g: figure,
    water_g: figure,
    salt_wanted_g: figure,
    salt_in_stock_g: figure,
    salt_in_add_ins_g: figure,
    salt_to_add_g: figure,
    add_ins: list(
      v.object({
        name: text(),
        grams: figure,
        water_g: figure,
        salt_g: figure,
        when: oneOf(ADD_IN_TIMES),
        out: oneOf(ADD_IN_OUTS),
      }),
      40,
    ),
  }),
  add_after_minutes: some,
  said_in: v.optional(v.literal('measures')),
  boiler_dish: v.optional(
    v.object({ name: text(), liquid_g: figure, top_up_g: figure, steams_off_g: figure }),
  ),
  cautions: list(CautionSchema, MAX_CAUTIONS),
  judged: v.optional(
    v.object({
      good: figure,
      ends: v.object({
        cooked_through: text(40),
        texture: text(40),
        soggy: flag,
        uneven: flag,
        scorched: flag,
        separate_index: figure,
      }),
      smallest_change: v.optional(
        v.object({ says: text(200), minutes: some, pour_g: some, rest_minutes: some, good: figure }),
      ),
    }),
  ),
  chances: v.optional(
    v.object({
      good: figure,
      fails: list(v.object({ how: text(), share: figure }), 20),
      measure: v.optional(v.object({ what: text(), good: figure })),
    }),
  ),
})
