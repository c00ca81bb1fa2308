import { connect, createServer, type Socket } from 'node:net'

/**
 * Passes a connection on to a server until it is cut. The browser's own offline switch stops what a page sends, but
 * not always what its service worker sends, or a page that is just being opened; past a cut relay nothing arrives.
 */
export interface Relay {
  address: string
  cut: () => void
  restore: () => void
  end: () => Promise<void>
}

export async function relayTo(server: string, port: number): Promise<Relay> {
  const { hostname, port: of } = new URL(server)
  const open = new Set<Socket>()
  let connected = true
  const relay = createServer((client) => {
    if (!connected) return void client.destroy()
    const upstream = connect(Number(of), hostname)
    for (const [one, other] of [
      [client, upstream],
      [upstream, client],
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
  await new Promise<void>((resolve) => relay.listen(port, '127.0.0.1', resolve))
  const closeAll = () => {
    for (const socket of open) socket.destroy()
  }
  return {
    address: `http://127.0.0.1:${port}`,
    cut: () => {
      connected = false
      closeAll()
    },
    restore: () => void (connected = true),
    end: async () => {
      const closed = new Promise((resolve) => relay.close(resolve))
      closeAll()
      await closed
    },
  }
}
