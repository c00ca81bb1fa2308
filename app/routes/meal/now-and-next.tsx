import { UnstyledButton } from '@mantine/core'
import type { Outbox } from '../../offline/outbox'
import type { Board, MealPress, Settings, Meal } from './meal-data'
import classes from './meal.module.css'
import { Acts } from './next-actions'

const LATE_MINUTES = [5, 15, 30]

/** What to do now, late guests, and the undo of the last press. */
export function NowAndNext({
  board,
  begun,
  outbox,
  now,
  settings,
  placeOf,
  meal,
  names,
  handAt,
}: {
  board: Board
  begun: boolean
  outbox: Outbox<MealPress>
  now: number
  settings: Settings
  placeOf: (id: string) => string
  meal: Meal
  names: string[]
  handAt: (dish: string, task: string) => number | undefined
}) {
  return (
    <>
      {board && board.acts.length > 0 && (
        <section className={`${classes.nowPart} basin`} aria-label="Now">
          <div className={classes.nowHead}>
            <h2 className="place-part">Now and next</h2>
            {begun && (
              <>
                <span className="quiet">guests late by</span>
                {LATE_MINUTES.map((minutes) => (
                  <UnstyledButton
                    key={minutes}
                    className="chip"
                    aria-label={`Guests ${minutes} minutes late`}
                    onClick={() => outbox.press('late', '', { amount: minutes })}
                  >
                    +{minutes}
                  </UnstyledButton>
                ))}
              </>
            )}
            {board.last && (
              <UnstyledButton
                className="link"
                onClick={() => outbox.press('take-back', '', { target: board.last!.id })}
              >
                Undo “{lastWord(board.last, board.dishes)}”
              </UnstyledButton>
            )}
          </div>
          <Acts
            acts={board.acts}
            dishes={board.dishes}
            now={now}
            clock={settings}
            placeOf={placeOf}
            handOf={(act) => (meal.cooks > 1 ? names[handAt(act.dish, act.task) ?? 0] : undefined)}
            sent={new Set(outbox.waiting.map((e) => e.dish ?? ''))}
            press={(kind, act) => outbox.press(kind, act.task, { dish: act.dish })}
          />
        </section>
      )}
    </>
  )
}

const EVENT_WORDS: Record<string, string> = {
  begin: 'started',
  done: 'done',
  hand: 'handed over',
  late: 'guests late',
}

const lastWord = (
  { kind, dish }: { kind: string; dish: string | null },
  dishes: readonly { id: string; title: string }[],
): string =>
  `${dish === null ? '' : `${dishes.find((d) => d.id === dish)?.title ?? ''} `}${EVENT_WORDS[kind] ?? kind}`
