import { parseRating, parsePress, parseSettings } from './settings'

const press = { id: 'a-1', kind: 'cue', stage: 'heat-up', pressed_ms: 5, sent_ms: 6 }
const pathsOf = (read: { ok: boolean; errors?: { path: string }[] }) => (read.errors ?? []).map((e) => e.path)

test('a press, with what may go along', () => {
  expect(parsePress(press)).toEqual({ ok: true, value: press })
  expect(parsePress({ ...press, kind: 'lid-lifted', seconds: 20 })).toMatchObject({
    ok: true,
    value: { seconds: 20 },
  })
  expect(parsePress({ ...press, kind: 'washed', clarity: 0.75 })).toMatchObject({
    ok: true,
    value: { clarity: 0.75 },
  })
})

test.each([
  [{ ...press, id: 'a b' }, 'id'],
  [{ ...press, id: '../x' }, 'id'],
  [{ ...press, id: 7 }, 'id'],
  [{ ...press, kind: 'toString' }, 'kind'],
  [{ ...press, stage: '' }, 'stage'],
  [{ ...press, pressed_ms: -1 }, 'pressed_ms'],
  [{ ...press, sent_ms: '6' }, 'sent_ms'],
  [{ ...press, seconds: 0 }, 'seconds'],
  [{ ...press, clarity: 1.2 }, 'clarity'],
  [{ ...press, clarity: NaN }, 'clarity'],
])('%j is refused by its field', (input, path) => {
  expect(pathsOf(parsePress(input))).toEqual([path])
})

test('a rating in whole steps, a note trimmed, minus signs of either kind', () => {
  expect(parseRating({ wet_dry: '−1', hardness: '2', bottom: 'stuck', note: '  ok ' })).toEqual({
    ok: true,
    value: { wet_dry: -1, hardness: 2, bottom: 'stuck', note: 'ok', even: 'even', ate: '' },
  })
  expect(parseRating({ wet_dry: '0', hardness: '0', bottom: 'clean' })).toMatchObject({
    ok: true,
    value: { note: '' },
  })
  expect(pathsOf(parseRating({ wet_dry: '3', hardness: '1.5', bottom: 'black', note: '' }))).toEqual([
    'wet_dry',
    'hardness',
    'bottom',
  ])
})

const settings = {
  name: 'here',
  units: 'grams',
  system: 'metric',
  cup: 'metric',
  elevation_m: '1120',
  kitchen_c: '19,5',
  crease_mm: '24',
  clock: '24',
  crystal: 'flaky',
  zone: 'Europe/Berlin',
}
test('settings: a comma is a point, and the sea has a shore below it', () => {
  expect(parseSettings(settings)).toMatchObject({ ok: true, value: { kitchen_c: 19.5, elevation_m: 1120 } })
  expect(parseSettings({ ...settings, elevation_m: '−400' })).toMatchObject({
    ok: true,
    value: { elevation_m: -400 },
  })
})
test.each([
  ['elevation_m', '6001'],
  ['elevation_m', '1e3'],
  ['kitchen_c', '4'],
  ['crease_mm', '9'],
  ['zone', 'Nowhere/Here'],
  ['cup', 'mug'],
  ['crystal', 'sugar'],
  ['clock', '13'],
  ['name', ''],
])('%s of "%s" is refused', (field, value) => {
  expect(pathsOf(parseSettings({ ...settings, [field]: value }))).toEqual([field])
})
