import { uptakeAt } from '#core/grain/texture'
import { blendOf } from '#core/grain/blend'
import { millilitres, millimetres } from '#core/units/units'
import { SERVING_G } from '#core/plan/amount'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { bedDepthOf, depthOfPour, type PourContext } from '#core/vessel/pour-gauges'
import { levelOf, volumeAt } from '#core/vessel/shape'
import { total, type Breakdown, type BreakdownTerm, type Sum } from './pour'

/** Appetites differ by about this share from the usual portion. */
const APPETITE = 0.15
/** A level cup holds more or less by this share, by how it was filled. */
const CUP = 0.05
/** Uptake and the density of what is cooked differ from lot to lot by about these shares. */
const LOT = 0.06
const DENSITY = 0.08
const SCALE_G = 2
/** Voids between kernels, and bulk density, differ by about this share of their volume. */
const VOIDS = 0.04
const CLING = 0.25

const term = (
  word: string,
  value: number,
  from: BreakdownTerm['from'],
  sure: number,
  unit: BreakdownTerm['unit'] = 'g',
): BreakdownTerm => ({ word, value, unit, from, sure })
/** What is too small to say, and what was rounded, still counts. */
const upTo = (terms: readonly BreakdownTerm[], figure: number, unit: BreakdownTerm['unit'] = 'g'): Sum => {
  const said = terms.filter(({ value }) => Math.abs(value) >= 0.5)
  const sum = total(said)
  const rest = figure - sum.total
  return {
    ...sum,
    terms: Math.abs(rest) >= 0.5 ? [...said, term('rounding', rest, 'computed', 0, unit)] : said,
    total: figure,
  }
}

/** The dry grain as the sum it is: who eats, what is kept, what the pot keeps for itself. */
export function whyGrain(request: PlanRequest, { grain }: Plan): Breakdown {
  const { basis, value, serving } = request.amount
  const blend = blendOf(request.grains)
  const stuck = request.stuckG / (1 + uptakeAt(blend.uptake, request.texture))
  const saved = basis === 'servings' ? request.keepServings * SERVING_G[serving] : 0
  const eaten = grain.mass_g - stuck - saved
  const each = serving === 'side' ? 'as a side' : 'as a main'
  const first = {
    servings: term(
      `${Number(value.toFixed(1))} portions ${each}, ${SERVING_G[serving]} g each`,
      eaten,
      'published',
      APPETITE * eaten,
    ),
    'dry-mass': term('what you asked for', eaten, 'you', SCALE_G),
    'dry-volume': term(
      `${Math.round(value)} mL of it, ${blend.bulkDensity.toFixed(2)} g a mL`,
      eaten,
      'published',
      CUP * eaten,
    ),
    'cooked-mass': term(`so that ${Math.round(value)} g are cooked of it`, eaten, 'computed', LOT * eaten),
    'cooked-volume': term(
      `so that ${Math.round(value)} mL are cooked of it`,
      eaten,
      'computed',
      DENSITY * eaten,
    ),
  }[basis]
  const sum = upTo(
    [
      first,
      term(`${request.keepServings} portions to keep`, saved, 'you', 0),
      term('stays stuck in this pot', stuck, 'this pot', 0.3 * stuck),
    ],
    grain.mass_g,
  )
  const says = {
    servings: `A portion ${each} is ${SERVING_G[serving]} g of dry grain.`,
    'dry-mass': 'You asked for this weight.',
    'dry-volume': `A litre of it, dry, weighs ${Math.round(1000 * blend.bulkDensity)} g.`,
    'cooked-mass': `Cooked, 100 g of it weighs ${Math.round((100 * value) / eaten)} g.`,
    'cooked-volume': `Cooked, 100 g of it fills ${Math.round((100 * value) / eaten)} mL.`,
  }[basis]
  return { ...sum, says }
}

/** What comes out of the pot: the grain, and the water that is in it and on it. */
export function whyCooked(plan: Plan): Breakdown {
  const { grain, water, yield: out } = plan
  const sum = upTo(
    [
      term('dry grain', grain.mass_g, 'you', SCALE_G),
      term('water absorbed', water.absorbed_g, 'computed', LOT * water.absorbed_g),
      term(
        'water left between',
        out.cooked_mass_g - grain.mass_g - water.absorbed_g,
        'computed',
        0.2 * water.left_in_pot_g,
      ),
    ],
    out.cooked_mass_g,
  )
  return {
    ...sum,
    says: `Each 100 g of dry grain comes out as ${Math.round((100 * out.cooked_mass_g) / grain.mass_g)} g, with the water in it and on it.`,
  }
}

/**
 * How deep the water stands over the grain, mm: what was poured and what clings stand on this pot's floor,
 * less what fills the gaps between the kernels.
 */
export function whyDepth(context: PourContext, pourG: number): Breakdown {
  const { shape, blend, clingingG } = context
  const bedMm = bedDepthOf(context)
  const bedMl = volumeAt(shape, millimetres(bedMm))
  const gapsMl = blend.voidShare * bedMl
  const over = depthOfPour(context, pourG)
  // Each share of the water, by the height it has in the slice it stands in.
  const height = (ml: number) => levelOf(shape, millilitres(bedMl + ml)) - bedMm
  const perMl = pourG + clingingG - gapsMl > 0 ? over / (pourG + clingingG - gapsMl) : height(100) / 100
  const sum = upTo(
    [
      term(`${Math.round(pourG)} g poured, in this pot`, pourG * perMl, 'you', SCALE_G * perMl, 'mm'),
      term(
        'rinse water already on the grain',
        clingingG * perMl,
        'published',
        CLING * clingingG * perMl,
        'mm',
      ),
      term('runs in between the kernels', -gapsMl * perMl, 'published', VOIDS * bedMl * perMl, 'mm'),
    ],
    over,
    'mm',
  )
  return {
    ...sum,
    says: `${Math.round(gapsMl)} mL fills the gaps between the kernels; the rest stands over them.`,
  }
}
