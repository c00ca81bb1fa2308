import type { DeviceKind } from '#core/contract/equipment'
import type { CookEvent } from '#core/cook/events'
import type { PotEstimate } from '#core/cook/estimate-pot'
import type { CookView } from '#core/cook/replay'
import type { Plan, Stage } from '#core/plan/result'

/** What a device says of a moment: a figure with its unit in the name, or that it clicked. */
export interface Reading {
  kind: DeviceKind
  atMs: number
  grams?: number
  celsius?: number
  /** The switch has let go; the pin is up. */
  clicked?: boolean
}

/** A running batch as a device sees it. */
export interface AtTheStove {
  cookId: string
  plan: Plan
  view: CookView
  events: readonly CookEvent[]
  /** The current stage. */
  stage: Stage
  stageStartMs: number
  nowMs: number
  /** The pot as it truly is, once it is warm. */
  real: PotEstimate | undefined
}

/** One kind of device. A real one would be one more file of this shape. */
export interface Source {
  kind: DeviceKind
  /** @returns undefined where it has nothing to say of this stage, or has dropped out */
  read(pot: AtTheStove): Reading | undefined
  /** Whether what it reads now ends the stage, and with which amount. */
  cue(reading: Reading, pot: AtTheStove): { amount?: number } | undefined
}

/** How a device fails. All of them are off in a good one. */
export interface Faults {
  /** Grows by so much each hour, in the reading's own unit. */
  driftPerHour: number
  /** Says what was so long ago, s. */
  lagSeconds: number
  /** Says nothing for this share of the time. */
  dropOut: number
  /** Says so much too much. */
  lie: number
}
export const NO_FAULTS: Faults = { driftPerHour: 0, lagSeconds: 0, dropOut: 0, lie: 0 }
