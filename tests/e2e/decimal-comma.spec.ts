import type { Page } from '@playwright/test'
import { expect, open, setAside, test } from './kitchen'
import { atEachStage, PAGES, words } from './all-words'

test.use({ locale: 'de-DE' })

/** A number with a point, neither a version nor an address nor a date. */
const POINT = /(?<![\w.,])\d+\.\d+(?![\d]|\.\d)/

/** A figure that went through no formatter, or none at all. */
const RAW = /\d[.,]\d{4,}|\b(NaN|Infinity|undefined|null)\b|\[object/

const withPoints = async (page: Page): Promise<string[]> => [
  ...new Set((await words(page)).filter((line) => POINT.test(line))),
]

test('a browser that writes commas reads commas on every page, and types them', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile)
  test.setTimeout(240_000)
  for (const address of PAGES) {
    await open(page, address)
    // Charts and the worker’s answers come a moment later.
    await page.waitForTimeout(700)
    expect.soft(await withPoints(page), address).toEqual([])
    expect
      .soft(
        (await words(page)).filter((line) => RAW.test(line)),
        address,
      )
      .toEqual([])
  }
})

test('at the stove every figure has its comma, and what is typed with one is read', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile)
  test.setTimeout(120_000)
  await open(page, '/?grain=short-white&for=4&pot=clay&on=big-gas&salt=0.8')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  await atEachStage(page, async (stage) => expect.soft(await withPoints(page), stage).toEqual([]))
  await setAside(page)
})

test('a field shows its comma, takes one, and stays where only it is touched', async ({ page, isMobile }) => {
  test.skip(isMobile)
  await open(page, '/pots')
  await page.getByRole('button', { name: 'Add a pot', exact: true }).click()
  const form = page.getByRole('dialog')
  await form.getByLabel('Name').fill('narrow tin')
  await form.getByLabel('Capacity to the rim, mL').fill('1500')
  await form.getByLabel('Inner diameter at the top, mm').fill('140,5')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  const row = page.getByRole('listitem').filter({ hasText: 'narrow tin' })
  await expect(row).toContainText('1,5 L')
  await row.getByRole('button', { name: /^(Edit|Change) narrow tin/ }).click()
  await expect(form.getByLabel('Inner diameter at the top, mm')).toHaveValue('140,5')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  await row.getByRole('button', { name: /^(Edit|Change) narrow tin/ }).click()
  await expect(form.getByLabel('Inner diameter at the top, mm')).toHaveValue('140,5')
})
