import type { ShouldRevalidateFunctionArgs } from 'react-router'

/**
 * What a page knows of the house does not change with its own address: only another page, or something sent,
 * asks again.
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
