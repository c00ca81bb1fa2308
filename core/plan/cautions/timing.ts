import { cookMinutes } from '#core/grain/blend'
import { isPressureCooker } from '#core/vessel/vessel'
import type { CautionInput, CautionRule } from '#core/plan/caution-input'
import type { Stage } from '#core/plan/result'

const SLOW_TO_BOIL = 25
/** From here the minutes are noticeably longer, m. */
const THIN_AIR_M = 600
const WORTH_TELLING_MIN = 0.75

const LONG_MIN = 10
/** With less than this between done and spoilt a plan says so, minutes. */
const MIN_ROOM_MIN = 1

/**
 * How much longer the solved stage is than at sea level, minutes: by the unsoaked grain's own time at both
 * temperatures.
 */
function longerUpHere(
  stages: CautionInput['timed']['stages'],
  { course }: CautionInput['solution'],
  { slowest }: CautionInput['blend'],
  boilC: number,
): number {
  const at = stages.findIndex((stage) => stage.until === 'solved' && stage.surroundC === undefined)
  return at < 0 ? 0 : course.minutes[at]! * (1 - cookMinutes(slowest) / cookMinutes(slowest, boilC))
}

const STRONGER_BURNER = { remedy: 'Move it to a stronger burner, or cook less at a time.' }

/** Whether every stage that waits for an event of boiling or sealing ended by it. */
const boils = ({ timed, solution }: CautionInput): boolean =>
  !timed.stages.some(
    (stage, i) =>
      stage.until !== 'solved' &&
      'event' in stage.until &&
      stage.until.event !== 'toasted' &&
      stage.until.event !== 'unsealed' &&
      !solution.course.ended[i],
  )

const neverBoils: CautionRule = (facts) => {
  if (boils(facts)) return
  const base = { code: 'never-boils', severity: 'stop', about: 'timing' } as const
  if (!facts.request.method.startsWith('pressure'))
    return { ...base, text: 'This burner is too weak to boil this pot.', ...STRONGER_BURNER }
  return {
    ...base,
    text: 'The grain absorbs the water before the lid can seal.',
    remedy: 'Cook it in a covered pot.',
    mend: { method: 'covered-simmer', vessel: 'heavy-2.5', heat: 'gas-medium' },
  }
}

const slowToBoil: CautionRule = (facts) => {
  const heatUp = facts.stages.find(
    (stage) => (stage.kind === 'heat-up' && stage.id !== 'kettle') || stage.kind === 'pressure-up',
  )
  if (!heatUp || heatUp.minutes.expected <= SLOW_TO_BOIL || facts.method.stirred || !boils(facts)) return
  return {
    code: 'slow-to-boil',
    severity: 'warn',
    about: 'timing',
    text: `${Math.round(heatUp.minutes.expected)} min to boil: the bottom cooks before the top.`,
    ...STRONGER_BURNER,
  }
}

const neverDone: CautionRule = (facts) => {
  const { solution, timed, request } = facts
  if (solution.course.outcome !== 'never' || !boils(facts)) return
  const capped = timed.stages.find((stage) => stage.atMost !== undefined)
  if (!capped)
    return {
      code: 'never-done',
      severity: 'stop',
      about: 'timing',
      text: 'On this heat the grain does not cook through in four hours.',
      ...STRONGER_BURNER,
    }
  return {
    code: 'not-enough-warmth',
    severity: 'stop',
    about: 'timing',
    text:
      `This pot cools too fast for this grain: ${capped.atMost} min boiling and ` +
      `${request.restMinutes} min rest are not enough.`,
    remedy: 'Keep it on the lowest heat, covered.',
    mend: { method: 'covered-simmer' },
  }
}

/** The heated stage whose minutes are solved and whose end is the dry bottom, where there is one. */
function stageThatDries(facts: CautionInput): Stage | undefined {
  const { method, solution, timed, stages } = facts
  const inPotsWater = method.water === 'pot' && !method.bowl && !method.stirred
  if (!inPotsWater || solution.course.outcome !== 'done' || !boils(facts)) return undefined
  // Minutes of the cook's own are judged as a whole, not by their margin.
  if (timed.stages.some((s) => s.cooksOn) || Object.keys(facts.request.ownMinutes).length > 0)
    return undefined
  const solved = timed.stages.filter(
    (s) => s.until === 'solved' && s.exact !== true && s.mode === 'open' && s.powerW > 0,
  )
  return stages.find((stage) => solved.some((s) => s.id === stage.id))
}

const noTimeToSpare: CautionRule = (facts) => {
  const { minutes } = stageThatDries(facts) ?? {}
  if (!minutes || minutes.expected <= 2 || minutes.high - minutes.expected >= MIN_ROOM_MIN) return
  const onLowest = facts.request.heatStyle === 'boil-then-lowest'
  return {
    code: 'no-time-to-spare',
    severity: 'note',
    about: 'timing',
    text: `Done just before the bottom dries: take it off at ${Math.round(minutes.expected)} min, not later.`,
    ...(onLowest
      ? { remedy: 'A smaller burner leaves more time.' }
      : {
          remedy: 'Turned to the lowest heat it has more time.',
          mend: { heat_style: 'boil-then-lowest' },
        }),
  }
}

const noRoomOverWater: CautionRule = ({ gauges, request, dryG }) => {
  if (gauges.basketLevel === undefined || gauges.swollenLevel <= request.vessel.height) return
  return {
    code: 'no-room-over-water',
    severity: 'stop',
    about: 'fit',
    text:
      `The grain would reach ${Math.round(gauges.swollenLevel)} mm; ` +
      `the pot is ${Math.round(request.vessel.height)} mm high.`,
    remedy: 'Steam it in two rounds, or in a taller pot.',
    mend: { amount: { basis: 'dry-mass', value: Math.max(5, Math.floor((dryG * 0.5) / 5) * 5) } },
  }
}

const thinAir: CautionRule = ({ request, timed, solution, blend, boilC }) => {
  if (isPressureCooker(request.vessel.kind) || request.elevationM < THIN_AIR_M) return
  const longer = longerUpHere(timed.stages, solution, blend, boilC)
  if (longer < WORTH_TELLING_MIN) return
  return {
    code: 'thin-air',
    severity: 'note',
    about: 'timing',
    text: `Water boils at ${boilC.toFixed(1)} °C here: ${Math.round(longer)} min more than at sea level, counted in.`,
    ...(longer >= LONG_MIN ? { remedy: 'A pressure cooker is quicker here.' } : {}),
  }
}

/** Whether it boils, gets done and fits in time. */
export const TIMING_RULES: readonly CautionRule[] = [
  neverBoils,
  slowToBoil,
  neverDone,
  noTimeToSpare,
  noRoomOverWater,
  thinAir,
]
