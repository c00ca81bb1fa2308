import { MantineProvider } from '@mantine/core'
import { renderToStaticMarkup } from 'react-dom/server'
import { createRoutesStub } from 'react-router'
import PlanningData from './layout'
import Burners from '../routes/stove/burners'

const running = (id: string, vesselName: string) => ({
  id,
  title: 'Quinoa',
  vesselName,
  startedMs: 0,
  tableMs: Date.UTC(2026, 2, 5, 18, 0),
  stage: 'Lowest heat, lid stays on',
})
const settings = { zone: 'Europe/Berlin', clock: '24' as const }

function page(Component: () => React.ReactNode): string {
  const Stub = createRoutesStub([{ path: '/', Component }])
  return renderToStaticMarkup(
    <MantineProvider env="test">
      <Stub />
    </MantineProvider>,
  )
}
const household = (pots: ReturnType<typeof running>[]) =>
  page(() => (
    <PlanningData
      {...({ loaderData: { household: 'Tarn Head', running: pots, nowMs: 0 } } as unknown as Parameters<
        typeof PlanningData
      >[0])}
    />
  ))
const burners = (pots: ReturnType<typeof running>[]) =>
  page(() => (
    <Burners
      {...({ loaderData: { running: pots, settings, cooling: [], nowMs: 0 } } as unknown as Parameters<
        typeof Burners
      >[0])}
    />
  ))

test('the bar leads to every place, and to each pot that is on', () => {
  const html = household([running('a', 'clay'), running('b', 'heavy blue')])
  for (const to of ['/', '/stove', '/grains', '/pots', '/notebook', '/settings'])
    expect(html).toContain(`href="${to}"`)
  expect(html).toContain('href="/stove/a"')
  expect(html).toContain('heavy blue')
  expect(html).toContain('data-on="true"')
  expect(household([])).not.toContain('data-on')
})

test('several pots are listed with their stage and their hour; a cold stove says where pots come from', () => {
  const html = burners([running('a', 'clay'), running('b', 'heavy blue')])
  expect(html).toContain('clay, Lowest heat, lid stays on')
  expect(html.match(/serve 19:00/g)).toHaveLength(2)
  expect(burners([])).toContain('Nothing cooking')
})
