import { spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { act, expect, open, test } from './kitchen'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

const PORT = portBeside(18)
const ADDRESS = `http://127.0.0.1:${PORT}`
let server: ChildProcess
let folder: string

test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'omsel-public-'))
  const [database, clock] = [join(folder, 'omsel.sqlite'), join(folder, 'clock')]
  writeFileSync(clock, '0')
  spawnSync('node', ['build/node/demo.js'], { env: { ...process.env, OMSEL_DATABASE: database } })
  server = await serve(PORT, database, clock, { OMSEL_PUBLIC_DEMO: '1' })
})
test.afterAll(async () => {
  await kill(server)
  rmSync(folder, { recursive: true, force: true })
})
test.use({ expectedNoise: [/the server responded with a status of 501/] })

test('in a public demo a batch counts on the device, and the household stays as it was', async ({ page }) => {
  const stored = async () => (await page.request.get(`${ADDRESS}/household.json`)).text()
  const exportedAt = /"exported[^,]*,/g
  const before = (await stored()).replaceAll(exportedAt, '')
  await open(page, `${ADDRESS}/?grain=long-white&for=3&pot=heavy-blue&on=big-gas`)
  await expect(page.getByText(/^Public demo/)).toBeVisible()
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page).toHaveURL(/\/stove\/[\w-]{36}$/)
  await page
    .getByRole('region', { name: 'Actions' })
    .getByRole('button', { name: /^Measured/ })
    .click()
  await expect(act(page)).toHaveText(/^Rinse/)
  await page.reload()
  await expect(act(page)).toHaveText(/^Rinse/)
  await open(page, `${ADDRESS}/settings`)
  await page.getByRole('button', { name: 'Save' }).first().click()
  await expect(page.getByRole('heading', { name: 'Not in the demo' })).toBeVisible()
  await expect(page.getByText(/it stores nothing/)).toBeVisible()
  expect((await stored()).replaceAll(exportedAt, '')).toBe(before)
})

test('in a public demo programs may compute and are refused in words where something would be stored', async ({
  request,
}) => {
  const pot = { grains: [{ variety: 'quinoa' }], amount: { basis: 'servings', value: 4 } }
  const plan = await request.post(`${ADDRESS}/api/v1/plan`, { data: pot })
  expect(plan.status()).toBe(200)
  const started = await request.post(`${ADDRESS}/cooks`, { data: { request: pot } })
  expect(started.status()).toBe(501)
  expect(((await started.json()) as { errors: { code: string }[] }).errors[0]!.code).toBe('public-demo')
})
