import fc from 'fast-check'
import { bindingsIn, FIRST_BINDINGS, KEY_ACT_IDS, wrongKey, type KeyAct } from './bindings'

test('whatever a device has stored, no two actions share a key, and every action has one', () => {
  const saved = fc.record(
    {
      on: fc.anything(),
      keys: fc.dictionary(
        fc.constantFrom(...KEY_ACT_IDS),
        fc.oneof(fc.string({ maxLength: 2 }), fc.anything()),
      ),
    },
    { requiredKeys: [] },
  )
  fc.assert(
    fc.property(
      fc.oneof(
        saved.map((value) => JSON.stringify(value)),
        fc.string(),
        fc.constant(null),
      ),
      (text) => {
        const { on, keys } = bindingsIn(text)
        expect(typeof on).toBe('boolean')
        expect(Object.keys(keys).sort()).toEqual([...KEY_ACT_IDS].sort())
        expect(new Set(Object.values(keys)).size).toBe(KEY_ACT_IDS.length)
        for (const key of Object.values(keys)) expect([...key]).toHaveLength(1)
      },
    ),
  )
})

test('a chosen key is stored; one that is taken, or none, is refused in words', () => {
  const own = { on: true, keys: { ...FIRST_BINDINGS.keys, cue: 'ü' } }
  expect(bindingsIn(JSON.stringify(own))).toEqual(own)
  expect(bindingsIn('{"on":false}')).toEqual({ ...FIRST_BINDINGS, on: false })
  const said = (act: KeyAct, key: string) => wrongKey(FIRST_BINDINGS, act, key)
  expect(said('cue', 'x')).toBeUndefined()
  expect(said('cue', 'c')).toBeUndefined()
  expect(said('cue', 'l')).toBe('“l” is already used for “lid lifted”.')
  expect(said('cue', 'ab')).toBe('must be a single key, got "ab"')
  expect(said('cue', ' ')).toBe('must be a single key, got " "')
})
