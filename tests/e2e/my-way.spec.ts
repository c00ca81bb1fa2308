import { expect, open, test } from './kitchen'

test('a way typed in one text is simulated, corrected by its smallest change, saved, and planned by its name', async ({
  page,
}) => {
  await open(page, '/my-way')
  await page
    .getByLabel('What you do')
    .fill('1½ cups brown rice, 2½ cups water, boil, lid on, low 15 min, hum, off 5')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByText('Not understood: “hum”.')).toBeVisible()
  await expect(page.getByLabel('Water')).toHaveValue('2½ rice-cooker cups')
  await expect(page.getByLabel('Step 2: minutes')).toHaveValue('15 min')
  const ends = page.getByRole('region', { name: 'How it ends' })
  await expect(ends.getByText('It stays hard in the middle')).toBeVisible({ timeout: 30_000 })
  await ends.getByRole('button', { name: 'Change it' }).click()
  await expect(ends.getByText(/^It works/)).toBeVisible({ timeout: 30_000 })
  const minutes = await page.getByLabel('Step 2: minutes').inputValue()
  expect(parseInt(minutes, 10)).toBeGreaterThan(15)

  // The address keeps it all.
  await expect(page).toHaveURL(/steps=/)
  await page.reload()
  await expect(page.getByLabel('Step 2: minutes')).toHaveValue(minutes)

  await ends.getByLabel('Save under a name').fill('Packet brown rice')
  await ends.getByRole('button', { name: 'Save' }).click()
  await expect(ends.getByText('“Packet brown rice” is saved.')).toBeVisible()
  await page.getByRole('link', { name: 'Packet brown rice' }).click()
  await expect(page.getByText('Your amount:')).toBeVisible()

  // By its name, from anywhere.
  await open(page, '/notebook')
  await page.keyboard.press('/')
  await page.getByRole('textbox', { name: 'Find' }).fill('packet')
  await page.getByRole('button', { name: /Packet brown rice/ }).click()
  await expect(page).toHaveURL(/poured=450/)
  await expect(page.getByRole('button', { name: /1½ rice-cooker cups/ })).toBeVisible()

  await open(page, '/my-way')
  page.once('dialog', (dialog) => void dialog.accept())
  await page.getByRole('button', { name: 'Delete Packet brown rice' }).click()
  await expect(page.getByRole('link', { name: 'Packet brown rice' })).toHaveCount(0)
})

test('a plan is saved under a name, and an empty name is refused at its field', async ({ page }) => {
  await open(page, '/?grain=basmati&servings=4')
  await page.getByRole('button', { name: 'More with this plan' }).click()
  await page.getByLabel('Save under a name').fill(' ')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/is empty; enter a name/)).toBeVisible()
  await page.getByLabel('Save under a name').fill('Weeknight')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('“Weeknight” is saved.')).toBeVisible()
})
