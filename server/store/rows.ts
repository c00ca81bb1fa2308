import type { InferOutput } from 'valibot'
import type { BUNDLE_TABLES, TableId } from '#core/contract/bundle'

type Schemas = typeof BUNDLE_TABLES
type Columns<T extends TableId> = InferOutput<Schemas[T]['row']>
type JsonColumn<T extends TableId> = Schemas[T] extends { json: readonly (infer C)[] } ? C : never

/** A row of a table by the schema that lists its columns; where it stands in a list is the store's business. */
export type TableRow<T extends TableId> = Omit<Columns<T>, 'position'>

/** The same as SQLite returns it: columns of JSON are text. */
export type StoredRow<T extends TableId> = {
  [C in keyof TableRow<T>]: C extends JsonColumn<T> ? string | Extract<TableRow<T>[C], null> : TableRow<T>[C]
}
