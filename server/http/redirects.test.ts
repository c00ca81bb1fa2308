import { readFileSync } from 'node:fs'
import { renamedAddress } from './redirects'

/** Every address of version 1 that a cook could have bookmarked, and where it is now. */
test.each([
  ['/supper', '/meal'],
  ['/supper/split?grain=millet', '/meal/split?grain=millet'],
  ['/supper/0198/calendar.ics', '/meal/0198/calendar.ics'],
  ['/trials/7', '/taste-tests/7'],
  ['/dry-run?grain=quinoa&for=4', '/simulation?grain=quinoa&for=4'],
  ['/by?for=5&at=18:45', '/ready-by?for=5&at=18:45'],
  ['/shelf', '/grains'],
  ['/kept/put-away?cook=a', '/leftovers/put-away?cook=a'],
  ['/elsewhere', '/convert'],
  ['/dipstick?water=12', '/ruler?water=12'],
  ['/carry', '/transfer'],
  ['/enter?to=/shelf', '/login?to=/shelf'],
  ['/find?q=x', '/search?q=x'],
  ['/card?grain=red', '/recipe-card?grain=red'],
])('%s is now %s', (before, now) => expect(renamedAddress(before)).toBe(now))

test.each([
  '/',
  '/stove',
  '/kept-warm',
  '/suppers',
  '/notebook/supper',
  '/__proto__',
  '/toString',
  '//evil.test/by',
])('%s stays where it is', (path) => expect(renamedAddress(path)).toBeUndefined())

test('no redirect leads to an address that is redirected, or that the app does not have', () => {
  const routes = readFileSync('app/routes.ts', 'utf8')
  for (const path of [
    'by',
    'card',
    'carry',
    'dipstick',
    'dry-run',
    'elsewhere',
    'enter',
    'find',
    'kept',
    'shelf',
    'supper',
    'trials',
  ]) {
    const now = renamedAddress(`/${path}`)!
    expect(renamedAddress(now)).toBeUndefined()
    expect(routes).toContain(`route('${now.slice(1)}'`)
  }
})
