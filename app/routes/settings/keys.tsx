import { Button, Switch, TextInput } from '@mantine/core'
import { useState } from 'react'
import { FIRST_BINDINGS, KEY_ACT_IDS, KEY_ACTS, wrongKey, type KeyAct } from '../../keyboard/bindings'
import { saveBindings, useBindings } from '../../keyboard/use-keys'
import type { Route } from './+types/keys'
import classes from './settings.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Keyboard shortcuts · Omsel' }]

/** Keys of this device: other ones, or none. */
export default function KeysPage() {
  const bindings = useBindings()
  const [refused, setRefused] = useState<{ act: KeyAct; typed: string; says: string }>()
  const change = (act: KeyAct, typed: string) => {
    const says = wrongKey(bindings, act, typed)
    if (says !== undefined) return setRefused({ act, typed, says })
    setRefused(undefined)
    saveBindings({ ...bindings, keys: { ...bindings.keys, [act]: typed } })
  }
  return (
    <section aria-labelledby="keys">
      <h1 className="figure" id="keys">
        Keyboard shortcuts
      </h1>
      <div className={`${classes.sheet} ${classes.senses} basin`}>
        <p className="quiet">On this device only. Shortcuts are off while you type.</p>
        <Switch
          label="Use shortcuts"
          checked={bindings.on}
          onChange={(event) => saveBindings({ ...bindings, on: event.currentTarget.checked })}
        />
        <div className={classes.keyRows}>
          {KEY_ACT_IDS.map((act) => (
            <TextInput
              key={act}
              label={KEY_ACTS[act].says}
              description={KEY_ACTS[act].where}
              disabled={!bindings.on}
              autoComplete="off"
              inputWrapperOrder={['label', 'input', 'description', 'error']}
              value={refused?.act === act ? refused.typed : bindings.keys[act]}
              error={refused?.act === act ? refused.says : undefined}
              // A newly typed key replaces the old one.
              onChange={(event) =>
                change(
                  act,
                  event.currentTarget.value.replace(bindings.keys[act], '') || event.currentTarget.value,
                )
              }
              onFocus={(event) => event.currentTarget.select()}
            />
          ))}
        </div>
        <Button
          variant="default"
          onClick={() => {
            setRefused(undefined)
            saveBindings(FIRST_BINDINGS)
          }}
        >
          Restore defaults
        </Button>
      </div>
    </section>
  )
}
