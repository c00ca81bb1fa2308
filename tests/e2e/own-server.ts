import { spawn, type ChildProcess } from 'node:child_process'

/** A server on a household of its own, beside the one of the other tests. */
export async function serve(
  port: number,
  database: string,
  clock: string,
  more: Record<string, string> = {},
): Promise<ChildProcess> {
  const server = spawn('node', ['server.js'], {
    env: {
      ...process.env,
      PORT: String(port),
      HOST: '127.0.0.1',
      OMSEL_DATABASE: database,
      OMSEL_CLOCK_FILE: clock,
      NODE_ENV: 'production',
      ...more,
    },
    stdio: 'ignore',
  })
  for (let tries = 0; tries < 600; tries++) {
    const up = await fetch(`http://127.0.0.1:${port}/healthz`).then(
      (r) => r.ok,
      () => false,
    )
    if (up) return server
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error('the server did not come up')
}

/** Ends it without warning. */
export async function kill(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null || server.signalCode !== null) return
  const gone = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGKILL')
  await gone
}
