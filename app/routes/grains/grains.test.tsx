import { createRoutesStub } from 'react-router'
import { renderToStaticMarkup } from 'react-dom/server'
import { MantineProvider } from '@mantine/core'
import { VARIETIES } from '#core/grain/varieties'
import { htmlOf, textOf } from '../../../tests/helpers/render'
import { BagForm } from './bag-form'
import { Bags } from './bags'
import type { GrainBag } from './bag-row'
import { IdentifyGrain } from './identify-grain'

const bag = (over: Partial<GrainBag> = {}): GrainBag => ({
  id: 'b1',
  variety: 'basmati',
  name: 'the big sack',
  label: 'Soak half an hour.',
  label_ratio: 1.5,
  adopted_delta: null,
  bought_on: null,
  opened_on: null,
  new_crop: 0,
  enriched: 0,
  left_g: 6200,
  notFor: [],
  means: { low: 1.78, middle: 1.9, high: 2.01 },
  ...over,
})
/** Forms need a router that takes actions. */
const inRouter = (node: React.ReactNode) => {
  const Stub = createRoutesStub([{ path: '/', Component: () => <>{node}</> }])
  return renderToStaticMarkup(
    <MantineProvider env="test">
      <Stub />
    </MantineProvider>,
  )
}

describe('bags', () => {
  const list = (...bags: GrainBag[]) => inRouter(<Bags bags={bags} onEdit={() => {}} />)
  test('each says what it is, what is left, and what its label comes to', () => {
    const html = list(bag())
    for (const words of ['the big sack', '6.2 kg', 'Soak half an hour.', '1.78', '2.01', '1.70', 'label'])
      expect(html).toContain(words)
    expect(html).toContain('href="/?grain=basmati&amp;bag=b1"')
  })
  test('small amounts in grams, none where nobody counts', () => {
    expect(list(bag({ left_g: 640 }))).toContain('640 g')
    expect(list(bag({ left_g: null }))).not.toMatch(/\d (k)?g<\/span>/)
  })
  test('a new crop and an enriched bag say what that means', () => {
    const html = list(bag({ new_crop: 1, enriched: 1 }))
    expect(html).toContain('less')
    expect(html).toContain('rinsing washes off added vitamins')
  })
  test('a label that was taken can be given back, and without a ratio there is nothing to take', () => {
    expect(list(bag({ adopted_delta: 0.2 }))).toContain('Use the usual value')
    expect(list(bag({ label_ratio: null, means: null }))).not.toContain('the label')
  })
  test('an empty shelf teaches', () => {
    expect(list()).toContain('No bags yet')
  })
})

describe('the form of a bag', () => {
  test('refused text is still there, with the error at its field', () => {
    const html = inRouter(
      <BagForm
        bag={undefined}
        refused={{
          typed: { id: '', name: 'Maren’s red', left_g: 'lots' },
          errors: [{ path: 'left_g', message: 'left_g must be a number, got "lots"', code: 'wrong-format' }],
        }}
      />,
    )
    expect(html).toContain('value="Maren’s red"')
    expect(html).toContain('value="lots"')
    expect(html).toContain('must be a number, got &quot;lots&quot;')
    expect(html).not.toContain('left_g must')
  })
  test('what was refused for another bag is not shown here', () => {
    const html = inRouter(
      <BagForm
        bag={bag()}
        refused={{
          typed: { id: 'another', name: 'x' },
          errors: [{ path: 'name', message: 'name is empty', code: 'invalid' }],
        }}
      />,
    )
    expect(html).not.toContain('is empty; any')
    expect(html).toContain('value="the big sack"')
  })
})

test('what grain is this: ten kernels are drawn along their ruler', () => {
  const html = htmlOf(<IdentifyGrain shelf={['basmati', 'quinoa']} />)
  expect(html.match(/rulerKernel/g)).toHaveLength(10)
  expect(html).toContain('Ten kernels, 70 mm end to end')
  expect(textOf(<IdentifyGrain shelf={['basmati']} />)).toContain(
    'Long-grain white , most likely: 7.0 by 2.1 mm',
  )
})

test('no grain is called by two names', () => {
  expect(new Set(VARIETIES.map((v) => v.name)).size).toBe(VARIETIES.length)
})
