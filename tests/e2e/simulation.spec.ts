import { expect, open, serious, test } from './kitchen'

test('the pot of the plan page is cooked without food, minute by minute, by keys alone', async ({ page }) => {
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('link', { name: 'simulate' }).click()
  await expect(page).toHaveURL(/\/simulation\?/)
  const pot = page.getByRole('region', { name: 'as planned' })
  await expect(pot).toContainText('Cooked through')
  const drawing = pot.getByRole('img')
  await expect(drawing).toHaveAttribute('aria-label', /0 g of water left, cooked to 9\d %/)
  await page.getByRole('slider', { name: 'Minute', exact: true }).focus()
  await page.keyboard.press('Home')
  await expect(drawing).toHaveAttribute('aria-label', /at 0\.0 minutes.*cooked to 0 %/)
  await expect(page.getByText('centres cooked, %')).toBeVisible()
  expect(await serious(page)).toEqual([])
})

test('what if: a second pot next to the first, with its own verdict', async ({ page }) => {
  await open(page, '/simulation?grain=short-white&for=4&pot=clay&on=big-gas')
  await expect(page.getByRole('region', { name: 'as planned' })).toContainText('Cooked through', {
    timeout: 30_000,
  })
  const chip = page.getByRole('button', { name: 'What if I pour a fifth more?' })
  await chip.click()
  await expect(chip).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('region', { name: 'pour a fifth more' })).toContainText(
    /soft|Sodden|Soggy|Mush/,
    { timeout: 30_000 },
  )
  await expect(page).toHaveURL(/if=more-water/)
  await chip.click()
  await expect(page.getByRole('region', { name: 'pour a fifth more' })).toHaveCount(0)
})

test('four hundred kitchens: it can be stopped, and says how often it is good', async ({ page }) => {
  await open(page, '/simulation?grain=basmati&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Try 400 simulated kitchens' }).click()
  // Quick machines are done before a hand is: stopped, or finished.
  await page.getByRole('button', { name: /^(Stop|Try again)$/ }).click()
  await page
    .getByRole('button', { name: /^(Try 400 simulated kitchens|Try again|Stop)$/ })
    .first()
    .waitFor()
  const again = page.getByRole('button', { name: /^(Try 400 simulated kitchens|Try again)$/ })
  if (await again.isVisible()) await again.click()
  await expect(page.getByText(/^Good in \d+ % of 400 kitchens/)).toBeVisible({ timeout: 30_000 })
})

test('what went wrong with mine: causes that fit, and what would have helped', async ({ page }) => {
  await open(page, '/simulation?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  const mine = page.getByRole('region', { name: 'What went wrong with mine' })
  await mine.getByLabel('Water, g').fill('760')
  await mine.getByLabel('It was').selectOption('wet')
  await mine.getByRole('button', { name: 'Find the cause' }).click()
  await expect(mine).toContainText(/\d+ g more water than this batch takes/)
  await expect(mine.getByRole('listitem')).not.toHaveCount(0)
  await expect(mine).toContainText(/The smallest change that helps: \d+ g less water/)
})

test('the heat is taken in hand by keys: a stronger simmer boils off more, scorches, and is set back', async ({
  page,
}) => {
  await open(page, '/simulation?grain=short-white&for=4&pot=clay&on=big-gas')
  const heat = page.getByRole('slider', { name: /^Heat of Turn to the lowest heat/ })
  await expect(page.getByRole('region', { name: 'as planned' })).toContainText('Cooked through')
  await heat.focus()
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowUp')
  const mine = page.getByRole('region', { name: 'as you do it' })
  await expect(mine).toContainText('Scorched')
  await expect(page).toHaveURL(/do=simmer%7E\d+%7E%7E/)
  await page.reload()
  await expect(mine).toContainText('Scorched')
  await page.getByRole('button', { name: 'No changes' }).click()
  await expect(page.getByRole('region', { name: 'as planned' })).toContainText('Cooked through')
  const minutes = page.getByRole('slider', { name: /^Minutes of Off the heat/ })
  const before = Number(await minutes.getAttribute('aria-valuenow'))
  await minutes.focus()
  await page.keyboard.press('ArrowRight')
  await expect(minutes).toHaveAttribute('aria-valuenow', String(before + 0.5))
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(minutes).toHaveAttribute('aria-valuenow', String(before))
})

test('the heat is drawn with the mouse', async ({ page }) => {
  await open(page, '/simulation?grain=short-white&for=4&pot=clay&on=big-gas')
  const heat = page.getByRole('slider', { name: /^Heat of Turn to the lowest heat/ })
  const box = (await heat.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y - 40, { steps: 6 })
  await page.mouse.up()
  await expect(heat).toHaveAttribute('aria-valuetext', /^([4-9]|1[01]\d)\d\d? W$/)
  await expect(page.getByRole('region', { name: 'as you do it' })).toBeVisible()
})

test('things done on the way, and another kitchen', async ({ page }) => {
  await open(page, '/simulation?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await expect(page.getByRole('button', { name: 'Stir' })).toBeDisabled()
  await page.getByRole('slider', { name: 'Minute', exact: true }).focus()
  await page.keyboard.press('Home')
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight')
  await page.getByRole('button', { name: 'Pour water in' }).click()
  await expect(page.getByRole('button', { name: /^Undo: 50 g water at/ })).toBeVisible()
  await expect(page).toHaveURL(/act=add-water%7E/)
  await page.getByRole('button', { name: /^Undo: 50 g/ }).click()
  await expect(page.getByRole('region', { name: 'as planned' })).toBeVisible()
  await page.getByLabel('Altitude, m').fill('3500')
  await page.getByRole('slider', { name: 'Minute', exact: true }).focus()
  for (let i = 0; i < 60; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('region', { name: 'as you do it' }).getByRole('img')).toHaveAttribute(
    'aria-label',
    /8\d °C/,
  )
})

test('water against minutes: a field to walk by keys, and a point to go to', async ({ page }) => {
  await open(page, '/simulation?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Water and time chart' }).click()
  const field = page.getByRole('grid', { name: /How it ends/ })
  await expect(field.getByRole('gridcell')).toHaveCount(323, { timeout: 20_000 })
  expect(await serious(page)).toEqual([])
  await field.locator('[tabindex="0"]').focus()
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight')
  await expect(field.locator('[tabindex="0"]')).toHaveAccessibleName(/wet|mush/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'as you do it' })).toContainText(
    /Too wet|Waterlogged|Overdone/,
  )
})

test('the model can be read, with its plots', async ({ page }) => {
  await open(page, '/simulation?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  await page.getByRole('link', { name: 'how the model works' }).click()
  await expect(page.getByRole('heading', { name: 'The water balance' })).toBeVisible()
  await expect(page.getByRole('img', { name: /Crank/ })).toBeVisible()
  expect(await serious(page)).toEqual([])
})
