/** A stage as the ribbon sees it, minutes from the start of the cook. */
export interface RibbonStage {
  id: string
  start: number
  end: number
  /** A wait with nothing to do: it may be folded. */
  wait: boolean
}

export interface RibbonPiece {
  id: string
  /** Share of the ribbon's width, 0..1. */
  x: number
  width: number
  folded: boolean
}

/** A wait longer than this is folded, and drawn as long as this, minutes. */
export const LONGEST_DRAWN = 45
const FOLDED_MINUTES = 24
/** No piece is drawn shorter than this, minutes, or nobody could read or press it. */
const SHORTEST_DRAWN = 2

/** Where each stage lies on the ribbon, and the way from minutes to a place on it. */
export function layRibbon(stages: readonly RibbonStage[]): { pieces: RibbonPiece[]; placeOf: (minute: number) => number } {
  const drawn = stages.map((stage) => {
    const minutes = stage.end - stage.start
    const folded = stage.wait && minutes > LONGEST_DRAWN
    return { ...stage, folded, minutes: folded ? FOLDED_MINUTES : Math.max(SHORTEST_DRAWN, minutes) }
  })
  const total = drawn.reduce((sum, stage) => sum + stage.minutes, 0)
  let x = 0
  const pieces = drawn.map((stage) => {
    const piece = { id: stage.id, x, width: total > 0 ? stage.minutes / total : 0, folded: stage.folded }
    x += piece.width
    return piece
  })
  const placeOf = (minute: number): number => {
    for (const [i, stage] of drawn.entries()) {
      if (minute >= stage.end) continue
      const into = stage.end > stage.start ? Math.max(0, (minute - stage.start) / (stage.end - stage.start)) : 0
      return pieces[i]!.x + into * pieces[i]!.width
    }
    return 1
  }
  return { pieces, placeOf }
}
