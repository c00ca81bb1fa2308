import type { Page } from '@playwright/test'
import { act, expect, letPass, lookAgain, open, serious, setAside, test } from './kitchen'
import { HOUSEHOLD_PORT } from './ports'

// A line that is cut is reported by the browser.
// Over plain http a browser says of one header that it means nothing there.
test.use({
  expectedNoise: [[/net::ERR_/, /Cross-Origin-Opener-Policy header has been ignored/], { scope: 'test' }],
})

/** A pot of long white on its way to the boil, started on the plan and pressed through by hand. */
async function toTheBoil(page: Page, pot = 'heavy-blue'): Promise<void> {
  await open(page, `/?grain=long-white&grams=300&pot=${pot}&on=big-gas`)
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\//)
  const key = page.getByRole('region', { name: 'Actions' })
  for (const [word, minutes] of [
    ['Measured', 2],
    ['Clear enough', 3],
    ['Drained', 1],
    ['Poured', 1],
  ] as const) {
    await letPass(page, minutes)
    await key.getByRole('button', { name: new RegExp(`^${word}`) }).click()
  }
  await expect(act(page)).toHaveText('Bring to the boil, lid on')
}
async function toTheSimmer(page: Page): Promise<void> {
  await toTheBoil(page)
  await letPass(page, 7)
  await page.getByRole('button', { name: /^It boils/ }).click()
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
}
const wrong = async (page: Page, what: string) => {
  await page.getByRole('button', { name: /^Something’s wrong/ }).click()
  await page.getByRole('group', { name: 'What do you see?' }).getByRole('button', { name: what }).click()
}
const advice = (page: Page) => page.getByRole('status', { name: 'Advice' })

test('boiling over: what ran over is put back, gram by gram, and can be taken back', async ({ page }) => {
  await toTheSimmer(page)
  await expect(page.getByRole('img', { name: /Expected now: 9\d °C/ })).toBeVisible()
  await letPass(page, 1)
  await wrong(page, 'boiling over')
  await page.getByLabel('How much ran over, about, g').fill('120')
  await expect(advice(page)).toContainText('Heat down, lid ajar, add back 120 g boiling water')
  await advice(page).getByRole('button', { name: 'Do it' }).click()
  await expect(act(page)).toHaveText('Add 120 g boiling water')
  await page.getByRole('button', { name: /^Undo “fix”/ }).click()
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
  // Still without its water, the stove says by itself what is missing.
  await letPass(page, 0.2)
  await expect(advice(page)).toContainText(/Add 1[0-4]\d g boiling water/)
  await expect(advice(page)).toContainText('because of boiling over')
  expect(await serious(page)).toEqual([])
  await advice(page).getByRole('button', { name: 'Done' }).click()
  await expect(advice(page)).toHaveCount(0)
  await setAside(page)
})

test('dry too soon: water and minutes for this pot, as stages of the same cook', async ({ page }) => {
  await toTheSimmer(page)
  await letPass(page, 5)
  await wrong(page, 'dried out early')
  await expect(advice(page)).toContainText(/Add \d+ g boiling water, lid on, \d+ min on the lowest heat/)
  await expect(advice(page)).toContainText('Result: cooked through')
  await advice(page).getByRole('button', { name: 'Do it' }).click()
  await expect(act(page)).toHaveText(/^Add \d+ g boiling water$/)
  await page.getByRole('button', { name: /^It is in/ }).click()
  await expect(act(page)).toHaveText('Lowest heat again, lid on')
  await page.reload()
  await expect(act(page)).toHaveText('Lowest heat again, lid on')
  await setAside(page)
})

test('a boil that comes late is known for what it is, and a look near the end acts', async ({ page }) => {
  await toTheBoil(page)
  await letPass(page, 12)
  // Long overdue: it is said large, and what helps.
  await expect(page.getByRole('alert', { name: 'Alert' })).toContainText('Check')
  await expect(page.getByText('Still not boiling? Heat all the way up, lid on')).toBeVisible()
  await letPass(page, 3)
  await page.getByRole('button', { name: /^It boils/ }).click()
  await expect(
    page.getByText(/min, not \d+; from the boil time: your burner is weaker than assumed \([1-7]\d %\)/),
  ).toBeVisible()
  // Near the end of the simmer someone parts the grain.
  const clock = page.getByRole('timer')
  const [minutes] = /(\d+):/
    .exec(await clock.innerText())!
    .slice(1)
    .map(Number)
  await letPass(page, minutes! - 1)
  const look = page.getByRole('region', { name: 'Look once' })
  const ok = advice(page).getByRole('button', { name: 'OK' })
  // A weak burner boils less off on its lowest setting too: what to expect is said first, and once.
  if (await ok.isVisible()) await ok.click()
  const before = await clock.innerText()
  await look.getByRole('button', { name: 'Still hard' }).click()
  // Seen under the lid, the rest is planned again, and the lid that was lifted counts.
  await expect(page.getByRole('button', { name: /^Undo “looked: still hard”/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^I lifted the lid \(1\)/ })).toBeVisible()
  await expect(page.getByText(/min, not \d+; from what you saw/)).toBeVisible()
  const minutesOf = (text: string) => Number(/(\d+):/.exec(text)![1])
  await expect.poll(async () => minutesOf(await clock.innerText())).toBeGreaterThan(minutesOf(before))
  await page.getByRole('button', { name: /^Undo “looked: still hard”/ }).click()
  await expect.poll(async () => minutesOf(await clock.innerText())).toBeLessThanOrEqual(minutesOf(before) + 1)
  await look.getByRole('button', { name: 'Water gone' }).click()
  await expect(
    page.getByText(/Heat off, leave the lid|Add \d+ g boiling water|On course: leave the lid/).first(),
  ).toBeVisible()
  await setAside(page)
})

test('guests come later: the rest is longer, serving moves, and it can be undone', async ({ page }) => {
  await toTheSimmer(page)
  const table = page.locator('b.figure').last()
  const before = await table.innerText()
  await page.getByRole('button', { name: /^Something’s wrong/ }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Guests are late' })
    .getByRole('button', { name: 'Save' })
    .click()
  await expect(table).not.toHaveText(before)
  const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5))
  expect(minutes(await table.innerText()) - minutes(before)).toBe(25)
  await page.getByRole('button', { name: /^Undo “guests late”/ }).click()
  await expect(table).toHaveText(before)
  await setAside(page)
})

test('two screens on one batch, one of them offline: three presses are stored, and both end in the same state', async ({
  page,
  browser,
}) => {
  await toTheBoil(page)
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await open(other, page.url())
  await expect(act(other)).toHaveText('Bring to the boil, lid on')
  await letPass(page, 5)
  await page.getByRole('button', { name: /^It boils/ }).click()
  await expect(act(other)).toHaveText('Turn to the lowest heat, leave the lid')
  await page.context().setOffline(true)
  // Looked at without a line, the stove is still the stove.
  await lookAgain(page)
  for (const [key, said] of [
    ['l', 'lid lifted'],
    ['+', 'a minute more'],
    ['l', 'lid lifted'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(page.getByRole('button', { name: new RegExp(`^Undo “${said}”`) })).toBeVisible()
  }
  await expect(page.getByText('Offline: still timing here, 3 presses saved')).toBeVisible({ timeout: 20_000 })
  await page.context().setOffline(false)
  await expect(page.getByText(/presses kept/)).toHaveCount(0, { timeout: 20_000 })
  await expect(other.getByRole('button', { name: /^I lifted the lid \(2\)/ })).toBeVisible({
    timeout: 20_000,
  })
  const table = async (of: Page) => (await of.locator('b.figure').last().innerText()).trim()
  await expect.poll(() => table(other)).toBe(await table(page))
  await other.context().close()
  await setAside(page)
})

test('several pots: the one to touch next comes first, and each is a press away', async ({ page }) => {
  await toTheBoil(page)
  const first = page.url()
  await open(page, '/?grain=quinoa&grams=200&pot=clay&on=small-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  const lanes = page.getByRole('navigation', { name: 'Pots on the stove, most urgent first' })
  // Other tests may have left pots on; whatever is in hand now stands before what has time.
  await expect(lanes.getByRole('link').first()).toContainText('now')
  await expect(lanes.locator('[aria-current]')).toContainText('Measure the grain')
  await lanes.locator(`a[href="${new URL(first).pathname}"]`).click()
  await expect(page).toHaveURL(first)
  // The address changes a moment before the page does: a press before that goes to the other pot.
  await expect(act(page)).not.toHaveText('Measure the grain')
  await setAside(page)
  await open(page, '/stove')
  await page.waitForURL(/\/stove/)
})

test('alerts of this device are tried where they are chosen, and stored', async ({ page }) => {
  await open(page, '/settings/alerts')
  const senses = page.getByRole('region', { name: 'Alerts on this device' })
  await senses.getByLabel('Timer finished').selectOption('three rising notes')
  await senses.getByRole('button', { name: /^Try “timer finished”/ }).click()
  await expect(senses.getByRole('status')).toHaveText(/You should have heard it|plays no sound here/)
  await senses.getByRole('button', { name: 'Test the screen' }).click()
  await expect(senses.getByRole('status')).toHaveText(/screen stays on|cannot keep the screen on/)
  await page.reload()
  await expect(senses.getByLabel('Timer finished')).toHaveValue('rise')
  expect(await serious(page)).toEqual([])
})

test('a scale makes the pour live, and a device that is not trusted only proposes', async ({ page }) => {
  await open(page, '/settings/about')
  const scale = page.getByRole('group', { name: 'Kitchen scale' })
  await scale.getByRole('switch', { name: 'Kitchen scale' }).click()
  await expect(scale.getByRole('switch', { name: 'Trust this device' })).toBeVisible()
  expect(await serious(page)).toEqual([])
  await open(page, '/?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(act(page)).toHaveText('Measure the grain')
  await expect(page.getByText(/\d+ g of 300 g on the scale/)).toBeVisible({ timeout: 20_000 })
  await letPass(page, 1)
  await expect(page.getByRole('timer').filter({ hasText: /stop|\d g too much|3 g more/ })).toBeVisible({
    timeout: 20_000,
  })
  await expect(advice(page)).toContainText('The scale says: the grain is measured out')
  await advice(page).getByRole('button', { name: 'Measured' }).click()
  await expect(act(page)).not.toHaveText('Measure the grain')
  await setAside(page)
  await open(page, '/settings/about')
  await scale.getByRole('switch', { name: 'Kitchen scale' }).click()
  await expect(scale.getByRole('switch', { name: 'Trust this device' })).toHaveCount(0)
})

test('from another machine over plain http: no lock, no notices, and yet it calls', async ({ page }) => {
  const port = HOUSEHOLD_PORT
  await page.goto(`http://kitchen.test:${port}/settings/alerts`)
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
  expect(await page.evaluate(() => window.isSecureContext)).toBe(false)
  const senses = page.getByRole('region', { name: 'Alerts on this device' })
  await expect(senses.getByText('Notifications need HTTPS')).toBeVisible()
  await expect(senses.getByRole('switch', { name: /^Notifications/ })).toBeDisabled()
  await senses.getByRole('button', { name: 'Test the screen' }).click()
  await expect(senses.getByRole('status')).toHaveText(/cannot keep the screen on/)
  await senses.getByRole('button', { name: 'Test a notification' }).click()
  await expect(senses.getByRole('status')).toContainText('the message on the page')
  // At the stove the sign is large, and stays until it is touched.
  await page.goto(`http://kitchen.test:${port}/?grain=long-white&grams=300&pot=heavy-blue&on=big-gas`)
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(act(page)).toHaveText('Measure the grain')
  const key = page.getByRole('region', { name: 'Actions' })
  for (const word of ['Measured', 'Clear enough', 'Drained', 'Poured']) {
    await letPass(page, 0.5)
    await key.getByRole('button', { name: new RegExp(`^${word}`) }).click()
  }
  await letPass(page, 30)
  const sign = page.getByRole('alert', { name: 'Alert' })
  await expect(sign).toContainText('Check')
  await sign.getByRole('button', { name: 'OK' }).click()
  await expect(sign).toHaveCount(0)
  await setAside(page)
})

test('a device whose clock is changed during a batch still counts right', async ({ page }) => {
  await toTheSimmer(page)
  const left = async () => {
    const [minutes, seconds] = (await page.getByRole('timer').innerText()).split(':').map(Number)
    return minutes! * 60 + seconds!
  }
  const before = await left()
  await page.evaluate(() => {
    const real = Date.now
    Date.now = () => real() + 3_600_000
  })
  await letPass(page, 0.1)
  expect(Math.abs((await left()) - (before - 6))).toBeLessThan(8)
  await page.getByRole('button', { name: /^\+1 min/ }).click()
  await letPass(page, 0.05)
  await expect.poll(left).toBeGreaterThan(before + 30)
  await page.reload()
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
  await expect.poll(left).toBeGreaterThan(before + 20)
  expect(await left()).toBeLessThan(before + 60)
  await setAside(page)
})

test('a pot left open is asked about, and put right afterwards', async ({ page }) => {
  await toTheSimmer(page)
  await letPass(page, 300)
  const asked = page.getByRole('region', { name: 'Still cooking?' })
  await expect(asked).toBeVisible()
  const due = await asked.getByLabel('Served at').inputValue()
  await asked.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(`Served at ${due}`)).toBeVisible()
  await page.reload()
  await expect(page.getByText(`Served at ${due}`)).toBeVisible()
})

test('spoken words press keys where the browser recognises speech itself, and other talk does not', async ({
  page,
}) => {
  // The browser of these tests recognises none, so it is given a recogniser that hears what the test says.
  await page.addInitScript(() => {
    class Recogniser extends EventTarget {
      static available = () => Promise.resolve('available')
      onresult: ((event: unknown) => void) | null = null
      onend = null
      start() {
        Object.assign(window, {
          hear: (transcript: string) =>
            this.onresult?.({
              resultIndex: 0,
              results: [Object.assign([{ transcript }], { isFinal: true })],
            }),
        })
      }
      abort() {}
    }
    Object.assign(window, { SpeechRecognition: Recogniser })
  })
  await open(page, '/settings/alerts')
  await page.getByRole('switch', { name: 'Take spoken words at the stove' }).click()
  await open(page, '/?grain=long-white&grams=300&pot=heavy-blue&on=big-gas')
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(act(page)).toHaveText('Measure the grain')
  const hear = (words: string) =>
    page.evaluate((said) => (window as unknown as { hear: (said: string) => void }).hear(said), words)
  await hear('is the table laid yet')
  await expect(act(page)).toHaveText('Measure the grain')
  await hear('Okay Omsel, done.')
  await expect(act(page)).toHaveText(/^Rinse/)
  await hear('undo')
  await expect(act(page)).toHaveText('Measure the grain')
  await setAside(page)
})

test('without such a browser nothing listens, and Settings says so', async ({ page }) => {
  await open(page, '/settings/alerts')
  await expect(page.getByText('does not recognise speech on the device itself')).toBeVisible()
  await expect(page.getByRole('switch', { name: 'Take spoken words at the stove' })).toBeDisabled()
})

test('a stage is a heading and heard with its amount once; the pot boils as soon as it is pressed', async ({
  page,
}) => {
  await open(page, '/?grain=long-white&for=4&pot=clay&on=big-gas&salt=0.8')
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  const keys = page.getByRole('region', { name: 'Actions' })
  for (const word of ['Measured', 'Clear enough|It runs clean', 'Drained', 'Poured']) {
    await letPass(page, 1)
    await keys.getByRole('button', { name: new RegExp(`^(${word})`) }).click()
  }
  await expect(page.getByRole('heading', { level: 2, name: /^Into the water/ })).toBeVisible()
  await expect(keys.getByRole('status')).toHaveText(
    /^Into the water: [\d.]+ g salt, until it is in the water\./,
  )
  await letPass(page, 1)
  await keys.getByRole('button', { name: /^It is in/ }).click()
  await letPass(page, 6)
  await keys.getByRole('button', { name: /^It boils/ }).click()
  await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
  // At 1,120 m it boils at 96 °C.
  await expect(page.getByRole('img', { name: /^Expected now: 9[56] °C/ })).toBeVisible({ timeout: 1500 })
  await setAside(page)
})
