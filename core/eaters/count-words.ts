const COUNT = [
  'nobody',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
  'twenty',
]

/** "five", "4.5", "24". */
export const countWord = (n: number): string => COUNT[n] ?? String(n)

/** The inverse, for words and whole figures.  @returns undefined for what is no count of at least one */
export function countFrom(word: string): number | undefined {
  if (/^\d{1,4}$/.test(word)) return Number(word) > 0 ? Number(word) : undefined
  if (word === 'a' || word === 'an') return 1
  const at = COUNT.indexOf(word.toLowerCase())
  return at > 0 ? at : undefined
}
