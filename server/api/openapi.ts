import {
  BatchSchema,
  LeftoverSchema,
  RunningSchema,
  SimulatedSchema,
  TimetableSchema,
} from '#core/contract/answers'
import { ERROR_CODES } from '#core/contract/error-codes'
import { toJsonSchema } from '@valibot/to-json-schema'
import type * as v from 'valibot'
import { PlanRequestSchema } from '#core/contract/plan-request'
import { PlanSchema } from '#core/contract/plan-result'
import { QUESTIONS } from '#core/contract/questions'
import { DishSchema, ScheduleSchema } from '#core/contract/schedule'
import { PressSchema } from '#core/contract/settings'
import { MoreSchema, type SimulateResult } from '#core/contract/simulate'

type Json = Record<string, unknown>

/**
 * A contract schema as JSON Schema. What JSON Schema cannot say (a check of one field against another) is
 * left to the answer's own words.
 */
const schemaOf = (schema: v.GenericSchema): Json => {
  const { $schema: _draft, ...rest } = toJsonSchema(schema, {
    typeMode: 'input',
    errorMode: 'ignore',
  }) as Json
  return rest
}

const ERRORS: Json = {
  type: 'object',
  required: ['errors'],
  properties: {
    errors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['path', 'message', 'code'],
        properties: {
          path: { type: 'string', description: 'where in the request; "" for the request itself' },
          message: { type: 'string', description: 'names the field, its limit and the value' },
          code: {
            enum: Object.keys(ERROR_CODES),
            description: `stable, while messages may be reworded: ${Object.entries(ERROR_CODES)
              .map(([code, meaning]) => `${code} (${meaning})`)
              .join('; ')}`,
          },
        },
      },
    },
  },
}
const json = (schema: Json, example?: unknown) => ({
  content: { 'application/json': { schema, ...(example === undefined ? {} : { example }) } },
})
const ref = (name: string): Json => ({ $ref: `#/components/schemas/${name}` })
const refused = (path: string, code: string, message: string) => ({ errors: [{ path, message, code }] })
const fieldError = (description: string, example: unknown) => ({
  description,
  ...json(ref('Errors'), example),
})

const EXAMPLE = {
  grains: [{ variety: 'short-white' }],
  amount: { basis: 'servings', value: 5 },
  vessel: 'heavy-3.5',
  heat: 'gas-large',
  elevation_m: 1120,
}
const MEAL = {
  serve_at: '2026-03-05T19:00:00+01:00',
  burners: [{ id: 'big', heat: 'gas-large' }],
  dishes: [
    { id: 'rice', ...EXAMPLE },
    { id: 'soup', tasks: [{ id: 'simmer', title: 'Simmer', minutes: 20, needs: 'none' }] },
  ],
}
const answerTo = (question: string, example: unknown): unknown => {
  const read = QUESTIONS.get(question)!(example)
  return read.ok ? read.value : undefined
}
const SAMPLES = 3
/** A cooked pot with the start of its curves, which are long. */
const started = (cooked: SimulateResult): unknown => ({
  ...cooked,
  series: Object.fromEntries(
    Object.entries(cooked.series).map(([name, values]) => [
      name,
      values.slice(0, SAMPLES).map((one) => (Array.isArray(one) ? one.slice(0, SAMPLES) : one)),
    ]),
  ),
})

/** What any address may answer to a program that is on the network. */
const ACCESS = {
  401: fieldError(
    'on the network, without a token or with one that is not known here',
    refused('', 'not-allowed', 'This token is not known here.'),
  ),
  403: fieldError(
    'a token for reading, where something would be written',
    refused('', 'not-allowed', 'This token is for reading.'),
  ),
}

const asked = (
  question: string,
  summary: string,
  schemas: { request: string; answer: string },
  { example, answer }: { example: unknown; answer: unknown },
) => ({
  post: {
    operationId: question,
    tags: ['questions'],
    summary,
    description: `${summary}. Nothing is stored. The same as "omsel ${question}" on the command line.`,
    requestBody: { required: true, ...json(ref(schemas.request), example) },
    responses: {
      200: { description: 'the answer', ...json(ref(schemas.answer), answer) },
      400: fieldError('the body is not JSON', refused('', 'not-json', 'request is not JSON: …')),
      401: ACCESS[401],
      413: { description: 'the body is over a million bytes' },
      422: fieldError(
        'the request cannot be read: every field that is wrong, with its limit and its value',
        refused('elevation_m', 'out-of-range', 'elevation_m must be from -500 to 6000 m, got 9000'),
      ),
      429: fieldError(
        'too many long questions wait already',
        refused('', 'busy', 'too many questions wait; ask again in a moment'),
      ),
    },
  },
})

const seen = (
  operationId: string,
  summary: string,
  properties: Json,
  { example, parameters = [], deprecated }: { example: unknown; parameters?: Json[]; deprecated?: true },
) => ({
  get: {
    operationId,
    tags: ['household'],
    summary,
    description: `${summary}, as this household has it.`,
    ...(deprecated ? { deprecated } : {}),
    ...(parameters.length > 0 ? { parameters } : {}),
    responses: {
      200: {
        description: summary,
        ...json({ type: 'object', properties, required: Object.keys(properties) }, example),
      },
      401: ACCESS[401],
      ...(parameters.length > 0
        ? {
            422: fieldError(
              'a parameter is out of range',
              refused('limit', 'out-of-range', 'limit must be a whole number from 1 to 200, got "500"'),
            ),
          }
        : {}),
    },
  },
})
const listOf = (name: string): Json => ({ type: 'array', items: ref(name) })
const whole = (name: string, description: string, [min, max, first]: [number, number, number]): Json => ({
  name,
  in: 'query',
  description,
  schema: { type: 'integer', minimum: min, maximum: max, default: first },
})

const LEFTOVER = {
  id: 'box-3',
  title: 'Short grain',
  variety: 'short-white',
  container: 'glass box',
  packed_at: '2026-03-04T19:40:00.000Z',
  place: 'fridge',
  grams: 420,
  use_by: '2026-03-05T19:40:00.000Z',
}
const BATCH = {
  id: 'b-12',
  ended_at: '2026-03-04T19:10:00.000Z',
  outcome: 'finished',
  title: 'Short grain',
  grain: 'short-white',
  vessel: 'Blue pot',
  method: 'covered-simmer',
  grain_g: 300,
  pour_g: 390,
  minutes: 38,
  planned_minutes: 37,
  boil_minutes: 6,
  judgement: { wet_dry: 0, hardness: 0, bottom: 'clean', note: '' },
}
const RUNNING = {
  id: 'b-13',
  title: 'Quinoa',
  vessel: 'Small pot',
  started_at: '2026-03-05T17:30:00.000Z',
  serve_at: '2026-03-05T18:00:00.000Z',
  step: { id: 'simmer', title: 'Simmer, covered' },
}
const PRESS = {
  id: '6f1c1a4e-7c62-4a53-9d0a-0f0d3f0b6a11',
  kind: 'cue',
  stage: 'simmer',
  pressed_ms: 1_772_733_600_000,
  sent_ms: 1_772_733_600_000,
}

const PRESSED = {
  post: {
    operationId: 'press',
    tags: ['household'],
    summary: 'What happened at the stove, as if a key was pressed there',
    description:
      'A press is one event however often it is sent: send it with the same id until it is answered. Needs a token for writing.',
    parameters: [
      {
        name: 'cook',
        in: 'path',
        required: true,
        description: 'id of a batch that is being cooked',
        schema: { type: 'string', maxLength: 64 },
      },
    ],
    requestBody: { required: true, ...json(ref('Press'), PRESS) },
    responses: {
      200: {
        description: 'written down; isNew is false for a repeat',
        ...json(
          { type: 'object', required: ['isNew'], properties: { isNew: { type: 'boolean' } } },
          { isNew: true },
        ),
      },
      ...ACCESS,
      404: fieldError('no such batch', refused('cook', 'not-found', 'cook there is no cook "b-13"')),
      422: fieldError(
        'the press cannot be read, or does not belong to this batch',
        refused('stage', 'not-found', 'stage must be a step of this batch, got "boil"'),
      ),
    },
  },
}

let made: Json | undefined

/** The HTTP API, described from the very schemas that read it and the very functions that answer. */
export function openApi(): Json {
  made ??= {
    openapi: '3.1.0',
    info: {
      title: 'Omsel',
      version: '1',
      description:
        'Plans, simulations and meals of plain rice and other whole grains. Only malformed input is an error; an unwise plan is returned in full with a caution. Units are in the names. Fields that are not known are read past and named in ignored_fields.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/api/v1', description: 'this household' }],
    tags: [
      { name: 'questions', description: 'Computed from the request alone; nothing is stored.' },
      { name: 'household', description: 'What this household has stored, and presses at its stove.' },
    ],
    // On this computer nothing is asked for.
    security: [{}, { program: [] }],
    paths: {
      '/plan': asked(
        'plan',
        'What a pot needs: water, gauges, stages, cautions',
        { request: 'PlanRequest', answer: 'Plan' },
        { example: EXAMPLE, answer: answerTo('plan', EXAMPLE) },
      ),
      '/simulate': asked(
        'simulate',
        'The same pot cooked without food: curves, a verdict, and chances over many kitchens',
        { request: 'SimulateRequest', answer: 'Simulated' },
        {
          example: { ...EXAMPLE, runs: 50 },
          answer: started(answerTo('simulate', { ...EXAMPLE, runs: 50 }) as SimulateResult),
        },
      ),
      '/schedule': asked(
        'schedule',
        'Several dishes on the available burners, appliances and people, all ready at one time',
        { request: 'ScheduleRequest', answer: 'Timetable' },
        { example: MEAL, answer: answerTo('schedule', MEAL) },
      ),
      '/notebook': seen(
        'notebook',
        'Finished batches, newest first',
        { total: { type: 'integer' }, cooks: listOf('Batch') },
        {
          example: { total: 1, cooks: [BATCH] },
          parameters: [
            whole('limit', 'how many', [1, 200, 40]),
            whole('offset', 'how many to skip', [0, 1_000_000, 0]),
            {
              name: 'text',
              in: 'query',
              description: 'words of title, pot and note',
              schema: { type: 'string', maxLength: 80 },
            },
          ],
        },
      ),
      '/leftovers': seen(
        'leftovers',
        'What is cooling, in the fridge and in the freezer',
        { leftovers: listOf('Leftover') },
        { example: { leftovers: [LEFTOVER] } },
      ),
      '/kept': seen(
        'kept',
        'Leftovers under their name of version 1',
        { kept: listOf('Leftover') },
        { example: { kept: [LEFTOVER] }, deprecated: true },
      ),
      '/cooks': seen(
        'running',
        'Batches that are being cooked, the one served first in front',
        { cooks: listOf('Running') },
        { example: { cooks: [RUNNING] } },
      ),
      '/cooks/{cook}/events': PRESSED,
    },
    components: {
      securitySchemes: {
        program: {
          type: 'http',
          scheme: 'bearer',
          description:
            'A token for a program, made and revoked under Settings, Other devices, on the computer that runs Omsel. Needed on the network only.',
        },
      },
      schemas: {
        Plan: schemaOf(PlanSchema),
        PlanRequest: schemaOf(PlanRequestSchema),
        SimulateRequest: { allOf: [ref('PlanRequest'), schemaOf(MoreSchema)] },
        Simulated: schemaOf(SimulatedSchema),
        ScheduleRequest: scheduleRequest(),
        Dish: schemaOf(DishSchema),
        Timetable: schemaOf(TimetableSchema),
        Batch: schemaOf(BatchSchema),
        Leftover: schemaOf(LeftoverSchema),
        Running: schemaOf(RunningSchema),
        Press: schemaOf(PressSchema),
        Errors: ERRORS,
      },
    },
  }
  return made
}

/** A meal's request, each dish as it is described once. */
function scheduleRequest(): Json {
  const schema = schemaOf(ScheduleSchema) as { properties: { dishes: Json } }
  return {
    ...schema,
    properties: { ...schema.properties, dishes: { ...schema.properties.dishes, items: ref('Dish') } },
  }
}
