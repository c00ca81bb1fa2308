import { Button, Group, NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Form } from 'react-router'
import { LEFTOVER_LIMITS } from '#core/contract/leftovers'
import { bottleName, proportionsIn } from '#core/finish/bottle'
import { bottleDoes } from '#core/finish/bottle-reach'
import { DRESSING_IDS, dressingFor, DRESSINGS } from '#core/finish/dressing'
import type { BottleRow } from '#server/store/leftovers'
import { useUnits } from '../../ui/units/units'
import { errorAt, type Refused } from '../../ui/forms/errors'
import type { HouseholdClock } from '../../ui/time/clock-hour'
import { momentWord } from './container-words'
import classes from './leftovers.module.css'
import { FormId } from '../../ui/forms/form-id'

interface BottlesProps {
  bottles: readonly BottleRow[]
  clock: HouseholdClock
  now: number
  refused: Refused | undefined
}

/** Dressing in stock: what is left, for how much dry grain it still does, and what steeps in it. */
export function Bottles({ bottles, clock, now, refused }: BottlesProps) {
  const { mass, label, shown, unit } = useUnits()
  return (
    <section aria-label="Dressing in stock">
      <h2 className="place-part">Dressing in stock</h2>
      <ul className={classes.containers}>
        {bottles.map((bottle) => {
          const proportions = proportionsIn(bottle)
          const name = bottleName(bottle)
          const take = Math.round(dressingFor(300, proportions).liquidG)
          const taken =
            refused?.typed.intent === 'take-from-bottle' && refused.typed.id === bottle.id
              ? refused
              : undefined
          const steeping = bottle.ready_ms !== null && bottle.ready_ms > now
          return (
            <li key={bottle.id}>
              <b>{name}</b>
              <span className="quiet small">
                {mass(Math.round(bottle.left_g))} left, enough for{' '}
                {mass(Math.round(bottleDoes(bottle.left_g, proportions)))} of dry grain; made{' '}
                {momentWord(bottle.made_ms, now, clock)}
                {bottle.steeps !== '' && !steeping && `, with ${bottle.steeps}`}
              </span>
              {steeping ? (
                <span>
                  {bottle.steeps === '' ? 'Steeps' : `${bottle.steeps} steeps in it`} until{' '}
                  {momentWord(bottle.ready_ms!, now, clock)}; then strain it
                </span>
              ) : (
                <Form method="post" className={classes.take}>
                  <FormId />
                  <input type="hidden" name="id" value={bottle.id} />
                  <TextInput
                    size="xs"
                    aria-label={label(`Take from ${name}, g`)}
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
              )}
            </li>
          )
        })}
      </ul>
      <AddBottle refused={refused?.typed.intent === 'make-bottle' ? refused : undefined} />
    </section>
  )
}

const OWN = 'own'
const OWN_FIELDS = [
  { name: 'vinegar', label: 'Vinegar', example: '200 ml' },
  { name: 'sugar', label: 'Sugar', example: '5 tbsp' },
  { name: 'salt', label: 'Salt', example: '2 tsp' },
] as const

/** A bottle made ahead: by a style and how much, or by what went into it. */
function AddBottle({ refused }: { refused: Refused | undefined }) {
  const { say, label } = useUnits()
  const typed = refused?.typed
  const [recipe, setRecipe] = useState(typed?.vinegar ? OWN : (typed?.style ?? 'usual'))
  const field = (name: string) => ({
    name,
    defaultValue: typed?.[name] ?? '',
    error: errorAt(refused, name),
  })
  return (
    <Form method="post" noValidate className={classes.tellContainer}>
      <FormId />
      <input type="hidden" name="style" value={recipe === OWN ? 'usual' : recipe} />
      <Group align="flex-start" gap="sm">
        <NativeSelect
          label="Recipe"
          value={recipe}
          onChange={(event) => setRecipe(event.currentTarget.value)}
          data={[
            ...DRESSING_IDS.map((id) => ({
              value: id as string,
              label: say(
                `${DRESSINGS[id].name}: ${DRESSINGS[id].vinegar} vinegar, ${DRESSINGS[id].sugar} sugar, ${DRESSINGS[id].saltLast ? 'no' : DRESSINGS[id].salt} salt`,
              ),
            })),
            { value: OWN, label: 'my own amounts' },
          ]}
        />
        {recipe === OWN ? (
          <>
            {OWN_FIELDS.map(({ name, label: says, example }) => (
              <TextInput key={name} label={says} placeholder={example} w={100} {...field(name)} />
            ))}
            <TextInput
              label={label('For dry grain, g')}
              placeholder="as its vinegar does"
              inputMode="decimal"
              w={150}
              {...field('for_dry_g')}
            />
          </>
        ) : (
          <TextInput
            label={label('Amount made, g')}
            description={say(`${LEFTOVER_LIMITS.bottle_g[0]} to ${LEFTOVER_LIMITS.bottle_g[1]} g`)}
            inputWrapperOrder={['label', 'input', 'description', 'error']}
            inputMode="decimal"
            w={150}
            {...field('made_g')}
          />
        )}
        <TextInput label="Name" placeholder="none" w={140} {...field('name')} />
        <TextInput label="What steeps in it" placeholder="nothing" w={150} {...field('steeps')} />
        <TextInput
          label="Days to steep"
          placeholder="0"
          inputMode="decimal"
          w={110}
          {...field('steep_days')}
        />
        <Button type="submit" variant="default" name="intent" value="make-bottle" mt={24}>
          Add bottle
        </Button>
      </Group>
    </Form>
  )
}
