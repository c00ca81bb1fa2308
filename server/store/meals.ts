import { nowMs } from '#server/clock'
import type { Applied } from '#core/learn/evidence'
import type { Db } from './open'
import type { TypedTask } from '#core/schedule/read-tasks'
import type { StoredRow, TableRow } from './rows'

export type MealTask = TypedTask
/** What the cook fixed of a dish: its burner, and how long before the table it is ready. */
interface Fixed {
  burner?: string
  ready_before_minutes?: number
  hold_max_minutes?: number
}
export type MealDish = Fixed &
  (
    | {
        id: string
        title: string
        kind: 'plan'
        /** The plan it stands for. */ search: string
        vessel_id: string
        /** A contract request, without its hour. */ request: Record<string, unknown>
        heat_id?: string
        bag_id?: string
        /** What had been learned and is planned with. */ applied?: Applied
      }
    | { id: string; title: string; kind: 'companion'; tasks: MealTask[] }
  )

export interface MealRow {
  id: string
  made_ms: number
  title: string
  serve_ms: number
  cooks: number
  oven: number
  dishes: MealDish[]
  /** Who cooks, as many as there are names for. */
  names: string[]
  /** The last published timetable of the remaining tasks; null before the meal has begun. */
  published: PublishedTask[] | null
  /** When it was last changed; set as it is saved, null for one of an older version. */
  changed_ms?: number | null
}
export interface PublishedTask {
  dish: string
  id: string
  starts_at: string
  resource?: string
}

export type MealEvent = Omit<TableRow<'meal_event'>, 'meal_id'>

const MEAL = 'id, made_ms, title, serve_ms, cooks, oven, dishes, names, told, changed_ms'
const EVENT = 'id, kind, identity, dish_id, task_id, resource, cook_id, amount, target, at_ms, received_ms'
type Stored = StoredRow<'meal'>
const of = (row: Stored): MealRow => ({
  ...row,
  dishes: JSON.parse(row.dishes) as MealDish[],
  names: JSON.parse(row.names) as string[],
  published: row.told === null ? null : (JSON.parse(row.told) as PublishedTask[]),
})

export function mealsIn(db: Db) {
  const list = db.prepare(`SELECT ${MEAL} FROM meal ORDER BY serve_ms DESC, id LIMIT ? OFFSET ?`)
  const count = db.prepare('SELECT count(*) FROM meal').pluck()
  const one = db.prepare(`SELECT ${MEAL} FROM meal WHERE id = ?`)
  const save = db.prepare(`
    INSERT INTO meal (${MEAL}) VALUES (${MEAL.replace(/\w+/g, '@$&')})
    ON CONFLICT (id) DO UPDATE SET title = @title, serve_ms = @serve_ms, cooks = @cooks, oven = @oven, dishes = @dishes, names = @names, told = @told, changed_ms = @changed_ms`)
  const drop = db.prepare('DELETE FROM meal WHERE id = ?')
  const events = db.prepare(`SELECT ${EVENT} FROM meal_event WHERE meal_id = ? ORDER BY at_ms, received_ms`)
  const append = db.prepare(
    `INSERT OR IGNORE INTO meal_event (meal_id, ${EVENT}) VALUES (@meal_id, ${EVENT.replace(/\w+/g, '@$&')})`,
  )
  const calendarKey = db.prepare('SELECT key FROM calendar_key WHERE meal_id = ?').pluck()
  const setCalendarKey = db.prepare(
    'INSERT INTO calendar_key (meal_id, key) VALUES (?, ?) ON CONFLICT (meal_id) DO UPDATE SET key = excluded.key',
  )
  const dropCalendarKey = db.prepare('DELETE FROM calendar_key WHERE meal_id = ?')
  const ofCook = db.prepare(`SELECT meal_id FROM meal_event WHERE cook_id = ? LIMIT 1`)
  return {
    events: (id: string) => events.all(id) as MealEvent[],
    /** @returns whether it was new */
    append: (id: string, event: MealEvent) => append.run({ meal_id: id, ...event }).changes > 0,
    /** The meal a batch belongs to. */
    ofCook: (cookId: string) => (ofCook.get(cookId) as { meal_id: string } | undefined)?.meal_id,
    /** The latest first. */
    all: (most = 60, from = 0) => (list.all(most, from) as Stored[]).map(of),
    count: () => count.get() as number,
    find: (id: string) => {
      const row = one.get(id) as Stored | undefined
      return row && of(row)
    },
    save: (row: MealRow) =>
      void save.run({
        ...row,
        dishes: JSON.stringify(row.dishes),
        names: JSON.stringify(row.names),
        told: row.published === null ? null : JSON.stringify(row.published),
        changed_ms: Math.round(nowMs()),
      }),
    /** The secret with which calendars read it. */
    calendarKey: (id: string) => calendarKey.get(id) as string | undefined,
    setCalendarKey: (id: string, key: string | null) =>
      void (key === null ? dropCalendarKey.run(id) : setCalendarKey.run(id, key)),
    drop: (id: string) => drop.run(id).changes > 0,
  }
}
