import type { Result } from '#core/contract/plan-request'
import type { Kitchen } from '#server/store/open-household'
import { fieldError } from '#core/contract/field-error'
import { log } from '#server/log'
import type { PairingCodes } from './pairing-codes'
import { hashPassphrase, matches, wrongPassphrase } from './passphrase'
import { deviceWord, createSession } from './sessions'
import type { Throttle } from './throttle'

interface Visitor {
  address: string
  userAgent: string | null
  nowMs: number
}
type Entered = { ok: true; value: string } | { ok: false; waitS: number } | ReturnType<typeof fieldError>

// One passphrase is tried at a time: hashing is made to be slow, and must not be done by the dozen.
let trying: Promise<unknown> = Promise.resolve()

/** Lets a device in by the household's passphrase.  @returns its token; or how long it must wait; or what was wrong */
export async function enterBy(
  { access }: Pick<Kitchen, 'access'>,
  throttle: Throttle,
  passphrase: unknown,
  { address, userAgent, nowMs }: Visitor,
): Promise<Entered> {
  const waitMs = throttle.waitMs(address, nowMs)
  if (waitMs > 0) return { ok: false, waitS: Math.ceil(waitMs / 1000) }
  if (typeof passphrase !== 'string' || passphrase === '')
    return fieldError('passphrase', 'is missing', 'required')
  const saved = access.passphrase()
  if (!saved) return fieldError('passphrase', 'no passphrase is set')
  // Counted before it is known: many at once are many tries.
  throttle.failed(address, nowMs)
  const turn = trying.then(() => matches(saved, passphrase))
  trying = turn.catch(() => undefined)
  if (!(await turn)) {
    log.warn({ address }, 'a passphrase was wrong')
    return fieldError('passphrase', 'is wrong')
  }
  throttle.succeeded(address)
  return { ok: true, value: createSession(access, deviceWord(userAgent), nowMs) }
}

/** Lets a device in by a code it read off the laptop. */
export function joinBy(
  { access }: Pick<Kitchen, 'access'>,
  throttle: Throttle,
  joins: PairingCodes,
  code: unknown,
  { address, userAgent, nowMs }: Visitor,
): Entered {
  const waitMs = throttle.waitMs(address, nowMs)
  if (waitMs > 0) return { ok: false, waitS: Math.ceil(waitMs / 1000) }
  if (typeof code === 'string' && joins.take(code, nowMs))
    return { ok: true, value: createSession(access, deviceWord(userAgent), nowMs) }
  throttle.failed(address, nowMs)
  return fieldError('code', 'has expired. Codes work once, for five minutes')
}

/** Sets the household's passphrase; every device that was let in by the one before is sent away. */
export async function setPassphrase(
  { access }: Pick<Kitchen, 'access'>,
  passphrase: unknown,
  again: unknown,
  nowMs: number,
): Promise<Result<true>> {
  if (typeof passphrase !== 'string') return fieldError('passphrase', 'is missing', 'required')
  const message = await wrongPassphrase(passphrase)
  if (message) return fieldError('passphrase', message)
  if (again !== passphrase) return fieldError('again', 'is not the same as above')
  access.setPassphrase(await hashPassphrase(passphrase, nowMs))
  return { ok: true, value: true }
}
