import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { scheduleFrom } from '#core/contract/schedule'
import { MATERIAL_IDS } from '#core/vessel/materials'

const pot = { capacity_ml: 2500, base_diameter_mm: 190 } as const
const made = (more: Partial<PlanRequestJson>) => {
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 250 },
    method: 'covered-simmer',
    ...more,
  })
  if (!read.ok) throw new Error(read.errors[0]!.message)
  return read.value
}
const warned = (more: Partial<PlanRequestJson>) =>
  made(more).cautions.find((c) => c.code === 'not-on-induction')

test.each(MATERIAL_IDS)('%s on induction: what no magnet holds to is stopped', (material) => {
  const caution = warned({ vessel: { ...pot, material }, heat: 'induction' })
  expect(caution?.severity).toBe(material === 'steel' || material === 'iron' ? undefined : 'stop')
})

test('a pot of unknown material, another burner, an appliance: nothing is said', () => {
  expect(warned({ vessel: pot, heat: 'induction' })).toBeUndefined()
  expect(warned({ vessel: 'clay-1.8', heat: 'gas-medium' })).toBeUndefined()
  expect(warned({ vessel: 'clay-1.8', heat: 'induction' })).toMatchObject({
    text: 'Induction does not heat clay or stoneware: a magnet must hold to the base.',
  })
  expect(warned({ vessel: 'cooker-5', method: 'switch-cooker' })).toBeUndefined()
})

test('a burner said by its figures is induction from an efficiency of 0.8 on, where no hot plate comes', () => {
  const on = (efficiency: number) =>
    warned({ vessel: { ...pot, material: 'clay' }, heat: { rated_w: 1800, efficiency } })
  expect(on(0.79)).toBeUndefined()
  expect(on(0.8)).toBeDefined()
})

describe('the meal', () => {
  const meal = (burners: { id: string; heat: string }[]) => {
    const read = scheduleFrom({
      serve_at: '2026-03-05T19:00:00+01:00',
      burners,
      dishes: [
        {
          id: 'rice',
          grains: [{ variety: 'long-white' }],
          amount: { basis: 'dry-mass', value: 250 },
          method: 'covered-simmer',
          vessel: 'clay-1.8',
        },
      ],
    })
    if (!read.ok) throw new Error(read.errors[0]!.message)
    return read.value
  }
  const places = (of: ReturnType<typeof meal>) =>
    new Set(of.dishes[0]!.tasks.map((t) => t.resource).filter((r) => r !== undefined && r !== null))

  test('a clay pot goes on the gas, in whatever order the burners are named', () => {
    const [plate, gas] = [
      { id: 'plate', heat: 'induction' },
      { id: 'gas', heat: 'gas-medium' },
    ]
    for (const burners of [
      [plate, gas],
      [gas, plate],
    ])
      expect([...places(meal(burners))]).toEqual(['gas'])
  })

  test('where there is only induction, the meal cannot be, and says why', () => {
    const only = meal([{ id: 'plate', heat: 'induction' }])
    expect(only.feasible).toBe(false)
    expect(only.conflicts).toEqual([
      'rice: Induction does not heat clay or stoneware: a magnet must hold to the base.',
    ])
  })
})
