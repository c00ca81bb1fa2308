import type { Page } from '@playwright/test'
import { expect, open, serious, test } from './kitchen'

const PLAN = '/?grain=basmati&for=4&pot=heavy-blue&on=big-gas&soak=30-20-drain'

/** What opens over a page, by the page, what opens it, and its name. */
const OPENED: [page: string, how: (page: Page) => Promise<void>, dialog: RegExp][] = [
  ...(['How much', 'Which grain', 'What for', 'Which pot', 'How it is heated', 'When to serve'] as const).map(
    (part): (typeof OPENED)[number] => [
      PLAN,
      (page) => page.getByRole('button', { name: new RegExp(`^${part}`) }).click(),
      new RegExp(`^${part}`),
    ],
  ),
  ['/grains', (page) => page.getByRole('button', { name: 'Add a bag' }).click(), /Add a bag/],
  ['/pots', (page) => page.getByRole('button', { name: /^Add a pot/ }).click(), /pot/i],
  ['/grains', (page) => page.getByRole('button', { name: 'Find' }).click(), /Find/],
  ['/grains', (page) => page.keyboard.press('?'), /Keyboard shortcuts/],
]

test('what opens over a page is sound for an accessibility checker, takes the focus and gives it back', async ({
  page,
  isMobile,
}) => {
  test.skip(isMobile, 'the phone’s sheet has a test of its own below')
  test.setTimeout(240_000)
  for (const [address, how, name] of OPENED) {
    await open(page, address)
    await how(page)
    const dialog = page.getByRole('dialog', { name })
    await expect(dialog.first()).toBeVisible()
    await expect
      .poll(() => page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null))
      .toBe(true)
    expect([address, String(name), ...(await serious(page))]).toEqual([address, String(name)])
    await page.keyboard.press('Escape')
    // A field with a list takes the first Escape for itself.
    if (await dialog.first().isVisible()) await page.keyboard.press('Escape')
    await expect(dialog.first()).toBeHidden()
  }
})

test('on a phone each part of the plan’s sheet is sound when it is folded out', async ({
  page,
  isMobile,
}) => {
  test.skip(!isMobile)
  await open(page, PLAN)
  await page.getByRole('button', { name: 'Change the plan' }).click()
  const parts = page.getByRole('dialog', { name: 'The plan' }).locator('details')
  await expect(parts.first()).toBeVisible()
  for (let i = 0; i < (await parts.count()); i++) {
    await parts.nth(i).locator('summary').click()
    await expect(parts.nth(i).locator('summary ~ *').first()).toBeVisible()
    expect([i, ...(await serious(page))]).toEqual([i])
  }
})
