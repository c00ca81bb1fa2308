import { TABLE_IDS, tableSpec, type Row, type TableId } from '#core/contract/bundle'
import { GROUPS, type GroupId } from '#core/contract/bundle-names'
import { notUndone, type LoggedEvent } from '#core/event-log'
import type { Db } from '#server/store/open'
import { jsonDigest } from './staging'

/** Which household's row is kept where both have one and they differ. */
export type Choice = 'ours' | 'theirs'
export type Choices = Partial<Record<GroupId, Choice>>

/** One row that both households have, and that is not the same in both. */
export interface Differing {
  table: TableId
  /** By what a person would know it. */
  name: string
  fields: string[]
  /** It was written once and for all, so ours stays. */
  settled: boolean
}

/** What a group of rows would become. */
export interface GroupChange {
  group: GroupId
  name: string
  added: number
  same: number
  differing: Differing[]
  /** Rows that cannot come along, and why. */
  left: { many: number; why: string }[]
}

export interface MergePlan {
  changes: GroupChange[]
  added: Map<TableId, Row[]>
  replaced: Map<TableId, Row[]>
}

const MAX_SHOWN = 200

/**
 * What merging would do: rows by their keys, what is new, the same, or different. Nothing is written. Records
 * (batches, containers) are whole: one that both have goes on where it stopped, if what one household knows
 * of it is a part of what the other knows; else ours stays as it is. Batches that are still on their stove
 * stay there.
 */
export function mergePlan(db: Db, theirs: Db, choices: Choices = {}): MergePlan {
  const merging = new Merging(db, theirs, choices)
  for (const table of TABLE_IDS) merging.addTable(table)
  return merging.plan()
}

class Merging {
  readonly #changes = new Map<GroupId, GroupChange>()
  readonly #added = new Map<TableId, Row[]>()
  readonly #replaced = new Map<TableId, Row[]>()
  /** Keys that exist after the merge, by table, to check references. */
  readonly #present = new Map<string, Set<unknown>>()
  /** Keys of rows that are not taken over, by table. */
  readonly #away = new Map<string, Set<unknown>>()
  readonly #db: Db
  readonly #theirs: Db
  readonly #choices: Choices

  constructor(db: Db, theirs: Db, choices: Choices) {
    this.#db = db
    this.#theirs = theirs
    this.#choices = choices
  }

  plan(): MergePlan {
    return {
      changes: [...this.#changes.values()]
        .filter((c) => c.added + c.same + c.differing.length + c.left.length > 0)
        .map((c) => ({ ...c, differing: c.differing.slice(0, MAX_SHOWN) })),
      added: this.#added,
      replaced: this.#replaced,
    }
  }

  addTable(table: TableId): void {
    const rows = lightRows(this.#theirs, table)
    const spec = tableSpec(table)
    const ownKey = spec.key.length === 1 ? spec.key[0]! : undefined
    const ours = lightRows(this.#db, table)
    const byKey = new Map(ours.map((row) => [keyOf(table, row), row]))
    this.#present.set(table, new Set(ownKey === undefined ? [] : ours.map((row) => row[ownKey])))
    if (rows.length === 0) return
    const change = this.#changeOf(spec.group)
    const running = table === 'cook' ? stillOn(this.#theirs) : undefined
    const members = spec.of ? membersOf(spec.of.column, ours, rows) : undefined
    const news: Row[] = []
    for (const given of rows) {
      const here = byKey.get(keyOf(table, given))
      if (running?.has(given.id)) {
        if (here) change.same++
        else {
          leave(change, 'still cooking in that file')
          setOf(this.#away, table).add(given.id)
        }
        continue
      }
      const row = this.#withoutOrphans(table, given, change)
      if (!row) continue
      if (here) this.#compare(table, row, here, change)
      else if (members && !members.goesOn(row)) {
        if (members.firstOf(row)) change.differing.push(goesOnElsewhere(table, row))
      } else if (clashes(table, row, ours)) leave(change, 'already here under another name')
      else {
        news.push(row)
        if (ownKey !== undefined) this.#present.get(table)!.add(row[ownKey])
        change.added++
      }
    }
    if (news.length > 0) this.#added.set(table, news)
  }

  #changeOf(group: GroupId): GroupChange {
    const there = this.#changes.get(group)
    if (there) return there
    const made: GroupChange = { group, name: GROUPS[group], added: 0, same: 0, differing: [], left: [] }
    this.#changes.set(group, made)
    return made
  }

  /**
   * The row without names of what is in neither household.
   * @returns undefined where the row makes no sense without it
   */
  #withoutOrphans(table: TableId, row: Row, change: GroupChange): Row | undefined {
    const spec = tableSpec(table)
    const orphan = Object.entries(spec.names ?? {}).find(
      ([column, other]) => row[column] !== null && !this.#present.get(other)!.has(row[column]),
    )
    if (!orphan) return row
    const [column, other] = orphan
    if (spec.of?.column !== column && nullable(table, column)) return { ...row, [column]: null }
    // What belongs to a batch that stays away stays with it, and is not mentioned again.
    if (!this.#away.get(other)?.has(row[column]))
      leave(change, `speaks of a ${other} that is in neither house`)
    return undefined
  }

  #compare(table: TableId, row: Row, here: Row, change: GroupChange): void {
    const spec = tableSpec(table)
    const fields = Object.keys(row).filter(
      (column) => JSON.stringify(row[column]) !== JSON.stringify(here[column]),
    )
    if (fields.length === 0) {
      change.same++
      return
    }
    change.differing.push({ table, name: nameOf(here), fields, settled: spec.record === true })
    if (spec.record || this.#choices[spec.group] !== 'theirs') return
    const rows = this.#replaced.get(table) ?? []
    rows.push(row)
    this.#replaced.set(table, rows)
  }
}

function leave(change: GroupChange, why: string): void {
  const line = change.left.find((one) => one.why === why)
  if (line) line.many++
  else change.left.push({ many: 1, why })
}

function setOf(sets: Map<string, Set<unknown>>, table: string): Set<unknown> {
  const set = sets.get(table) ?? new Set<unknown>()
  sets.set(table, set)
  return set
}

const goesOnElsewhere = (table: TableId, row: Row): GroupChange['differing'][number] => {
  const { of } = tableSpec(table)
  return {
    table,
    name: `${of!.table} ${String(row[of!.column])}`,
    fields: ['what happened in it'],
    settled: true,
  }
}

const nullable = (table: TableId, column: string): boolean =>
  (tableSpec(table).row.entries[column] as { type: string }).type === 'nullable'

/** Two presses of one cook that mean one thing are one. */
function clashes(table: TableId, row: Row, ours: readonly Row[]): boolean {
  const spec = tableSpec(table)
  if (!spec.of || row.identity === null || row.identity === undefined) return false
  return ours.some((one) => one[spec.of!.column] === row[spec.of!.column] && one.identity === row.identity)
}

/** Batches that have not ended. */
function stillOn(theirs: Db): Set<unknown> {
  const over = new Set(
    notUndone(lightRows(theirs, 'cook_event') as (Row & LoggedEvent)[])
      .filter((e) => e.kind === 'finish' || e.kind === 'stop')
      .map((e) => e.cook_id),
  )
  const ids = theirs.prepare('SELECT id FROM cook').pluck().all()
  return new Set(ids.filter((id) => !over.has(id)))
}

/** What happened in a thing, here and there: theirs goes on where ours stopped if ours is a part of theirs. */
function membersOf(column: string, ours: readonly Row[], theirs: readonly Row[]) {
  const sets = (rows: readonly Row[]) => {
    const by = new Map<unknown, Set<unknown>>()
    for (const row of rows)
      (by.get(row[column]) ?? by.set(row[column], new Set()).get(row[column])!).add(row.id)
    return by
  }
  const [here, there] = [sets(ours), sets(theirs)]
  const mentioned = new Set<unknown>()
  return {
    goesOn: (row: Row): boolean =>
      [...(here.get(row[column]) ?? [])].every((id) => there.get(row[column])!.has(id)),
    firstOf: (row: Row): boolean => !mentioned.has(row[column]) && mentioned.add(row[column]) !== undefined,
  }
}

const nameOf = (row: Row): string =>
  String(
    row.name ?? row.title ?? row.figure ?? row.situation ?? row.style ?? row.kind ?? row.cook_id ?? row.id,
  )

/**
 * Rows without what is long in them: of columns with JSON there is a digest, by which they are compared. So ten
 * thousand batches can be merged without holding their plans.
 */
export function lightRows(db: Db, table: TableId): Row[] {
  const { json = [], row, order, key } = tableSpec(table)
  if (json.length > 0) db.function('json_digest', { deterministic: true }, jsonDigest)
  const columns = Object.keys(row.entries).map((column) =>
    json.includes(column) ? `json_digest(${column}) AS ${column}` : column,
  )
  return db
    .prepare(`SELECT ${columns.join(', ')} FROM ${table} ORDER BY ${order ?? key.join(', ')}`)
    .all() as Row[]
}

export const keyOf = (table: TableId, row: Row): string =>
  JSON.stringify(tableSpec(table).key.map((column) => row[column]))

/**
 * Writes what a plan says, in one transaction of the caller's. What is long is taken from their database as it
 * is, which the caller has attached under the name `theirs`.
 */
export function applyMerge(db: Db, { added, replaced }: Pick<MergePlan, 'added' | 'replaced'>): void {
  const columnsOf = (table: TableId) => {
    const { json = [], row, key } = tableSpec(table)
    const plain = Object.keys(row.entries).filter((column) => !json.includes(column))
    return { json, key, plain, byKey: key.map((column) => `${column} = ?`).join(' AND ') }
  }
  const values = (row: Row, columns: readonly string[]) => columns.map((column) => row[column])
  for (const [table, rows] of replaced) {
    const { json, key, plain, byKey } = columnsOf(table)
    const changed = plain.filter((column) => !key.includes(column))
    const update = db.prepare(
      `UPDATE ${table} SET ${[
        ...changed.map((column) => `${column} = ?`),
        ...json.map((column) => `${column} = (SELECT ${column} FROM theirs.${table} WHERE ${byKey})`),
      ].join(', ')} WHERE ${byKey}`,
    )
    for (const row of rows)
      update.run([...values(row, changed), ...json.flatMap(() => values(row, key)), ...values(row, key)])
  }
  for (const table of TABLE_IDS) {
    const rows = added.get(table)
    if (!rows) continue
    const { json, key, plain, byKey } = columnsOf(table)
    const put = db.prepare(
      `INSERT INTO main.${table} (${[...plain, ...json].join(', ')})
       SELECT ${[...plain.map(() => '?'), ...json].join(', ')} FROM theirs.${table} WHERE ${byKey}`,
    )
    for (const row of rows) put.run([...values(row, plain), ...values(row, key)])
  }
}

/** Puts the household attached as `theirs` in the place of this one.  @returns how many rows it has */
export function replaceAll(db: Db): number {
  for (const table of [...TABLE_IDS].reverse()) db.exec(`DELETE FROM main.${table}`)
  let rows = 0
  for (const table of TABLE_IDS) {
    const { row, order, key } = tableSpec(table)
    const columns = Object.keys(row.entries).join(', ')
    const put = db.prepare(
      `INSERT INTO main.${table} (${columns}) SELECT ${columns} FROM theirs.${table} ORDER BY ${order ?? key.join(', ')}`,
    )
    rows += put.run().changes
  }
  return rows
}
