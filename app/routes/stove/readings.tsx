import type { Stage } from '#core/plan/result'
import { CUES } from '#core/method/cues'
import { AdviceCard } from './advice-card'
import classes from './readings.module.css'

/** What a device says beside this cook. */
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
export function pourWords(grams: number, aim: number): string {
  const left = Math.round(aim - grams)
  return left > STOP_G ? `${left} g more` : left >= -STOP_G ? 'stop' : `${-left} g too much`
}

/** What the devices say now, and what they propose. A trusted device ends a stage by itself and proposes nothing. */
export function Readings({ readings, stage, aim, onCue }: { readings: readonly DeviceReading[]; stage: Stage; aim: number | undefined; onCue: (amount?: number) => void }) {
  const scale = readings.find((r) => r.kind === 'scale' && r.grams !== undefined)
  const probe = readings.find((r) => r.kind === 'probe' && r.celsius !== undefined)
  const proposes = readings.find((r) => r.ends === stage.id)
  if (!scale && !probe && !proposes) return null
  const word = stage.cue_id ? CUES[stage.cue_id].key : 'Done'
  return (
    <>
      {(scale ?? probe) && (
        <p className={classes.readings}>
          {scale && (
            <span className={`${classes.live} figure`} data-stop={aim !== undefined && Math.abs(aim - scale.grams!) <= STOP_G}>
              {aim === undefined ? `${scale.grams} g` : pourWords(scale.grams!, aim)}
              {aim !== undefined && <small> {scale.grams} g on the scale</small>}
            </span>
          )}
          {probe && <span className={`${classes.live} figure`}>{probe.celsius!.toFixed(1)} °C</span>}
        </p>
      )}
      {proposes && (
        <AdviceCard says={`${WHO[proposes.kind]}: ${stage.cue ?? stage.title}`} why="It is not trusted to end a stage by itself; you have the last word." doneWord={word} onDone={() => onCue(proposes.amount)} onNotNow={() => {}} />
      )}
    </>
  )
}

const WHO = { scale: 'The scale says', probe: 'The probe says', cooker: 'The cooker says', 'pressure-pot': 'The pin says' } as const
