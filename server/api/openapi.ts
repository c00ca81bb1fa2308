import { ERROR_CODES } from '#core/contract/error-codes'
import { toJsonSchema } from '@valibot/to-json-schema'
import type * as v from 'valibot'
import { PlanRequestSchema } from '#core/contract/plan-request'
import { PlanSchema } from '#core/contract/plan-result'
import { ScheduleSchema } from '#core/contract/schedule'
import { MoreSchema } from '#core/contract/simulate'

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
const fieldError = (description: string) => ({ description, ...json(ref('Errors')) })

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

const asked = (
  summary: string,
  request: string,
  answer: string,
  example: unknown,
  result: Json = { type: 'object' },
) => ({
  post: {
    summary,
    requestBody: { required: true, ...json(ref(request), example) },
    responses: {
      200: { description: answer, ...json(result) },
      400: fieldError('the body is not JSON'),
      413: { description: 'the body is over a million bytes' },
      422: fieldError('the request cannot be read: every field that is wrong, with its limit and its value'),
      429: fieldError('too many long questions wait already'),
    },
  },
})

const seen = (summary: string, properties: Json, parameters: Json[] = []) => ({
  get: {
    summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    responses: {
      200: {
        description: summary,
        ...json({ type: 'object', properties, required: Object.keys(properties) }),
      },
      ...(parameters.length > 0 ? { 422: fieldError('a parameter is out of range') } : {}),
    },
  },
})
const whole = (name: string, min: number, max: number, first: number): Json => ({
  name,
  in: 'query',
  schema: { type: 'integer', minimum: min, maximum: max, default: first },
})

let made: Json | undefined

/** The HTTP API, described from the very schemas that read it. */
export function openApi(): Json {
  made ??= {
    openapi: '3.1.0',
    info: {
      title: 'Omsel',
      version: '1',
      description:
        'Plans, simulations and meals of plain rice and other whole grains. Only malformed input is an error; an unwise plan is returned in full with a caution. Units are in the names.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/api/v1' }],
    paths: {
      '/plan': asked(
        'What a pot needs: water, gauges, stages, cautions',
        'PlanRequest',
        'the plan',
        EXAMPLE,
        ref('Plan'),
      ),
      '/simulate': asked(
        'The same pot cooked without food: curves, a verdict, and chances over many kitchens',
        'SimulateRequest',
        'the cooked pot',
        { ...EXAMPLE, runs: 50 },
      ),
      '/schedule': asked(
        'Several dishes on the available burners, appliances and people, all ready at one time',
        'ScheduleRequest',
        'the timetable, or what prevents it',
        MEAL,
      ),
      '/notebook': seen(
        'Finished batches, newest first',
        { total: { type: 'integer' }, cooks: { type: 'array', items: { type: 'object' } } },
        [
          whole('limit', 1, 200, 40),
          whole('offset', 0, 1_000_000, 0),
          { name: 'text', in: 'query', schema: { type: 'string', maxLength: 80 } },
        ],
      ),
      '/leftovers': seen('What is cooling, in the fridge and in the freezer', {
        leftovers: { type: 'array', items: { type: 'object' } },
      }),
      '/kept': seen('The same under its name of version 1; use /leftovers', {
        kept: { type: 'array', items: { type: 'object' } },
      }),
    },
    components: {
      schemas: {
        Plan: schemaOf(PlanSchema),
        PlanRequest: schemaOf(PlanRequestSchema),
        SimulateRequest: { allOf: [ref('PlanRequest'), schemaOf(MoreSchema)] },
        ScheduleRequest: schemaOf(ScheduleSchema),
        Errors: ERRORS,
      },
    },
  }
  return made
}
