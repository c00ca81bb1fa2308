import { useEffect, useMemo, useRef, useState } from 'react'
import type { Signal } from '#core/cook/signals'
import { notify, speak, stayAwake, vibrate, withdrawNotices, type Awake } from './outputs'
import { FIRST_SENSES, parseSenses } from './preferences'
import { play, soundIsBlocked, wakeSound } from './sound'

export interface Noticing {
  /** Alerts that were not answered yet, the gravest first. */
  active: Signal[]
  seen: () => void
  /** A sound is wanted and the browser keeps the page silent. */
  silent: boolean
  /** The screen should stay lit and this browser cannot keep it so. */
  goesDark: boolean
}

/** Repeated this often until it is answered, ms. */
const AGAIN_MS = 9000
const GRAVEST: Record<Signal['kind'], number> = { attention: 0, ended: 1, due: 2 }

/**
 * Alerts by sound, voice, vibration and notification, and repeats until it is answered. What the device
 * cannot do is done by the eye: the caller shows `active` large.
 * @param key the word on the main key, for a notification's button
 */
export function useAlerts(signals: readonly Signal[], key?: string): Noticing {
  const [touched, setTouched] = useState<ReadonlySet<string>>(new Set())
  const [silent, setSilent] = useState(false)
  const [goesDark, setGoesDark] = useState(false)
  const senses = useRef(FIRST_SENSES)
  const ids = signals.map(({ id }) => id).join('|')
  // The list is rebuilt with every tick; only other ids make it another list.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const stable = useMemo(() => [...signals], [ids])
  const active = useMemo(
    () => stable.filter(({ id }) => !touched.has(id)).sort((a, b) => GRAVEST[a.kind] - GRAVEST[b.kind]),
    [stable, touched],
  )
  const seen = useRef(() => {})
  useEffect(() => {
    seen.current = () =>
      setTouched((before) =>
        active.length === 0 ? before : new Set([...before, ...active.map(({ id }) => id)]),
      )
  })

  useEffect(() => {
    senses.current = parseSenses()
    setSilent(soundIsBlocked())
    let held: Awake | undefined
    let asked = false
    let touched = false
    const stayLit = async () => {
      if (!senses.current.awake || held || asked) return
      asked = true
      const got = await stayAwake()
      asked = false
      // The video needs a touch first: only what fails after one is out of reach.
      setGoesDark(got.by === 'nothing' && touched)
      if (got.by !== 'nothing') held = got
    }
    void stayLit()
    const touch = () => {
      touched = true
      seen.current()
      void wakeSound().then((audible) => setSilent(!audible))
      void stayLit()
    }
    const back = () => {
      // A lock is lost while the page is hidden.
      if (document.visibilityState !== 'visible') return
      held?.release()
      held = undefined
      void stayLit()
    }
    window.addEventListener('pointerdown', touch)
    window.addEventListener('keydown', touch)
    document.addEventListener('visibilitychange', back)
    return () => {
      window.removeEventListener('pointerdown', touch)
      window.removeEventListener('keydown', touch)
      document.removeEventListener('visibilitychange', back)
      held?.release()
    }
  }, [])

  const keyWord = useRef(key)
  useEffect(() => {
    keyWord.current = key
  })
  const first = active[0]
  useEffect(() => {
    if (!first) return
    let before = 0
    const tell = () => {
      const { sounds, speak: speaks, vibrate: shakes, notify: notifies } = senses.current
      const audible = play(sounds[first.kind], before)
      before += 1
      setSilent(!audible)
      if (speaks) speak(first.says)
      if (shakes) vibrate()
      if (notifies && document.visibilityState === 'hidden') void notify(first.says, keyWord.current)
    }
    tell()
    const timer = setInterval(tell, AGAIN_MS)
    return () => {
      clearInterval(timer)
      void withdrawNotices()
    }
  }, [first])
  return { active, seen: () => seen.current(), silent, goesDark }
}
