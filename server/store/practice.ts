import type { PlayerActions } from '#core/practice/player-actions'
import type { Db } from './open'

/** Practice pots that came out well. */
export function practiceIn(db: Db) {
  const list = db.prepare('SELECT situation FROM practice_result ORDER BY at_ms').pluck()
  // The first good result counts; a later one changes nothing.
  const add = db.prepare(
    'INSERT INTO practice_result (situation, at_ms, player_actions) VALUES (?, ?, ?) ON CONFLICT (situation) DO NOTHING',
  )
  return {
    completed: (): string[] => list.all() as string[],
    complete: (situation: string, atMs: number, playerActions: PlayerActions): void =>
      void add.run(situation, Math.round(atMs), JSON.stringify(playerActions)),
  }
}
