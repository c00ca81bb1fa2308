import type { Facts } from '#core/plan/facts'
import type { Caution } from '#core/plan/result'

const CHALKY_BELOW = 0.8
const COOKED_FROM = 0.9
/** K·s at the bottom. */
const SCORCHED_FROM = 1800
const SHORTEST_REST = 5
/** Members of a blend further apart than this need a plan of their own, minutes at 100 °C. */
const BLEND_SPREAD = 6

export function textureCautions({ request, blend, solution, dryG, shortG }: Facts): Caution[] {
  const found: Caution[] = []
  const { course } = solution
  const own = request.pourOverrideG !== null
  const asSolved = { remedy: 'Pour what the plan works out.', mend: { pour_override_g: null } }
  if (own && shortG > 0)
    found.push({
      code: 'too-little-water',
      severity: shortG > 0.25 * dryG ? 'stop' : 'warn',
      about: 'texture',
      text: `${Math.round(shortG)} g short of firm: it will be dry and may stay hard.`,
      ...asSolved,
    })
  if (own && solution.leftG > 0.5) {
    const soggy = solution.leftG > 0.06 * (dryG + solution.absorbedG)
    found.push({
      code: soggy ? 'soggy' : 'wet',
      severity: 'warn',
      about: 'texture',
      text: `${Math.round(solution.leftG)} g of water stays in the pot, between the grains.`,
      ...asSolved,
    })
  }
  if (course.scorch > SCORCHED_FROM)
    found.push({
      code: 'scorches',
      severity: 'warn',
      about: 'texture',
      text: 'The bottom runs dry and scorches before the end.',
      ...(own ? asSolved : { remedy: 'Use a weaker burner or a heavier pot.' }),
    })
  if (course.centre < COOKED_FROM)
    found.push({
      code: course.centre < CHALKY_BELOW ? 'chalky' : 'firm-centred',
      severity: course.centre < CHALKY_BELOW ? 'stop' : 'warn',
      about: 'texture',
      text:
        course.centre < CHALKY_BELOW
          ? 'The centres stay raw and chalky.'
          : 'The centres stay firm: it is not quite cooked through.',
      ...(own
        ? asSolved
        : request.method === 'switch-cooker'
          ? { remedy: 'Soak it first, so that it needs less time than its water gives.', mend: { soak: { minutes: 120, celsius: request.kitchenC, water: 'drain' } } }
          : {}),
    })
  if (request.restMinutes < SHORTEST_REST && !request.method.startsWith('pressure'))
    found.push({
      code: 'short-rest',
      severity: 'note',
      about: 'texture',
      text: `With ${request.restMinutes} minutes of rest the top stays wetter than the bottom.`,
      remedy: 'Let it stand 10 minutes, lid on.',
      mend: { rest_minutes: 10 },
    })
  if (blend.spreadMinutes > BLEND_SPREAD) {
    const fastest = blend.parts.map((p) => p.variety).reduce((a, b) => (b.minutesAt100 < a.minutesAt100 ? b : a))
    found.push({
      code: 'blend-times-apart',
      severity: 'warn',
      about: 'timing',
      text: `${blend.slowest.name} needs about ${Math.round(blend.spreadMinutes)} minutes longer at the boil than ${fastest.name.toLowerCase()}; the plan waits for the slower, so the quicker ends softer.`,
      remedy: `Soak the ${blend.slowest.name.toLowerCase()} for a few hours first, or add the ${fastest.name.toLowerCase()} about ${Math.round(blend.spreadMinutes)} minutes later.`,
    })
  }
  if (request.release === 'quick' && request.method.startsWith('pressure') && blend.parts.some((p) => p.variety.skin >= 0.5))
    found.push({
      code: 'quick-release-texture',
      severity: 'note',
      about: 'texture',
      text: 'Pressure let out at once makes soft grain foam and split.',
      remedy: 'Let it fall by itself for 10 minutes first.',
      mend: { release: 'timed', release_minutes: 10 },
    })
  return found
}
