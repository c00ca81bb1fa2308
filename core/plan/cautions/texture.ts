import { bulkVolume, cookMinutes, type Blend } from '#core/grain/blend'
import { grams } from '#core/units/units'
import { CENTRE_CHALKY, CENTRE_THROUGH, FRIDGE_C, SCORCHED_KS, SOGGY_FREE } from '#core/constants'
import { PACKAGE_RATIOS } from '#core/grain/package-ratios'
import { inWords, verbFor, type VarietyId } from '#core/grain/varieties'
import { roundTo } from '#core/units/rounding'
import { celsius } from '#core/units/units'
import { soakVerdict, soakWindow } from '#core/water/soak-window'
import type { CautionInput } from '#core/plan/caution-input'
import type { Soak } from '#core/plan/request'
import type { Caution } from '#core/plan/result'
import { BLEND_SPREAD_MINUTES, isSlow } from '#core/plan/soaked'

const MIN_REST = 5
/** A stage solved for a bite ends within this of it. */
const BITE_MARGIN = 0.03
/** Held for less than this, grain has done its cooking on the way up, minutes. */
const SPENT_COMING_UP = 2
/** Quicker than this it needs no luck off the heat, minutes at 100 °C. */
const QUICK_MINUTES = 6
/** Less than this share of firm is too dry to enjoy. */
const DRY_STEAM = 0.85
const heldMinutes = (stages: CautionInput['stages']): number =>
  stages.find((s) => s.kind === 'pressure')?.minutes.expected ?? 0
/** Salt over what was asked that a tongue notices, g. */
const SALT_OVER_G = 0.5

export function textureCautions({
  request,
  blend,
  solution,
  dryG,
  shortG,
  timed,
  seasoning,
  method,
  goal,
  stages,
}: CautionInput): Caution[] {
  const found: Caution[] = []
  const { course } = solution
  const own = request.pourOverrideG !== null
  const asSolved = { remedy: 'Use the planned water.', mend: { pour_override_g: null } }
  if (own && shortG > 0)
    found.push({
      code: 'too-little-water',
      severity: shortG > 0.25 * dryG ? 'stop' : 'warn',
      about: 'texture',
      text: `${Math.round(shortG)} g too little water: dry and perhaps hard.`,
      ...asSolved,
    })
  if (own && solution.leftG > 0.5 && (method.water === 'pot' || method.water === 'stock')) {
    const soggy = solution.leftG > SOGGY_FREE * (dryG + solution.absorbedG)
    found.push({
      code: soggy ? 'soggy' : 'wet',
      severity: 'warn',
      about: 'texture',
      text: `${Math.round(solution.leftG)} g of water will be left over.`,
      ...asSolved,
    })
  }
  if (course.scorch > SCORCHED_KS)
    found.push({
      code: 'scorches',
      severity: 'warn',
      about: 'texture',
      text: 'The bottom dries out and scorches.',
      ...(own ? asSolved : { remedy: 'Use a weaker burner or a heavier pot.' }),
    })
  // Grain drained or served with a bite is meant to have one.
  const through = Math.min(CENTRE_THROUGH, goal.centre - BITE_MARGIN)
  if (course.centre < through)
    found.push({
      code: course.centre < Math.min(CENTRE_CHALKY, through) ? 'chalky' : 'firm-centred',
      severity: course.centre < Math.min(CENTRE_CHALKY, through) ? 'stop' : 'warn',
      about: 'texture',
      text:
        course.centre < Math.min(CENTRE_CHALKY, through)
          ? 'The centres stay raw and chalky.'
          : 'The centres stay firm: it is not quite cooked through.',
      ...(own
        ? asSolved
        : request.method === 'switch-cooker'
          ? {
              remedy: 'Soak it first, so that it needs less time than its water gives.',
              mend: { soak: { minutes: 120, celsius: request.kitchenC, water: 'drain' } },
            }
          : {}),
    })
  if (method.id === 'off-heat' && course.outcome === 'done' && cookMinutes(blend.slowest) > QUICK_MINUTES)
    found.push({
      code: 'off-heat-risk',
      severity: 'warn',
      about: 'texture',
      text: 'It cooks by stored heat: a lifted lid, a draught or a cold kitchen leaves firm centres.',
      remedy: 'Keep it on the lowest heat instead, covered.',
      mend: { method: 'covered-simmer' },
    })
  if (method.basket && !method.bowl && solution.absorbedG / dryG < blend.uptake.firm * DRY_STEAM)
    found.push({
      code: 'steamed-dry',
      severity: 'warn',
      about: 'texture',
      text: `Steam alone gives ${roundTo(solution.absorbedG / dryG, 2)} g water per gram; firm needs ${roundTo(blend.uptake.firm, 2)}.`,
      ...(request.soak === null
        ? { remedy: 'Soak it first.', mend: { soak: { minutes: 480, celsius: FRIDGE_C, water: 'drain' } } }
        : { remedy: 'Sprinkle it and steam it in passes.', mend: { method: 'steam-passes' } }),
    })
  if (!own && method.water === 'pot' && method.pourSetsTexture && !method.bowl)
    found.push(...underPackages(blend, solution.pourG / bulkVolume(blend, grams(dryG))))
  if (request.restMinutes < MIN_REST && method.evensInRest)
    found.push({
      code: 'short-rest',
      severity: 'note',
      about: 'texture',
      text: `After ${request.restMinutes} min rest the top is still wetter.`,
      remedy: 'Let it rest 10 minutes, lid on.',
      mend: { rest_minutes: 10 },
    })
  if (blend.spreadMinutes > BLEND_SPREAD_MINUTES) found.push(blendCaution(request, blend, timed))
  if (seasoning.saltOverG > SALT_OVER_G)
    found.push({
      code: 'salted-by-itself',
      severity: 'note',
      about: 'texture',
      text: `Stock and add-ins bring ${roundTo(seasoning.saltInStockG + seasoning.saltInAddInsG, 1)} g of salt, ${roundTo(seasoning.saltOverG, 1)} g more than asked: add none.`,
      remedy: 'Take more water and less stock.',
      mend: {
        stock_share: Math.max(
          0,
          roundTo(
            request.stockShare *
              (seasoning.saltWantedG / Math.max(1e-9, seasoning.saltInStockG + seasoning.saltInAddInsG)),
            2,
          ),
        ),
      },
    })
  if (request.soak && request.soak.minutes > 0) found.push(...soakCautions(request.soak, blend))
  if (
    request.release === 'quick' &&
    request.method.startsWith('pressure') &&
    heldMinutes(stages) > SPENT_COMING_UP &&
    blend.parts.some((p) => p.variety.skin >= 0.5)
  )
    found.push({
      code: 'quick-release-texture',
      severity: 'note',
      about: 'texture',
      text: 'Quick release makes soft grain foam and split.',
      remedy: 'Let the pressure fall by itself for 10 minutes first.',
      mend: { release: 'timed', release_minutes: 10 },
    })
  return found
}

/** A pour so far under the printed ratio is explained, as a share of it. */
const WELL_UNDER = 0.85

/** Why this pour is less than packages print.  @param ratio poured over dry grain, by volume */
function underPackages(blend: Blend, ratio: number): Caution[] {
  const printed = blend.parts.map((p) => PACKAGE_RATIOS[p.variety.id as VarietyId])
  if (printed.some((r) => r === undefined)) return []
  const usual = blend.parts.reduce((sum, p, i) => sum + p.share * printed[i]!, 0)
  if (ratio > usual * WELL_UNDER) return []
  return [
    {
      code: 'less-than-packages',
      severity: 'note',
      about: 'texture',
      text: `Packages often print ${roundTo(usual * 4, 0) / 4} to 1 by volume; here it is ${roundTo(ratio, 2)}. That is for dry grain and a pot that boils off more; this pot keeps more of its steam.`,
    },
  ]
}

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

/** A soak too short to matter, or so long that the grain breaks. Souring is a matter of safety and said there. */
function soakCautions(soak: Soak, blend: Blend): Caution[] {
  const { variety } = blend.parts.reduce((a, b) => (b.variety.skin < a.variety.skin ? b : a))
  const window = soakWindow(variety, celsius(soak.celsius))
  const verdict = soakVerdict(window, soak.minutes)
  const minutes = Math.round(Math.min(window.from, window.fragileFrom) / 5) * 5
  if (verdict === 'fragile')
    return [
      {
        code: 'soak-fragile',
        severity: 'warn',
        about: 'texture',
        text: `Soaked this long, the ${inWords(variety)} ${verbFor([variety], 'breaks', 'break')} easily: handle gently, or soak for less time.`,
        remedy: `Soak it ${minutes} minutes.`,
        mend: { soak: { minutes, celsius: soak.celsius, water: soak.water } },
      },
    ]
  return []
}
