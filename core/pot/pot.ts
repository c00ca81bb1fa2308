import { SCORCH_FROM_C } from '#core/constants'
import { cookingSpeed } from '#core/heat/cooking-speed'
import { LATENT_HEAT, openSurfaceEvaporation } from '#core/heat/evaporation'
import { leakOf, lossFactor, type LidFit, type LidPosition } from '#core/heat/lid'
import type { Celsius } from '#core/units/units'
import { diffusivityAt } from '#core/grain/diffusivity'
import { layWater } from './bed'
import {
  capacityOf,
  advanceKernel,
  kernelKind,
  kernelMean,
  type KernelInput,
  type KernelKind,
} from '#core/grain/kernel'

/** One kind of grain in the pot; a blend has several, sharing one water. */
export interface PotGrain extends KernelInput {
  dryG: number
  bulkDensity: number
  kernelDensity: number
  /** Uptake by shell, centre first, after a soak; left out for dry grain. Read at this pot's own number of shells. */
  soaked?: Float64Array
  /** Goes in later, with joinGrain; until then it is not in the pot. */
  joinsLater?: boolean
}

export interface PotSetup {
  grains: readonly PotGrain[]
  /** Of the empty vessel, J/K. */
  heatCapacity: number
  /** Covered standing loss, W/K. */
  loss: number
  steamFactor: number
  /** Open surface, m². */
  openArea: number
  lid: LidFit
  /** It cooks in a jacket of its own, so its base is no barer with the heat off. */
  jacketed?: boolean
  boilC: number
  kitchenC: number
  /** Free water before the heat, g, and the temperature it has. */
  freeWaterG: number
  waterC: number
  /** Water under a basket, g: it steams the grain and never touches it. Left out: no basket. */
  boilerG?: number
  /** Water kept beside the pot, that phases pour in, g, and the temperature it is kept at. */
  stockG?: number
  stockC?: number
}

export interface Resolution {
  layers: number
  shells: number
  /** Seconds, while the temperature moves fast. */
  step: number
  /** Seconds at a steady boil. */
  steadyStep: number
  /** Seconds off the heat, where everything goes slowest. */
  restStep: number
}
/** See inside the pot. */
export const FULL: Resolution = { layers: 5, shells: 8, step: 1, steadyStep: 1, restStep: 1 }
/**
 * Plan with it: the same code, coarse. The kernel is implicit, so a steady pot takes longer steps without
 * losing anything; core/simulate/closure.test.ts holds it to the fine pot.
 */
export const REDUCED: Resolution = { layers: 2, shells: 8, step: 5, steadyStep: 15, restStep: 20 }

/**
 * What the grain lies in. steam: in a basket over the boiler. aside: turned out beside the pot, drinking what
 * it was moistened with. stirred: kept moving, so that all of it drinks alike and no bottom heats alone.
 */
export type Contact = 'water' | 'steam' | 'aside' | 'stirred'

/** What the stove and the lid do during a step. */
export interface Heating {
  powerW: number
  lid: LidPosition
  /**
   * open: steam leaves at the boil. sealing: steam drives the air out, then the pressure rises to sealedC.
   * sealed: held under sealedC. venting: pressure let out at once.
   */
  mode: 'open' | 'sealing' | 'sealed' | 'venting'
  sealedC?: number
  /** Steam past the valve of a sealed vessel, g/s. */
  sealedLeak?: number
  /** The vessel watches its own base and stops feeding a dry one. */
  thermostat?: boolean
  contact?: Contact
  /** What surrounds the vessel, °C, where that is not the kitchen: an oven. */
  surroundC?: number
  /** Wrapped in towels, off the heat. */
  wrapped?: boolean
}

/**
 * A heating as one vessel feels it, worked out once for a stretch of it. Every field is always there, in one
 * order: a step reads them all, and objects of many shapes would cost it more than its arithmetic.
 */
export interface VesselHeating {
  readonly powerW: number
  readonly mode: Heating['mode']
  readonly contact: Contact
  /** °C; NaN where nothing seals. */
  readonly sealedC: number
  /** Past the valve of a sealed vessel, g/s. */
  readonly sealedLeak: number
  readonly thermostat: boolean
  /** Standing loss, W per K over what surrounds it. */
  readonly loss: number
  readonly surroundC: number
  /** Share of the open surface that lets vapour out below the boil. */
  readonly leak: number
}

export function vesselHeating(setup: PotSetup, heating: Heating): VesselHeating {
  const { powerW, lid, mode, surroundC, wrapped } = heating
  const fed = powerW > 0 || surroundC !== undefined || setup.jacketed === true
  return {
    powerW,
    mode,
    contact: heating.contact ?? 'water',
    sealedC: heating.sealedC ?? NaN,
    sealedLeak: powerW > 0 ? (heating.sealedLeak ?? 0) : 0,
    thermostat: heating.thermostat === true,
    loss: (wrapped ? WRAPPED_LOSS : 1) * setup.loss * lossFactor(setup.lid, lid, fed),
    surroundC: surroundC ?? setup.kitchenC,
    leak: leakOf(setup.lid, lid),
  }
}

/** Specific heats, J/(g K). */
export const WATER_HEAT = 4.18
const DRY_GRAIN_HEAT = 1.6
/**
 * A dry bottom: this share of the heat capacity heats alone and passes so many W/K upward. While the grain on
 * it still holds water it is cooled by drying it besides, until a crust has formed: so much of all the
 * grain's water.
 */
const BOTTOM_SHARE = 1 / 5
const BOTTOM_TO_BULK = 6
const BOTTOM_DRYING = 9
const CRUST_SHARE = 0.06
/** A thermostat lets the base go this far over the temperature it holds, K. */
const THERMOSTAT_OVER_K = 4
/** Towels round a pot keep about a third of what it gives off. */
const WRAPPED_LOSS = 0.67
/** Steam that carries the air out before a pressure vessel seals, g. */
export const VENTED_BEFORE_SEAL_G = 20
/** Pressure let out at once falls by e in this time, s; gone in two minutes. */
const VENT_SECONDS = 30
/** Sprinkled grain counts as wet all over from this share of its voids. */
const FULLY_DAMP = 0.35
/** Voids widen as grains swell, by this share of the uptake. */
const VOID_SWELLING = 0.6
/** Above this the outer shells of all layers share their moisture, at this rate per second. */
const SHARE_FROM_C = 70
const SHARE_RATE = 4e-3
/**
 * What grain at the boil still takes out of live steam, g/g per second. It is hardly anything: taking up
 * vapour warms the grain, and warm grain takes no more; what wets it is what condensed while it was cold.
 */
const STEAM_TAKEN = 1e-3 / 60
/** Grain turned out of a basket and rubbed cools to about this, °C. */
export const ASIDE_C = 50
/** Gelatinisation starts at the first and runs fully from the second, °C. */
const ONSET_C = 58
const FULL_ONSET_C = 68

/** A pot at one moment. Mutable on purpose: a plan steps it hundreds of times. */
export interface Pot {
  readonly setup: PotSetup
  readonly resolution: Resolution
  readonly kinds: readonly KernelKind[]
  readonly dryG: number
  readonly uptake: Float64Array
  readonly cooked: Float64Array
  /** Per grain and layer: where its shells start in uptake and cooked. */
  readonly offset: readonly (readonly number[])[]
  readonly voids: Float64Array
  readonly held: Float64Array
  readonly wetted: Float64Array
  /** Mean uptake per grain and layer, g/g, kept beside the shells so that no step has to sum them. */
  readonly mean: Float64Array
  /** Void volume of a dry layer per grain, mL. */
  readonly dryVoid: readonly number[]
  /** Which grains are in the pot. */
  readonly present: boolean[]
  /** Heat capacity when filled, J/K; steam lowers it, a grain that joins raises it. */
  filledHeat: number
  /** s, °C, g */
  now: number
  bulkC: number
  bottomC: number
  freeG: number
  /** Under the basket, and kept beside the pot, g. */
  boilerG: number
  stockG: number
  /** Poured away so far, and taken by the grain out of steam, g. */
  drainedG: number
  condensedG: number
  evaporatedG: number
  /** Steam let go while a pressure vessel was sealing, g. */
  ventedG: number
  /** Dried out of the grain on a dry bottom, g; part of what evaporated. */
  driedG: number
  /** K·s over the scorching threshold at the bottom. */
  scorch: number
}

const onset = (c: number) =>
  c <= ONSET_C ? 0 : c >= FULL_ONSET_C ? 1 : (c - ONSET_C) / (FULL_ONSET_C - ONSET_C)

export function fillPot(setup: PotSetup, resolution: Resolution): Pot {
  const { layers, shells } = resolution
  const kinds = setup.grains.map((grain) => kernelKind(grain, shells))
  const size = setup.grains.length * layers * shells
  const uptake = new Float64Array(size)
  const cooked = new Float64Array(size)
  const offset = setup.grains.map((grain, g) =>
    Array.from({ length: layers }, (_, l) => {
      const at = (g * layers + l) * shells
      if (grain.soaked) uptake.set(resample(grain.soaked, shells), at)
      if (grain.precooked) cooked.fill(grain.precooked, at, at + shells)
      return at
    }),
  )
  const dryG = setup.grains.reduce((sum, grain) => sum + grain.dryG, 0)
  const mean = new Float64Array(setup.grains.length * layers)
  const present = setup.grains.map((grain) => grain.joinsLater !== true)
  let soakedG = 0
  let presentG = 0
  setup.grains.forEach((grain, g) => {
    const u = kernelMean(kinds[g]!, uptake, offset[g]![0]!)
    mean.fill(u, g * layers, (g + 1) * layers)
    if (!present[g]) return
    soakedG += u * grain.dryG
    presentG += grain.dryG
  })
  const dryHeat = DRY_GRAIN_HEAT * presentG + setup.heatCapacity + WATER_HEAT * soakedG
  // What hangs on grain that is not in its basket yet is not in the pot.
  const waterHeat = WATER_HEAT * (setup.boilerG ?? setup.freeWaterG)
  const bulkC = (waterHeat * setup.waterC + dryHeat * setup.kitchenC) / (waterHeat + dryHeat)
  return {
    setup,
    resolution,
    kinds,
    dryG,
    uptake,
    offset,
    mean,
    present,
    dryVoid: setup.grains.map(
      (g) => ((1 - g.bulkDensity / g.kernelDensity) * g.dryG) / g.bulkDensity / layers,
    ),
    filledHeat: waterHeat + dryHeat,
    cooked,
    voids: new Float64Array(layers),
    held: new Float64Array(layers),
    wetted: new Float64Array(layers),
    now: 0,
    bulkC,
    bottomC: bulkC,
    freeG: setup.freeWaterG,
    boilerG: setup.boilerG ?? 0,
    stockG: setup.stockG ?? 0,
    drainedG: 0,
    condensedG: 0,
    evaporatedG: 0,
    ventedG: 0,
    driedG: 0,
    scorch: 0,
  }
}

/** Heat capacity of a grain as it is now, J/K. */
export function grainHeat(pot: Pot, grain: number): number {
  const { layers } = pot.resolution
  let mean = 0
  for (let l = 0; l < layers; l++) mean += pot.mean[grain * layers + l]!
  return (DRY_GRAIN_HEAT + (WATER_HEAT * mean) / layers) * pot.setup.grains[grain]!.dryG
}

/** What boils: the boiler under a basket, or the water in the bed, g. */
export const liquidOf = (pot: Pot): number => (pot.setup.boilerG === undefined ? pot.freeG : pot.boilerG)

/** A shell profile read at another number of shells, by volume, so that the mean stays. */
function resample(profile: Float64Array, shells: number): Float64Array {
  const from = profile.length
  if (from === shells) return profile
  const out = new Float64Array(shells)
  for (let i = 0; i < shells; i++) {
    const inner = i / shells
    const outer = (i + 1) / shells
    let sum = 0
    for (let j = 0; j < from; j++) {
      const lo = Math.max(inner, j / from)
      const hi = Math.min(outer, (j + 1) / from)
      if (hi > lo) sum += profile[j]! * (hi * hi - lo * lo)
    }
    out[i] = sum / (outer * outer - inner * inner)
  }
  return out
}

/** Water inside all grains, g. */
export function grainWater(pot: Pot): number {
  let sum = 0
  for (let l = 0; l < pot.resolution.layers; l++) sum += layerUptake(pot, l)
  return (sum * pot.dryG) / pot.resolution.layers
}

/** Mean uptake of a layer over its grains, g/g. */
export function layerUptake(pot: Pot, layer: number): number {
  const { grains } = pot.setup
  let sum = 0
  for (let g = 0; g < grains.length; g++)
    sum += grains[g]!.dryG * pot.mean[g * pot.resolution.layers + layer]!
  return sum / pot.dryG
}

/** Degree of gelatinisation in the centre of a layer's slowest kernel, 0..1. */
export function centreCooked(pot: Pot, layer: number): number {
  let least = 1
  for (const at of pot.offset) least = Math.min(least, pot.cooked[at[layer]!]!)
  return least
}

/** The least of centreCooked over the layers. */
export function leastCooked(pot: Pot): number {
  let least = 1
  for (let l = 0; l < pot.resolution.layers; l++) least = Math.min(least, centreCooked(pot, l))
  return least
}

/** Cooked mass: dry grain, the water in it and the free water around it, g. */
export const cookedMass = (pot: Pot): number => pot.dryG + grainWater(pot) + pot.freeG

/** Free water as a share of the cooked mass. */
export const freeShare = (pot: Pot): number => pot.freeG / cookedMass(pot)

/** Heat capacity of everything in and of the pot, J/K. Uptake moves water but keeps this; only steam lowers it. */
export const heatCapacityOf = (pot: Pot): number => pot.filledHeat - WATER_HEAT * pot.evaporatedG

/** The limit temperature under this heating: the boil, or the pressure once the air is out. */
function limitOf(pot: Pot, heating: VesselHeating): number {
  if (heating.mode === 'sealed') return heating.sealedC
  if (heating.mode === 'sealing' && pot.ventedG >= VENTED_BEFORE_SEAL_G) return heating.sealedC
  return pot.setup.boilC
}

/**
 * Moves a pot on by seconds: grains drink, then the pot heats, boils or cools. Water is conserved to
 * rounding. Stops short at the limit temperature (the boil, or full pressure), so that a stage can end
 * exactly there.
 * @returns the seconds really taken
 */
export function stepPot(pot: Pot, seconds: number, heating: VesselHeating): number {
  const capacity = heatCapacityOf(pot)
  const limit = limitOf(pot, heating)
  const taken = timeToLimit(pot, seconds, heating, capacity, limit)
  drink(pot, taken, heating.contact)
  const before = pot.bulkC
  heat(pot, taken, heating, capacity, limit)
  if (heating.contact === 'steam') condense(pot, pot.bulkC - before)
  pot.now += taken
  return taken
}

const lossOf = (pot: Pot, heating: VesselHeating): number => heating.loss * (pot.bulkC - heating.surroundC)

/** g/s leaving below the limit: vapour through the lid's leak, or past a sealed valve. */
function steamBelowLimit(pot: Pot, heating: VesselHeating): number {
  if (heating.mode === 'sealed') return heating.sealedLeak
  if (heating.mode === 'sealing') return 0
  lookUp(pot.bulkC)
  const { openArea, steamFactor } = pot.setup
  return atTemperature.vapour * openArea * heating.leak * steamFactor
}

function timeToLimit(
  pot: Pot,
  seconds: number,
  heating: VesselHeating,
  capacity: number,
  limit: number,
): number {
  if (pot.bulkC >= limit || liquidOf(pot) <= 0 || heating.mode === 'venting') return seconds
  const rate =
    (heating.powerW - lossOf(pot, heating) - steamBelowLimit(pot, heating) * LATENT_HEAT) / capacity
  const reach = rate > 0 ? (limit - pot.bulkC) / rate : Infinity
  return reach < seconds ? Math.max(reach, 1e-6) : seconds
}

function heat(pot: Pot, seconds: number, heating: VesselHeating, capacity: number, limit: number): void {
  if (heating.mode === 'venting') return vent(pot, seconds, capacity)
  if (liquidOf(pot) <= 0 && heating.contact !== 'stirred')
    return heatDry(pot, seconds, heating, capacity, limit)
  const steam = Math.min(liquidOf(pot), steamBelowLimit(pot, heating) * seconds)
  const gained = (heating.powerW - lossOf(pot, heating)) * seconds - steam * LATENT_HEAT
  const next = pot.bulkC + gained / capacity
  letGo(pot, steam)
  if (next > limit + 1e-9) {
    const surplus = (next - limit) * capacity
    // A thermostat or a weight holds a sealed vessel; only an open pot, or one still driving out its air,
    // boils the surplus off.
    if (heating.mode !== 'sealed' && limit === pot.setup.boilC) {
      const before = pot.evaporatedG
      letGo(pot, (surplus / LATENT_HEAT) * pot.setup.steamFactor)
      if (heating.mode === 'sealing') pot.ventedG += pot.evaporatedG - before
    }
    pot.bulkC = limit
  } else {
    pot.bulkC = next
  }
  pot.bottomC = pot.bulkC
}

function letGo(pot: Pot, wanted: number): void {
  const steam = Math.min(liquidOf(pot), wanted)
  if (pot.setup.boilerG === undefined) pot.freeG -= steam
  else pot.boilerG -= steam
  pot.evaporatedG += steam
}

function heatDry(pot: Pot, seconds: number, heating: VesselHeating, capacity: number, limit: number): void {
  const bottom = capacity * BOTTOM_SHARE
  const loss = lossOf(pot, heating)
  const hot = heating.thermostat && pot.bottomC >= heating.sealedC + THERMOSTAT_OVER_K
  const power = hot ? 0 : heating.powerW
  const inGrain = grainWater(pot)
  const dries = pot.driedG < CRUST_SHARE * (inGrain + pot.driedG) ? BOTTOM_DRYING : 0
  // What the grain holds boils at the temperature the vessel is held at.
  const boil = Math.max(limit, pot.setup.boilC)
  // Implicit in the bottom's temperature: a light bottom answers faster than the steps are long.
  const pull = pot.bottomC > boil ? dries : 0
  pot.bottomC =
    (pot.bottomC + (seconds / bottom) * (power + BOTTOM_TO_BULK * pot.bulkC + pull * boil)) /
    (1 + (seconds / bottom) * (BOTTOM_TO_BULK + pull))
  const upward = BOTTOM_TO_BULK * (pot.bottomC - pot.bulkC)
  pot.bulkC = Math.min(limit, pot.bulkC + ((upward - loss) * seconds) / (capacity - bottom))
  if (pull > 0 && pot.bottomC > boil) {
    const g = Math.min(CRUST_SHARE * inGrain, (pull * (pot.bottomC - boil) * seconds) / LATENT_HEAT)
    const dried = dryBottom(pot, g)
    // Under a valve it cannot leave: it condenses on the cooler grain above and warms it.
    if (heating.mode === 'sealed') refluxed(pot, dried)
  }
  pot.scorch += Math.max(0, pot.bottomC - SCORCH_FROM_C) * seconds
}

/**
 * Steam out of the grain that lies on the bottom: the lowest layer gives it in proportion to what it holds.
 * @returns what it gave, g: never more than half of what the layer holds
 */
function dryBottom(pot: Pot, g: number): number {
  const { layers } = pot.resolution
  const holds = (layerUptake(pot, 0) * pot.dryG) / layers
  const share = holds > 0 ? Math.min(0.5, g / holds) : 0
  pot.setup.grains.forEach((_, grain) => {
    const at = pot.offset[grain]![0]!
    for (let i = 0; i < pot.resolution.shells; i++) pot.uptake[at + i]! *= 1 - share
    pot.mean[grain * layers]! *= 1 - share
  })
  const gone = share * holds
  pot.driedG += gone
  pot.evaporatedG += gone
  return gone
}

function refluxed(pot: Pot, g: number): void {
  pot.evaporatedG -= g
  pot.driedG -= g
  pot.freeG += g
}

function vent(pot: Pot, seconds: number, capacity: number): void {
  const over = pot.bulkC - pot.setup.boilC
  if (over <= 0) return
  const drop = over * (1 - Math.exp(-seconds / VENT_SECONDS))
  letGo(pot, (drop * capacity) / LATENT_HEAT)
  pot.bulkC -= drop
  pot.bottomC = pot.bulkC
}

/** Reused by every step of every pot: the inner loop must not allocate. */
const stroke = { spread: 0, cooking: 0, wetted: 0, available: 0 }

/** The boil holds one temperature for most of a cook, so the last one's exponentials are kept. */
const atTemperature = { c: NaN, diffusivity: 0, cooking: 0, vapour: 0 }

function lookUp(c: number) {
  if (c === atTemperature.c) return
  atTemperature.c = c
  atTemperature.vapour = openSurfaceEvaporation(c as Celsius)
  atTemperature.diffusivity = diffusivityAt(c as Celsius)
  atTemperature.cooking = c > ONSET_C ? cookingSpeed(c as Celsius) * onset(c) : 0
}

function drink(pot: Pot, seconds: number, contact: Contact): void {
  if (contact !== 'water') return drinkDamp(pot, seconds, contact)
  const { layers } = pot.resolution
  const { grains } = pot.setup
  for (let l = 0; l < layers; l++) {
    let voids = 0
    for (let g = 0; g < grains.length; g++)
      if (pot.present[g]) voids += pot.dryVoid[g]! * (1 + VOID_SWELLING * pot.mean[g * layers + l]!)
    pot.voids[l] = voids
  }
  layWater(pot.voids, pot.freeG, pot.held, pot.wetted)
  lookUp(pot.bulkC)
  stroke.cooking = atTemperature.cooking * seconds
  for (let g = 0; g < grains.length; g++) {
    if (!pot.present[g]) continue
    const kind = pot.kinds[g]!
    const dryPerLayer = grains[g]!.dryG / layers
    stroke.spread = (atTemperature.diffusivity * seconds) / (kind.radius * kind.radius)
    const offsets = pot.offset[g]!
    let taken = 0
    let asBelow = false
    for (let l = 0; l < layers; l++) {
      const at = offsets[l]!
      const available = pot.held[l]! / dryPerLayer
      const wetted = pot.wetted[l]!
      // Under water all layers are alike until it parts them: the next one does what this one did.
      const copies = asBelow && wetted === stroke.wetted && taken < stroke.available && taken <= available
      asBelow = l + 1 < layers && sameGrain(pot, at, offsets[l + 1]!)
      if (copies) {
        copyGrain(pot, offsets[l - 1]!, at)
      } else {
        stroke.available = available
        stroke.wetted = wetted
        taken = advanceKernel(kind, pot.uptake, pot.cooked, at, stroke)
      }
      pot.mean[g * layers + l]! += taken
      pot.held[l]! -= taken * dryPerLayer
      pot.freeG -= taken * dryPerLayer
    }
    if (pot.bulkC > SHARE_FROM_C && layers > 1) shareMoisture(pot, g, Math.min(1, SHARE_RATE * seconds))
  }
  if (pot.bulkC > SHARE_FROM_C && grains.length > 1)
    shareBetweenGrains(pot, Math.min(1, SHARE_RATE * seconds))
  if (pot.freeG < 1e-9) pot.freeG = 0
}

/** Whether two layers of one grain are alike in every shell. The outer ones part first. */
function sameGrain({ uptake, cooked, resolution }: Pot, a: number, b: number): boolean {
  for (let i = resolution.shells - 1; i >= 0; i--)
    if (uptake[a + i] !== uptake[b + i] || cooked[a + i] !== cooked[b + i]) return false
  return true
}

function copyGrain({ uptake, cooked, resolution }: Pot, from: number, to: number): void {
  for (let i = 0; i < resolution.shells; i++) {
    uptake[to + i] = uptake[from + i]!
    cooked[to + i] = cooked[from + i]!
  }
}

/** Grain warmed by steam is wetted by what condenses to warm it: its own heat over the latent heat. */
function condense(pot: Pot, rise: number): void {
  if (!(rise > 0)) return
  let heat = 0
  for (let g = 0; g < pot.setup.grains.length; g++) if (pot.present[g]) heat += grainHeat(pot, g)
  const g = Math.min(pot.boilerG, (heat * rise) / LATENT_HEAT)
  pot.boilerG -= g
  pot.freeG += g
  pot.condensedG += g
}

/**
 * Grain over steam, kept stirred, or lying moistened beside the pot: what was sprinkled on is spread through
 * all layers alike, and steam keeps the surface wet with what condenses out of the boiler.
 */
function drinkDamp(pot: Pot, seconds: number, contact: Contact): void {
  const { layers } = pot.resolution
  const { grains } = pot.setup
  lookUp(contact === 'aside' ? Math.min(ASIDE_C, pot.bulkC) : pot.bulkC)
  stroke.cooking = atTemperature.cooking * seconds
  const live =
    contact === 'steam' && pot.bulkC > SHARE_FROM_C && pot.boilerG > STEAM_TAKEN * seconds * pot.dryG
  for (let g = 0; g < grains.length; g++) {
    if (contact !== 'aside' && !pot.present[g]) continue
    const kind = pot.kinds[g]!
    const dryPerLayer = grains[g]!.dryG / layers
    stroke.spread = (atTemperature.diffusivity * seconds) / (kind.radius * kind.radius)
    for (let l = 0; l < layers; l++) {
      const damp = pot.freeG / (layers - l) / dryPerLayer / (grains.length - g)
      const wetted = Math.min(1, damp / (FULLY_DAMP * (pot.dryVoid[g]! / dryPerLayer)))
      stroke.wetted = live ? 1 : wetted
      stroke.available = live ? damp + STEAM_TAKEN * seconds : damp
      const taken = advanceKernel(kind, pot.uptake, pot.cooked, pot.offset[g]![l]!, stroke)
      pot.mean[g * layers + l]! += taken
      const sprinkled = Math.min(taken, damp) * dryPerLayer
      pot.freeG -= sprinkled
      const steam = taken * dryPerLayer - sprinkled
      pot.boilerG -= steam
      pot.condensedG += steam
    }
  }
  if (pot.freeG < 1e-9) pot.freeG = 0
}

/**
 * In a blend the outermost shells of the grains that touch even out as well, toward one share of what each
 * can hold: quick grain that has drunk the pot dry gives some of it up to the slow. Water is conserved in
 * each layer.
 */
function shareBetweenGrains(pot: Pot, share: number): void {
  const { layers } = pot.resolution
  const { grains } = pot.setup
  const room = shellRoom
  for (let l = 0; l < layers; l++) {
    let water = 0
    let most = 0
    for (let g = 0; g < grains.length; g++) {
      room[g] = 0
      if (!pot.present[g]) continue
      const kind = pot.kinds[g]!
      const at = pot.offset[g]![l]! + kind.shells - 1
      const weight = grains[g]!.dryG * kind.volume[kind.shells - 1]!
      room[g] = capacityOf(kind, pot.cooked[at]!)
      water += weight * pot.uptake[at]!
      most += weight * room[g]!
    }
    if (!(most > 0)) continue
    const fill = water / most
    for (let g = 0; g < grains.length; g++) {
      if (!(room[g]! > 0)) continue
      const kind = pot.kinds[g]!
      const at = pot.offset[g]![l]! + kind.shells - 1
      const gain = share * (fill * room[g]! - pot.uptake[at]!)
      pot.uptake[at]! += gain
      pot.mean[g * layers + l]! += gain * kind.volume[kind.shells - 1]!
    }
  }
}
const shellRoom = new Float64Array(8)

/**
 * Steam between the layers evens out the outer shells toward the layers' mean; layers weigh the same, so
 * water is conserved.
 */
function shareMoisture(pot: Pot, grain: number, share: number): void {
  const { layers } = pot.resolution
  const kind = pot.kinds[grain]!
  const offsets = pot.offset[grain]!
  for (let i = kind.shells - 1; i >= 0 && kind.outer[i]! > 0; i--) {
    let mean = 0
    for (let l = 0; l < layers; l++) mean += pot.uptake[offsets[l]! + i]!
    mean /= layers
    const move = share * kind.outer[i]!
    for (let l = 0; l < layers; l++) {
      const at = offsets[l]! + i
      const gain = move * (mean - pot.uptake[at]!)
      pot.uptake[at]! += gain
      pot.mean[grain * layers + l]! += gain * kind.volume[i]!
    }
  }
}
