import { Button, NativeSelect, Switch } from '@mantine/core'
import { useEffect, useState } from 'react'
import type { SignalKind } from '#core/cook/signals'
import {
  askForNotices,
  canSpeak,
  canVibrate,
  notify,
  noticeState,
  speak,
  stayAwake,
  vibrate,
} from '../../alerts/outputs'
import {
  FIRST_SENSES,
  saveAlerts,
  parseSenses,
  SIGNAL_WORDS,
  SOUND_WORDS,
  SOUNDS,
  type Alerts as Chosen,
} from '../../alerts/preferences'
import { canListen } from '../../alerts/listen'
import { SPOKEN_ACTS, SPOKEN_EXAMPLES } from '../../alerts/spoken-words'
import { play, wakeSound } from '../../alerts/sound'
import type { Route } from './+types/alerts'
import classes from './settings.module.css'

const SAMPLE = 'When steam pushes out at the lid'
const AWAKE_WORDS = {
  lock: 'The screen stays on.',
  nothing: 'This browser cannot keep the screen on here. Set a longer time on the device.',
} as const
const NOTICE_WORDS = {
  can: 'Notifications are allowed.',
  ask: 'The browser will ask you once.',
  refused: 'Notifications are blocked. Allow them in the browser settings.',
  'not-here': 'Notifications need HTTPS or this computer. Sounds and the message on the page still work.',
} as const

export const meta: Route.MetaFunction = () => [{ title: 'Alerts on this device · Omsel' }]

/** Alerts on this device: each sense with what it can do here, and a key to try it. */
export default function Alerts() {
  const [chosen, setChosen] = useState<Chosen>(FIRST_SENSES)
  const [said, setSaid] = useState('')
  const [notices, setNotices] = useState<keyof typeof NOTICE_WORDS>('not-here')
  useEffect(() => {
    setChosen(parseSenses())
    setNotices(noticeState())
  }, [])
  const keep = (next: Partial<Chosen>) => {
    const all = { ...chosen, ...next }
    setChosen(all)
    saveAlerts(all)
  }
  const tryIt = (word: string, could: boolean, otherwise: string) => setSaid(could ? word : otherwise)
  return (
    <section aria-labelledby="alerts">
      <h1 className="figure" id="alerts">
        Alerts on this device
      </h1>
      <div className={`${classes.sheet} ${classes.senses} basin`}>
        <p className="quiet">
          On this device only. Alerts repeat until you touch the screen and appear in large text.
        </p>
        {(Object.keys(SIGNAL_WORDS) as SignalKind[]).map((kind) => (
          <div key={kind} className={classes.sense}>
            <NativeSelect
              label={SIGNAL_WORDS[kind]}
              value={chosen.sounds[kind]}
              data={SOUNDS.map((id) => ({ value: id, label: SOUND_WORDS[id] }))}
              onChange={(event) =>
                keep({
                  sounds: { ...chosen.sounds, [kind]: event.currentTarget.value as (typeof SOUNDS)[number] },
                })
              }
            />
            <Button
              variant="default"
              onClick={() =>
                void wakeSound().then((awake) =>
                  tryIt(
                    'You should have heard it.',
                    awake && play(chosen.sounds[kind]),
                    'This browser plays no sound here; the large sign stays.',
                  ),
                )
              }
            >
              Try “{SIGNAL_WORDS[kind].toLowerCase()}”
            </Button>
          </div>
        ))}
        <div className={`${classes.sense} ${classes.toggle}`}>
          <Switch
            label="Speak"
            checked={chosen.speak}
            onChange={(event) => keep({ speak: event.currentTarget.checked })}
          />
          <Button
            variant="default"
            onClick={() =>
              tryIt(
                'You should have heard it.',
                canSpeak() && speak(SAMPLE),
                'This browser has no voice; the sounds stay.',
              )
            }
          >
            Try the voice
          </Button>
        </div>
        <div className={`${classes.sense} ${classes.toggle}`}>
          <Switch
            label="Vibrate"
            checked={chosen.vibrate}
            onChange={(event) => keep({ vibrate: event.currentTarget.checked })}
          />
          <Button
            variant="default"
            onClick={() =>
              tryIt(
                'You should have felt it.',
                canVibrate() && vibrate(),
                'This device cannot vibrate; sounds still work.',
              )
            }
          >
            Try it
          </Button>
        </div>
        <Notices notices={notices} chosen={chosen} keep={keep} setNotices={setNotices} tryIt={tryIt} />
        <KeepAwake chosen={chosen} keep={keep} setSaid={setSaid} />
        <Listening chosen={chosen} keep={keep} />
        <p role="status">{said}</p>
      </div>
    </section>
  )
}

/** Notifications while the page is hidden. */
function Notices({
  notices,
  chosen,
  keep,
  setNotices,
  tryIt,
}: {
  notices: 'can' | 'ask' | 'refused' | 'not-here'
  chosen: Chosen
  keep: (next: Partial<Chosen>) => void
  setNotices: (next: 'can' | 'ask' | 'refused' | 'not-here') => void
  tryIt: (word: string, could: boolean, otherwise: string) => void
}) {
  return (
    <div className={`${classes.sense} ${classes.toggle}`}>
      <Switch
        label="Notifications when the page is hidden"
        description={NOTICE_WORDS[notices]}
        checked={chosen.notify && notices === 'can'}
        disabled={notices === 'not-here' || notices === 'refused'}
        onChange={(event) => {
          const wanted = event.currentTarget.checked
          if (!wanted) return keep({ notify: false })
          void askForNotices().then((may) => {
            setNotices(noticeState())
            keep({ notify: may })
          })
        }}
      />
      <Button
        variant="default"
        onClick={() =>
          void notify(SAMPLE).then((could) =>
            tryIt('You should see a notification.', could, NOTICE_WORDS[notices]),
          )
        }
      >
        Test a notification
      </Button>
    </div>
  )
}

const LISTENING_WORDS = {
  here: `Heard on this device only. Say ${SPOKEN_ACTS.map((act) => `“${SPOKEN_EXAMPLES[act]}”`).join(', ')}.`,
  'not-here': 'This browser does not recognise speech on the device itself; nothing is sent elsewhere.',
} as const

/** Spoken words at the stove, where the browser recognises them without any server. */
function Listening({ chosen, keep }: { chosen: Chosen; keep: (next: Partial<Chosen>) => void }) {
  const [can, setCan] = useState(false)
  useEffect(() => {
    void canListen().then(setCan)
  }, [])
  return (
    <Switch
      label="Take spoken words at the stove"
      description={LISTENING_WORDS[can ? 'here' : 'not-here']}
      checked={chosen.listen && can}
      disabled={!can}
      onChange={(event) => keep({ listen: event.currentTarget.checked })}
    />
  )
}

function KeepAwake({
  chosen,
  keep,
  setSaid,
}: {
  chosen: Chosen
  keep: (next: Partial<Chosen>) => void
  setSaid: (next: string) => void
}) {
  return (
    <div className={`${classes.sense} ${classes.toggle}`}>
      <Switch
        label="Keep the screen on while cooking"
        checked={chosen.awake}
        onChange={(event) => keep({ awake: event.currentTarget.checked })}
      />
      <Button
        variant="default"
        onClick={() =>
          void stayAwake().then(({ by, release }) => {
            setSaid(AWAKE_WORDS[by])
            release()
          })
        }
      >
        Test the screen
      </Button>
    </div>
  )
}
