import { cookMinutes } from '#core/grain/blend'
import type { CautionInput } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

const SLOW_TO_BOIL = 25
/** From here the minutes are noticeably longer, m. */
const THIN_AIR_M = 600
const WORTH_TELLING_MIN = 0.75

const LONG_MIN = 10
/** With less than this between done and spoilt a plan says so, minutes. */
const MIN_ROOM_MIN = 1

/** How much longer the solved stage is than at sea level, minutes: by the unsoaked grain's own time at both temperatures. */
function longerUpHere(
  stages: CautionInput['timed']['stages'],
  { course }: CautionInput['solution'],
  { slowest }: CautionInput['blend'],
  boilC: number,
): number {
  const at = stages.findIndex((stage) => stage.until === 'solved' && stage.surroundC === undefined)
  return at < 0 ? 0 : course.minutes[at]! * (1 - cookMinutes(slowest) / cookMinutes(slowest, boilC))
}

export function timingCautions({
  request,
  solution,
  stages,
  boilC,
  timed,
  gauges,
  dryG,
  method,
  blend,
}: CautionInput): Caution[] {
  const found: Caution[] = []
  const heatUp = stages.find(
    (stage) => (stage.kind === 'heat-up' && stage.id !== 'kettle') || stage.kind === 'pressure-up',
  )
  const waiting = timed.stages.findIndex(
    (stage, i) =>
      stage.until !== 'solved' &&
      'event' in stage.until &&
      stage.until.event !== 'toasted' &&
      stage.until.event !== 'unsealed' &&
      !solution.course.ended[i],
  )
  const boiled = waiting < 0
  const capped = timed.stages.find((stage) => stage.atMost !== undefined)
  const stronger = { remedy: 'Move it to a stronger burner, or cook less at a time.' }
  if (!boiled)
    found.push({
      code: 'never-boils',
      severity: 'stop',
      about: 'timing',
      ...(request.method.startsWith('pressure')
        ? {
            text: 'The grain absorbs the water before the lid can seal.',
            remedy: 'Cook it in a covered pot.',
            mend: { method: 'covered-simmer', vessel: 'heavy-2.5', heat: 'gas-medium' },
          }
        : { text: 'This burner is too weak to boil this pot.', ...stronger }),
    })
  else if (heatUp && !method.stirred && heatUp.minutes.expected > SLOW_TO_BOIL)
    found.push({
      code: 'slow-to-boil',
      severity: 'warn',
      about: 'timing',
      text: `${Math.round(heatUp.minutes.expected)} min to boil: the bottom cooks before the top.`,
      ...stronger,
    })
  if (boiled && solution.course.outcome === 'never' && capped)
    found.push({
      code: 'not-enough-warmth',
      severity: 'stop',
      about: 'timing',
      text: `This pot cools too fast for this grain: ${capped.atMost} min boiling and ${request.restMinutes} min rest are not enough.`,
      remedy: 'Keep it on the lowest heat, covered.',
      mend: { method: 'covered-simmer' },
    })
  else if (boiled && solution.course.outcome === 'never')
    found.push({
      code: 'never-done',
      severity: 'stop',
      about: 'timing',
      text: 'On this heat the grain does not cook through in four hours.',
      ...stronger,
    })
  const open = stages.find((stage) =>
    timed.stages.some(
      (s) =>
        s.id === stage.id && s.until === 'solved' && s.exact !== true && s.mode === 'open' && s.powerW > 0,
    ),
  )
  if (
    open &&
    boiled &&
    method.water === 'pot' &&
    !method.bowl &&
    !method.stirred &&
    solution.course.outcome === 'done' &&
    !timed.stages.some((s) => s.cooksOn) &&
    open.minutes.expected > 2 &&
    open.minutes.high - open.minutes.expected < MIN_ROOM_MIN
  )
    found.push({
      code: 'no-time-to-spare',
      severity: 'note',
      about: 'timing',
      text: `Done just before the bottom dries: take it off at ${Math.round(open.minutes.expected)} min, not later.`,
      remedy:
        request.heatStyle === 'boil-then-lowest'
          ? 'A smaller burner leaves more time.'
          : 'Turned to the lowest heat it has more time.',
      ...(request.heatStyle === 'boil-then-lowest' ? {} : { mend: { heat_style: 'boil-then-lowest' } }),
    })
  if (gauges.basketLevel !== undefined && gauges.swollenLevel > request.vessel.height)
    found.push({
      code: 'no-room-over-water',
      severity: 'stop',
      about: 'fit',
      text: `The grain would reach ${Math.round(gauges.swollenLevel)} mm; the pot is ${Math.round(request.vessel.height)} mm high.`,
      remedy: 'Steam it in two rounds, or in a taller pot.',
      mend: { amount: { basis: 'dry-mass', value: Math.max(5, Math.floor((dryG * 0.5) / 5) * 5) } },
    })
  const longer =
    request.vessel.kind.startsWith('pressure') || request.elevationM < THIN_AIR_M
      ? 0
      : longerUpHere(timed.stages, solution, blend, boilC)
  if (longer >= WORTH_TELLING_MIN)
    found.push({
      code: 'thin-air',
      severity: 'note',
      about: 'timing',
      text: `Water boils at ${boilC.toFixed(1)} °C here: ${Math.round(longer)} min more than at sea level, counted in.`,
      ...(longer >= LONG_MIN ? { remedy: 'A pressure cooker is quicker here.' } : {}),
    })
  return found
}
