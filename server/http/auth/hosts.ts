import { hostname, networkInterfaces } from 'node:os'
import { BlockList, isIP } from 'node:net'

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]', '::1'])
/** Ranges of networks at home, RFC 1918. */
const PRIVATE_ADDRESSES = new BlockList()
PRIVATE_ADDRESSES.addSubnet('10.0.0.0', 8)
PRIVATE_ADDRESSES.addSubnet('172.16.0.0', 12)
PRIVATE_ADDRESSES.addSubnet('192.168.0.0', 16)

/** No address has a higher port; a request that names one cannot be answered. */
const MAX_PORT = 65_535

export const isLoopback = (host: string): boolean => LOOPBACK.has(host)

/** Host names of this machine on the network, besides its addresses. */
export function namesHere(given = process.env.OMSEL_NAMES): string[] {
  const own = hostname().toLowerCase()
  return [
    ...new Set([
      own,
      `${own.split('.')[0]!}.local`,
      ...(given ?? '')
        .split(',')
        .map((name) => name.trim().toLowerCase())
        .filter(Boolean),
    ]),
  ]
}

/** Addresses of this machine that others can reach; those of a home's own ranges first. */
export function addressesHere(): string[] {
  const all = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((one) => !one.internal && one.family === 'IPv4')
    .map((one) => one.address)
  const private4 = (address: string) => Number(PRIVATE_ADDRESSES.check(address))
  return [...new Set(all)].sort((a, b) => private4(b) - private4(a))
}

/**
 * Whether a request's Host may be answered: another site can make its own name point here, but it cannot make
 * that name ours.
 * @param network on the network, addresses are answered as well
 */
export function isOurs(host: string | undefined, network: boolean, names: readonly string[]): boolean {
  if (host === undefined) return false
  const port = /:(\d+)$/.exec(host)?.[1]
  if (port !== undefined && Number(port) > MAX_PORT) return false
  const name = host.toLowerCase().replace(/:\d+$/, '')
  if (isLoopback(name) || names.includes(name)) return true
  return network && isIP(name.replace(/^\[|\]$/g, '')) > 0
}
