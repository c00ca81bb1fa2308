/**
 * What hears a step back or forward before the router does: a window calls its listeners in the order they were
 * added, whether they capture or not, so the first one is added before the page comes alive (app/entry.client.tsx).
 */
export const stepBack: {
  heard?: (event: PopStateEvent) => void
  /** The address of the entry that is left, as last seen: when the step is heard, the browser shows the other one's. */
  from?: string
} = {}

const STORED = 'pages-with-a-second-entry'

/** The router's numbers of the pages with a second entry in this tab's history; like that, they outlive a reload. */
export function storedDoubled(): string[] {
  try {
    return sessionStorage.getItem(STORED)?.split(' ') ?? []
  } catch {
    return [] // a browser that stores nothing
  }
}

export function storeDoubled(pages: Iterable<string>): void {
  const list = [...pages].join(' ')
  try {
    if (list) sessionStorage.setItem(STORED, list)
    else sessionStorage.removeItem(STORED)
  } catch {
    // Then a reload forgets it: one step back more is needed.
  }
}
