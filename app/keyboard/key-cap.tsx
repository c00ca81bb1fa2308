import type { KeyAct } from './bindings'
import { useBindings } from './use-keys'

/** The key that does it, shown on its control; nothing where keys are switched off. */
export function KeyCap({ act }: { act: KeyAct }) {
  const { on, keys } = useBindings()
  return on ? <kbd>{keys[act]}</kbd> : null
}
