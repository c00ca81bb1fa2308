import type { Person } from '#core/eaters/party'
import type { Db } from './open'

/** The people of the household. */
export function peopleIn(db: Db) {
  const list = db.prepare('SELECT id, name, appetite, firmness, avoids FROM eater ORDER BY position, id')
  const next = db.prepare('SELECT coalesce(max(position), 0) + 1 FROM eater').pluck()
  const save = db.prepare(`
    INSERT INTO eater (id, position, name, appetite, firmness, avoids) VALUES (@id, @position, @name, @appetite, @firmness, @avoids)
    ON CONFLICT (id) DO UPDATE SET name = @name, appetite = @appetite, firmness = @firmness, avoids = @avoids`)
  const drop = db.prepare('DELETE FROM eater WHERE id = ?')
  return {
    all: (): Person[] =>
      (list.all() as (Omit<Person, 'avoids'> & { avoids: string })[]).map((row) => ({
        ...row,
        avoids: JSON.parse(row.avoids) as Person['avoids'],
      })),
    save: (person: Person) =>
      void save.run({ ...person, position: next.get(), avoids: JSON.stringify(person.avoids) }),
    drop: (id: string) => drop.run(id).changes > 0,
  }
}
