import { useState } from 'react'
import { massIn, type UnitSystem } from '#core/units/system'
import type { Stage } from '#core/plan/result'
import { SIGN_WORDS } from '#core/methods/sign-words'
import { AdviceCard } from './advice-card'

/** A device's reading for this batch. */
export interface DeviceReading {
  cook: string
  kind: 'scale' | 'probe' | 'cooker' | 'pressure-pot'
  atMs: number
  grams?: number
  celsius?: number
  clicked?: boolean
  ends?: string
  amount?: number
}

/** A reading older than this is no reading, ms. */
export const STALE_MS = 6000
/** Within this of the aim one says stop, g. */
const STOP_G = 2

/** How far a pour still is from its aim: "42 g more", then "stop". */
export function pourWords(
  grams: number,
  aim: number,
  system: UnitSystem = 'metric',
): { figure: string; unit: string } {
  const [, figure, unit] = /^(.*) (\S+)$/.exec(massIn(Math.abs(Math.round(aim - grams)), system))!
  const left = Math.round(aim - grams)
  if (left > STOP_G) return { figure: figure!, unit: `${unit} more` }
  return left >= -STOP_G
    ? { figure: 'stop', unit: massIn(grams, system) }
    : { figure: figure!, unit: `${unit} too much` }
}

/** What a device that is not trusted proposes: the cook has the last word. */
export function Proposal({
  readings,
  stage,
  onCue,
}: {
  readings: readonly DeviceReading[]
  stage: Stage
  onCue: (amount?: number) => void
}) {
  const [refused, setRefused] = useState(0)
  const proposes = readings.find((r) => r.ends === stage.id)
  if (!proposes || proposes.atMs - refused < NOT_NOW_MS) return null
  return (
    <AdviceCard
      says={`${WHO[proposes.kind]}: ${stage.cue ?? stage.title}`}
      why="It cannot end a step by itself."
      doneWord={stage.cue_id ? SIGN_WORDS[stage.cue_id].key : 'Done'}
      onDone={() => onCue(proposes.amount)}
      onNotNow={() => setRefused(proposes.atMs)}
    />
  )
}

/** "Not now" lasts so long, ms. */
const NOT_NOW_MS = 60_000
const WHO = {
  scale: 'The scale says',
  probe: 'The probe says',
  cooker: 'The cooker reports',
  'pressure-pot': 'Pressure indicator',
} as const
