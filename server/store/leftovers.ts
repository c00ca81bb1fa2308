import type { LeftoverEvent } from '#core/leftovers/container-state'
import type { Db } from './open'
import type { TableRow } from './rows'

export type ContainerRow = TableRow<'container'>

/** A container as it was put away. */
export type LeftoverRow = TableRow<'leftover'>

/** Dressing made ahead. */
export type BottleRow = TableRow<'bottle'>

type EventRow = TableRow<'leftover_event'>

const CONTAINER = 'id, name, ml, depth_mm, many'
const LEFTOVER =
  'id, cook_id, title, variety, container_name, grams, portions, depth_mm, density_g_ml, water_share, place, open, stacked, dressed, cooked_ms, packed_ms, next_place, for_whom'
const BOTTLE = 'id, made_ms, style, made_g, left_g, name, vinegar, sugar, salt, steeps, ready_ms'
const named = (columns: string) => columns.replace(/\w+/g, '@$&')

const eventOf = ({ id, kind, at_ms, portions, target }: EventRow): LeftoverEvent => ({
  id,
  kind,
  atMs: at_ms,
  ...(portions === null ? {} : { portions }),
  ...(target === null ? {} : { target }),
})

/** What is gone for longer than this is not asked for any more, ms. */
const LOOK_BACK_MS = 400 * 86_400_000

/** Containers, their contents, and bottles of dressing. */
export function leftoversIn(db: Db) {
  const containers = db.prepare(`SELECT ${CONTAINER} FROM container ORDER BY position, id`)
  const saveContainer = db.prepare(`
    INSERT INTO container (position, ${CONTAINER}) VALUES ((SELECT coalesce(max(position), 0) + 1 FROM container), ${named(CONTAINER)})
    ON CONFLICT (id) DO UPDATE SET name = @name, ml = @ml, depth_mm = @depth_mm, many = @many`)
  const dropContainer = db.prepare('DELETE FROM container WHERE id = ?')
  const recent = db.prepare(`SELECT ${LEFTOVER} FROM leftover WHERE packed_ms > ? ORDER BY packed_ms, id`)
  const one = db.prepare(`SELECT ${LEFTOVER} FROM leftover WHERE id = ?`)
  const ofCook = db.prepare('SELECT count(*) FROM leftover WHERE cook_id = ?').pluck()
  const add = db.prepare(`INSERT INTO leftover (${LEFTOVER}) VALUES (${named(LEFTOVER)})`)
  const events = db.prepare(
    'SELECT id, leftover_id, kind, at_ms, portions, target FROM leftover_event WHERE leftover_id = ? ORDER BY at_ms, seq',
  )
  const recentEvents = db.prepare(`
    SELECT e.id, e.leftover_id, e.kind, e.at_ms, e.portions, e.target
    FROM leftover l JOIN leftover_event e ON e.leftover_id = l.id WHERE l.packed_ms > ? ORDER BY e.at_ms, e.seq`)
  const append = db.prepare(`
    INSERT INTO leftover_event (id, leftover_id, kind, at_ms, portions, target) VALUES (@id, @leftoverId, @kind, @atMs, @portions, @target) ON CONFLICT (id) DO NOTHING`)
  const bottles = db.prepare(`SELECT ${BOTTLE} FROM bottle ORDER BY made_ms DESC`)
  const saveBottle = db.prepare(`
    INSERT INTO bottle (${BOTTLE}) VALUES (${named(BOTTLE)})
    ON CONFLICT (id) DO UPDATE SET left_g = @left_g`)
  const dropBottle = db.prepare('DELETE FROM bottle WHERE id = ?')
  const eventsOf = (id: string): LeftoverEvent[] => (events.all(id) as EventRow[]).map(eventOf)
  return {
    containers: () => containers.all() as ContainerRow[],
    saveContainer: (row: ContainerRow) => void saveContainer.run(row),
    dropContainer: (id: string) => dropContainer.run(id).changes > 0,
    /** Everything put away in the last year or so, with what happened to it. */
    all: (nowMs: number) => {
      const events = new Map<string, LeftoverEvent[]>()
      for (const row of recentEvents.all(nowMs - LOOK_BACK_MS) as EventRow[]) {
        const list = events.get(row.leftover_id) ?? []
        list.push(eventOf(row))
        events.set(row.leftover_id, list)
      }
      return (recent.all(nowMs - LOOK_BACK_MS) as LeftoverRow[]).map((row) => ({
        ...row,
        events: events.get(row.id) ?? [],
      }))
    },
    find: (id: string) => {
      const row = one.get(id) as LeftoverRow | undefined
      return row && { ...row, events: eventsOf(id) }
    },
    manyOf: (cookId: string) => ofCook.get(cookId) as number,
    add: (row: LeftoverRow) => void add.run(row),
    /** @returns whether the event was new */
    append: (leftoverId: string, event: LeftoverEvent): boolean =>
      append.run({ portions: null, target: null, ...event, leftoverId }).changes > 0,
    bottles: () => bottles.all() as BottleRow[],
    saveBottle: (row: BottleRow) => void saveBottle.run(row),
    dropBottle: (id: string) => dropBottle.run(id).changes > 0,
  }
}
export type LeftoverWithEvents = NonNullable<ReturnType<ReturnType<typeof leftoversIn>['find']>>
