import type { KitchenPlaces, Need } from './task'

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
