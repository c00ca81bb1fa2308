import * as v from 'valibot'
import { PlanRequestSchema, runsFields, type Result } from './plan-request'
import { planWithOdds } from './plan-with-odds'
import { DishSchema, ScheduleSchema, scheduleFrom } from './schedule'
import { MoreSchema, simulateFrom } from './simulate'
import { unknownFields } from './unknown-fields'

/** What a program may ask, and every field of its requests. */
const ASKED: Record<string, { answer: (input: unknown) => Result<object>; fields: v.GenericSchema[] }> = {
  plan: { answer: planWithOdds, fields: [PlanRequestSchema, v.object(runsFields)] },
  simulate: { answer: simulateFrom, fields: [PlanRequestSchema, MoreSchema] },
  schedule: { answer: scheduleFrom, fields: [ScheduleSchema, v.object({ dishes: v.array(DishSchema) })] },
}

/**
 * What a program may ask, over HTTP and on the command line. Fields that are not known are read past and named
 * in the answer as ignored_fields.
 */
export const QUESTIONS: ReadonlyMap<string, (input: unknown) => Result<object>> = new Map(
  Object.entries(ASKED).map(([name, { answer, fields }]) => [
    name,
    (input: unknown) => {
      const read = answer(input)
      if (!read.ok) return read
      const ignored = unknownFields(fields, input)
      return ignored.length === 0 ? read : { ok: true, value: { ...read.value, ignored_fields: ignored } }
    },
  ]),
)
