import { act, expect, letPass, open, serious, setAside, test } from './kitchen'

test('two taps after dinner, and it is written down', async ({ page }) => {
  await open(page, '/notebook/copy')
  await page.getByRole('textbox', { name: 'When, row 1' }).fill('2026-03-04')
  await page.getByRole('textbox', { name: 'Grain, row 1' }).fill('millet')
  await page.getByRole('textbox', { name: 'Dry, g, row 1' }).fill('200')
  await page.getByRole('textbox', { name: 'Water, g, row 1' }).fill('plenty')
  await page.getByRole('textbox', { name: 'Pot, row 1' }).fill('clay')
  // What is wrong is said beside it, and nothing typed is lost.
  await expect(page.getByRole('alert')).toContainText('water must be from 0 to 60000 g, got "plenty"')
  await page.getByRole('textbox', { name: 'Water, g, row 1' }).fill('430')
  expect(await serious(page)).toEqual([])
  await page.getByRole('button', { name: 'Import one batch' }).click()
  await expect(
    page.getByRole('status').filter({ hasText: 'One' }).or(page.getByText('1 batch is in the notebook now.')),
  ).toBeVisible()

  await open(page, '/notebook')
  const taps = page.getByRole('region', { name: 'How was it? Millet' })
  await taps
    .getByRole('group', { name: 'How dry or wet' })
    .getByRole('button', { name: 'a little wet' })
    .click()
  await expect(taps.getByText('Now tap the other row.')).toBeVisible()
  await taps.getByRole('group', { name: 'How hard or soft' }).getByRole('button', { name: 'right' }).click()
  await expect(page.getByRole('row', { name: /Millet/ }).first()).toContainText('a little wet')
})

test('a table with words of its own is matched, column by column; what is no text is refused, and a formula is only a note', async ({
  page,
}) => {
  await open(page, '/notebook/copy')
  const file = page.locator('input[type=file]')
  await file.setInputFiles({
    name: 'old.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([0x64, 0x61, 0x79, 0x2c, 0xe9, 0x0a, 0x31, 0x2c, 0x32]),
  })
  await expect(page.getByText('That file is not UTF-8 text.')).toBeVisible()
  await file.setInputFiles({
    name: 'old.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'day,cereal,liquid,dry,pan,rating,said\n3.11.2025,millet,430,200,clay,good,"=HYPERLINK(""x"")"\n',
    ),
  })
  await expect(page.getByRole('alert')).toContainText('Which column is “Grain”?')
  const copy = page.getByRole('button', { name: /^Import/ })
  await expect(copy).toBeDisabled()
  for (const [theirs, ours] of [
    ['cereal', 'Grain'],
    ['liquid', 'Water, g'],
    ['pan', 'Pot'],
    ['rating', 'How it was'],
    ['said', 'Note'],
  ] as const)
    await page.getByRole('combobox', { name: `“${theirs}” is` }).selectOption({ label: ours })
  await expect(page.getByRole('button', { name: 'Import one batch' })).toBeEnabled()
  await page.getByRole('combobox', { name: '“said” is' }).selectOption({ label: 'ignore' })
  await expect(page.getByRole('button', { name: 'Import one batch' })).toBeEnabled()
  expect(await serious(page)).toEqual([])
})

test('the notebook is filtered and searched; a batch is repeated, weighed, photographed and deleted', async ({
  page,
}) => {
  await open(page, '/notebook')
  await page.getByRole('combobox', { name: 'Pot' }).selectOption({ label: 'clay' })
  await expect(page).toHaveURL(/pot=clay/)
  for (const row of await page.getByRole('table').getByRole('row').all())
    if ((await row.getByRole('cell').count()) > 0) await expect(row).toContainText('clay')
  await open(page, '/notebook?q=choir')
  await expect(page.getByRole('row', { name: /Choir, first time/ })).toBeVisible()
  expect(await serious(page)).toEqual([])
  await page
    .getByRole('row', { name: /Choir, first time/ })
    .getByRole('link')
    .click()
  await expect(page).toHaveURL(/\/notebook\/[\w-]{36}$/)
  const cook = page.url()

  const water = /in (\d+) g of water/.exec(await page.getByText(/g of water,/).innerText())![1]
  await page.getByRole('link', { name: 'exactly as before' }).click()
  await expect(page).toHaveURL(new RegExp(`poured=${water}`))
  await expect(page.getByText(/Your amount/)).toBeVisible()

  await open(page, cook)
  const weighed = page.getByRole('form', { name: 'Weighed' })
  await weighed.getByRole('textbox', { name: /^Full pot with lid/ }).fill('3000')
  await weighed.getByRole('textbox', { name: /when done/ }).fill('3200')
  await weighed.getByRole('button', { name: 'Save weights' }).click()
  await expect(weighed.getByText(/must weigh less than before the heat, 3000 g; got 3200/)).toBeVisible()
  await expect(weighed.getByRole('textbox', { name: /when done/ })).toHaveValue('3200')
  await weighed.getByRole('textbox', { name: /when done/ }).fill('2930')
  await weighed.getByRole('button', { name: 'Save weights' }).click()
  await expect(weighed.getByText(/70 g of steam measured/)).toBeVisible()
  await expect(page.getByText(/steam by the scale:/)).toBeVisible()

  // A picture that is none, and one that is: drawn by the browser itself.
  const picture = page.getByRole('form', { name: 'A picture' })
  await picture
    .locator('input[type=file]')
    .setInputFiles({ name: 'pot.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture at all') })
  await picture.getByRole('button', { name: 'Save' }).click()
  await expect(picture.getByRole('alert')).toContainText('pot.jpg')
  await picture
    .locator('input[type=file]')
    .setInputFiles({ name: 'pot.png', mimeType: 'image/png', buffer: await page.screenshot() })
  await picture
    .getByRole('combobox', { name: 'Shows' })
    .selectOption({ label: 'steam pushes out at the lid' })
  await picture.getByRole('button', { name: 'Save' }).click()
  const image = page.getByRole('img', { name: 'when steam pushes out at the lid' })
  await expect(image).toBeVisible()
  await expect.poll(() => image.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(1280)
  expect(await serious(page)).toEqual([])
  await page.getByRole('button', { name: 'delete', exact: true }).click()
  await expect(image).toHaveCount(0)
})

test('what was learned is shown with how surely, can be pinned within its limits, and let go', async ({
  page,
}) => {
  await open(page, '/notebook/learned')
  const quinoa = page.getByRole('region', { name: 'water in the grain: Quinoa' })
  await expect(quinoa).toContainText(/Needs \d+ % of its weight less water \(± \d+ %\)\. From 2 batches\./)
  await expect(quinoa.getByRole('img').first()).toBeVisible()
  expect(await serious(page)).toEqual([])
  await quinoa.getByRole('textbox').fill('9')
  await quinoa.getByRole('button', { name: 'fix value' }).click()
  await expect(quinoa.getByRole('alert')).toContainText('must be from -0.8 to 0.8 g/g, got 9')
  await expect(quinoa.getByRole('textbox')).toHaveValue('9')
  await quinoa.getByRole('textbox').fill('0.2')
  await quinoa.getByRole('button', { name: 'fix value' }).click()
  await expect(quinoa).toContainText('Needs 20 % of its weight more water')
  await open(page, '/?grain=quinoa&grams=200&pot=little-steel&on=small-gas')
  await expect(page.getByText(/\b(39|4\d) g more water than usual/)).toBeVisible()
  await open(page, '/notebook/learned')
  await quinoa.getByRole('button', { name: 'unfix' }).click()
  await expect(quinoa).toContainText('of its weight less water')
})

test('a trial of water: planned blind, tasted, weighed by chance, and taken over', async ({ page }) => {
  await open(page, '/?grain=wild&grams=200&pot=clay&on=big-gas&by=covered-simmer')
  await page.getByRole('button', { name: 'More with this plan' }).click()
  await page.getByRole('link', { name: 'taste test', exact: true }).click()
  const make = page.getByRole('region', { name: 'New taste test' })
  await make.getByRole('checkbox', { name: /as planned/ }).check()
  await expect(make.getByRole('button', { name: 'Choose at least two' })).toBeDisabled()
  await make.getByRole('checkbox', { name: /16 g less/ }).check()
  await make.getByRole('button', { name: 'Plan these 2' }).click()
  await expect(page).toHaveURL(/\/taste-tests\/[\w-]{36}$/)
  await expect(page.getByText('hidden', { exact: true })).toHaveCount(2)
  expect(await serious(page)).toEqual([])
  for (let i = 0; i < 5; i++) {
    const tasting = page.getByRole('region', { name: 'A tasting' })
    await tasting.getByRole('button', { name: 'Sample B' }).click()
    await tasting.getByRole('button', { name: 'Sample A' }).click()
    await tasting.getByRole('textbox', { name: 'Who tasted' }).fill(['Maren', 'Teo', 'Pim'][i % 3]!)
    await tasting.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('button', { name: 'undo' })).toHaveCount(i + 1)
  }
  await expect(
    page.getByText(
      /^B was put first 5 of 5 times: luck alone could do that in 6 of 100 such tests; one more like these would settle it\.$/,
    ),
  ).toBeVisible()
  await page.getByRole('button', { name: 'reveal' }).click()
  await page
    .getByRole('row', { name: /^B, \d+ g of water/ })
    .getByRole('button', { name: 'Use this water from now on' })
    .click()
  await expect(page.getByText(/Sample B is now used for this grain/)).toBeVisible()
  await open(page, '/notebook/learned')
  await page
    .getByRole('region', { name: 'water in the grain: Wild rice' })
    .getByRole('button', { name: 'unfix' })
    .click()
  await expect(page.getByRole('button', { name: 'unfix' })).toHaveCount(0)
})

test('a photo of a sign in this pot is shown next to the drawn one, also the next time', async ({ page }) => {
  for (const again of [false, true]) {
    await open(page, '/?grain=fonio&grams=120&pot=little-steel&on=small-gas&by=covered-simmer')
    await page.getByRole('button', { name: 'Start now' }).click()
    await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
    const key = page.getByRole('region', { name: 'Actions' })
    for (let presses = 0; presses < 9 && !/boil/i.test(await act(page).innerText()); presses++) {
      const before = await act(page).innerText()
      await letPass(page, 2)
      await key.getByRole('button').first().click()
      await expect(act(page)).not.toHaveText(before)
    }
    const own = page.getByRole('img', { name: /^Your photo:/ })
    if (again) await expect(own).toBeVisible()
    else {
      await expect(own).toHaveCount(0)
      await page
        .locator('input[type=file]')
        .setInputFiles({ name: 'boil.png', mimeType: 'image/png', buffer: await page.screenshot() })
      await expect(own).toBeVisible()
    }
    await setAside(page)
    await expect(page.getByText('Stopped', { exact: true })).toBeVisible()
  }
})

test('two taps stand at the stove as soon as it is served', async ({ page }) => {
  await open(page, '/?grain=couscous&grams=150&pot=little-steel&on=small-gas&by=off-heat')
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
  const key = page.getByRole('region', { name: 'Actions' })
  const table = key.getByRole('button', { name: /^Served/ })
  for (let presses = 0; presses < 14 && (await table.count()) === 0; presses++) {
    await letPass(page, 12)
    if ((await table.count()) > 0) break
    await key.getByRole('button').first().click()
    await page.waitForTimeout(800)
  }
  await table.click()
  const taps = page.getByRole('region', { name: /^How was it\? Couscous/ })
  await taps.getByRole('group', { name: 'How hard or soft' }).getByRole('button', { name: 'right' }).click()
  await taps
    .getByRole('group', { name: 'How dry or wet' })
    .getByRole('button', { name: 'a little dry' })
    .click()
  await expect(taps.getByText('Saved. The next batch is adjusted.')).toBeVisible()
  await taps.getByRole('link', { name: 'Add details' }).click()
  await expect(page.getByRole('radio', { name: 'a little dry' })).toBeChecked()
})
