import { FOLLOW_LOCAL, guidanceOf, WHY_STRICT } from '#core/keep/guidance'
import { holdsItself } from '#core/plan/stages'
import type { Facts } from '#core/plan/facts'
import type { Caution } from '#core/plan/result'

/** A pot that waits longer than this has waited, minutes. */
const WAITED_MIN = 10

/** What waiting, dressing and keeping do to it, and the better plan where there is one: a later start. */
export function keepingCautions({ request, keeps }: Facts): Caution[] {
  const found: Caution[] = []
  const { holdMinutes, dressing } = request
  const guidance = guidanceOf(request.guidance)
  const later = {
    remedy: `Start ${Math.round(holdMinutes)} min later, so it is served fresh.`,
    mend: { hold_minutes: 0 },
  }
  const tooCool = holdMinutes > 0 && !holdsItself(request) && holdMinutes > keeps.warmMin
  if (tooCool)
    found.push({
      code: 'held-too-cool',
      severity: 'stop',
      about: 'food-safety',
      text: `Off the heat this pot is under ${guidance.hold_hot_c.value} °C after about ${Math.round(keeps.warmMin)} min. ${WHY_STRICT} ${FOLLOW_LOCAL}`,
      ...later,
    })
  if (holdMinutes > keeps.dryMin)
    found.push({
      code: 'held-dry',
      severity: 'warn',
      about: 'texture',
      text: `Held for ${Math.round(holdMinutes)} min the top dries: this lid lets about ${keeps.driesPercentPerHour.toFixed(1)} % of its water go an hour, and from ${Math.round(keeps.dryMin)} min on one notices.`,
      ...later,
    })
  else if (holdMinutes > WAITED_MIN && !tooCool)
    found.push({
      code: 'held',
      severity: 'note',
      about: 'texture',
      text: `Waiting ${Math.round(holdMinutes)} min it softens on, and under this lid dries by ${keeps.driesPercentPerHour.toFixed(1)} % an hour; a later start is better than a long wait.`,
      ...later,
    })
  if (dressing)
    found.push({
      code: 'dressed-at-room-warmth',
      severity: dressing.setMinutes > guidance.room_min.value ? 'stop' : 'note',
      about: 'food-safety',
      text: `Dressed grain under a damp cloth: ${guidance.room_min.value / 60} hours at room warmth at the most, and the same day (${guidance.room_min.source}). In the fridge it hardens; safety comes first. ${FOLLOW_LOCAL}`,
      ...(dressing.setMinutes > guidance.room_min.value
        ? {
            remedy: `Let it rest ${guidance.room_min.value} min at most.`,
            mend: {
              dressing: {
                style: dressing.style,
                infuse_minutes: dressing.infuseMinutes,
                set_minutes: guidance.room_min.value,
                ml_per_240_ml_dry: dressing.mlPer240,
              },
            },
          }
        : {}),
    })
  return found
}
