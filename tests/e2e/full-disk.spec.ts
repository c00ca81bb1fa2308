import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

const PORT = portBeside(12)
const ADDRESS = `http://127.0.0.1:${PORT}`
/** A file may grow by this much, bytes: then the disk takes no more. */
const ROOM = 600_000
const MOST_BAGS = 300

const bag = (name: string, form = `form-of-${name}`) =>
  fetch(`${ADDRESS}/grains`, {
    method: 'POST',
    body: new URLSearchParams({ intent: 'save-bag', variety: 'basmati', name, form_id: form }),
  }).then(async (answer) => [answer.status, await answer.text()] as const)

test('a disk that takes no more is said in words; what was acknowledged is there, what was refused is not', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-full-'))
  const database = join(folder, 'omsel.sqlite')
  const env = { ...process.env, OMSEL_DATABASE: database, OMSEL_COPIES: '0', PORT: String(PORT) }
  spawnSync('node', ['build/node/demo.js'], { env })
  // Blocks of the shell's own size: 512 bytes.
  const blocks = Math.ceil((statSync(database).size + ROOM) / 512)
  let server: ChildProcess = spawn('sh', ['-c', `ulimit -f ${blocks}; exec node server.js`], {
    env: { ...env, NODE_ENV: 'production' },
    stdio: 'ignore',
  })
  try {
    await expect
      .poll(
        () =>
          fetch(`${ADDRESS}/readyz`).then(
            (r) => r.status,
            () => 0,
          ),
        { timeout: 60_000 },
      )
      .toBe(200)
    const saved: string[] = []
    let refused: string | undefined
    for (let n = 0; n < MOST_BAGS && refused === undefined; n++) {
      const [status, text] = await bag(`bag-${n}`)
      if (status === 200) saved.push(`bag-${n}`)
      else {
        expect([n, status]).toEqual([n, 503])
        expect(text).toContain('Nothing was saved')
        refused = `bag-${n}`
      }
    }
    expect(refused).toBeDefined()
    expect((await fetch(`${ADDRESS}/readyz`)).status).toBe(503)
    const started = await fetch(`${ADDRESS}/cooks`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        request: { grains: [{ variety: 'basmati' }], amount: { basis: 'dry-mass', value: 200 } },
        vessel_id: 'heavy-blue',
        heat_id: 'big-gas',
      }),
    })
    expect(started.status).toBe(503)
    for (const path of ['/', '/grains', '/stove', '/notebook'])
      expect([path, (await fetch(ADDRESS + path)).status]).toEqual([path, 200])
    await kill(server)
    server = await serve(PORT, database, join(folder, 'clock'))
    const page = await (await fetch(`${ADDRESS}/household.json`)).text()
    for (const name of saved) expect(page).toContain(`"${name}"`)
    expect(page).not.toContain(`"${refused}"`)
    // With room again the same form is taken, unless the server was ended before it could note that it was refused.
    const [status, text] = await bag(refused!)
    expect([status, /Look whether it is there/.test(text)]).toEqual(
      status === 409 ? [409, true] : [200, false],
    )
    if (status === 409) expect((await bag(refused!, 'of-another-page'))[0]).toBe(200)
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true, force: true })
  }
})
