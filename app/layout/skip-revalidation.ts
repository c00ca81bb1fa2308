import type { ShouldRevalidateFunctionArgs } from 'react-router'

/**
 * Loader data does not depend on the page's own query: only another page, or a form that was sent, asks
 * again.
 */
export function skipRevalidation({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  const only =
    formMethod === undefined &&
    currentUrl.pathname === nextUrl.pathname &&
    currentUrl.search !== nextUrl.search
  return only ? false : defaultShouldRevalidate
}
