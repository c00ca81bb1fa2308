import type { Page } from '@playwright/test'
import { atEachStage, PAGES, words } from './all-words'
import { expect, open, setAside, test } from './kitchen'

/** A figure with a metric unit, wherever it is read, spoken or typed. */
const METRIC = /(?:^|[^\w.])\d[\d.,]*\s?(?:°C|mm|cm|m[lL]|L|k?g|m)(?![\w²³/])/
/** Labels of fields: "Altitude, m". */
const METRIC_LABEL = /, (?:°C|mm|cm|mL|g|m)(?:$| \()/

/** Lines that say something metric; a cup's own name says its size, so that one can tell cups apart. */
const metric = async (page: Page): Promise<string[]> => [
  ...new Set(
    (await words(page)).filter(
      (line) => (METRIC.test(line) || METRIC_LABEL.test(line)) && !/cup \(\d+(\.\d)? mL\)/.test(line),
    ),
  ),
]

async function choose(page: Page, system: 'US' | 'metric', by: 'cups' | 'scale') {
  await open(page, '/settings')
  const form = page.locator('main form').first()
  await form.getByText(system, { exact: true }).click()
  await form.getByText(by, { exact: true }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).first().click()
  await expect(page.getByText('Saved.')).toBeVisible()
}

test('a US kitchen reads its own units on every page, and a metric one again afterwards', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile)
  test.setTimeout(240_000)
  await open(page, '/settings')
  await expect(page.getByLabel('Altitude, m')).toHaveValue('1120')
  await choose(page, 'US', 'cups')
  await expect(page.getByLabel('Altitude, ft')).toHaveValue('3675')
  for (const address of PAGES) {
    await open(page, address)
    // Charts and the worker’s answers come a moment later.
    await page.waitForTimeout(700)
    expect.soft(await metric(page), address).toEqual([])
  }
  // A pot typed in its own units is kept as what it is.
  await open(page, '/pots')
  for (const name of [
    'Add a pot',
    'Quick add',
    'Choose from a list',
    'Choose a burner from a list',
    'Add a burner',
    'Add your own cup or mug',
  ]) {
    await page.getByRole('button', { name, exact: true }).click()
    expect.soft(await metric(page), name).toEqual([])
    await page.getByRole('button', { name: 'Close' }).click()
  }
  await page.getByRole('button', { name: 'Calibrate clay' }).click()
  expect.soft(await metric(page), 'calibrate').toEqual([])
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Add a pot', exact: true }).click()
  const form = page.getByRole('dialog')
  await form.getByLabel('Name').fill('dutch oven')
  await form.getByLabel('Capacity to the rim, qt').fill('6')
  await form.getByLabel('Inner diameter at the top, in').fill('wide')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(form.getByText(/got "wide"/)).toBeVisible()
  await form.getByLabel('Inner diameter at the top, in').fill('9')
  await form.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'dutch oven' })).toContainText('6 qt, 9 in wide')
  // Or picked from the usual ones: from the plan, without measuring anything.
  await open(page, '/pots?add=usual')
  await form.getByLabel('Pot or appliance').selectOption({ label: 'electric pressure cooker, 6.3 qt' })
  await form.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'electric pressure cooker' })).toContainText(
    '6.3 qt',
  )
  // Settings saved once more change nothing.
  await choose(page, 'metric', 'scale')
  await expect(page.getByLabel('Altitude, m')).toHaveValue('1120')
  await open(page, '/pots')
  await expect(page.getByRole('listitem').filter({ hasText: 'dutch oven' })).toContainText(
    '5.7 L, 229 mm wide',
  )
})

test('at the stove of a US kitchen every amount is in cups and spoons, every temperature in °F', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile)
  test.setTimeout(120_000)
  await choose(page, 'US', 'cups')
  await open(page, '/?grain=short-white&for=4&pot=clay&on=big-gas&salt=0.8')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  await atEachStage(page, async (stage) => expect.soft(await metric(page), stage).toEqual([]))
  // The next plan begins where this one left off.
  const stove = page.url()
  await open(page, '/')
  await expect(page.getByRole('button', { name: /^How much: For four/ })).toBeVisible()
  await expect(page.getByRole('region', { name: 'The pot' })).toContainText('clay')
  await open(page, stove)
  await page.getByRole('button', { name: /Something’s wrong/ }).click()
  const seen = page.getByRole('group', { name: 'What do you see?' }).getByRole('button')
  await expect(seen.first()).toBeVisible()
  for (const choice of await seen.all()) {
    await choice.click()
    await page.waitForTimeout(400)
    expect.soft(await metric(page), await choice.innerText()).toEqual([])
  }
  await page.keyboard.press('Escape')
  await setAside(page)
  await choose(page, 'metric', 'scale')
})
