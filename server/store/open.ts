import { mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import Database from 'better-sqlite3'

export type Db = Database.Database

/** Where the numbered .sql files lie; the server may be started from anywhere, the source stays where it is. */
const migrationsFolder = () => join(process.env.OMSEL_ROOT ?? process.cwd(), 'server/store/migrations')

/**
 * Opens a household's database and brings it up to date.
 * @param file a path, or ":memory:"
 * @param upTo stops at this version; {@link bringUp} goes on
 * @throws {Error} when it was written by a newer version
 */
export function openDatabase(file: string, upTo = Infinity): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true })
  const db = new Database(file)
  db.pragma('journal_mode = WAL')
  db.pragma('synchronous = FULL')
  db.pragma('foreign_keys = ON')
  db.pragma('busy_timeout = 5000')
  bringUp(db, upTo)
  return db
}

const migrations = (): string[] =>
  readdirSync(migrationsFolder())
    .filter((name) => /^\d{4}-.*\.sql$/.test(name))
    .sort()
/** The version this program brings a database to. */
export const migrationCount = (): number => migrations().length

/** Brings a database up to a version, the newest unless said. */
export function bringUp(db: Db, upTo = Infinity): void {
  const files = migrations()
  const at = db.pragma('user_version', { simple: true }) as number
  if (at > files.length)
    throw new Error(
      `openDatabase: this database is at version ${at}, newer than the ${files.length} this program knows`,
    )
  for (const [i, name] of files.entries()) {
    if (i < at || i >= upTo) continue
    db.transaction(() => {
      db.exec(readFileSync(join(migrationsFolder(), name), 'utf8'))
      db.pragma(`user_version = ${i + 1}`)
    })()
  }
}
