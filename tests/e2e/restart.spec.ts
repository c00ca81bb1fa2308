import { mkdtempSync, writeFileSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openKitchen } from '../../server/store/open-household'
import { beginHousehold, FIRST_KITCHEN } from '../../server/commands/begin-household'
import { firstPlan, requestOf } from '../../app/planning/plan-state'
import { act, expect, open, test } from './kitchen'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

const PORT = portBeside(1)
const address = `http://127.0.0.1:${PORT}`

// A line that is cut is reported by the browser.
test.use({ expectedNoise: [/net::ERR_|status of 50[03]/] })

test('a page of the household that is damaged is said as that, with the way to a copy; the stove stays', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-damage-'))
  const database = join(folder, 'omsel.sqlite')
  const kitchen = openKitchen(database)
  beginHousehold(kitchen, FIRST_KITCHEN)
  const of = (name: string) =>
    kitchen.db.prepare('SELECT rootpage FROM sqlite_master WHERE name = ?').pluck().get(name) as number
  const bytes = kitchen.db.pragma('page_size', { simple: true }) as number
  const root = of('container')
  kitchen.db.close()
  const server = await serve(PORT, database, join(folder, 'clock'))
  try {
    const file = readFileSync(database)
    file.fill(0xa5, (root - 1) * bytes, root * bytes)
    writeFileSync(database, file)
    await page.goto(`${address}/leftovers`)
    await expect(page.getByRole('heading', { name: 'Something went wrong' })).toBeVisible()
    await expect(page.getByText(/file is damaged.*bin\/omsel restore/)).toBeVisible()
    expect((await fetch(`${address}/readyz`)).status).toBe(503)
    await open(page, `${address}/stove`)
    await expect(page.getByRole('heading', { name: 'Something went wrong' })).toHaveCount(0)
    await expect(page.getByRole('main')).toContainText('Nothing cooking')
  } finally {
    await kill(server)
  }
})

test('a server killed during a batch comes back at the same stage with the right time left; presses made meanwhile are stored', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'omsel-kill-'))
  const [database, clock] = [join(folder, 'omsel.sqlite'), join(folder, 'clock')]
  writeFileSync(clock, '0')
  const household = {
    ...FIRST_KITCHEN,
    measures: [],
    bags: [],
    bottles: [],
    marks: [],
    units: 'grams' as const,
    system: 'metric' as const,
    cup: 'metric' as const,
    known: {},
    guidance: 'stricter' as const,
    crystal: 'table' as const,
    leftovers: [],
    eaters: [],
    elevation_m: 0,
    kitchen_c: 20,
    zone: 'Europe/Berlin',
  }
  let server = await serve(PORT, database, clock)
  try {
    const started = await fetch(`${address}/?index`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Origin: address },
      body: new URLSearchParams({
        intent: 'start',
        cook: JSON.stringify({
          request: requestOf(firstPlan(household), household, Date.now()),
          vessel_id: 'heavy-pot',
          heat_id: 'middle-burner',
        }),
      }),
    })
    const stove = started.headers.get('location')!
    const id = stove.split('/').pop()!
    const press = (stage: string, kind = 'cue') =>
      fetch(`${address}/cooks/${id}/events`, {
        method: 'POST',
        body: JSON.stringify({ id: `press-${stage}`, kind, stage, pressed_ms: 1, sent_ms: 1 }),
        headers: { 'Content-Type': 'application/json' },
      })
    for (const stage of ['measure', 'rinse', 'drain', 'pour', 'heat-up']) {
      writeFileSync(
        clock,
        String(Number(readFileSync(clock, 'utf8')) + (stage === 'heat-up' ? 420_000 : 90_000)),
      )
      expect((await press(stage)).status).toBe(200)
    }
    // The same press twice, and from another device, is one event.
    expect(await (await press('heat-up')).json()).toEqual({ isNew: false })

    await open(page, `${address}${stove}`)
    await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
    const left = async () => {
      const [minutes, seconds] = (await page.getByRole('timer').innerText()).split(':').map(Number)
      return minutes! * 60 + seconds!
    }
    // A busy machine reads late; what is shown was true at some moment between asking and reading.
    const reading = async () => {
      const from = Date.now() / 1000
      return { s: await left(), from, to: Date.now() / 1000 }
    }
    const before = await reading()

    await kill(server)
    // The stove says so by itself, and counts on.
    await expect(page.getByText('Offline: still timing here')).toBeVisible()
    await page.getByRole('button', { name: /^\+1 min/ }).click()
    await expect(page.getByText('Offline: still timing here, one press saved')).toBeVisible()
    await page.waitForTimeout(1500)
    server = await serve(PORT, database, clock)
    await expect(page.getByText(/Offline: still timing here/)).toBeHidden()

    await open(page, `${address}${stove}`)
    await expect(act(page)).toHaveText('Turn to the lowest heat, leave the lid')
    const after = await reading()
    const passed = before.s + 60 - after.s
    expect(passed).toBeGreaterThan(after.from - before.to - 3)
    expect(passed).toBeLessThan(after.to - before.from + 3)

    // A second screen shows the same, and learns of a press on the first without being touched.
    const second = await page.context().newPage()
    await open(second, `${address}${stove}`)
    await page.getByRole('button', { name: /^Next step/ }).click()
    await expect(act(second)).toHaveText('Off the heat, lid stays on')
    await second.close()
  } finally {
    await kill(server)
  }
})
