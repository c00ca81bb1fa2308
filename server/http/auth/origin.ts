import { guardState } from './auth'

/** The origin of an address another device can reach: the network's, where this computer is on it. */
export function originFor(requestUrl: string): string {
  const { network } = guardState()
  const address =
    network?.addresses.find((a) => !a.includes(':') && !a.startsWith('127.')) ?? network?.addresses[0]
  if (!network || address === undefined) return new URL(requestUrl).origin
  return `https://${address.includes(':') ? `[${address}]` : address}:${network.port}`
}
