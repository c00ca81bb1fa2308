import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FIRST_KITCHEN } from '../server/commands/begin-household'
import { say } from './say'

/**
 * A page's own time on a real server: idle, and with fifty screens listening and a cook under way that is
 * pressed twice a second. Needs a build.
 */
const PORT = 4878
const address = `http://127.0.0.1:${PORT}`
const folder = mkdtempSync(join(tmpdir(), 'omsel-stream-'))
const server = spawn('node', ['server.js'], {
  env: {
    ...process.env,
    PORT: String(PORT),
    HOST: '127.0.0.1',
    NODE_ENV: 'production',
    OMSEL_DATABASE: join(folder, 'omsel.sqlite'),
  },
  stdio: 'ignore',
})
const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!

async function pageTimes(path: string, times = 60): Promise<number> {
  const list: number[] = []
  for (let i = 0; i < times; i++) {
    const start = performance.now()
    await (await fetch(address + path)).text()
    list.push(performance.now() - start)
  }
  return median(list)
}

try {
  for (
    let tries = 0;
    tries < 400 &&
    !(await fetch(`${address}/healthz`).then(
      (r) => r.ok,
      () => false,
    ));
    tries++
  )
    await new Promise((r) => setTimeout(r, 25))
  await pageTimes('/', 30) // warm
  const cook = {
    request: { grains: [{ variety: 'short-white' }], amount: { basis: 'dry-mass', value: 300 } },
    vessel_id: FIRST_KITCHEN.vessels[0]!.id,
    heat_id: FIRST_KITCHEN.heats[0]!.id,
    bag_id: null,
  }
  const started = await fetch(`${address}/?index`, {
    method: 'POST',
    redirect: 'manual',
    body: new URLSearchParams({ intent: 'start', cook: JSON.stringify(cook) }),
  })
  const stove = started.headers.get('location')!
  const idle = await pageTimes(stove)
  const screens = Array.from({ length: 50 }, () => new AbortController())
  let cachedPaths = 0
  for (const screen of screens)
    void fetch(`${address}/cooks/all/changes`, { signal: screen.signal })
      .then(async (response) => {
        const reader = response.body!.getReader()
        while (!(await reader.read()).done) cachedPaths += 1
      })
      .catch(() => undefined)
  await new Promise((r) => setTimeout(r, 500))
  let n = 0
  const pressing = setInterval(() => {
    const pressed_ms = Date.now()
    void fetch(`${address}/cooks/${stove.split('/').at(-1)!}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        id: `p-${n++}`,
        kind: 'minute-more',
        stage: 'measure',
        pressed_ms,
        sent_ms: pressed_ms,
      }),
    })
  }, 500)
  const busy = await pageTimes(stove)
  clearInterval(pressing)
  screens.forEach((screen) => screen.abort())
  say('a page of the stove, idle', `${idle.toFixed(1)} ms`)
  say(
    'the same, 50 screens listening',
    `${busy.toFixed(1)} ms, ${cachedPaths} words heard`,
    `${(busy / idle).toFixed(2)} of idle`,
  )
} finally {
  server.kill()
  rmSync(folder, { recursive: true, force: true })
}
