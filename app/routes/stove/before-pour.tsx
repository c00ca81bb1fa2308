import { Button, TextInput } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import type { CookView } from '#core/cook/replay'
import type { Plan, Stage } from '#core/plan/result'
import { useUnits } from '../../ui/units/units'
import { parseAmount } from '../../ui/forms/parse-amount'
import classes from './before-pour.module.css'

/** Between the soak and the pour the cook can still enter what the plan guessed. */
export const beforeThePour = (stage: Pick<Stage, 'id'>, plan: Pick<Plan, 'stages'>): boolean =>
  (stage.id === 'drain' || stage.id === 'pour') &&
  plan.stages.some((s) => s.id === 'pour' && s.after.includes('drain'))

interface BeforePourProps {
  stage: Stage
  plan: Plan
  /** The plan as it was at the start. */
  frozen: Plan
  view: CookView
  now: number
  onTell: (kind: 'weighed' | 'soaked', amount: number) => void
}

/**
 * Weighed wet, or soaked for another time than planned: both change the water and the minutes that are still
 * to come.
 */
export function BeforePour({ plan, frozen, view, now, onTell }: BeforePourProps) {
  const { say, label, shown, read, unit } = useUnits()
  const soak = view.stages.find((s) => s.id === 'soak')
  const inWater = soak && Math.round((now - soak.startMs) / 60_000)
  return (
    <section className={classes.reading} aria-label="Before adding water">
      <Tell
        label={`${label('Weight after draining, g')} (dry: ${shown('mass', Math.round(plan.grain.mass_g))})`}
        limits={[
          shown('mass', Math.round(plan.grain.mass_g)),
          shown('mass', Math.min(LIMITS.wet_mass_g[1], Math.round(plan.grain.mass_g * 3))),
        ]}
        unit={unit('mass')}
        onTell={(weight) => onTell('weighed', read('mass', weight))}
      />
      {inWater !== undefined && (
        <Tell
          label={`Soaked for, min (${inWater} so far)`}
          limits={LIMITS.soak_minutes}
          unit="minutes"
          onTell={(minutes) => onTell('soaked', minutes)}
        />
      )}
      <p role="status">{say(changeWords(frozen, plan))}</p>
    </section>
  )
}

function Tell({
  label,
  limits: [min, max],
  unit,
  onTell,
}: {
  label: string
  limits: readonly [number, number]
  unit: string
  onTell: (n: number) => void
}) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string>()
  const tell = () => {
    const read = parseAmount(text)
    if ('error' in read) return setWrong(read.error)
    if (!(read.amount >= min && read.amount <= max))
      return setWrong(`From ${min} to ${max} ${unit}, got ${text.trim()}.`)
    setWrong(undefined)
    onTell(read.amount)
  }
  return (
    <div className={classes.tell}>
      <TextInput
        label={label}
        value={text}
        error={wrong}
        inputMode="decimal"
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          event.stopPropagation()
          if (event.key === 'Enter') tell()
        }}
      />
      <Button variant="default" onClick={tell}>
        Save
      </Button>
    </div>
  )
}

/** What the entry changed: "Add 388 g instead of 415, simmer 12 instead of 14 min." */
function changeWords(frozen: Plan, plan: Plan): string {
  if (frozen === plan) return 'Weighing or timing makes the water amount more exact.'
  const [was, is] = [Math.round(frozen.water.pour_g), Math.round(plan.water.pour_g)]
  const open = (p: Plan) => p.stages.find((s) => s.kind === 'simmer' || s.kind === 'pressure')
  const [before, after] = [open(frozen), open(plan)].map((s) => s && Math.round(s.minutes.expected))
  const time =
    before !== undefined && after !== undefined && before !== after
      ? `, then ${after} instead of ${before} min`
      : ''
  return was === is && time === ''
    ? 'That is as planned.'
    : `Add ${is} g water instead of ${was} g water${time}.`
}
