import type { HeatLevel } from '#core/heat/sources'

/** A task of a meal as its board has it. Moments are UTC milliseconds. */
export interface BoardTask {
  id: string
  title: string
  startMs: number
  endMs: number
  hands: boolean
  at?: string
  state: 'done' | 'now' | 'next'
  lookInEveryMin?: number
  /** Of a pot's own steps. */
  heat?: HeatLevel
}

/** What a pot under way wants next, as its stove has it. */
export interface PotTouch {
  stage: string
  title: string
  atMs: number
  /** The word on its key, where it waits for something seen. */
  word?: string
  kind: 'cue' | 'finish'
}

export interface BoardDish {
  id: string
  title: string
  isPot: boolean
  /** The cook it has become. */
  cook?: string
  touch?: PotTouch
  over: boolean
  tasks: readonly BoardTask[]
}

/** One row of what to do: what, when, and the one key that says it is so. */
export interface Act {
  dish: string
  task: string
  title: string
  atMs: number
  /** Until when what is on goes on by itself. */
  untilMs?: number
  at?: string
  hands: boolean
  press?: { kind: 'begin' | 'done' | 'cue' | 'finish'; word: string }
  cook?: string
}

const MINUTE = 60_000

/** The next thing to do at every dish, the soonest first; a dish that is done has none. */
export function nextActs(dishes: readonly BoardDish[], nowMs: number): Act[] {
  return dishes
    .flatMap((dish): Act[] =>
      dish.over
        ? []
        : dish.cook !== undefined
          ? potActs(dish)
          : [dishAct(dish, nowMs)].filter((a) => a !== undefined),
    )
    .sort((a, b) => a.atMs - b.atMs)
}

function potActs({ id, cook, touch, tasks }: BoardDish): Act[] {
  if (!touch) return []
  const task = tasks.find((t) => t.id === touch.stage)
  return [
    {
      dish: id,
      task: touch.stage,
      title: touch.title,
      atMs: touch.atMs,
      hands: task?.hands ?? true,
      cook: cook!,
      ...(task?.at === undefined ? {} : { at: task.at }),
      untilMs: Math.max(touch.atMs, task?.endMs ?? 0),
      ...(touch.word === undefined ? {} : { press: { kind: touch.kind, word: touch.word } }),
    },
  ]
}

function dishAct({ id, isPot, tasks }: BoardDish, nowMs: number): Act | undefined {
  const on = tasks.filter((t) => t.state === 'now').sort((a, b) => a.endMs - b.endMs)[0]
  if (on) {
    const every = (on.lookInEveryMin ?? Infinity) * MINUTE
    const looks = Number.isFinite(every)
      ? on.startMs + Math.ceil(Math.max(1, nowMs - on.startMs - MINUTE) / every) * every
      : Infinity
    const look = looks < on.endMs - MINUTE
    return {
      dish: id,
      task: on.id,
      title: look ? `${on.title}: check` : on.title,
      atMs: look ? looks : on.endMs,
      untilMs: on.endMs,
      hands: on.hands,
      ...(on.at === undefined ? {} : { at: on.at }),
      press: { kind: 'done', word: 'Done' },
    }
  }
  const next = tasks.filter((t) => t.state === 'next').sort((a, b) => a.startMs - b.startMs)[0]
  if (!next) return undefined
  return {
    dish: id,
    task: next.id,
    title: next.title,
    atMs: next.startMs,
    hands: next.hands,
    ...(next.at === undefined ? {} : { at: next.at }),
    press: { kind: 'begin', word: isPot ? 'Start the pot' : 'Start' },
  }
}
