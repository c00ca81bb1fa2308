import { textureOf } from '#core/grain/texture'
import type { Pot } from '#core/pot/pot'
import { GOOD_OUTCOMES, outcomeWord, type OutcomeWord } from '#core/simulate/outcome-word'
import { outcomeOf, type Simulated } from '#core/simulate/simulate'
import { verdictOf, type Outcome, type Verdict } from '#core/simulate/verdict'
import type { Handled } from './run-actions'

export interface Ending {
  outcome: Outcome
  verdict: Verdict
  word: OutcomeWord
  /** On the scale 0 firm … 1 soft. */
  texture: number
  /** Good, and within a judging step of what was wanted. */
  good: boolean
  final: Simulated['final']
}

/** A step of judging, on the scale of texture: more than this off and someone says so. */
const STEP = 0.5
/** Members of a blend this far apart in texture are two dishes in one pot. */
const APART = 1

/** How a pot that was cooked by hand ended. */
export function endingOf({ pot, prepared }: Handled): Ending {
  const outcome = outcomeOf(pot)
  const { uptake } = prepared.blend
  const plain = verdictOf(outcome, uptake)
  const textures = prepared.blend.parts.map((part, g) => textureOf(part.variety.uptake, partUptake(pot, g)))
  const verdict = { ...plain, uneven: plain.uneven || Math.max(...textures) - Math.min(...textures) > APART }
  const texture = textureOf(uptake, outcome.uptakeMean)
  const word = outcomeWord(verdict)
  const wanted = textureOf(uptake, prepared.uptake)
  return {
    outcome,
    verdict,
    word,
    texture,
    good: GOOD_OUTCOMES.has(word) && Math.abs(texture - wanted) <= STEP,
    final: {
      uptakeMin: Math.min(...outcome.uptakeByLayer),
      uptakeMax: Math.max(...outcome.uptakeByLayer),
      freeG: pot.freeG,
      evaporatedG: pot.evaporatedG,
      drainedG: pot.drainedG,
      bottomC: pot.bottomC,
    },
  }
}

function partUptake(pot: Pot, grain: number): number {
  const { layers } = pot.resolution
  let sum = 0
  for (let l = 0; l < layers; l++) sum += pot.mean[grain * layers + l]!
  return sum / layers
}
