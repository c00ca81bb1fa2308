/** Words of this program, which are guessed first. */
const OWN_WORDS = ['omsel', 'rice', 'kitchen', 'basmati', 'jasmine', 'quinoa']
/** A passphrase takes more than so many guesses: ten to the tenth, "very unguessable" (Wheeler 2016). */
const GUESSES_LOG10 = 10

let check: Promise<(passphrase: string) => number> | undefined

/** The lists of common passwords are loaded when one is chosen, and not before: they take some megabytes. */
const loaded = async (): Promise<(passphrase: string) => number> => {
  const [{ ZxcvbnFactory }, common] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ])
  const zxcvbn = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs })
  return (passphrase) => zxcvbn.check(passphrase, OWN_WORDS).guessesLog10
}

/** Whether a passphrase is a common one, or made of such, rows of keys, repeats and dates. */
export async function isGuessable(passphrase: string): Promise<boolean> {
  check ??= loaded()
  return (await check)(passphrase) < GUESSES_LOG10
}
