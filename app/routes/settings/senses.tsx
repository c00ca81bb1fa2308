import { Button, NativeSelect, Switch } from '@mantine/core'
import { useEffect, useState } from 'react'
import type { SignalKind } from '#core/cook/signals'
import { askForNotices, canSpeak, canVibrate, notify, noticeState, speak, stayAwake, vibrate } from '../../senses/others'
import { FIRST_SENSES, keepSenses, readSenses, SIGNAL_WORDS, SOUND_WORDS, SOUNDS, type Senses as Chosen } from '../../senses/preferences'
import { play, wakeSound } from '../../senses/sound'
import classes from './settings.module.css'

const SAMPLE = 'When steam pushes at the lid'
const AWAKE_WORDS = { lock: 'The screen stays lit, by the browser’s own lock.', video: 'The screen stays lit, by a small silent video; it begins at your first touch.', nothing: 'This browser keeps no screen lit: set the device’s own time longer.' } as const
const NOTICE_WORDS = {
  can: 'Notices are allowed here.', ask: 'The browser will ask you once.', refused: 'Notices were refused; the browser’s own settings allow them again.',
  'not-here': 'No notices at this address: they need https, or this very machine. The sound and the large sign on the page stay.',
} as const

/** How this device calls: each sense with what it can do here, and a key to try it. */
export function Senses() {
  const [chosen, setChosen] = useState<Chosen>(FIRST_SENSES)
  const [said, setSaid] = useState('')
  const [notices, setNotices] = useState<keyof typeof NOTICE_WORDS>('not-here')
  useEffect(() => {
    setChosen(readSenses())
    setNotices(noticeState())
  }, [])
  const keep = (next: Partial<Chosen>) => {
    const all = { ...chosen, ...next }
    setChosen(all)
    keepSenses(all)
  }
  const tryIt = (word: string, could: boolean, otherwise: string) => setSaid(could ? word : otherwise)
  return (
    <section id="senses" className={`${classes.sheet} ${classes.senses} basin`} aria-labelledby="senses-title">
      <h2 className="figure" id="senses-title">
        How this device calls
      </h2>
      <p className="quiet">Kept on this device only. At the stove it calls again until it is touched, and what should be noticed also stands large on the page.</p>
      {(Object.keys(SIGNAL_WORDS) as SignalKind[]).map((kind) => (
        <div key={kind} className={classes.sense}>
          <NativeSelect
            label={SIGNAL_WORDS[kind]} value={chosen.sounds[kind]} data={SOUNDS.map((id) => ({ value: id, label: SOUND_WORDS[id] }))}
            onChange={(event) => keep({ sounds: { ...chosen.sounds, [kind]: event.currentTarget.value as (typeof SOUNDS)[number] } })}
          />
          <Button variant="default" onClick={() => void wakeSound().then((awake) => tryIt('You should have heard it.', awake && play(chosen.sounds[kind]), 'This browser plays no sound here; the large sign stays.'))}>
            Try “{SIGNAL_WORDS[kind].toLowerCase()}”
          </Button>
        </div>
      ))}
      <div className={classes.sense}>
        <Switch label="Say it aloud" checked={chosen.speak} onChange={(event) => keep({ speak: event.currentTarget.checked })} />
        <Button variant="default" onClick={() => tryIt('You should have heard it.', canSpeak() && speak(SAMPLE), 'This browser has no voice; the sounds stay.')}>
          Try the voice
        </Button>
      </div>
      <div className={classes.sense}>
        <Switch label="Shake" checked={chosen.vibrate} onChange={(event) => keep({ vibrate: event.currentTarget.checked })} />
        <Button variant="default" onClick={() => tryIt('You should have felt it.', canVibrate() && vibrate(), 'This device does not shake; the sounds stay.')}>
          Try it
        </Button>
      </div>
      <div className={classes.sense}>
        <Switch
          label="Notices while the page is hidden" description={NOTICE_WORDS[notices]} checked={chosen.notify && notices === 'can'} disabled={notices === 'not-here' || notices === 'refused'}
          onChange={(event) => {
            const wanted = event.currentTarget.checked
            if (!wanted) return keep({ notify: false })
            void askForNotices().then((may) => {
              setNotices(noticeState())
              keep({ notify: may })
            })
          }}
        />
        <Button variant="default" onClick={() => tryIt('A notice should stand there.', notify(SAMPLE), NOTICE_WORDS[notices])}>
          Try a notice
        </Button>
      </div>
      <div className={classes.sense}>
        <Switch label="Keep the screen lit at the stove" checked={chosen.awake} onChange={(event) => keep({ awake: event.currentTarget.checked })} />
        <Button
          variant="default"
          onClick={() =>
            void stayAwake().then(({ by, release }) => {
              setSaid(AWAKE_WORDS[by])
              release()
            })
          }
        >
          Try the light
        </Button>
      </div>
      <p role="status">{said}</p>
    </section>
  )
}
