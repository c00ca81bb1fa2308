import { avoidedFrom, type AvoidedId } from './avoid'
import { countFrom } from './count-words'

/** Someone who eats in this household. */
export interface Person {
  id: string
  name: string
  /** Portions: 1 as usual. */
  appetite: number
  /** 0 firm … 1 soft; null takes it as it comes. */
  firmness: number | null
  avoids: AvoidedId[]
}

/** Who sits down, as the pot must know it. */
export interface People {
  /** Heads. */
  heads: number
  /** Portions they come to. */
  portions: number
  /** The middle of what those who mind like; null where nobody does. */
  texture: number | null
  avoids: AvoidedId[]
}

export type ReadParty = { ok: true; value: People } | { ok: false; message: string }

/** A small eater, and a hungry one, in usual portions: half a plate, and one and a half. */
const APPETITES = { small: 0.5, hungry: 1.5 } as const
/** As the knob's own ends would be too far for one at a table of many. */
const FIRM = 0.25
const SOFT = 0.75
const MAX_HEADS = 200

const APPETITE_WORDS: Record<string, number> = {
  small: APPETITES.small,
  child: APPETITES.small,
  children: APPETITES.small,
  hungry: APPETITES.hungry,
  hungries: APPETITES.hungry,
}
const FIRM_WORDS: Record<string, number> = { firm: FIRM, soft: SOFT }

/** Who was named, how many guests, and what is known of them. */
interface Tally {
  known: Person[]
  guests: number
  countGiven: boolean
  /** Portions over one for each head. */
  extra: number
  tastes: number[]
  avoids: Set<AvoidedId>
}

/**
 * Reads who eats, as a cook says it: numbers, names of the household, and what is known of them. The first
 * count says how many there are, and what follows describes some of them.
 * @param household who lives here
 * @returns the party, or what could not be read, in words
 */
export function parsePeople(text: string, household: readonly Person[]): ReadParty {
  const parts = text
    .split(/,|;|\band\b|\bwith\b/i)
    .map((part) => part.trim().toLowerCase())
    .filter((part) => part !== '')
  if (parts.length === 0)
    return { ok: false, message: 'Enter how many people, e.g. “14, 3 small, 1 no gluten”.' }
  const tally: Tally = {
    known: [],
    guests: 0,
    countGiven: false,
    extra: 0,
    tastes: [],
    avoids: new Set(),
  }
  for (const part of parts) {
    const message = count(part, tally, household)
    if (message !== undefined) return { ok: false, message }
  }
  return partyOf(tally)
}

/** Adds one part of the sentence.  @returns what is wrong with it, in words */
function count(part: string, tally: Tally, household: readonly Person[]): string | undefined {
  const everybody = /^(the )?(house|household|family|all of us)$/.test(part)
  const named = household.filter((e) => everybody || e.name.toLowerCase() === part)
  if (everybody || named.length > 0) {
    for (const e of everybody ? named : named.slice(0, 1)) if (!tally.known.includes(e)) tally.known.push(e)
    return undefined
  }
  const said = parsePart(part)
  if (!said) return `“${part}” is not a name or a number. Write, for example, “3 small” or “1 no gluten”.`
  const { count: heads, what } = said
  if (what === 'heads') {
    if (tally.countGiven && !said.guests) return `The number of people appears twice: “${part}”.`
    tally.guests += heads
    tally.countGiven = true
    return undefined
  }
  if (what.appetite !== undefined) tally.extra += heads * (what.appetite - 1)
  if (what.firmness !== undefined)
    tally.tastes.push(...Array<number>(Math.min(heads, MAX_HEADS)).fill(what.firmness))
  for (const food of what.avoids) tally.avoids.add(food)
  return undefined
}

function partyOf({ known, guests, extra, tastes: said, avoids: avoided }: Tally): ReadParty {
  const heads = known.length + guests
  if (heads === 0) return { ok: false, message: 'Give the number first, e.g. “5, 1 small”.' }
  if (heads > MAX_HEADS) return { ok: false, message: `At most ${MAX_HEADS} people, got ${heads}.` }
  const portions = known.reduce((sum, e) => sum + e.appetite, 0) + guests + extra
  if (portions < 0.5) return { ok: false, message: 'More small portions than people.' }
  const avoids = new Set([...avoided, ...known.flatMap((e) => e.avoids)])
  const tastes = [...said, ...known.flatMap((e) => e.firmness ?? [])].sort((a, b) => a - b)
  const texture = tastes.length === 0 ? null : median(tastes)
  return {
    ok: true,
    value: { heads, portions: Math.round(portions * 100) / 100, texture, avoids: [...avoids] },
  }
}

/** @param sorted not empty */
const median = (sorted: readonly number[]): number =>
  (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2

interface Part {
  count: number
  guests: boolean
  what: 'heads' | { appetite?: number; firmness?: number; avoids: AvoidedId[] }
}

function parsePart(part: string): Part | undefined {
  const words = part.split(/\s+/)
  const first = countFrom(words[0]!)
  const count = first ?? 1
  const rest = (first === undefined ? words : words.slice(1)).filter(
    (w) =>
      ![
        'of',
        'them',
        'us',
        'who',
        'are',
        'is',
        'eat',
        'eats',
        'likes',
        'like',
        'it',
        'eater',
        'eaters',
        'people',
        'ones',
      ].includes(w),
  )
  if (rest.length === 0) return first === undefined ? undefined : { count, guests: false, what: 'heads' }
  if (rest.length === 1 && /^(guests?|more|others?)$/.test(rest[0]!))
    return { count, guests: true, what: 'heads' }
  const what: { appetite?: number; firmness?: number; avoids: AvoidedId[] } = { avoids: [] }
  for (let i = 0; i < rest.length; i++) {
    const word = rest[i]!
    if (Object.hasOwn(APPETITE_WORDS, word)) what.appetite = APPETITE_WORDS[word]!
    else if (Object.hasOwn(FIRM_WORDS, word)) what.firmness = FIRM_WORDS[word]!
    else {
      const food = avoidedFrom(
        ['no', 'without', 'avoids', 'avoid'].includes(word)
          ? (rest[++i] ?? '')
          : word.endsWith('-free')
            ? word.slice(0, -5)
            : '',
      )
      if (!food) return undefined
      what.avoids.push(food)
    }
  }
  return { count, guests: false, what }
}
