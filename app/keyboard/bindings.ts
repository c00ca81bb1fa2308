/** What a key can do, with the key it has at first, and where it does it. */
export const KEY_ACTS = {
  cue: { key: 'c', says: 'finish this step', where: 'at the stove' },
  lid: { key: 'l', says: 'lid lifted', where: 'at the stove' },
  more: { key: '+', says: 'a minute more', where: 'at the stove' },
  less: { key: '-', says: 'a minute less', where: 'at the stove' },
  wrong: { key: 'w', says: 'something’s wrong', where: 'at the stove' },
  back: { key: 'z', says: 'undo', where: 'on Stove and Plan' },
  find: { key: '/', says: 'find', where: 'everywhere' },
  pot: { key: 'n', says: 'new plan', where: 'everywhere' },
  all: { key: '?', says: 'all keys', where: 'everywhere' },
} as const satisfies Record<string, { key: string; says: string; where: string }>
export type KeyAct = keyof typeof KEY_ACTS
export const KEY_ACT_IDS = Object.keys(KEY_ACTS) as KeyAct[]

export interface Bindings {
  on: boolean
  keys: Record<KeyAct, string>
}
export const FIRST_BINDINGS: Bindings = {
  on: true,
  keys: Object.fromEntries(KEY_ACT_IDS.map((id) => [id, KEY_ACTS[id].key])) as Record<KeyAct, string>,
}

/** One sign that a keyboard types: no space, no control. */
const isKey = (text: unknown): text is string =>
  typeof text === 'string' && [...text].length === 1 && /^[^\s\p{C}]$/u.test(text)

/** Why a key cannot do this; undefined: it can. */
export function wrongKey({ keys }: Bindings, act: KeyAct, key: string): string | undefined {
  if (!isKey(key)) return `must be a single key, got "${key}"`
  const other = KEY_ACT_IDS.find((id) => id !== act && keys[id] === key)
  return other && `“${key}” is already used for “${KEY_ACTS[other].says}”.`
}

/**
 * Reads stored key bindings; a key that two actions would share goes back to its default.
 * @param text as stored
 */
export function bindingsIn(text: string | null): Bindings {
  let saved: { on?: unknown; keys?: Partial<Record<KeyAct, unknown>> } = {}
  try {
    const parsed: unknown = JSON.parse(text ?? '{}')
    if (typeof parsed === 'object' && parsed !== null) saved = parsed
  } catch {
    // Not our text: the defaults are used.
  }
  const own = typeof saved.keys === 'object' && saved.keys !== null ? saved.keys : {}
  const asked = KEY_ACT_IDS.map((id) => [id, isKey(own[id]) ? own[id] : FIRST_BINDINGS.keys[id]] as const)
  const twice = new Set(asked.map(([, key]) => key)).size < asked.length
  return {
    on: saved.on !== false,
    keys: twice ? FIRST_BINDINGS.keys : (Object.fromEntries(asked) as Record<KeyAct, string>),
  }
}
