import { spawn } from 'node:child_process'
import { copyFileSync, mkdirSync, mkdtempSync, openAsBlob, readFileSync, rmSync, statSync } from 'node:fs'
import { createWriteStream } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream } from 'node:stream/web'
import sharp from 'sharp'
import { beginHousehold, FIRST_KITCHEN } from '../server/commands/begin-household'
import { openKitchen } from '../server/store/open-household'
import { LARGE, makeHousehold } from './large-household'
import { say } from './say'

/**
 * A household of a gigabyte (twenty thousand batches, pictures) exported by one real server and imported by
 * another: how long it takes, how much memory each holds at most beside what it holds at rest, and how long
 * others wait meanwhile. Needs a build.
 */
const PICTURES = Number(process.argv[2] ?? 1600)
const SIDE_PX = 960
const folder = mkdtempSync(join(tmpdir(), 'omsel-transfer-'))
const [fromFolder, toFolder] = [join(folder, 'from'), join(folder, 'to')]
for (const one of [fromFolder, toFolder]) mkdirSync(join(one, 'photos'), { recursive: true })

const from = makeHousehold(fromFolder, LARGE)
// Noise packs badly, as a photo does.
const noise = await sharp({
  create: {
    width: SIDE_PX,
    height: SIDE_PX,
    channels: 3,
    background: '#987',
    noise: { type: 'gaussian', mean: 128, sigma: 60 },
  },
})
  .jpeg({ quality: 92 })
  .toBuffer()
from.db.transaction(() => {
  for (let i = 0; i < PICTURES; i++)
    from.photos.add({
      id: `photo-${i}`,
      cook_id: `cook-${i}`,
      vessel_id: 'heavy-pot',
      cue: null,
      made_ms: i,
      bytes: noise.length,
      width: SIDE_PX,
      height: SIDE_PX,
    })
})()
from.db.close()
const first = join(fromFolder, 'photos', 'photo-0.jpg')
await sharp(noise).toFile(join(folder, 'check.jpg'))
createWriteStream(first).end(noise)
await new Promise((resolve) => setTimeout(resolve, 200))
for (let i = 1; i < PICTURES; i++) copyFileSync(first, join(fromFolder, 'photos', `photo-${i}.jpg`))
const to = openKitchen(join(toFolder, 'omsel.sqlite'))
beginHousehold(to, FIRST_KITCHEN)
to.household.welcome()
to.db.close()

/** A server on a household, while something is done with it. */
async function withServer<T>(
  port: number,
  home: string,
  work: (at: { address: string; peakMb: () => number; restMb: number }) => Promise<T>,
): Promise<T> {
  const server = spawn('node', ['server.js'], {
    env: {
      ...process.env,
      PORT: String(port),
      HOST: '127.0.0.1',
      NODE_ENV: 'production',
      OMSEL_DATABASE: join(home, 'omsel.sqlite'),
      OMSEL_COPIES: '0',
    },
    stdio: 'inherit',
  })
  const address = `http://127.0.0.1:${port}`
  const status = (name: string) =>
    Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid!}/status`, 'utf8'))![1]) /
    1024
  const up = () =>
    fetch(`${address}/healthz`).then(
      (r) => r.ok,
      () => false,
    )
  try {
    while (!(await up())) await new Promise((r) => setTimeout(r, 50))
    return await work({ address, peakMb: () => status('VmHWM'), restMb: status('VmRSS') })
  } finally {
    const gone = new Promise((resolve) => server.once('exit', resolve))
    server.kill()
    await gone
  }
}

/** The longest that a page's neighbour waited while something was done, ms. */
async function longestWait(address: string, work: Promise<unknown>): Promise<number> {
  let on = true
  let longest = 0
  const ended = work.finally(() => (on = false))
  ended.catch(() => undefined)
  while (on) {
    const asked = performance.now()
    await fetch(`${address}/healthz`).then((r) => r.text())
    longest = Math.max(longest, performance.now() - asked)
    await new Promise((r) => setTimeout(r, 10))
  }
  await ended
  return longest
}

const file = join(folder, 'household.zip')
try {
  await withServer(4893, fromFolder, async ({ address, peakMb, restMb }) => {
    const begun = performance.now()
    const waited = await longestWait(
      address,
      fetch(`${address}/household.zip`).then((r) =>
        pipeline(Readable.fromWeb(r.body as ReadableStream), createWriteStream(file)),
      ),
    )
    say(
      `export of ${LARGE.batches} batches and ${PICTURES} pictures, ${Math.round(statSync(file).size / 1e6)} MB`,
      `${((performance.now() - begun) / 1000).toFixed(1)} s, ${Math.round(peakMb())} MB at most`,
      `${Math.round(restMb)} MB at rest; others waited ${Math.round(waited)} ms at most`,
    )
  })
  await withServer(4893, toFolder, async ({ address, peakMb, restMb }) => {
    const post = async (fields: Record<string, string | Blob>) => {
      const form = new FormData()
      for (const [name, value] of Object.entries(fields)) form.set(name, value)
      const answer = await fetch(`${address}/transfer.data`, { method: 'POST', body: form })
      return { status: answer.status, text: await answer.text() }
    }
    const begun = performance.now()
    let upload = ''
    const looked = await longestWait(
      address,
      post({ intent: 'look', file: await openAsBlob(file) }).then(({ status, text }) => {
        upload = /"([0-9a-f]{8}-[0-9a-f-]{27})"/.exec(text)?.[1] ?? ''
        if (status !== 200 || upload === '') throw new Error(`look: ${status} ${text.slice(0, 400)}`)
      }),
    )
    say(
      'looked at by another server',
      `${((performance.now() - begun) / 1000).toFixed(1)} s, ${Math.round(peakMb())} MB at most`,
      `${Math.round(restMb)} MB at rest; others waited ${Math.round(looked)} ms at most`,
    )
    const bringing = performance.now()
    const imported = await longestWait(
      address,
      post({ intent: 'bring', how: 'as-new', upload }).then(({ status, text }) => {
        if (status !== 200) throw new Error(`bring: ${status} ${text.slice(0, 400)}`)
      }),
    )
    say(
      'brought in',
      `${((performance.now() - bringing) / 1000).toFixed(1)} s, ${Math.round(peakMb())} MB at most`,
      `${Math.round(restMb)} MB at rest; others waited ${Math.round(imported)} ms at most`,
    )
  })
} finally {
  rmSync(folder, { recursive: true, force: true })
}
