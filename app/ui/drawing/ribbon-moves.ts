/** A ribbon of the meal board, as far as moving it goes. */
interface Ribbon {
  dish: number
  title: string
  track: string | null
}
type Tracks = readonly { id: string; name: string }[]

/** Ribbons move by so much, minutes. */
export const STEP_MIN = 5

export interface RibbonMove {
  /** Later; negative: earlier. */
  minutes: number
  /** The track it would be on. */
  track: string | null
}

/**
 * What a drag comes to, in steps of minutes and whole tracks.
 * @param px how far it was moved
 * @param minutePx width of a minute
 * @param rowPx height of a track
 */
export function ribbonMove(
  ribbon: Ribbon,
  px: { x: number; y: number },
  { tracks, minutePx, rowPx }: { tracks: Tracks; minutePx: number; rowPx: number },
): RibbonMove {
  const minutes = Math.round(px.x / minutePx / STEP_MIN) * STEP_MIN
  const row = tracks.findIndex((t) => t.id === ribbon.track) + Math.round(px.y / rowPx)
  return { minutes: minutes + 0, track: tracks[Math.min(tracks.length - 1, Math.max(0, row))]?.id ?? null }
}

/** A ribbon by its names: "long-grain white, simmer". */
export const ribbonName = (ribbon: Ribbon, dishes: readonly { title: string }[]): string =>
  `${dishes[ribbon.dish]?.title ?? 'dish'}, ${ribbon.title}`

/** Where a ribbon would be put, for who hears it: "10 minutes earlier, on big gas". */
export function moveWords(ribbon: Ribbon, { minutes, track }: RibbonMove, tracks: Tracks): string {
  const when =
    minutes === 0 ? 'at the same time' : `${Math.abs(minutes)} minutes ${minutes < 0 ? 'earlier' : 'later'}`
  const place = track === ribbon.track ? undefined : tracks.find((t) => t.id === track)?.name
  return place === undefined ? when : `${when}, on ${place}`
}
