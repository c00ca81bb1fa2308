/** Something that can be gone to. */
export interface SearchEntry {
  /** Of which kind, as its heading says. */
  kind: string
  label: string
  /** More words it is found by, and said under it. */
  more?: string
  to: string
}

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
const wordsOf = (text: string): string[] =>
  fold(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')

/**
 * Things that every word asked for begins a word of; those whose own name begins so come first, then in the
 * order they came.
 */
export function matching(entries: readonly SearchEntry[], asked: string, most: number): SearchEntry[] {
  const words = wordsOf(asked)
  if (words.length === 0) return []
  const whole = words.join(' ')
  const scored = entries.flatMap((entry, order) => {
    const [own, all] = [wordsOf(entry.label), wordsOf(`${entry.label} ${entry.more ?? ''} ${entry.kind}`)]
    if (!words.every((word) => all.some((one) => one.startsWith(word)))) return []
    const first = own.join(' ').startsWith(whole)
      ? 0
      : words.every((word) => own.some((one) => one.startsWith(word)))
        ? 1
        : 2
    return [{ entry, first, order }]
  })
  return scored
    .sort((a, b) => a.first - b.first || a.order - b.order)
    .slice(0, most)
    .map(({ entry }) => entry)
}
