import { SPOKEN_ACTS, SPOKEN_EXAMPLES, spokenAct } from './spoken-words'

test.each([
  ['Done.', 'cue'],
  ['okay omsel next step', 'cue'],
  ['It’s boiling!', 'cue'],
  ['one more minute please', 'more'],
  ['another minute', 'more'],
  ['I lifted the lid', 'lid'],
  ['Undo', 'back'],
  ['take that back', 'back'],
  ['say that again', 'again'],
] as const)('%s', (heard, act) => expect(spokenAct(heard)).toBe(act))

test.each([
  '',
  'are you done with the onions',
  'not done',
  'no',
  'the lid of the other pot',
  'two more minutes and the bus is here',
  'come back',
  'and next week we are away',
  'done done done done',
])('other talk does nothing: %s', (heard) => expect(spokenAct(heard)).toBeUndefined())

test('every act is asked for by its own example', () => {
  for (const act of SPOKEN_ACTS) expect(spokenAct(SPOKEN_EXAMPLES[act])).toBe(act)
})
