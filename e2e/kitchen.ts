import { readFileSync, renameSync, writeFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Page } from '@playwright/test'

export { expect }

/** A page whose console stays silent. */
export const test = base.extend<{ quiet: void; expectedNoise: RegExp[] }>({
  expectedNoise: [[], { option: true }],
  quiet: [
    async ({ page, expectedNoise }, use) => {
      const said: string[] = []
      page.on('console', (message) => {
        if (['error', 'warning'].includes(message.type())) said.push(message.text())
      })
      page.on('pageerror', (error) => said.push(String(error)))
      await use()
      expect(said.filter((text) => ![...EXPECTED, ...expectedNoise].some((pattern) => pattern.test(text)))).toEqual([])
    },
    { auto: true },
  ],
})

// The browser reports a refused form as a failed load; the tests that provoke one look at the page's own words.
const EXPECTED = [/Failed to load resource: the server responded with a status of 4\d\d/]

const clockFile = () => process.env.E2E_CLOCK!

/** Lets time pass: the server's clock is set ahead, and the stove, which counts by that clock, looks again. The browser's own clock runs as it does. */
export async function letPass(page: Page, minutes: number): Promise<void> {
  // In one stroke: a server that reads a half-written clock would be in another year.
  const next = `${clockFile()}.next`
  writeFileSync(next, String(Number(readFileSync(clockFile(), 'utf8')) + Math.round(minutes * 60_000)))
  renameSync(next, clockFile())
  if (!page.url().includes('/stove/')) return
  // A page that has just been opened may not listen yet.
  for (let tries = 0; tries < 8; tries++) {
    const looked = page.waitForResponse((response) => response.url().includes('.data'), { timeout: 1500 }).catch(() => undefined)
    await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')))
    if (await looked) return
  }
  throw new Error('letPass: the stove did not look again')
}

/** What an accessibility checker finds that is serious. */
export async function serious(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze()
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary?.slice(0, 160) ?? ''}`).join('; ')}`)
}

/** Waits until the page answers to presses. */
export async function open(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
}

/** What the stove says to do now. */
export const act = (page: Page) => page.locator('[data-act]')

/** Sets the pot on this stove aside. */
export async function setAside(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Something’s wrong/ }).click()
  await page.getByRole('listitem').filter({ hasText: 'Set this pot aside' }).getByRole('button', { name: 'Tell it' }).click()
}
