import type { HeatLevel } from '#core/heat/sources'
import { FULL } from '#core/pot/pot'
import { runActions, type Marks } from './run-actions'
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

/** What fixes are looked for in: the kitchen, what was done, and when things happened in the pot. */
interface FixInput {
  conditions: PracticeConditions
  done: PlayerActions
  marks: Marks
  byHand: boolean
  offMin: number
}

/**
 * One thing each: more and less of what was done, by the smallest step first. What cannot be done in this pot
 * is not in it.
 */
function fixesFor(conditions: PracticeConditions, done: PlayerActions): Fix[] {
  const { real, heldMinutes } = conditions
  const { kind } = real.source
  const { marks } = runActions(
    real,
    { ...done, heats: [{ atMin: 0, level: 'high' }], lids: [], ventMin: null },
    heldMinutes,
  )
  const byHand = kind !== 'cooker' && kind !== 'pressure'
  const input: FixInput = { conditions, done, marks, byHand, offMin: offAt(done) }
  return [lidFixes, pourFixes, heatFixes, putInFixes, restFixes, soakFixes, minuteFixes].flatMap((of) =>
    of(input),
  )
}

function lidFixes({ done, marks }: FixInput): Fix[] {
  const fixes: Fix[] = []
  if (done.lids.some((l) => l.lid !== 'on'))
    fixes.push({ kind: 'lid', says: 'Leave the lid on', doing: { ...done, lids: [] } })
  if (done.ventMin !== null) {
    const serveMin = Math.max(done.serveMin, (marks.unsealed ?? done.serveMin) + 1)
    fixes.push({ kind: 'vent', says: 'Natural release', doing: { ...done, ventMin: null, serveMin } })
  }
  return fixes
}

function pourFixes({ conditions: { real, right }, done }: FixInput): Fix[] {
  const pourG = Math.round(right.water.pour_g / 5) * 5
  const isRight = Math.abs(pourG - done.pourG) <= 0.02 * pourG
  if (isRight || real.soak?.water === 'keep' || right.stages.some((s) => s.kind === 'steam')) return []
  return [{ kind: 'pour', says: `Pour ${pourG} g`, doing: { ...done, pourG } }]
}

function heatFixes({ done, marks, byHand, offMin }: FixInput): Fix[] {
  if (!byHand || marks.boil === undefined) return []
  const boil = Math.ceil(marks.boil * 2) / 2
  return (['lowest', 'low'] as const).flatMap((level) => {
    const heats = [
      { atMin: 0, level: 'high' as HeatLevel },
      { atMin: boil, level },
      { atMin: Math.max(offMin, boil + 1), level: 'off' as HeatLevel },
    ]
    if (JSON.stringify(heats) === JSON.stringify(done.heats)) return []
    const says = `High until it really boils, then ${level === 'lowest' ? 'the lowest' : 'low'}`
    return [{ kind: 'heat' as const, says, doing: { ...done, heats } }]
  })
}

function putInFixes({ conditions: { right }, done, marks }: FixInput): Fix[] {
  const later = right.add_after_minutes
  if (later === undefined || marks.boil === undefined) return []
  const putInMin = Math.round(marks.boil + later)
  const says = `Put it in ${Math.round(later)} min after the boil`
  return [{ kind: 'put-in', says, doing: { ...done, putInMin } }]
}

const restFixes = ({ done, marks, byHand, offMin }: FixInput): Fix[] =>
  RESTS_MIN.filter((minutes) => done.serveMin - offMin < minutes).map((minutes) => ({
    kind: 'rest',
    says: `Leave it ${minutes} min under the lid before it is opened`,
    doing: {
      ...done,
      lids: done.lids.filter((l) => l.atMin < offMin),
      serveMin: (byHand ? offMin : (marks.click ?? offMin)) + minutes,
    },
  }))

function soakFixes({ conditions: { right }, done }: FixInput): Fix[] {
  if (!right.stages.some((s) => s.kind === 'steam')) return []
  return SOAKS_MIN.filter((minutes) => minutes > done.soakMinutes + 10).map((minutes) => ({
    kind: 'soak',
    says: `Soak it ${minutes} min`,
    doing: { ...done, soakMinutes: minutes },
  }))
}

function minuteFixes({ done, byHand, offMin }: FixInput): Fix[] {
  if (!byHand) return []
  const shifted = (minutes: number): PlayerActions => ({
    ...done,
    heats: moveOff(done, offMin + minutes),
    serveMin: done.serveMin + minutes,
  })
  return [
    ...LONGER_MIN.map((minutes) => ({
      kind: 'minutes' as const,
      says: `Leave it on the heat ${minutes} min longer`,
      doing: shifted(minutes),
    })),
    ...SHORTER_MIN.filter((minutes) => offMin - minutes > 1).map((minutes) => ({
      kind: 'minutes' as const,
      says: `Turn it off ${minutes} min sooner`,
      doing: shifted(-minutes),
    })),
  ]
}

const moveOff = (playerActions: PlayerActions, atMin: number): PlayerActions['heats'] => {
  const last = playerActions.heats.at(-1)
  return [
    ...(last?.level === 'off' ? playerActions.heats.slice(0, -1) : playerActions.heats),
    { atMin, level: 'off' as HeatLevel },
  ]
}

/**
 * The fewest and smallest changes with which this pot would have come out, each of them cooked; undefined
 * where two are not enough.
 * @param about changes of this kind are looked at first
 */
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
