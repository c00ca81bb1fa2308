import type { LidPosition } from '#core/heat/lid'
import type { Phase } from '#core/pot/run'

/** What the cook does otherwise at one stage; left out: as planned. */
export interface StageChange {
  /** Power that reaches the pot, W. */
  powerW?: number
  /** The stage goes on for just so long, whether its sign came or not. */
  minutes?: number
  lid?: LidPosition
}

/** By the stage's id. */
export type Changes = Readonly<Record<string, StageChange>>

/**
 * The phases with what is done otherwise. A stage nobody planned is left alone: another plan may have no such
 * stage.
 */
export const withChanges = (phases: readonly Phase[], changes: Changes): Phase[] =>
  phases.map((phase) => {
    const change = Object.hasOwn(changes, phase.id) ? changes[phase.id]! : undefined
    if (!change) return phase
    const { powerW = phase.powerW, lid = phase.lid, minutes } = change
    return { ...phase, powerW, lid, until: minutes === undefined ? phase.until : { minutes } }
  })
