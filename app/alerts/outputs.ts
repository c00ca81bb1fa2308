/** Speech, touch, notices and a lit screen: each says whether it could, and nothing fails in silence. */

export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined'
export function speak(words: string): boolean {
  if (!canSpeak()) return false
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(words))
  return true
}

export const canVibrate = (): boolean => typeof navigator !== 'undefined' && 'vibrate' in navigator
/** Two short, one long: felt through a pocket. */
const PULSES = [180, 120, 180, 120, 500]
// Browsers refuse it, and complain, until the page has been touched.
export const vibrate = (): boolean =>
  canVibrate() && navigator.userActivation?.hasBeenActive !== false && navigator.vibrate(PULSES)

/** Notices need a secure address (https, or this very machine) and the reader's leave. */
export const noticeState = (): 'can' | 'ask' | 'refused' | 'not-here' =>
  typeof Notification === 'undefined' || !window.isSecureContext
    ? 'not-here'
    : Notification.permission === 'granted'
      ? 'can'
      : Notification.permission === 'denied'
        ? 'refused'
        : 'ask'
export const askForNotices = async (): Promise<boolean> =>
  noticeState() !== 'not-here' && (await Notification.requestPermission()) === 'granted'
export function notify(words: string): boolean {
  if (noticeState() !== 'can') return false
  try {
    new Notification('Omsel', { body: words, tag: 'omsel-stove' })
    return true
  } catch {
    // Some phones only let a service worker say it.
    return false
  }
}

export interface Awake {
  by: 'lock' | 'video' | 'nothing'
  release: () => void
}

/**
 * Keeps the screen lit: by the browser's own lock where the address is secure, else by a small silent video,
 * which needs a touch first.
 */
export async function stayAwake(): Promise<Awake> {
  if ('wakeLock' in navigator) {
    try {
      const lock = await navigator.wakeLock.request('screen')
      return { by: 'lock', release: () => void lock.release() }
    } catch {
      // A device on its last charge may refuse; the video may still do.
    }
  }
  try {
    const { default: NoSleep } = await import('nosleep.js')
    const video = new NoSleep()
    await video.enable()
    return { by: 'video', release: () => video.disable() }
  } catch {
    return { by: 'nothing', release: () => {} }
  }
}
