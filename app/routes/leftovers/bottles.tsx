import { Button, Group, NativeSelect, TextInput } from '@mantine/core'
import { Form } from 'react-router'
import { LEFTOVER_LIMITS } from '#core/contract/leftovers'
import { bottleDoes, DRESSING_IDS, dressingFor, type DRESSINGS } from '#core/finish/dressing'
import type { BottleRow } from '#server/store/leftovers'
import { useUnits } from '../../ui/units/units'
import { errorAt, type Refused } from '../../ui/forms/errors'
import type { HouseholdClock } from '../../ui/time/clock-hour'
import { momentWord } from './container-words'
import classes from './leftovers.module.css'

interface BottlesProps {
  bottles: readonly BottleRow[]
  styles: typeof DRESSINGS
  clock: HouseholdClock
  now: number
  refused: Refused | undefined
}

/** Dressing in stock: what is left, and for how much dry grain it still does. */
export function Bottles({ bottles, styles, clock, now, refused }: BottlesProps) {
  const { say, mass, label, shown, unit } = useUnits()
  const mine = refused?.typed.intent === 'make-bottle' ? refused : undefined
  return (
    <section aria-label="Dressing in stock">
      <h2 className="place-part">Dressing in stock</h2>
      <ul className={classes.containers}>
        {bottles.map((bottle) => {
          const style = styles[bottle.style]
          const take = Math.round(dressingFor(300, style).liquidG)
          const taken =
            refused?.typed.intent === 'take-from-bottle' && refused.typed.id === bottle.id
              ? refused
              : undefined
          return (
            <li key={bottle.id}>
              <b>{style.name}</b>
              <span className="quiet small">
                {mass(Math.round(bottle.left_g))} left, enough for{' '}
                {mass(Math.round(bottleDoes(bottle.left_g, style)))} of dry grain; made{' '}
                {momentWord(bottle.made_ms, now, clock)}
              </span>
              <Form method="post" className={classes.take}>
                <input type="hidden" name="id" value={bottle.id} />
                <TextInput
                  size="xs"
                  aria-label={label(`Take from ${style.name}, g`)}
                  name="grams"
                  inputMode="decimal"
                  defaultValue={
                    taken?.typed.grams ?? String(shown('mass', Math.min(take, Math.round(bottle.left_g))))
                  }
                  error={errorAt(taken, 'grams')}
                  w={80}
                />
                <Button type="submit" size="xs" variant="default" name="intent" value="take-from-bottle">
                  Use {unit('mass')}
                </Button>
              </Form>
            </li>
          )
        })}
      </ul>
      <Form method="post" noValidate className={classes.tellContainer}>
        <Group align="flex-start" gap="sm">
          <NativeSelect
            label="Recipe"
            name="style"
            defaultValue={mine?.typed.style ?? 'usual'}
            data={DRESSING_IDS.map((id) => ({
              value: id,
              label: say(
                `${styles[id].name}: ${styles[id].vinegar} vinegar, ${styles[id].sugar} sugar, ${styles[id].saltLast ? 'no' : styles[id].salt} salt`,
              ),
            }))}
          />
          <TextInput
            label={label('Amount made, g')}
            name="made_g"
            description={say(`${LEFTOVER_LIMITS.bottle_g[0]} to ${LEFTOVER_LIMITS.bottle_g[1]} g`)}
            inputMode="decimal"
            defaultValue={mine?.typed.made_g ?? ''}
            error={errorAt(mine, 'made_g')}
            w={170}
          />
          <Button type="submit" variant="default" name="intent" value="make-bottle" mt={44}>
            Add bottle
          </Button>
        </Group>
      </Form>
    </section>
  )
}
