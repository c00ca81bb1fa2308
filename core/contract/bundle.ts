import * as v from 'valibot'
import { EVENT_KINDS } from '#core/cook/events'
import { AVOIDED_IDS } from '#core/eaters/avoid'
import { DRESSING_IDS } from '#core/finish/dressing'
import { VARIETY_IDS } from '#core/grain/varieties'
import { AUTHORITIES, FIGURE_IDS } from '#core/leftovers/guidance'
import { COOLING_PLACES, NEXT_PLACES } from '#core/leftovers/cooling'
import { LEFTOVER_EVENT_KINDS } from '#core/leftovers/container-state'
import { isFigureName, OVERRIDE_KINDS } from '#core/learn/figures'
import { OFFERS } from '#core/learn/offer'
import { BOTTOMS, EVENNESS } from '#core/learn/rating'
import { CUES, type CueId } from '#core/methods/signs'
import { CUP_IDS } from '#core/units/cups'
import { UNIT_SYSTEMS } from '#core/units/system'
import { COMPANION_LIMITS } from '#core/schedule/companions'
import { CRYSTAL_IDS } from '#core/seasoning/salt'
import { MATERIAL_IDS } from '#core/vessel/materials'
import { wrongMarks } from '#core/vessel/shape'
import { BUNDLE_LIMITS, PACKS, SAVED_WAY_LIMITS, type GroupId, type PackId } from './bundle-names'
import { between, fieldErrors, oneOf, quoted, wholeBetween, type FieldError } from './fields'
import { DEVICE_KINDS, HOUSEHOLD_LIMITS } from './equipment'
import {
  CLOCKS,
  EPOCH_LIMITS,
  GAUGES,
  isZone,
  MAX_ATE,
  MAX_NOTE,
  RemedySchema,
  SETTINGS_LIMITS,
  UNITS,
} from './settings'
import { parsePlanRequest, type Result } from './plan-request'
import { PlanSchema } from './plan-result'
import { PlayerActionsSchema } from './practice'
import { MEAL_EVENT_KINDS, SCHEDULE_LIMITS } from './schedule'

/**
 * A household as one JSON document. Rows are as stored, units in their names; what is made from them (the
 * lines of the notebook, beliefs) is not in it, it is made again. `version` counts the changes this layout
 * has been through; an older one is brought up to date on the way in.
 */
export const BUNDLE_FORMAT = 'omsel.household'

const text = (most: number, least = 0) =>
  v.pipe(
    v.string((issue) => `must be text, got ${quoted(issue.input)}`),
    v.minLength(least, 'is empty'),
    v.maxLength(most, (issue) => `may have ${most} characters at most, got ${issue.input.length}`),
  )
const id = v.pipe(
  text(64, 1),
  v.regex(/^[\w-]+$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
)
/** What a device called a press at a meal: any word. */
const pressId = text(80, 1)
/** Names of grains as they are kept: varieties with their shares. */
const key = text(400)
const named = text(HOUSEHOLD_LIMITS.name, 1)
const number = (limits: readonly [number, number], unit = '') => between(...limits, unit)
const moment = wholeBetween(...EPOCH_LIMITS)
const tick = v.picklist([0, 1], (issue) => `must be 0 or 1, got ${quoted(issue.input)}`)
const place = wholeBetween(0, 1e6)
const grams = number([0, 1_000_000], 'g')
const figure = number([-1e9, 1e9])
const day = v.pipe(
  text(10),
  v.regex(/^\d{4}-\d{2}-\d{2}$/, (issue) => `must be a day, got ${quoted(issue.input)}`),
)
const none = v.nullable
const list = <const T extends v.GenericSchema>(item: T, most: number) =>
  v.pipe(
    v.array(item, (issue) => `must be a list, got ${quoted(issue.input)}`),
    v.maxLength(most, (issue) => `holds at most ${most}, got ${issue.input.length}`),
  )
const row = <const T extends v.ObjectEntries>(entries: T) =>
  v.strictObject(entries, (issue) =>
    issue.expected === 'never'
      ? 'is not known here'
      : issue.expected?.startsWith('"')
        ? 'is missing'
        : `must be an object, got ${quoted(issue.input)}`,
  )
const plannable = v.custom<Record<string, unknown>>(
  (input) => parsePlanRequest(input).ok,
  (issue) => {
    const read = parsePlanRequest(issue.input)
    return read.ok ? '' : `is no request that can be planned: ${read.errors[0]!.message}`
  },
)
const Applied = v.object({ uptake: figure, steam: figure, power: figure, time: figure })
const level = number([0, HOUSEHOLD_LIMITS.height_mm[1]], 'mm')

const dishId = v.pipe(
  text(64, 1),
  v.regex(/^[\w .-]+$/, (issue) => `must be letters, digits and dashes, got ${quoted(issue.input)}`),
)
const fixed = {
  burner: v.optional(text(64)),
  ready_before_minutes: v.optional(number([0, 1440])),
  hold_max_minutes: v.optional(number([0, 1440])),
}
const Dish = v.variant(
  'kind',
  [
    v.strictObject({
      ...fixed,
      id: dishId,
      title: text(200),
      kind: v.literal('plan'),
      search: text(4000),
      vessel_id: id,
      request: plannable,
      heat_id: v.optional(id),
      bag_id: v.optional(id),
      applied: v.optional(Applied),
    }),
    v.strictObject({
      ...fixed,
      id: dishId,
      title: text(200),
      kind: v.literal('companion'),
      tasks: list(
        v.strictObject({
          id: dishId,
          title: text(200),
          minutes: number(SCHEDULE_LIMITS.task_minutes),
          hands_on: v.boolean(),
          needs: oneOf(['burner', 'oven', 'none']),
          look_in_every_min: v.optional(number(SCHEDULE_LIMITS.look_in_every_min)),
          after: v.optional(list(dishId, SCHEDULE_LIMITS.tasks)),
        }),
        SCHEDULE_LIMITS.tasks,
      ),
    }),
  ],
  (issue) => `must be a plan or a companion, got ${quoted(issue.input)}`,
)

export interface TableSpec {
  row: v.StrictObjectSchema<v.ObjectEntries, undefined> | ReturnType<typeof row>
  /** What makes two rows one. */
  key: readonly string[]
  /** Columns that hold JSON. */
  json?: readonly string[]
  /** Order in which the rows are written; the key, unless said. */
  order?: string
  group: GroupId
  /** Nothing of it is ever changed once it is written. */
  record?: boolean
  /** Rows that belong to another one and go on where it stopped: its table, and the column that names it. */
  of?: { table: string; column: string }
  /** Columns that name rows of other tables. */
  names?: Readonly<Record<string, string>>
}

/** Every exported table, in the order in which they can be written. A new table is one entry here. */
export const BUNDLE_TABLES = {
  household: {
    group: 'settings',
    key: ['id'],
    row: row({
      id: v.literal(1, 'must be 1'),
      name: named,
      units: oneOf(UNITS),
      cup: oneOf(CUP_IDS),
      system: oneOf(UNIT_SYSTEMS),
      elevation_m: number(SETTINGS_LIMITS.elevation_m, 'm'),
      kitchen_c: number(SETTINGS_LIMITS.kitchen_c, '°C'),
      crease_mm: number(SETTINGS_LIMITS.crease_mm, 'mm'),
      clock: oneOf(CLOCKS),
      zone: v.pipe(
        text(60),
        v.check(isZone, (issue) => `must be a time zone like Europe/Berlin, got ${quoted(issue.input)}`),
      ),
      gauge: oneOf(GAUGES),
      crystal: oneOf(CRYSTAL_IDS),
      guidance: oneOf(AUTHORITIES),
      own_figures: v.record(oneOf(FIGURE_IDS), figure),
      welcomed: tick,
    }),
    json: ['own_figures'],
  },
  eater: {
    group: 'settings',
    key: ['id'],
    json: ['avoids'],
    row: row({
      id,
      position: place,
      name: text(24, 1),
      appetite: number([0.25, 3]),
      firmness: none(number([0, 1])),
      avoids: list(oneOf(AVOIDED_IDS), 20),
    }),
  },
  device: {
    group: 'settings',
    key: ['kind'],
    row: row({
      kind: oneOf(DEVICE_KINDS),
      on_since_ms: moment,
      trusted: tick,
      drift_per_hour: number([-100, 100]),
      lag_s: number([0, 120], 's'),
      drop_out: number([0, 1]),
      lie: number([-500, 500]),
    }),
  },
  vessel: {
    group: 'pots',
    key: ['id'],
    json: ['marks', 'printed'],
    row: row({
      id,
      position: place,
      name: named,
      kind: oneOf(['pot', 'cooker', 'pressure-electric', 'pressure-stovetop', 'oven-dish']),
      capacity_ml: number(HOUSEHOLD_LIMITS.capacity_ml, 'mL'),
      base_diameter_mm: number(HOUSEHOLD_LIMITS.diameter_mm, 'mm'),
      rim_diameter_mm: number(HOUSEHOLD_LIMITS.diameter_mm, 'mm'),
      height_mm: number(HOUSEHOLD_LIMITS.height_mm, 'mm'),
      heat_capacity_j_k: number([20, 20_000], 'J/K'),
      lid: oneOf(['tight', 'loose', 'foil']),
      own_rated_w: none(number(HOUSEHOLD_LIMITS.rated_w, 'W')),
      own_efficiency: none(number([0.05, 1])),
      material: none(oneOf(MATERIAL_IDS)),
      empty_g: none(number(HOUSEHOLD_LIMITS.empty_g, 'g')),
      lining: oneOf(['bare', 'enamel', 'glazed', 'coated']),
      steam_factor: number([0.1, 5]),
      marks: none(
        v.pipe(
          list(
            v.object({ level_mm: level, volume_ml: number([0, HOUSEHOLD_LIMITS.capacity_ml[1]], 'mL') }),
            HOUSEHOLD_LIMITS.marks,
          ),
          v.check(
            (marks) =>
              wrongMarks(marks.map((m) => ({ levelMm: m.level_mm, volumeMl: m.volume_ml }))) === undefined,
            'must grow: each higher line holds more',
          ),
        ),
      ),
      printed: none(list(v.object({ name: text(20, 1), level_mm: level }), HOUSEHOLD_LIMITS.printed)),
      measured: text(2000),
      sticks_g: number(HOUSEHOLD_LIMITS.sticks_g, 'g'),
    }),
  },
  heat: {
    group: 'pots',
    key: ['id'],
    json: ['knob'],
    row: row({
      id,
      position: place,
      name: named,
      rated_w: number(HOUSEHOLD_LIMITS.rated_w, 'W'),
      efficiency: number([0.05, 1]),
      knob: list(v.object({ name: text(30, 1), share: number([0, 1]) }), HOUSEHOLD_LIMITS.knob),
      power_factor: number([0.2, 3]),
      measured: text(2000),
    }),
  },
  measure: {
    group: 'pots',
    key: ['id'],
    json: ['parts'],
    row: row({
      id,
      position: place,
      name: named,
      ml: number(HOUSEHOLD_LIMITS.measure_ml, 'mL'),
      parts: list(number([0.01, 1]), 20),
      how: oneOf(['known', 'weighed', 'counted']),
    }),
  },
  bag: {
    group: 'shelf',
    key: ['id'],
    row: row({
      id,
      position: place,
      variety: oneOf(VARIETY_IDS),
      name: named,
      label: text(HOUSEHOLD_LIMITS.label),
      label_ratio: none(number(HOUSEHOLD_LIMITS.label_ratio)),
      adopted_delta: none(number([-2, 2], 'g/g')),
      bought_on: none(day),
      opened_on: none(day),
      new_crop: tick,
      enriched: tick,
      left_g: none(number(HOUSEHOLD_LIMITS.left_g, 'g')),
    }),
  },
  programme: {
    group: 'ways',
    key: ['id'],
    names: { vessel_id: 'vessel' },
    row: row({
      id,
      position: place,
      vessel_id: id,
      name: named,
      pressure: oneOf(['none', 'low', 'high']),
      minutes: none(number(HOUSEHOLD_LIMITS.programme_minutes)),
      after_it: oneOf(['natural', 'timed', 'quick', 'holds-warm']),
      known: oneOf(['known', 'guessed', 'timed']),
    }),
  },
  pour_mark: {
    group: 'ways',
    key: ['id'],
    names: { vessel_id: 'vessel' },
    row: row({
      id,
      made_ms: moment,
      grain_key: key,
      vessel_id: id,
      name: named,
      dry_g: grams,
      pour_g: grams,
      depth_mm: number([-1000, 1000], 'mm'),
    }),
  },
  cook: {
    group: 'cooks',
    key: ['id'],
    json: ['request', 'plan', 'applied'],
    record: true,
    row: row({
      id,
      started_ms: moment,
      title: text(400),
      grain_key: key,
      vessel_id: id,
      vessel_name: text(HOUSEHOLD_LIMITS.name),
      heat_name: text(HOUSEHOLD_LIMITS.name),
      serve_at_ms: none(moment),
      request: plannable,
      plan: PlanSchema,
      bag_id: none(id),
      heat_id: none(id),
      bag_delta: number([-4, 4]),
      applied: Applied,
      offer: none(oneOf(OFFERS)),
    }),
  },
  cook_event: {
    group: 'cooks',
    key: ['id'],
    json: ['remedy'],
    order: 'seq',
    record: true,
    of: { table: 'cook', column: 'cook_id' },
    names: { cook_id: 'cook' },
    row: row({
      id,
      cook_id: id,
      kind: oneOf(EVENT_KINDS),
      stage: text(64),
      identity: none(text(200)),
      device_ms: moment,
      at_ms: moment,
      received_ms: moment,
      seconds: none(number([1, 600], 's')),
      clarity: none(number([0, 1])),
      amount: none(number([0, 200_000])),
      target: none(id),
      remedy: none(RemedySchema),
      ahead_ms: none(wholeBetween(-EPOCH_LIMITS[1], EPOCH_LIMITS[1])),
    }),
  },
  rating: {
    group: 'cooks',
    key: ['cook_id'],
    names: { cook_id: 'cook' },
    row: row({
      cook_id: id,
      rated_ms: moment,
      wet_dry: wholeBetween(-2, 2),
      hardness: wholeBetween(-2, 2),
      bottom: oneOf(BOTTOMS),
      note: text(MAX_NOTE),
      separate: none(wholeBetween(-2, 2)),
      even: oneOf(EVENNESS),
      ate: text(MAX_ATE),
    }),
  },
  measurement: {
    group: 'cooks',
    key: ['cook_id', 'kind'],
    names: { cook_id: 'cook' },
    row: row({
      cook_id: id,
      kind: oneOf(['pot-before', 'pot-after', 'drained', 'cooked']),
      grams: number([1, 100_000], 'g'),
    }),
  },
  photo: {
    group: 'cooks',
    key: ['id'],
    record: true,
    names: { cook_id: 'cook' },
    row: row({
      id,
      cook_id: id,
      vessel_id: id,
      cue: none(oneOf(Object.keys(CUES) as CueId[])),
      made_ms: moment,
      bytes: wholeBetween(1, 20_000_000),
      width: wholeBetween(1, 20_000),
      height: wholeBetween(1, 20_000),
    }),
  },
  belief_override: {
    group: 'learned',
    key: ['figure', 'kind'],
    row: row({
      figure: v.pipe(
        text(400),
        v.check(isFigureName, (issue) => `must be a learned value, got ${quoted(issue.input)}`),
      ),
      kind: oneOf(OVERRIDE_KINDS),
      value: figure,
      sd: none(between(1e-6, 10)),
      at_ms: moment,
    }),
  },
  container: {
    group: 'leftovers',
    key: ['id'],
    row: row({
      id,
      position: place,
      name: named,
      ml: number([20, 20_000], 'mL'),
      depth_mm: number([5, 400], 'mm'),
      many: wholeBetween(1, 50),
    }),
  },
  leftover: {
    group: 'leftovers',
    key: ['id'],
    record: true,
    names: { cook_id: 'cook' },
    row: row({
      id,
      cook_id: none(id),
      title: text(120, 1),
      variety: oneOf(VARIETY_IDS),
      container_name: text(HOUSEHOLD_LIMITS.name),
      grams,
      portions: number([0, 1000]),
      depth_mm: number([0, 1000], 'mm'),
      density_g_ml: number([0.05, 3], 'g/mL'),
      water_share: number([0, 1]),
      place: oneOf(COOLING_PLACES),
      open: tick,
      stacked: wholeBetween(1, 20),
      dressed: tick,
      cooked_ms: moment,
      packed_ms: moment,
      next_place: none(oneOf(NEXT_PLACES)),
      for_whom: text(60),
    }),
  },
  leftover_event: {
    group: 'leftovers',
    key: ['id'],
    order: 'seq',
    record: true,
    of: { table: 'leftover', column: 'leftover_id' },
    names: { leftover_id: 'leftover' },
    row: row({
      id,
      leftover_id: id,
      kind: oneOf(LEFTOVER_EVENT_KINDS),
      at_ms: moment,
      portions: none(number([0, 1000])),
      target: none(id),
    }),
  },
  bottle: {
    group: 'leftovers',
    key: ['id'],
    row: row({
      id,
      made_ms: moment,
      style: oneOf(DRESSING_IDS),
      made_g: grams,
      left_g: grams,
      name: text(60),
      vinegar: none(number([0, 60], 'g')),
      sugar: none(number([0, 60], 'g')),
      salt: none(number([0, 10], 'g')),
      steeps: text(60),
      ready_ms: none(moment),
    }),
  },
  meal: {
    group: 'meals',
    key: ['id'],
    json: ['dishes', 'names', 'told'],
    row: row({
      id,
      made_ms: moment,
      title: text(80, 1),
      serve_ms: moment,
      cooks: wholeBetween(1, 4),
      oven: wholeBetween(0, 4),
      dishes: list(Dish, SCHEDULE_LIMITS.dishes),
      changed_ms: none(moment),
      told: none(
        list(
          v.strictObject({
            dish: text(64),
            id: text(64),
            starts_at: v.pipe(
              text(40),
              v.check((at) => Number.isFinite(Date.parse(at)), 'must be a moment'),
            ),
            resource: v.optional(text(64)),
          }),
          SCHEDULE_LIMITS.published,
        ),
      ),
      names: list(text(60), 8),
    }),
  },
  meal_event: {
    group: 'meals',
    key: ['id'],
    order: 'at_ms, received_ms, id',
    record: true,
    of: { table: 'meal', column: 'meal_id' },
    names: { meal_id: 'meal', cook_id: 'cook' },
    row: row({
      id: pressId,
      meal_id: id,
      kind: oneOf(MEAL_EVENT_KINDS),
      identity: text(200),
      dish_id: none(text(80)),
      task_id: none(text(80)),
      resource: none(text(64)),
      cook_id: none(id),
      amount: none(number([0, 1e6])),
      target: none(pressId),
      at_ms: moment,
      received_ms: moment,
    }),
  },
  taste_test: {
    group: 'taste-tests',
    key: ['id'],
    json: ['cups'],
    record: true,
    row: row({
      id,
      made_ms: moment,
      title: text(120, 1),
      differs: oneOf(['water', 'soak', 'rest', 'method']),
      grain_key: key,
      vessel_id: id,
      blind: tick,
      cups: v.pipe(
        list(
          v.strictObject({
            letter: text(4, 1),
            label: text(200),
            search: text(4000),
            delta: number([-4, 4]),
          }),
          12,
        ),
        v.minLength(2, 'needs two cups'),
      ),
    }),
  },
  tasting: {
    group: 'taste-tests',
    key: ['id'],
    json: ['ranking'],
    order: 'at_ms, id',
    record: true,
    names: { taste_test_id: 'taste_test' },
    row: row({ id, taste_test_id: id, at_ms: moment, who: text(60), ranking: list(text(4), 12) }),
  },
  practice_result: {
    group: 'practice',
    key: ['situation'],
    json: ['player_actions'],
    row: row({ situation: text(60, 1), at_ms: moment, player_actions: PlayerActionsSchema }),
  },
  saved_way: {
    group: 'saved-ways',
    key: ['id'],
    row: row({
      id,
      name: text(SAVED_WAY_LIMITS.name, 1),
      search: text(SAVED_WAY_LIMITS.search),
      steps: none(text(SAVED_WAY_LIMITS.steps)),
      saved_ms: moment,
    }),
  },
  companion: {
    group: 'meals',
    key: ['id'],
    row: row({
      id,
      title: text(COMPANION_LIMITS.title, 1),
      tasks: text(COMPANION_LIMITS.tasks, 1),
      saved_ms: moment,
    }),
  },
} as const satisfies Record<string, TableSpec>
export type TableId = keyof typeof BUNDLE_TABLES

/** Tables that had another name before {@link RENAMED_IN}, which files of those versions use. */
const OLD_NAMES: Partial<Record<TableId, string>> = {
  rating: 'judgement',
  belief_override: 'belief_word',
  leftover: 'kept',
  leftover_event: 'kept_event',
  meal: 'supper',
  meal_event: 'supper_event',
  taste_test: 'trial',
  practice_result: 'understood',
}
const RENAMED_IN = 15
/** What a table is called in files and databases of a version. */
export const tableName = (table: TableId, version: number): string =>
  (version < RENAMED_IN ? OLD_NAMES[table] : undefined) ?? table
export const TABLE_IDS = Object.keys(BUNDLE_TABLES) as TableId[]
export const tableSpec = (table: TableId): TableSpec => BUNDLE_TABLES[table]

export type Row = Readonly<Record<string, unknown>>
/** Rows by table; a pack has some of them only. */
export type Tables = Partial<Record<TableId, Row[]>>

const Envelope = v.strictObject(
  {
    $schema: v.optional(text(400)),
    format: v.literal(BUNDLE_FORMAT, (issue) => `must be "${BUNDLE_FORMAT}", got ${quoted(issue.input)}`),
    version: wholeBetween(1, 10_000),
    exported_at: text(40),
    /** What of a household is in it: all, or a pack. */
    holds: oneOf(['household', ...(Object.keys(PACKS) as PackId[])]),
    tables: v.record(
      text(60),
      list(v.record(text(60), v.unknown()), BUNDLE_LIMITS.rows),
      (issue) => `must be an object of tables, got ${quoted(issue.input)}`,
    ),
    /** Pictures by id, as JPEG in base64. */
    pictures: v.optional(
      v.record(id, v.pipe(v.string(), v.regex(/^[A-Za-z0-9+/]*={0,2}$/, 'must be base64'))),
    ),
  },
  (issue) =>
    issue.expected === 'never'
      ? 'is not known here'
      : issue.expected?.startsWith('"')
        ? 'is missing'
        : `must be an object, got ${quoted(issue.input)}`,
)
export type Bundle = v.InferOutput<typeof Envelope>

/** Reads what surrounds the rows; the rows of an older version are not yet what they must become. */
export function parseEnvelope(input: unknown): Result<Bundle> {
  const parsed = v.safeParse(Envelope, input)
  if (!parsed.success) return { ok: false, errors: fieldErrors(parsed.issues).slice(0, MAX_ERRORS) }
  const rows = Object.values(parsed.output.tables).reduce((sum, list) => sum + list.length, 0)
  return rows > BUNDLE_LIMITS.rows
    ? {
        ok: false,
        errors: [
          {
            path: 'tables',
            message: `tables may hold ${BUNDLE_LIMITS.rows} rows, got ${rows}`,
            code: 'too-many',
          },
        ],
      }
    : { ok: true, value: parsed.output }
}

const { tables: _tables, pictures: _pictures, ...HEAD } = Envelope.entries
const Head = v.strictObject({ ...HEAD, tables: list(text(60), TABLE_IDS.length) }, (issue) =>
  issue.expected === 'never' ? 'is not known here' : 'is missing',
)

/** Reads what an exported ZIP says of itself: as a document's, with the names of its tables instead of rows. */
export function parseHead(input: unknown): Result<v.InferOutput<typeof Head>> {
  const parsed = v.safeParse(Head, input)
  return parsed.success
    ? { ok: true, value: parsed.output }
    : { ok: false, errors: fieldErrors(parsed.issues).slice(0, MAX_ERRORS) }
}

const MAX_ERRORS = 20

/** Checks a row of the present version against its table's schema.  @param path where it stands */
export function wrongRow(table: TableId, row: unknown, path: string): FieldError[] {
  const parsed = v.safeParse(tableSpec(table).row, row, { abortPipeEarly: true })
  return parsed.success
    ? []
    : fieldErrors(parsed.issues).map(({ path: field, message, code }) => ({
        path: `${path}${field && `.${field}`}`,
        message: `${path}${field ? '.' : ' '}${message}`,
        code,
      }))
}

/** The whole document, for who wants to write one: the rows of this version. */
export const BundleSchema = v.strictObject({
  ...Envelope.entries,
  tables: v.strictObject(
    Object.fromEntries(TABLE_IDS.map((table) => [table, v.optional(v.array(tableSpec(table).row))])),
  ),
})
