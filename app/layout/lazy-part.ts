import { lazy, type ComponentType, type LazyExoticComponent } from 'react'

const Nothing = () => null

/**
 * A part of a page that is fetched when it is first wanted. Where it cannot be fetched any more, over a lost
 * connection or from an older version, the page goes on without it.
 */
export const lazyPart = <Props extends object>(
  fetchPart: () => Promise<{ default: ComponentType<Props> }>,
): LazyExoticComponent<ComponentType<Props>> =>
  lazy(() => fetchPart().catch(() => ({ default: Nothing as ComponentType<Props> })))
