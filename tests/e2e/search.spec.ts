import { expect, open, serious, test } from './kitchen'

test('anything is found by its words and gone to by keys: a grain, a pot, a cook, a place', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'a phone presses the glass')
  await open(page, '/notebook')
  await page.keyboard.press('/')
  const field = page.getByRole('textbox', { name: 'Find' })
  // The box goes away with a fold; a slash while it still folds is typed into it, and asked again.
  const ask = () =>
    expect(async () => {
      await page.keyboard.press('/')
      await expect(field).toBeFocused({ timeout: 700 })
      await page.waitForTimeout(350)
      await expect(field).toBeFocused({ timeout: 50 })
    }).toPass({ timeout: 10_000 })
  await expect(field).toBeFocused()
  await field.fill('brown short')
  await expect(page.getByText('whole rice, chewy')).toBeVisible()
  expect(await serious(page)).toEqual([])
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/grain=brown-short/)

  await ask()
  await field.fill('pressure pot')
  await expect(page.getByRole('button', { name: /pressure pot plan in it/ })).toBeVisible()
  await field.fill('clicked early')
  await page.getByRole('button', { name: /Clicked early/ }).click()
  await page.waitForURL(/\/notebook\/./)

  await ask()
  await field.fill('zzz')
  await expect(page.getByText('No results. Try a grain, a pot or a page.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(field).toBeHidden()
  // A slash that is typed is a slash.
  await open(page, '/notebook')
  await page.getByRole('textbox').first().press('/')
  await expect(field).toBeHidden()
})

test('the glass in the bar opens it as well', async ({ page }) => {
  await open(page, '/grains')
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await page.getByRole('textbox', { name: 'Find' }).fill('ruler')
  await page.getByRole('button', { name: /On-screen ruler/ }).click()
  await expect(page).toHaveURL(/\/ruler/)
})
