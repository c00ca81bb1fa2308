import { millilitres } from '#core/units/units'
import { levelOf, type Shape } from './shape'

export interface RulerLine {
  /** Over the inner base, mm. */
  mm: number
  ml: number
  /** How many of the step it is. */
  steps: number
}

/** Lines nearer than this to each other are not told apart at the stove, mm. */
export const LEAST_APART_MM = 4
/** The longest strip that a sheet of A4 and one of US Letter both hold, mm. */
export const LONGEST_STRIP_MM = 230

/**
 * Where so much water comes to in a vessel: the lines of a paper strip held upright in it.
 * @param stepsMl steps to choose from, mL, finest first; the first whose lines are far enough apart is taken
 * @returns lines from the lowest up to the rim or the end of the strip
 */
export function rulerLines(shape: Shape, stepsMl: readonly number[]): RulerLine[] {
  const top = Math.min(shape.height, LONGEST_STRIP_MM)
  const linesOf = (stepMl: number): RulerLine[] => {
    const lines: RulerLine[] = []
    for (let steps = 1; ; steps++) {
      const mm = levelOf(shape, millilitres(steps * stepMl))
      if (mm > top) return lines
      lines.push({ mm, ml: steps * stepMl, steps })
    }
  }
  const apart = (lines: readonly RulerLine[]) =>
    lines.length > 0 && lines.every(({ mm }, i) => mm - (lines[i - 1]?.mm ?? 0) >= LEAST_APART_MM)
  return stepsMl.map(linesOf).find(apart) ?? linesOf(stepsMl.at(-1)!)
}
