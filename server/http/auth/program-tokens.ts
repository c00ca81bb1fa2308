import { createHash, randomBytes } from 'node:crypto'
import type { Request } from 'express'
import * as v from 'valibot'
import { fieldErrors, oneOf } from '#core/contract/fields'
import { fieldError } from '#core/contract/field-error'
import { QUESTIONS } from '#core/contract/questions'
import type { Result } from '#core/contract/plan-request'
import { nameText } from '#core/contract/texts'
import type { accessIn } from '#server/store/access'

type Access = ReturnType<typeof accessIn>

/** What a program may do: read and ask, or also press at the stove. */
export const PROGRAM_SCOPES = ['read', 'write'] as const
export type ProgramScope = (typeof PROGRAM_SCOPES)[number]
export const PROGRAM_LIMITS = { name: 60, programs: 20 } as const

/** So that a token is known for what it is where it is found. */
const PREFIX = 'omsel_'
const TOKEN_BYTES = 32
const LONGEST = 200
/** Its last use is written down no oftener than this. */
const SEEN_EVERY_MS = 10 * 60_000

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

const ProgramSchema = v.object({ name: nameText(PROGRAM_LIMITS.name), scope: oneOf(PROGRAM_SCOPES) })

/** Makes a token for a program.  @returns the token, which is shown once; only its hash is stored */
export function createProgramToken(access: Access, input: unknown, nowMs: number): Result<string> {
  const read = v.safeParse(ProgramSchema, input)
  if (!read.success) return { ok: false, errors: fieldErrors(read.issues) }
  const { name, scope } = read.output
  const there = access.programs()
  if (there.length >= PROGRAM_LIMITS.programs)
    return fieldError(
      'name',
      `is one too many: ${PROGRAM_LIMITS.programs} at most. Revoke one first`,
      'too-many',
    )
  if (there.some((one) => one.name === name))
    return fieldError('name', `is taken: “${name}” has a token already`, 'duplicate')
  const token = PREFIX + randomBytes(TOKEN_BYTES).toString('base64url')
  access.addProgram({
    token_hash: hashOf(token),
    name,
    scope,
    made_ms: Math.round(nowMs),
    seen_ms: null,
  })
  return { ok: true, value: token }
}

/** What the sender of a request may do as a program; undefined where it shows no token that is known here. */
export function programScope(
  access: Access,
  authorization: string | undefined,
  nowMs: number,
): ProgramScope | undefined {
  const token = /^Bearer +(\S+)$/i.exec(authorization ?? '')?.[1]
  if (token === undefined || token.length > LONGEST) return undefined
  const found = access.program(hashOf(token))
  if (!found) return undefined
  if ((found.seen_ms ?? 0) < nowMs - SEEN_EVERY_MS) access.sawProgram(found.token_hash, Math.round(nowMs))
  return found.scope
}

const API = '/api/v1/'

/** Whether a request is one for programs. */
export const isForPrograms = ({ path }: Pick<Request, 'path'>): boolean => path.startsWith(API)

/** Whether a program may send this: questions store nothing, so that reading allows them. */
export const mayProgram = (
  scope: ProgramScope,
  { method, path }: Pick<Request, 'method' | 'path'>,
): boolean =>
  scope === 'write' || method === 'GET' || method === 'HEAD' || QUESTIONS.has(path.slice(API.length))
