import { createHash, webcrypto, X509Certificate as NodeCertificate } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { join } from 'node:path'
import 'reflect-metadata'
import { AsnConvert } from '@peculiar/asn1-schema'
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509'
import * as x509 from '@peculiar/x509'

/** What the network's listener shows, and what a phone is asked to trust. */
export interface Certificates {
  /** PEM. */
  key: string
  /** The server's certificate followed by the authority's. */
  chain: string
  /** The household's own certificate authority: the one a phone trusts. */
  authority: string
  /** SHA-256 of it, in pairs, to be compared by eye. */
  fingerprint: string
}

/** RFC 5280, 4.2.1.10 */
const NAME_CONSTRAINTS = '2.5.29.30'
const DAY_MS = 86_400_000
const AUTHORITY_DAYS = 3650
/** Longest validity that phones accept from an authority added by hand. */
const OWN_DAYS = 820
/** Renewed when no more is left than this. */
const RENEW_DAYS = 30
const KEYS = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const

/**
 * The household's certificates, made at the first start and renewed when they expire or the machine has other
 * addresses. The authority may vouch for nothing but names and addresses inside of a home, so that trusting
 * it is good for nothing else.
 * @param folder where they lie, readable by their owner only
 */
export async function certificatesIn(
  folder: string,
  names: readonly string[],
  addresses: readonly string[],
  nowMs: number,
): Promise<Certificates> {
  x509.cryptoProvider.set(webcrypto as Crypto)
  const file = (name: string) => join(folder, name)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const wanted = ['localhost', ...names]
  const homely = addresses.filter(isHomely)
  if (
    !existsSync(file('authority-key.pem')) ||
    !existsSync(file('authority.pem')) ||
    daysLeft(file('authority.pem'), nowMs) < OWN_DAYS ||
    !mayVouchFor(file('authority.pem'), wanted)
  )
    await makeAuthority(file, names, nowMs)
  if (
    !existsSync(file('key.pem')) ||
    !existsSync(file('own.pem')) ||
    !stillGood(file('own.pem'), file('authority.pem'), wanted, homely, nowMs)
  )
    await makeOwn(file, wanted, homely, nowMs)
  const [key, own, authority] = ['key.pem', 'own.pem', 'authority.pem'].map((name) =>
    readFileSync(file(name), 'utf8'),
  ) as [string, string, string]
  return { key, chain: `${own}\n${authority}`, authority, fingerprint: fingerprintOf(authority) }
}

const fingerprintOf = (pem: string): string =>
  createHash('sha256')
    .update(new NodeCertificate(pem).raw)
    .digest('hex')
    .toUpperCase()
    .replace(/(..)(?=.)/g, '$1 ')
const daysLeft = (path: string, nowMs: number): number =>
  (Date.parse(new NodeCertificate(readFileSync(path)).validTo) - nowMs) / DAY_MS

function stillGood(
  own: string,
  authority: string,
  names: readonly string[],
  addresses: readonly string[],
  nowMs: number,
): boolean {
  const certificate = new NodeCertificate(readFileSync(own))
  return (
    daysLeft(own, nowMs) > RENEW_DAYS &&
    certificate.verify(new NodeCertificate(readFileSync(authority)).publicKey) &&
    names.every((name) => certificate.checkHost(name)) &&
    addresses.every((address) => certificate.checkIP(address))
  )
}

/** IPv4 ranges that never leave a home: RFC 1918, RFC 3927, loopback. */
const HOME_NAMES = ['localhost', 'local', 'lan', 'home.arpa']
const HOME_RANGES = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8']

const isHomely = (address: string): boolean => {
  const number = (text: string) => text.split('.').reduce((sum, part) => sum * 256 + Number(part), 0)
  return (
    isIP(address) === 4 &&
    HOME_RANGES.some((range) => {
      const [base, bits] = range.split('/') as [string, string]
      const size = 2 ** (32 - Number(bits))
      return Math.floor(number(address) / size) === Math.floor(number(base) / size)
    })
  )
}

/** Whether the authority's own words let it vouch for all of these names. */
function mayVouchFor(authority: string, names: readonly string[]): boolean {
  const words = new x509.X509Certificate(readFileSync(authority, 'utf8')).getExtension(NAME_CONSTRAINTS)
  const permitted = words
    ? [...(AsnConvert.parse(words.value, NameConstraints).permittedSubtrees ?? [])].flatMap(
        (tree) => tree.base.dNSName ?? [],
      )
    : []
  return names.every((name) => permitted.some((one) => name === one || name.endsWith(`.${one}`)))
}

async function makeAuthority(
  file: (name: string) => string,
  names: readonly string[],
  nowMs: number,
): Promise<void> {
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify'])
  const permitted = [
    ...[...HOME_NAMES, ...names].map((dNSName) => new GeneralSubtree({ base: new GeneralName({ dNSName }) })),
    ...HOME_RANGES.map((iPAddress) => new GeneralSubtree({ base: new GeneralName({ iPAddress }) })),
  ]
  const authority = await x509.X509CertificateGenerator.createSelfSigned({
    name: 'CN=Omsel at home',
    keys,
    signingAlgorithm: KEYS,
    notBefore: new Date(nowMs - DAY_MS),
    notAfter: new Date(nowMs + AUTHORITY_DAYS * DAY_MS),
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign, true),
      new x509.Extension(
        NAME_CONSTRAINTS,
        true,
        AsnConvert.serialize(new NameConstraints({ permittedSubtrees: new GeneralSubtrees(permitted) })),
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  })
  await keep(file('authority-key.pem'), keys.privateKey)
  write(file('authority.pem'), authority.toString('pem'))
}

/** Creates and stores the server’s certificate, signed by the household’s authority. */
export async function makeOwn(
  file: (name: string) => string,
  names: readonly string[],
  addresses: readonly string[],
  nowMs: number,
): Promise<void> {
  const authority = new x509.X509Certificate(readFileSync(file('authority.pem'), 'utf8'))
  const signingKey = await webcrypto.subtle.importKey(
    'pkcs8',
    x509.PemConverter.decodeFirst(readFileSync(file('authority-key.pem'), 'utf8')),
    KEYS,
    false,
    ['sign'],
  )
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify'])
  const own = await x509.X509CertificateGenerator.create({
    subject: 'CN=Omsel',
    issuer: authority.subject,
    publicKey: keys.publicKey,
    signingKey,
    signingAlgorithm: KEYS,
    notBefore: new Date(nowMs - DAY_MS),
    notAfter: new Date(nowMs + OWN_DAYS * DAY_MS),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension([
        ...names.filter((name) => isIP(name) === 0).map((value) => ({ type: 'dns' as const, value })),
        ...['127.0.0.1', ...addresses].map((value) => ({ type: 'ip' as const, value })),
      ]),
      await x509.AuthorityKeyIdentifierExtension.create(authority),
    ],
  })
  await keep(file('key.pem'), keys.privateKey)
  write(file('own.pem'), own.toString('pem'))
}

const keep = async (path: string, key: webcrypto.CryptoKey): Promise<void> =>
  write(path, x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY'))

/** Under another name first: half a key is none. */
function write(path: string, text: string): void {
  writeFileSync(`${path}.part`, text, { mode: 0o600 })
  renameSync(`${path}.part`, path)
}
