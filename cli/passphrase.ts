import { createInterface } from 'node:readline'
import { Writable } from 'node:stream'
import type { FieldError } from '#core/contract/fields'
import { setPassphrase } from '#server/http/auth/sign-in'
import { databaseFile, openKitchen } from '#server/store/open-household'

/**
 * Sets the household's passphrase, typed twice without being shown, or as one line on standard input.
 * @param fail ends the program with the words
 */
export async function passphrase(
  args: readonly string[],
  fail: (errors: FieldError[]) => never,
): Promise<void> {
  if (args.length > 0)
    return fail([
      {
        path: '',
        message: 'passphrase takes nothing on the line: it would stay in the shell’s history',
        code: 'invalid',
      },
    ])
  const typed = await asked()
  const kitchen = openKitchen(databaseFile())
  try {
    const set = await setPassphrase(kitchen, typed[0] ?? '', typed[1] ?? typed[0] ?? '', Date.now())
    if (!set.ok) return fail(set.errors)
    process.stdout.write('The passphrase is set; every device is asked for it.\n')
  } finally {
    kitchen.db.close()
  }
}

/** One line where nobody sits; two at a keyboard, unseen. */
async function asked(): Promise<string[]> {
  const seen = Boolean(process.stdin.isTTY)
  const nowhere = new Writable({ write: (_chunk, _encoding, done) => done() })
  const lines = createInterface({ input: process.stdin, output: nowhere, terminal: seen })
  const typed: string[] = []
  if (seen) process.stderr.write('A passphrase: ')
  for await (const line of lines) {
    typed.push(line)
    if (seen) process.stderr.write(typed.length === 1 ? '\nThe same again: ' : '\n')
    if (typed.length === (seen ? 2 : 1)) break
  }
  lines.close()
  return typed
}
