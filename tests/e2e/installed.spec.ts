import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FIRST_KITCHEN } from '../../server/commands/begin-household'
import type { Page } from '@playwright/test'
import { act, alive, expect, open, test as base } from './kitchen'
import { relayTo, type Relay } from './relay'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

/** A page whose household is behind a relay that can be cut. */
const test = base.extend<{ relay: Relay }>({
  relay: async ({ household }, use) => {
    const relay = await relayTo(household.address, portBeside(7))
    await use(relay)
    await relay.end()
  },
  baseURL: async ({ relay }, use) => use(relay.address),
})

// A connection that is cut is reported by the browser.
test.use({ serviceWorkers: 'allow', expectedNoise: [/net::ERR_|Failed to fetch/] })
const PORT = portBeside(5)
const address = `http://127.0.0.1:${PORT}`

test('a stove is loaded again while the server is away, counts on from the right minute, keeps a press, and hands it over', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'omsel-installed-'))
  const [database, clock] = [join(folder, 'omsel.sqlite'), join(folder, 'clock')]
  // A household whose server and device do not agree on the hour.
  writeFileSync(clock, String(-47 * 60_000))
  let server = await serve(PORT, database, clock)
  try {
    const started = await fetch(`${address}/?index`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Origin: address },
      body: new URLSearchParams({
        intent: 'start',
        cook: JSON.stringify({
          request: { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } },
          vessel_id: FIRST_KITCHEN.vessels[0]!.id,
          heat_id: FIRST_KITCHEN.heats[0]!.id,
          bag_id: null,
        }),
      }),
    })
    const stove = `${address}${started.headers.get('location')!}`
    await open(page, stove)
    await page.evaluate(async () => void (await navigator.serviceWorker.ready))
    // The page it came with was loaded before there was a worker; the next one is kept.
    await open(page, stove)
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
    await open(page, stove)
    await expect(act(page)).toHaveText('Measure the grain')
    const soFar = async (): Promise<number> => {
      const [, minutes, seconds] =
        /(\d+):(\d\d) so far/.exec((await page.getByRole('region', { name: 'Now' }).textContent()) ?? '') ??
        []
      return minutes === undefined ? NaN : Number(minutes) * 60 + Number(seconds)
    }
    const [before, at] = [await soFar(), Date.now()]
    await kill(server)
    await page.reload()
    await page.waitForFunction(() => document.documentElement.dataset.alive === 'yes')
    await expect(act(page)).toHaveText('Measure the grain')
    await expect
      .poll(async () => Math.abs((await soFar()) - before - (Date.now() - at) / 1000))
      .toBeLessThan(5)
    await page
      .getByRole('region', { name: 'Actions' })
      .getByRole('button', { name: /^Measured/ })
      .click()
    await expect(act(page)).toHaveText(/^Rinse/)
    await expect(page.getByText(/Offline: still timing here, one press saved/)).toBeVisible()
    server = await serve(PORT, database, clock)
    await expect(page.getByText(/Offline: still timing here/)).toBeHidden({ timeout: 20_000 })
    await page.reload()
    await expect(act(page)).toHaveText(/^Rinse/)
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true })
  }
})

test('it can be installed: a manifest with icons that are there, and a worker that bears its build', async ({
  page,
}) => {
  await page.goto('/notebook')
  const manifest = (await (await page.request.get('/manifest.webmanifest')).json()) as {
    icons: { src: string; sizes: string }[]
    start_url: string
  }
  expect(manifest.start_url).toBe('/')
  for (const { src, sizes } of manifest.icons) {
    const size = await page.evaluate(async (at) => {
      const image = new Image()
      image.src = at
      await image.decode()
      return `${image.naturalWidth}x${image.naturalHeight}`
    }, src)
    expect([src, size]).toEqual([src, sizes])
  }
  const worker = await page.request.get('/sw.js')
  expect(worker.headers()['cache-control']).toBe('no-cache')
  expect(await worker.text()).toMatch(/const VERSION = '[0-9a-f]{12}'/)
})

test('without a connection the plan opens, also for another grain and pot', async ({ page, relay }) => {
  const measure = page.getByRole('region', { name: 'Measure' })
  await open(page, '/?grain=basmati&for=4&pot=heavy-blue&on=big-gas')
  await allOnDevice(page)
  // Once more, now through the worker.
  await open(page, '/?grain=basmati&for=4&pot=heavy-blue&on=big-gas')
  await expect(measure).toContainText('260 g')
  await page
    .getByRole('button', { name: /^How much|^Change the plan/ })
    .first()
    .click()
  await page.keyboard.press('Escape')
  relay.cut()
  // Another plan by its address, from the one copy.
  await page.goto('/?grain=long-white&for=14&pot=tall-pot&on=big-gas')
  await expect(measure).toContainText('910 g')
  // There from another place as well.
  relay.restore()
  await open(page, '/stove')
  relay.cut()
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Plan' }).click()
  await page.getByRole('link', { name: 'Back to the plan' }).click()
  await expect(measure).toBeVisible()
})

test('a batch started without a connection counts on this device, outlives a reload, and is sent once', async ({
  page,
  relay,
  household,
}) => {
  await open(page, '/')
  await allOnDevice(page)
  await open(page, '/')
  relay.cut()
  await page.goto('/?grain=long-white&for=3&pot=heavy-blue&on=big-gas')
  await expect(
    page.getByText(/^This page is as it was at|No connection\. This page is as it was at/),
  ).toBeVisible()
  await alive(page)
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
  const id = page.url().split('/').at(-1)!
  await expect(act(page)).toHaveText(/^Measure/)
  await page
    .getByRole('region', { name: 'Actions' })
    .getByRole('button', { name: /^Measured/ })
    .click()
  await expect(act(page)).toHaveText(/^Rinse/)
  await expect(page.getByText(/Offline: still timing here/)).toBeVisible()
  // Loaded again, still without a connection, it is there; from the plan the way leads to it too.
  await page.reload()
  await expect(page).toHaveURL(`/stove/${id}`)
  await expect(act(page)).toHaveText(/^Rinse/)
  await page.goto('/')
  await expect(page.getByText('not sent yet')).toBeVisible()
  await page.getByRole('link', { name: /^Heavy blue|^heavy blue/ }).click()
  await expect(act(page)).toHaveText(/^Rinse/)
  const known = async () => {
    const answer = await page.request.get(`${household.address}/api/v1/cooks`)
    const { cooks } = (await answer.json()) as { cooks: { id: string }[] }
    return cooks.filter((cook) => cook.id === id).length
  }
  expect(await known()).toBe(0)
  relay.restore()
  await expect.poll(known, { timeout: 30_000 }).toBe(1)
  await expect(page.getByText(/Offline: still timing here/)).toBeHidden({ timeout: 20_000 })
  await page.reload()
  await expect(act(page)).toHaveText(/^Rinse/)
  expect(await known()).toBe(1)
  expect(await page.evaluate(() => localStorage.getItem('omsel.starts'))).toBeNull()
})

test('a press on the copy of a plan before it answers is done then; one on the copy of another plan is not', async ({
  page,
  context,
  relay,
}) => {
  const plan = '/?grain=basmati&for=4&pot=heavy-blue&on=big-gas'
  await open(page, plan)
  await allOnDevice(page)
  await open(page, plan)
  relay.cut()
  const slow = await context.newCDPSession(page)
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 6 })
  const press = () =>
    page.evaluate(() => {
      const keys = [...document.querySelectorAll('button')]
      keys.find((key) => key.textContent === 'Start now')!.click()
      return document.documentElement.dataset.alive
    })
  await page.goto('/?grain=long-white&for=3&pot=heavy-blue&on=big-gas', { waitUntil: 'commit' })
  await page.waitForFunction(() => document.body.textContent.includes('Start now'))
  expect(await press()).not.toBe('yes')
  await alive(page)
  await expect(page.getByRole('button', { name: 'Start now' })).toBeEnabled()
  await expect(page).toHaveURL(/grain=long-white/)
  await page.goto(plan, { waitUntil: 'commit' })
  await page.waitForFunction(() => document.body.textContent.includes('Start now'))
  expect(await press()).not.toBe('yes')
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
})

test('a batch that the kitchen cannot take says why, and can be deleted from the device', async ({
  page,
}) => {
  await open(page, '/grains')
  await page.evaluate(() =>
    localStorage.setItem(
      'omsel.starts',
      JSON.stringify([
        {
          id: '01234567-89ab-4def-8123-456789abcdef',
          startedMs: Date.now(),
          start: {
            request: { grains: [{ variety: 'basmati' }], amount: { basis: 'dry-mass', value: 200 } },
            vessel_id: 'sold-pot',
          },
          shown: { vesselName: 'sold pot', tableMs: Date.now() + 1_800_000 },
        },
      ]),
    ),
  )
  await open(page, '/grains')
  await expect(page.getByText(/not accepted: .*sold-pot/)).toBeVisible()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByText('not accepted')).toBeHidden()
  await open(page, '/grains')
  expect(await page.evaluate(() => localStorage.getItem('omsel.starts'))).toBeNull()
})

/** Waits until every file of the program is on the device: they are fetched one after the other, after the page. */
const allOnDevice = (page: Page) =>
  expect
    .poll(
      () =>
        page.evaluate(async () => {
          const [name] = (await caches.keys()).filter((key) => key.startsWith('omsel-shell-'))
          const files = name ? await (await caches.open(name)).keys() : []
          const program = (await (await fetch('/sw.js')).text()).match(/\/assets\/[^"]+\.js/g)!
          return program.every((path) => files.some(({ url }) => url.endsWith(path)))
        }),
      { timeout: 60_000 },
    )
    .toBe(true)

test('a place gone to without a connection says so in the frame, a page loaded without one in words', async ({
  page,
  relay,
}) => {
  await open(page, '/stove')
  await allOnDevice(page)
  const places = page.getByRole('navigation', { name: 'Places' })
  relay.cut()
  await places.getByRole('link', { name: 'Notebook' }).click()
  await expect(page.getByRole('heading', { name: 'No connection' })).toBeVisible()
  await expect(places).toBeVisible()
  await page.goto('/grains')
  await expect(page.getByText('this page is not on the device')).toBeVisible()
  // Nor is a stove that nobody on this device has started, once the plan is there to look it up.
  relay.restore()
  await open(page, '/')
  relay.cut()
  await page.goto('/stove/01234567-89ab-4def-8123-456789abcdef')
  await expect(page).toHaveURL(/no-connection/)
  await page.goto('/grains')
  await expect(page.getByRole('link', { name: 'To the stove' })).toBeVisible()
  relay.restore()
  await page.getByRole('link', { name: 'Try again' }).click()
  await expect(page.getByRole('heading', { name: 'Grains' })).toBeVisible()
})
