/** What stands between whole and part of a number: 1.5, or 1,5. */
export type DecimalMark = '.' | ','

/** Wishes read at most of one list of languages, so that a made-up one costs nothing. */
const MAX_LANGUAGES = 20

/**
 * The decimal mark of the language that is wished for most. Texts are English, so that one without the Latin
 * digits of the texts keeps the point.
 * @param languages as browsers send them: "de-CH,fr;q=0.9"
 */
export function decimalMarkOf(languages: string | null | undefined): DecimalMark {
  const wished = (languages ?? '')
    .split(',', MAX_LANGUAGES)
    .map((wish) => {
      const [tag = '', quality = 'q=1'] = wish.split(';').map((part) => part.trim())
      return { tag, weight: Number(quality.replace(/^q=/, '')) }
    })
    .filter(({ tag, weight }) => tag !== '' && weight > 0)
    .sort((a, b) => b.weight - a.weight)[0]
  if (!wished) return '.'
  try {
    return new Intl.NumberFormat(wished.tag).format(1.5) === '1,5' ? ',' : '.'
  } catch {
    // No such language, or "*": any will do.
    return '.'
  }
}

/** A narrow space that does not break: no mark of any language for decimals. */
const GROUP = '\u202F'

const GROUPED = /(?<![\w.,])\d{1,3}(?:,\d{3})+(?:\.\d{1,2})?(?![\w,]|\.\d)/g
const WITH_DECIMALS = /(?<![\w.,])\d+\.\d{1,2}(?![\d]|\.\d)/g

/**
 * A text's numbers as a language with this mark writes them: 1.5 as 1,5, and 1,120 as 1 120. Twice said is the
 * same. Versions and addresses (2.0.0, 127.0.0.1) stay.
 */
export const withDecimalMark = (text: string, mark: DecimalMark | undefined): string =>
  mark === ','
    ? text
        .replace(GROUPED, (n) => n.replaceAll(',', GROUP).replace('.', ','))
        .replace(WITH_DECIMALS, (n) => n.replace('.', ','))
    : text

/** A number written either way. */
export const readNumber = (text: string): number =>
  Number(
    text
      .replace(/[,\u202F](?=\d{3}(?!\d))/g, '')
      .replace(',', '.')
      .replace('−', '-'),
  )
