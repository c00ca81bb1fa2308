/** What can be said to the stove with both hands in the sink. */
export const SPOKEN_ACTS = ['cue', 'more', 'lid', 'back', 'again'] as const
export type SpokenAct = (typeof SPOKEN_ACTS)[number]

export const SPOKEN_EXAMPLES: Readonly<Record<SpokenAct, string>> = {
  cue: 'done',
  more: 'one more minute',
  lid: 'I lifted the lid',
  back: 'undo',
  again: 'say it again',
}

/** Whole phrases only: a kitchen is full of other talk. */
const PHRASES: readonly [RegExp, SpokenAct][] = [
  [/^(done|it is done|it's done|next|next step|ready|poured|boiling|it boils|it's boiling)$/, 'cue'],
  [/^(one|a) (more )?minute( more)?$|^another minute$|^plus one$/, 'more'],
  [/^(i )?(have )?lifted the lid$|^lid( lifted| off| open)?$/, 'lid'],
  [/^(undo|take (it|that) back|go back|back)$/, 'back'],
  [/^(say (it|that) again|again|repeat|what now|what next|what was that)$/, 'again'],
]

/**
 * What a phrase asks the stove for, said alone or after "Omsel".
 * @param heard as the browser recognised it
 * @returns undefined for any other talk
 */
export function spokenAct(heard: string): SpokenAct | undefined {
  const words = heard
    .toLowerCase()
    .replaceAll('’', "'")
    .replace(/[^\p{L}' ]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^(?:ok |okay |hey )?omsel /, '')
    .replace(/ please$/, '')
  return PHRASES.find(([phrase]) => phrase.test(words))?.[1]
}
