import type { FieldError } from '#core/contract/fields'
import { currentLeftovers } from '#server/queries/leftovers'
import { listRunningCooks, type RunningSummary } from '#server/queries/running-cooks'
import type { Kitchen } from '#server/store/open-household'
import { refused, refusedFor, type Answer } from './handlers'
import { openApi } from './openapi'

const LOOK_LIMITS = Object.freeze({ limit: [1, 200], offset: [0, 1_000_000] } as const)
const iso = (ms: number): string => new Date(ms).toISOString()

/** What can be read over the HTTP API. */
const SIGHTS = ['notebook', 'leftovers', 'cooks', 'openapi.json'] as const

/** Answers a GET request for stored data.  @param search of the address */
export function look(kitchen: Kitchen, sight: string, search: URLSearchParams, nowMs: number): Answer {
  if (sight === 'openapi.json') return { status: 200, body: openApi() }
  if (sight === 'leftovers' || sight === 'kept') {
    const leftovers = currentLeftovers(kitchen, nowMs).map(storedJson)
    // Programs of version 1 ask for "kept".
    return { status: 200, body: sight === 'kept' ? { kept: leftovers } : { leftovers } }
  }
  if (sight === 'cooks')
    return { status: 200, body: { cooks: listRunningCooks(kitchen, nowMs).map(runningJson) } }
  if (sight !== 'notebook')
    return refusedFor(404, 'not-found', `there is no "${sight.slice(0, 40)}"; one of ${SIGHTS.join(', ')}`)
  const [limit, offset] = [wholeOf(search, 'limit', 40), wholeOf(search, 'offset', 0)]
  const errors = [limit, offset].flatMap((read) => ('error' in read ? [read.error] : []))
  if (errors.length > 0) return refused(422, errors)
  const filter = search.get('text') ? { text: search.get('text')!.slice(0, 80) } : {}
  return {
    status: 200,
    body: {
      total: kitchen.notebook.count(filter),
      cooks: kitchen.notebook
        .lines(filter, (limit as { value: number }).value, (offset as { value: number }).value)
        .map(cookJson),
    },
  }
}

function wholeOf(
  search: URLSearchParams,
  name: keyof typeof LOOK_LIMITS,
  first: number,
): { value: number } | { error: FieldError } {
  const text = search.get(name)
  if (text === null) return { value: first }
  const [min, max] = LOOK_LIMITS[name]
  const n = Number(text)
  return text.trim() !== '' && Number.isInteger(n) && n >= min && n <= max
    ? { value: n }
    : {
        error: {
          path: name,
          message: `${name} must be a whole number from ${min} to ${max}, got "${text.slice(0, 40)}"`,
          code: 'out-of-range',
        },
      }
}

const runningJson = (cook: RunningSummary) => ({
  id: cook.id,
  title: cook.title,
  vessel: cook.vesselName,
  started_at: iso(cook.startedMs),
  serve_at: iso(cook.tableMs),
  step:
    cook.stageId === undefined || cook.stage === undefined ? null : { id: cook.stageId, title: cook.stage },
})

const storedJson = ({ row, view }: ReturnType<typeof currentLeftovers>[number]) => ({
  id: row.id,
  title: row.title,
  variety: row.variety,
  container: row.container_name,
  packed_at: iso(row.packed_ms),
  place: view.place,
  grams: view.grams,
  use_by: view.useByMs === null ? null : iso(view.useByMs),
})

const cookJson = (line: ReturnType<Kitchen['notebook']['lines']>[number]) => ({
  id: line.cook_id,
  ended_at: iso(line.ended_ms),
  outcome: line.end === 'finish' ? 'finished' : 'set-aside',
  title: line.title,
  grain: line.grain_key,
  vessel: line.vessel_name,
  method: line.method,
  grain_g: line.grain_g,
  pour_g: line.pour_g,
  minutes: line.minutes,
  planned_minutes: line.planned_minutes,
  boil_minutes: line.boil_minutes,
  judgement:
    line.wet_dry === null
      ? null
      : { wet_dry: line.wet_dry, hardness: line.hardness, bottom: line.bottom, note: line.note },
})
