import { skipRevalidation } from './skip-revalidation'

const ask = (from: string, to: string, formMethod?: 'POST') =>
  skipRevalidation({
    currentUrl: new URL(from, 'http://omsel.test'),
    nextUrl: new URL(to, 'http://omsel.test'),
    defaultShouldRevalidate: true,
    currentParams: {},
    nextParams: {},
    ...(formMethod ? { formMethod } : {}),
  } as Parameters<typeof skipRevalidation>[0])

test('a pot changed on the plan page asks the server nothing', () => {
  expect(ask('/?for=4', '/?for=14')).toBe(false)
})

test('another page, something sent, or the same address asked for again does', () => {
  expect(ask('/?for=4', '/notebook')).toBe(true)
  expect(ask('/?for=4', '/?for=14', 'POST')).toBe(true)
  expect(ask('/stove/a', '/stove/a')).toBe(true)
})
