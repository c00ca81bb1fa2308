import type { ContainerState } from './container-state'

/** A container, as the ledger counts it. */
export interface LedgerItem {
  title: string
  /** The batch it came from; null for what was cooked without a plan. */
  batch: string | null
  /** Whom it was set aside for; empty for anyone. */
  forWhom: string
  portionsAtFirst: number
  state: ContainerState
}

/** What is left of a batch for someone. */
export interface LedgerLine {
  title: string
  forWhom: string
  portions: number
  portionsAtFirst: number
  /** Not frozen, and until when the first of it is good, UTC ms. */
  cold: { portions: number; untilMs: number } | null
  frozen: number
}

/**
 * What is left of each batch, for whom and until when: soonest first, what is all frozen last; nothing past
 * its date.
 */
export function ledgerOf(items: readonly LedgerItem[]): LedgerLine[] {
  const lines = new Map<string, LedgerLine>()
  for (const { title, batch, forWhom, portionsAtFirst, state } of items) {
    const key = JSON.stringify([batch ?? '', title, forWhom])
    const line = lines.get(key) ?? {
      title,
      forWhom,
      portions: 0,
      portionsAtFirst: 0,
      cold: null,
      frozen: 0,
    }
    lines.set(key, line)
    line.portionsAtFirst += portionsAtFirst
    if (state.place === 'gone' || state.pastMs > 0) continue
    line.portions += state.portions
    if (state.useByMs === null) line.frozen += state.portions
    else
      line.cold = {
        portions: (line.cold?.portions ?? 0) + state.portions,
        untilMs: Math.min(line.cold?.untilMs ?? Infinity, state.useByMs),
      }
  }
  return [...lines.values()]
    .filter(({ portions }) => portions > 0)
    .sort((a, b) => (a.cold?.untilMs ?? Infinity) - (b.cold?.untilMs ?? Infinity))
}
