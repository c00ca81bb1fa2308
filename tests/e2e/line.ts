import { connect, createServer, type Socket } from 'node:net'

/**
 * A line to a server that can be cut. The browser's own switch stops what a page sends, and not always what its
 * service worker sends, or a page that is just being opened: behind a cut line nothing arrives.
 */
export interface Line {
  address: string
  cut: () => void
  join: () => void
  end: () => Promise<void>
}

export async function lineTo(server: string, port: number): Promise<Line> {
  const { hostname, port: of } = new URL(server)
  const open = new Set<Socket>()
  let whole = true
  const line = createServer((near) => {
    if (!whole) return void near.destroy()
    const far = connect(Number(of), hostname)
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(one)
      one.pipe(other)
      one.on('error', () => one.destroy())
      one.on('close', () => {
        open.delete(one)
        other.destroy()
      })
    }
  })
  await new Promise<void>((resolve) => line.listen(port, '127.0.0.1', resolve))
  const closeAll = () => {
    for (const socket of open) socket.destroy()
  }
  return {
    address: `http://127.0.0.1:${port}`,
    cut: () => {
      whole = false
      closeAll()
    },
    join: () => void (whole = true),
    end: async () => {
      const closed = new Promise((resolve) => line.close(resolve))
      closeAll()
      await closed
    },
  }
}
