import { Group, NumberInput, Stack, Text, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import { DRESSINGS } from '#core/finish/dressing'
import type { Plan } from '#core/plan/result'
import { amountText, spoonAmount } from '#core/plan/stage-amounts'
import { dressingGrams } from '#core/finish/dressing-amounts'
import { cupMeasure } from '#core/units/system'
import { useUnits } from '../../../ui/units/units'
import {
  DRESSING_CHOICES,
  speakingOf,
  type OwnDressing,
  type PlanState,
  type PlanningData,
} from '../../../planning/plan-state'

const USUAL: NonNullable<PlanState['dressing']> = { style: 'usual', infuse: 0, set: 0, ml: null }

interface DressingProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  household: PlanningData
  /** The plan as it is now: for how much dry grain amounts are stated. */
  plan: Plan
}

/** How the vinegar is seasoned: by a style or by the cook's own amounts; and what lead it asks for. */
export function Dressing(props: DressingProps) {
  const { state, change } = props
  const { mass } = useUnits()
  const at = state.dressing ?? USUAL
  const poured = props.household.bottles.find(({ id }) => id === at.bottle?.id)
  const set = (more: Partial<NonNullable<PlanState['dressing']>>) => change({ dressing: { ...at, ...more } })
  const byStyle = ({ own: _own, bottle: _bottle, ...rest }: typeof at) => rest
  const needsG = props.plan.dressing?.liquid_g
  const ownPut = (own: OwnDressing) => change({ dressing: { ...byStyle(at), own, ml: null } })
  return (
    <Stack gap="xs">
      <Text size="sm" fw={600}>
        Vinegar dressing
      </Text>
      <div className="chips" role="group" aria-label="Dressing">
        {DRESSING_CHOICES.map((style) => (
          <UnstyledButton
            key={style}
            className="chip"
            aria-pressed={at.style === style && at.own === undefined && at.bottle === undefined}
            onClick={() => change({ dressing: { ...byStyle(at), style, ml: null } })}
          >
            {style === 'none' ? 'none' : DRESSINGS[style].name}
          </UnstyledButton>
        ))}
        {props.household.bottles.map(({ id, name, style, leftG, own }) => (
          <UnstyledButton
            key={id}
            className="chip"
            aria-pressed={at.bottle?.id === id}
            onClick={() =>
              change({
                dressing: { ...byStyle(at), style, ml: null, ...(own ? { own } : {}), bottle: { id, name } },
              })
            }
          >
            from “{name}”, {mass(Math.round(leftG))} left
          </UnstyledButton>
        ))}
      </div>
      {poured && needsG !== undefined && needsG > poured.leftG && (
        <Text size="sm" role="status">
          “{poured.name}” holds {mass(Math.round(poured.leftG))}; this batch takes {mass(Math.round(needsG))}.
        </Text>
      )}
      {at.style !== 'none' && (
        <>
          <OwnAmounts
            key={props.plan.dressing?.liquid_g}
            {...props}
            put={ownPut}
            saltLast={DRESSINGS[at.style].saltLast}
          />
          <Group grow align="flex-end">
            <NumberInput
              size="xs"
              label="Infuse, min"
              disabled={at.bottle !== undefined}
              value={at.infuse}
              min={0}
              max={LIMITS.infuse_minutes[1]}
              step={30}
              clampBehavior="strict"
              allowNegative={false}
              onChange={(n) => set({ infuse: Number(n) || 0 })}
            />
            <NumberInput
              size="xs"
              label="Rest after mixing, min"
              value={at.set}
              min={0}
              max={LIMITS.set_minutes[1]}
              step={5}
              clampBehavior="strict"
              allowNegative={false}
              onChange={(n) => set({ set: Number(n) || 0 })}
            />
          </Group>
        </>
      )}
    </Stack>
  )
}

type Part = keyof OwnDressing
const PARTS: readonly { part: Part; label: string }[] = [
  { part: 'vinegar', label: 'Vinegar' },
  { part: 'sugar', label: 'Sugar' },
  { part: 'salt', label: 'Salt' },
]

/** Vinegar, sugar and salt of this batch, by the spoon or the scale; each can be set. */
function OwnAmounts({
  state,
  plan,
  household,
  put,
  saltLast,
}: DressingProps & { put: (own: OwnDressing) => void; saltLast: boolean }) {
  const { say } = useUnits()
  const { dressing } = plan
  const [wrong, setWrong] = useState<Partial<Record<Part, string>>>({})
  if (!dressing) return null
  const grams: OwnDressing = {
    vinegar: dressing.vinegar_g,
    sugar: dressing.sugar_g,
    salt: dressing.salt_g + dressing.salt_last_g,
  }
  const per100 = (of: OwnDressing): OwnDressing => {
    const share = (g: number) => Math.round((g / plan.grain.mass_g) * 100 * 1000) / 1000
    return { vinegar: share(of.vinegar), sugar: share(of.sugar), salt: share(of.salt) }
  }
  const speaking = speakingOf(state, household)
  const shown = (part: Part) => say(amountText(spoonAmount(part, grams[part], speaking), speaking))
  const spoons = {
    cup: cupMeasure(household.cup),
    own: household.measures,
    crystal: speaking.saltCrystal,
  }
  const tell = (part: Part, text: string) => {
    if (text === shown(part)) return
    const entered = dressingGrams(part, text, spoons)
    const own = entered === undefined ? undefined : per100({ ...grams, [part]: entered })
    const [min, max] = LIMITS.dressing_g[part]
    const limit = (g: number) => Math.round((g * plan.grain.mass_g) / 10) / 10
    setWrong({
      [part]:
        own === undefined
          ? say('For example 3 tbsp or 45 g.')
          : own[part] < min || own[part] > max
            ? say(`From ${limit(min)} g to ${limit(max)} g.`)
            : undefined,
    })
    if (own && own[part] >= min && own[part] <= max) put(own)
  }
  return (
    <Group grow align="flex-start" gap="xs" wrap="nowrap">
      {PARTS.map(({ part, label }) => (
        <TextInput
          key={part}
          size="xs"
          label={part === 'salt' && saltLast ? 'Salt, last' : label}
          defaultValue={shown(part)}
          error={wrong[part]}
          onBlur={(event) => tell(part, event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
      ))}
    </Group>
  )
}
