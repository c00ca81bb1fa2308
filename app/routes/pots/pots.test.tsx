import { MantineProvider } from '@mantine/core'
import type { ReactNode } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createRoutesStub } from 'react-router'
import { FIRST_KITCHEN } from '#server/commands/begin-household'
import { htmlOf } from '../../../tests/helpers/render'
import { TARN_HEAD } from '../../../demo/household'
import { Calibrate } from './calibrate'
import { HeatForm } from './heat-form'
import { MeasureForm } from './measure-form'
import { PotsToScale } from './pots-to-scale'
import { VesselForm } from './vessel-form'

const inRouter = (node: ReactNode) => {
  const Stub = createRoutesStub([{ path: '/', Component: () => <>{node}</> }])
  return renderToStaticMarkup(
    <MantineProvider env="test">
      <Stub />
    </MantineProvider>,
  )
}
const [blue] = TARN_HEAD.vessels

test('pots are drawn to one scale, none over another', () => {
  const html = htmlOf(<PotsToScale vessels={TARN_HEAD.vessels} />)
  const rims = [...html.matchAll(/<path d="M([\d.-]+) (-[\d.]+)H([\d.-]+)" class="rim"/g)].map(
    (m) => m.slice(1).map(Number) as [number, number, number],
  )
  expect(rims).toHaveLength(TARN_HEAD.vessels.length)
  rims.forEach(([left, top, right], i) => {
    const vessel = TARN_HEAD.vessels[i]!
    expect(right - left).toBeCloseTo(vessel.rim_diameter_mm + 6, 6)
    expect(-top).toBeCloseTo(vessel.height_mm, 6)
    if (i > 0) expect(left).toBeGreaterThan(rims[i - 1]![2])
  })
})

describe('the form of a pot', () => {
  test('never asks for joules: a weight and a material', () => {
    const html = inRouter(<VesselForm vessel={undefined} refused={undefined} />)
    expect(html).toContain('Weighs empty with its lid, g')
    expect(html).toContain('cast or enamelled iron')
    expect(html).not.toMatch(/J\/K|W\/K/)
  })
  test('asks an appliance for its plate, and a pot not', () => {
    const cooker = TARN_HEAD.vessels.find((v) => v.kind === 'cooker')!
    expect(inRouter(<VesselForm vessel={cooker} refused={undefined} />)).toContain('Power on the label, W')
    expect(inRouter(<VesselForm vessel={blue} refused={undefined} />)).not.toContain('Power on the label, W')
  })
  test('keeps the refused text, with the error at its field', () => {
    const html = inRouter(
      <VesselForm
        vessel={undefined}
        refused={{
          typed: { id: '', name: 'new', rim_diameter_mm: '-4' },
          errors: [
            {
              path: 'rim_diameter_mm',
              message: 'rim_diameter_mm must be a number from 40 to 800 mm, got -4',
              code: 'out-of-range',
            },
          ],
        }}
      />,
    )
    expect(html).toContain('value="-4"')
    expect(html).toContain('must be a number from 40 to 800 mm, got -4')
  })
  test('an error of no field is said all the same', () => {
    const html = inRouter(
      <VesselForm
        vessel={blue}
        refused={{
          typed: { id: blue!.id },
          errors: [{ path: 'id', message: 'id is the last vessel', code: 'invalid' }],
        }}
      />,
    )
    expect(html).toContain('role="alert"')
    expect(html).toContain('is the last vessel')
  })
  test('marks are written as they were entered', () => {
    const marked = {
      ...blue!,
      marks: [
        { level_mm: 20, volume_ml: 640 },
        { level_mm: 40, volume_ml: 1300 },
      ],
    }
    expect(inRouter(<VesselForm vessel={marked} refused={undefined} />)).toContain(
      '20 mm = 640 mL\n40 mm = 1300 mL',
    )
  })
})

test('a burner shows its knob as it was entered', () => {
  const html = inRouter(
    <HeatForm
      heat={{ ...FIRST_KITCHEN.heats[0]!, knob: [{ name: 'low', share: 0.25 }] }}
      refused={undefined}
    />,
  )
  expect(html).toContain('low = 25 %')
  expect(html).toContain('value="1750"')
})

test('a measure is asked for two weights first', () => {
  const html = inRouter(<MeasureForm measure={undefined} refused={undefined} />)
  expect(html).toContain('Full of water, g')
  expect(html).not.toContain('How many times it went in')
})

describe('calibrations', () => {
  const drawer = (over: Partial<Parameters<typeof Calibrate>[0]> = {}) =>
    inRouter(
      <Calibrate
        vessel={blue!}
        heats={TARN_HEAD.heats}
        kitchenC={19}
        refused={undefined}
        said={undefined}
        {...over}
      />,
    )
  test('three of them, with what to do, a clock where one is needed, and a word about steam', () => {
    const html = drawer()
    for (const words of [
      'Weigh it full',
      'Time it to the boil',
      'Weigh a simmer',
      'Careful: steam',
      'It is hot: use cloths',
    ])
      expect(html).toContain(words)
    expect(html.match(/Start the clock<\/span>|>Start the clock</g)!.length).toBeGreaterThanOrEqual(2)
  })
  test('the figure before and after stands under its own trial', () => {
    const html = drawer({ said: { said: '700 → 595 W at the pot', intent: 'calibrate-boil' } })
    expect(html.match(/700 → 595 W/g)).toHaveLength(1)
  })
  test('an appliance is not asked what it stands on', () => {
    const cooker = TARN_HEAD.vessels.find((v) => v.kind === 'cooker')!
    expect(drawer({ vessel: cooker })).not.toContain('name="heat_id"')
    expect(drawer()).toContain('name="heat_id"')
  })
})
