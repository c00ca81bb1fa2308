import { createHash, randomBytes } from 'node:crypto'

/** A code lets one device in, and only for so long. */
export const JOIN_MINUTES = 5
const CODE_BYTES = 24
const MOST = 8

const hashOf = (code: string): string => createHash('sha256').update(code).digest('base64url')

/** Codes shown on the laptop for a phone to read. They live in memory only: a server that starts again has none. */
export class PairingCodes {
  private readonly codes = new Map<string, number>()

  make(nowMs: number): string {
    const code = randomBytes(CODE_BYTES).toString('base64url')
    this.codes.set(hashOf(code), nowMs + JOIN_MINUTES * 60_000)
    while (this.codes.size > MOST) this.codes.delete(this.codes.keys().next().value!)
    return code
  }

  /** Takes a code; a second time it is nothing.  @returns whether it was good */
  take(code: string, nowMs: number): boolean {
    const key = hashOf(code.slice(0, 200))
    const until = this.codes.get(key)
    this.codes.delete(key)
    return until !== undefined && nowMs < until
  }
}
