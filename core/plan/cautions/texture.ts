import { bulkVolume, cookMinutes, type Blend, BLEND_SPREAD_MINUTES, isSlow } from '#core/grain/blend'
import { grams, celsius } from '#core/units/units'
import { CENTRE_CHALKY, CENTRE_THROUGH, FRIDGE_C, SCORCHED_KS, SOGGY_FREE } from '#core/constants'
import { PACKAGE_RATIOS } from '#core/grain/package-ratios'
import { inWords, verbFor, type VarietyId } from '#core/grain/varieties'
import { roundTo } from '#core/units/rounding'
import { soakVerdict, soakWindow } from '#core/water/soak-window'
import type { CautionInput, CautionRule } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

const MIN_REST = 5
/** A stage solved for a bite ends within this of it. */
const BITE_MARGIN = 0.03
/** Held for less than this, grain has done its cooking on the way up, minutes. */
const SPENT_COMING_UP = 2
/** Quicker than this it needs no luck off the heat, minutes at 100 °C. */
const QUICK_MINUTES = 6
/** Less than this share of firm is too dry to enjoy. */
const DRY_STEAM = 0.85
/** A pour so far under the printed ratio is explained, as a share of it. */
const WELL_UNDER = 0.85
/** Salt over what was asked that a tongue notices, g. */
const SALT_OVER_G = 0.5

/** Quick and slow in one pot: what the plan does about it, or what it could. */
function blendCaution(request: CautionInput['request'], blend: Blend, timed: CautionInput['timed']): Caution {
  const of = (slow: boolean) => blend.parts.filter((p) => isSlow(p, blend) === slow).map((p) => p.variety)
  const names = (slow: boolean) => of(slow).map(inWords).join(' and ')
  const verb = (slow: boolean, one: string, many: string) => verbFor(of(slow), one, many)
  const apart = Math.round(blend.spreadMinutes)
  const base = { code: 'blend-times-apart', about: 'timing' } as const
  if (timed.addAfter !== undefined)
    return {
      ...base,
      severity: 'note',
      text: `The ${names(false)} ${verb(false, 'goes', 'go')} in ${timed.addAfter} minutes after the boil, so that all of it is done at one time.`,
    }
  const open = request.method === 'covered-simmer'
  if (request.blendTiming === 'soak-slow' && request.soak)
    return {
      ...base,
      severity: 'note',
      text: `Only the ${names(true)} ${verb(true, 'is', 'are')} soaked; the ${names(false)} ${verb(false, 'ends', 'end')} slightly softer.`,
      ...(open
        ? { remedy: `Add the ${names(false)} later instead.`, mend: { blend_timing: 'add-later' } }
        : {}),
    }
  return {
    ...base,
    severity: 'warn',
    text: `The ${names(true)} ${verb(true, 'needs', 'need')} about ${apart} minutes longer at the boil than the ${names(false)}; the plan waits for the slower, so the quicker ends softer.`,
    remedy: open
      ? `Add the ${names(false)} about ${apart} minutes later, or soak the ${names(true)} for a few hours first.`
      : `Soak the ${names(true)} for a few hours first.`,
    mend: open
      ? { blend_timing: 'add-later' }
      : { blend_timing: 'soak-slow', soak: { minutes: 480, celsius: FRIDGE_C, water: 'drain' } },
  }
}

const AS_PLANNED: Pick<Caution, 'remedy' | 'mend'> = {
  remedy: 'Use the planned water.',
  mend: { pour_override_g: null },
}

const tooLittleWater: CautionRule = ({ request, shortG, dryG }) => {
  if (request.pourOverrideG === null || shortG <= 0) return
  return {
    code: 'too-little-water',
    severity: shortG > 0.25 * dryG ? 'stop' : 'warn',
    about: 'texture',
    text: `${Math.round(shortG)} g too little water: dry and perhaps hard.`,
    ...AS_PLANNED,
  }
}

const tooMuchWater: CautionRule = ({ request, solution, method, dryG }) => {
  if (request.pourOverrideG === null || solution.leftG <= 0.5) return
  if (method.water !== 'pot' && method.water !== 'stock') return
  const soggy = solution.leftG > SOGGY_FREE * (dryG + solution.absorbedG)
  return {
    code: soggy ? 'soggy' : 'wet',
    severity: 'warn',
    about: 'texture',
    text: `${Math.round(solution.leftG)} g of water will be left over.`,
    ...AS_PLANNED,
  }
}

const scorches: CautionRule = ({ request, solution }) => {
  if (solution.course.scorch <= SCORCHED_KS) return
  return {
    code: 'scorches',
    severity: 'warn',
    about: 'texture',
    text: 'The bottom dries out and scorches.',
    ...(request.pourOverrideG !== null ? AS_PLANNED : { remedy: 'Use a weaker burner or a heavier pot.' }),
  }
}

const hardCentres: CautionRule = ({ request, solution: { course }, goal }) => {
  // Grain drained or served with a bite is meant to have one.
  const through = Math.min(CENTRE_THROUGH, goal.centre - BITE_MARGIN)
  if (course.centre >= through) return
  const chalky = course.centre < Math.min(CENTRE_CHALKY, through)
  const soakFirst = {
    remedy: 'Soak it first, so that it needs less time than its water gives.',
    mend: { soak: { minutes: 120, celsius: request.kitchenC, water: 'drain' as const } },
  }
  return {
    code: chalky ? 'chalky' : 'firm-centred',
    severity: chalky ? 'stop' : 'warn',
    about: 'texture',
    text: chalky
      ? 'The centres stay raw and chalky.'
      : 'The centres stay firm: it is not quite cooked through.',
    ...(request.pourOverrideG !== null ? AS_PLANNED : request.method === 'switch-cooker' ? soakFirst : {}),
  }
}

const residualHeatRisk: CautionRule = ({ method, solution, blend }) => {
  if (method.id !== 'off-heat' || solution.course.outcome !== 'done') return
  if (cookMinutes(blend.slowest) <= QUICK_MINUTES) return
  return {
    code: 'off-heat-risk',
    severity: 'warn',
    about: 'texture',
    text: 'It cooks by stored heat: a lifted lid, a draught or a cold kitchen leaves firm centres.',
    remedy: 'Keep it on the lowest heat instead, covered.',
    mend: { method: 'covered-simmer' },
  }
}

const steamedDry: CautionRule = ({ request, method, solution, blend, dryG }) => {
  if (!method.basket || method.bowl || solution.absorbedG / dryG >= blend.uptake.firm * DRY_STEAM) return
  return {
    code: 'steamed-dry',
    severity: 'warn',
    about: 'texture',
    text:
      `Steam alone gives ${roundTo(solution.absorbedG / dryG, 2)} times its weight in water; ` +
      `firm needs ${roundTo(blend.uptake.firm, 2)}.`,
    ...(request.soak === null
      ? {
          remedy: 'Soak it first.',
          mend: { soak: { minutes: 480, celsius: FRIDGE_C, water: 'drain' as const } },
        }
      : { remedy: 'Sprinkle it and steam it in passes.', mend: { method: 'steam-passes' } }),
  }
}

/** Why this pour is less than packages print. */
const lessThanPackages: CautionRule = ({ request, method, solution, blend, dryG }) => {
  if (request.pourOverrideG !== null || method.water !== 'pot' || !method.pourSetsTexture || method.bowl)
    return
  const ratioByVolume = solution.pourG / bulkVolume(blend, grams(dryG))
  const printed = blend.parts.map((p) => PACKAGE_RATIOS[p.variety.id as VarietyId])
  if (printed.some((r) => r === undefined)) return
  const usual = blend.parts.reduce((sum, p, i) => sum + p.share * printed[i]!, 0)
  if (ratioByVolume > usual * WELL_UNDER) return
  return {
    code: 'less-than-packages',
    severity: 'note',
    about: 'texture',
    text:
      `Packages often print ${roundTo(usual * 4, 0) / 4} to 1 by volume; here it is ${roundTo(ratioByVolume, 2)}. ` +
      'That is for dry grain and a pot that boils off more; this pot keeps more of its steam.',
  }
}

const shortRest: CautionRule = ({ request, method }) => {
  if (request.restMinutes >= MIN_REST || !method.evensInRest) return
  return {
    code: 'short-rest',
    severity: 'note',
    about: 'texture',
    text: `After ${request.restMinutes} min rest the top is still wetter.`,
    remedy: 'Let it rest 10 minutes, lid on.',
    mend: { rest_minutes: 10 },
  }
}

const blendTimesApart: CautionRule = ({ request, blend, timed }) =>
  blend.spreadMinutes > BLEND_SPREAD_MINUTES ? blendCaution(request, blend, timed) : undefined

const saltedByStock: CautionRule = ({ request, seasoning }) => {
  if (seasoning.saltOverG <= SALT_OVER_G) return
  const saltAlreadyG = seasoning.saltInStockG + seasoning.saltInAddInsG
  const share = request.stockShare * (seasoning.saltWantedG / Math.max(1e-9, saltAlreadyG))
  return {
    code: 'salted-by-itself',
    severity: 'note',
    about: 'texture',
    text:
      `Stock and add-ins bring ${roundTo(saltAlreadyG, 1)} g of salt, ` +
      `${roundTo(seasoning.saltOverG, 1)} g more than asked: add none.`,
    remedy: 'Take more water and less stock.',
    mend: { stock_share: Math.max(0, roundTo(share, 2)) },
  }
}

/** A soak so long that the grain breaks. Souring is a matter of safety and said there. */
const soakedFragile: CautionRule = ({ request: { soak }, blend }) => {
  if (!soak || soak.minutes <= 0) return
  const { variety } = blend.parts.reduce((a, b) => (b.variety.skin < a.variety.skin ? b : a))
  const window = soakWindow(variety, celsius(soak.celsius))
  if (soakVerdict(window, soak.minutes) !== 'fragile') return
  const minutes = Math.round(Math.min(window.from, window.fragileFrom) / 5) * 5
  return {
    code: 'soak-fragile',
    severity: 'warn',
    about: 'texture',
    text:
      `Soaked this long, the ${inWords(variety)} ${verbFor([variety], 'breaks', 'break')} easily: ` +
      'handle gently, or soak for less time.',
    remedy: `Soak it ${minutes} minutes.`,
    mend: { soak: { minutes, celsius: soak.celsius, water: soak.water } },
  }
}

const quickRelease: CautionRule = ({ request, stages, blend }) => {
  if (request.release !== 'quick' || !request.method.startsWith('pressure')) return
  const heldMinutes = stages.find((s) => s.kind === 'pressure')?.minutes.expected ?? 0
  if (heldMinutes <= SPENT_COMING_UP || !blend.parts.some((p) => p.variety.skin >= 0.5)) return
  return {
    code: 'quick-release-texture',
    severity: 'note',
    about: 'texture',
    text: 'Quick release makes soft grain foam and split.',
    remedy: 'Let the pressure fall by itself for 10 minutes first.',
    mend: { release: 'timed', release_minutes: 10 },
  }
}

/** What the grain ends like, and what changes it. */
export const TEXTURE_RULES: readonly CautionRule[] = [
  tooLittleWater,
  tooMuchWater,
  scorches,
  hardCentres,
  residualHeatRisk,
  steamedDry,
  lessThanPackages,
  shortRest,
  blendTimesApart,
  saltedByStock,
  soakedFragile,
  quickRelease,
]
