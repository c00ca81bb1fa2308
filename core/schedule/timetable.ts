import type { KitchenPlaces, Need } from './task'

/** A stretch for which a pot is taken, in minutes before serving: from the first, up to the last without it. */
export interface PotStretch {
  pot: string
  first: number
  last: number
}

/**
 * Which minute is taken: one row for each place, and one for the cooks. Minute 0 is the one before serving;
 * minutes count backwards.
 */
export class Timetable {
  readonly #rows: Map<string, Uint8Array>
  readonly #room: Map<string, number>
  readonly horizon: number

  constructor({ burners, oven, appliances, cooks }: KitchenPlaces, horizon: number) {
    this.horizon = horizon
    const row = () => new Uint8Array(horizon)
    this.#rows = new Map([
      ...burners.map(({ id }) => [`burner ${id}`, row()] as const),
      ['oven', row()],
      ...appliances.map((id) => [`appliance ${id}`, row()] as const),
      ['hands', row()],
    ])
    this.#room = new Map([
      ...burners.map(({ id }) => [`burner ${id}`, 1] as const),
      ['oven', oven],
      ...appliances.map((id) => [`appliance ${id}`, 1] as const),
      ['hands', cooks],
    ])
  }

  /** The row of a need.  @param at burner or appliance of the block */
  static rowOf = ({ place }: Need, at: string | undefined): string | undefined =>
    place === null ? undefined : place === 'oven' ? 'oven' : `${place} ${at}`

  /**
   * Minutes by which a block that starts then would have to move earlier; 0 when it fits, Infinity when it
   * never can.
   * @param start minutes before serving, as a positive number
   */
  clash(needs: readonly Need[], at: string | undefined, start: number): number {
    for (const need of needs)
      for (const name of need.hands ? ['hands', Timetable.rowOf(need, at)] : [Timetable.rowOf(need, at)]) {
        if (name === undefined) continue
        const row = this.#rows.get(name)
        const room = this.#room.get(name) ?? 0
        if (!row || room === 0) return Infinity
        // From its first minute back to its last: the nearest taken one tells how far to move.
        const first = start - need.from
        for (let minute = first; minute > first - need.minutes; minute--) {
          if (minute < 1) return 1
          if (minute > this.horizon) return Infinity
          if (row[minute - 1]! >= room) return minute - (first - need.minutes)
        }
      }
    return 0
  }

  /**
   * Minutes by which a block would have to move earlier for its pot to be free; 0 when it is.
   * @param stretch from its first minute back to before its last, as minutes before serving
   */
  clashPot({ pot, first, last }: PotStretch): number {
    const row = this.#rows.get(`pot ${pot}`)
    for (let minute = first; row && minute > Math.max(0, last); minute--)
      if (minute > this.horizon || row[minute - 1]! > 0) return minute - last
    return 0
  }

  takePot({ pot, first, last }: PotStretch): void {
    const row = this.#rows.get(`pot ${pot}`) ?? new Uint8Array(this.horizon)
    this.#rows.set(`pot ${pot}`, row)
    for (let minute = first; minute > Math.max(0, last); minute--)
      if (minute <= this.horizon) row[minute - 1]!++
  }

  take(needs: readonly Need[], at: string | undefined, start: number, by: 1 | -1 = 1): void {
    for (const need of needs)
      for (const name of need.hands ? ['hands', Timetable.rowOf(need, at)] : [Timetable.rowOf(need, at)]) {
        if (name === undefined) continue
        const row = this.#rows.get(name)!
        const first = start - need.from
        for (let minute = first; minute > first - need.minutes; minute--) row[minute - 1]! += by
      }
  }
}
