import { act, expect, letPass, open, serious, test } from './kitchen'

const pdfPages = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length ?? 0

test('cooked for six, eaten by three: three containers, one reheated, one thrown out when past its time', async ({
  page,
}) => {
  await open(page, '/?grain=long-white&for=3&keep=3&pot=heavy-blue&on=big-gas')
  await expect(page.getByRole('button', { name: /^How much: For three and three for later/ })).toBeVisible()
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
  const key = page.getByRole('region', { name: 'Actions' })
  for (const [word, minutes] of [
    ['Measured', 2],
    ['Clear enough', 3],
    ['Drained', 1],
    ['Poured', 1],
    ['It boils', 6],
  ] as const) {
    await letPass(page, minutes)
    await key.getByRole('button', { name: new RegExp(`^${word}`) }).click()
  }
  await letPass(page, 45)
  // Loosening has its own drawing.
  await expect(act(page)).toHaveText(/Loosen|Cut|Turn/)
  await expect(page.getByText(/Lift from the edge|never stir|Cut a cross/).first()).toBeVisible()
  await key.getByRole('button', { name: /^Loosened/ }).click()
  await key.getByRole('button', { name: /^Served/ }).click()

  await page.getByRole('link', { name: 'Store the leftovers' }).click()
  await expect(page.getByText(/ g, 3 portions$/)).toBeVisible()
  await expect(page.getByLabel('the lunch tin', { exact: true })).toHaveText('3')
  // Deep in one container it is too slow, and that is said before it is put away.
  await page.getByRole('button', { name: 'Add one the blue tub' }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Remove one the lunch tin' }).click()
  await page.getByRole('checkbox', { name: 'lid off until it is cold' }).uncheck()
  await expect(page.getByText(/Cools too slowly: .* to 21 °C \(limit 60 min\)/)).toBeVisible()
  await page.getByRole('checkbox', { name: 'lid off until it is cold' }).check()
  await page.getByRole('button', { name: 'Remove one the blue tub' }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Add one the lunch tin' }).click()
  expect(await serious(page)).toEqual([])
  await page.getByRole('button', { name: 'Store' }).click()
  await expect(page).toHaveURL(/\/leftovers$/)

  const tins = page.locator('[data-place]').getByRole('listitem').filter({ hasText: 'Long-grain white' })
  await expect(tins).toHaveCount(3)
  await expect(tins.first()).toContainText(/21 °C by \d\d:\d\d/)
  expect(await serious(page)).toEqual([])
  // While they cool the stove says so as well.
  await open(page, '/stove')
  await expect(page.getByRole('list', { name: 'Cooling' })).toBeVisible()

  // They count in for the next meal.
  await open(page, '/?grain=long-white&for=4&pot=heavy-blue&on=big-gas')
  const grams = page
    .getByRole('region', { name: 'Measure' })
    .getByRole('paragraph')
    .filter({ hasText: / g$/ })
    .first()
  const before = Number(/\d+/.exec(await grams.innerText())![0])
  await page.getByRole('button', { name: /^How much/ }).click()
  await page.getByRole('textbox', { name: /^Leftovers in the fridge/ }).fill('2')
  await page.keyboard.press('Escape')
  await expect.poll(async () => Number(/\d+/.exec(await grams.innerText())![0])).toBe(before / 2)

  await open(page, '/leftovers')
  await tins.first().getByText('Reheat', { exact: true }).click()
  await expect(tins.first()).toContainText(/\d+ g of water per portion/)
  await tins.first().getByRole('button', { name: 'Reheated' }).click()
  await expect(page.getByText(/reheated once/)).toBeVisible()
  const hot = tins.filter({ hasText: 'reheated once' })
  await expect(hot.getByText('Reheat', { exact: true })).toHaveCount(0)
  await hot.getByRole('button', { name: 'Eaten', exact: true }).click()
  await expect(tins).toHaveCount(2)
  await tins.first().getByRole('button', { name: 'Freeze' }).click()
  await expect(
    page
      .getByRole('region', { name: 'In the freezer' })
      .getByRole('listitem')
      .filter({ hasText: 'Long-grain white' }),
  ).toHaveCount(1)

  // A day later the other one is past its time, and that is said in words; the frozen one has not moved.
  await letPass(page, 25 * 60)
  await open(page, '/leftovers')
  const past = page
    .getByRole('region', { name: 'In the fridge' })
    .getByRole('listitem')
    .filter({ hasText: 'Long-grain white' })
  await expect(past).toContainText(/Past its date since .*: throw it away/)
  await expect(past.getByRole('button', { name: 'Eaten' })).toHaveCount(0)
  await past.getByRole('button', { name: 'Throw away' }).click()
  await expect(past).toHaveCount(0)
  await expect(
    page
      .getByRole('region', { name: 'In the freezer' })
      .getByRole('listitem')
      .filter({ hasText: 'Long-grain white' }),
  ).toContainText(/eat within \d+ h of thawing/)
})

test('the card and the labels are one page on either paper, also for the fullest plan', async ({ page }) => {
  const plans = [
    '/recipe-card?grain=short-white&for=4&pot=heavy-blue&on=big-gas',
    '/recipe-card?grain=short-white&for=14&pot=heavy-blue&on=big-gas&purpose=dressed&dress=usual-240-60&hold=120&salt=1&at=19:00&soak=30-20-drain&lid=ajar&heat=strong-minute-then-low&toasted=yes&add=kelp~1~0~0.1~with-water~at-boil',
    '/recipe-card?grain=couscous&for=6&pot=tall-pot&on=big-gas&by=steam-passes&passes=4&under=1500~nettle%20soup&at=19:00',
    '/leftovers/labels',
  ]
  for (const plan of plans)
    for (const format of ['A4', 'Letter'] as const) {
      await open(page, plan)
      await page.emulateMedia({ media: 'print' })
      expect([
        plan,
        format,
        pdfPages(
          await page.pdf({
            format,
            preferCSSPageSize: false,
            margin: { top: '10mm', bottom: '10mm', left: '10mm', right: '10mm' },
          }),
        ),
      ]).toEqual([plan, format, 1])
      await page.emulateMedia({ media: 'screen' })
    }
  await open(page, plans[0]!)
  await expect(page.getByText('water to pour, after draining')).toBeVisible()
  expect(await serious(page)).toEqual([])
})

test('guidance can be set stricter, not laxer; a refused figure stays as it was typed', async ({ page }) => {
  await open(page, '/settings/keeping')
  const part = page.getByRole('region', { name: 'Keeping food' })
  const hours = part.getByRole('textbox', { name: /^eaten from the fridge within/ })
  await hours.fill('48')
  await part.getByRole('button', { name: 'Use these limits' }).click()
  await expect(part.getByText(/can only be set stricter than 24 h/)).toBeVisible()
  await expect(hours).toHaveValue('48')
  await hours.fill('12')
  await part.getByRole('button', { name: 'Use these limits' }).click()
  await expect(part.getByText('Saved; use-by times updated.')).toBeVisible()
  await open(page, '/leftovers')
  await expect(page.getByText(/Using limits from the stricter of the two: .* eat within 12 h/)).toBeVisible()
  await open(page, '/settings/keeping')
  await hours.fill('')
  await part.getByRole('button', { name: 'Use these limits' }).click()
  await expect(part.getByText('Saved; use-by times updated.')).toBeVisible()
})
