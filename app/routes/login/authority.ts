import { guardState } from '#server/http/auth/auth'

/** The household's certificate authority, for a phone to trust. It is public. */
export function loader() {
  const { network } = guardState()
  if (!network) throw new Response('Network access is off, so there is no certificate yet.', { status: 404 })
  return new Response(network.certificates.authority, {
    headers: {
      'Content-Type': 'application/x-x509-ca-cert',
      'Content-Disposition': 'attachment; filename="omsel-at-home.crt"',
      'Cache-Control': 'no-store',
    },
  })
}
