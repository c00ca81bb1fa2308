import type { LidPosition } from '#core/heat/lid'
import type { HeatLevel } from '#core/heat/sources'

/** One step of a way as a cook tells it: a heat and a lid, for some minutes or until something is seen. */
export interface WayStep {
  heat: HeatLevel
  lid: LidPosition
  /** Minutes; left out where it goes on until something is seen. */
  minutes?: number
  until?: 'boil' | 'dry'
}

export interface ReadSteps {
  /** Minutes of soaking told before the heat. */
  soakMinutes: number | undefined
  steps: WayStep[]
  /** Phrases that were not understood, as they were typed. */
  unread: string[]
}

const HEATS: readonly [RegExp, HeatLevel][] = [
  [/\b(turn(ed)? off|off the heat|heat off|off|rest(ing)?|stand(ing)?|take (it )?off)\b/, 'off'],
  [/\b(very low|lowest)\b/, 'lowest'],
  [/\b(low|gentle|gently|simmer(ing)?|small flame)\b/, 'low'],
  [/\b(medium|middle|half heat)\b/, 'medium'],
  [/\b(high|full|strong|hard boil|boil hard)\b/, 'high'],
]
const LIDS: readonly [RegExp, LidPosition][] = [
  [/\b(lid|cover) (ajar|half off|tilted)\b|\bhalf covered\b/, 'ajar'],
  [/\b(lid off|no lid|without (a |the )?lid|uncovered|open)\b/, 'off'],
  [/\b(lid on|with (a |the )?lid|covered|cover)\b/, 'on'],
]
const MINUTES = /(?:(\d+(?:[.,]\d+)?)|(half an)|(an?))?\s*(hours?|hrs?|h|minutes?|mins?|min|m)\b/
const BARE_NUMBER = /(?:^|\s)(\d+(?:[.,]\d+)?)\s*$/
/** Words that carry nothing more once heat, lid and minutes are read. */
const FILLERS =
  /\b(then|and|it|the|to|a|for|about|let|heat|on|with|water|keep|leave|at|down|up|turn|pot|bring|put|until|till|it's|is|boils?|boil|boiling|cook|minutes?|lid)\b/g

/**
 * Reads steps as they are told on a packet or by a friend: "boil, lid on, low 10 min, off 10".
 * A phrase that only names the lid or the heat holds from there on.
 * @param text at most a few hundred characters; phrases end with a comma, a semicolon, a full stop or "then"
 */
export function readSteps(text: string): ReadSteps {
  const steps: WayStep[] = []
  const unread: string[] = []
  let soakMinutes: number | undefined
  let [heat, lid]: [HeatLevel, LidPosition] = ['high', 'on']
  for (const phrase of phrasesOf(text)) {
    const words = phrase.toLowerCase().replaceAll('’', "'")
    const minutes = minutesIn(words)
    if (/\bsoak/.test(words)) {
      if (minutes === undefined) unread.push(phrase)
      else soakMinutes = minutes
      continue
    }
    const toldHeat = HEATS.find(([pattern]) => pattern.test(words))?.[1]
    const toldLid = LIDS.find(([pattern]) => pattern.test(words))?.[1]
    const until = untilIn(words, minutes)
    if (toldLid !== undefined) lid = toldLid
    if (until === 'boil') {
      steps.push({ heat: toldHeat ?? 'high', lid, until })
      continue
    }
    if (toldHeat !== undefined) heat = toldHeat
    else if (/\bboil/.test(words)) heat = 'medium'
    if (minutes !== undefined && minutes > 0) steps.push({ heat, lid, minutes })
    else if (until === 'dry') steps.push({ heat: toldHeat ?? 'low', lid, until })
    else if (toldHeat === undefined && toldLid === undefined && !isEmpty(words)) unread.push(phrase)
  }
  return { soakMinutes, steps, unread }
}

const phrasesOf = (text: string): string[] =>
  text
    .split(/[;\n]|,(?!\d)|\.(?!\d)|\bthen\b/i)
    .map((phrase) => phrase.trim())
    .filter((phrase) => phrase !== '')

/** Minutes told in a phrase: "10 min", "half an hour", or a number at its end. */
function minutesIn(words: string): number | undefined {
  const found = MINUTES.exec(words)
  const [, number, half, one, unit = ''] = found ?? []
  const factor = unit.startsWith('h') ? 60 : 1
  if (number !== undefined) return Number(number.replace(',', '.')) * factor
  if (half !== undefined && factor === 60) return 30
  if (one !== undefined && found) return factor
  const bare = BARE_NUMBER.exec(words)
  return bare ? Number(bare[1]!.replace(',', '.')) : undefined
}

function untilIn(words: string, minutes: number | undefined): WayStep['until'] {
  if (minutes !== undefined) return undefined
  if (/\b(dry|gone|absorbed|no water left)\b/.test(words)) return 'dry'
  return /\bboil/.test(words) && !/\bhard boil|boil hard\b/.test(words) ? 'boil' : undefined
}

const isEmpty = (words: string): boolean => words.replace(FILLERS, '').trim() === ''
