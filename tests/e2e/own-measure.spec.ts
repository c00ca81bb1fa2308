import type { Page } from '@playwright/test'
import { act, expect, open, serious, setAside, test } from './kitchen'

const measure = (page: Page) => page.getByRole('region', { name: 'Measure' })

test('one and a half cups typed are one and a half on the plan and at the stove', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the panels are sheets on a phone')
  await open(page, '/?grain=basmati&grams=300&pot=heavy-blue&burner=big-gas&salt=0.5')
  await page.getByRole('button', { name: /^How much/ }).click()
  const field = page.getByRole('textbox', { name: 'Dry grain' })
  await field.fill('1-2 cups')
  await expect(page.getByText('Enter one amount, for example 2 cups.')).toBeVisible()
  await field.fill('1½ cups')
  await expect(page.getByRole('button', { name: 'How much: 1½ rice-cooker cups' })).toBeVisible()
  expect(await serious(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(measure(page)).toContainText('1½ cups')
  await expect(page).toHaveURL(/measured=1.5~cup|measured=1.5%7Ecup/)
  await page.reload()
  await expect(measure(page)).toContainText('1½ cups')

  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/\/stove\/./)
  await expect(act(page)).toHaveText('Measure the grain')
  const now = page.getByRole('region', { name: 'Now' })
  await expect(now).toContainText('1½ rice-cooker cups')
  await expect(now).not.toContainText(/\d g\b/)
  expect(await serious(page)).toEqual([])
  await setAside(page)
})

test('a bowl of one’s own is weighed on the plan page, and the plan is measured by it', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the panels are sheets on a phone')
  await open(page, '/?grain=basmati&grams=300&pot=heavy-blue')
  await page.getByRole('button', { name: /^How much/ }).click()
  await page.getByRole('button', { name: 'your own cup, mug or bowl' }).click()
  await page.getByLabel('Name').fill('soup bowl')
  await page.getByLabel('Empty, g').fill('310')
  await page.getByLabel('Full of water, g').fill('300')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  // Refused beside its field, with what was typed still there.
  await expect(page.getByLabel('Full of water, g')).toHaveAttribute('aria-invalid', 'true')
  await expect(page.getByLabel('Name')).toHaveValue('soup bowl')
  await page.getByLabel('Full of water, g').fill('710')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'Dry grain' })).toHaveValue('1')
  await expect(page.getByRole('button', { name: /^How much: 1 soup bowl/ })).toBeVisible()
  expect(await serious(page)).toEqual([])
  await page.keyboard.press('Escape')
  // 400 mL of basmati, of 0.79 g/mL as it is poured.
  await expect(measure(page)).toContainText('1 bowl')
  await expect(measure(page)).toContainText('316 g')
  await open(page, '/pots')
  await page.getByRole('listitem').filter({ hasText: 'soup bowl' }).getByRole('button').first().click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'soup bowl' })).toHaveCount(0)
})

test('an order in one sentence is read back before it is planned', async ({ page, isMobile }) => {
  test.skip(isMobile, 'a phone presses the glass')
  await open(page, '/notebook')
  await page.keyboard.press('/')
  await page
    .getByRole('textbox', { name: 'Find' })
    .fill('2 cups basmati and half a cup of quinoa, firm, heavy blue, at 7, dragonfruit')
  const order = page.getByRole('button', { name: /^Plan basmati with quinoa/ })
  await expect(order).toContainText('2½ rice-cooker cups, heavy blue, firm, at 19:00')
  await expect(order).toContainText('not understood: “dragonfruit”')
  await order.click()
  await expect(page.getByRole('button', { name: 'How much: 2½ rice-cooker cups' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Which grain: basmati with quinoa/ })).toBeVisible()
})

test('own minutes are planned as given, judged, and can be dropped', async ({ page, isMobile }) => {
  test.skip(isMobile, 'the panels are sheets on a phone')
  await open(page, '/?grain=brown-long&grams=300&pot=heavy-blue&burner=big-gas&minutes=15')
  const own = page.getByRole('region', { name: 'Cautions' }).getByRole('status')
  await expect(own).toContainText('Your 15 min: ends')
  await expect(page.getByRole('region', { name: 'Heat from now to serving' })).toContainText('15 min')
  // The smallest change is a press away, and so is the plan's own time.
  await own.getByRole('button', { name: /more: good in \d+ of 100$/ }).click()
  await expect(own).toContainText(/Your \d+ min: ends (firm|standard|soft), good in (8|9|10)\d/)
  expect(await serious(page)).toEqual([])
  await own.getByRole('button', { name: 'As planned' }).click()
  await expect(own).toBeHidden()
  await page.getByRole('button', { name: /^How it is heated/ }).click()
  await page.getByRole('textbox', { name: 'Own minutes on the heat' }).fill('50')
  await page.keyboard.press('Tab')
  await expect(page).toHaveURL(/minutes=50/)
})
