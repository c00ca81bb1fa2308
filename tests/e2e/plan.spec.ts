import type { Page } from '@playwright/test'
import { expect, open, test } from './kitchen'

const measure = (page: Page) => page.getByRole('region', { name: 'Measure' })

test('answers at once, keeps the pot in the address, and goes back', async ({ page, isMobile }) => {
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await expect(measure(page)).toContainText('260 g')
  if (isMobile) {
    await page.getByRole('button', { name: 'Change the plan' }).click()
    // Who uses keys or hears the page is in the sheet, not on the page behind it.
    await expect(page.getByRole('dialog', { name: 'The plan' }).locator('summary').first()).toBeFocused()
    await page.getByText('How much', { exact: true }).click()
  } else await page.getByRole('button', { name: /^How much/ }).click()
  // The panel is a piece of the program and comes when it is wanted; from here on nothing is asked of anyone.
  await expect(page.getByRole('textbox', { name: 'Portions', exact: true })).toBeVisible()
  const requests: string[] = []
  // The browser asks for the page's icon when it likes.
  // What is found out beside the answer, once the plan stands still, comes whenever it comes.
  page.on(
    'request',
    (request) => /favicon\.svg$|simulator/.test(request.url()) || requests.push(request.url()),
  )
  await page.getByRole('textbox', { name: 'Portions', exact: true }).fill('14')
  await page.keyboard.press('Escape')
  await expect(measure(page)).toContainText('910 g')
  await expect(page).toHaveURL(/servings=14/)
  expect(requests).toEqual([])
  // The same pot from its address alone, as the server draws it.
  const html = await (await page.request.get(page.url())).text()
  expect(html).toContain('910')
  if (!isMobile) {
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page).toHaveURL(/servings=4/)
  }
})

test('too much for the pot is said, with another pot of the kitchen as a fix', async ({ page, isMobile }) => {
  await open(page, '/?grain=long-white&grams=600&pot=little-steel&on=big-gas')
  if (isMobile) await page.getByRole('button', { name: /^Cautions/ }).click()
  const cautions = page.getByRole('region', { name: 'Cautions' })
  await expect(cautions).toContainText('Too full: cooked, it fills')
  await cautions.getByRole('button', { name: 'Use heavy blue' }).first().click()
  await expect(cautions).not.toContainText('Too full: cooked, it fills')
  await expect(page).toHaveURL(/pot=heavy-blue/)
})

test('a firmer grain, fewer washes and a soak each move the water', async ({ page, isMobile }) => {
  await open(page, '/?grain=brown-short&grams=300&pot=heavy-blue&on=big-gas')
  const show = async (tab: string) =>
    isMobile && (await page.getByRole('button', { name: new RegExp(`^${tab}`) }).click())
  const pour = async () => {
    await show('Water')
    const [, grams] = /Water to add\s*(?:why\?)?\s*(?:was \d+ g)?\s*(\d+)/.exec(
      await measure(page).innerText(),
    )!
    return Number(grams)
  }
  const start = await pour()
  await show('Rinse, soak, salt')
  await page.getByRole('button', { name: 'firm', exact: true }).click()
  await expect.poll(pour).toBeLessThan(start - 90)
  const firm = await pour()
  await show('Rinse, soak, salt')
  for (let washes = 3; washes > 0; washes--)
    await page.getByRole('button', { name: 'One rinse fewer' }).click()
  // Nothing clings any more: 0.10 g/g of 300 g.
  await expect.poll(async () => Math.abs((await pour()) - firm - 30)).toBeLessThanOrEqual(1)
  const unwashed = await pour()
  await show('Rinse, soak, salt')
  await page.getByRole('button', { name: 'till 07:00' }).click()
  await expect.poll(pour).toBeLessThan(unwashed - 70)
})

test('an address that makes no sense opens the first pot', async ({ page }) => {
  await open(page, '/?grain=gravel&for=-3&pot=%3Cb%3E&texture=NaN')
  await expect(measure(page)).toContainText('260 g')
})

test('another crowd and another pot say what they did, the last water stays in sight, and a term pointed at lights up where it happens', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the panels are sheets on a phone')
  await open(page, '/?grain=short-white&grams=300&pot=heavy-blue&on=big-gas&lid=off')
  const pot = page.getByRole('region', { name: 'The pot' })
  await page.getByRole('button', { name: /300 g dry/ }).click()
  await page.getByRole('textbox', { name: 'Dry grain' }).fill('600')
  await page.keyboard.press('Escape')
  await expect(pot.getByRole('status')).toHaveText(/^twice the grain, 1\.\d times the water$/)
  await expect(page.getByText(/^was \d+ g$/)).toBeVisible()
  // By key: steam lights the stages it leaves from.
  await page.getByText(/^Firm \d+ g, soft \d+ g$/).click()
  const steam = page.getByRole('button', { name: /g boils off: show where/ })
  await steam.focus()
  await page.keyboard.press('Enter')
  await expect(steam).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('main')).toHaveAttribute('data-lit', 'steam')
  const width = () =>
    page
      .locator('[data-matter=heat] path, [data-matter=heat] rect')
      .first()
      .evaluate((el) => getComputedStyle(el).strokeWidth)
  expect(await width()).toBe('3px')
  await page.keyboard.press('Enter')
  await expect(steam).toHaveAttribute('aria-pressed', 'false')
  // By mouse: only while it points there.
  await page.getByRole('button', { name: /g absorbed: show where/ }).hover()
  await expect(page.getByRole('main')).toHaveAttribute('data-lit', 'grain')
  await page.mouse.move(5, 5)
  await expect(page.getByRole('main')).not.toHaveAttribute('data-lit')
  // After some seconds the last change is no news.
  await expect(pot.getByRole('status')).toHaveText('', { timeout: 20_000 })
})
