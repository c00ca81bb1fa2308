import type { HeatLevel } from '#core/heat/sources'
import { FULL } from '#core/pot/pot'
import { cookByHand } from './run-actions'
import type { DeedKind } from './action-kind'
import type { Doing } from './player-actions'
import { endingOf, type Ending } from './ending'
import type { Kitchen } from './situation'

/** A way to do it otherwise next time. */
export interface Mend {
  kind: DeedKind
  says: string
  doing: Doing
}

export interface Tried {
  says: string[]
  doing: Doing
  ending: Ending
}

const LONGER_MIN = [4, 8, 12, 20, 30, 45] as const
const SHORTER_MIN = [2, 4, 8] as const
const RESTS_MIN = [5, 10, 15, 20] as const
const SOAKS_MIN = [30, 60, 120, 240] as const

/** When the heat went off for good, in minutes from the pour; what has no knob went off by itself. */
const offAt = (doing: Doing): number => {
  const last = doing.heats.at(-1)
  return last && last.level === 'off' ? last.atMin : doing.serveMin
}

/** One thing each: more and less of what was done, by the smallest step first. What cannot be done in this pot is not in it. */
function mendsFor({ real, right, heldMinutes }: Kitchen, doing: Doing): Mend[] {
  const { kind } = real.source
  const byHand = kind !== 'cooker' && kind !== 'pressure'
  const off = offAt(doing)
  const shifted = (minutes: number): Doing => ({
    ...doing,
    heats: moveOff(doing, off + minutes),
    serveMin: doing.serveMin + minutes,
  })
  const { marks } = cookByHand(
    real,
    { ...doing, heats: [{ atMin: 0, level: 'high' }], lids: [], ventMin: null },
    heldMinutes,
  )
  const mends: Mend[] = []
  const opened = doing.lids.some((l) => l.lid !== 'on')
  if (opened) mends.push({ kind: 'lid', says: 'Leave the lid on', doing: { ...doing, lids: [] } })
  if (doing.ventMin !== null)
    mends.push({
      kind: 'vent',
      says: 'Natural release',
      doing: {
        ...doing,
        ventMin: null,
        serveMin: Math.max(doing.serveMin, (marks.unsealed ?? doing.serveMin) + 1),
      },
    })
  const pour = Math.round(right.water.pour_g / 5) * 5
  if (
    Math.abs(pour - doing.pourG) > 0.02 * pour &&
    real.soak?.water !== 'keep' &&
    !right.stages.some((s) => s.kind === 'steam')
  )
    mends.push({ kind: 'pour', says: `Pour ${pour} g`, doing: { ...doing, pourG: pour } })
  if (byHand && marks.boil !== undefined) {
    const boil = Math.ceil(marks.boil * 2) / 2
    for (const level of ['lowest', 'low'] as const) {
      const heats = [
        { atMin: 0, level: 'high' as HeatLevel },
        { atMin: boil, level },
        { atMin: Math.max(off, boil + 1), level: 'off' as HeatLevel },
      ]
      if (JSON.stringify(heats) !== JSON.stringify(doing.heats))
        mends.push({
          kind: 'heat',
          says: `High until it really boils, then ${level === 'lowest' ? 'the lowest' : 'low'}`,
          doing: { ...doing, heats },
        })
    }
  }
  const later = right.add_after_minutes
  if (later !== undefined && marks.boil !== undefined) {
    const at = Math.round(marks.boil + later)
    mends.push({
      kind: 'put-in',
      says: `Put it in ${Math.round(later)} min after the boil`,
      doing: { ...doing, putInMin: at },
    })
  }
  for (const minutes of RESTS_MIN)
    if (doing.serveMin - off < minutes)
      mends.push({
        kind: 'rest',
        says: `Leave it ${minutes} min under the lid before it is opened`,
        doing: {
          ...doing,
          lids: doing.lids.filter((l) => l.atMin < off),
          serveMin: (byHand ? off : (marks.click ?? off)) + minutes,
        },
      })
  if (right.stages.some((s) => s.kind === 'steam'))
    for (const minutes of SOAKS_MIN)
      if (minutes > doing.soakMinutes + 10)
        mends.push({
          kind: 'soak',
          says: `Soak it ${minutes} min`,
          doing: { ...doing, soakMinutes: minutes },
        })
  if (byHand) {
    for (const minutes of LONGER_MIN)
      mends.push({
        kind: 'minutes',
        says: `Leave it on the heat ${minutes} min longer`,
        doing: shifted(minutes),
      })
    for (const minutes of SHORTER_MIN)
      if (off - minutes > 1)
        mends.push({ kind: 'minutes', says: `Turn it off ${minutes} min sooner`, doing: shifted(-minutes) })
  }
  return mends
}

const moveOff = (doing: Doing, atMin: number): Doing['heats'] => {
  const last = doing.heats.at(-1)
  return [
    ...(last?.level === 'off' ? doing.heats.slice(0, -1) : doing.heats),
    { atMin, level: 'off' as HeatLevel },
  ]
}

/** The fewest and smallest changes with which this pot would have come out, each of them cooked; undefined where two are not enough.
 *  @param about changes of this kind are looked at first */
export function whatToTry(kitchen: Kitchen, doing: Doing, about?: DeedKind): Tried | undefined {
  const { real, heldMinutes } = kitchen
  // Looked for on the coarse pot, and taken only if the fine one agrees.
  const good = (d: Doing): Ending | undefined => {
    if (!endingOf(cookByHand(real, d, heldMinutes)).good) return undefined
    const ending = endingOf(cookByHand(real, d, heldMinutes, FULL))
    return ending.good ? ending : undefined
  }
  const singles = mendsFor(kitchen, doing).sort((a, b) => Number(b.kind === about) - Number(a.kind === about))
  for (const { says, doing: other } of singles) {
    const ending = good(other)
    if (ending) return { says: [says], doing: other, ending }
  }
  for (const first of singles)
    for (const second of mendsFor(kitchen, first.doing)) {
      const ending = good(second.doing)
      if (ending) return { says: [first.says, second.says], doing: second.doing, ending }
    }
  return undefined
}
