import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { GO_ON } from '#core/troubleshoot/look'
import { remedyStages, COMPLAINTS } from '#core/cook/remedy'
import { adviceFor } from '#core/troubleshoot/remedies'
import { VARIETY_IDS, varietyOf } from '#core/grain/varieties'
import { METHOD_IDS, methodOf, type MethodId } from '#core/methods/index'
import type { Stage } from '#core/plan/result'
import { cookAtTheStove } from '../../tests/helpers/at-the-stove'
import { settingWords } from './setting-words'

/** A line at the stove is read at arm's length. */
const MAX_LINE = 60

const MORE: Partial<PlanRequestJson>[] = [
  {},
  { purpose: 'frying' },
  { purpose: 'salad' },
  { purpose: 'dressed', dressing: { infuse_minutes: 30, set_minutes: 10 } },
  { purpose: 'batch', keep_servings: 2 },
  { toasted_bottom: true },
  { hold_minutes: 40 },
  { heat_style: 'strong-minute-then-low' },
  { heat_style: 'boil-then-off' },
  { boiler_dish: { name: 'a stew of roots and nettles from the garden', liquid_g: 2000 } },
  { soak: { minutes: 60, celsius: 20 }, rinse: { washes: 4 } },
  {
    salt_percent: 0.6,
    add_ins: [
      { name: 'bay leaf', grams_per_100g_dry: 0.1, when: 'with-water', out: 'after-rest' },
      { name: 'peas', grams_per_100g_dry: 25, when: 'at-boil' },
    ],
  },
]

const linesOf = ({ title, cue, checks, set }: Stage): string[] => [
  title,
  ...(cue === undefined ? [] : [`until ${cue}`]),
  ...checks,
  ...(set ? [settingWords(set)] : []),
]

const stagesOf = (method: MethodId): Stage[] =>
  VARIETY_IDS.filter((id) => methodOf(method).suits(varietyOf(id))).flatMap((variety, i) =>
    MORE.filter((_, at) => i === 0 || at % 6 === i % 6).flatMap((more) => {
      const read = planFrom({
        grains: [{ variety }],
        amount: { basis: 'dry-mass', value: 1234 },
        method,
        elevation_m: 1120,
        ...more,
      })
      if (!read.ok) throw new Error(JSON.stringify(read.errors))
      return read.value.stages
    }),
  )

test.each(METHOD_IDS)('%s: every line of the stove is within 60 characters', (method) => {
  const long = new Set(
    stagesOf(method)
      .flatMap(linesOf)
      .filter((line) => line.length > MAX_LINE),
  )
  expect([...long]).toEqual([])
})

test.each(METHOD_IDS)('%s: what is heated says what to do with the heat, and with the lid', (method) => {
  for (const stage of stagesOf(method)) {
    if (stage.power_w === 0 || stage.kind === 'hold') continue
    const words = linesOf(stage).join(' ')
    const appliance = stage.set === undefined || words.includes('Set: ')
    expect([method, stage.id, appliance || words.includes('Heat: ')]).toEqual([method, stage.id, true])
    // Open pots that are stirred need no word of a lid.
    if (['simmer', 'steam', 'heat-up'].includes(stage.kind) && !appliance)
      expect([stage.title, /lid|foil|cover|grain in/i.test(words)]).toEqual([stage.title, true])
  }
})

test('an appliance is set at its start: what, how high, how long and how it ends', () => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 320 },
    vessel: 'pressure-electric-6',
    own: { programme: { minutes: 12, pressure: 'low', release: 'natural' } },
  })
  if (!read.ok) throw new Error('unread')
  const set = read.value.stages.find((s) => s.kind === 'pressure-up')!.set!
  expect(settingWords(set)).toBe('Set: pressure cook, low pressure, 12 min, natural release')
  expect(settingWords({ setting: 'lowest', minutes: 16 })).toBe('Heat: lowest')
  expect(settingWords({ setting: '180 °C', minutes: 45 })).toBe('Set: 180 °C, 45 min')
})

test('advice, its stages and what a look says are within 60 characters too', () => {
  for (const request of [
    { grains: [{ variety: 'long-white' as const }], method: 'covered-simmer' as const },
    { grains: [{ variety: 'glutinous' as const }], method: 'steam' as const },
  ]) {
    const run = cookAtTheStove({ ...request, amount: { basis: 'dry-mass', value: 900 } })
    for (const complaint of COMPLAINTS) {
      const { says, remedy } = adviceFor(complaint, run.end.estimate!, 150)
      const lines = [
        says,
        ...(remedy ? remedyStages('e1', remedy).flatMap((s) => linesOf({ ...s, after: [] })) : []),
      ]
      expect(lines.filter((line) => line.length > MAX_LINE)).toEqual([])
    }
  }
  for (const says of Object.values(GO_ON)) expect(says.length).toBeLessThanOrEqual(MAX_LINE)
})
