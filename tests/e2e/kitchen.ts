import { spawnSync, type ChildProcess } from 'node:child_process'
import { copyFileSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Page } from '@playwright/test'
import { kill, serve } from './own-server'
import { HOUSEHOLD_PORT } from './ports'

export { expect }

/** A Thursday in March, twenty to six in the evening, at Tarn Head. */
const EVENING_MS = Date.UTC(2026, 2, 5, 16, 40)

/** The demo household behind a built server. */
interface DemoServer {
  address: string
  clock: string
}
let household: DemoServer | undefined

/**
 * A worker's household, again for every file of tests: what one file cooked, and how late it got there, is no
 * matter of the next.
 */
interface Households {
  of: (file: string) => Promise<DemoServer>
}

const HOME = { TZ: 'Europe/Berlin', OMSEL_NAMES: 'kitchen.test' }

async function householdsIn(folder: string): Promise<Households & { end: () => Promise<void> }> {
  const [first, database, clock] = ['first.sqlite', 'omsel.sqlite', 'clock'].map((name) =>
    join(folder, name),
  ) as [string, string, string]
  const evening = () => writeFileSync(clock, String(EVENING_MS - Date.now()))
  evening()
  const made = spawnSync('node', ['build/node/demo.js'], {
    env: { ...process.env, ...HOME, OMSEL_DATABASE: first, OMSEL_CLOCK_FILE: clock },
    encoding: 'utf8',
  })
  if (made.status !== 0) throw new Error(`no demo household: ${made.stderr}`)
  let server: ChildProcess | undefined
  let at = ''
  return {
    of: async (file) => {
      if (at !== file) {
        if (server) await kill(server)
        for (const end of ['-wal', '-shm']) rmSync(database + end, { force: true })
        copyFileSync(first, database)
        evening()
        server = await serve(HOUSEHOLD_PORT, database, clock, HOME)
        at = file
        household = { address: `http://127.0.0.1:${HOUSEHOLD_PORT}`, clock }
      }
      return household!
    },
    end: async () => {
      if (server) await kill(server)
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** A page of a demo household, and whose console stays silent. */
export const test = base.extend<
  { household: DemoServer; quiet: void; expectedNoise: RegExp[] },
  { houses: Households }
>({
  houses: [
    async ({ browserName: _ }, use) => {
      const households = await householdsIn(mkdtempSync(join(tmpdir(), 'omsel-e2e-')))
      await use(households)
      await households.end()
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  household: [
    async ({ houses: households }, use, { file, project }) =>
      use(await households.of(`${project.name} ${file}`)),
    { auto: true, timeout: 120_000 },
  ],
  baseURL: async ({ household }, use) => use(household.address),
  expectedNoise: [[], { option: true }],
  quiet: [
    async ({ page, expectedNoise }, use) => {
      const said: string[] = []
      page.on('console', (message) => {
        if (['error', 'warning'].includes(message.type())) said.push(message.text())
      })
      page.on('pageerror', (error) => said.push(String(error)))
      await use()
      expect(
        said.filter((text) => ![...EXPECTED, ...expectedNoise].some((pattern) => pattern.test(text))),
      ).toEqual([])
    },
    { auto: true },
  ],
})

// The browser reports a refused form as a failed load; the tests that provoke one look at the page's own words.
// And the test's own browser tells that it keeps the worker out, which is no word of the page's.
const EXPECTED = [
  /Failed to load resource: the server responded with a status of 4\d\d/,
  /^Service Worker registration blocked by Playwright$/,
]

const clockFile = () => household!.clock

/**
 * Lets time pass: the server's clock is set ahead, and a page that counts by that clock looks again. The
 * browser's own clock runs as it does.
 */
export async function letPass(page: Page, minutes: number): Promise<void> {
  const listens = /\/(stove|meal)\/./.test(page.url())
  // What was pressed before is heard before the hands of the clock are moved.
  if (listens)
    await page.waitForFunction(() =>
      Object.entries(localStorage).every(
        ([key, value]) => !key.startsWith('omsel.outbox.') || value === '[]',
      ),
    )
  // In one stroke: a server that reads a half-written clock would be in another year.
  const next = `${clockFile()}.next`
  writeFileSync(next, String(Number(readFileSync(clockFile(), 'utf8')) + Math.round(minutes * 60_000)))
  renameSync(next, clockFile())
  if (!listens) return
  // A page that has just been opened may not listen yet; one that has heard shows the hour it heard.
  const hour = Date.now() + Number(readFileSync(clockFile(), 'utf8')) - 1000
  for (let tries = 0; tries < 12; tries++) {
    await lookAgain(page)
    const answered = await page
      .waitForFunction(
        (since) => Number(document.querySelector<HTMLElement>('[data-heard]')?.dataset.heard) >= since,
        hour,
        { timeout: 1500 },
      )
      .catch(() => undefined)
    if (answered) return
  }
  throw new Error('letPass: the page did not look again')
}

/** Someone takes the device up again. */
export const lookAgain = (page: Page) =>
  page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')))

/** What an accessibility checker finds that is serious. */
export async function serious(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    // Details of what passed, and a second window for frames the pages do not have, take two thirds of its time.
    .options({ resultTypes: ['violations'] })
    .setLegacyMode(true)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary?.slice(0, 160) ?? ''}`).join('; ')}`,
    )
}

/** Waits until the page answers to presses. */
export async function open(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await alive(page)
}

export async function alive(page: Page): Promise<void> {
  // A hand comes near: what is behind the page is fetched then.
  await page.mouse.move(2, 2)
  await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
}

/** What the stove says to do now. */
export const act = (page: Page) => page.locator('[data-act]')

/** Sets the pot on this stove aside. */
export async function setAside(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Something’s wrong/ }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Stop this batch' })
    .getByRole('button', { name: 'Save' })
    .click()
}

/** Sets every pot aside that is still on the stove. */
export async function clearStove(page: Page): Promise<void> {
  for (let pots = 0; pots < 12; pots++) {
    await open(page, '/stove')
    if (!/\/stove\/./.test(page.url())) {
      const first = page.getByRole('main').locator('a[href^="/stove/"]').first()
      if ((await first.count()) === 0) return
      await first.click()
      await page.waitForURL(/\/stove\/./)
    }
    await setAside(page)
    await expect(page.getByText(/Set aside/).first()).toBeVisible()
  }
  throw new Error('clearStove: there is always one more')
}
