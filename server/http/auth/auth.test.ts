import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import https from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { connect } from 'node:tls'
import fc from 'fast-check'
import { accessIn } from '#server/store/access'
import { openDatabase } from '#server/store/open'
import { errorOf, placeOf } from '#server/log'
import { certificatesIn, makeOwn } from './certificate'
import { enterBy, joinBy, setPassphrase } from './sign-in'
import { isOurs } from './hosts'
import { JOIN_MINUTES, PairingCodes } from './pairing-codes'
import { matches, wrongPassphrase } from './passphrase'
import {
  isAuthenticated,
  createSession,
  revokeSession,
  SESSION_DAYS,
  sessionCookie,
  tokenIn,
} from './sessions'
import { Throttle } from './throttle'

const NOW = Date.UTC(2026, 2, 5, 16, 40)
const MINUTE = 60_000
const DAY = 86_400_000
const PHRASE = 'rice by the lake'
const household = () => ({ access: accessIn(openDatabase(':memory:')) })
const visitor = (nowMs: number, address = '192.168.1.7') => ({
  address,
  userAgent: 'Mozilla/5.0 (Linux; Android 15) Mobile',
  nowMs,
})

describe('the passphrase', () => {
  test('accepts the right passphrase in any Unicode form and no other; only a hash is stored', async () => {
    const { access } = household()
    expect(await setPassphrase({ access }, 'café au bord du lac', 'café au bord du lac', NOW)).toEqual({
      ok: true,
      value: true,
    })
    const saved = access.passphrase()!
    expect(JSON.stringify(saved)).not.toContain('lac')
    expect(await matches(saved, 'café au bord du lac'.normalize('NFD'))).toBe(true)
    expect(await matches(saved, 'cafe au bord du lac')).toBe(false)
    expect(await matches(saved, '')).toBe(false)
    expect(await matches(saved, 'x'.repeat(1e6))).toBe(false)
  })

  test('too short, too long, or not the same twice is refused, naming the limit', async () => {
    expect(await wrongPassphrase('rice at sea')).toBe(
      'must have at least 12 characters, got 11; a few words are easier to keep than signs',
    )
    expect(await wrongPassphrase('🍚'.repeat(11))).toContain('got 11')
    expect(await wrongPassphrase('ab'.repeat(150))).toContain('200 characters at most, got 300')
    expect(await wrongPassphrase(PHRASE)).toBeUndefined()
    expect(await setPassphrase(household(), PHRASE, 'rice by the sea', NOW)).toMatchObject({
      ok: false,
      errors: [{ path: 'again' }],
    })
  })

  test.each([
    'aaaaaaaaaaaa',
    'password1234',
    'qwertyuiop12',
    'iloveyou2024',
    '123456789012',
    'abcdefghijkl',
    'omselomselomsel',
    'Passw0rd!2024',
    'Summer2024!!!',
  ])('%s is too easy to guess', async (common) => {
    expect(await wrongPassphrase(common)).toContain('too easy to guess')
    expect(await setPassphrase(household(), common, common, NOW)).toMatchObject({ ok: false })
  })

  test.each([
    'rice and steam at noon',
    'correct horse battery staple',
    'trout lake kettle',
    'café au bord du lac',
  ])('%s is taken', async (words) => expect(await wrongPassphrase(words)).toBeUndefined())

  test('failed tries survive a restart: the one after it waits as long as it would have', () => {
    const { access } = household()
    const before = new Throttle(() => access)
    for (let n = 0; n < 8; n++) before.failed('192.168.1.7', NOW)
    const wait = before.waitMs('192.168.1.7', NOW)
    expect(wait).toBeGreaterThan(0)
    const after = new Throttle(() => access)
    expect(after.waitMs('192.168.1.7', NOW)).toBe(wait)
    expect(after.waitMs('192.168.1.8', NOW)).toBe(0)
    after.succeeded('192.168.1.7')
    expect(new Throttle(() => access).waitMs('192.168.1.7', NOW)).toBe(0)
    // An hour later they are forgotten, also in the file.
    before.failed('192.168.1.9', NOW + 61 * 60_000)
    expect(access.attempts().map(({ address }) => address)).not.toContain('192.168.1.7')
  })

  test('wrong ones slow down, also when many come at once; the right one then waits like any other, and is taken after', async () => {
    const at = household()
    await setPassphrase(at, PHRASE, PHRASE, NOW)
    const throttle = new Throttle()
    const answers = await Promise.all(
      Array.from({ length: 12 }, () => enterBy(at, throttle, 'a guess of some length', visitor(NOW))),
    )
    expect(answers.filter((a) => 'errors' in a)).toHaveLength(5)
    expect(answers.filter((a) => 'waitS' in a)).toHaveLength(7)
    const held = await enterBy(at, throttle, PHRASE, visitor(NOW + 100))
    expect(held).toMatchObject({ waitS: 2 })
    // Another device is not made to pay for it.
    expect(await enterBy(at, throttle, PHRASE, visitor(NOW + 100, '192.168.1.8'))).toMatchObject({ ok: true })
    const after = await enterBy(at, throttle, PHRASE, visitor(NOW + 3000))
    expect(after.ok && isAuthenticated(at.access, after.value, NOW)).toBe(true)
  })
})

describe('the throttle', () => {
  test('whatever the rhythm, a guesser has few tries a day', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 5 * MINUTE }), { minLength: 400, maxLength: 400 }),
        (gaps) => {
          const throttle = new Throttle()
          let [now, tries] = [NOW, 0]
          for (const gap of gaps) {
            now += gap
            if (now - NOW > DAY) break
            if (throttle.waitMs('10.0.0.9', now) > 0) continue
            tries++
            throttle.failed('10.0.0.9', now)
          }
          // Five at once, ten more until a quarter of an hour is reached, then four an hour.
          expect(tries).toBeLessThanOrEqual(5 + 10 + 4 * 24)
        },
      ),
      { numRuns: 50 },
    )
  })

  test('many addresses are one guesser once they are many, and one /64 is one from the start', () => {
    const throttle = new Throttle()
    for (let n = 0; n < 5; n++) throttle.failed(`2001:db8::${n}`, NOW)
    expect(throttle.waitMs('2001:db8::ffff', NOW)).toBeGreaterThan(0)
    expect(throttle.waitMs('2001:db8:0:1::1', NOW)).toBe(0)
    for (let n = 0; n < 60; n++) throttle.failed(`10.0.${n}.1`, NOW)
    expect(throttle.waitMs('172.16.0.1', NOW)).toBeGreaterThan(0)
    expect(throttle.waitMs('172.16.0.1', NOW + 2 * 3_600_000)).toBe(0)
  })
})

describe('a session', () => {
  test('needs its exact token; expired, revoked or older than the passphrase, it is refused', async () => {
    const { access } = household()
    const token = createSession(access, 'phone', NOW)
    expect(isAuthenticated(access, token, NOW)).toBe(true)
    for (const forged of [
      undefined,
      '',
      token.slice(1),
      `${token}x`,
      token.toLowerCase() === token ? token.toUpperCase() : token.toLowerCase(),
      access.sessions()[0]!.token_hash,
      "' OR 1=1 --",
      'x'.repeat(1e5),
    ])
      expect(isAuthenticated(access, forged, NOW)).toBe(false)
    expect(access.sessions()[0]!.token_hash).not.toContain(token)
    // Seen now and then it lives on, but not for ever.
    let at = NOW
    for (; at < NOW + (SESSION_DAYS.most - 1) * DAY; at += 50 * DAY)
      expect(isAuthenticated(access, token, at)).toBe(true)
    expect(isAuthenticated(access, token, NOW + SESSION_DAYS.most * DAY + 1)).toBe(false)
    const idle = createSession(access, 'phone', NOW)
    expect(isAuthenticated(access, idle, NOW + SESSION_DAYS.idle * DAY + 1)).toBe(false)
    const sent = createSession(access, 'phone', NOW)
    expect(revokeSession(access, sent)).toBe(true)
    expect(isAuthenticated(access, sent, NOW)).toBe(false)
    const old = createSession(access, 'phone', NOW)
    await setPassphrase({ access }, PHRASE, PHRASE, NOW)
    expect(isAuthenticated(access, old, NOW)).toBe(false)
  })

  test('its cookie is for this server alone, and is found among others', () => {
    expect(sessionCookie('abc', true)).toMatch(
      /^__Host-omsel=abc; Path=\/; HttpOnly; SameSite=Strict; Max-Age=\d+; Secure$/,
    )
    expect(tokenIn('a=1; __Host-omsel=abc; b=2', true)).toBe('abc')
    // A cookie that an open line could have set is not taken over a closed one.
    expect(tokenIn('omsel=abc', true)).toBeUndefined()
    expect(tokenIn(null, true)).toBeUndefined()
  })

  test('a code from the laptop lets one device in, once, and not for long', () => {
    const at = household()
    const [throttle, joins] = [new Throttle(), new PairingCodes()]
    const code = joins.make(NOW)
    expect(joinBy(at, throttle, joins, code, visitor(NOW + MINUTE))).toMatchObject({ ok: true })
    expect(at.access.sessions()).toMatchObject([{ device: 'phone' }])
    expect(joinBy(at, throttle, joins, code, visitor(NOW + MINUTE))).toMatchObject({
      ok: false,
      errors: [{ path: 'code' }],
    })
    expect(joinBy(at, throttle, joins, joins.make(NOW), visitor(NOW + JOIN_MINUTES * MINUTE))).toMatchObject({
      ok: false,
    })
    for (let n = 0; n < 4; n++) joinBy(at, throttle, joins, 'guess', visitor(NOW + MINUTE))
    expect(joinBy(at, throttle, joins, joins.make(NOW + MINUTE), visitor(NOW + MINUTE))).toHaveProperty(
      'waitS',
    )
  })
})

test('requests for this machine’s names are answered, for other names not', () => {
  const names = ['tarn', 'tarn.local']
  for (const host of ['localhost:4870', 'localhost:65535', '127.0.0.1', '[::1]:4870', 'TARN.local:4870'])
    expect([host, isOurs(host, false, names)]).toEqual([host, true])
  for (const host of [
    undefined,
    '',
    'evil.example',
    'localhost.evil.example',
    'tarn.local.evil.example',
    '192.168.1.20:4870',
    'localhost:65536',
    'localhost:99999',
  ])
    expect([host, isOurs(host, false, names)]).toEqual([host, false])
  expect(isOurs('192.168.1.20:4871', true, names)).toBe(true)
})

describe('the certificates', () => {
  let folder: string
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'omsel-tls-'))))
  afterEach(() => rmSync(folder, { recursive: true }))

  /** How it ends when a device that trusts `ca`, or nobody of this house, asks a server with these for a name. */
  async function reached(
    served: { key: string; cert: string },
    servername: string,
    ca?: string,
  ): Promise<string> {
    const server = https.createServer(served, (_request, response) => response.end('in'))
    server.listen(0, '127.0.0.1')
    await once(server, 'listening')
    const socket = connect({
      port: (server.address() as AddressInfo).port,
      host: '127.0.0.1',
      servername,
      ...(ca ? { ca } : {}),
    })
    try {
      return await new Promise((resolve) => {
        socket.once('secureConnect', () => resolve('reached'))
        socket.once('error', (error: NodeJS.ErrnoException) => resolve(`${error.code}: ${error.message}`))
      })
    } finally {
      socket.destroy()
      server.close()
      server.closeAllConnections()
    }
  }

  test('a device that trusts the certificate connects, and one that does not is warned', async () => {
    const { key, chain, authority } = await certificatesIn(
      folder,
      ['tarn.local'],
      ['192.168.1.20'],
      Date.now(),
    )
    const served = { key, cert: chain }
    expect(await reached(served, 'localhost', authority)).toBe('reached')
    expect(await reached(served, 'tarn.local', authority)).toBe('reached')
    expect(await reached(served, 'bank.example', authority)).toMatch('ERR_TLS_CERT_ALTNAME_INVALID')
    expect(await reached(served, 'localhost')).toMatch(/SELF_SIGNED|UNABLE_TO/)
  })

  test('are reused between starts, renewed on expiry or changed addresses, and their keys are readable by their owner only', async () => {
    const first = await certificatesIn(folder, ['tarn.local'], ['192.168.1.20', '8.8.8.8'], NOW)
    expect(await certificatesIn(folder, ['tarn.local'], ['192.168.1.20'], NOW + 30 * DAY)).toEqual(first)
    const moved = await certificatesIn(folder, ['tarn.local'], ['192.168.1.99'], NOW)
    expect(moved.chain).not.toBe(first.chain)
    // Whoever trusts the household goes on trusting it.
    expect(moved.authority).toBe(first.authority)
    const later = await certificatesIn(folder, ['tarn.local'], ['192.168.1.99'], NOW + 800 * DAY)
    expect(later.chain).not.toBe(moved.chain)
    expect(later.authority).toBe(first.authority)
    // A name the authority may not vouch for makes another authority.
    expect((await certificatesIn(folder, ['kitchen.test'], [], NOW)).authority).not.toBe(first.authority)
    for (const name of ['key.pem', 'authority-key.pem'])
      expect(statSync(join(folder, name)).mode & 0o077).toBe(0)
  })

  test('what the authority signs outside of a home is worth nothing', async () => {
    await certificatesIn(folder, ['tarn.local'], [], Date.now())
    // The same key and authority, put to a name that is nobody's at home: as a thief of the key would.
    rmSync(join(folder, 'own.pem'))
    await makeOwn((name) => join(folder, name), ['bank.example'], [], Date.now())
    const [key, cert, ca] = ['key.pem', 'own.pem', 'authority.pem'].map((name) =>
      readFileSync(join(folder, name), 'utf8'),
    ) as [string, string, string]
    expect(await reached({ key, cert }, 'bank.example', ca)).toMatch('permitted subtree violation')
  })
})

test('a log knows the place, not what was cooked there or what was written', () => {
  expect(placeOf('/notebook/3f2a?text=secret')).toBe('/notebook/…')
  expect(placeOf('/?who=Maren')).toBe('/')
  expect(placeOf('/%F0%9F/x')).toBe('/…/…')
  const said = errorOf(new Error('note must be short, got "our private dinner"'))
  expect(JSON.stringify(said)).not.toContain('private')
  expect(said.stack).toMatch(/^\s+at /)
})
