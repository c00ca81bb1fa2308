import type { Locator, Page } from '@playwright/test'
import { expect, open, setAside, test } from './kitchen'

/** Counts every press and every typed field on the way to Start. */
function counting(page: Page) {
  let count = 0
  const press = async (on: Locator) => {
    await on.click()
    count += 1
  }
  const type = async (into: Locator, text: string) => {
    await into.fill(text)
    count += 1
  }
  const key = async (name: string) => {
    await page.keyboard.press(name)
    count += 1
  }
  return { press, type, key, count: () => count }
}

const start = (page: Page) => page.getByRole('button', { name: /^Start (now|at)/ })

/** An order in one sentence, as it is asked for from a plan page: Find, the sentence, what was read, Start. */
async function order(page: Page, text: string) {
  const by = counting(page)
  await open(page, '/?grain=long-white&for=4')
  await by.press(page.getByRole('button', { name: 'Find' }))
  await by.type(page.getByRole('textbox', { name: 'Find' }), text)
  const read = page.getByRole('button', { name: /^Plan / }).first()
  await expect(read).toContainText('as read from your words')
  await by.press(read)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await by.press(start(page))
  await page.waitForURL(/\/stove\/./)
  return by.count()
}

/** The usual jobs of a kitchen, and one with everything. */
const JOBS: readonly [string, number, string][] = [
  ['plain rice in the usual pot', 4, '2 cups basmati'],
  ['for the table, at an hour', 8, 'basmati for four, soft, heavy blue, at 19:30'],
  ['in the rice cooker', 8, '2 scoops short grain in the rice cooker'],
  ['a programme', 8, '300 g brown rice, pressure cooker, 12 min high, natural release'],
  ['for a salad', 8, '500 mL quinoa for salad, firm'],
  ['to be fried', 8, '2 cups long grain for fried rice'],
  ['for the week', 8, '1 kg barley for the week'],
  ['soaked and steamed', 8, '2 cups sticky rice, soaked overnight, steamed'],
  ['own water and minutes', 8, '2 cups long grain, 3 cups water, 18 min, heavy blue'],
  [
    'a blend with things cooked along, dressed, with own water',
    12,
    '1 cup basmati and half a cup of wild rice, dressed, 3 cups water, 80 g peas, 2 bay leaves, 1 tsp salt',
  ],
]
for (const [job, budget, text] of JOBS)
  test(`${job}: ${budget} presses and fields at most`, async ({ page }) => {
    expect(await order(page, text)).toBeLessThanOrEqual(budget)
    await setAside(page)
  })

test('by hand: the amount and Start in four, and that amount at the stove', async ({ page, isMobile }) => {
  test.skip(isMobile, 'a phone has them in one sheet, below')
  const by = counting(page)
  await open(page, '/?grain=long-white&for=4')
  await by.press(page.getByRole('button', { name: /^How much/ }))
  await by.type(page.getByRole('textbox', { name: 'Who is eating' }), '2 cups')
  await by.press(start(page))
  await page.waitForURL(/\/stove\/./)
  await expect(page.getByRole('region', { name: 'Now' })).toContainText('2 rice-cooker cups')
  expect(by.count()).toBeLessThanOrEqual(4)
  await setAside(page)
})

test('the same again: one press, at most two', async ({ page }) => {
  const by = counting(page)
  await open(page, '/')
  const last = page.getByRole('list', { name: 'On the stove and last batches' })
  await by.press(last.getByRole('link', { name: /^Again/ }).first())
  await expect(page).toHaveURL(/[?&]grain=|[?&]pot=|\?./)
  if (!/\/stove\/./.test(page.url())) await by.press(start(page))
  await page.waitForURL(/\/stove\/./)
  expect(by.count()).toBeLessThanOrEqual(2)
  await setAside(page)
})
