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

/** A stretch of waiting longer than this is folded, and drawn as long as this, minutes. */
const MAX_DRAWN = 45
const FOLDED_MINUTES = 24
/** No stretch is drawn shorter than this, minutes, or nobody could read or press it. */
const MIN_DRAWN = 2

/**
 * Where each stage lies on the ribbon, and the way from minutes to a place on it. Stages may go on side by
 * side: time is cut at every start and end, and only a stretch in which everything waits is folded.
 * @param shortest no stretch is drawn shorter, minutes; 0 keeps them true to each other
 * @param slide a minute that is to lie at a share of the width, what is over left of it and what comes right
 */
export function layRibbon(
  stages: readonly RibbonStage[],
  shortest = MIN_DRAWN,
  slide?: { minute: number; at: number },
): { pieces: RibbonPiece[]; placeOf: (minute: number) => number; drawnMinutes: number } {
  const cuts = [...new Set(stages.flatMap(({ start, end }) => [start, end]))].sort((a, b) => a - b)
  const stretches = cuts.slice(1).map((to, i) => {
    const from = cuts[i]!
    const during = stages.filter(({ start, end }) => start < to && end > from)
    const folded = during.length > 0 && during.every(({ wait }) => wait) && to - from > MAX_DRAWN
    return { from, to, folded, minutes: folded ? FOLDED_MINUTES : Math.max(shortest, to - from) }
  })
  const total = stretches.reduce((sum, { minutes }) => sum + minutes, 0)
  let at = 0
  const drawn = stretches.map((stretch) => {
    const place = { ...stretch, x: at, width: total > 0 ? stretch.minutes / total : 0 }
    at += place.width
    return place
  })
  const placeOf = (minute: number): number => {
    const on = drawn.find(({ to }) => minute < to)
    if (!on) return 1
    return on.x + (Math.max(0, minute - on.from) / (on.to - on.from)) * on.width
  }
  const pieces = stages.map(({ id, start, end }) => {
    const mine = drawn.filter(({ from, to }) => from >= start && to <= end)
    const x = mine[0]?.x ?? placeOf(start)
    return {
      id,
      x,
      width: mine.reduce((sum, { width }) => sum + width, 0),
      folded: mine.some(({ folded }) => folded),
    }
  })
  if (!slide) return { pieces, placeOf, drawnMinutes: total }
  const under = slidUnder(placeOf(slide.minute), slide.at)
  return {
    pieces: pieces.map((piece) => ({
      ...piece,
      x: under(piece.x),
      width: under(piece.x + piece.width) - under(piece.x),
    })),
    placeOf: (minute) => under(placeOf(minute)),
    drawnMinutes: total,
  }
}

/**
 * A ribbon slid under a line at a share of its width: the rest of the cook fills what is right of the line.
 * What is over keeps that scale until it fills the left, and then draws together.
 */
function slidUnder(now: number, at: number): (x: number) => number {
  const right = now < 1 ? (1 - at) / (1 - now) : 1
  const left = now > 0 ? Math.min(at / now, right) : right
  return (x) => (x <= now ? at - (now - x) * left : at + (x - now) * right)
}

/**
 * The minute at a place on a ribbon: the inverse of placeOf, which never falls.
 * @param most the last minute there is
 */
export function minuteAtPlace(placeOf: (minute: number) => number, share: number, most: number): number {
  let [low, high] = [0, most]
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2
    if (placeOf(middle) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}
