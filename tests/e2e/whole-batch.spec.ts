import type { Page } from '@playwright/test'
import { act, expect, letPass, open, serious, test } from './kitchen'

const poured = async (page: Page): Promise<number> =>
  Number(
    /(\d+)/.exec(
      await page
        .getByRole('region', { name: 'Measure' })
        .getByRole('paragraph')
        .filter({ hasText: / g$/ })
        .nth(1)
        .innerText(),
    )![1],
  )

test('from the bag to serving, rated, and the next plan is drier', async ({ page, isMobile }) => {
  const pot = `/?grain=millet&grams=${isMobile ? 240 : 260}&pot=${isMobile ? 'little-steel' : 'clay'}&on=big-gas`
  await open(page, pot)
  const before = await poured(page)
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
  const stove = page.url()

  await expect(act(page)).toHaveText('Measure the grain')
  const key = page.getByRole('region', { name: 'Actions' })
  for (const [word, minutes] of [
    ['Measured', 2],
    ['(Clear enough|It runs clean)', 3],
    ['Drained', 1],
    ['Poured', 1],
  ] as const) {
    await letPass(page, minutes)
    await key.getByRole('button', { name: new RegExp(`^${word}`) }).click()
  }
  await expect(act(page)).toHaveText('Bring to the boil, lid on')
  expect(await serious(page)).toEqual([])

  // A long time to the boil: the table slides with it.
  const table = page.locator('b.figure').last()
  const planned = await table.innerText()
  await letPass(page, 20)
  await expect(table).not.toHaveText(planned)
  await key.getByRole('button', { name: /^It boils/ }).click()
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
  const late = await table.innerText()

  // The clock counts down; a minute more, and its way back.
  await key.getByRole('button', { name: /^\+1 min/ }).click()
  await expect(table).not.toHaveText(late)
  await page.waitForTimeout(700)
  await key.getByRole('button', { name: /^Undo/ }).click()
  await expect(table).toHaveText(late)
  await key.getByRole('button', { name: /^I lifted the lid/ }).click()
  await expect(key.getByRole('button', { name: /^I lifted the lid \(1\)/ })).toBeVisible()

  // Reloaded, it is where it was.
  await open(page, stove)
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
  await letPass(page, 45)
  await expect(act(page)).toHaveText('Loosen with a fork')
  await key.getByRole('button', { name: /^Loosened/ }).click()
  await key.getByRole('button', { name: /^Served/ }).click()

  await page.getByRole('link', { name: 'Add details' }).click()
  await expect(page).toHaveURL(/\/notebook\//)
  await expect(page.getByRole('row', { name: /Bring to the boil/ })).toContainText(/20 min/)
  await page.getByRole('radio', { name: 'too wet' }).check()
  await page.getByLabel('Note').fill('Swam a little.')
  await page.getByRole('region', { name: 'How it was' }).getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await expect(
    page.getByText(
      /Water, times the grain’s weight: (1\.9|2\.0)\d \(usual 2\.10\), ± 0\.\d\d, from (one batch|\d batches)/,
    ),
  ).toBeVisible()
  expect(await serious(page)).toEqual([])

  await open(page, pot)
  await expect(
    page.getByText(/\d+ g less water than usual, from (one batch|\d batches), most recently today/),
  ).toBeVisible()
  const after = await poured(page)
  // Far too wet is two steps of 0.12 g a gram: about half of that is believed of one cook.
  expect(before - after).toBeGreaterThan(12)
  expect(before - after).toBeLessThan(0.24 * 260)

  await open(page, '/notebook')
  await expect(page.getByRole('row', { name: /Millet/ }).first()).toContainText('too wet')
})
