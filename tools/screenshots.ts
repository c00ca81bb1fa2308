import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'

/** Takes the pictures of docs/screenshots from a fresh demo household, on a made-up Thursday in March. */
const PORT = '4875'
const NEW_PORT = '4874'
const address = `http://127.0.0.1:${PORT}`
const folder = mkdtempSync(join(tmpdir(), 'omsel-pictures-'))
const clock = join(folder, 'clock')
const env = {
  ...process.env,
  PORT,
  HOST: '127.0.0.1',
  TZ: 'Europe/Berlin',
  NODE_ENV: 'production',
  OMSEL_DATABASE: join(folder, 'omsel.sqlite'),
  OMSEL_CLOCK_FILE: clock,
}
const LAPTOP = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

writeFileSync(clock, String(Date.UTC(2026, 2, 5, 16, 40) - Date.now()))
const letPass = (minutes: number) =>
  writeFileSync(clock, String(Number(readFileSync(clock, 'utf8')) + minutes * 60_000))

async function up(port = PORT): Promise<void> {
  for (let tries = 0; tries < 150; tries++) {
    if (
      await fetch(`http://127.0.0.1:${port}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error('the server did not come up')
}

const server = spawn('sh', ['-c', 'node build/node/demo.js && exec node server.js'], {
  env,
  stdio: 'inherit',
})
try {
  await up()
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  })
  const page = await browser.newPage({
    viewport: LAPTOP,
    timezoneId: 'Europe/Berlin',
    locale: 'en-GB',
    reducedMotion: 'reduce',
  })
  const open = async (path: string) => {
    await page.goto(path.startsWith('http') ? path : address + path)
    await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
    await page.waitForTimeout(500)
  }
  const picture = async (name: string, of: Page = page) => {
    await of.waitForTimeout(400)
    await of.screenshot({ path: `docs/screenshots/${name}.png` })
  }
  /** First bubbles taken for the boil, up to the debrief. */
  const practise = async () => {
    const press = async (name: string | RegExp, times = 1) => {
      for (let n = 0; n < times; n++) await page.getByRole('button', { name }).first().click()
    }
    await page.getByText('paused', { exact: true }).click()
    await press(/^Measured/)
    await press(/each grain shows/, 3)
    await press(/^Clear enough/)
    await press(/^Drained/)
    await press(/^as on the card/)
    await press(/^Poured/)
    await page.getByText('full', { exact: true }).click()
    await press('10 min on')
    await press('1 min on', 4)
    await page.getByText('lowest', { exact: true }).click()
    await press(/^It boils/)
    await press('1 min on', 15)
    await page.getByRole('radiogroup', { name: 'Heat' }).getByText('off', { exact: true }).click()
    await press('10 min on')
    await press('Serve now')
    await page.waitForTimeout(800)
  }
  const plan = '/?grain=short-white&for=5&pot=heavy-blue&on=big-gas&at=19:00'
  await open(plan)
  await picture('plan')
  await page.setViewportSize(PHONE)
  await page.emulateMedia({ colorScheme: 'dark' })
  await open(plan)
  await picture('plan-phone')
  await page.emulateMedia({ colorScheme: 'light' })
  await page.setViewportSize(LAPTOP)
  await open('/my-way')
  await page
    .getByLabel('What you do')
    .fill('300 g brown short-grain rice, 450 g water, boil, lid on, lowest 25 min, off 10 min')
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByText(/Good in \d+ of 100/).waitFor()
  await picture('my-way')
  const compared =
    '/compare?grain=basmati&for=5&pot=heavy-blue&on=big-gas&beside=by%3Dboil-and-drain&beside=pot%3Dpressure-pot'
  await open(compared)
  await picture('compare')
  await open('/ready-by?for=5&at=18:45')
  await picture('ready-by')
  await open('/simulation?grain=short-white&for=5&pot=clay&on=big-gas&if=doubled&if=less-water')
  await page.waitForTimeout(2500)
  await page.getByRole('slider', { name: 'Minute', exact: true }).focus()
  await page.keyboard.press('Home')
  for (let step = 0; step < 110; step++) await page.keyboard.press('ArrowRight')
  await page.evaluate(() => scrollTo(0, 0))
  await picture('simulation')
  await open('/notebook')
  await picture('notebook')
  await page
    .getByRole('row', { name: /Short-grain white/ })
    .first()
    .getByRole('link')
    .click()
  await page.waitForURL(/notebook\/./)
  await picture('notebook-batch')
  await open('/notebook/learned')
  await picture('learned')
  for (const place of ['grains', 'pots', 'leftovers']) {
    await open(`/${place}`)
    await picture(place)
  }
  await open('/practice/first-bubbles')
  await practise()
  await picture('practice')
  await open('/recipe-card?grain=brown-short&for=5&pot=heavy-blue&on=big-gas&at=19:00')
  await picture('recipe-card')

  await open(plan)
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.waitForURL(/stove\/./)
  const stove = page.url()
  for (const [key, minutes] of [
    ['Measured', 2],
    ['Clear enough', 4],
    ['Drained', 1.5],
    ['Poured', 1],
  ] as const) {
    letPass(minutes)
    await open(stove)
    await page.getByRole('button', { name: new RegExp(`^${key}`) }).click()
    await page.waitForTimeout(700)
  }
  letPass(5)
  await open(stove)
  await picture('stove')
  letPass(2)
  await page.getByRole('button', { name: /^It boils/ }).click()
  await page.waitForTimeout(700)
  letPass(4)
  await open(stove)
  await page.getByRole('button', { name: /^Something’s wrong/ }).click()
  await page.getByRole('button', { name: 'dried out early' }).click()
  await page.waitForTimeout(800)
  await picture('stove-wrong')
  await page.setViewportSize(PHONE)
  await open(stove)
  await picture('stove-phone')
  // The choir's evening an hour before it is laid, its first hands at work.
  await page.setViewportSize({ width: 1280, height: 1000 })
  await open('/meal')
  await page.getByRole('link', { name: 'the lake choir' }).click()
  await page.waitForURL(/meal\/./)
  letPass(
    (Date.UTC(2026, 2, 6, 17, 0) - Number(await page.locator('[data-heard]').getAttribute('data-heard'))) /
      60_000,
  )
  await page.reload()
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
  for (const name of [/^Start the pot: Measure the grain, hulled barley/, /^Start: Peel/]) {
    await page.getByRole('button', { name }).click()
    await page.waitForTimeout(1200)
  }
  await picture('meal')
  // The first page of a household that is new.
  const empty = mkdtempSync(join(tmpdir(), 'omsel-new-'))
  const other = spawn('node', ['server.js'], {
    env: { ...env, PORT: NEW_PORT, OMSEL_DATABASE: join(empty, 'omsel.sqlite') },
    stdio: 'ignore',
  })
  await up(NEW_PORT)
  await page.setViewportSize(LAPTOP)
  await open(`http://127.0.0.1:${NEW_PORT}/`)
  await picture('welcome')
  other.kill('SIGTERM')
  await browser.close()
} finally {
  server.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}
