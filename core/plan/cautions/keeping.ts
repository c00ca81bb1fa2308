import { FOLLOW_LOCAL, guidanceOf, WHY_STRICT } from '#core/leftovers/guidance'
import { holdsItself } from '#core/plan/stages'
import type { CautionInput } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

/** A pot that waits longer than this has waited, minutes. */
const WAITED_MIN = 10

/** What waiting, dressing and keeping do to it, and the better plan where there is one: a later start. */
export function keepingCautions({ request, keeps }: CautionInput): Caution[] {
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
      text: `Kept warm ${Math.round(holdMinutes)} min, the top dries out: it loses ${keeps.driesPercentPerHour.toFixed(1)} % an hour, noticeable after ${Math.round(keeps.dryMin)} min.`,
      ...later,
    })
  else if (holdMinutes > WAITED_MIN && !tooCool)
    found.push({
      code: 'held',
      severity: 'note',
      about: 'texture',
      text: `After waiting ${Math.round(holdMinutes)} min it is softer and drier (${keeps.driesPercentPerHour.toFixed(1)} % an hour). Start later instead.`,
      ...later,
    })
  if (dressing)
    found.push({
      code: 'dressed-at-room-warmth',
      severity: dressing.setMinutes > guidance.room_min.value ? 'stop' : 'note',
      about: 'food-safety',
      text: `Dressed rice may stay ${guidance.room_min.value / 60} h at room temperature, covered, the same day only (${guidance.room_min.source}). ${FOLLOW_LOCAL}`,
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
