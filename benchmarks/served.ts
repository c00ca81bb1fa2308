import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** As in production: `npm start`, without npm between. */
const START = (JSON.parse(readFileSync('package.json', 'utf8')) as { scripts: { start: string } }).scripts
  .start

export interface Served {
  address: string
  /** Resident memory of the server, MB. */
  memoryMb: () => number
}

/**
 * A built server, for as long as something is measured on it.
 * @param database the household it serves; the demo household unless given
 */
export async function served<T>(
  port: number,
  measure: (at: Served) => Promise<T>,
  database?: string,
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'omsel-bench-'))
  const env = {
    ...process.env,
    PORT: String(port),
    HOST: '127.0.0.1',
    NODE_ENV: 'production',
    OMSEL_DATABASE: database ?? join(folder, 'omsel.sqlite'),
    OMSEL_COPIES: '0',
  }
  const first = database ? '' : 'node build/node/demo.js >/dev/null && '
  const server = spawn('sh', ['-c', `${first}exec ${START}`], {
    env,
    stdio: 'ignore',
  })
  const address = `http://127.0.0.1:${port}`
  try {
    for (
      let tries = 0;
      tries < 800 &&
      !(await fetch(`${address}/healthz`).then(
        (r) => r.ok,
        () => false,
      ));
      tries++
    )
      await new Promise((r) => setTimeout(r, 50))
    const memoryMb = () =>
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid!}/status`, 'utf8'))![1]) / 1024
    return await measure({ address, memoryMb })
  } finally {
    const gone = new Promise((resolve) => server.once('exit', resolve))
    server.kill()
    await gone
    rmSync(folder, { recursive: true, force: true })
  }
}

/**
 * Two thousand kitchens, simulated again and again with another seed: the heaviest question there is.
 * @returns how often
 */
export async function simulateWhile(address: string, going: () => boolean): Promise<number> {
  let seed = 0
  for (; going(); seed++) {
    const answer = await fetch(`${address}/api/v1/simulate`, {
      method: 'POST',
      body: JSON.stringify({
        grains: [{ variety: 'brown-long' }],
        amount: { basis: 'dry-mass', value: 300 },
        runs: 2000,
        seed,
      }),
    })
    await answer.text()
  }
  return seed
}
