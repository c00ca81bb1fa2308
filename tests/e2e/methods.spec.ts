import { act, expect, letPass, open, serious, test } from './kitchen'

test('another way of cooking: over steam, with its soak, its basket and its own water', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the sentence is a sheet on a phone')
  await open(page, '/?grain=glutinous&for=4&pot=tall-pot&on=big-gas')
  await page.getByRole('button', { name: /^How it is heated/ }).click()
  await page.getByRole('radio', { name: 'steamed', exact: true }).check()
  await page.getByText('No basket? Three ways to improvise one').click()
  await expect(page.getByText('A sieve over a pot.')).toBeVisible()
  // One burner, two dishes: the soup below gives its own liquid as steam.
  await page.getByRole('checkbox', { name: 'steam over another dish' }).check()
  await page.getByRole('textbox', { name: 'The dish' }).fill('nettle soup')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText(/nettle soup steams off \d+ g/)
  await expect(page).toHaveURL(/soak=300-5-drain/)
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText('Under the basket')
  await expect(page.locator('[data-mark="basket"]')).toBeVisible()
  await expect(page.getByRole('slider', { name: 'Water in the pot' })).toHaveCount(0)
  expect(await serious(page)).toEqual([])
})

test('why? opens the sum of a figure, and the sum is the figure', async ({ page, isMobile }) => {
  await open(page, '/?grain=brown-short&grams=300&pot=heavy-blue&on=big-gas')
  if (isMobile) await page.getByRole('button', { name: /^Water/ }).click()
  const why = page.getByRole('button', { name: /^Why \d+ g\?/ }).last()
  const asked = Number(/(\d+)/.exec((await why.getAttribute('aria-label'))!)![1])
  await why.click()
  // The sum is there with its foot.
  await expect(page.locator('tfoot')).toContainText(`${asked} g`)
  const rows = await page.locator('tbody tr').allInnerTexts()
  const sum = rows.reduce(
    (all, row) => all + Number(/^(−?)(\d+) g/.exec(row)!.slice(1).join('').replace('−', '-')),
    0,
  )
  expect(Math.abs(sum - asked)).toBeLessThanOrEqual(2)
  await expect(page.getByText('published').first()).toBeVisible()
})

test('the serving hour is moved by keys on the ribbon', async ({ page, isMobile }) => {
  test.skip(isMobile, 'a phone sets the hour in its sheet')
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  const hour = page.getByRole('slider', { name: 'Serving time' })
  const before = await hour.getAttribute('aria-valuetext')
  await hour.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageUp')
  await expect(hour).not.toHaveAttribute('aria-valuetext', before!)
  await expect(page).toHaveURL(/at=/)
  await expect(page.getByText(/^Start at \d\d:\d\d for \d\d:\d\d/)).toBeVisible()
})

test('methods side by side, one added, and one taken to the plan page', async ({ page }) => {
  await open(page, '/compare?grain=basmati&for=4&pot=heavy-blue&on=big-gas')
  await expect(page.getByRole('listitem', { name: 'absorption, cold start' })).toBeVisible()
  await page.getByLabel('Compare with').selectOption({ label: 'boil and drain' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const other = page.getByRole('listitem', { name: 'boil and drain' })
  await expect(other).toContainText(/\d+ % of the grain’s weight more water: some is poured off again/)
  await expect(other).toContainText('kWh')
  expect(await serious(page)).toEqual([])
  const wide = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(wide).toBeLessThanOrEqual(page.viewportSize()!.width)
  await other.getByRole('link', { name: 'use this plan' }).click()
  await expect(page).toHaveURL(/\/\?.*method=boil-and-drain/)
})

test('what can be served by an hour', async ({ page }) => {
  await open(page, '/ready-by?for=4')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Ready by')
  await expect(page.getByRole('link', { name: 'plan it' }).first()).toBeVisible()
  expect(await serious(page)).toEqual([])
  await open(page, '/ready-by?for=lots&at=noon')
  await expect(page.getByText('Enter a time like 19:00, not “noon”.')).toBeVisible()
  await expect(page.getByText('From 0.25 to 60 people, got lots.')).toBeVisible()
  await open(page, '/ready-by?for=4')
  await page.getByRole('link', { name: 'plan it' }).first().click()
  await expect(page).toHaveURL(/\/\?grain=/)
})

test('at the stove the water heats while the grain is rinsed, each with its own key', async ({
  page,
  isMobile,
}) => {
  await open(
    page,
    `/?grain=long-white&grams=${isMobile ? 210 : 220}&pot=heavy-blue&on=big-gas&by=boiling-start&washes=6`,
  )
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\//)
  const key = page.getByRole('region', { name: 'Actions' })
  await letPass(page, 2)
  await key.getByRole('button', { name: /^Measured/ }).click()
  await expect(act(page)).toHaveText('Rinse 6 times')
  await letPass(page, 6)
  const alsoGoing = page.getByRole('region', { name: 'Also going on' })
  // The act in front stays in front; what is due beside it has a key of its own.
  await alsoGoing.getByRole('button', { name: 'Poured' }).click()
  await expect(alsoGoing).toContainText('Bring the water to the boil, lid on')
  await letPass(page, 4)
  await alsoGoing.getByRole('button', { name: 'It rolls' }).click()
  await key.getByRole('button', { name: /^Clear enough/ }).click()
  await letPass(page, 2)
  await key.getByRole('button', { name: /^Drained/ }).click()
  await expect(act(page)).toHaveText('Grain in, stir once, back to the boil')
})

test('a cooker filled now starts by itself for the hour; too long in water is stopped, and mended', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the order line is a sheet on a phone')
  await open(page, '/?grain=long-white&pot=scoop-cooker&at=20:30')
  await page
    .getByRole('button', { name: /20:30|8:30/ })
    .first()
    .click()
  await page.getByRole('checkbox', { name: /^Fill five-scoop cooker now/ }).check()
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(/timer=yes/)
  await expect(page.getByRole('status').filter({ hasText: /Ready at|for 20:30/ })).toBeVisible()
  await expect(page.getByText(/Set the timer; it soaks/).first()).toBeAttached()
  // From twenty to six until noon of the next day the grain would sour in its water.
  await open(page, '/?grain=long-white&pot=scoop-cooker&at=12:00&self=yes')
  const cautions = page.getByRole('region', { name: 'Cautions' })
  if (!(await cautions.isVisible())) await page.getByRole('button', { name: /^Cautions/ }).click()
  await expect(cautions.getByText(/Soaking grain is safe/)).toBeVisible()
  await cautions.getByRole('button', { name: 'Start it later yourself' }).click()
  await expect(cautions.getByText(/Soaking grain is safe/)).toHaveCount(0)
})

test('a pot that is known at home is taken to another kitchen, with how sure that is', async ({ page }) => {
  await open(page, '/compare?grain=short-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('link', { name: 'Convert for another kitchen' }).click()
  await expect(page.getByRole('heading', { name: 'Convert for another kitchen' })).toBeVisible()
  await page.getByLabel('Their pot').selectOption('wide pan, 3 L')
  await page.getByLabel('Their burner').selectOption('induction plate')
  await page.getByLabel('Their altitude, m').fill('2100')
  await page.getByRole('button', { name: 'Convert' }).click()
  await expect(page).toHaveURL(/their-pot=wide-3/)
  const there = page.getByRole('region', { name: 'There' })
  await expect(there.getByText(/g (more|less) than at home/)).toBeVisible()
  await expect(there.getByText(/\d+ in 100/)).toBeVisible()
  expect(await serious(page)).toEqual([])
  await page.getByLabel('Their altitude, m').fill('99999')
  await page.getByRole('button', { name: 'Convert' }).click()
  await expect(page.getByText(/must be from .* m, got “99999”/)).toBeVisible()
  await expect(page.getByLabel('Their altitude, m')).toHaveValue('99999')
})
