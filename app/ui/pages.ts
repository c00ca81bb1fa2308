/** Where a long list is opened. */
export interface PageOfList {
  /** From 1. */
  page: number
  pages: number
  /** Index of the first item shown. */
  from: number
}

/**
 * The page of a list that an address asks for; what is no page, or beyond the last, is the nearest there is.
 * @param asked as it stands in the address; null for the first
 */
export function pageOf(asked: string | null, total: number, onAPage: number): PageOfList {
  const pages = Math.max(1, Math.ceil(total / onAPage))
  const wanted = Number(asked ?? 1)
  const page = Number.isInteger(wanted) && wanted >= 1 ? Math.min(wanted, pages) : 1
  return { page, pages, from: (page - 1) * onAPage }
}
