import type { Page } from '@playwright/test'
import { expect, open, serious, setAside, test } from './kitchen'

test('the shelf: a bag is put on it, refused while it makes no sense, planned with and taken off', async ({
  page,
}) => {
  await open(page, '/grains')
  await page.getByRole('button', { name: 'Add a bag' }).click()
  await page.getByLabel('Name').fill('Maren’s red')
  await page.getByLabel('How much is left, g').fill('lots')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('must be a number, got "lots"')).toBeVisible()
  await expect(page.getByLabel('Name')).toHaveValue('Maren’s red')
  await page.getByRole('combobox', { name: 'Grain' }).click()
  await page.getByRole('option', { name: 'Red rice' }).click()
  await page.getByLabel('How much is left, g').fill('750')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const bag = page.getByRole('listitem').filter({ hasText: 'Maren’s red' })
  await expect(bag).toContainText('750 g')
  await bag.getByRole('link', { name: 'plan it' }).click()
  await page.waitForURL(/grain=red/)
  await expect(page.getByRole('button', { name: /Which grain: red rice \(Maren’s red\)/ })).toBeVisible()
  await open(page, '/grains')
  await page.getByRole('button', { name: 'Change Maren’s red' }).click()
  await page.getByRole('button', { name: 'Empty: remove' }).click()
  await expect(page.getByText('Maren’s red')).toBeHidden()
})

test('ten kernels along a ruler say what the grain is', async ({ page }) => {
  await open(page, '/grains')
  const what = page.getByRole('region', { name: 'What grain is this?' })
  await what.getByLabel('10 grains end to end, mm').fill('50')
  await what.getByLabel('10 grains side by side, mm').fill('29')
  await expect(what).toContainText('Short-grain white, most likely: 5.0 by 2.9 mm')
  await what.getByLabel('broken').fill('3')
  await expect(what).toContainText('3 of 10 broken')
  await what.getByLabel('10 grains end to end, mm').fill('900')
  await expect(what).toContainText('must be 5 to 160 mm')
})

test('pots: a new one in under two minutes, measured, used, and gone', async ({ page }) => {
  await open(page, '/pots')
  await page.getByRole('button', { name: 'Add a pot', exact: true }).click()
  await page.getByLabel('Name').fill('the wide one')
  await page.getByLabel('Capacity to the rim, mL').fill('3000')
  await page.getByLabel('Inner diameter at the top, mm').fill('-4')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('must be a number from 40 to 800 mm, got -4')).toBeVisible()
  await expect(page.getByLabel('Capacity to the rim, mL')).toHaveValue('3000')
  await page.getByLabel('Inner diameter at the top, mm').fill('280')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const row = page.getByRole('listitem').filter({ hasText: 'the wide one' })
  await expect(row).toContainText('not measured yet')
  await page.getByRole('button', { name: 'Calibrate the wide one' }).click()
  const tasteTest = page.locator('form').filter({ hasText: 'Weigh it full' })
  await tasteTest.getByLabel('Empty, g').fill('1100')
  await tasteTest.getByLabel('Full, g').fill('4000')
  await tasteTest.getByRole('button', { name: 'Use this value' }).click()
  await expect(tasteTest.getByRole('status')).toHaveText('holds 3000 → 2900 mL')
  await page.keyboard.press('Escape')
  await expect(row).toContainText('weighed full: holds 3000 → 2900 mL')
  await page.getByRole('button', { name: 'Change the wide one' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(row).toBeHidden()
})

test('a glass is weighed, and becomes a gauge on the plan page', async ({ page }) => {
  await open(page, '/pots')
  await page.getByRole('button', { name: 'Add your own cup or mug' }).click()
  await page.getByLabel('Name').fill('Pim’s beaker')
  await page.getByLabel('Empty, g').fill('80')
  await page.getByLabel('Full of water, g').fill('240')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Pim’s beaker' })).toContainText(
    '160 mL, weighed',
  )
  await open(page, '/?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('group', { name: 'Measure by' }).getByRole('button', { name: 'Pim’s beaker' }).click()
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText(/Dry grain\s*why\?\s*2½ beakers/)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Pim’s beaker' })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('group', { name: 'Measure by' }).getByRole('button', { name: 'scale' }).click()
})

test.describe('the water in hand', () => {
  const address = '/?grain=long-white&grams=400&pot=heavy-blue&on=big-gas'
  const pour = async (page: Page) =>
    Number(await page.getByRole('slider', { name: 'Water in the pot' }).getAttribute('aria-valuenow'))

  test('by keys: five grams, one with Shift, firm and soft at the ends, and beyond', async ({ page }) => {
    await open(page, address)
    const start = await pour(page)
    const water = page.getByRole('slider', { name: 'Water in the pot' })
    await water.focus()
    await page.keyboard.press('ArrowUp')
    expect(Math.abs((await pour(page)) - start - 5)).toBeLessThanOrEqual(2)
    await page.keyboard.press('Home')
    const firm = await pour(page)
    await expect(page.getByRole('button', { name: 'firm', exact: true })).toBeVisible()
    await page.keyboard.press('PageDown')
    await page.keyboard.press('PageDown')
    await expect(page.getByText(/Your amount: \d+ g too little/)).toBeVisible()
    expect(firm - (await pour(page))).toBeGreaterThan(45)
    await page.getByRole('button', { name: 'use the planned amount' }).click()
    await expect(page.getByText(/Your amount|Your own water/)).toBeHidden()
  })

  test('by mouse: drawn up, the surface follows and everything answers', async ({ page }) => {
    await open(page, address)
    const start = await pour(page)
    const box = (await page.getByRole('slider', { name: 'Water in the pot' }).boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 20, { steps: 4 })
    await page.mouse.up()
    expect(await pour(page)).toBeGreaterThan(start + 100)
    await expect(page).toHaveURL(/texture=|poured=/)
  })

  test('in reverse: so many millimetres over the grain', async ({ page }) => {
    await open(page, address)
    await page.getByRole('group', { name: 'Measure by' }).getByRole('button', { name: 'finger' }).click()
    await page.getByRole('button', { name: 'other amount' }).click()
    await page.getByLabel('I added, mm over the grain').fill('two')
    await page.getByRole('button', { name: 'What happens then?' }).click()
    await expect(page.getByText('Enter a number, like 2 or 2.5, not “two”.')).toBeVisible()
    await page.getByLabel('I added, mm over the grain').fill('40')
    await page.getByRole('button', { name: 'What happens then?' }).click()
    await expect(page.getByText(/Your amount: .*left over/)).toBeVisible()
    await page.getByRole('button', { name: 'save my line' }).click()
    await expect(page.getByRole('button', { name: /40 mm above 400 g of grain/ })).toBeVisible()
    await page.getByRole('group', { name: 'Measure by' }).getByRole('button', { name: 'scale' }).click()
  })
})

test('a finger study and a ratio, each in its drawer', async ({ page }) => {
  await open(page, '/?grain=short-white&grams=300&pot=clay&on=big-gas')
  await page.getByRole('button', { name: 'Measuring with a finger' }).click()
  await expect(page.getByText(/stays between firm and soft from \d+ g to \d+ g|for any amount/)).toBeVisible()
  await expect(page.locator('.recharts-line-curve')).toHaveCount(2)
  expect(await serious(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'I have a water ratio' }).click()
  await expect(page.getByText(/That is \d\.\d\d to \d\.\d\d times the grain’s weight in water/)).toBeVisible()
  await page.getByRole('button', { name: 'Use this amount' }).click()
  await expect(page).toHaveURL(/poured=\d+/)
})

test('washes are counted by the water, at the stove', async ({ page }) => {
  await open(page, '/?grain=short-white&grams=300&pot=clay&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  await page.getByRole('button', { name: /^Measured/ }).click()
  const washes = page.getByRole('region', { name: 'Rinses' })
  await expect(washes).toContainText('0 of 4')
  await washes.getByRole('button', { name: /white as milk/ }).click()
  await expect(washes).toContainText('1 of 4 Not clear enough')
  await page.waitForTimeout(700)
  await washes.getByRole('button', { name: /^clear/ }).click()
  await expect(washes).toContainText('2 of 4 Clear enough')
  expect(await serious(page)).toEqual([])
  await setAside(page)
  await expect(page.getByText('not used for learning')).toBeVisible()
})

test.describe('who eats', () => {
  test('a person is known on the plan page by name; what they avoid is stopped, and marked in Grains', async ({
    page,
  }) => {
    await open(page, '/settings/people')
    const section = page.getByRole('region', { name: 'People' })
    await section.getByLabel('Name').fill('Ida 2')
    await section.getByRole('button', { name: 'Add person', exact: true }).click()
    await expect(section.getByText(/Ida 2/)).toBeVisible()
    await expect(section.getByLabel('Name')).toHaveValue('Ida 2')
    await section.getByLabel('Name').fill('Ida')
    await section.getByRole('checkbox', { name: 'gluten' }).check()
    await section.getByRole('button', { name: 'Add person', exact: true }).click()
    await expect(section.getByRole('listitem').filter({ hasText: 'Ida' })).toContainText('no gluten')
    await open(page, '/grains')
    await expect(page.getByText(/not for Ida: gluten/).first()).toBeVisible()
    await open(page, '/?grain=barley-hulled&for=4&pot=heavy-blue&on=big-gas')
    await page
      .getByRole('button', { name: /^For four|How much/ })
      .first()
      .click()
    await page.getByRole('textbox', { name: 'Who is eating' }).fill('Maren, Teo and Ida, one purple')
    await expect(page.getByText(/“one purple” is not a name or a number/)).toBeVisible()
    await page.getByRole('textbox', { name: 'Who is eating' }).fill('Teo, Pim and Ida')
    await expect(page.getByText(/2.75 portions · standard for those who care · no gluten/)).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page).toHaveURL(/who=Teo/)
    const cautions = page.getByRole('region', { name: 'Cautions' })
    await expect(cautions.getByText(/Barley, hulled contains gluten/)).toBeVisible()
    await cautions
      .getByRole('button', { name: /^Cook / })
      .first()
      .click()
    await expect(cautions.getByText(/contains gluten/)).toHaveCount(0)
    await open(page, '/settings/people')
    await section.getByRole('button', { name: 'Remove Ida' }).click()
    await expect(section.getByRole('listitem').filter({ hasText: 'Ida' })).toHaveCount(0)
  })
})

test('the shelf says what it is enough for, and what to buy', async ({ page }) => {
  await open(page, '/grains')
  const enough = page.getByRole('region', { name: 'Enough for planned meals?' })
  await expect(enough.getByRole('listitem').filter({ hasText: 'Barley, hulled' })).toContainText(
    /enough for the lake choir, \d+ g left over/,
  )
  await expect(enough.getByRole('listitem')).toHaveCount(3)
})

test('a pot in a minute: two measures and a weight, what it holds and when it boils, and then it is one of the others', async ({
  page,
}) => {
  await open(page, '/pots')
  await page.getByRole('button', { name: 'Quick add' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Name').fill('the red one')
  await sheet.getByRole('radio', { name: 'slightly narrower at the bottom' }).click()
  await sheet.getByLabel('Diameter inside, mm').fill('220')
  await sheet.getByLabel('Height inside, mm').fill('110')
  await sheet.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(
    sheet
      .getByRole('alert')
      .or(sheet.getByText(/is required|is empty/))
      .first(),
  ).toBeVisible()
  await expect(sheet.getByLabel('Diameter inside, mm')).toHaveValue('220')
  await sheet.getByLabel('Empty with its lid, g').fill('2400')
  // A frustum 220 over 198 and 110 high: 3.78 litres.
  await expect(sheet.getByText('3.8 L')).toBeVisible()
  await expect(sheet.getByText(/on the big gas in about \d+ min/)).toBeVisible()
  expect(await serious(page)).toEqual([])
  await sheet.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'the red one' }).first()).toContainText(
    '3.8 L, 220 mm wide',
  )
  await page.getByRole('button', { name: 'Change the red one' }).click()
  await page.getByRole('button', { name: 'Delete' }).click()
  await expect(page.getByRole('button', { name: 'Change the red one' })).toHaveCount(0)
})

test('a keyboard skips the places, and another page takes the focus and is announced', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'a phone has no Tab key')
  await open(page, '/grains')
  await page.keyboard.press('Tab')
  const skip = page.getByRole('link', { name: 'Skip to the content' })
  await expect(skip).toBeFocused()
  await expect(skip).toBeInViewport()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Tab')
  // The first stop is in the page, not in the row of places.
  expect(await page.evaluate(() => document.activeElement?.closest('main') !== null)).toBe(true)
  await page.getByRole('link', { name: 'Leftovers', exact: true }).press('Enter')
  await expect(page).toHaveURL(/leftovers/)
  await expect(page.locator('#content')).toBeFocused()
  await expect(page.locator('#content')).toHaveText(/Leftovers/)
})

test('a panel takes the focus each time it is opened and gives it back; a form that was saved keeps it', async ({
  page,
}) => {
  await open(page, '/?grain=short-white&grams=300&pot=heavy-blue&on=big-gas')
  for (const name of [/^How much/, /^What for/])
    for (const time of ['first', 'second']) {
      const key = page.getByRole('button', { name })
      await key.focus()
      await page.keyboard.press('Enter')
      await expect(page.getByRole('dialog', { name }).locator(':focus'), `${name} ${time}`).toHaveCount(1)
      await page.keyboard.press('Escape')
      await expect(key).toBeFocused()
    }
  await open(page, '/settings')
  await page.getByRole('button', { name: 'Save' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Saved.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save' })).toBeFocused()
})
