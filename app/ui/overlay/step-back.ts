/**
 * What hears a step back or forward before the router does: a window calls its listeners in the order they were
 * added, whether they capture or not, so the first one is added before the page comes alive (app/entry.client.tsx).
 */
export const stepBack: {
  heard?: (event: PopStateEvent) => void
  /** The address of the entry that is left, as last seen: when the step is heard, the browser shows the other one's. */
  from?: string
} = {}
