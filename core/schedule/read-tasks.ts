import { SCHEDULE_LIMITS } from './limits'

/** One step of a dish that is no grain. */
export interface TypedTask {
  id: string
  title: string
  minutes: number
  hands_on: boolean
  needs: 'burner' | 'oven' | 'none'
  look_in_every_min?: number
  /** Steps of this dish, or whole dishes, that come before it, by id; left out: the step before it. */
  after?: string[]
}

/** Dishes of the meal a step may wait for. */
export type Nameable = readonly { id: string; title: string }[]

type Read = { ok: true; tasks: TypedTask[] } | { ok: false; message: string; tooMany?: true }

const MINUTES = /^(?:(\d+(?:[.,]\d+)?)\s*(?:h|hours?)\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:min|minutes?)?)?$/i
const PLACES: Record<string, TypedTask['needs']> = {
  burner: 'burner',
  stove: 'burner',
  'on a burner': 'burner',
  oven: 'oven',
  'in the oven': 'oven',
}
const HANDS = /^(hands|hands-on|by hand)$/
const MAX_TITLE = 80

const said = (text: string): string => `“${text.length > 60 ? `${text.slice(0, 60)}…` : text}”`
const numberOf = (text: string | undefined): number =>
  text === undefined ? 0 : Number(text.replace(',', '.'))

/** "45", "45 min", "1 h 20 min": minutes, or undefined for what is no time. */
function minutesIn(text: string): number | undefined {
  const found = text === '' ? null : MINUTES.exec(text)
  return found ? numberOf(found[1]) * 60 + numberOf(found[2]) : undefined
}

/** A line in its cells: by semicolons, bars or tabs; else by the commas that are no decimal point. */
function cellsOf(line: string): string[] {
  const by = /[;|\t]/.test(line) ? /[;|\t]/ : /,(?!\d)/
  return line.split(by).map((cell) => cell.trim())
}

/**
 * Steps as typed, one a line: what, minutes, and then any of hands, burner, oven, look every N, after a step or
 * a dish by its name. Cells may be parted by semicolons, commas, bars or tabs.
 * @param dishes other dishes of the meal
 * @returns the steps, or what is wrong with the first line that cannot be read
 */
export function readTasks(text: string, dishes: Nameable = []): Read {
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
  if (lines.length === 0)
    return { ok: false, message: 'needs at least one line, for example "Roast the roots; 45; oven"' }
  if (lines.length > SCHEDULE_LIMITS.tasks)
    return {
      ok: false,
      message: `holds at most ${SCHEDULE_LIMITS.tasks}, got ${lines.length}`,
      tooMany: true,
    }
  const tasks: TypedTask[] = []
  for (const [i, line] of lines.entries()) {
    const read = taskIn(line, `t${i + 1}`, [...tasks, ...dishes])
    if (typeof read === 'string') return { ok: false, message: `line ${i + 1} ${read}` }
    tasks.push(read)
  }
  return { ok: true, tasks }
}

/** One step, or what is wrong with its line. */
function taskIn(line: string, id: string, before: Nameable): TypedTask | string {
  const cells = cellsOf(line)
  // Commas may be part of what is done: "Peel, cut, 15, hands".
  const at = cells.findIndex((cell, i) => i > 0 && minutesIn(cell) !== undefined)
  const title = cells.slice(0, at < 0 ? 1 : at).join(', ')
  if (title === '' || title.length > MAX_TITLE)
    return `must begin with what is done, up to ${MAX_TITLE} characters, got ${said(line)}`
  const [min, max] = SCHEDULE_LIMITS.task_minutes
  const minutes = at < 0 ? undefined : minutesIn(cells[at]!)
  if (minutes === undefined || !(minutes >= min && minutes <= max))
    return `must have minutes from ${min} to ${max} after what is done, for example “${title}; 15”`
  const task: TypedTask = { id, title, minutes, hands_on: false, needs: 'none' }
  const words = cells
    .slice(at + 1)
    .flatMap((cell) => (/^after /i.test(cell) ? [cell] : cell.split(/,|\band\b/i)))
  for (const word of words.map((w) => w.trim().toLowerCase()).filter((w) => w !== '')) {
    const wrong = take(word, task, before)
    if (wrong) return wrong
  }
  return task
}

/** Takes one word of a line into its step.  @returns what is wrong with it */
function take(word: string, task: TypedTask, before: Nameable): string | undefined {
  const look = /^look (?:in )?every (\d{1,3})(?: min)?$/.exec(word)
  const after = /^after (?:the )?(.+)$/.exec(word)
  if (HANDS.test(word)) task.hands_on = true
  else if (Object.hasOwn(PLACES, word)) task.needs = PLACES[word]!
  else if (look) {
    const [least, most] = SCHEDULE_LIMITS.look_in_every_min
    const every = Number(look[1])
    if (!(every >= least && every <= most))
      return `“look every” must be ${least} to ${most} min, got ${every}`
    task.look_in_every_min = every
  } else if (after) {
    const named = before.find(({ title }) => title.toLowerCase().replace(/^the /, '') === after[1])
    if (!named)
      return `comes after ${said(after[1]!)}, but there is ${before.length === 0 ? 'no step or dish before it' : `only ${before.map((b) => said(b.title)).join(', ')}`}`
    task.after = [...(task.after ?? []), named.id]
  } else return `may say hands, burner, oven, “look every 20” or “after” and a dish, got ${said(word)}`
  return undefined
}

/** A step as a line, to be read again. */
export const taskLine = (task: Omit<TypedTask, 'id' | 'after'>, after: readonly string[] = []): string =>
  [
    task.title,
    String(task.minutes),
    ...(task.hands_on ? ['hands'] : []),
    ...(task.needs === 'none' ? [] : [task.needs]),
    ...(task.look_in_every_min === undefined ? [] : [`look every ${task.look_in_every_min}`]),
    ...after.map((title) => `after ${title}`),
  ].join('; ')
