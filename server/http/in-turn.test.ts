import express from 'express'
import type { AddressInfo } from 'node:net'
import { afterImport, inTurnFor } from './in-turn'

/** A server whose pages end when a test says so. */
async function served(longestMs: number) {
  const begun: string[] = []
  const end = new Map<string, () => void>()
  const app = express()
  app.use(inTurnFor(longestMs))
  app.use((request, response) => {
    begun.push(`${request.method} ${request.path}`)
    if (request.method === 'POST' || request.path.startsWith('/api/')) response.send('done')
    else end.set(request.path, () => response.send('page'))
  })
  const server = app.listen(0)
  await new Promise((resolve) => server.once('listening', resolve))
  const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const until = async (path: string) => {
    while (!end.has(path)) await new Promise((resolve) => setTimeout(resolve, 5))
    end.get(path)!()
  }
  return { at, begun, until, stop: () => new Promise((resolve) => server.close(resolve)) }
}

test('a page waits for the one before; a press and a question of a program do not', async () => {
  const { at, begun, until, stop } = await served(60_000)
  const first = fetch(`${at}/first`)
  while (begun.length === 0) await new Promise((resolve) => setTimeout(resolve, 5))
  const second = fetch(`${at}/second`)
  expect(await (await fetch(`${at}/press`, { method: 'POST' })).text()).toBe('done')
  expect(await (await fetch(`${at}/api/v1/notebook`)).text()).toBe('done')
  expect(begun).toEqual(['GET /first', 'POST /press', 'GET /api/v1/notebook'])
  await until('/first')
  await until('/second')
  expect((await first).status).toBe(200)
  expect((await second).status).toBe(200)
  await stop()
})

test('a press over a new connection does not wait for the pages of those who came before it', async () => {
  const begun: string[] = []
  const app = express()
  app.use(inTurnFor(60_000))
  app.use((request, response) => {
    begun.push(request.method)
    // As a page does, it keeps the thread for a while.
    const end = performance.now() + (request.method === 'GET' ? 15 : 0)
    while (performance.now() < end);
    response.send('done')
  })
  const server = app.listen(0)
  await new Promise((resolve) => server.once('listening', resolve))
  const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const pages = Array.from({ length: 40 }, (_, n) => fetch(`${at}/page-${n}`).then((answer) => answer.text()))
  await fetch(`${at}/press`, { method: 'POST' }).then((answer) => answer.text())
  expect(begun.indexOf('POST')).toBeLessThan(10)
  await Promise.all(pages)
  expect(begun).toHaveLength(41)
  await new Promise((resolve) => server.close(resolve))
})

test('a page that does not end holds up nobody for long, and one whose reader left is not made', async () => {
  const { at, begun, until, stop } = await served(600)
  const first = fetch(`${at}/first`)
  while (begun.length === 0) await new Promise((resolve) => setTimeout(resolve, 5))
  const left = new AbortController()
  const gone = fetch(`${at}/gone`, { signal: left.signal }).catch(() => 'left')
  await new Promise((resolve) => setTimeout(resolve, 50))
  left.abort()
  expect(await gone).toBe('left')
  const second = fetch(`${at}/second`)
  await until('/second')
  expect((await second).status).toBe(200)
  expect(begun).not.toContain('GET /gone')
  await until('/first')
  await first
  await stop()
})

test('while an import is written a page and a plan are answered, and a press waits until it is', async () => {
  const begun: string[] = []
  const app = express()
  app.use(afterImport)
  app.use((request, response) => {
    begun.push(request.path)
    response.send('done')
  })
  const server = app.listen(0)
  await new Promise((resolve) => server.once('listening', resolve))
  const at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  let written = (): void => undefined
  globalThis.omselWriting = new Promise((resolve) => (written = resolve))
  const press = fetch(`${at}/stove/x/press`, { method: 'POST' })
  await fetch(`${at}/pots`)
  await fetch(`${at}/api/v1/plan`, { method: 'POST' })
  expect(begun).toEqual(['/pots', '/api/v1/plan'])
  globalThis.omselWriting = undefined
  written()
  expect((await press).status).toBe(200)
  expect(begun).toEqual(['/pots', '/api/v1/plan', '/stove/x/press'])
  await new Promise((resolve) => server.close(resolve))
})
