import { Button, Checkbox, Group, NumberInput, Radio, Slider, Stack, Text, TextInput } from '@mantine/core'
import { OVEN_C } from '#core/methods/oven'
import { LIMITS } from '#core/contract/plan-request'
import { FINISHES, HEAT_STYLES, type Finish } from '#core/methods/definition'
import { methodOf, type MethodId } from '#core/methods/index'
import { methodsOf } from '#core/methods/usual-method'
import { takesFoil } from '#core/vessel/vessel'
import { UnitNumber } from '../../../ui/units/unit-number'
import { useUnits } from '../../../ui/units/units'
import { methodOfState, usualSoakFor, vesselOfState, type PlanState } from '../../../planning/plan-state'
import { LID_WORDS, METHOD_WORDS, releaseWords, STYLE_WORDS } from '../../../planning/plan-words'
import type { PanelProps } from './panel-props'
import { SteamerWays } from './steamer-ways'

const FINISH_WORDS: Record<Finish, string> = {
  none: 'drained and covered',
  'cold-rinse': 'rinsed cold',
  steam: 'steam-dried under a cloth',
}

/** How it is cooked, and what that way leaves to the cook. */
export function HeatPanel(props: PanelProps) {
  const { temperature } = useUnits()
  const { state, change, household } = props
  const vessel = vesselOfState(state, household)
  const method = methodOfState(state, vessel)
  const can = methodsOf(vessel.kind)
  return (
    <Stack gap="md">
      {can.length > 1 && (
        <Choice
          label="Method"
          value={method}
          words={Object.fromEntries(can.map((id) => [id, METHOD_WORDS[id]])) as Record<MethodId, string>}
          pick={(next) => change(withMethod(state, next, household))}
        />
      )}
      {method === 'switch-cooker' && (
        <Text size="sm">
          A rice cooker boils until the water is absorbed, then switches off. The time depends on the water.
          Rest, then unplug.
        </Text>
      )}
      {method === 'porridge' && <Thickness {...props} />}
      {method === 'oven' && (
        <Text size="sm">
          At {temperature(OVEN_C)}, in a deep dish, with boiling water and sealed with foil.
        </Text>
      )}
      {method.startsWith('pressure') && <Pressure {...props} />}
      {methodOf(method).toastable && <LidAndHeat {...props} />}
      {method === 'boil-and-drain' && (
        <Choice
          label="At the end"
          value={state.finish ?? 'none'}
          words={
            Object.fromEntries(FINISHES.map((f) => [f, FINISH_WORDS[f]])) as Record<
              NonNullable<PlanState['finish']>,
              string
            >
          }
          pick={(finish) => change({ finish })}
        />
      )}
      {method === 'boil-and-drain' && state.purpose === 'part-cooked' && <PartCooked {...props} />}
      {method === 'steam-passes' && (
        <Choice
          label="Passes"
          value={String(state.passes)}
          words={{ 1: 'once', 2: 'twice', 3: 'three times' }}
          pick={(passes) => change({ passes: Number(passes) })}
        />
      )}
      <OwnMinutes key={`${method} ${state.minutes}`} {...props} />
      <Checkbox
        label="in a hurry: the earliest end that works"
        checked={state.hurry}
        onChange={(event) => change({ hurry: event.currentTarget.checked, poured: null })}
      />
      {(method === 'steam' || method === 'steam-passes') && (
        <>
          <DishUnder {...props} />
          <SteamerWays />
        </>
      )}
    </Stack>
  )
}

/** How thick a porridge ends. */
function Thickness({ state, change }: PanelProps) {
  return (
    <div>
      <Text size="sm">{thicknessWord(state.thickness)}</Text>
      <Slider
        thumbLabel="Thickness"
        value={state.thickness}
        min={0}
        max={1}
        step={0.25}
        label={null}
        onChange={(thickness) => change({ thickness, poured: null })}
        thumbProps={{ 'aria-valuetext': thicknessWord(state.thickness) }}
      />
    </div>
  )
}

/** What an appliance or a pressure cooker is set to. */
function Pressure(props: PanelProps) {
  const { state, change } = props
  return (
    <>
      <Programmes {...props} />
      <Choice
        label="Pressure"
        value={state.pressure}
        words={{ high: 'high', low: 'low (gentler)' }}
        pick={(pressure) => change({ pressure })}
      />
      <Choice
        label="Release"
        value={state.release}
        words={releaseWords(state)}
        pick={(release) => change({ release })}
      />
      {state.release === 'timed' && (
        <Minutes
          label="Minutes before the rest is let out"
          value={state.releaseMinutes}
          limits={LIMITS.release_minutes}
          take={(releaseMinutes) => releaseMinutes !== null && change({ releaseMinutes })}
        />
      )}
    </>
  )
}

/** What is left to the cook where grain simmers under a lid. */
function LidAndHeat({ state, change, household }: PanelProps) {
  return (
    <>
      <Choice
        label="Lid"
        value={state.lidUntilBoil}
        words={LID_WORDS}
        pick={(lidUntilBoil) => change({ lidUntilBoil })}
      />
      <Choice
        label="Heat"
        value={state.heatStyle}
        words={
          Object.fromEntries(HEAT_STYLES.map((s) => [s, STYLE_WORDS[s]])) as Record<
            PlanState['heatStyle'],
            string
          >
        }
        pick={(heatStyle) => change({ heatStyle })}
      />
      <Checkbox
        label="crisp bottom"
        checked={state.toasted}
        onChange={(event) => change({ toasted: event.currentTarget.checked })}
      />
      <Checkbox
        label="stir once as it boils"
        description="no grain sticks to the bottom; a little more starch"
        checked={state.stirred}
        onChange={(event) => change({ stirred: event.currentTarget.checked })}
      />
      <Checkbox
        label="loosen halfway through the rest"
        description="drier on top and looser; the rest ends a little cooler"
        checked={state.loosenedInRest}
        onChange={(event) => change({ loosenedInRest: event.currentTarget.checked })}
      />
      {takesFoil(vesselOfState(state, household)) && (
        <Checkbox
          label="foil under the lid this time"
          description="this lid does not seal: it rests hotter"
          checked={state.foil}
          onChange={(event) => change({ foil: event.currentTarget.checked })}
        />
      )}
    </>
  )
}

/** How far the grain is cooked for another dish. */
function PartCooked({ state, change }: PanelProps) {
  return (
    <div>
      <Text size="sm">Part-cook: {Math.round(state.cookedShare * 100)} % done, finish in the other dish</Text>
      <Slider
        thumbLabel="Share cooked"
        value={state.cookedShare}
        min={0.5}
        max={1}
        step={0.05}
        label={null}
        onChange={(cookedShare) => change({ cookedShare })}
        thumbProps={{ 'aria-valuetext': `${Math.round(state.cookedShare * 100)} %` }}
      />
    </div>
  )
}

/** Another method brings the soak it cannot do without. */
const withMethod = (
  { grain, soak }: PlanState,
  method: MethodId,
  household: PanelProps['household'],
): Partial<PlanState> => ({
  method,
  poured: null,
  minutes: null,
  soak: soak ?? usualSoakFor(grain, method, household),
})

const THICKNESS = [
  'thin, like a soup',
  'rather thin',
  'flows slowly',
  'rather thick',
  'thick, holds a spoon',
] as const
const thicknessWord = (thickness: number): string =>
  THICKNESS[Math.round(thickness * (THICKNESS.length - 1))]!

const A_STEW = { name: 'soup', liquidG: 1200 }

/** One burner, two dishes: what simmers below steams what sits above, and pays for it with its own liquid. */
function DishUnder({ state, change }: PanelProps) {
  const { under } = state
  const [min, max] = LIMITS.boiler_dish_g
  return (
    <Stack gap={6}>
      <Checkbox
        label="steam over another dish"
        checked={under !== null}
        onChange={(event) => change({ under: event.currentTarget.checked ? A_STEW : null, poured: null })}
      />
      {under && (
        <Group gap="xs" wrap="nowrap" align="flex-end">
          <TextInput
            size="xs"
            label="The dish"
            value={under.name}
            maxLength={LIMITS.name}
            onChange={(event) => change({ under: { ...under, name: event.currentTarget.value } })}
          />
          <UnitNumber
            kind="mass"
            size="xs"
            label="Liquid in that dish, g"
            min={min}
            max={max}
            step={50}
            clampBehavior="blur"
            value={under.liquidG}
            onChange={(grams) =>
              typeof grams === 'number' &&
              grams >= min &&
              grams <= max &&
              change({ under: { ...under, liquidG: grams } })
            }
          />
        </Group>
      )}
    </Stack>
  )
}

/** Minutes of one's own on the heat: planned exactly so. An appliance that switches itself off has none. */
function OwnMinutes({ state, change }: PanelProps) {
  return (
    <Minutes
      label="Own minutes on the heat"
      description="empty: as planned"
      value={state.minutes}
      limits={[1, LIMITS.own_minutes[1]]}
      take={(minutes) => change({ minutes })}
    />
  )
}

/** Whole minutes, taken when the field is left; null where it is emptied. */
function Minutes({
  value,
  limits: [min, max],
  take,
  ...words
}: {
  label: string
  description?: string
  value: number | null
  limits: readonly [number, number]
  take: (minutes: number | null) => void
}) {
  return (
    <NumberInput
      {...words}
      defaultValue={value ?? ''}
      min={min}
      max={max}
      decimalScale={0}
      allowNegative={false}
      clampBehavior="blur"
      onBlur={(event) => {
        const typed = event.currentTarget.value
        const minutes = typed === '' ? null : Number(typed)
        if (minutes === null || (minutes >= min && minutes <= max)) take(minutes)
      }}
    />
  )
}

const KNOWN = { known: '', guessed: ', a guess', timed: ', timed' } as const

/**
 * The appliance's programmes by their names: choosing one sets what it does, and says whether its minutes are
 * known, guessed or timed.
 */
function Programmes({ state, change, household }: PanelProps) {
  const mine = household.programmes.filter((p) => p.vessel_id === state.vesselId)
  if (mine.length === 0) return null
  return (
    <Stack gap={4}>
      <Text size="sm">Its programmes</Text>
      {mine.map((p) => (
        <Button
          key={p.id}
          size="xs"
          variant="default"
          justify="flex-start"
          onClick={() =>
            change({
              ...(p.pressure === 'none' ? {} : { pressure: p.pressure }),
              ...(p.after_it === 'holds-warm' ? { release: 'natural' } : { release: p.after_it }),
              ...(p.minutes === null ? {} : { minutes: p.minutes }),
            })
          }
        >
          {p.name}: {p.minutes === null ? 'minutes not known' : `${p.minutes} min${KNOWN[p.known]}`},{' '}
          {p.pressure === 'none' ? 'no pressure' : p.pressure}
        </Button>
      ))}
    </Stack>
  )
}

function Choice<T extends string>({
  label,
  value,
  words,
  pick,
}: {
  label: string
  value: T
  words: Record<T, string>
  pick: (next: T) => void
}) {
  return (
    <Radio.Group label={label} value={value} onChange={(next) => pick(next as T)}>
      <Stack gap={6} mt={6}>
        {(Object.entries(words) as [T, string][]).map(([id, word]) => (
          <Radio key={id} value={id} label={word} />
        ))}
      </Stack>
    </Radio.Group>
  )
}
