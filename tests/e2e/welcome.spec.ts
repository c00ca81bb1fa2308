import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { act, expect, lookAgain, open, serious, test } from './kitchen'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

test('a newcomer’s first quarter of an hour: a few questions, a pot planned, cooked and rated', async ({
  page,
  isMobile,
}) => {
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'omsel-welcome-'))
  const clock = join(folder, 'clock')
  writeFileSync(clock, '0')
  const port = portBeside(isMobile ? 3 : 2)
  const server = await serve(port, join(folder, 'omsel.sqlite'), clock)
  const pass = async (minutes: number) => {
    writeFileSync(clock, String(Number(readFileSync(clock, 'utf8')) + minutes * 60_000))
    await lookAgain(page)
    await page.waitForTimeout(400)
  }
  try {
    await open(page, `http://127.0.0.1:${port}/`)
    await expect(page).toHaveURL(/\/welcome$/)
    expect(await serious(page)).toEqual([])
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(
      0,
    )
    const height = page.getByLabel('Altitude, m')
    await height.fill('1120')
    await expect(page.getByText('Water boils at 96.2 °C there')).toBeVisible()
    await page.getByLabel('What do you want to cook?').selectOption('short-white')
    await page.getByLabel('How many people?').fill('none')
    await page.getByRole('button', { name: 'Plan my first pot' }).click()
    await expect(page.getByText(/must be a number.*got "none"/)).toBeVisible()
    // Nothing that was typed is lost.
    await expect(height).toHaveValue('1120')
    await expect(page.getByLabel('What do you want to cook?')).toHaveValue('short-white')
    await page.getByLabel('How many people?').fill('3')
    await page.getByRole('button', { name: 'Plan my first pot' }).click()
    await page.waitForURL(/grain=short-white.*pot=first-pot/)
    await expect(page.getByRole('region', { name: 'The pot' })).toContainText('heavy pot')
    await page.getByRole('button', { name: 'Start now' }).click()
    await page.waitForURL(/\/stove\//)
    const key = page.getByRole('region', { name: 'Actions' })
    for (const word of ['Measured', 'Clear enough', 'Drained', 'Poured', 'It boils']) {
      await pass(word === 'It boils' ? 7 : 1.5)
      await key.getByRole('button', { name: new RegExp(`^${word}`) }).click()
      await page.waitForTimeout(700)
    }
    await pass(60)
    await expect(act(page)).toHaveText(/Loosen|Cut and fold/)
    await key.getByRole('button', { name: /^Loosened/ }).click()
    await page.waitForTimeout(700)
    await key.getByRole('button', { name: /^Served/ }).click()
    await page.getByRole('link', { name: 'Add details' }).click()
    await page.getByRole('radio', { name: 'a little wet' }).check()
    await page.getByRole('region', { name: 'How it was' }).getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    // Asked once, never again.
    await open(page, `http://127.0.0.1:${port}/`)
    await expect(page).not.toHaveURL(/welcome/)
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true })
  }
})

/** More stops than any page has before its main key. */
const MOST_STOPS = 90

/** Walks there by Tab alone; wherever the focus is on the way, it can be seen.  @returns how many stops it took */
async function tabTo(page: Page, target: Locator): Promise<number> {
  for (let stops = 0; stops <= MOST_STOPS; stops++) {
    if (await target.evaluate((element) => element === document.activeElement)) return stops
    await page.keyboard.press('Tab')
    const unseen = await page.evaluate(() => {
      const focused = document.activeElement as HTMLElement
      // A hidden field shows its focus on what is drawn for it.
      const drawn = [focused, focused.parentElement, ...(focused.parentElement?.children ?? [])]
      const outlined = drawn.some((element) => element && getComputedStyle(element).outlineStyle !== 'none')
      return outlined || focused === document.body ? undefined : focused.outerHTML.slice(0, 200)
    })
    expect(unseen).toBeUndefined()
  }
  throw new Error(`not reached in ${MOST_STOPS} stops: ${String(target)}`)
}

test('the same by keys alone, in forced colours, at 200 % text, with US units and a decimal comma', async ({
  browser,
  isMobile,
}) => {
  test.skip(isMobile, 'a keyboard')
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'omsel-welcome-'))
  const clock = join(folder, 'clock')
  writeFileSync(clock, '0')
  const port = portBeside(2)
  const server = await serve(port, join(folder, 'omsel.sqlite'), clock)
  const context = await browser.newContext({
    forcedColors: 'active',
    locale: 'de-DE',
    reducedMotion: 'reduce',
  })
  const page = await context.newPage()
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'))
  })
  const pass = async (minutes: number) => {
    writeFileSync(clock, String(Number(readFileSync(clock, 'utf8')) + minutes * 60_000))
    await lookAgain(page)
    await page.waitForTimeout(400)
  }
  const fits = async () =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(
      0,
    )
  const press = async (target: Locator) => {
    await expect(target).toBeVisible()
    await tabTo(page, target)
    await page.keyboard.press('Enter')
  }
  try {
    await page.goto(`http://127.0.0.1:${port}/`)
    await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
    await fits()
    await tabTo(page, page.getByLabel('What do you want to cook?'))
    await page.keyboard.type('Brown long')
    await tabTo(page, page.getByLabel('How many people?'))
    await page.keyboard.press('Control+A')
    await page.keyboard.type('2,5')
    await tabTo(page, page.getByRole('radio', { name: 'metric' }))
    await page.keyboard.press('ArrowRight')
    await expect(page.getByLabel('Altitude, ft')).toBeVisible()
    await press(page.getByRole('button', { name: 'Plan my first pot' }))
    await page.waitForURL(/grain=brown-long.*pot=first-pot/)
    await expect(page.getByRole('button', { name: 'Start now' })).toBeVisible()
    await fits()
    await press(page.getByRole('button', { name: 'Start now' }))
    await page.waitForURL(/\/stove\//)
    const key = page.getByRole('region', { name: 'Actions' })
    await expect(key).toBeVisible()
    await fits()
    // The key of what is seen now bears its letter.
    const sign = key.getByRole('button', { name: / c$/ })
    const served = key.getByRole('button', { name: /^Served/ })
    for (let minutes = 0; minutes < 200 && !(await served.isVisible()); minutes += 7) {
      await pass(7)
      if (await sign.first().isVisible()) await press(sign.first())
      await page.waitForTimeout(700)
    }
    await press(served)
    await press(page.getByRole('link', { name: 'Add details' }))
    await page.waitForURL(/\/notebook\//)
    const rating = page.getByRole('region', { name: 'How it was' })
    await expect(rating).toBeVisible()
    await fits()
    // Of a group the chosen one is in the order of stops; the arrows choose another.
    await tabTo(page, rating.getByRole('radio', { checked: true }).first())
    await page.keyboard.press('ArrowRight')
    await expect(rating.getByRole('radio', { name: 'a little wet' })).toBeChecked()
    await press(rating.getByRole('button', { name: 'Save' }))
    await expect(page.getByText('Saved.')).toBeVisible()
  } finally {
    await context.close()
    await kill(server)
    rmSync(folder, { recursive: true })
  }
})
