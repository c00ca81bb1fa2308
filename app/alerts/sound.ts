import type { Sound } from './preferences'

interface Note {
  /** Hz, s from the start, s long, 0..1. */
  hz: number
  at: number
  long: number
  loud: number
}

/** Sounds as notes, so that no file has to be fetched. They differ in rhythm as well as in pitch. */
const NOTES: Record<Exclude<Sound, 'none'>, readonly Note[]> = {
  knock: [
    { hz: 196, at: 0, long: 0.09, loud: 0.7 },
    { hz: 196, at: 0.2, long: 0.09, loud: 0.7 },
  ],
  bell: [
    { hz: 784, at: 0, long: 1.4, loud: 0.6 },
    { hz: 1568, at: 0, long: 0.9, loud: 0.25 },
    { hz: 784, at: 0.8, long: 1.4, loud: 0.6 },
  ],
  rise: [
    { hz: 440, at: 0, long: 0.25, loud: 0.7 },
    { hz: 554, at: 0.28, long: 0.25, loud: 0.7 },
    { hz: 659, at: 0.56, long: 0.5, loud: 0.8 },
  ],
}

let context: AudioContext | undefined

/** Whether a sound could be heard now. Browsers keep a page silent until it was touched. */
export const soundIsBlocked = (): boolean =>
  typeof AudioContext === 'undefined' || context?.state !== 'running'

/** Called on the first touch: from then on sounds are heard. @returns whether they are */
export async function wakeSound(): Promise<boolean> {
  if (typeof AudioContext === 'undefined') return false
  context ??= new AudioContext()
  if (context.state !== 'running') await context.resume().catch(() => undefined)
  return context.state === 'running'
}

/** How loud an alert is that was given so often before without an answer: each time louder, 0..1. */
export const loudnessOf = (before: number): number => Math.min(1, 0.4 + 0.2 * before)

/**
 * @param before how often it was given already without an answer
 * @returns whether it could be heard
 */
export function play(sound: Sound, before = 1): boolean {
  if (sound === 'none') return true
  if (soundIsBlocked()) return false
  const start = context!.currentTime + 0.02
  for (const { hz, at, long, loud } of NOTES[sound]) {
    const [tone, volume] = [context!.createOscillator(), context!.createGain()]
    tone.type = sound === 'bell' ? 'sine' : 'triangle'
    tone.frequency.value = hz
    volume.gain.setValueAtTime(0.0001, start + at)
    volume.gain.exponentialRampToValueAtTime(loud * loudnessOf(before), start + at + 0.01)
    volume.gain.exponentialRampToValueAtTime(0.0001, start + at + long)
    tone.connect(volume).connect(context!.destination)
    tone.start(start + at)
    tone.stop(start + at + long + 0.05)
  }
  return true
}
