import { readFileSync } from 'node:fs'
import { ROUTES } from './requests'

test('the fuzz goes over every route there is', () => {
  const written = readFileSync('app/routes.ts', 'utf8')
  const routes = [...written.matchAll(/route\('([^']+)'/g)].map((m) => m[1]!)
  expect([...ROUTES].filter((path) => path !== '').sort()).toEqual(routes.sort())
})
