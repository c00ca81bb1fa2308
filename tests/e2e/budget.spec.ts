import { initialScripts } from '../../benchmarks/initial-js'
import { expect, test } from './kitchen'

const MAX_GZIP = 230_000

test('the plan page’s first script is within its budget, without charts; what is behind a press comes with the press', async ({
  page,
  baseURL,
}) => {
  const html = await fetch(`${baseURL!}/?grain=short-white&for=5`).then((r) => r.text())
  const scripts = initialScripts(html)
  expect(scripts.length).toBeGreaterThan(10)
  const total = scripts.reduce((sum, s) => sum + s.gzip, 0)
  expect([total, total <= MAX_GZIP]).toEqual([total, true])
  // A chart library is known by the classes it writes.
  expect(scripts.filter((s) => s.text.includes('recharts')).map((s) => s.file)).toEqual([])
  // What the browser itself fetched for the page is no more than that.
  const fetched = new Set<string>()
  page.on('response', (response) => {
    const { pathname } = new URL(response.url())
    if (
      pathname.endsWith('.js') &&
      !pathname.includes('worker') &&
      !pathname.includes('simulator') &&
      response.request().resourceType() === 'script'
    )
      fetched.add(pathname)
  })
  await page.goto('/?grain=short-white&for=5')
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
  const known = new Set(scripts.map((s) => s.file))
  expect([...fetched].filter((file) => !known.has(file))).toEqual([])
  await page.getByRole('button', { name: /^Which grain/ }).click()
  await expect(
    page.getByRole('dialog', { name: /^Which grain/ }).getByRole('combobox', { name: 'Grain' }),
  ).toBeFocused()
  // The browser's own way out, and the focus is where it came from.
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: /^Which grain/ })).toBeHidden()
  await expect(page.getByRole('button', { name: /^Which grain/ })).toBeFocused()
  await page
    .getByRole('button', { name: /^Why \d+ g\?$/ })
    .last()
    .click()
  await expect(page.getByText('total').first()).toBeVisible()
  // A press on the key that opened it closes it.
  await page
    .getByRole('button', { name: /^Why \d+ g\?$/ })
    .last()
    .click()
  await expect(page.getByText('total').first()).toBeHidden()
})
