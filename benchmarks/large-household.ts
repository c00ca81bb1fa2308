import { join } from 'node:path'
import { VARIETIES } from '#core/grain/varieties'
import { randomOf } from '#core/random'
import { VESSEL_PRESETS, type VesselPresetId } from '#core/vessel/presets'
import { beginHousehold, FIRST_KITCHEN, vesselRow } from '../server/commands/begin-household'
import { note } from '../server/commands/rebuild-entry'
import { startCook } from '../server/commands/start-cook'
import { openKitchen, type Kitchen } from '../server/store/open-household'

/** How much a household holds. */
export interface Size {
  batches: number
  containers: number
  pots: number
  bags: number
  meals: number
}

/** A household that has cooked for decades and thrown nothing away. */
export const LARGE: Size = { batches: 20_000, containers: 500, pots: 200, bags: 85, meals: 200 }

/** Draws of one seed. */
interface Chance {
  random: () => number
  pick: <T>(list: readonly T[]) => T
}

function chanceOf(seed: number): Chance {
  const random = randomOf(seed)
  return { random, pick: (list) => list[Math.floor(random() * list.length)]! }
}

const DAY_MS = 86_400_000
const DAYS_BETWEEN = 0.4
const HOUR_MS = 3_600_000

/** Writes such a household into a folder.  @returns its database, open; the caller closes it */
export function makeHousehold(folder: string, size: Size, seed = 3): Kitchen {
  const kitchen = openKitchen(join(folder, 'omsel.sqlite'))
  const chance = chanceOf(seed)
  const now = Date.now()
  beginHousehold(kitchen, FIRST_KITCHEN)
  kitchen.db.transaction(() => {
    const presets = Object.keys(VESSEL_PRESETS).filter(
      (id) => VESSEL_PRESETS[id as VesselPresetId].given.kind === 'pot',
    ) as VesselPresetId[]
    for (let i = FIRST_KITCHEN.vessels.length; i < size.pots; i++)
      kitchen.equipment.save.vessel(vesselRow(`pot-${i}`, `pot number ${i}`, chance.pick(presets)))
    for (let i = 0; i < size.bags; i++)
      kitchen.grainBags.saveBag({
        id: `bag-${i}`,
        variety: VARIETIES[i % VARIETIES.length]!.id,
        name: `bag number ${i}`,
        label: '',
        label_ratio: null,
        adopted_delta: 0,
        bought_on: null,
        opened_on: null,
        new_crop: 0,
        enriched: 0,
        left_g: 5000,
      })
  })()
  batches(kitchen, size.batches, now, chance)
  leftovers(kitchen, size.containers, now, chance)
  meals(kitchen, size.meals, now, chance)
  return kitchen
}

/** A hundredth as many plans as batches, each cooked a hundred times on days of its own. */
function batches(kitchen: Kitchen, many: number, now: number, { random, pick }: Chance): void {
  if (many === 0) return
  const first = now - many * DAYS_BETWEEN * DAY_MS
  const kinds = Array.from({ length: Math.max(1, Math.ceil(many / 100)) }, () => {
    const request = {
      grains: [{ variety: pick(VARIETIES).id }],
      amount: { basis: 'dry-mass' as const, value: 150 + Math.floor(random() * 400) },
    }
    const vessel_id = pick(FIRST_KITCHEN.vessels.filter((v) => v.kind === 'pot')).id
    const started = startCook(kitchen, { request, vessel_id, heat_id: pick(FIRST_KITCHEN.heats).id }, first)
    if (!started.ok) throw new Error(started.errors[0]!.message)
    return kitchen.cooks.find(started.value)!
  })
  kitchen.db.transaction(() => {
    for (const { id } of kinds) kitchen.cooks.remove(id)
    for (let i = 0; i < many; i++) {
      const id = `cook-${i}`
      const startedMs = Math.round(first + i * DAYS_BETWEEN * DAY_MS)
      const endedMs = startedMs + HOUR_MS
      const kind = kinds[i % kinds.length]!
      kitchen.cooks.add({ ...kind, id, startedMs })
      const stage = kind.plan.stages.at(-1)!.id
      kitchen.cooks.append(id, {
        id: `${id}-end`,
        kind: 'finish',
        stage,
        identity: `finish ${stage} 0`,
        deviceMs: endedMs,
        atMs: endedMs,
        receivedMs: endedMs,
      })
      kitchen.cooks.judge(id, {
        ratedMs: endedMs,
        wetDry: Math.round((random() - 0.5) * 3),
        hardness: Math.round((random() - 0.5) * 2),
        bottom: 'clean',
        note: random() < 0.3 ? 'for the choir' : '',
        separate: null,
        even: 'even',
        ate: '',
      })
    }
    for (let i = 0; i < many; i++) note(kitchen, `cook-${i}`)
  })()
}

function leftovers(kitchen: Kitchen, many: number, now: number, { random, pick }: Chance): void {
  kitchen.db.transaction(() => {
    for (let i = 0; i < many; i++) {
      const variety = pick(VARIETIES)
      const packed_ms = Math.round(now - random() * 60 * DAY_MS)
      kitchen.leftovers.add({
        id: `left-${i}`,
        cook_id: null,
        title: `${variety.name} number ${i}`,
        variety: variety.id,
        container_name: 'box',
        grams: 400,
        portions: 2,
        depth_mm: 40,
        density_g_ml: 0.8,
        water_share: 0.65,
        place: 'freezer',
        open: 0,
        stacked: 1,
        dressed: 0,
        cooked_ms: packed_ms - HOUR_MS / 2,
        packed_ms,
        next_place: null,
        for_whom: '',
      })
    }
  })()
}

function meals(kitchen: Kitchen, many: number, now: number, { pick }: Chance): void {
  kitchen.db.transaction(() => {
    for (let i = 0; i < many; i++)
      kitchen.meals.save({
        id: `meal-${i}`,
        made_ms: Math.round(now - i * DAY_MS),
        title: `evening number ${i}`,
        serve_ms: Math.round(now - (i - 2) * DAY_MS),
        cooks: 2,
        oven: 1,
        dishes: ['heavy-pot', 'thin-pot'].map((vessel_id, n) => ({
          id: `dish-${n}`,
          title: `dish ${n}`,
          kind: 'plan' as const,
          search: '',
          vessel_id,
          heat_id: 'big-burner',
          request: { grains: [{ variety: pick(VARIETIES).id }], amount: { basis: 'dry-mass', value: 300 } },
        })),
        names: [],
        published: null,
      })
  })()
}
