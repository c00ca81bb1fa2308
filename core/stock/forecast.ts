import type { VarietyId } from '#core/grain/varieties'

export interface BagLeft {
  variety: VarietyId
  /** Null where nobody wrote it down. */
  leftG: number | null
}

/** What a planned pot will take. */
export interface Need {
  /** What it is for. */
  title: string
  atMs: number
  variety: VarietyId
  grams: number
}

export interface Use {
  title: string
  atMs: number
  grams: number
  /** What is missing for it, 0 where there is enough. */
  shortG: number
}

export interface Outlook {
  variety: VarietyId
  /** What the bags of it hold together; null where one of them is not written down. */
  leftG: number | null
  uses: Use[]
  /** What stays when all of it is cooked; null as above. */
  afterG: number | null
}

export interface Forecast {
  outlooks: Outlook[]
  /** What to buy, in whole hundred grams. */
  buy: { variety: VarietyId; grams: number; for: string[] }[]
}

/** Bags come in no smaller steps than this, g. */
const STEP_G = 100

/** What the shelf is enough for: pots take from the bags in the order they are cooked.  @param needs in any order */
export function forecast(bags: readonly BagLeft[], needs: readonly Need[]): Forecast {
  const varieties = [...new Set(needs.map((n) => n.variety))]
  const outlooks = varieties.map((variety): Outlook => {
    const own = bags.filter((b) => b.variety === variety)
    const leftG = own.some((b) => b.leftG === null) ? null : own.reduce((sum, b) => sum + b.leftG!, 0)
    let left = leftG ?? Infinity
    const uses = needs
      .filter((n) => n.variety === variety)
      .sort((a, b) => a.atMs - b.atMs)
      .map(({ title, atMs, grams }): Use => {
        const shortG = Math.max(0, grams - left)
        left = Math.max(0, left - grams)
        return { title, atMs, grams, shortG }
      })
    return { variety, leftG, uses, afterG: Number.isFinite(left) ? left : null }
  })
  const buy = outlooks.flatMap(({ variety, uses }) => {
    const grams = uses.reduce((sum, u) => sum + u.shortG, 0)
    return grams < 0.5
      ? []
      : [
          {
            variety,
            grams: Math.ceil((grams - 1e-6) / STEP_G) * STEP_G,
            for: uses.filter((u) => u.shortG > 0).map((u) => u.title),
          },
        ]
  })
  return { outlooks, buy }
}

/** "Enough for the choir, not for Sunday too", for one grain. */
export function outlookWords({ leftG, uses, afterG }: Outlook): string {
  if (leftG === null) return 'stock not entered'
  const enough = uses.filter((u) => u.shortG === 0).map((u) => u.title)
  const short = uses.find((u) => u.shortG > 0)
  if (!short) return `enough for ${listWords(enough)}, ${Math.round(afterG!)} g left over`
  return enough.length > 0
    ? `enough for ${listWords(enough)}, not for ${short.title} too: ${Math.ceil(short.shortG)} g short`
    : `${Math.ceil(short.shortG)} g short for ${short.title}`
}
const listWords = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
