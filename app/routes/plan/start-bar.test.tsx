import { MantineProvider } from '@mantine/core'
import { renderToStaticMarkup } from 'react-dom/server'
import { createRoutesStub } from 'react-router'
import { planOf } from '../../../tests/helpers/render'
import { StartBar } from './start-bar'
import { TABS } from './tabs'

const NOW = Date.UTC(2026, 2, 5, 17, 0) // 18:00 in Berlin
const MINUTE = 60_000
const plan = planOf({ amount: { basis: 'servings', value: 5 } })
const total = plan.total_minutes.expected * MINUTE

/** The bar as it is read, for a table at so many minutes from now; none was asked for when undefined. */
function bar(tableIn: number | undefined, over: Partial<Parameters<typeof StartBar>[0]> = {}): string {
  const tableMs = tableIn === undefined ? NOW + total : NOW + tableIn * MINUTE
  const Stub = createRoutesStub([
    {
      path: '/',
      Component: () => (
        <StartBar
          plan={plan}
          now={NOW}
          startMs={tableMs - total}
          tableMs={tableMs}
          asked={tableIn !== undefined}
          clock={{ zone: 'Europe/Berlin', clock: '24' }}
          whyCooked={() => Promise.resolve({ terms: [], total: 0, sure: 0, says: '' })}
          search=""
          onStart={() => {}}
          meals={[]}
          measuresBy={{ units: 'grams', system: 'metric', cup: 'metric' }}
          onMeal={() => {}}
          undo={undefined}
          errors={[]}
          {...over}
        />
      ),
    },
  ])
  return renderToStaticMarkup(
    <MantineProvider env="test">
      <Stub />
    </MantineProvider>,
  )
    .replace(/<style[^>]*>.*?<\/style>/gs, '')
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ')
}

test('without an hour it says when it would be served', () => {
  expect(bar(undefined)).toMatch(/Ready at 18:\d\d/)
})

test('with an hour ahead it counts back to the start', () => {
  const text = bar(90)
  expect(text).toContain('for 19:30')
  const [, h, m] = /Start at (\d\d):(\d\d)/.exec(text)!.map(Number)
  expect(h! * 60 + m!).toBe(Math.floor(19 * 60 + 30 - plan.total_minutes.expected))
})

test('with an hour too near it says what can be had instead', () => {
  expect(bar(10)).toMatch(/Too late for 18:10: ready at 18:\d\d/)
})

test('says the eaters and the mass', () => {
  expect(bar(undefined)).toContain(`Serves 5 with ${Math.round(plan.yield.cooked_mass_g)} g cooked`)
})

test('what the server refused stands where the hour stood, and undo is there once there is something to undo', () => {
  expect(
    bar(undefined, { errors: [{ path: 'vessel_id', message: 'vessel_id names no vessel of this house' }] }),
  ).toContain('vessel_id names no vessel of this house')
  expect(bar(undefined)).not.toContain('Undo')
  expect(bar(undefined, { undo: () => {} })).toContain('Undo')
})

test('the parts of the plan page on a phone have one word each', () => {
  expect(TABS.map((tab) => tab.word)).toEqual(['Water', 'Rinse, soak, salt', 'Heat', 'Cautions'])
})
