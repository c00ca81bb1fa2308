import { NIGHT_SOAK_MINUTES } from '#core/constants'
import { withoutStops } from './abbreviations'
import type { LidPosition } from '#core/heat/lid'
import type { HeatLevel } from '#core/heat/sources'
import type { StepsWithoutHeat, RecipeStep } from '#core/plan/recipe-steps'

export interface ReadSteps extends StepsWithoutHeat {
  steps: RecipeStep[]
  /** Phrases that were not understood, as they were typed. */
  unread: string[]
}

const HEATS: readonly [RegExp, HeatLevel][] = [
  [
    /\b(turn(ed)? off|off the heat|heat off|off|rest(ing)?|stand(ing)?|take (it )?off|remove (it )?from (the )?heat)\b/,
    'off',
  ],
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
const MINUTES = /(?:(\d+(?:[.,]\d+)?)|\b(half an)|\b(an?))\s*(hours?|hrs?|h|minutes?|mins?|min|m)\b/
const BARE_NUMBER = /(?:^|\s)(\d+(?:[.,]\d+)?)\s*$/
/** Rinsed, without a number; and the most that is read. */
const USUAL_WASHES = 2
const MAX_WASHES = 12
/** Words that carry nothing more once heat, lid and minutes are read. */
const FILLERS =
  /\b(then|and|it|the|to|a|for|about|let|heat|on|with|water|keep|leave|at|down|up|turn|pot|bring|put|until|till|it's|is|boils?|boil|boiling|cook|minutes?|lid)\b/g

/**
 * Reads steps as they are stated on a packet or by a friend: "boil, lid on, low 10 min, off 10".
 * A phrase that only names the lid or the heat holds from there on.
 * @param text at most a few hundred characters; phrases end with a comma, a semicolon, a full stop or "then"
 */
export function readSteps(text: string): ReadSteps {
  const steps: RecipeStep[] = []
  const unread: string[] = []
  const withoutHeat: StepsWithoutHeat = { drained: false }
  let [heat, lid]: [HeatLevel, LidPosition] = ['high', 'on']
  for (const phrase of phrasesOf(text)) {
    const words = phrase.toLowerCase().replaceAll('’', "'")
    const minutes = minutesIn(words)
    if (NOT_A_STEP.test(words)) continue
    const read = readWithoutHeat(words, minutes, { found: withoutHeat, heated: steps.length > 0 })
    if (read === 'not-understood') unread.push(phrase)
    if (read !== 'of-the-heat') continue
    const lidWords = LIDS.find(([pattern]) => pattern.test(words))
    const namedLid = lidWords?.[1]
    // "lid off" says nothing of the heat.
    const ofHeat = lidWords ? words.replace(lidWords[0], ' ') : words
    const namedHeat = HEATS.find(([pattern]) => pattern.test(ofHeat))?.[1]
    const until = untilIn(words, minutes)
    if (namedLid !== undefined) lid = namedLid
    if (until === 'boil') {
      steps.push({ heat: namedHeat ?? 'high', lid, until })
      continue
    }
    heat = namedHeat ?? heatMeant(words, heat)
    if (minutes !== undefined && minutes > 0) steps.push({ heat, lid, minutes })
    else if (until === 'dry') steps.push({ heat: namedHeat ?? 'low', lid, until })
    else if (namedHeat === undefined && namedLid === undefined && !isEmpty(words)) unread.push(phrase)
  }
  return { ...withoutHeat, steps, unread }
}

/** What a phrase that names no heat means by its verb: a boil, or not on full; else it goes on as before. */
function heatMeant(words: string, before: HeatLevel): HeatLevel {
  if (/\bboil/.test(words)) return 'medium'
  return /\bcook/.test(words) && before === 'high' ? 'low' : before
}

/** What changes nothing in the pot: it is filled, loosened, served. */
const NOT_A_STEP =
  /^(?:(?:put|place|combine|mix|add)\b[^\d]*\b(?:rice|grains?|water|everything|all)\b[^\d]*\b(?:pot|pan|saucepan)|fluff(?: with a fork)?|loosen|serve|enjoy|and serve|fluff and serve)$/

/** Soaking, washing and draining; the rest is of the heat. */
function readWithoutHeat(
  words: string,
  minutes: number | undefined,
  { found, heated }: { found: StepsWithoutHeat; heated: boolean },
): 'understood' | 'not-understood' | 'of-the-heat' {
  // Nothing browns in the simulated pot.
  if (/\b(toast(ed)?|fry|fried|browned|brown (it|them|the)|saut[eé](ed)?)\b/.test(words))
    return 'not-understood'
  if (/\bsoak/.test(words)) {
    const soak = minutes ?? (/\bover\s*night\b/.test(words) ? NIGHT_SOAK_MINUTES : undefined)
    if (soak === undefined) return 'not-understood'
    found.soakMinutes = soak
    return 'understood'
  }
  const washes = washesIn(words)
  if (washes !== undefined) {
    found.washes = washes
    return 'understood'
  }
  if (!/\b(drain(ed)?|strain(ed)?|pour off|poured off)\b/.test(words)) return 'of-the-heat'
  // What is poured off before there is any heat is the soak's water.
  if (heated) found.drained = true
  return 'understood'
}

/** What a comma, a semicolon, a full stop, a line's end or "then" parts. */
export const phrasesOf = (text: string): string[] =>
  withoutStops(text)
    .split(/[;\n]|,(?!\d)|\.(?!\d)|\bthen\b/i)
    .map((phrase) => phrase.trim())
    .filter((phrase) => phrase !== '')

/** Minutes stated in a phrase: "10 min", "half an hour", or a number at its end. */
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

/** "rinse 3 times", "wash twice", "rinse"; nothing where no washing is stated. */
function washesIn(words: string): number | undefined {
  if (!/\b(rins|wash)/.test(words)) return undefined
  if (/\b(no|not|without|don't|un)\s*-?\s*(rins|wash)|\bunrinsed|\bunwashed/.test(words)) return 0
  const times = /\b(\d{1,2})\s*(?:times|x)\b/.exec(words)?.[1]
  if (times !== undefined) return Math.min(MAX_WASHES, Number(times))
  return /\btwice\b/.test(words) ? 2 : /\bonce\b/.test(words) ? 1 : USUAL_WASHES
}

function untilIn(words: string, minutes: number | undefined): RecipeStep['until'] {
  if (minutes !== undefined) return undefined
  if (/\b(dry|gone|absorbed|no water left)\b/.test(words)) return 'dry'
  return /\bboil/.test(words) && !/\bhard boil|boil hard\b/.test(words) ? 'boil' : undefined
}

const isEmpty = (words: string): boolean => words.replace(FILLERS, '').trim() === ''
