import { guidanceIn } from '#server/queries/guidance'
import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import {
  parseBottleForm,
  parseContainerForm,
  parseGuidance,
  parseContainer,
  parseTell,
} from '#core/contract/leftovers'
import { formNumber, readerOf } from '#core/contract/settings'
import { between } from '#core/contract/fields'
import type { Result } from '#core/contract/plan-request'
import { canTell, containerState, happenedAt, packedOf } from '#core/leftovers/container-state'
import { containerOf, shareOut } from '#core/leftovers/portions'
import { LIMITS } from '#core/contract/plan-request'
import {
  DRESSING_PARTS,
  dressingGrams,
  proportionsOfBottle,
  type DressingPart,
} from '#core/finish/dressing-amounts'
import { roundTo } from '#core/units/rounding'
import { portionsTaken } from '#core/leftovers/taking'
import { cupMeasure } from '#core/units/system'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'
import { inOneWrite } from '../store/write'

const MINUTE = 60_000
const DAY = 1440 * MINUTE

export function saveGuidance({ household }: Kitchen, input: unknown): Result<null> {
  const read = parseGuidance(input)
  if (!read.ok) return read
  household.saveGuidance(read.value.guidance, read.value.own)
  return { ok: true, value: null }
}

export function saveContainer({ leftovers }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseContainerForm(input)
  if (!read.ok) return read
  const given = typeof input.id === 'string' && input.id !== '' ? input.id : undefined
  if (given !== undefined && !leftovers.containers().some((c) => c.id === given))
    return fieldError('id', `must be a container of this kitchen, got "${given}"`, 'not-found')
  const id = given ?? randomUUID()
  leftovers.saveContainer({ ...read.value, id })
  return { ok: true, value: id }
}

const parseId = readerOf(
  v.object({ id: v.pipe(v.string('is required'), v.regex(/^[\w-]{1,64}$/, 'names nothing here')) }),
)

export function dropContainer({ leftovers }: Kitchen, input: unknown): Result<null> {
  const read = parseId(input)
  if (!read.ok) return read
  return leftovers.dropContainer(read.value.id)
    ? { ok: true, value: null }
    : fieldError('id', `must be a container of this kitchen, got "${read.value.id}"`, 'not-found')
}

/** Puts leftovers away: shared out level, every container a row of its own, all of them or none.  @returns their ids */
export function putAway({ db, leftovers, cooks }: Kitchen, input: unknown, nowMs: number): Result<string[]> {
  const read = parseContainer(input)
  if (!read.ok) return read
  const packed = read.value
  const cookId = packed.cook_id ?? null
  if (cookId !== null && !cooks.find(cookId))
    return fieldError('cook_id', `must be a batch of this kitchen, got "${cookId}"`, 'not-found')
  const owned = new Map(leftovers.containers().map((row) => [row.id, containerOf(row)]))
  const unknown = packed.containers.find((id) => !owned.has(id))
  if (unknown !== undefined)
    return fieldError('containers', `must be a container of this kitchen, got "${unknown}"`, 'not-found')
  const filled = shareOut(
    packed.grams,
    packed.density_g_ml,
    packed.portions,
    packed.containers.map((id) => owned.get(id)!),
  )
  const over = filled.find((f) => f.over)
  if (over)
    return fieldError(
      'containers',
      `hold ${Math.round(packed.containers.reduce((sum, id) => sum + owned.get(id)!.ml, 0))} mL together; ${Math.round(packed.grams / packed.density_g_ml)} mL is to go in`,
    )
  const ids = filled.map(() => randomUUID())
  inOneWrite(db, () => {
    for (const [i, { container, massG, portions, depthMm }] of filled.entries())
      leftovers.add({
        id: ids[i]!,
        cook_id: cookId,
        title: packed.title,
        variety: packed.variety,
        container_name: container.name,
        grams: massG,
        portions,
        depth_mm: depthMm,
        density_g_ml: packed.density_g_ml,
        water_share: packed.water_share,
        place: packed.place,
        open: packed.open ? 1 : 0,
        stacked: packed.stacked,
        dressed: packed.dressed ? 1 : 0,
        cooked_ms: Math.round(nowMs - packed.minutes_ago * MINUTE),
        packed_ms: Math.round(nowMs),
        next_place: packed.place === 'counter' || packed.place === 'ice-bath' ? (packed.next ?? null) : null,
        for_whom: packed.for_whom,
      })
  })
  return { ok: true, value: ids }
}

/** Records an event of a stored container. What is impossible, or comes too late, is refused. */
export function recordLeftoverEvent(kitchen: Kitchen, input: unknown, nowMs: number): Result<null> {
  const read = parseTell(input)
  if (!read.ok) return read
  const { id, leftover_id, kind, amount, target } = read.value
  const row = kitchen.leftovers.find(leftover_id)
  if (!row)
    return fieldError('leftover_id', `must be a leftover of this kitchen, got "${leftover_id}"`, 'not-found')
  if (row.events.some((e) => e.id === id)) return { ok: true, value: null }
  const guidance = guidanceIn(kitchen)
  const view = containerState(packedOf(row), row.events, guidance, nowMs)
  const why = canTell(view, kind, guidance)
  if (why) return fieldError('kind', `${kind} is not possible: ${why}`)
  if (kind === 'take-back' && target !== view.last?.id) return fieldError('target', 'is not the latest entry')
  let { portions } = read.value
  if (portions !== undefined && portions > view.portions + 1e-9)
    return fieldError('portions', `must be at most ${view.portions}, got ${portions}`, 'too-many')
  if (amount !== undefined && kind === 'eaten') {
    const taken = portionsTaken(
      amount,
      { portions: view.portions, grams: view.grams, densityGMl: row.density_g_ml },
      cupMeasure(settingsOf(kitchen).cup),
      kitchen.equipment.measures(),
    )
    if (!taken.ok) return fieldError('amount', taken.says)
    portions = taken.portions
  }
  kitchen.leftovers.append(leftover_id, {
    id,
    kind,
    atMs: Math.round(happenedAt(view, kind, nowMs)),
    ...(portions === undefined ? {} : { portions }),
    ...(kind === 'take-back' && target !== undefined ? { target } : {}),
  })
  return { ok: true, value: null }
}

/** A bottle of dressing made ahead: by a style or the cook's own amounts.  @returns its id */
export function makeBottle(kitchen: Kitchen, input: unknown, nowMs: number): Result<string> {
  const { leftovers } = kitchen
  const read = parseBottleForm(input)
  if (!read.ok) return read
  const { style, name, steeps, steep_days = 0, ...given } = read.value
  const own = ownAmounts(kitchen, given)
  if (!own.ok) return own
  const made_g = own.value?.totalG ?? given.made_g
  if (made_g === undefined)
    return fieldError('made_g', 'is required: how much was made, or the vinegar, sugar and salt in it')
  const id = randomUUID()
  leftovers.saveBottle({
    id,
    made_ms: Math.round(nowMs),
    style,
    made_g,
    left_g: made_g,
    name,
    vinegar: own.value?.per100.vinegar ?? null,
    sugar: own.value?.per100.sugar ?? null,
    salt: own.value?.per100.salt ?? null,
    steeps,
    ready_ms: steep_days > 0 ? Math.round(nowMs + steep_days * DAY) : null,
  })
  return { ok: true, value: id }
}

/** A dressing of the cook's own amounts: g altogether, and its proportions; null where none were given. */
function ownAmounts(
  kitchen: Kitchen,
  given: Record<DressingPart, string> & { for_dry_g?: number | undefined },
): Result<{ totalG: number; per100: Record<DressingPart, number> } | null> {
  if (DRESSING_PARTS.every((part) => given[part] === '')) return { ok: true, value: null }
  const { cup, crystal } = settingsOf(kitchen)
  const spoons = { cup: cupMeasure(cup), own: kitchen.equipment.measures(), crystal }
  const grams = { vinegar: 0, sugar: 0, salt: 0 }
  for (const part of DRESSING_PARTS) {
    const g = given[part] === '' ? 0 : dressingGrams(part, given[part], spoons)
    if (g === undefined)
      return fieldError(part, `must be an amount such as "5 tbsp" or "90 g", got "${given[part]}"`)
    grams[part] = g
  }
  if (grams.vinegar === 0) return fieldError('vinegar', 'is required: a dressing has vinegar in it')
  const per100 = proportionsOfBottle(grams, given.for_dry_g)
  for (const part of DRESSING_PARTS) {
    const [min, max] = LIMITS.dressing_g[part]
    if (per100[part] < min || per100[part] > max)
      return fieldError(
        part,
        `must be from ${min} to ${max} g to 100 g of dry grain, got ${roundTo(per100[part], 1)} g`,
        'out-of-range',
      )
  }
  return { ok: true, value: { totalG: grams.vinegar + grams.sugar + grams.salt, per100 } }
}

const parseTake = readerOf(
  v.object({
    id: v.pipe(v.string('is required'), v.regex(/^[\w-]{1,64}$/, 'names nothing here')),
    grams: v.pipe(formNumber, between(0.1, 20_000, 'g')),
  }),
)

/** Takes dressing out of a bottle; an empty bottle goes. */
export function takeFromBottle({ leftovers }: Kitchen, input: unknown): Result<null> {
  const read = parseTake(input)
  if (!read.ok) return read
  const bottle = leftovers.bottles().find((b) => b.id === read.value.id)
  if (!bottle)
    return fieldError('id', `must be a bottle of this kitchen, got "${read.value.id}"`, 'not-found')
  if (read.value.grams > bottle.left_g + 0.5)
    return fieldError(
      'grams',
      `must be at most ${Math.round(bottle.left_g)} g, got ${read.value.grams}`,
      'out-of-range',
    )
  pourFromBottle({ leftovers }, bottle.id, read.value.grams)
  return { ok: true, value: null }
}

/** Takes so much out of a bottle, or all there is; an empty bottle, and one that is gone, needs nothing. */
export function pourFromBottle({ leftovers }: Pick<Kitchen, 'leftovers'>, id: string, grams: number): void {
  const bottle = leftovers.bottles().find((b) => b.id === id)
  if (!bottle) return
  const left = Math.max(0, bottle.left_g - grams)
  if (left < 1) leftovers.dropBottle(bottle.id)
  else leftovers.saveBottle({ ...bottle, left_g: left })
}

const parseStuck = readerOf(
  v.object({
    vessel_id: v.pipe(v.string('is required'), v.nonEmpty('is required')),
    sticks_g: v.pipe(formNumber, between(...HOUSEHOLD_LIMITS.sticks_g, 'g')),
  }),
)

/** Saves how much sticks to a pot, so that the next batch is larger by it. */
export function saveStuck({ equipment }: Kitchen, input: unknown): Result<null> {
  const read = parseStuck(input)
  if (!read.ok) return read
  const row = equipment.vessels().find((vessel) => vessel.id === read.value.vessel_id)
  if (!row)
    return fieldError(
      'vessel_id',
      `must be a pot of this kitchen, got "${read.value.vessel_id}"`,
      'not-found',
    )
  equipment.save.vessel({ ...row, sticks_g: read.value.sticks_g })
  return { ok: true, value: null }
}
