import { expect, open, serious, test } from './kitchen'

test('the pot of the bench is cooked without food, minute by minute, by keys alone', async ({ page }) => {
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('link', { name: 'dry run' }).click()
  await expect(page).toHaveURL(/\/dry-run\?/)
  const pot = page.getByRole('region', { name: 'as planned' })
  await expect(pot).toContainText('Cooked through')
  const drawing = pot.getByRole('img')
  await expect(drawing).toHaveAttribute('aria-label', /0 g of water free, cooked to 9\d %/)
  await page.getByRole('slider', { name: 'Minute' }).focus()
  await page.keyboard.press('Home')
  await expect(drawing).toHaveAttribute('aria-label', /at 0\.0 minutes.*cooked to 0 %/)
  await expect(page.getByText('hearts cooked, %')).toBeVisible()
  expect(await serious(page)).toEqual([])
})

test('what if: a second pot beside the first, with its own verdict', async ({ page }) => {
  await open(page, '/dry-run?grain=short-white&for=4&pot=clay&on=big-gas')
  await expect(page.getByRole('region', { name: 'as planned' })).toContainText('Cooked through')
  const chip = page.getByRole('button', { name: 'What if I pour a fifth more?' })
  await chip.click()
  await expect(chip).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('region', { name: 'pour a fifth more' })).toContainText(/soft|Sodden|Soggy|Mush/)
  await expect(page).toHaveURL(/if=more-water/)
  await chip.click()
  await expect(page.getByRole('region', { name: 'pour a fifth more' })).toHaveCount(0)
})

test('four hundred kitchens: it can be stopped, and says how often it is good', async ({ page }) => {
  await open(page, '/dry-run?grain=basmati&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Cook it in 400 kitchens' }).click()
  // Quick machines are done before a hand is: stopped, or finished.
  await page.getByRole('button', { name: /^(Stop|Once more)$/ }).click()
  await page.getByRole('button', { name: /^(Cook it in 400 kitchens|Once more|Stop)$/ }).first().waitFor()
  const again = page.getByRole('button', { name: /^(Cook it in 400 kitchens|Once more)$/ })
  if (await again.isVisible()) await again.click()
  await expect(page.getByText(/^Good in \d+ % of 400 kitchens/)).toBeVisible({ timeout: 30_000 })
})

test('what went wrong with mine: causes that fit, and what would have helped', async ({ page }) => {
  await open(page, '/dry-run?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  const mine = page.getByRole('region', { name: 'What went wrong with mine' })
  await mine.getByLabel('Water, g').fill('760')
  await mine.getByLabel('It ended').selectOption('wet')
  await mine.getByRole('button', { name: 'What was it?' }).click()
  await expect(mine).toContainText('It came out as told')
  await expect(mine).toContainText(/What would have helped most: a (fifth|tenth) less water/)
})
