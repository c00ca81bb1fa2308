import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
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
