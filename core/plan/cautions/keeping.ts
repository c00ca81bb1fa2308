import { FOLLOW_LOCAL, guidanceOf, WHY_STRICT } from '#core/leftovers/guidance'
import { keepsWarmItself } from '#core/vessel/vessel'
import type { PlanRequest } from '#core/plan/request'
import type { CautionInput, CautionRule } from '#core/plan/caution-input'

/** A pot that waits longer than this has waited, minutes. */
const WAITED_MIN = 10

const startLater = (holdMinutes: number) => ({
  remedy: `Start ${Math.round(holdMinutes)} min later, so it is served fresh.`,
  mend: { hold_minutes: 0 },
})

/** Something heats it while it waits. */
const isHeldHot = ({ vessel, holdIn }: Pick<PlanRequest, 'vessel' | 'holdIn'>): boolean =>
  keepsWarmItself(vessel.kind) || holdIn === 'warm-drawer'

const isTooCool = ({ request, keeps }: CautionInput): boolean =>
  request.holdMinutes > 0 && !isHeldHot(request) && request.holdMinutes > keeps.warmMin

const heldTooCool: CautionRule = (facts) => {
  if (!isTooCool(facts)) return
  const { hold_hot_c } = guidanceOf(facts.request.guidance)
  return {
    code: 'held-too-cool',
    severity: 'stop',
    about: 'food-safety',
    text:
      `Off the heat this pot is under ${hold_hot_c.value} °C after about ${Math.round(facts.keeps.warmMin)} min. ` +
      `${WHY_STRICT} ${FOLLOW_LOCAL}`,
    ...startLater(facts.request.holdMinutes),
  }
}

const heldLong: CautionRule = (facts) => {
  const { keeps } = facts
  const { holdMinutes } = facts.request
  const lossPerHour = keeps.driesPercentPerHour.toFixed(1)
  if (holdMinutes > keeps.dryMin)
    return {
      code: 'held-dry',
      severity: 'warn',
      about: 'texture',
      text:
        `Kept warm ${Math.round(holdMinutes)} min, the top dries out: it loses ${lossPerHour} % an hour, ` +
        `noticeable after ${Math.round(keeps.dryMin)} min.`,
      ...startLater(holdMinutes),
    }
  if (holdMinutes <= WAITED_MIN || isTooCool(facts)) return
  return {
    code: 'held',
    severity: 'note',
    about: 'texture',
    text:
      `After waiting ${Math.round(holdMinutes)} min it is softer and drier ` +
      `(${lossPerHour} % an hour). Start later instead.`,
    ...startLater(holdMinutes),
  }
}

const ownProportions = ({
  vinegar,
  sugar,
  salt,
}: NonNullable<NonNullable<PlanRequest['dressing']>['own']>) => ({
  vinegar_g: vinegar,
  sugar_g: sugar,
  salt_g: salt,
})

const dressedAtRoomTemperature: CautionRule = ({ request: { dressing, guidance } }) => {
  if (!dressing) return
  const { room_min } = guidanceOf(guidance)
  const tooLong = dressing.setMinutes > room_min.value
  const shorter = {
    remedy: `Let it rest ${room_min.value} min at most.`,
    mend: {
      dressing: {
        style: dressing.style,
        infuse_minutes: dressing.infuseMinutes,
        set_minutes: room_min.value,
        ml_per_240_ml_dry: dressing.mlPer240,
        ...(dressing.bottle ? { bottle: dressing.bottle } : {}),
        ...(dressing.own ? { per_100g_dry: ownProportions(dressing.own) } : {}),
      },
    },
  }
  return {
    code: 'dressed-at-room-warmth',
    severity: tooLong ? 'stop' : 'note',
    about: 'food-safety',
    text:
      `Dressed rice may stay ${room_min.value / 60} h at room temperature, covered, ` +
      `the same day only (${room_min.source}). ${FOLLOW_LOCAL}`,
    ...(tooLong ? shorter : {}),
  }
}

/** What waiting, dressing and keeping do to it, and the better plan where there is one: a later start. */
export const KEEPING_RULES: readonly CautionRule[] = [heldTooCool, heldLong, dressedAtRoomTemperature]
