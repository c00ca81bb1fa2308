import { Button, NativeSelect, SegmentedControl, TextInput } from '@mantine/core'
import { data, Form, redirect, useNavigation } from 'react-router'
import { useState } from 'react'
import { altitudeIn, temperatureIn, type KitchenUnits, type UnitSystem } from '#core/units/system'
import { fieldInBase } from '#core/units/typed-field'
import { localLabel, localText } from '#core/units/local-text'
import { SETTINGS_LIMITS } from '#core/contract/settings'
import { LIMITS } from '#core/contract/plan-request'
import { boilingPointAt } from '#core/heat/boiling-point'
import { HEAT_PRESETS } from '#core/heat/sources'
import { metres } from '#core/units/units'
import { VESSEL_PRESET_IDS, VESSEL_PRESETS } from '#core/vessel/presets'
import { kitchen } from '#server/kitchen'
import { BURNER_PRESETS } from '#server/commands/usual-equipment'
import { welcome } from '#server/commands/welcome'
import { inBaseUnits, inKitchenUnits } from '../../ui/units/unit-form'
import { errorAt, type Refused, unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/welcome'
import classes from './welcome.module.css'
import { GRAINS_BY_FAMILY } from '../../ui/forms/grains-by-family'
import { FormId } from '../../ui/forms/form-id'

export const meta: Route.MetaFunction = () => [{ title: 'Welcome · Omsel' }]

export function loader() {
  if (kitchen().household.welcomed()) throw redirect('/')
  return { heats: BURNER_PRESETS.map((id) => ({ value: id, label: HEAT_PRESETS[id].name })) }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  const typed = Object.fromEntries([...form].map(([key, value]) => [key, String(value)]))
  if (typed.intent === 'later') {
    kitchen().household.welcome()
    return redirect('/')
  }
  if (typed.intent !== 'begin')
    return data(
      {
        errors: [unknownIntent(typed.intent)],
        typed,
      } satisfies Refused,
      { status: 400 },
    )
  const units = unitsChosen(typed)
  const read = welcome(kitchen(), inBaseUnits(typed, units))
  return read.ok
    ? redirect(read.value)
    : data({ errors: inKitchenUnits(read.errors, typed, units), typed } satisfies Refused, { status: 422 })
}

/** What was chosen so far of the units; a kitchen of US units goes by the US cup. */
const unitsChosen = (typed: Record<string, string> | undefined): KitchenUnits => ({
  units: 'grams',
  cup: 'metric',
  system: typed?.system === 'us' ? 'us' : 'metric',
})

/** The first answers, what is to be cooked tonight before what the kitchen is; then a pot is planned. */
export default function Welcome({ loaderData, actionData }: Route.ComponentProps) {
  const refused = actionData
  const [height, setHeight] = useState(refused?.typed.elevation_m ?? '0')
  const busy = useNavigation().state !== 'idle'
  const [system, setSystem] = useState(unitsChosen(refused?.typed).system)
  const metresUp = Number(fieldInBase('altitude', height, system).replace(',', '.'))
  const [low, high] = SETTINGS_LIMITS.elevation_m
  const boils =
    height.trim() !== '' && metresUp >= low && metresUp <= high
      ? temperatureIn(boilingPointAt(metres(metresUp)), system, 1)
      : undefined
  return (
    <main className={classes.welcome}>
      <h1 className="figure">Set up your kitchen</h1>
      <p className={classes.lead}>
        A few answers, then your first plan: how much water, how many minutes, step by step. You can change
        everything later.
      </p>
      <Form method="post" noValidate className={`${classes.sheet} basin`}>
        <FormId />
        <NativeSelect
          name="grain"
          label="What do you want to cook?"
          defaultValue={refused?.typed.grain ?? 'long-white'}
          error={errorAt(refused, 'grain')}
          data={GRAINS_BY_FAMILY}
        />
        <TextInput
          name="eaters"
          label="How many people?"
          inputMode="decimal"
          defaultValue={refused?.typed.eaters ?? '4'}
          error={errorAt(refused, 'eaters')}
          description={`a child counts as ½; up to ${LIMITS.amount.servings[1]}`}
          inputWrapperOrder={['label', 'input', 'error', 'description']}
        />
        <NativeSelect
          name="pot"
          label="Which pot is closest to yours?"
          defaultValue={refused?.typed.pot ?? 'heavy-2.5'}
          error={errorAt(refused, 'pot')}
          data={VESSEL_PRESET_IDS.map((id) => ({
            value: id,
            label: localText(VESSEL_PRESETS[id].name, { units: 'grams', cup: 'metric', system }),
          }))}
        />
        <NativeSelect
          name="heat"
          label="What do you cook on?"
          defaultValue={refused?.typed.heat ?? 'gas-medium'}
          error={errorAt(refused, 'heat')}
          data={loaderData.heats}
          description="Not needed for a rice cooker or pressure cooker"
          inputWrapperOrder={['label', 'input', 'error', 'description']}
        />
        <div>
          <span className={classes.label} id="system">
            Which units do you use?
          </span>
          <SegmentedControl
            fullWidth
            aria-labelledby="system"
            name="system"
            value={system}
            onChange={(next) => setSystem(next as UnitSystem)}
            data={[
              { value: 'metric', label: 'metric: grams, °C' },
              { value: 'us', label: 'US: ounces, °F' },
            ]}
          />
        </div>
        <div>
          <span className={classes.label} id="units">
            What do you measure with?
          </span>
          <SegmentedControl
            fullWidth
            aria-labelledby="units"
            name="units"
            defaultValue={refused?.typed.units ?? 'grams'}
            data={[
              { value: 'grams', label: 'a scale' },
              { value: 'cups', label: 'cups' },
            ]}
          />
        </div>
        <TextInput
          name="elevation_m"
          label={localLabel('Altitude, m', system)}
          inputMode="decimal"
          value={height}
          onChange={(event) => setHeight(event.currentTarget.value)}
          error={errorAt(refused, 'elevation_m')}
          description={
            boils === undefined
              ? `${altitudeIn(low, system)} to ${altitudeIn(high, system)}; look it up on a map`
              : `Water boils at ${boils} there`
          }
          inputWrapperOrder={['label', 'input', 'error', 'description']}
        />
        <div className={classes.keys}>
          <Button type="submit" name="intent" value="later" variant="subtle">
            Skip
          </Button>
          <SendButton type="submit" name="intent" value="begin" size="md" busy={busy}>
            Plan my first pot
          </SendButton>
        </div>
      </Form>
      <p className="quiet small">Your data stays on this computer. Always follow the maker’s manual.</p>
    </main>
  )
}
