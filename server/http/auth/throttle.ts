import { isIPv6 } from 'node:net'
import type { accessIn } from '#server/store/access'

type SavedAttempts = Pick<
  ReturnType<typeof accessIn>,
  'attempts' | 'putAttempt' | 'dropAttempt' | 'dropAttemptsBefore'
>

/** Tries that cost nothing, and how long one waits after more. */
const FREE = 5
const FIRST_WAIT_MS = 2000
const MAX_WAIT_MS = 15 * 60_000
/** Failures are forgotten after as long without one. */
const FORGET_MS = 60 * 60_000
const MAX_ADDRESSES = 2000
/** Limit over all addresses, against one caller with many. */
const ALL = '*'
const ALL_FREE = 50

interface Failures {
  count: number
  lastMs: number
}

/**
 * Who tried and failed how often. After five tries each further one waits twice as long as the one before, up
 * to a quarter of an hour.
 */
export class Throttle {
  private readonly failures = new Map<string, Failures>()

  /** @param saved where failures are stored, so that a restart forgets none; left out: nowhere */
  constructor(private readonly saved?: () => SavedAttempts) {
    for (const { address, count, last_ms } of saved?.().attempts() ?? [])
      this.failures.set(address, { count, lastMs: last_ms })
  }

  /** How long this address must wait before its next try, ms; 0 when it need not. */
  waitMs(address: string, nowMs: number): number {
    return Math.max(this.waitOf(addressOf(address), FREE, nowMs), this.waitOf(ALL, ALL_FREE, nowMs))
  }

  failed(address: string, nowMs: number): void {
    for (const key of [addressOf(address), ALL]) {
      const before = this.failures.get(key)
      this.failures.delete(key)
      const count = before && nowMs - before.lastMs < FORGET_MS ? before.count + 1 : 1
      this.failures.set(key, { count, lastMs: nowMs })
      this.saved?.().putAttempt({ address: key, count, last_ms: Math.round(nowMs) })
    }
    this.saved?.().dropAttemptsBefore(nowMs - FORGET_MS)
    // The one that has been quiet longest goes first; the sum of all stays.
    for (const key of this.failures.keys()) {
      if (this.failures.size <= MAX_ADDRESSES) break
      if (key !== ALL) this.failures.delete(key)
    }
  }

  succeeded(address: string): void {
    const key = addressOf(address)
    this.failures.delete(key)
    this.saved?.().dropAttempt(key)
    const all = this.failures.get(ALL)
    if (!all) return
    this.failures.set(ALL, { ...all, count: all.count - 1 })
    this.saved?.().putAttempt({ address: ALL, count: all.count - 1, last_ms: Math.round(all.lastMs) })
  }

  private waitOf(key: string, free: number, nowMs: number): number {
    const known = this.failures.get(key)
    if (!known || known.count < free || nowMs - known.lastMs >= FORGET_MS) return 0
    return Math.max(
      0,
      known.lastMs + Math.min(MAX_WAIT_MS, FIRST_WAIT_MS * 2 ** (known.count - free)) - nowMs,
    )
  }
}

/** An IPv6 address is counted by its /64 prefix. */
const addressOf = (address: string): string => {
  const plain = address.replace(/^::ffff:/i, '')
  return isIPv6(plain) ? `${expanded(plain).slice(0, 4).join(':')}::/64` : plain
}
const expanded = (address: string): string[] => {
  const [head = '', tail] = address.split('%')[0]!.split('::')
  const [left, right] = [head.split(':').filter(Boolean), (tail ?? '').split(':').filter(Boolean)]
  return [
    ...left,
    ...Array.from({ length: Math.max(0, 8 - left.length - right.length) }, () => '0'),
    ...right,
  ].map((part) => part.replace(/^0+(?=.)/, ''))
}
