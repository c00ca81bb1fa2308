import type { HeatLevel } from '#core/heat/sources'
import { FULL } from '#core/pot/pot'
import { runActions } from './run-actions'
import type { ActionKind } from './action-kind'
import type { PlayerActions } from './player-actions'
import { endingOf, type Ending } from './ending'
import type { PracticeConditions } from './situation'

/** A way to do it otherwise next time. */
export interface Fix {
  kind: ActionKind
  says: string
  doing: PlayerActions
}

export interface Tried {
  says: string[]
  doing: PlayerActions
  ending: Ending
}

const LONGER_MIN = [4, 8, 12, 20, 30, 45] as const
const SHORTER_MIN = [2, 4, 8] as const
const RESTS_MIN = [5, 10, 15, 20] as const
const SOAKS_MIN = [30, 60, 120, 240] as const

/** When the heat went off for good, in minutes from the pour; what has no knob went off by itself. */
const offAt = (playerActions: PlayerActions): number => {
  const last = playerActions.heats.at(-1)
  return last && last.level === 'off' ? last.atMin : playerActions.serveMin
}

/**
 * One thing each: more and less of what was done, by the smallest step first. What cannot be done in this pot
 * is not in it.
 */
function fixesFor({ real, right, heldMinutes }: PracticeConditions, playerActions: PlayerActions): Fix[] {
  const { kind } = real.source
  const byHand = kind !== 'cooker' && kind !== 'pressure'
  const off = offAt(playerActions)
  const shifted = (minutes: number): PlayerActions => ({
    ...playerActions,
    heats: moveOff(playerActions, off + minutes),
    serveMin: playerActions.serveMin + minutes,
  })
  const { marks } = runActions(
    real,
    { ...playerActions, heats: [{ atMin: 0, level: 'high' }], lids: [], ventMin: null },
    heldMinutes,
  )
  const fixes: Fix[] = []
  const opened = playerActions.lids.some((l) => l.lid !== 'on')
  if (opened) fixes.push({ kind: 'lid', says: 'Leave the lid on', doing: { ...playerActions, lids: [] } })
  if (playerActions.ventMin !== null)
    fixes.push({
      kind: 'vent',
      says: 'Natural release',
      doing: {
        ...playerActions,
        ventMin: null,
        serveMin: Math.max(playerActions.serveMin, (marks.unsealed ?? playerActions.serveMin) + 1),
      },
    })
  const pour = Math.round(right.water.pour_g / 5) * 5
  if (
    Math.abs(pour - playerActions.pourG) > 0.02 * pour &&
    real.soak?.water !== 'keep' &&
    !right.stages.some((s) => s.kind === 'steam')
  )
    fixes.push({ kind: 'pour', says: `Pour ${pour} g`, doing: { ...playerActions, pourG: pour } })
  if (byHand && marks.boil !== undefined) {
    const boil = Math.ceil(marks.boil * 2) / 2
    for (const level of ['lowest', 'low'] as const) {
      const heats = [
        { atMin: 0, level: 'high' as HeatLevel },
        { atMin: boil, level },
        { atMin: Math.max(off, boil + 1), level: 'off' as HeatLevel },
      ]
      if (JSON.stringify(heats) !== JSON.stringify(playerActions.heats))
        fixes.push({
          kind: 'heat',
          says: `High until it really boils, then ${level === 'lowest' ? 'the lowest' : 'low'}`,
          doing: { ...playerActions, heats },
        })
    }
  }
  const later = right.add_after_minutes
  if (later !== undefined && marks.boil !== undefined) {
    const at = Math.round(marks.boil + later)
    fixes.push({
      kind: 'put-in',
      says: `Put it in ${Math.round(later)} min after the boil`,
      doing: { ...playerActions, putInMin: at },
    })
  }
  for (const minutes of RESTS_MIN)
    if (playerActions.serveMin - off < minutes)
      fixes.push({
        kind: 'rest',
        says: `Leave it ${minutes} min under the lid before it is opened`,
        doing: {
          ...playerActions,
          lids: playerActions.lids.filter((l) => l.atMin < off),
          serveMin: (byHand ? off : (marks.click ?? off)) + minutes,
        },
      })
  if (right.stages.some((s) => s.kind === 'steam'))
    for (const minutes of SOAKS_MIN)
      if (minutes > playerActions.soakMinutes + 10)
        fixes.push({
          kind: 'soak',
          says: `Soak it ${minutes} min`,
          doing: { ...playerActions, soakMinutes: minutes },
        })
  if (byHand) {
    for (const minutes of LONGER_MIN)
      fixes.push({
        kind: 'minutes',
        says: `Leave it on the heat ${minutes} min longer`,
        doing: shifted(minutes),
      })
    for (const minutes of SHORTER_MIN)
      if (off - minutes > 1)
        fixes.push({ kind: 'minutes', says: `Turn it off ${minutes} min sooner`, doing: shifted(-minutes) })
  }
  return fixes
}

const moveOff = (playerActions: PlayerActions, atMin: number): PlayerActions['heats'] => {
  const last = playerActions.heats.at(-1)
  return [
    ...(last?.level === 'off' ? playerActions.heats.slice(0, -1) : playerActions.heats),
    { atMin, level: 'off' as HeatLevel },
  ]
}

/** The fewest and smallest changes with which this pot would have come out, each of them cooked; undefined
 * where two are not enough.
 *  @param about changes of this kind are looked at first */
export function whatToTry(
  kitchen: PracticeConditions,
  playerActions: PlayerActions,
  about?: ActionKind,
): Tried | undefined {
  const { real, heldMinutes } = kitchen
  // Looked for on the coarse pot, and taken only if the fine one agrees.
  const good = (d: PlayerActions): Ending | undefined => {
    if (!endingOf(runActions(real, d, heldMinutes)).good) return undefined
    const ending = endingOf(runActions(real, d, heldMinutes, FULL))
    return ending.good ? ending : undefined
  }
  const singles = fixesFor(kitchen, playerActions).sort(
    (a, b) => Number(b.kind === about) - Number(a.kind === about),
  )
  for (const { says, doing: other } of singles) {
    const ending = good(other)
    if (ending) return { says: [says], doing: other, ending }
  }
  for (const first of singles)
    for (const second of fixesFor(kitchen, first.doing)) {
      const ending = good(second.doing)
      if (ending) return { says: [first.says, second.says], doing: second.doing, ending }
    }
  return undefined
}
