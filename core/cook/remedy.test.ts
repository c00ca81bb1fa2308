import { planFrom } from '#core/contract/plan'
import { parsePress } from '#core/contract/settings'
import { EVENT_AMOUNTS, EVENT_KINDS } from './events'
import { COMPLAINTS, remedyStages, withRemedy, type Remedy } from './remedy'

const remedy: Remedy = {
  complaint: 'dry-firm',
  addG: 40,
  turn: false,
  powerW: 180,
  lid: 'on',
  heatMinutes: 6,
  restMinutes: 5,
}
const read = planFrom({ grains: [{ variety: 'long-white' }], amount: { basis: 'dry-mass', value: 300 } })
if (!read.ok) throw new Error('unread')
const plan = read.value
const EVENT = 'a1b2c3d4-0000'

describe('the stages of a remedy', () => {
  test('water, heat and rest, each only where there is some', () => {
    expect(remedyStages(EVENT, remedy).map((s) => [s.id, s.kind, s.minutes.expected])).toEqual([
      ['mend-a1b2c3d4-add', 'moisten', 0.7],
      ['mend-a1b2c3d4-heat', 'simmer', 6],
      ['mend-a1b2c3d4-rest', 'rest', 5],
    ])
    expect(remedyStages(EVENT, { ...remedy, addG: 0, restMinutes: 0 }).map((s) => s.kind)).toEqual(['simmer'])
    expect(remedyStages(EVENT, { ...remedy, addG: 0, heatMinutes: 0, restMinutes: 0 })).toEqual([])
  })
  test('turning is gentle, and opening says what the steam does', () => {
    const [turned] = remedyStages(EVENT, { ...remedy, turn: true })
    expect(turned!.title).toBe('Turn it gently, sprinkle 40 g boiling water')
    expect(turned!.checks.join()).toContain('steam')
    expect(turned!.mends).toEqual({ addG: 40, turn: true })
  })
  test('uncovered it steams away, and is looked at', () => {
    expect(remedyStages(EVENT, { ...remedy, lid: 'off', addG: 0 })[0]).toMatchObject({
      kind: 'spread',
      lid: 'off',
      power_w: 180,
    })
  })
})

describe('a plan with a remedy', () => {
  const mended = withRemedy(plan, EVENT, 'simmer', remedy, 5000)
  test('has it right after its stage, and what waited for that stage waits for its end', () => {
    const ids = mended.stages.map((s) => s.id)
    const at = ids.indexOf('simmer')
    expect(ids.slice(at, at + 5)).toEqual([
      'simmer',
      'mend-a1b2c3d4-add',
      'mend-a1b2c3d4-heat',
      'mend-a1b2c3d4-rest',
      'rest',
    ])
    expect(mended.stages.find((s) => s.id === 'rest')!.after).toEqual(['mend-a1b2c3d4-rest'])
    expect(mended.stages.find((s) => s.id === 'mend-a1b2c3d4-add')).toMatchObject({
      after: ['simmer'],
      begins_ms: 5000,
    })
  })
  test('two of them stand one after the other, each by its own name', () => {
    const twice = withRemedy(mended, 'ffff0000-1', 'mend-a1b2c3d4-heat', { ...remedy, addG: 0 }, 9000)
    const ids = twice.stages.map((s) => s.id)
    expect(ids.indexOf('mend-ffff0000-heat')).toBe(ids.indexOf('mend-a1b2c3d4-heat') + 1)
    expect(new Set(ids).size).toBe(ids.length)
  })
  test('a stage nobody has, or a remedy of nothing, leaves the plan alone', () => {
    expect(withRemedy(plan, EVENT, 'nowhere', remedy, 0)).toBe(plan)
    expect(withRemedy(plan, EVENT, 'simmer', { ...remedy, addG: 0, heatMinutes: 0, restMinutes: 0 }, 0)).toBe(
      plan,
    )
  })
})

describe('a press with a remedy, at the door', () => {
  const press = (more: object) =>
    parsePress({ id: 'x', kind: 'remedy', stage: 'simmer', pressed_ms: 0, sent_ms: 0, remedy, ...more })
  const paths = (more: object) => {
    const got = press(more)
    return got.ok ? [] : got.errors.map((e) => e.path)
  }
  test('is taken as it was computed', () => {
    const got = press({})
    expect(got.ok && got.value.remedy).toEqual(remedy)
  })
  test.each([
    [{ remedy: { ...remedy, addG: -1 } }, 'remedy.addG'],
    [{ remedy: { ...remedy, addG: 1e9 } }, 'remedy.addG'],
    [{ remedy: { ...remedy, heatMinutes: NaN } }, 'remedy.heatMinutes'],
    [{ remedy: { ...remedy, lid: 'shut' } }, 'remedy.lid'],
    [{ remedy: { ...remedy, turn: 'yes' } }, 'remedy.turn'],
    [{ remedy: { ...remedy, complaint: 'sad' } }, 'remedy.complaint'],
    [{ remedy: undefined }, 'remedy'],
    [{ kind: 'cue' }, 'remedy'],
  ])('refuses %j at its own field', (more, path) => {
    expect(paths(more)).toContain(path)
  })
  test.each(Object.entries(EVENT_AMOUNTS))('%s needs an amount within its limits', (kind, limits) => {
    const [min, max] = limits
    const of = (amount?: number) =>
      paths({ kind, remedy: undefined, ...(amount === undefined ? {} : { amount }) })
    expect(of(min)).toEqual([])
    expect(of(max)).toEqual([])
    for (const wrong of [undefined, min - 0.4, max + 1]) expect(of(wrong)).toContain('amount')
  })
  test('kinds that need no amount take one or none', () => {
    for (const kind of EVENT_KINDS.filter((k) => !(k in EVENT_AMOUNTS) && k !== 'remedy'))
      expect(paths({ kind, remedy: undefined })).toEqual([])
  })
})

test('every complaint is one of its own', () => {
  expect(new Set(COMPLAINTS).size).toBe(COMPLAINTS.length)
})
