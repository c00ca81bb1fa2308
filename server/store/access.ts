import type { Db } from './open'
import { inOneWrite } from './write'

/** A passphrase as it is stored: scrypt's salt, hash and cost. */
export interface StoredPassphrase {
  /** Base64. */
  salt: string
  hash: string
  n: number
  r: number
  p: number
  set_ms: number
}

export interface SessionRow {
  token_hash: string
  /** What kind of device it is, in words. */
  device: string
  made_ms: number
  seen_ms: number
}

/** How often an address failed to sign in, and when last. */
export interface AttemptRow {
  address: string
  count: number
  last_ms: number
}

/** A program that may use the API on the network. */
export interface ProgramRow {
  token_hash: string
  name: string
  scope: 'read' | 'write'
  made_ms: number
  /** When it last asked; null when it never has. */
  seen_ms: number | null
}

/** The passphrase, the sessions of devices that were let in, and programs' tokens. */
export function accessIn(db: Db) {
  const passphrase = db.prepare('SELECT salt, hash, n, r, p, set_ms FROM passphrase WHERE id = 1')
  const set = db.prepare(
    'INSERT INTO passphrase (id, salt, hash, n, r, p, set_ms) VALUES (1, @salt, @hash, @n, @r, @p, @set_ms) ON CONFLICT (id) DO UPDATE SET salt = @salt, hash = @hash, n = @n, r = @r, p = @p, set_ms = @set_ms',
  )
  const find = db.prepare('SELECT token_hash, device, made_ms, seen_ms FROM session WHERE token_hash = ?')
  const all = db.prepare('SELECT token_hash, device, made_ms, seen_ms FROM session ORDER BY seen_ms DESC')
  const add = db.prepare(
    'INSERT INTO session (token_hash, device, made_ms, seen_ms) VALUES (@token_hash, @device, @made_ms, @seen_ms)',
  )
  const seen = db.prepare('UPDATE session SET seen_ms = ? WHERE token_hash = ?')
  const drop = db.prepare('DELETE FROM session WHERE token_hash = ?')
  const dropAll = db.prepare('DELETE FROM session')
  const dropOld = db.prepare('DELETE FROM session WHERE seen_ms < ? OR made_ms < ?')
  const attempts = db.prepare('SELECT address, count, last_ms FROM sign_in_attempt ORDER BY last_ms')
  const putAttempt = db.prepare(
    'INSERT INTO sign_in_attempt (address, count, last_ms) VALUES (@address, @count, @last_ms) ON CONFLICT (address) DO UPDATE SET count = @count, last_ms = @last_ms',
  )
  const dropAttempt = db.prepare('DELETE FROM sign_in_attempt WHERE address = ?')
  const dropOldAttempts = db.prepare('DELETE FROM sign_in_attempt WHERE last_ms < ?')
  const program = db.prepare(
    'SELECT token_hash, name, scope, made_ms, seen_ms FROM program_token WHERE token_hash = ?',
  )
  const programs = db.prepare(
    'SELECT token_hash, name, scope, made_ms, seen_ms FROM program_token ORDER BY name',
  )
  const addProgram = db.prepare(
    'INSERT INTO program_token (token_hash, name, scope, made_ms, seen_ms) VALUES (@token_hash, @name, @scope, @made_ms, @seen_ms)',
  )
  const seenProgram = db.prepare('UPDATE program_token SET seen_ms = ? WHERE token_hash = ?')
  const dropProgram = db.prepare('DELETE FROM program_token WHERE token_hash = ?')
  return {
    program: (tokenHash: string) => program.get(tokenHash) as ProgramRow | undefined,
    /** By name. */
    programs: () => programs.all() as ProgramRow[],
    addProgram: (row: ProgramRow) => void addProgram.run(row),
    sawProgram: (tokenHash: string, atMs: number) => void seenProgram.run(atMs, tokenHash),
    dropProgram: (tokenHash: string) => dropProgram.run(tokenHash).changes > 0,
    /** Failed sign-ins, oldest first. */
    attempts: () => attempts.all() as AttemptRow[],
    putAttempt: (row: AttemptRow) => void putAttempt.run(row),
    dropAttempt: (address: string) => void dropAttempt.run(address),
    dropAttemptsBefore: (ms: number) => void dropOldAttempts.run(ms),
    passphrase: () => passphrase.get() as StoredPassphrase | undefined,
    /** Another passphrase sends every device away. */
    setPassphrase: (saved: StoredPassphrase) =>
      inOneWrite(db, () => {
        set.run(saved)
        dropAll.run()
      }),
    session: (tokenHash: string) => find.get(tokenHash) as SessionRow | undefined,
    sessions: () => all.all() as SessionRow[],
    addSession: (row: SessionRow) => void add.run(row),
    sawSession: (tokenHash: string, atMs: number) => void seen.run(atMs, tokenHash),
    dropSession: (tokenHash: string) => drop.run(tokenHash).changes > 0,
    dropStale: (seenBeforeMs: number, madeBeforeMs: number) => void dropOld.run(seenBeforeMs, madeBeforeMs),
  }
}
