import { inWords, VARIETIES, type VarietyId } from '#core/grain/varieties'

/** What people call a grain besides its name in the table. */
const EVERYDAY: Partial<Record<VarietyId, readonly string[]>> = {
  'long-white': ['white rice', 'long grain', 'long grain rice', 'long grain white rice', 'rice', 'patna'],
  basmati: ['basmati rice', 'white basmati', 'white basmati rice'],
  jasmine: ['jasmine rice', 'thai rice', 'fragrant rice', 'thai fragrant rice'],
  'medium-white': ['medium grain', 'medium grain rice', 'paella rice', 'bomba', 'bomba rice', 'calrose'],
  'short-white': [
    'sushi rice',
    'sushi',
    'short grain',
    'short grain rice',
    'japanese rice',
    'short grain white rice',
  ],
  'risotto-white': ['risotto', 'arborio', 'arborio rice', 'carnaroli', 'carnaroli rice'],
  glutinous: ['sticky rice', 'sweet rice', 'sticky', 'glutinous', 'mochi rice'],
  'parboiled-long': ['parboiled', 'parboiled rice', 'converted rice', 'sella', 'sella rice'],
  'brown-long': ['brown rice', 'long grain brown rice', 'brown long grain rice', 'wholegrain rice'],
  'brown-short': ['short grain brown rice', 'brown short grain rice', 'brown sushi rice'],
  'brown-basmati': ['brown basmati rice', 'wholegrain basmati'],
  red: ['red camargue rice', 'red'],
  black: ['forbidden rice', 'black'],
  wild: ['wild'],
  quinoa: ['white quinoa', 'red quinoa'],
  'buckwheat-groats': ['buckwheat', 'kasha'],
  'bulgur-medium': ['bulgur', 'bulghur', 'bulgur wheat', 'burghul', 'tabbouleh', 'tabouli'],
  couscous: ['instant couscous', 'cous cous'],
  'freekeh-cracked': ['freekeh', 'frikeh'],
  'barley-pearled': ['pearl barley', 'barley'],
  'barley-hulled': ['pot barley', 'whole barley'],
  'farro-pearled': ['farro', 'pearl farro', 'spelt', 'pearled spelt'],
  'wheat-berries': ['wheat', 'wheatberries'],
  'rye-berries': ['rye'],
  'oats-steel-cut': ['oats', 'oatmeal', 'pinhead oats', 'steel cut oats'],
  'oat-groats': ['whole oats'],
  'lentils-green': ['lentils', 'puy lentils', 'green lentils'],
}

/** Every name of every grain in lower case, with what it means; hyphens are spaces. */
export const GRAIN_NAMES: ReadonlyMap<string, VarietyId> = new Map(
  VARIETIES.flatMap((variety) =>
    [
      variety.name.toLowerCase(),
      inWords(variety),
      `${inWords(variety)} rice`,
      variety.id.replace(/-/g, ' '),
      ...(EVERYDAY[variety.id] ?? []),
    ].map((name) => [name.replace(/[-,]/g, ' ').replace(/\s+/g, ' '), variety.id] as const),
  ),
)

/** Names of what is not cooked by a plan, with why. */
export const NOT_PLANNED: Readonly<Record<string, string>> = {
  'minute rice': 'is precooked: follow its package',
  'instant rice': 'is precooked: follow its package',
  'boil in the bag rice': 'is cooked in its bag: follow its package',
  'boil in bag rice': 'is cooked in its bag: follow its package',
  tomorrow: 'is not planned: set the hour on the day',
  'rice flour': 'is no grain',
  'red lentils': 'fall apart: cook them as a soup',
  'black beans': 'are not planned here',
  'kidney beans': 'are not planned here',
  beans: 'are not planned here',
  chickpeas: 'are not planned here',
  'rice noodles': 'are not planned here',
  noodles: 'are not planned here',
  pasta: 'is not planned here',
  'rice pudding': 'is not planned here',
}
