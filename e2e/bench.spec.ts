import type { Page } from '@playwright/test'
import { expect, open, test } from './kitchen'

const measure = (page: Page) => page.getByRole('region', { name: 'Measure' })

test('answers at once, keeps the pot in the address, and goes back', async ({ page, isMobile }) => {
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await expect(measure(page)).toContainText('260 g')
  const requests: string[] = []
  // The browser asks for the page's icon when it likes.
  page.on('request', (request) => request.url().endsWith('favicon.svg') || requests.push(request.url()))
  if (isMobile) {
    await page.getByRole('button', { name: 'Change the order' }).click()
    await page.getByText('How much', { exact: true }).click()
  } else await page.getByRole('button', { name: /^How much/ }).click()
  await page.getByLabel('How many eat').fill('14')
  await page.keyboard.press('Escape')
  await expect(measure(page)).toContainText('910 g')
  await expect(page).toHaveURL(/for=14/)
  expect(requests).toEqual([])
  // The same pot from its address alone, as the server draws it.
  const html = await (await page.request.get(page.url())).text()
  expect(html).toContain('910')
  if (!isMobile) {
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page).toHaveURL(/for=4/)
  }
})

test('too much for the pot is said, and mended with a pot of the house', async ({ page, isMobile }) => {
  await open(page, '/?grain=long-white&grams=600&pot=little-steel&on=big-gas')
  if (isMobile) await page.getByRole('button', { name: /^Cautions/ }).click()
  const cautions = page.getByRole('region', { name: 'Cautions' })
  await expect(cautions).toContainText('Swollen, it fills')
  await cautions.getByRole('button', { name: 'Use the heavy blue' }).first().click()
  await expect(cautions).not.toContainText('Swollen, it fills')
  await expect(page).toHaveURL(/pot=heavy-blue/)
})

test('a firmer grain, fewer washes and a soak each move the water', async ({ page, isMobile }) => {
  await open(page, '/?grain=brown-short&grams=300&pot=heavy-blue&on=big-gas')
  const show = async (tab: string) => isMobile && (await page.getByRole('button', { name: new RegExp(`^${tab}`) }).click())
  const pour = async () => {
    await show('Water')
    const [, grams] = /Pour\s*(?:why\?)?\s*(\d+)/.exec(await measure(page).innerText())!
    return Number(grams)
  }
  const start = await pour()
  await show('Before')
  await page.getByRole('button', { name: 'firm', exact: true }).click()
  await expect.poll(pour).toBeLessThan(start - 90)
  const firm = await pour()
  await show('Before')
  for (let washes = 3; washes > 0; washes--) await page.getByRole('button', { name: 'One wash fewer' }).click()
  // Nothing clings any more: 0.10 g/g of 300 g.
  await expect.poll(async () => Math.abs((await pour()) - firm - 30)).toBeLessThanOrEqual(1)
  const unwashed = await pour()
  await show('Before')
  await page.getByRole('button', { name: '10 h in the fridge' }).click()
  await expect.poll(pour).toBeLessThan(unwashed - 70)
})

test('an address that makes no sense opens the first pot', async ({ page }) => {
  await open(page, '/?grain=gravel&for=-3&pot=%3Cb%3E&texture=NaN')
  await expect(measure(page)).toContainText('260 g')
})
