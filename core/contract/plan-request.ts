import * as v from 'valibot'
import { DRESSING_IDS } from '#core/finish/dressing'
import {
  canSetAside,
  FRY_TOMORROW_TEXTURE,
  SET_ASIDE_PURPOSES,
  textureWithAside,
} from '#core/finish/set-aside'
import { blendOf, type Blend } from '#core/grain/blend'
import { AVOIDED_IDS } from '#core/eaters/avoid'
import { VARIETY_IDS, varietyOf, type Variety } from '#core/grain/varieties'
import { HEAT_PRESET_IDS, HEAT_PRESETS, type HeatPresetId, type HeatSource } from '#core/heat/sources'
import { AUTHORITIES } from '#core/leftovers/guidance'
import { METHOD_IDS, methodOf, type MethodId } from '#core/methods/index'
import { porridgeRatio } from '#core/methods/porridge'
import { dryMassOf } from '#core/plan/amount'
import { defaultVessel } from '#core/plan/default-vessel'
import { uptakeAt } from '#core/grain/texture'
import { FINISHES, HEAT_STYLES, type Finish, type Method } from '#core/methods/definition'
import { usualMethod, usualSoak } from '#core/methods/usual-method'
import { AMOUNT_BASES, BLEND_TIMINGS, PURPOSES, type PlanRequest, type Purpose } from '#core/plan/request'
import { HOLD_PLACES, OWN_STAGE_KINDS } from '#core/plan/request'
import { CRYSTAL_IDS } from '#core/seasoning/salt'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import { measureOf, STANDARD_MEASURES, STANDARD_MEASURE_IDS, type Measure } from '#core/units/measures'
import { MATERIAL_IDS } from '#core/vessel/materials'
import { VESSEL_PRESET_IDS, vesselPreset, type VesselPresetId } from '#core/vessel/presets'
import { wrongMarks, type Mark } from '#core/vessel/shape'
import { vesselOf, type Vessel } from '#core/vessel/vessel'
import {
  between,
  fieldErrors,
  flag,
  oneOf,
  fieldErrorOf,
  quoted,
  record,
  wholeBetween,
  type FieldError,
} from './fields'

/** Limits of every number in a plan request: forms, the command line and the server read the same ones. */
export const LIMITS = Object.freeze({
  amount: {
    'dry-mass': [5, 20_000],
    'dry-volume': [5, 25_000],
    'cooked-mass': [10, 60_000],
    'cooked-volume': [10, 90_000],
    servings: [0.25, 200],
    measure: [0.02, 500],
  },
  /** Volume of a measure of the cook's own, mL. */
  measure_ml: [1, 5000],
  own_minutes: [0, 600],
  elevation_m: [-430, 6000],
  kitchen_c: [-10, 50],
  water_c: [0, 100],
  rest_minutes: [0, 180],
  release_minutes: [0, 180],
  /** Characters. */
  eating_text: 120,
  washes: [0, 12],
  soak_minutes: [0, 2880],
  soak_celsius: [0, 55],
  wet_mass_g: [5, 60_000],
  salt_percent: [0, 10],
  stock_salt_percent: [0, 10],
  add_in_g: [0, 500],
  add_ins: 20,
  marks: 40,
  pour_override_g: [0, 60_000],
  boiler_dish_g: [50, 20_000],
  infuse_minutes: [0, 2880],
  dressing_ml: [1, 150],
  /** Per 100 g of dry grain. */
  dressing_g: { vinegar: [0.1, 60], sugar: [0, 60], salt: [0, 10] },
  set_minutes: [0, 480],
  hold_minutes: [0, 480],
  start_later_minutes: [0, 1440],
  keep_servings: [0, 100],
  stuck_g: [0, 2000],
  name: 60,
} as const)

/** The most kitchens one request may ask for. */
export const MAX_RUNS = 2000
/** How many kitchens a request is tried in, and which: the same seed gives the same ones. */
export const runsFields = {
  runs: v.optional(wholeBetween(1, MAX_RUNS), 1),
  seed: v.optional(wholeBetween(0, 4_294_967_295), 1),
}

/** What is taken when a field is left out; where a default follows from another field, settle() says how. */
export const DEFAULTS = Object.freeze({
  purpose: 'side',
  heat_style: 'boil-then-lowest',
  texture: 0.5,
  thickness: 0.5,
  hurry: false,
  elevation_m: 0,
  kitchen_c: 20,
  water_c: 15,
  lid_until_boil: 'on',
  stir_at_boil: false,
  loosen_in_rest: false,
  fry_at_end: false,
  fry_tomorrow_share: 0,
  pressure: 'high',
  release: 'natural',
  release_minutes: 10,
  serving: 'side',
  soak_celsius: 20,
  blend_timing: 'together',
  passes: 2,
  cooked_share: 0.85,
  toasted_bottom: false,
  hold_minutes: 0,
  hold_in: 'pot',
  start_later_minutes: 0,
  keep_servings: 0,
  stuck_g: 0,
  guidance: 'stricter',
  dressing_style: 'usual',
  stock_share: 0,
  // Ready-made stocks hold about 0.7 to 1 g of salt in 100 mL.
  stock_salt_percent: 0.8,
  salt_crystal: 'table',
} as const)

/** Texture that suits a purpose when none is asked for. */
export const PURPOSE_TEXTURE: Record<Purpose, number> = {
  side: DEFAULTS.texture,
  frying: 0.1,
  salad: 0.25,
  dressed: 0.4,
  porridge: 1,
  'part-cooked': 0,
  batch: 0.45,
}

const markOf = ({ level_mm, volume_ml }: { level_mm: number; volume_ml: number }): Mark => ({
  levelMm: level_mm,
  volumeMl: volume_ml,
})

const vesselSchema = v.union(
  [
    v.picklist(VESSEL_PRESET_IDS),
    record({
      capacity_ml: between(100, 60_000, 'mL'),
      base_diameter_mm: between(40, 800, 'mm'),
      rim_diameter_mm: v.optional(between(40, 800, 'mm')),
      height_mm: v.optional(between(10, 800, 'mm')),
      heat_capacity_j_k: v.optional(between(20, 20_000, 'J/K')),
      loss_w_k: v.optional(between(0.05, 20, 'W/K')),
      steam_factor: v.optional(between(0.1, 5)),
      lid: v.optional(oneOf(['tight', 'loose', 'foil'])),
      /** Of its base: induction heats only what a magnet holds to. */
      material: v.optional(oneOf(MATERIAL_IDS)),
      marks: v.optional(
        v.pipe(
          v.array(record({ level_mm: between(0, 800, 'mm'), volume_ml: between(0, 60_000, 'mL') })),
          v.maxLength(
            LIMITS.marks,
            (issue) => `holds at most ${LIMITS.marks} marks, got ${issue.input.length}`,
          ),
          v.rawCheck(({ dataset, addIssue }) => {
            const wrong = dataset.typed && wrongMarks(dataset.value.map(markOf))
            if (wrong) addIssue({ message: wrong })
          }),
        ),
      ),
    }),
  ],
  (issue) =>
    unionMessage(
      issue,
      `one of ${VESSEL_PRESET_IDS.join(', ')}, or an object with capacity_ml and base_diameter_mm`,
    ),
)

const heatSchema = v.union(
  [v.picklist(HEAT_PRESET_IDS), record({ rated_w: between(50, 20_000, 'W'), efficiency: between(0.05, 1) })],
  (issue) =>
    unionMessage(issue, `one of ${HEAT_PRESET_IDS.join(', ')}, or an object with rated_w and efficiency`),
)

/** A union fails as a whole; say which part of the object was wrong when an object was meant. */
function unionMessage(issue: v.UnionIssue<v.BaseIssue<unknown>>, wanted: string): string {
  const inner = issue.issues?.find((i) => i.path)
  const detail =
    inner && typeof issue.input === 'object'
      ? `: ${v.getDotPath(inner)} ${inner.message}`
      : `, got ${quoted(issue.input)}`
  return `must be ${wanted}${detail}`
}

const SERVE_AT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/

const textSchema = (most: number) =>
  v.pipe(
    v.string((issue) => `must be text, got ${quoted(issue.input)}`),
    v.trim(),
    v.nonEmpty('must say what it is'),
    v.maxLength(most, (issue) => `must be at most ${most} characters, got ${issue.input.length}`),
  )
const nameSchema = textSchema(LIMITS.name)

/** A cup everybody knows, or a measure of the cook's own. */
const measureSchema = v.union(
  [
    oneOf(STANDARD_MEASURE_IDS),
    record({ name: nameSchema, ml: between(...LIMITS.measure_ml, 'mL') }),
  ] as const,
  (issue) => unionMessage(issue, `one of ${STANDARD_MEASURE_IDS.join(', ')}, or an object with name and ml`),
)

const AMOUNT_INPUT_BASES = [...AMOUNT_BASES, 'measure'] as const

/** How a cook cooks it, whatever the plan would say: planned exactly so. */
const ownSchema = record({
  pour_g: v.nullish(between(...LIMITS.pour_override_g, 'g')),
  /** By the kind of the stage, "simmer", "boil", "pressure", "bake", "steam", "rest". */
  minutes: v.optional(
    v.record(
      v.picklist(
        OWN_STAGE_KINDS,
        (issue) => `must be one of ${OWN_STAGE_KINDS.join(', ')}; got ${quoted(issue.input)}`,
      ),
      between(...LIMITS.own_minutes, 'minutes'),
    ),
    {},
  ),
  rest_minutes: v.optional(between(...LIMITS.rest_minutes, 'minutes')),
  heat: v.optional(heatSchema),
  /** An appliance's programme. */
  programme: v.optional(
    record({
      minutes: between(...LIMITS.own_minutes, 'minutes'),
      pressure: v.optional(oneOf(['low', 'high'])),
      release: v.optional(oneOf(['natural', 'timed', 'quick'])),
      release_minutes: v.optional(between(...LIMITS.release_minutes, 'minutes')),
    }),
  ),
})

export const PlanRequestSchema = record({
  grains: v.pipe(
    v.array(
      record({
        variety: oneOf(VARIETY_IDS),
        share: v.optional(between(0.001, 1_000_000), 1),
        /** This member by measure; then every member has one, and the shares follow. */
        amount: v.optional(record({ value: between(...LIMITS.amount.measure), measure: measureSchema })),
      }),
      (issue) =>
        issue.input === undefined ? 'is required' : `must be a list of grains, got ${quoted(issue.input)}`,
    ),
    v.minLength(1, 'needs at least one grain'),
    v.maxLength(4, (issue) => `holds at most 4 grains, got ${issue.input.length}`),
  ),
  /** May be left out where every member of grains has its own. */
  amount: v.optional(
    v.pipe(
      record({
        basis: oneOf(AMOUNT_INPUT_BASES),
        value: v.pipe(
          v.number((issue) => `must be a number, got ${quoted(issue.input)}`),
          v.finite((issue) => `must be a number, got ${quoted(issue.input)}`),
        ),
        serving: v.optional(oneOf(['side', 'main'])),
        /** With basis "measure". */
        measure: v.optional(measureSchema),
      }),
      v.rawCheck(({ dataset, addIssue }) => {
        if (!dataset.typed) return
        const { basis, value, measure } = dataset.value
        if (basis === 'measure' && measure === undefined)
          addIssue({
            message: `is required for measure, for example "us-cup"`,
            path: [
              { type: 'object', origin: 'value', input: dataset.value, key: 'measure', value: undefined },
            ],
          })
        const [least, most] = LIMITS.amount[basis]
        if (!(value >= least && value <= most))
          addIssue({
            message: `must be from ${least} to ${most} for ${basis}, got ${value}`,
            path: [{ type: 'object', origin: 'value', input: dataset.value, key: 'value', value }],
          })
      }),
    ),
  ),
  /** How amounts are said besides grams; left out: as the amount was asked, or in every standard cup. */
  measures: v.optional(
    v.pipe(
      v.array(measureSchema, (issue) => `must be a list, got ${quoted(issue.input)}`),
      v.maxLength(4, (issue) => `holds at most 4 measures, got ${issue.input.length}`),
    ),
  ),
  own: v.nullish(ownSchema),
  purpose: v.optional(oneOf(PURPOSES), DEFAULTS.purpose),
  /** Left out: as this grain is usually cooked in this vessel, for this purpose. */
  method: v.optional(oneOf(METHOD_IDS)),
  heat_style: v.optional(oneOf(HEAT_STYLES), DEFAULTS.heat_style),
  vessel: v.optional(vesselSchema),
  heat: v.optional(heatSchema),
  rinse: v.optional(
    record({
      washes: v.optional(wholeBetween(...LIMITS.washes)),
      drain: v.optional(oneOf(['none', 'tip', 'sieve'])),
      clarity: v.nullish(between(0, 1)),
    }),
  ),
  soak: v.nullish(
    record({
      minutes: between(...LIMITS.soak_minutes, 'minutes'),
      celsius: v.optional(between(...LIMITS.soak_celsius, '°C')),
      water: v.optional(oneOf(['drain', 'keep']), 'drain'),
      wet_mass_g: v.nullish(between(...LIMITS.wet_mass_g, 'g')),
    }),
  ),
  blend_timing: v.optional(oneOf(BLEND_TIMINGS), DEFAULTS.blend_timing),
  texture: v.optional(between(0, 1)),
  /** Of a porridge: 0 thin, 1 thick. */
  thickness: v.optional(between(0, 1), DEFAULTS.thickness),
  /** The earliest end that works at all. */
  hurry: v.optional(flag, DEFAULTS.hurry),
  uptake_delta_g_g: v.optional(between(-2, 2), 0),
  minutes_factor: v.optional(between(0.3, 3), 1),
  /**
   * One standard deviation of what is still uncertain, as shares; each left out: that of a kitchen nothing is
   * known of.
   */
  spreads: v.optional(
    record({
      burner: v.optional(between(0, 1)),
      steam: v.optional(between(0, 2)),
      minutes: v.optional(between(0, 1)),
      water: v.optional(between(0, 1)),
      /** Correlation of the lot's water with the pot's steam: tasted together, known together. */
      water_with_steam: v.optional(between(-1, 1)),
    }),
    {},
  ),
  elevation_m: v.optional(between(...LIMITS.elevation_m, 'm'), DEFAULTS.elevation_m),
  kitchen_c: v.optional(between(...LIMITS.kitchen_c, '°C'), DEFAULTS.kitchen_c),
  water_c: v.optional(between(...LIMITS.water_c, '°C'), DEFAULTS.water_c),
  lid_until_boil: v.optional(oneOf(['on', 'ajar', 'off']), DEFAULTS.lid_until_boil),
  stir_at_boil: v.optional(flag, DEFAULTS.stir_at_boil),
  /** The rest is opened halfway, the grain loosened, the lid put back. */
  loosen_in_rest: v.optional(flag, DEFAULTS.loosen_in_rest),
  /** Grain for frying is fried once it has steamed off, in a pan, as the last stage. */
  fry_at_end: v.optional(flag, DEFAULTS.fry_at_end),
  /** This share of what is cooked is dried on a tray and chilled overnight, to be fried tomorrow. */
  fry_tomorrow_share: v.optional(between(0, 1), DEFAULTS.fry_tomorrow_share),
  rest_minutes: v.optional(between(...LIMITS.rest_minutes, 'minutes')),
  pressure: v.optional(oneOf(['low', 'high']), DEFAULTS.pressure),
  release: v.optional(oneOf(['natural', 'timed', 'quick']), DEFAULTS.release),
  release_minutes: v.optional(between(...LIMITS.release_minutes, 'minutes'), DEFAULTS.release_minutes),
  /** Who eats, as the cook said it, "Maren, Pim and 2": kept for the next time; no figure comes from it. */
  eating: v.optional(textSchema(LIMITS.eating_text)),
  passes: v.optional(wholeBetween(1, 4), DEFAULTS.passes),
  cooked_share: v.optional(between(0.2, 1), DEFAULTS.cooked_share),
  finish: v.optional(oneOf(FINISHES)),
  toasted_bottom: v.optional(flag, DEFAULTS.toasted_bottom),
  dressing: v.nullish(
    record({
      style: v.optional(oneOf(DRESSING_IDS), DEFAULTS.dressing_style),
      infuse_minutes: v.optional(between(...LIMITS.infuse_minutes, 'minutes'), 0),
      set_minutes: v.optional(between(...LIMITS.set_minutes, 'minutes'), 0),
      ml_per_240_ml_dry: v.nullish(between(...LIMITS.dressing_ml, 'mL')),
      /** The cook's own, instead of a style's. */
      per_100g_dry: v.nullish(
        record({
          vinegar_g: between(...LIMITS.dressing_g.vinegar, 'g'),
          sugar_g: between(...LIMITS.dressing_g.sugar, 'g'),
          salt_g: between(...LIMITS.dressing_g.salt, 'g'),
        }),
      ),
      /** Made ahead: it is not mixed, but poured from this bottle. */
      bottle: v.optional(record({ id: textSchema(64), name: nameSchema })),
    }),
  ),
  hold_minutes: v.optional(between(...LIMITS.hold_minutes, 'minutes'), DEFAULTS.hold_minutes),
  hold_in: v.optional(oneOf(HOLD_PLACES), DEFAULTS.hold_in),
  /** Foods someone who eats avoids. */
  avoids: v.optional(
    v.array(oneOf(AVOIDED_IDS), (issue) => `must be a list, got ${quoted(issue.input)}`),
    [],
  ),
  /** The appliance's own timer: filled now, it starts by itself so much later. */
  start_later_minutes: v.optional(
    between(...LIMITS.start_later_minutes, 'minutes'),
    DEFAULTS.start_later_minutes,
  ),
  /** Whether the bag says that vitamins were added; left out: not known. */
  enriched: v.nullish(flag),
  /** Kitchens to try the plan in, for its odds; and the luck they have. */
  ...runsFields,
  keep_servings: v.optional(between(...LIMITS.keep_servings), DEFAULTS.keep_servings),
  stuck_g: v.optional(between(...LIMITS.stuck_g, 'g'), DEFAULTS.stuck_g),
  guidance: v.optional(oneOf(AUTHORITIES), DEFAULTS.guidance),
  salt_percent: v.nullish(between(...LIMITS.salt_percent, '%')),
  stock_share: v.optional(between(0, 1), DEFAULTS.stock_share),
  salt_crystal: v.optional(oneOf(CRYSTAL_IDS), DEFAULTS.salt_crystal),
  stock_salt_percent: v.optional(between(...LIMITS.stock_salt_percent, '%'), DEFAULTS.stock_salt_percent),
  add_ins: v.optional(
    v.array(
      record({
        name: nameSchema,
        grams_per_100g_dry: between(...LIMITS.add_in_g, 'g'),
        water_share: v.optional(between(0, 1), 0),
        salt_share: v.optional(between(0, 1), 0),
        when: oneOf(ADD_IN_TIMES),
        out: v.optional(oneOf(ADD_IN_OUTS), 'stays'),
      }),
      (issue) => `must be a list, got ${quoted(issue.input)}`,
    ),
    [],
  ),
  pour_override_g: v.nullish(between(...LIMITS.pour_override_g, 'g')),
  boiler_dish: v.nullish(record({ name: nameSchema, liquid_g: between(...LIMITS.boiler_dish_g, 'g') })),
  serve_at: v.optional(
    v.pipe(
      v.string((issue) => `must be a date and time, got ${quoted(issue.input)}`),
      v.check(
        (text) => SERVE_AT.test(text) && Number.isFinite(Date.parse(text)),
        (issue) =>
          `must be a date and time with its offset, like 2026-03-05T19:00:00+01:00; got ${quoted(issue.input)}`,
      ),
    ),
  ),
})

/** The contract's plan request as it is written. */
export type PlanRequestJson = v.InferInput<typeof PlanRequestSchema>

export type Result<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] }

/** Reads a plan request from outside: checked, and with every default filled in. */
export function parsePlanRequest(input: unknown): Result<PlanRequest> {
  const parsed = v.safeParse(PlanRequestSchema, input)
  if (!parsed.success) return { ok: false, errors: [...fieldErrors(parsed.issues), ...amountMissing(input)] }
  const given = parsed.output
  const errors = [...amountErrors(given), ...fryErrors(given)]
  return errors.length > 0 ? { ok: false, errors } : { ok: true, value: withDefaults(given) }
}

function fryErrors({ fry_at_end, fry_tomorrow_share: share, purpose }: PlanInput): FieldError[] {
  if (fry_at_end && purpose !== 'frying')
    return [fieldErrorOf('fry_at_end', 'goes with the purpose "frying" only', 'not-allowed')]
  if (share > 0 && !SET_ASIDE_PURPOSES.includes(purpose))
    return [
      fieldErrorOf(
        'fry_tomorrow_share',
        `goes with grain that stays separate, not with ${purpose}`,
        'not-allowed',
      ),
    ]
  if (!canSetAside(share, purpose, fry_at_end) && share > 0)
    return [
      fieldErrorOf('fry_tomorrow_share', 'must leave some of it for today, for example 0.5', 'not-allowed'),
    ]
  return []
}

/** Said with the errors of other fields, before the grains can be read. */
function amountMissing(input: unknown): FieldError[] {
  const { amount, grains } = (input ?? {}) as { amount?: unknown; grains?: unknown }
  const byMember =
    Array.isArray(grains) && grains.some((g) => (g as { amount?: unknown } | null)?.amount !== undefined)
  return amount === undefined && !byMember ? [fieldErrorOf('amount', 'is required', 'required')] : []
}

/** What no single field can say: an amount for the whole, or one for every member. */
function amountErrors({ amount, grains }: PlanInput): FieldError[] {
  const measured = grains.filter((g) => g.amount !== undefined).length
  if (measured > 0 && measured < grains.length) {
    const i = grains.findIndex((g) => g.amount === undefined)
    return [
      fieldErrorOf(`grains.${i}.amount`, 'is required: give every grain an amount, or none', 'required'),
    ]
  }
  if (measured > 0) {
    const ml = grains.reduce((sum, g) => sum + g.amount!.value * measureOf(g.amount!.measure).ml, 0)
    return volumeErrors('grains', ml)
  }
  if (amount === undefined) return [fieldErrorOf('amount', 'is required', 'required')]
  return amount.basis === 'measure'
    ? volumeErrors('amount', amount.value * measureOf(amount.measure!).ml)
    : []
}

function volumeErrors(path: string, ml: number): FieldError[] {
  const [least, most] = LIMITS.amount['dry-volume']
  return ml >= least && ml <= most
    ? []
    : [fieldErrorOf(path, `must come to ${least} to ${most} mL, got ${Math.round(ml)} mL`, 'out-of-range')]
}

/** What is eaten as the dish itself comes in a dish's portions. */
export const PURPOSE_SERVING: Partial<Record<Purpose, 'side' | 'main'>> = {
  frying: 'main',
  dressed: 'main',
  batch: 'main',
}

/** How drained grain is finished for a purpose when nothing is asked. */
const PURPOSE_FINISH: Partial<Record<Purpose, Finish>> = { salad: 'cold-rinse' }

/** A request that is known to be readable, read.  @throws {RangeError} for one that is not */
export function parsePlanRequestOrThrow(input: unknown): PlanRequest {
  const read = parsePlanRequest(input)
  if (!read.ok) throw new RangeError(`settledRequest: ${read.errors.map((e) => e.message).join('; ')}`)
  return read.value
}

/** Appliances come with their own heat. */
const OWN_HEAT: Partial<Record<VesselPresetId, HeatPresetId>> = {
  'cooker-3': 'cooker-3',
  'cooker-5': 'cooker-5',
  'cooker-10': 'cooker-10',
  'pressure-electric-5': 'pressure-5',
  'pressure-electric-6': 'pressure-6',
  'pressure-electric-8': 'pressure-8',
  'oven-dish-3': 'oven-190',
}

type PlanInput = v.InferOutput<typeof PlanRequestSchema>

/** The request with every default filled in. */
function withDefaults(given: PlanInput): PlanRequest {
  const { grains, amount, measures, saidIn } = amountFrom(given)
  const blend = blendOf(grains)
  const { slowest } = blend
  const methodId = given.method ?? methodFor(given, blend)
  const method = methodOf(methodId)
  const later = method.timer ? given.start_later_minutes : 0
  const soak = soakFrom(given, method, usualSoak(methodId, slowest), later)
  const { texture, fryTomorrow } = texturesFrom(given)
  const vesselInput = given.vessel ?? vesselFor(given, { method, blend, texture, amount })
  const vessel = vesselFrom(vesselInput, method.vesselKinds[0])
  return {
    grains,
    amount,
    measures,
    saidIn,
    purpose: given.purpose,
    method: methodId,
    heatStyle: given.heat_style,
    vessel,
    source: heatFrom(given, vesselInput, vessel, method),
    rinse: rinseFrom(given, blend, soak !== null),
    soak,
    texture,
    thickness: given.thickness,
    hurry: given.hurry,
    uptakeDelta: given.uptake_delta_g_g,
    minutesFactor: given.minutes_factor,
    elevationM: given.elevation_m,
    spreads: spreadsFrom(given.spreads),
    kitchenC: given.kitchen_c,
    waterC: given.water_c,
    lidUntilBoil: given.lid_until_boil,
    stirAtBoil: given.stir_at_boil,
    loosenInRest: given.loosen_in_rest,
    fryAtEnd: given.fry_at_end,
    fryTomorrow,
    restMinutes: restMinutesFrom(given, method, slowest),
    ...releaseFrom(given),
    ownMinutes: ownMinutesFrom(given),
    passes: given.passes,
    cookedShare: given.cooked_share,
    finish: given.finish ?? PURPOSE_FINISH[given.purpose] ?? 'none',
    toasted: given.toasted_bottom,
    blendTiming: given.blend_timing,
    dressing: dressingFrom(given),
    holdMinutes: given.hold_minutes,
    holdIn: given.hold_in,
    startLaterMinutes: later,
    avoids: given.avoids,
    keepServings: amount.basis === 'servings' ? given.keep_servings : 0,
    stuckG: given.stuck_g,
    guidance: given.guidance,
    enriched: given.enriched ?? null,
    saltPercent: given.salt_percent ?? null,
    stockShare: given.stock_share,
    saltCrystal: given.salt_crystal,
    stockSaltPercent: given.stock_salt_percent,
    addIns: given.add_ins.map(addInFrom),
    pourOverrideG: given.own?.pour_g ?? given.pour_override_g ?? null,
    boilerDish:
      method.basket && given.boiler_dish
        ? { name: given.boiler_dish.name, liquidG: given.boiler_dish.liquid_g }
        : null,
    serveAtMs: given.serve_at === undefined ? null : Date.parse(given.serve_at),
  }
}

/** How soft the pot is cooked; and how much of it is for frying tomorrow, with how soft the rest is served. */
function texturesFrom({
  texture,
  purpose,
  fry_tomorrow_share: share,
}: PlanInput): Pick<PlanRequest, 'texture' | 'fryTomorrow'> {
  const served = texture ?? (share === 1 ? FRY_TOMORROW_TEXTURE : PURPOSE_TEXTURE[purpose])
  return share === 0
    ? { texture: served, fryTomorrow: null }
    : { texture: share === 1 ? served : textureWithAside(served), fryTomorrow: { share, texture: served } }
}

/**
 * Grain by mass shares, the amount in a basis the planner knows, and how amounts are said. An amount by measure
 * is a dry volume: it is planned exactly so.
 */
function amountFrom(given: PlanInput): Pick<PlanRequest, 'grains' | 'amount' | 'measures' | 'saidIn'> {
  const serving = given.amount?.serving ?? PURPOSE_SERVING[given.purpose] ?? DEFAULTS.serving
  const own = given.measures?.map(measureOf)
  const [first] = given.grains
  if (first?.amount) {
    const members = given.grains.map(({ variety, amount }) => {
      const measure = measureOf(amount!.measure)
      return { variety, measure, ml: amount!.value * measure.ml }
    })
    return {
      grains: members.map(({ variety, ml }) => ({ variety, share: ml * varietyOf(variety).bulkDensity })),
      amount: { basis: 'dry-volume', value: members.reduce((sum, { ml }) => sum + ml, 0), serving },
      measures: own ?? distinctMeasures(members.map(({ measure }) => measure)),
      saidIn: 'measures',
    }
  }
  const grains = given.grains.map(({ variety, share }) => ({ variety, share }))
  const { basis, value, measure } = given.amount!
  if (basis !== 'measure')
    return {
      grains,
      amount: { basis, value, serving },
      measures: own ?? Object.values(STANDARD_MEASURES),
      saidIn: own ? 'measures' : 'grams',
    }
  const asked = measureOf(measure!)
  return {
    grains,
    amount: { basis: 'dry-volume', value: value * asked.ml, serving },
    measures: own ?? [asked],
    saidIn: 'measures',
  }
}

const distinctMeasures = (measures: readonly Measure[]): Measure[] => [
  ...new Map(measures.map((m) => [m.id, m])).values(),
]

/** A programme's own pressure and release go before the request's. */
function releaseFrom({
  own,
  ...given
}: PlanInput): Pick<PlanRequest, 'pressure' | 'release' | 'releaseMinutes'> {
  const programme = own?.programme
  return {
    pressure: programme?.pressure ?? given.pressure,
    release: programme?.release ?? given.release,
    releaseMinutes: programme?.release_minutes ?? given.release_minutes,
  }
}

/** The cook's own minutes by the kind of stage; a programme's are those of the stage the method solves. */
function ownMinutesFrom({ own }: PlanInput): PlanRequest['ownMinutes'] {
  if (!own) return {}
  const { rest: _rest, ...minutes } = own.minutes
  if (!own.programme) return minutes
  return { ...minutes, solved: own.programme.minutes }
}

const usualRestMinutes = (method: Method, slowest: Variety): number =>
  method.defaults.restMinutes === 0 ? 0 : (slowest.restMinutes ?? method.defaults.restMinutes)

const spreadsFrom = ({ water_with_steam, ...rest }: PlanInput['spreads']): PlanRequest['spreads'] =>
  Object.fromEntries(
    Object.entries({ ...rest, waterWithSteam: water_with_steam }).filter(([, value]) => value !== undefined),
  )

const restMinutesFrom = ({ own, rest_minutes }: PlanInput, method: Method, slowest: Variety): number =>
  own?.rest_minutes ?? own?.minutes.rest ?? rest_minutes ?? usualRestMinutes(method, slowest)

const heatFrom = (given: PlanInput, vesselInput: VesselInput, vessel: Vessel, method: Method): HeatSource =>
  sourceFrom(given.own?.heat ?? given.heat ?? usualHeat(given, vesselInput, vessel, method), vessel.kind)

/**
 * The soak as asked, or the usual one. While grain waits for a timer it soaks in the water it will cook in,
 * as warm as the kitchen is.
 */
function soakFrom(
  given: PlanInput,
  method: Method,
  usual: ReturnType<typeof usualSoak>,
  laterMinutes: number,
): PlanRequest['soak'] {
  const asked = given.soak === undefined ? usual : given.soak
  if (laterMinutes > 0)
    return {
      minutes: (asked?.minutes ?? 0) + laterMinutes,
      celsius: given.kitchen_c,
      water: method.coldStart ? 'keep' : 'drain',
      wetMassG: null,
    }
  if (!asked) return null
  return {
    minutes: asked.minutes,
    celsius: asked.celsius ?? given.kitchen_c,
    water: method.coldStart ? asked.water : 'drain',
    wetMassG: ('wet_mass_g' in asked ? asked.wet_mass_g : null) ?? null,
  }
}

function rinseFrom({ rinse }: PlanInput, { parts }: Blend, soaked: boolean): PlanRequest['rinse'] {
  const washes = rinse?.washes ?? Math.max(...parts.map((part) => part.variety.washes))
  return {
    washes,
    clarity: rinse?.clarity ?? null,
    drain: rinse?.drain ?? (washes > 0 || soaked ? 'sieve' : 'none'),
  }
}

/** An appliance's own heat; a vessel of another kind than the method's own stands on a burner. */
function usualHeat(given: PlanInput, vesselInput: VesselInput, vessel: Vessel, method: Method): HeatPresetId {
  const ownHeat = typeof vesselInput === 'string' ? OWN_HEAT[vesselInput] : undefined
  if (ownHeat) return ownHeat
  if (vesselInput === 'stock-8' && given.vessel === undefined) return 'gas-large'
  return vessel.kind === method.vesselKinds[0] ? method.defaults.heat : 'gas-medium'
}

const addInFrom = (a: PlanInput['add_ins'][number]): PlanRequest['addIns'][number] => ({
  name: a.name,
  gramsPer100gDry: a.grams_per_100g_dry,
  waterShare: a.water_share,
  saltShare: a.salt_share,
  when: a.when,
  out: a.out,
})

/** Grain for rolling or bowls is dressed as usual unless something else, or nothing, is asked for. */
function dressingFrom({
  dressing,
  purpose,
}: v.InferOutput<typeof PlanRequestSchema>): PlanRequest['dressing'] {
  if (dressing === undefined)
    return purpose === 'dressed'
      ? { style: DEFAULTS.dressing_style, infuseMinutes: 0, setMinutes: 0, mlPer240: null }
      : null
  return (
    dressing && {
      style: dressing.style,
      infuseMinutes: dressing.infuse_minutes,
      setMinutes: dressing.set_minutes,
      mlPer240: dressing.ml_per_240_ml_dry ?? null,
      ...(dressing.bottle ? { bottle: dressing.bottle } : {}),
      ...(dressing.per_100g_dry
        ? {
            own: {
              vinegar: dressing.per_100g_dry.vinegar_g,
              sugar: dressing.per_100g_dry.sugar_g,
              salt: dressing.per_100g_dry.salt_g,
            },
          }
        : {}),
    }
  )
}

type VesselInput = NonNullable<PlanInput['vessel']>

function vesselFrom(given: VesselInput, kind: Vessel['kind']): Vessel {
  if (typeof given === 'string') return vesselPreset(given)
  return vesselOf({
    kind,
    capacityMl: given.capacity_ml,
    baseDiameterMm: given.base_diameter_mm,
    lid: given.lid ?? 'tight',
    ...(given.rim_diameter_mm === undefined ? {} : { rimDiameterMm: given.rim_diameter_mm }),
    ...(given.height_mm === undefined ? {} : { heightMm: given.height_mm }),
    ...(given.heat_capacity_j_k === undefined ? {} : { heatCapacityJK: given.heat_capacity_j_k }),
    ...(given.loss_w_k === undefined ? {} : { lossWK: given.loss_w_k }),
    ...(given.material === undefined ? {} : { material: given.material }),
    ...(given.steam_factor === undefined ? {} : { steamFactor: given.steam_factor }),
    ...(given.marks === undefined ? {} : { marks: given.marks.map(markOf) }),
  })
}

const HEAT_OF_KIND: Partial<Record<Vessel['kind'], HeatSource['kind']>> = {
  cooker: 'cooker',
  'pressure-electric': 'pressure',
  'oven-dish': 'oven',
}

/** The method's own vessel, or the next that suits so much grain. */
function vesselFor(
  { thickness }: PlanInput,
  {
    method,
    blend,
    texture,
    amount,
  }: { method: Method; blend: Blend; texture: number; amount: PlanRequest['amount'] },
): VesselPresetId {
  const uptake = uptakeAt(blend.uptake, texture)
  const dryG = dryMassOf(amount, blend, uptake)
  const waterPerG = method.id === 'porridge' ? porridgeRatio(blend, thickness) / blend.bulkDensity : uptake
  return defaultVessel({ method, blend, dryG, waterPerG })
}

/** The usual method for this grain: in the vessel that was named, or in whatever it is usually cooked in. */
function methodFor(
  { vessel, purpose }: Pick<v.InferOutput<typeof PlanRequestSchema>, 'vessel' | 'purpose'>,
  blend: Blend,
): MethodId {
  const kind = typeof vessel === 'string' ? vesselPreset(vessel).kind : 'pot'
  return usualMethod({ blend, kind, purpose, basket: vessel === undefined || vessel === 'basket-5' })
}

function sourceFrom(
  given: NonNullable<v.InferOutput<typeof PlanRequestSchema>['heat']>,
  vessel: Vessel['kind'],
): HeatSource {
  if (typeof given === 'string') return HEAT_PRESETS[given]
  // A burner stated by its figures: under 0.5 of its rating reaches a pot only with a flame.
  const kind = HEAT_OF_KIND[vessel] ?? (given.efficiency < 0.5 ? 'gas' : 'electric')
  return { ratedW: given.rated_w, efficiency: given.efficiency, kind }
}
