import { initialScripts } from '../../benchmarks/initial-js'
import { expect, test } from './kitchen'

/** What a browser fetches of scripts to show the plan and its frame, bytes under gzip. */
const MAX_FIRST = 180_000

const ADDRESS = '/?grain=short-white&for=5&soak=30-20-drain'

test('the plan page’s first script is within its budget; what computes it comes with the first touch, and a press that was too early is done', async ({
  page,
  baseURL,
}) => {
  const html = await fetch(`${baseURL!}${ADDRESS}`).then((r) => r.text())
  const scripts = initialScripts(html)
  expect(scripts.length).toBeGreaterThan(8)
  const total = scripts.reduce((sum, s) => sum + s.gzip, 0)
  expect([total, total <= MAX_FIRST]).toEqual([total, true])
  // A chart library is known by the classes it writes.
  expect(scripts.filter((s) => s.text.includes('recharts')).map((s) => s.file)).toEqual([])
  // What the browser itself fetched for the page is no more than that, and it has all its styles.
  const fetched = new Set<string>()
  page.on('response', (response) => {
    const { pathname } = new URL(response.url())
    if (pathname.endsWith('.js') && response.request().resourceType() === 'script') fetched.add(pathname)
  })
  await page.goto(ADDRESS)
  const styles = () =>
    page
      .locator('link[rel=stylesheet]')
      .evaluateAll((links) => links.map((link) => new URL((link as HTMLLinkElement).href).pathname))
  const written = await styles()
  const answer = () => page.evaluate(() => document.documentElement.dataset.alive)
  await expect.poll(answer).toBe('soon')
  const known = new Set(scripts.map((s) => s.file))
  expect([...fetched].filter((file) => !known.has(file))).toEqual([])
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText('g')
  await page.mouse.move(2, 2)
  await expect.poll(answer).toBe('yes')
  // None is missing until then, and the frame's are not put once more after the page's.
  const linked = await styles()
  expect(linked.filter((file) => !written.includes(file))).toEqual([])
  expect(linked.filter((file) => file.includes('/frame-'))).toHaveLength(1)
  await page.goto(ADDRESS)
  await expect.poll(answer).toBe('soon')
  // Pressed as a screen reader does, without a pointer that comes near first.
  await page.getByRole('button', { name: /^Which grain/ }).dispatchEvent('click')
  await expect(page.getByRole('dialog', { name: /^Which grain/ })).toBeVisible()
  expect(await answer()).toBe('yes')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: /^Which grain/ })).toBeHidden()
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

test('another page that is gone to before the plan answers does so at once', async ({ page }) => {
  await page.goto(ADDRESS)
  await expect.poll(() => page.evaluate(() => document.documentElement.dataset.alive)).toBe('soon')
  await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: 'Pots' })
    .dispatchEvent('click')
  await expect(page.getByRole('heading', { name: 'Pots', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: 'Add a pot' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
})

test('a press before any script has come is done once the page answers, on the page and in the frame', async ({
  page,
}) => {
  const release: (() => void)[] = []
  const hold = (path: string) =>
    page.route(path, async (route) => {
      await new Promise<void>((resolve) => release.push(resolve))
      await route.continue()
    })
  await hold('**/assets/entry.client*.js')
  for (const [address, key, opened] of [
    [ADDRESS, /^Which grain/, /^Which grain/],
    [ADDRESS, /^Find/, /^Find/],
    ['/pots', 'Add a pot', /./],
  ] as const) {
    await page.goto(address, { waitUntil: 'commit' })
    await page.getByRole('button', { name: key }).first().click()
    expect(await page.evaluate(() => document.documentElement.dataset.alive)).toBeUndefined()
    release.splice(0).forEach((go) => go())
    await expect(page.getByRole('dialog', { name: opened })).toBeVisible()
  }
})

test.describe('the line is lost before the page is first touched', () => {
  test.use({ expectedNoise: [/ERR_INTERNET_DISCONNECTED/] })
  test('it can still be read, and does what was pressed once there is a line', async ({ page, context }) => {
    await page.goto(ADDRESS)
    await expect.poll(() => page.evaluate(() => document.documentElement.dataset.alive)).toBe('soon')
    await context.setOffline(true)
    await page.getByRole('button', { name: /^Which grain/ }).click()
    await page.waitForTimeout(1000)
    await expect(page.getByRole('region', { name: 'Measure' })).toContainText('g')
    await context.setOffline(false)
    await expect(page.getByRole('dialog', { name: /^Which grain/ })).toBeVisible()
  })
})
