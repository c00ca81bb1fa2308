import { randomUUID } from 'node:crypto'
import { TZDateMini } from '@date-fns/tz'
import { VARIETIES, varietyOf } from '#core/grain/varieties'
import {
  parseCopied,
  type CopiedCook,
  type CopiedError,
  type DayOrder,
  type ImportContext,
} from '#core/learn/imported-batches'
import { grainKeyOf } from '#core/learn/grain-key'
import type { MethodId } from '#core/methods/index'
import { methodsOf } from '#core/methods/usual-method'
import type { Kitchen } from '#server/store/open-household'
import { dayIn } from '#server/clock'
import { settingsOf } from '#server/store/open-household'
import { notebookLines } from '#server/queries/notebook-lines'
import { note } from './rebuild-entry'
import { startCook } from './start-cook'
import { inOneWrite } from '../store/write'

const MINUTE = 60_000
/** An old notebook gives only the day; the meal is taken to be at this hour. */
const HOUR = 18

export function importContext({ grainBags, equipment }: Kitchen): ImportContext {
  const bags = grainBags.bags()
  return {
    grains: VARIETIES.map(({ id, name }) => ({
      id,
      names: [name, ...bags.filter((b) => b.variety === id).map((b) => b.name)],
    })),
    vessels: equipment.vessels().map(({ id, name }) => ({ id, name })),
  }
}

/**
 * Imports batches from an old notebook: each is planned with its own water and ended as written, so that it
 * is a cook like any other. All or none; a batch that is in the notebook already, by its day, grain, grams and
 * pot, is left out.
 * @returns how many were imported, and how many were there already
 */
export function copyCooks(
  kitchen: Kitchen,
  table: readonly (readonly string[])[],
  nowMs: number,
  dayOrder?: DayOrder,
): { ok: true; value: { copied: number; already: number } } | { ok: false; errors: CopiedError[] } {
  const { zone } = settingsOf(kitchen)
  const read = parseCopied(table, importContext(kitchen), dayIn(nowMs, zone), dayOrder)
  if (!read.ok) return read
  const known = batchesInNotebook(kitchen)
  const isKnown = (cook: CopiedCook): boolean => {
    const key = keyOf(cook.date, grainKeyOf(cook.grains), cook.dryG, cook.vesselId)
    const left = known.get(key) ?? 0
    if (left > 0) known.set(key, left - 1)
    return left > 0
  }
  const fresh = read.cooks.map((cook) => !isKnown(cook))
  const errors: CopiedError[] = []
  // Whatever fails takes everything back with it.
  class Refused extends Error {}
  try {
    inOneWrite(kitchen.db, () => {
      for (const [i, cook] of read.cooks.entries()) {
        const message = fresh[i] ? copyOne(kitchen, cook, nowMs) : undefined
        if (message) errors.push({ row: i + 1, column: '', message })
      }
      if (errors.length > 0) throw new Refused()
    })
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return { ok: false, errors }
  }
  const copied = fresh.filter(Boolean).length
  return { ok: true, value: { copied, already: fresh.length - copied } }
}

const keyOf = (day: string, grainKey: string, dryG: number, vesselId: string): string =>
  [day, grainKey, Math.round(dryG), vesselId].join(' ')

/** How often each batch is in the notebook, by its day, grain, grams and pot. */
function batchesInNotebook(kitchen: Kitchen): Map<string, number> {
  const known = new Map<string, number>()
  for (const { line, day } of notebookLines(kitchen)) {
    const key = keyOf(day, line.grain_key, line.grain_g, line.vessel_id)
    known.set(key, (known.get(key) ?? 0) + 1)
  }
  return known
}

/** @returns what was wrong, or nothing */
function copyOne(
  kitchen: Kitchen,
  { date, grains, dryG, waterG, vesselId, wetDry, note: words }: CopiedCook,
  nowMs: number,
): string | undefined {
  const { zone, elevation_m, kitchen_c } = settingsOf(kitchen)
  const vessel = kitchen.equipment.vessels().find((row) => row.id === vesselId)!
  const heat = kitchen.equipment.heats()[0]
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  const startedMs = Math.min(
    nowMs - 4 * 60 * MINUTE,
    new TZDateMini(year, month - 1, day, HOUR, zone).getTime(),
  )
  const method: MethodId = methodsOf(vessel.kind)[0]!
  const started = startCook(
    kitchen,
    {
      request: {
        grains,
        amount: { basis: 'dry-mass', value: dryG },
        method,
        pour_override_g: waterG,
        elevation_m,
        kitchen_c,
        rinse: { washes: varietyOf(grains[0]!.variety).washes },
        vessel: {
          capacity_ml: vessel.capacity_ml,
          base_diameter_mm: vessel.base_diameter_mm,
          rim_diameter_mm: vessel.rim_diameter_mm,
          height_mm: vessel.height_mm,
          heat_capacity_j_k: vessel.heat_capacity_j_k,
          lid: vessel.lid,
          steam_factor: vessel.steam_factor,
        },
        heat:
          vessel.own_rated_w === null
            ? heat
              ? { rated_w: heat.rated_w * heat.power_factor, efficiency: heat.efficiency }
              : 'gas-medium'
            : { rated_w: vessel.own_rated_w, efficiency: vessel.own_efficiency! },
      },
      vessel_id: vesselId,
      heat_id: vessel.own_rated_w === null ? (heat?.id ?? null) : null,
    },
    startedMs,
  )
  if (!started.ok) return started.errors[0]!.message
  const id = started.value
  const { plan } = kitchen.cooks.find(id)!
  const endedMs = Math.round(startedMs + plan.total_minutes.expected * MINUTE)
  const last = plan.stages.at(-1)!.id
  kitchen.cooks.append(id, {
    id: randomUUID(),
    kind: 'finish',
    stage: last,
    identity: `finish ${last} 0`,
    deviceMs: endedMs,
    atMs: endedMs,
    receivedMs: Math.round(nowMs),
  })
  if (wetDry !== null || words !== '')
    kitchen.cooks.judge(id, {
      ratedMs: Math.round(nowMs),
      wetDry: wetDry ?? 0,
      hardness: 0,
      bottom: 'clean',
      note: words,
      separate: null,
      even: 'even',
      ate: '',
    })
  note(kitchen, id)
  return undefined
}
