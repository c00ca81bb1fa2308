import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, open, serious, test } from './kitchen'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

const OTHER = `http://127.0.0.1:${portBeside(6)}`

test('a household is exported, previewed in another kitchen, merged by choice, and restored', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'omsel-carry-e2e-'))
  writeFileSync(join(folder, 'clock'), '0')
  const server = await serve(portBeside(6), join(folder, 'omsel.sqlite'), join(folder, 'clock'))
  try {
    await open(page, '/transfer')
    const coming = page.waitForEvent('download')
    await page.getByRole('link', { name: 'The whole household' }).click()
    const download = await coming
    expect(download.suggestedFilename()).toMatch(/^omsel-household-\d{4}-\d\d-\d\d\.zip$/)
    const zip = join(folder, 'carried.zip')
    await download.saveAs(zip)

    await fetch(`${OTHER}/welcome`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Origin: OTHER },
      body: new URLSearchParams({ intent: 'later' }),
    })
    await open(page, `${OTHER}/transfer`)
    const file = page.locator('input[type=file]')
    writeFileSync(join(folder, 'torn.json'), '{"format": "omsel.household", "tab')
    await file.setInputFiles(join(folder, 'torn.json'))
    await page.getByRole('button', { name: 'Check the file' }).click()
    await expect(page.getByRole('alert')).toContainText('no JSON')
    await file.setInputFiles(zip)
    await page.getByRole('button', { name: 'Check the file' }).click()
    await expect(page.getByText(/whole household of .*, \d+ rows/)).toBeVisible()
    const settings = page.getByRole('radiogroup', { name: 'Settings: where they differ' })
    await settings.getByText('use the file’s').click()
    expect(await serious(page)).toEqual([])
    // Stopped on its way, nothing has come in, and what was looked at and chosen still stands.
    await page.route('**/transfer.data*', (route) =>
      route.request().method() === 'POST' ? undefined : route.continue(),
    )
    await page.getByRole('button', { name: 'Add it' }).click()
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.getByText('Cancelled; nothing was changed.')).toBeVisible()
    await expect(settings.getByRole('radio', { name: 'use the file’s' })).toBeChecked()
    await page.unroute('**/transfer.data*')
    await page.getByRole('button', { name: 'Add it' }).click()
    await expect(page.getByText(/\d+ items/)).toBeVisible()
    await page.getByRole('link', { name: 'Notebook', exact: true }).first().click()
    await expect(page.getByText('Tarn Head')).toBeVisible()
    await expect(page.getByRole('link', { name: /Brown short-grain/ }).first()).toBeVisible()

    // In its place: what the other household had, and nothing of what this one began with.
    await open(page, `${OTHER}/transfer`)
    await file.setInputFiles(zip)
    await page.getByRole('button', { name: 'Check the file' }).click()
    await page.getByText('Replace this kitchen').click()
    await page.getByRole('button', { name: 'Replace' }).click()
    await expect(page.getByText(/(previous|What was here|backup).* .*before-import/)).toBeVisible({
      timeout: 30_000,
    })
    const strip = (text: string) => text.replace(/"exported_at": "[^"]*"/, '')
    const [there, here] = await Promise.all(
      [OTHER, baseURL!].map((at) => fetch(`${at}/household.json`).then((r) => r.text())),
    )
    expect(strip(there!)).toBe(strip(here!))
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true })
  }
})

test('who asks only what the file is called, or leaves in the middle, ends nothing but that', async ({
  page,
  baseURL,
}) => {
  for (let n = 0; n < 8; n++)
    for (const file of ['household.zip', 'household.json']) {
      const head = await fetch(`${baseURL!}/${file}`, { method: 'HEAD' })
      expect(head.status).toBe(200)
      expect(head.headers.get('content-disposition')).toContain(`.${file.split('.')[1]!}"`)
      const stopped = new AbortController()
      const asked = await fetch(`${baseURL!}/${file}`, { signal: stopped.signal })
      await asked.body!.getReader().read()
      stopped.abort()
    }
  await page.waitForTimeout(500)
  expect((await fetch(`${baseURL!}/healthz`)).status).toBe(200)
  expect((await fetch(`${baseURL!}/household.zip`).then((r) => r.arrayBuffer())).byteLength).toBeGreaterThan(
    1000,
  )
})
