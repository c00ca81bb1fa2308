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
const TAG = 'omsel-stove'

/**
 * Says it outside the page; with a button for the main key where a service worker is there to hear it, which
 * watches show too.
 * @param key the word on the stove's main key
 */
export async function notify(words: string, key?: string): Promise<boolean> {
  if (noticeState() !== 'can') return false
  const worker = await navigator.serviceWorker?.getRegistration().catch(() => undefined)
  const actions = key === undefined ? [] : [{ action: 'press', title: key }]
  try {
    // The DOM's types have no actions yet.
    const options = { body: words, tag: TAG, renotify: true, actions, data: { path: location.pathname } }
    if (worker?.active) await worker.showNotification('Omsel', options as NotificationOptions)
    else new Notification('Omsel', { body: words, tag: TAG })
    return true
  } catch {
    return false
  }
}

/** Takes back what was answered: its button must not press another step's key. */
export async function withdrawNotices(): Promise<void> {
  const worker = await navigator.serviceWorker?.getRegistration().catch(() => undefined)
  for (const shown of (await worker?.getNotifications({ tag: TAG })) ?? []) shown.close()
}

export interface Awake {
  by: 'lock' | 'nothing'
  release: () => void
}

/** Keeps the screen lit by the browser's own lock, which it has where the address is secure. */
export async function stayAwake(): Promise<Awake> {
  if ('wakeLock' in navigator) {
    try {
      const lock = await navigator.wakeLock.request('screen')
      return { by: 'lock', release: () => void lock.release() }
    } catch {
      // A device on its last charge may refuse.
    }
  }
  return { by: 'nothing', release: () => {} }
}
