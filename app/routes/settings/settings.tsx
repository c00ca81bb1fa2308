import { Alert, Button, Group, NativeSelect, SegmentedControl, Stack, TextInput } from '@mantine/core'
import { data, Form, useNavigation } from 'react-router'
import { parseSettings, SETTINGS_LIMITS, type Settings } from '#core/contract/settings'
import { boilingPointAt } from '#core/heat/boiling-point'
import { CUP_IDS, CUPS } from '#core/units/cups'
import { metres } from '#core/units/units'
import { CRYSTAL_IDS, CRYSTALS } from '#core/seasoning/salt'
import { nowMs } from '#server/clock'
import { narrowFigures } from '#server/commands/notebook'
import { saveSettings } from '#server/commands/settings'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { typedOf, unknownIntent } from '../../ui/forms/errors'
import { inBaseUnits, inKitchenUnits, shownField } from '../../ui/units/unit-form'
import { useUnits } from '../../ui/units/units'
import { formOf } from '../../ui/forms/read-form'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/settings'
import classes from './settings.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Kitchen settings · Omsel' }]

export function loader() {
  const settings = settingsOf(kitchen())
  return {
    settings,
    zones: Intl.supportedValuesOf('timeZone'),
    boilC: boilingPointAt(metres(settings.elevation_m)),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const formData = await formOf(request)
  const form = Object.fromEntries(formData)
  if (form.intent === 'same-kitchen') {
    narrowFigures(kitchen(), formData.getAll('figure').map(String))
    return { sameKitchen: true as const }
  }
  if (form.intent !== 'save')
    return data({ errors: [unknownIntent(form.intent)], typed: form }, { status: 400 })
  const stored = settingsOf(kitchen())
  // The fields were shown in the units that were set before.
  const typed = typedOf(formData)
  const read = parseSettings({ system: stored.system, ...inBaseUnits(typed, stored, stored) })
  if (!read.ok)
    return data({ errors: inKitchenUnits(read.errors, typed, stored), typed: form }, { status: 422 })
  const moved = saveSettings(kitchen(), read.value, nowMs())
  return moved.length === 0 ? { saved: true as const } : { saved: true as const, moved }
}

/** The name, value and error of one field of the form. */
type Field = (name: keyof Settings) => { name: string; defaultValue: string; error: string | undefined }

const range = ([min, max]: readonly [number, number], unit: string) => `${min} to ${max} ${unit}`

export default function SettingsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { settings, zones, boilC } = loaderData
  const busy = useNavigation().state !== 'idle'
  const { say, label, temperature, decimal } = useUnits()
  const failed = actionData && 'errors' in actionData ? actionData : undefined
  const general = failed?.typed.intent === 'save' ? failed : undefined
  const field: Field = (name) => ({
    name,
    // What was typed stays typed, also when it was refused.
    defaultValue: String(general?.typed[name] ?? shownField(name, settings[name], { ...settings, decimal })),
    error: general?.errors.find((e) => e.path === name)?.message.replace(`${name} `, ''),
  })
  return (
    <>
      <h1 className="figure">Kitchen</h1>
      {actionData && 'moved' in actionData && actionData.moved && <Moved figures={actionData.moved} />}
      <Form method="post" noValidate key={settings.system}>
        <Stack gap="md" className={`${classes.sheet} basin`}>
          <TextInput label="Kitchen name" {...field('name')} maxLength={200} />
          <Group grow align="flex-start">
            <TextInput
              label={label('Altitude, m')}
              description={say(range(SETTINGS_LIMITS.elevation_m, 'm'))}
              inputMode="decimal"
              {...field('elevation_m')}
            />
            <TextInput
              label={label('Room temperature, °C')}
              description={say(range(SETTINGS_LIMITS.kitchen_c, '°C'))}
              inputMode="decimal"
              {...field('kitchen_c')}
            />
          </Group>
          <p className={classes.fact}>Water boils at {temperature(boilC, 1)} here.</p>
          <MeasureBy settings={settings} />
          <Group grow align="flex-start">
            <NativeSelect
              label="Cup"
              {...field('cup')}
              data={CUP_IDS.map((id) => ({ value: id, label: say(CUPS[id].name) }))}
            />
            <NativeSelect
              label="Your salt"
              {...field('crystal')}
              data={CRYSTAL_IDS.map((id) => ({ value: id, label: CRYSTALS[id].name }))}
            />
          </Group>
          <TextInput
            label={label('Fingertip to first joint, mm')}
            description={say(range(SETTINGS_LIMITS.crease_mm, 'mm'))}
            inputMode="decimal"
            {...field('crease_mm')}
          />
          <ClockFields settings={settings} field={field} zones={zones} />
          <SaveSettings actionData={actionData} busy={busy} general={general} />
        </Stack>
      </Form>
    </>
  )
}

/** Metric or US units, scale or cups. */
function MeasureBy({ settings }: { settings: Route.ComponentProps['loaderData']['settings'] }) {
  return (
    <Group grow align="flex-start">
      <div>
        <span className={classes.label} id="system">
          Units
        </span>
        <SegmentedControl
          fullWidth
          aria-labelledby="system"
          name="system"
          defaultValue={settings.system}
          data={[
            { value: 'metric', label: 'metric' },
            { value: 'us', label: 'US' },
          ]}
        />
      </div>
      <div>
        <span className={classes.label} id="units">
          Measure by
        </span>
        <SegmentedControl
          fullWidth
          aria-labelledby="units"
          name="units"
          defaultValue={settings.units}
          data={[
            { value: 'grams', label: 'scale' },
            { value: 'cups', label: 'cups' },
          ]}
        />
      </div>
    </Group>
  )
}

function ClockFields({
  settings,
  field,
  zones,
}: {
  settings: Route.ComponentProps['loaderData']['settings']
  field: Field
  zones: string[]
}) {
  return (
    <Group grow align="flex-start">
      <div>
        <span className={classes.label} id="clock">
          Clock
        </span>
        <SegmentedControl
          fullWidth
          aria-labelledby="clock"
          name="clock"
          defaultValue={settings.clock}
          data={[
            { value: '24', label: '19:00' },
            { value: '12', label: '7:00 pm' },
          ]}
        />
      </div>
      <NativeSelect
        label="Time zone"
        {...field('zone')}
        data={zones.includes(settings.zone) ? zones : [settings.zone, ...zones]}
      />
    </Group>
  )
}

/** What moving the kitchen did to what was learned, and the way back. */
const Moved = ({ figures }: { figures: readonly string[] }) => (
  <Alert role="status" title="New altitude: did the kitchen move?">
    <p>
      What you learned of grains and bags stays. Your pots&rsquo; steam and your burners&rsquo; power are less
      sure from now on, so the next batches correct them faster.
    </p>
    <Form method="post">
      {figures.map((figure) => (
        <input key={figure} type="hidden" name="figure" value={figure} />
      ))}
      <Button type="submit" variant="default" size="compact-sm" name="intent" value="same-kitchen">
        It is the same kitchen
      </Button>
    </Form>
  </Alert>
)

function SaveSettings({
  actionData,
  busy,
  general,
}: {
  actionData: Route.ComponentProps['actionData']
  busy: boolean
  general: unknown
}) {
  return (
    <Group justify="flex-end" gap="md">
      <span role="status" className="quiet">
        {actionData && 'saved' in actionData && !busy ? 'Saved.' : ''}
        {general && !busy ? 'Not saved yet: see above.' : ''}
      </span>
      <SendButton type="submit" name="intent" value="save" busy={busy}>
        Save
      </SendButton>
    </Group>
  )
}
