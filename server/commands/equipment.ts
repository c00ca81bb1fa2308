import { randomUUID } from 'node:crypto'
import * as v from 'valibot'
import { between, type FieldError } from '#core/contract/fields'
import {
  HOUSEHOLD_LIMITS,
  parseHeatForm,
  parseMeasureForm,
  parseProgrammeForm,
  parseVesselForm,
  type VesselFormValue,
} from '#core/contract/equipment'
import { formNumber, readerOf } from '#core/contract/settings'
import type { Result } from '#core/contract/plan-request'
import { boilingPointAt } from '#core/heat/boiling-point'
import { LATENT_HEAT } from '#core/heat/evaporation'
import { deliveredPower, HEAT_PRESETS, type HeatSource } from '#core/heat/sources'
import { celsius, metres, millilitres, millimetres } from '#core/units/units'
import {
  heatCapacityOfPot,
  measureFromCount,
  measureFromWeights,
  powerFromBoil,
  simmerFromWeights,
} from '#core/vessel/calibration'
import { heightFor, volumeAt } from '#core/vessel/shape'
import { standingLoss, usualHeatCapacity, vesselOf } from '#core/vessel/vessel'
import type { HeatRow, MeasureRow, VesselRow } from '#server/store/equipment'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { figureName } from '#core/learn/figures'
import { widenFigures } from './notebook'
import { fieldError } from '#core/contract/field-error'

const idOf = (input: Record<string, unknown>) =>
  typeof input.id === 'string' && input.id !== '' ? input.id : undefined

/** Makers' usual figures where the rating plate was not read. */
const APPLIANCE: Partial<Record<VesselRow['kind'], { ratedW: number; efficiency: number }>> = {
  cooker: { ratedW: 650, efficiency: 0.75 },
  'pressure-electric': { ratedW: 1000, efficiency: 0.9 },
  // What an oven gives a dish follows from its warmth; the figures only say that it brings its own.
  'oven-dish': HEAT_PRESETS['oven-190'],
}
/** Measures of a pot and what it is said to hold may differ by this much. */
const CLOSE_ENOUGH = 0.3

/** A vessel from what a cook can measure: its mouth, what it holds, its empty weight and what it is made of. */
export function saveVessel({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseVesselForm(input)
  if (!read.ok) return read
  const id = idOf(input)
  const old = equipment.vessels().find((row) => row.id === id)
  if (id !== undefined && !old)
    return fieldError('id', `must be a pot of this kitchen, got "${id}"`, 'not-found')
  const shape = shapeOf(read.value)
  if ('problem' in shape) return fieldError(...shape.problem)
  const { name, kind, capacity_ml, lid, lining, material, empty_g, own_rated_w, marks, printed, sticks_g } =
    read.value
  const appliance = APPLIANCE[kind]
  equipment.save.vessel({
    id: old?.id ?? randomUUID(),
    name,
    kind,
    capacity_ml,
    lid,
    lining,
    material,
    empty_g,
    marks,
    printed,
    ...shape,
    heat_capacity_j_k: Math.min(
      20_000,
      Math.max(20, empty_g === null ? usualHeatCapacity(capacity_ml) : heatCapacityOfPot(empty_g, material)),
    ),
    own_rated_w: appliance ? (own_rated_w ?? appliance.ratedW) : null,
    own_efficiency: appliance?.efficiency ?? null,
    steam_factor: old?.steam_factor ?? 1,
    measured: old?.measured ?? '',
    sticks_g: sticks_g ?? 0,
  })
  return { ok: true, value: name }
}

type ShapeFields = Pick<VesselRow, 'base_diameter_mm' | 'rim_diameter_mm' | 'height_mm'>

function shapeOf({
  rim_diameter_mm,
  base_diameter_mm,
  height_mm,
  capacity_ml,
}: VesselFormValue): ShapeFields | { problem: [string, string] } {
  const base = base_diameter_mm ?? rim_diameter_mm
  const rim = rim_diameter_mm
  const height = height_mm ?? heightFor(millimetres(base), millimetres(rim), millilitres(capacity_ml))
  const [least, most] = HOUSEHOLD_LIMITS.height_mm
  if (!(height >= least && height <= most))
    return {
      problem: [
        'capacity_ml',
        `does not fit a ${rim} mm wide pot: it would be ${Math.round(height)} mm high`,
      ],
    }
  const holds = volumeAt(
    { baseDiameter: millimetres(base), rimDiameter: millimetres(rim), height: millimetres(height) },
    millimetres(height),
  )
  if (Math.abs(holds / capacity_ml - 1) > CLOSE_ENOUGH)
    return {
      problem: [
        'capacity_ml',
        `does not match: these sizes give ${Math.round(holds)} mL, not ${capacity_ml}`,
      ],
    }
  return { base_diameter_mm: base, rim_diameter_mm: rim, height_mm: Math.round(height * 10) / 10 }
}

export function dropVessel({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const id = idOf(input) ?? ''
  if (equipment.vessels().length < 2) return fieldError('id', 'is your last pot')
  return equipment.drop.vessel(id)
    ? { ok: true, value: 'gone' }
    : fieldError('id', `must be a pot of this kitchen, got "${id}"`, 'not-found')
}

export function saveHeat(kitchen: Kitchen, input: Record<string, unknown>, nowMs: number): Result<string> {
  const { equipment } = kitchen
  const read = parseHeatForm(input)
  if (!read.ok) return read
  const id = idOf(input)
  const old = equipment.heats().find((row) => row.id === id)
  if (id !== undefined && !old)
    return fieldError('id', `must be a burner of this kitchen, got "${id}"`, 'not-found')
  const { name, kind, rated_w, knob } = read.value
  const { efficiency } = kind === 'gas' ? HEAT_PRESETS['gas-medium'] : HEAT_PRESETS[kind]
  const same = old?.rated_w === rated_w
  if (old && (!same || old.efficiency !== efficiency))
    widenFigures(kitchen, 'burner', nowMs, [figureName('power', old.id)])
  equipment.save.heat({
    id: old?.id ?? randomUUID(),
    name,
    rated_w,
    efficiency,
    knob,
    power_factor: same ? old.power_factor : 1,
    measured: same ? old.measured : '',
  })
  return { ok: true, value: name }
}

export function dropHeat({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const id = idOf(input) ?? ''
  if (equipment.heats().length < 2) return fieldError('id', 'is your last burner')
  return equipment.drop.heat(id)
    ? { ok: true, value: 'gone' }
    : fieldError('id', `must be a burner of this kitchen, got "${id}"`, 'not-found')
}

export function saveMeasure({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseMeasureForm(input)
  if (!read.ok) return read
  const given = read.value
  if (given.how === 'weighed' && !(given.full_g > given.empty_g))
    return fieldError('full_g', `must be more than empty, got ${given.full_g} g and ${given.empty_g} g`)
  const ml =
    given.how === 'known'
      ? given.ml
      : given.how === 'weighed'
        ? measureFromWeights(given.empty_g, given.full_g)
        : measureFromCount(given.known_ml, given.times)
  const [least, most] = HOUSEHOLD_LIMITS.measure_ml
  if (!(ml >= least && ml <= most))
    return fieldError(
      given.how === 'counted' ? 'times' : 'full_g',
      `gives ${Math.round(ml)} mL; a measure holds ${least} to ${most}`,
    )
  const row: MeasureRow = {
    id: idOf(input) ?? randomUUID(),
    name: given.name,
    ml: Math.round(ml * 10) / 10,
    parts: [1, 0.5],
    how: given.how,
  }
  equipment.save.measure(row)
  return { ok: true, value: `${given.name}: ${Math.round(ml)} mL` }
}

export function dropMeasure({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const id = idOf(input) ?? ''
  return equipment.drop.measure(id)
    ? { ok: true, value: 'gone' }
    : fieldError('id', `must be a measure of this kitchen, got "${id}"`, 'not-found')
}

/** Saves a programme of an appliance under the name the household gives it. */
export function saveProgramme({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseProgrammeForm(input)
  if (!read.ok) return read
  const vessel = equipment.vessels().find((row) => row.id === read.value.vessel_id)
  if (!vessel || vessel.own_rated_w === null)
    return fieldError(
      'vessel_id',
      `must be an appliance of this kitchen, got "${read.value.vessel_id}"`,
      'not-found',
    )
  const id = idOf(input)
  if (id !== undefined && !equipment.programmes().some((row) => row.id === id))
    return fieldError('id', `must be a programme of this kitchen, got "${id}"`, 'not-found')
  if (read.value.known === 'timed' && read.value.minutes === null)
    return fieldError('minutes', 'is empty; what did the clock say?')
  equipment.save.programme({ id: id ?? randomUUID(), ...read.value })
  return { ok: true, value: read.value.name }
}

export function dropProgramme({ equipment }: Kitchen, input: Record<string, unknown>): Result<string> {
  const id = idOf(input) ?? ''
  return equipment.drop.programme(id)
    ? { ok: true, value: 'gone' }
    : fieldError('id', `must be a programme of this kitchen, got "${id}"`, 'not-found')
}

const grams = v.pipe(formNumber, between(1, 60_000, 'g'))
const minutes = v.pipe(formNumber, between(0.5, 240, 'minutes'))
const named = v.pipe(v.string('is required'), v.nonEmpty('is required'))
const parseBoil = readerOf(
  v.object({
    vessel_id: named,
    heat_id: v.optional(v.string(), ''),
    water_g: grams,
    from_c: v.pipe(formNumber, between(0, 60, '°C')),
    minutes,
  }),
)
const parseSimmer = readerOf(
  v.object({
    vessel_id: named,
    heat_id: v.optional(v.string(), ''),
    before_g: grams,
    after_g: grams,
    minutes,
  }),
)
const parseFull = readerOf(v.object({ vessel_id: named, empty_g: grams, full_g: grams }))

interface PlanPage {
  vessel: VesselRow
  heat: HeatRow | undefined
  source: HeatSource
  boilC: number
  kitchenC: number
}

/** The pot on the heat that a calibration was done with. */
function planOf(
  kitchen: Kitchen,
  vesselId: string,
  heatId: string,
): PlanPage | { ok: false; errors: FieldError[] } {
  const vessel = kitchen.equipment.vessels().find((row) => row.id === vesselId)
  if (!vessel) return fieldError('vessel_id', `must be a pot of this kitchen, got "${vesselId}"`, 'not-found')
  const heat = kitchen.equipment.heats().find((row) => row.id === heatId)
  if (vessel.own_rated_w === null && !heat)
    return fieldError('heat_id', `must be a burner of this kitchen, got "${heatId}"`, 'not-found')
  const { elevation_m, kitchen_c } = settingsOf(kitchen)
  const own = vessel.own_rated_w !== null
  const [ratedW, efficiency] = own
    ? [vessel.own_rated_w!, vessel.own_efficiency!]
    : [heat!.rated_w * heat!.power_factor, heat!.efficiency]
  return {
    vessel,
    heat: own ? undefined : heat,
    source: { ratedW, efficiency, kind: own ? 'cooker' : efficiency < 0.5 ? 'gas' : 'electric' },
    boilC: boilingPointAt(metres(elevation_m)),
    kitchenC: kitchen_c,
  }
}

const physics = (row: VesselRow) =>
  vesselOf({
    kind: row.kind,
    capacityMl: row.capacity_ml,
    baseDiameterMm: row.base_diameter_mm,
    rimDiameterMm: row.rim_diameter_mm,
    heightMm: row.height_mm,
    heatCapacityJK: row.heat_capacity_j_k,
    lid: row.lid,
  })
const clamp = (n: number, least: number, most: number) => Math.min(most, Math.max(least, n))

/**
 * Measures the power that reaches the pot by bringing plain water to the boil.  @returns the figure before
 * and after, in words
 */
export function calibrateBoil(kitchen: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseBoil(input)
  if (!read.ok) return read
  const plan = planOf(kitchen, read.value.vessel_id, read.value.heat_id)
  if ('errors' in plan) return plan
  const { vessel, heat, source, boilC, kitchenC } = plan
  const measured = powerFromBoil({
    waterG: read.value.water_g,
    fromC: read.value.from_c,
    boilC,
    minutes: read.value.minutes,
    heatCapacityJK: vessel.heat_capacity_j_k,
    lossWK: physics(vessel).loss,
    roomC: kitchenC,
  })
  const before = source.ratedW * source.efficiency
  const factor = measured / before
  if (!(factor > 0.3 && factor < 3))
    return fieldError(
      'minutes',
      `gives ${Math.round(measured)} W instead of ${Math.round(before)}. Please repeat the test`,
    )
  const words = `${Math.round(before)} → ${Math.round(measured)} W at the pot`
  if (heat)
    kitchen.equipment.save.heat({
      ...heat,
      power_factor: clamp(heat.power_factor * factor, 0.2, 3),
      measured: `boil timed: ${words}`,
    })
  else
    kitchen.equipment.save.vessel({
      ...vessel,
      own_rated_w: clamp(vessel.own_rated_w! * factor, 50, 20_000),
      measured: joined(vessel.measured, `boil timed: ${words}`),
    })
  return { ok: true, value: words }
}

/** Measures the steam by weighing plain water before and after the lowest heat. */
export function calibrateSimmer(kitchen: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseSimmer(input)
  if (!read.ok) return read
  const { before_g, after_g, vessel_id, heat_id } = read.value
  if (after_g > before_g)
    return fieldError('after_g', `cannot be more than before, got ${after_g} g after ${before_g} g`)
  const plan = planOf(kitchen, vessel_id, heat_id)
  if ('errors' in plan) return plan
  const { vessel, source, boilC, kitchenC } = plan
  const loss = standingLoss(physics(vessel), celsius(boilC), celsius(kitchenC))
  const powerW = deliveredPower(source, 'lowest', loss)
  const usual = ((powerW - loss) / LATENT_HEAT) * 60
  const { steamGMin } = simmerFromWeights({
    beforeG: before_g,
    afterG: after_g,
    minutes: read.value.minutes,
    powerW,
  })
  const words = `${usual.toFixed(1)} → ${steamGMin.toFixed(1)} g of steam a minute on the lowest heat`
  kitchen.equipment.save.vessel({
    ...vessel,
    steam_factor: clamp(steamGMin / usual, 0.1, 5),
    measured: joined(vessel.measured, `simmer weighed: ${words}`),
  })
  return { ok: true, value: words }
}

/** Weighed empty and full to the rim: what it holds, and with its material what heat it takes. */
export function calibrateFull(kitchen: Kitchen, input: Record<string, unknown>): Result<string> {
  const read = parseFull(input)
  if (!read.ok) return read
  const { empty_g, full_g, vessel_id } = read.value
  if (!(full_g > empty_g))
    return fieldError('full_g', `must be more than empty, got ${full_g} g and ${empty_g} g`)
  const vessel = kitchen.equipment.vessels().find((row) => row.id === vessel_id)
  if (!vessel)
    return fieldError('vessel_id', `must be a pot of this kitchen, got "${vessel_id}"`, 'not-found')
  const capacity = full_g - empty_g
  if (Math.abs(capacity / vessel.capacity_ml - 1) > 0.5)
    return fieldError(
      'full_g',
      `would mean ${capacity} mL instead of ${vessel.capacity_ml}; is this really ${vessel.name}?`,
    )
  const height = heightFor(
    millimetres(vessel.base_diameter_mm),
    millimetres(vessel.rim_diameter_mm),
    millilitres(capacity),
  )
  // A pot measured over and over must not shrink out of what a pot can be.
  const [least, most] = HOUSEHOLD_LIMITS.capacity_ml
  if (capacity < least || capacity > most)
    return fieldError(
      'full_g',
      `must make a pot of ${least} to ${most} mL, got ${capacity} mL`,
      'out-of-range',
    )
  const [low, high] = HOUSEHOLD_LIMITS.height_mm
  if (height < low || height > high)
    return fieldError(
      'full_g',
      `would make ${vessel.name} ${Math.round(height)} mm high; ${low} to ${high} mm is possible`,
      'out-of-range',
    )
  const words = `holds ${Math.round(vessel.capacity_ml)} → ${Math.round(capacity)} mL`
  kitchen.equipment.save.vessel({
    ...vessel,
    capacity_ml: capacity,
    height_mm: Math.round(height * 10) / 10,
    empty_g,
    heat_capacity_j_k: vessel.material
      ? clamp(heatCapacityOfPot(empty_g, vessel.material), 20, 20_000)
      : vessel.heat_capacity_j_k,
    measured: joined(vessel.measured, `weighed full: ${words}`),
  })
  return { ok: true, value: words }
}

/** The newest word of each kind of measuring, shortest first. */
const joined = (old: string, said: string): string => {
  const kind = said.split(':')[0]!
  return [...old.split('; ').filter((part) => part !== '' && !part.startsWith(kind)), said].join('; ')
}
