import * as v from 'valibot'
import { COOKED_THROUGH, TEXTURES } from '#core/simulate/verdict'
import { HEAT_LEVELS } from '#core/heat/sources'
import { VARIETY_IDS } from '#core/grain/varieties'

/*
 * What programs are answered with, written as schemas: the API's description is made of them, and every answer in the
 * tests is held to them. A plan's own is PlanSchema.
 */
const figure = v.number()
const figures = v.array(figure)
const text = v.string()
const moment = v.pipe(v.string(), v.isoTimestamp())
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))
const flag = v.boolean()
/** Fields of the request that are not known, as paths. */
const ignored_fields = v.optional(v.array(text))

/** How often of all kitchens each word came out. */
const sharesOf = <const T extends readonly string[]>(words: T) =>
  v.object(Object.fromEntries(words.map((word) => [word, share])))

/** The answer to `simulate`. */
export const SimulatedSchema = v.object({
  verdict: v.object({
    cooked_through: v.picklist(COOKED_THROUGH),
    texture: v.picklist(TEXTURES),
    soggy: flag,
    uneven: flag,
    scorched: flag,
    separate_index: figure,
  }),
  final: v.object({
    uptake_mean: figure,
    uptake_min: figure,
    uptake_max: figure,
    centre_gelatinised_min: share,
    free_water_g: figure,
    evaporated_g: figure,
    drained_off_g: figure,
    bottom_c: figure,
  }),
  series: v.object({
    t_min: figures,
    bulk_c: figures,
    bottom_c: figures,
    free_water_g: figures,
    evaporated_g: figures,
    uptake_by_layer: v.array(figures),
    cooked_share: figures,
    cooked_by_layer: v.array(figures),
  }),
  events: v.array(v.object({ t_min: figure, kind: text })),
  chances: v.optional(
    v.object({
      runs: v.pipe(v.number(), v.integer()),
      good: share,
      cooked_through: sharesOf(COOKED_THROUGH),
      texture: sharesOf(TEXTURES),
      soggy: share,
      uneven: share,
      scorched: share,
    }),
  ),
  ignored_fields,
})

/** The answer to `schedule`. */
export const TimetableSchema = v.object({
  start_at: moment,
  /** When everything is served: the hour asked for, or later where what has begun needs longer. */
  table_at: moment,
  dishes: v.array(
    v.object({
      id: text,
      title: text,
      tasks: v.array(
        v.object({
          id: text,
          title: text,
          starts_at: moment,
          ends_at: moment,
          hands_on: flag,
          resource: v.optional(text),
          /** Of a plan's own steps. */
          heat: v.optional(v.picklist(HEAT_LEVELS)),
        }),
      ),
      ready_at: moment,
      held_minutes: figure,
    }),
  ),
  conflicts: v.array(text),
  /** What it asks of the cook besides: food that waits outside its pot. */
  notes: v.array(text),
  feasible: flag,
  /** What would do instead, the nearest first. */
  nearest: v.array(text),
  /** The hour at which all of it could be ready, where the asked one is too soon. */
  ready_by: v.optional(moment),
  /** Whether every possible timetable was compared. */
  exact: flag,
  /** Where it was asked for: the chance that all is ready within so many minutes of serving. */
  odds: v.optional(
    v.object({
      on_time: share,
      within_minutes: figure,
      /** The dish whose margin helps most: ready so long before serving, and the chance then. */
      margin: v.optional(v.object({ dish: text, title: text, ready_before_minutes: figure, on_time: share })),
    }),
  ),
  ignored_fields,
})

export type Timetable = v.InferOutput<typeof TimetableSchema>

/** A finished batch, as `notebook` lists it. */
export const BatchSchema = v.object({
  id: text,
  ended_at: moment,
  outcome: v.picklist(['finished', 'set-aside']),
  title: text,
  /** Its varieties, with a plus between them. */
  grain: text,
  vessel: text,
  method: text,
  grain_g: figure,
  pour_g: figure,
  minutes: figure,
  planned_minutes: figure,
  boil_minutes: v.nullable(figure),
  judgement: v.nullable(
    v.object({
      wet_dry: v.nullable(figure),
      hardness: v.nullable(figure),
      bottom: v.nullable(text),
      note: text,
    }),
  ),
})

/** A container, as `leftovers` lists it. */
export const LeftoverSchema = v.object({
  id: text,
  title: text,
  variety: v.picklist(VARIETY_IDS),
  container: text,
  packed_at: moment,
  place: text,
  grams: figure,
  use_by: v.nullable(moment),
})

/** A batch that is being cooked, as `cooks` lists it. */
export const RunningSchema = v.object({
  id: text,
  title: text,
  vessel: text,
  started_at: moment,
  serve_at: moment,
  /** The step under way; null when it is ready. */
  step: v.nullable(v.object({ id: text, title: text })),
})
