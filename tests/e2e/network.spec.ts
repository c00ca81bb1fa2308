import { spawnSync } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import http from 'node:http'
import https from 'node:https'
import { tmpdir } from 'node:os'
import tls from 'node:tls'
import { join } from 'node:path'
import { act, expect, open, serious, test } from './kitchen'
import { kill, serve } from './own-server'
import { portBeside } from './ports'

const DAY_MS = 86_400_000
const PHRASE = 'rice by the lake'
// Each is open to the network one port up.
const PORTS = {
  network: portBeside(8),
  phone: portBeside(10),
  ending: portBeside(14),
  program: portBeside(16),
}
interface Answer {
  status: number
  headers: http.IncomingHttpHeaders
  body: string
}

/** A household open to the network, and ways to ask it as any program could. */
async function networkHousehold(port: number) {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-network-'))
  const [database, clock] = [join(folder, 'omsel.sqlite'), join(folder, 'clock')]
  writeFileSync(clock, '0')
  const env = { ...process.env, OMSEL_DATABASE: database, NODE_ENV: 'production' }
  const shut = spawnSync('node', ['server.js'], {
    env: { ...env, HOST: '0.0.0.0', PORT: String(port) },
    encoding: 'utf8',
  })
  const set = spawnSync('bin/omsel', ['passphrase'], { env, input: `${PHRASE}\n`, encoding: 'utf8' })
  const server = await serve(port, database, clock, { HOST: '0.0.0.0' })
  const ca = readFileSync(join(folder, 'tls/authority.pem'), 'utf8')
  const ask = (
    path: string,
    {
      network = true,
      method = 'GET',
      headers = {},
      body,
    }: { network?: boolean; method?: string; headers?: Record<string, string>; body?: string } = {},
  ) =>
    new Promise<Answer>((resolve, reject) => {
      const to = {
        host: '127.0.0.1',
        port: network ? port + 1 : port,
        path,
        method,
        headers: {
          ...(body === undefined
            ? {}
            : {
                'Content-Length': String(Buffer.byteLength(body)),
                'Content-Type': 'application/x-www-form-urlencoded',
              }),
          ...headers,
        },
      }
      const request = network ? https.request({ ...to, ca, servername: 'localhost' }) : http.request(to)
      request.on('error', reject)
      request.on('response', (response) => {
        let text = ''
        response.setEncoding('utf8')
        response.on('data', (part: string) => (text += part))
        response.on('end', () =>
          resolve({ status: response.statusCode!, headers: response.headers, body: text }),
        )
      })
      request.end(body)
    })
  const enter = (passphrase: string) =>
    ask('/login', { method: 'POST', body: new URLSearchParams({ intent: 'enter', passphrase }).toString() })
  const laterBy = (ms: number) => writeFileSync(clock, String(Number(readFileSync(clock, 'utf8')) + ms))
  return {
    shut,
    set,
    server,
    ask,
    enter,
    laterBy,
    database,
    env,
    close: async () => {
      await kill(server)
      rmSync(folder, { recursive: true })
    },
  }
}
const cookieOf = (answer: Answer): string => answer.headers['set-cookie']![0]!.split(';')[0]!

test('network: a program reads by its token, presses only where it may, and is out once it is revoked', async () => {
  test.setTimeout(240_000)
  const { ask, close } = await networkHousehold(PORTS.program)
  try {
    const form = (body: Record<string, string>) => ({
      network: false,
      method: 'POST',
      body: new URLSearchParams(body).toString(),
    })
    const tokenOf = async (name: string, scope: string) =>
      /omsel_[\w-]{43}/.exec((await ask('/devices', form({ intent: 'token', name, scope }))).body)![0]
    const [display, button] = [await tokenOf('display', 'read'), await tokenOf('button', 'write')]
    const by = (token: string) => ({ headers: { Authorization: `Bearer ${token}` } })
    const json = (token: string, body: unknown) => ({
      method: 'POST',
      headers: { ...by(token).headers, 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    const request = { grains: [{ variety: 'quinoa' }], amount: { basis: 'dry-mass', value: 200 } }
    expect((await ask('/api/v1/cooks', by(display))).body).toBe('{"cooks":[]}')
    expect((await ask('/api/v1/plan', json(display, request))).status).toBe(200)
    // Questions and what is stored, no page and no other address.
    for (const path of ['/', '/notebook', '/notebook.data', '/household.json', '/devices', '/api/v1'])
      expect([path, (await ask(path, by(button))).status]).toEqual([path, 401])
    const press = { id: 'p1', kind: 'cue', stage: 'boil', pressed_ms: 1, sent_ms: 1 }
    expect(await ask('/api/v1/cooks/none/events', json(display, press))).toMatchObject({
      status: 403,
      body: expect.stringContaining('This token is for reading') as unknown,
    })
    expect((await ask('/api/v1/cooks/none/events', json(button, press))).status).toBe(404)
    expect(await ask('/api/v1/cooks', by(`${display}x`))).toMatchObject({
      status: 401,
      headers: { 'www-authenticate': 'Bearer realm="Omsel"' },
    })
    const page = (await ask('/devices', { network: false })).body
    const row = page.split('<li').find((part) => part.includes('Revoke the token of display'))!
    const hash = /name="program" value="([^"]+)"/.exec(row)![1]!
    await ask('/devices', form({ intent: 'revoke', program: hash }))
    expect((await ask('/api/v1/cooks', by(display))).status).toBe(401)
    expect((await ask('/api/v1/cooks', by(button))).status).toBe(200)
  } finally {
    await close()
  }
})

test('network: closed without a passphrase; foreign names, posts, guesses and cookies are refused; nothing of the kitchen is served outside', async () => {
  test.setTimeout(240_000)
  const { shut, set, ask, enter, laterBy, database, env, close } = await networkHousehold(PORTS.network)
  try {
    expect([shut.status, shut.stderr]).toEqual([2, expect.stringContaining('no passphrase is set')])
    expect(set.status).toBe(0)

    // Outside there is only the way in.
    for (const path of [
      '/',
      '/notebook',
      '/household.json',
      '/household.zip',
      '/api/v1/notebook',
      '/notebook.csv',
      '/cooks/all/changes',
      '/_root.data',
      '/notebook.data',
    ])
      expect([path, (await ask(path)).status]).toEqual([path, 401])
    expect(await ask('/notebook', { headers: { Accept: 'text/html' } })).toMatchObject({
      status: 302,
      headers: { location: '/login?to=%2Fnotebook' },
    })
    expect((await ask('/settings', { method: 'POST', body: 'intent=save&name=x' })).status).toBe(401)
    const listener = await ask('/login')
    expect(listener.status).toBe(200)
    expect(listener.body).not.toContain('our kitchen')
    // At the machine itself nothing is asked.
    expect((await ask('/household.json', { network: false })).status).toBe(200)

    // Old suites and versions of TLS are refused.
    const shakes = (options: tls.ConnectionOptions) =>
      new Promise<boolean>((resolve) => {
        const socket = tls.connect({
          host: '127.0.0.1',
          port: PORTS.network + 1,
          servername: 'localhost',
          rejectUnauthorized: false,
          ...options,
        })
        const end = (shaken: boolean) => {
          socket.destroy()
          resolve(shaken)
        }
        socket.on('secureConnect', () => end(true)).on('error', () => end(false))
      })
    const v12 = { maxVersion: 'TLSv1.2', minVersion: 'TLSv1.2' } as const
    expect(await shakes({ minVersion: 'TLSv1.3' })).toBe(true)
    expect(await shakes({ ...v12, ciphers: 'ECDHE-ECDSA-AES128-GCM-SHA256' })).toBe(true)
    for (const ciphers of ['ECDHE-ECDSA-AES128-SHA', 'ECDHE-ECDSA-AES256-SHA', 'ECDHE-ECDSA-AES128-SHA256'])
      expect([ciphers, await shakes({ ...v12, ciphers: `${ciphers}:@SECLEVEL=0` })]).toEqual([ciphers, false])
    expect(
      await shakes({ minVersion: 'TLSv1.1', maxVersion: 'TLSv1.1', ciphers: 'DEFAULT:@SECLEVEL=0' }),
    ).toBe(false)

    // A calendar reads one meal by its secret address, and nothing else.
    const own = (path: string, body: Record<string, string>) =>
      ask(path, {
        network: false,
        method: 'POST',
        body: new URLSearchParams(body).toString(),
      })
    const laid = await own('/meal', {
      intent: 'begin',
      title: 'the choir',
      day: '2030-01-01',
      hour: '19:00',
      cooks: '1',
    })
    const meal = String(laid.headers.location)
    expect(meal).toMatch(/^\/meal\/[\w-]+$/)
    expect((await own(meal, { intent: 'make-calendar' })).status).toBe(200)
    const key = /calendar\.ics\?key=([\w-]+)/.exec((await ask(`${meal}.data`, { network: false })).body)![1]!
    expect((await ask(`${meal}/calendar.ics`)).status).toBe(401)
    expect((await ask(`${meal}/calendar.ics?key=${'x'.repeat(32)}`)).status).toBe(401)
    const read = await ask(`${meal}/calendar.ics?key=${key}`)
    expect([read.status, read.body]).toEqual([200, expect.stringContaining('SUMMARY:the choir: serve')])
    expect((await ask(`${meal}?key=${key}`)).status).toBe(401)
    await own(meal, { intent: 'revoke-calendar' })
    expect((await ask(`${meal}/calendar.ics?key=${key}`)).status).toBe(401)

    // Another site's name that points here, and what another site sends.
    for (const network of [true, false]) {
      expect((await ask('/', { network, headers: { Host: 'evil.example' } })).status).toBe(421)
      const post = (headers: Record<string, string>) =>
        ask('/settings', { network, method: 'POST', body: 'intent=save', headers })
      expect((await post({ Origin: 'https://evil.example' })).status).toBe(403)
      expect((await post({ Origin: 'null' })).status).toBe(403)
      expect((await post({ 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403)
    }
    // A door that is only said to be another one is the same door.
    expect(
      (
        await ask('/household.json', {
          headers: { 'X-Omsel-Door': 'own', 'X-Omsel-Address': '10.0.0.1', 'X-Forwarded-For': '127.0.0.1' },
        })
      ).status,
    ).toBe(401)

    // Headers of every kind of answer, on both doors.
    for (const network of [true, false])
      for (const path of [
        '/login',
        '/',
        '/no-such-page',
        '/manifest.webmanifest',
        '/healthz',
        '/api/v1/openapi.json',
        '/%E0%A4%A',
        '/a.data',
      ]) {
        const { headers, body, status } = await ask(path, { network })
        expect([
          path,
          headers['x-content-type-options'],
          headers['x-frame-options'],
          headers['referrer-policy'],
          headers['cross-origin-opener-policy'],
          headers['cross-origin-resource-policy'],
        ]).toEqual([path, 'nosniff', 'DENY', 'same-origin', 'same-origin', 'same-origin'])
        expect(headers).not.toHaveProperty('x-powered-by')
        expect(headers).not.toHaveProperty('server')
        expect(headers).not.toHaveProperty('access-control-allow-origin')
        expect([path, status < 500, /\bat .*\.(m?js|ts):\d+/.test(body)]).toEqual([path, true, false])
        if (headers['content-type']?.startsWith('text/html') && status < 300) {
          const policy = headers['content-security-policy']!
          expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]{20,}'(;|$)/)
          expect(policy).toContain("frame-ancestors 'none'")
          expect(policy).not.toMatch(/script-src[^;]*unsafe/)
          expect([...body.matchAll(/<script(?![^>]*nonce=)/g)]).toEqual([])
        }
      }

    // In by the passphrase.
    const entered = await enter(PHRASE)
    expect(entered.status).toBe(302)
    expect(entered.headers['set-cookie']![0]).toMatch(
      /^__Host-omsel=[\w-]{43}; Path=\/; HttpOnly; SameSite=Strict; Max-Age=\d+; Secure$/,
    )
    const Cookie = cookieOf(entered)
    const status = async (cookie: string) =>
      (await ask('/household.json', { headers: { Cookie: cookie } })).status
    expect(await status(Cookie)).toBe(200)
    // Forged, cut, of another name: useless.
    for (const cookie of [
      `${Cookie}x`,
      Cookie.slice(0, -1),
      Cookie.replace('__Host-omsel', 'omsel'),
      '__Host-omsel=',
      `__Host-omsel=${'A'.repeat(43)}`,
    ])
      expect(await status(cookie)).toBe(401)
    // From the network nobody says who may come in.
    expect((await ask('/devices', { method: 'POST', headers: { Cookie }, body: 'intent=code' })).status).toBe(
      403,
    )
    expect(
      (
        await ask('/devices', {
          method: 'POST',
          headers: { Cookie },
          body: new URLSearchParams({
            intent: 'set-passphrase',
            passphrase: 'mine from now on',
            again: 'mine from now on',
          }).toString(),
        })
      ).status,
    ).toBe(403)
    expect(
      (
        await ask('/devices', {
          method: 'POST',
          headers: { Cookie, 'X-Omsel-Door': 'own' },
          body: 'intent=code',
        })
      ).status,
    ).toBe(403)
    // A way on that leads out of the household is none.
    expect(
      (await ask(`/login?to=${encodeURIComponent('//evil.example')}`, { headers: { Cookie } })).headers
        .location,
    ).toBe('/')

    // Guesses are slowed down; the right word waits as well, and is taken when the wait is over.
    const guesses = []
    for (let n = 0; n < 5; n++) guesses.push((await enter('a guess of some length')).status)
    expect(guesses).toEqual([403, 403, 403, 403, 403])
    // At once: on a slow machine the wait may be over before a third one is answered.
    const [more, evenMore, held] = await Promise.all([
      enter('a guess of some length'),
      enter('a guess of some length'),
      enter(PHRASE),
    ])
    expect([more.status, evenMore.status]).toEqual([429, 429])
    expect([held.status, Number(held.headers['retry-after']) > 0]).toEqual([429, true])
    laterBy(5000)
    expect((await enter(PHRASE)).status).toBe(302)

    // Left, stale, or from before another passphrase: useless.
    for (const path of ['/notebook.data', '/search?q=basmati'])
      expect((await ask(path, { headers: { Cookie } })).headers['cache-control']).toBe('no-store')
    const left = await ask('/devices', { method: 'POST', headers: { Cookie }, body: 'intent=leave' })
    expect(left.status).toBe(302)
    // Nothing of the house stays behind on the device.
    expect(left.headers['clear-site-data']).toBe('"cache", "storage"')
    expect(await status(Cookie)).toBe(401)
    const stale = cookieOf(await enter(PHRASE))
    expect(await status(stale)).toBe(200)
    laterBy(61 * DAY_MS)
    expect(await status(stale)).toBe(401)
    const before = cookieOf(await enter(PHRASE))
    expect(
      spawnSync('bin/omsel', ['passphrase'], {
        env: { ...env, OMSEL_DATABASE: database },
        input: 'another one by now\n',
      }).status,
    ).toBe(0)
    expect(await status(before)).toBe(401)
  } finally {
    await close()
  }
})

test('a phone comes in by the code on the laptop, and is sent away again', async ({ page, browser }) => {
  test.setTimeout(240_000)
  const port = PORTS.phone
  const { close } = await networkHousehold(port)
  const phones = await browser.newContext({
    ignoreHTTPSErrors: true,
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  })
  try {
    await fetch(`http://127.0.0.1:${port}/welcome`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Origin: `http://127.0.0.1:${port}` },
      body: new URLSearchParams({ intent: 'later' }),
    })
    await open(page, `http://127.0.0.1:${port}/devices`)
    await expect(page.getByText('Only this computer.')).toBeVisible()
    // A browser may have dropped an answer's text by the time it is asked for: it is read on its way.
    let answer = ''
    await page.route('**/devices.data*', async (route) => {
      if (route.request().method() !== 'POST') return route.continue()
      const response = await route.fetch()
      answer = await response.text()
      return route.fulfill({ response, body: answer })
    })
    await page.getByRole('button', { name: 'Show a code' }).click()
    await expect.poll(() => answer).toMatch(/"code","[\w-]{32}"/)
    const code = /"code","([\w-]{32})"/.exec(answer)![1]!
    await page.unroute('**/devices.data*')
    await expect(page.getByRole('img', { name: /Sign-in address: https:/ })).toBeVisible()
    expect(await serious(page)).toEqual([])

    const phone = await phones.newPage()
    await phone.goto(`https://127.0.0.1:${port + 1}/login?to=/grains#join=${code}`)
    await phone.getByRole('button', { name: 'Allow this device' }).click()
    await phone.waitForURL(/\/grains$/)
    // The code is in no address any more, and good for nobody else.
    const other = await (
      await browser.newContext({ ignoreHTTPSErrors: true, serviceWorkers: 'block' })
    ).newPage()
    await other.goto(`https://127.0.0.1:${port + 1}/login#join=${code}`)
    await other.getByRole('button', { name: 'Allow this device' }).click()
    await expect(other.getByText(/has expired/)).toBeVisible()
    expect(new URL(other.url()).hash).toBe('')
    // It cooks: a stream of changes comes through the door.
    await phone.goto(`https://127.0.0.1:${port + 1}/`)
    await phone.getByRole('button', { name: 'Start now' }).click()
    await phone.waitForURL(/\/stove\/./)
    const stove = phone.url()
    await expect(act(phone)).toHaveText('Measure the grain')
    const elsewhere = await phones.newPage()
    await open(elsewhere, `https://127.0.0.1:${port + 1}/notebook`)

    await open(page, `http://127.0.0.1:${port}/devices`)
    await page
      .getByRole('button', { name: 'Sign out computer' })
      .or(page.getByRole('button', { name: 'Sign out phone' }))
      .click()
    await expect(page.getByText('Only this computer.')).toBeVisible()
    // Its stream ends with it. The cook on its screen counts on, and what is pressed there is kept until it
    // is let in again.
    await expect(phone.getByText('You are signed out')).toBeVisible()
    // Elsewhere there is nothing to go on with, but the way back in.
    await elsewhere.getByRole('link', { name: 'Leftovers' }).first().click()
    await expect(elsewhere.getByRole('heading', { name: 'Signed out' })).toBeVisible()
    await expect(elsewhere.getByRole('link', { name: 'Sign in again' })).toHaveAttribute(
      'href',
      '/login?to=%2Fleftovers',
    )
    await phone.getByRole('button', { name: /^Measured/ }).click()
    await expect(phone.getByText('Offline: still timing here, one press saved')).toBeVisible()
    await expect(act(phone)).not.toHaveText('Measure the grain')
    await phone.getByRole('link', { name: 'sign in again' }).click()
    await expect(phone).toHaveURL(/\/login\?to=/)
    expect(await serious(phone)).toEqual([])
    await phone.getByLabel('Passphrase', { exact: true }).fill(PHRASE)
    await phone.getByRole('button', { name: 'Sign in' }).click()
    await phone.waitForURL(stove)
    await expect(act(phone)).not.toHaveText('Measure the grain')
    await expect(phone.getByText(/press(es)? saved/)).toHaveCount(0)
    await open(page, `http://127.0.0.1:${port}${new URL(stove).pathname}`)
    await expect(act(page)).not.toHaveText('Measure the grain')
  } finally {
    // Its stream ends before the server is killed: a torn one is an error in the console, and rightly so.
    await page.goto('about:blank')
    await phones.close()
    await close()
  }
})

test('a server that is asked to end finishes what is being written, and lets streams go', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-ending-'))
  writeFileSync(join(folder, 'clock'), '0')
  const [port, database] = [PORTS.ending, join(folder, 'omsel.sqlite')]
  const server = await serve(port, database, join(folder, 'clock'))
  try {
    const stream = http.get({ port, host: '127.0.0.1', path: '/cooks/all/changes' })
    stream.on('error', () => undefined)
    await once(stream, 'response')
    const body = new URLSearchParams({
      intent: 'save-measure',
      how: 'known',
      name: 'grandmother’s ladle',
      ml: '180',
    }).toString()
    const request = http.request({
      port,
      host: '127.0.0.1',
      path: '/pots',
      method: 'POST',
      headers: {
        'Content-Type': 'application/x-www-form-urlencoded',
        'Content-Length': String(Buffer.byteLength(body)),
      },
    })
    request.write(body.slice(0, 20))
    // Half of it is there when the server is asked to end.
    await new Promise((resolve) => setTimeout(resolve, 300))
    const gone = once(server, 'exit')
    server.kill('SIGTERM')
    await new Promise((resolve) => setTimeout(resolve, 500))
    request.end(body.slice(20))
    const [response] = (await once(request, 'response')) as [http.IncomingMessage]
    response.resume()
    expect(response.statusCode).toBeLessThan(400)
    expect(await gone).toEqual([0, null])
    const again = await serve(port, database, join(folder, 'clock'))
    expect(await fetch(`http://127.0.0.1:${port}/household.json?holds=pots`).then((r) => r.text())).toContain(
      'grandmother’s ladle',
    )
    await kill(again)
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true })
  }
})
