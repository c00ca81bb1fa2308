/** Stands for this app while an address is resolved; no request goes there. */
const HERE = 'http://omsel.invalid'

/**
 * Where one goes on to after signing in: only an address of this app.
 * @param to as it stands in the address, resolved as a browser would, which drops tabs and line breaks, takes
 * backslashes for slashes and two slashes for a host
 * @returns path, query and fragment; "/" for anything else
 */
export function localAddress(to: string | null): string {
  if (to === null || !to.startsWith('/') || !URL.canParse(to, HERE)) return '/'
  const { origin, pathname, search, hash } = new URL(to, HERE)
  return origin !== HERE || pathname.startsWith('//') || pathname.startsWith('/login')
    ? '/'
    : `${pathname}${search}${hash}`
}
