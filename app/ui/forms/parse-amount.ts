/** An entered amount as a number.  @returns what is wrong with it in words, or the number */
export function parseAmount(text: string): { amount: number } | { error: string } {
  const trimmed = text.trim()
  if (trimmed === '') return { error: 'Enter an amount.' }
  if (!/^\d+([.,]\d+)?$/.test(trimmed))
    return { error: `Enter a number, like 2 or 2.5, not “${trimmed.slice(0, 20)}”.` }
  return { amount: Number(trimmed.replace(',', '.')) }
}
