import type { SignalKind } from '#core/cook/signals'

/**
 * How this device alerts. Each device has its own settings: a phone in a pocket and a laptop on the table
 * differ.
 */
export const SOUNDS = ['knock', 'bell', 'rise', 'none'] as const
export type Sound = (typeof SOUNDS)[number]
export const SOUND_WORDS: Record<Sound, string> = {
  knock: 'double knock',
  bell: 'a bell',
  rise: 'three rising notes',
  none: 'silent',
}
export const SIGNAL_WORDS: Record<SignalKind, string> = {
  due: 'A step may be done',
  ended: 'Timer finished',
  attention: 'Needs attention',
}

export interface Alerts {
  sounds: Record<SignalKind, Sound>
  speak: boolean
  vibrate: boolean
  notify: boolean
  awake: boolean
  /** Takes spoken words at the stove. */
  listen: boolean
}
export const FIRST_SENSES: Alerts = {
  sounds: { due: 'knock', ended: 'bell', attention: 'rise' },
  speak: false,
  vibrate: true,
  notify: false,
  awake: true,
  listen: false,
}

const KEY = 'omsel.senses'
const isSound = (value: unknown): value is Sound => SOUNDS.includes(value as Sound)

/** Reads stored preferences; invalid ones get the defaults. @param text as stored on the device */
export function sensesIn(text: string | null): Alerts {
  let saved: Partial<Alerts> & { sounds?: Partial<Record<SignalKind, unknown>> } = {}
  try {
    const parsed: unknown = JSON.parse(text ?? '{}')
    if (typeof parsed === 'object' && parsed !== null) saved = parsed
  } catch {
    // Not our text: the defaults are used.
  }
  const flag = (key: 'speak' | 'vibrate' | 'notify' | 'awake' | 'listen') =>
    typeof saved[key] === 'boolean' ? saved[key] : FIRST_SENSES[key]
  const sound = (kind: SignalKind) =>
    isSound(saved.sounds?.[kind]) ? saved.sounds[kind] : FIRST_SENSES.sounds[kind]
  return {
    sounds: { due: sound('due'), ended: sound('ended'), attention: sound('attention') },
    speak: flag('speak'),
    vibrate: flag('vibrate'),
    notify: flag('notify'),
    awake: flag('awake'),
    listen: flag('listen'),
  }
}

const read = (): string | null => {
  try {
    return localStorage.getItem(KEY)
  } catch {
    return null
  }
}
export const parseSenses = (): Alerts => sensesIn(read())
export function saveAlerts(alerts: Alerts): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(alerts))
  } catch {
    // A device without storage has the defaults next time.
  }
}
