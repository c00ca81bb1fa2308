import { ActionIcon, Button, Checkbox, NativeSelect, NumberInput } from '@mantine/core'
import { IconX } from '@tabler/icons-react'
import { HEAT_WORDS, LID_WORDS, STEP_HEATS, type RecipeStep } from '#core/plan/recipe-steps'
import type { HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import { MAX_STEPS, STEP_MINUTES, type MyWay } from './my-way-state'
import classes from './my-way.module.css'

const UNTIL_LABELS = {
  minutes: 'for minutes',
  boil: 'until it boils',
  dry: 'until the water is gone',
} as const
type Until = keyof typeof UNTIL_LABELS
const USUAL_MINUTES = 10

const options = <T extends string>(labels: Record<T, string>, ids = Object.keys(labels) as T[]) =>
  ids.map((value) => ({ value, label: labels[value] }))

/** The steps on the burner, each changed in its own row. */
export function StepRows({
  steps,
  drained,
  change,
}: Pick<MyWay, 'steps' | 'drained'> & { change: (next: Partial<Pick<MyWay, 'steps' | 'drained'>>) => void }) {
  const put = (at: number, step: RecipeStep) => change({ steps: steps.map((s, i) => (i === at ? step : s)) })
  return (
    <section aria-label="Steps">
      <ol className={classes.steps}>
        {steps.map((step, i) => (
          <li key={i}>
            <StepRow
              step={step}
              name={`Step ${i + 1}`}
              onChange={(next) => put(i, next)}
              onRemove={
                steps.length > 1 ? () => change({ steps: steps.filter((_, at) => at !== i) }) : undefined
              }
            />
          </li>
        ))}
      </ol>
      <div className={classes.after}>
        {steps.length < MAX_STEPS && (
          <Button
            size="xs"
            variant="default"
            onClick={() => change({ steps: [...steps, { heat: 'off', lid: 'on', minutes: USUAL_MINUTES }] })}
          >
            Add a step
          </Button>
        )}
        <Checkbox
          label="Drain at the end"
          checked={drained}
          onChange={(event) => change({ drained: event.currentTarget.checked })}
        />
      </div>
    </section>
  )
}

interface StepRowProps {
  step: RecipeStep
  name: string
  onChange: (step: RecipeStep) => void
  onRemove: (() => void) | undefined
}

function StepRow({ step: { heat, lid, minutes, until }, name, onChange, onRemove }: StepRowProps) {
  const ending = (to: Until): Pick<RecipeStep, 'minutes' | 'until'> =>
    to === 'minutes' ? { minutes: minutes ?? USUAL_MINUTES } : { until: to }
  const ends = until === undefined ? { minutes: minutes ?? USUAL_MINUTES } : { until }
  return (
    <div className={classes.step}>
      <NativeSelect
        aria-label={`${name}: heat`}
        data={options(HEAT_WORDS, [...STEP_HEATS])}
        value={heat}
        onChange={(event) => onChange({ heat: event.currentTarget.value as HeatLevel, lid, ...ends })}
      />
      <NativeSelect
        aria-label={`${name}: lid`}
        data={options(LID_WORDS)}
        value={lid}
        onChange={(event) => onChange({ heat, lid: event.currentTarget.value as LidPosition, ...ends })}
      />
      <NativeSelect
        aria-label={`${name}: how long`}
        data={options(UNTIL_LABELS)}
        value={until ?? 'minutes'}
        onChange={(event) => onChange({ heat, lid, ...ending(event.currentTarget.value as Until) })}
      />
      {until === undefined && (
        <NumberInput
          aria-label={`${name}: minutes`}
          suffix=" min"
          w={100}
          value={minutes ?? USUAL_MINUTES}
          min={STEP_MINUTES[0]}
          max={STEP_MINUTES[1]}
          clampBehavior="strict"
          allowNegative={false}
          allowDecimal={false}
          onChange={(value) => {
            const entered = Number(value)
            if (entered >= STEP_MINUTES[0]) onChange({ heat, lid, minutes: entered })
          }}
        />
      )}
      {onRemove && (
        <ActionIcon
          variant="subtle"
          color="gray"
          size="lg"
          aria-label={`Remove ${name.toLowerCase()}`}
          onClick={onRemove}
        >
          <IconX size={18} aria-hidden />
        </ActionIcon>
      )}
    </div>
  )
}
