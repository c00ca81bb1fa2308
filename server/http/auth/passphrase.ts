import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { isGuessable } from './guessable'
import type { StoredPassphrase } from '#server/store/access'

/** Length of a household's passphrase, characters. Long and easy to say beats short and odd. */
export const PASSPHRASE_LIMITS = Object.freeze({ least: 12, most: 200 } as const)
/** scrypt's cost: 32 MB and three rounds, one of the settings OWASP's password storage guidance holds equal. */
const COST = { n: 2 ** 15, r: 8, p: 3 } as const
const HASH_BYTES = 32
const SALT_BYTES = 16

// However it was typed, the same signs are the same passphrase.
const settled = (passphrase: string): string => passphrase.normalize('NFKC')

const derived = (
  passphrase: string,
  salt: Buffer,
  { n, r, p }: { n: number; r: number; p: number },
): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(settled(passphrase), salt, HASH_BYTES, { N: n, r, p, maxmem: 256 * n * r }, (error, key) =>
      error ? reject(error) : resolve(key),
    )
  })

/** @returns what is wrong with a passphrase, in words; nothing when it can be taken */
export async function wrongPassphrase(passphrase: string): Promise<string | undefined> {
  const { least, most } = PASSPHRASE_LIMITS
  const long = [...settled(passphrase)].length
  if (long < least)
    return `must have at least ${least} characters, got ${long}; a few words are easier to keep than signs`
  if (long > most) return `may have ${most} characters at most, got ${long}`
  if (await isGuessable(settled(passphrase)))
    return 'is too easy to guess; take three or four words that do not belong together'
  return undefined
}

export async function hashPassphrase(passphrase: string, nowMs: number): Promise<StoredPassphrase> {
  const salt = randomBytes(SALT_BYTES)
  const hash = await derived(passphrase, salt, COST)
  return { salt: salt.toString('base64'), hash: hash.toString('base64'), ...COST, set_ms: Math.round(nowMs) }
}

/** Whether it is the passphrase; takes as long when it is not. */
export async function matches(saved: StoredPassphrase, passphrase: string): Promise<boolean> {
  const hash = await derived(
    passphrase.slice(0, PASSPHRASE_LIMITS.most * 2),
    Buffer.from(saved.salt, 'base64'),
    saved,
  )
  return timingSafeEqual(hash, Buffer.from(saved.hash, 'base64'))
}
