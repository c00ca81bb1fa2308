import type { PlayerActions } from '#core/practice/player-actions'
import type { Db } from './open'

/** Practice pots that came out well. */
export function practiceIn(db: Db) {
  const list = db.prepare('SELECT situation FROM understood ORDER BY at_ms').pluck()
  // The first good result counts; a later one changes nothing.
  const add = db.prepare(
    'INSERT INTO understood (situation, at_ms, doing) VALUES (?, ?, ?) ON CONFLICT (situation) DO NOTHING',
  )
  return {
    understood: (): string[] => list.all() as string[],
    understand: (situation: string, atMs: number, playerActions: PlayerActions): void =>
      void add.run(situation, Math.round(atMs), JSON.stringify(playerActions)),
  }
}
