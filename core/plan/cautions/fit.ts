import { pressureFill, SWOLLEN_SHARE, THINNEST_LAYER_MM } from '#core/vessel/fill-limits'
import { VESSEL_PRESET_IDS, vesselPreset, type VesselPresetId } from '#core/vessel/presets'
import { VESSEL_PRESETS } from '#core/vessel/presets'
import { roundTo } from '#core/units/rounding'
import { burnerHeats } from '#core/vessel/burner-heats'
import { MATERIALS } from '#core/vessel/materials'
import { isPressureCooker } from '#core/vessel/vessel'
import type { CautionInput, CautionRule } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

/** Makers' usual least liquid, mL. */
const MIN_LIQUID = 240
/** A batch is enlarged so many times at the most to reach the least liquid. */
const MAX_TIMES = 5
const DEEPEST_BED = 90

const litres = (ml: number) => `${roundTo(ml / 1000, 1)} L`

/** The smallest preset vessel of the same kind in which this filling has room. */
function roomierVessel(facts: CautionInput): VesselPresetId | undefined {
  const { gauges, request } = facts
  const limit = pressureLimit(facts)
  return VESSEL_PRESET_IDS.map((id) => ({ id, vessel: vesselPreset(id) }))
    .filter(({ vessel }) => vessel.kind === request.vessel.kind && vessel.capacity > request.vessel.capacity)
    .sort((a, b) => a.vessel.capacity - b.vessel.capacity)
    .find(
      ({ vessel }) =>
        gauges.swollen <= SWOLLEN_SHARE * vessel.capacity &&
        (limit === undefined ? gauges.froth <= vessel.capacity : gauges.fillLine <= limit * vessel.capacity),
    )?.id
}

function roomier(facts: CautionInput): Pick<Caution, 'remedy' | 'mend'> {
  const id = roomierVessel(facts)
  if (id) return { remedy: `Cook it in the ${VESSEL_PRESETS[id].name}.`, mend: { vessel: id } }
  const share = (SWOLLEN_SHARE * facts.request.vessel.capacity) / facts.gauges.swollen
  const limit = pressureLimit(facts)
  const fits = Math.min(
    share,
    limit === undefined ? 1 : (limit * facts.request.vessel.capacity) / facts.gauges.fillLine,
  )
  const grams = Math.floor((facts.dryG * fits * 0.95) / 5) * 5
  return {
    remedy: `Cook ${grams} g at a time, in two pots or in rounds.`,
    mend: { amount: { basis: 'dry-mass', value: grams } },
  }
}

const pressureLimit = ({ request, blend, method }: CautionInput): number | undefined =>
  pressureFill(request.vessel.kind, blend.frothing || method.stirred === true)

/** A dish under the basket gives its own liquid as steam. */
function dishUnder({
  name,
  liquid_g,
  top_up_g,
  steams_off_g,
}: NonNullable<CautionInput['boilerDish']>): Caution {
  const text = `Under the basket the ${name} steams off ${Math.round(steams_off_g)} g of its ${Math.round(liquid_g)} g of liquid`
  if (top_up_g < 1)
    return {
      code: 'dish-thickens',
      severity: 'note',
      about: 'fit',
      text: `${text} and thickens by that much; season it afterwards.`,
    }
  const enough = Math.ceil((liquid_g + top_up_g) / 10) * 10
  return {
    code: 'dish-runs-dry',
    severity: 'warn',
    about: 'fit',
    text: `${text}: with no more than that it catches before the grain is done.`,
    remedy: `Put ${Math.round(top_up_g)} g water into it first.`,
    mend: { boiler_dish: { name, liquid_g: enough } },
  }
}

const overFull: CautionRule = (facts) => {
  const { capacity } = facts.request.vessel
  const limit = pressureLimit(facts)
  if (limit === undefined || facts.gauges.fillLine <= limit * capacity) return
  const share = limit === 0.5 ? 'half' : 'a third'
  return {
    code: 'pressure-over-full',
    severity: 'stop',
    about: 'fit',
    text:
      `Too full: ${litres(facts.gauges.fillLine)} of the ${litres(limit * capacity)} allowed (${share} full). ` +
      'It could block the valve.',
    ...roomier(facts),
  }
}

const tooLittleLiquid: CautionRule = (facts) => {
  const { solution, clingingG, dryG } = facts
  const liquidG = solution.pourG + clingingG
  if (!isPressureCooker(facts.request.vessel.kind) || liquidG >= MIN_LIQUID) return
  const enough = Math.ceil((dryG * MIN_LIQUID) / Math.max(1, liquidG) / 10) * 10
  return {
    code: 'under-least-liquid',
    severity: 'stop',
    about: 'fit',
    text:
      `Too little water: ${Math.round(solution.pourG)} mL, and most pressure cookers need ${MIN_LIQUID} mL. ` +
      'Follow the manual.',
    // A batch many times as large is no way out: the bowl on its trivet is.
    ...(enough <= MAX_TIMES * dryG
      ? {
          remedy: `Cook ${enough} g, or put a bowl on a trivet over the minimum water.`,
          mend: { amount: { basis: 'dry-mass', value: enough } },
        }
      : { remedy: 'Put a bowl on a trivet over the minimum water.' }),
  }
}

const dishUnderBasket: CautionRule = ({ boilerDish }) => (boilerDish ? dishUnder(boilerDish) : undefined)

const swellsTooHigh: CautionRule = (facts) => {
  const { swollen, fillLine } = facts.gauges
  const { capacity } = facts.request.vessel
  if (swollen <= SWOLLEN_SHARE * capacity && fillLine <= capacity) return
  const how = swollen > capacity ? ' and runs over the rim' : '; over three quarters it cooks unevenly'
  return {
    code: 'swells-too-high',
    severity: swollen > capacity || fillLine > capacity ? 'stop' : 'warn',
    about: 'fit',
    text: `Too full: cooked, it fills ${litres(swollen)} of ${litres(capacity)}${how}.`,
    ...roomier(facts),
  }
}

/** What keeps the foam in the pot. */
function againstFoam(facts: CautionInput): Pick<Caution, 'remedy' | 'mend'> {
  const { request, gauges } = facts
  const hasRoom = gauges.fillLine * 1.15 <= request.vessel.capacity
  if (hasRoom && request.method === 'covered-simmer' && request.lidUntilBoil === 'on')
    return { remedy: 'Leave the lid ajar until it boils.', mend: { lid_until_boil: 'ajar' } }
  if (hasRoom && request.rinse.washes === 0)
    return { remedy: 'Rinse it: rinsed grain foams less.', mend: { rinse: { washes: 3, drain: 'sieve' } } }
  return roomier(facts)
}

const boilsOver: CautionRule = (facts) => {
  const { capacity } = facts.request.vessel
  const { froth, fillLine } = facts.gauges
  if (isPressureCooker(facts.request.vessel.kind) || froth <= capacity || fillLine > capacity) return
  return {
    code: 'boils-over',
    severity: 'warn',
    about: 'fit',
    text: `At the boil starch foam reaches ${litres(froth)}; the rim is at ${litres(capacity)}.`,
    ...againstFoam(facts),
  }
}

const layerTooThin: CautionRule = (facts) => {
  const { method, request, gauges } = facts
  const absorbsInPot = method.water === 'pot' && !method.stirred && !method.bowl
  if (!absorbsInPot || request.vessel.kind === 'oven-dish' || isPressureCooker(facts.request.vessel.kind))
    return
  if (gauges.bedDepth >= THINNEST_LAYER_MM) return
  return {
    code: 'bed-too-thin',
    severity: 'warn',
    about: 'fit',
    text:
      `Too little grain for this pot: ${roundTo(gauges.bedDepth, 1)} mm deep. ` +
      `Under ${THINNEST_LAYER_MM} mm it dries before it is cooked.`,
    remedy: 'Use a narrower pot or cook more.',
  }
}

const layerTooDeep: CautionRule = ({ method, gauges }) => {
  if (method.stirred || gauges.bedDepth <= DEEPEST_BED) return
  return {
    code: 'bed-too-deep',
    severity: 'warn',
    about: 'fit',
    text:
      `The grain is ${Math.round(gauges.bedDepth)} mm deep; ` +
      `over ${DEEPEST_BED} mm the top and bottom cook unevenly.`,
    remedy: 'Use a wider pot, or two.',
  }
}

/** Induction heats the pot itself, and only one that a magnet holds to. */
const notOnInduction: CautionRule = ({ request: { vessel, source } }) => {
  if (burnerHeats(source, vessel)) return
  return {
    code: 'not-on-induction',
    severity: 'stop',
    about: 'fit',
    text: `Induction does not heat ${MATERIALS[vessel.material!].word}: a magnet must hold to the base.`,
    remedy: 'Use another burner or another pot.',
  }
}

/** Whether the batch fits the pot. */
export const FIT_RULES: readonly CautionRule[] = [
  notOnInduction,
  overFull,
  tooLittleLiquid,
  dishUnderBasket,
  swellsTooHigh,
  boilsOver,
  layerTooThin,
  layerTooDeep,
]
