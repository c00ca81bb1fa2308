import { renderToStaticMarkup } from 'react-dom/server'
import { Plot } from './plot'

const plot = (more: Partial<Parameters<typeof Plot>[0]> = {}) =>
  renderToStaticMarkup(
    <Plot
      title="A line"
      x={{ word: 'minutes', domain: [0, 10] }}
      y={{ word: 'g', domain: [0, 100] }}
      lines={[
        {
          name: 'computed',
          points: [
            [0, 0],
            [10, 100],
          ],
        },
      ]}
      {...more}
    />,
  )

test('a line runs from corner to corner of its domain', () => {
  const [, x0, y0, x1, y1] = /d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)" class/
    .exec(plot().replaceAll('className', 'class'))!
    .map(Number)
  // Left to right, and up is up.
  expect(x1! - x0!).toBeGreaterThan(400)
  expect(y0! - y1!).toBeGreaterThan(200)
})

test('rings are published figures, with bars for what a test lets them be off', () => {
  const html = plot({ marks: [{ name: 'measured', points: [[5, 50]], within: 0.1 }] })
  expect(html.match(/<circle/g)).toHaveLength(2)
  const [, high, low] = /V([\d.]+)" class="e"/.exec(html)
    ? /M[\d.]+ ([\d.]+)V([\d.]+)" class="e"/.exec(html)!.map(Number)
    : []
  expect(Math.abs(low! - high!)).toBeGreaterThan(10)
})

test('it stands alone: its own style, its own size, a name for those who do not see it', () => {
  const html = plot()
  expect(html).toContain('xmlns="http://www.w3.org/2000/svg"')
  expect(html).toContain('<style>')
  expect(html).toContain('aria-label="A line"')
})

test('every line, mark and band is in the legend', () => {
  const html = plot({
    marks: [{ name: 'measured', points: [[1, 1]] }],
    band: {
      name: '± 5 %',
      lower: [
        [0, 0],
        [10, 90],
      ],
      upper: [
        [0, 10],
        [10, 100],
      ],
    },
  })
  for (const name of ['computed', 'measured', '± 5 %']) expect(html).toContain(name)
})
