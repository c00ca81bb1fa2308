import { planFrom } from '#core/contract/plan'
import { VESSEL_PRESET_IDS } from '#core/vessel/presets'
import { openKitchen, type Kitchen } from '#server/store/open-household'
import { beginHousehold, FIRST_KITCHEN } from './begin-household'
import { addUsualBurner, addUsualPot, BURNER_PRESETS } from './usual-equipment'

let kitchen: Kitchen
beforeEach(() => {
  kitchen = openKitchen(':memory:')
  beginHousehold(kitchen, FIRST_KITCHEN)
})
afterEach(() => void kitchen.db.close())

test.each(VESSEL_PRESET_IDS)('%s is added as it usually is, and can be planned in', (usual) => {
  const before = kitchen.equipment.vessels().length
  const added = addUsualPot(kitchen, { usual, name: ' my own ' })
  expect(added).toEqual({ ok: true, value: 'my own' })
  const rows = kitchen.equipment.vessels()
  expect(rows).toHaveLength(before + 1)
  const row = rows.find((r) => r.name === 'my own')!
  // An appliance brings its heat, a pot does not.
  expect(row.own_rated_w === null).toBe(row.kind === 'pot' || row.kind === 'pressure-stovetop')
  const read = planFrom({
    grains: [{ variety: 'long-white' }],
    amount: { basis: 'dry-mass', value: 150 },
    vessel: {
      capacity_ml: row.capacity_ml,
      base_diameter_mm: row.base_diameter_mm,
      rim_diameter_mm: row.rim_diameter_mm,
      height_mm: row.height_mm,
      heat_capacity_j_k: row.heat_capacity_j_k,
      lid: row.lid,
    },
  })
  expect(read.ok).toBe(true)
})

test('a name that is taken is counted on, also for burners; an empty one is the usual', () => {
  const names = [1, 2, 3].map(() => addUsualPot(kitchen, { usual: 'clay-1.8', name: '' }))
  expect(names).toEqual(['clay pot', 'clay pot 2', 'clay pot 3'].map((value) => ({ ok: true, value })))
  const [burner] = BURNER_PRESETS
  const burners = [1, 2].map(() => addUsualBurner(kitchen, { usual: burner, name: 'left' }))
  expect(burners).toEqual(['left', 'left 2'].map((value) => ({ ok: true, value })))
})

test('what is not among the usual ones is refused, and nothing is added', () => {
  const before = kitchen.equipment.vessels().length
  for (const usual of ['cauldron', '', undefined, 'oven-190', '__proto__'])
    expect(addUsualPot(kitchen, { usual })).toMatchObject({ ok: false, errors: [{ path: 'usual' }] })
  expect(addUsualPot(kitchen, { usual: 'clay-1.8', name: 'x'.repeat(61) })).toMatchObject({
    ok: false,
    errors: [{ path: 'name' }],
  })
  expect(addUsualBurner(kitchen, { usual: 'cooker-5' })).toMatchObject({ ok: false })
  expect(kitchen.equipment.vessels()).toHaveLength(before)
})
