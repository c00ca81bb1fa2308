import { UnstyledButton, Slider, NumberInput } from '@mantine/core'
import { type WhatIf, WHAT_IFS, WHAT_IF_WORDS } from '#core/simulate/what-if'
import type { Plan } from '#core/plan/result'
import { LIMITS } from '#core/contract/plan-request'
import type { PlanState } from '../../planning/plan-state'
import { useUnits } from '../../ui/units/units'
import { UnitNumber } from '../../ui/units/unit-number'
import { type Otherwise, MAX_RUNS } from './simulation-state'
import type { Route } from './+types/simulation'
import classes from './simulation.module.css'

/** Water, soak, altitude and room temperature other than planned. */
export function WaterAndKitchen({
  pour,
  plan,
  other,
  otherwise,
  bench,
  change,
  household,
  usedHeight,
  usedKitchen,
}: {
  pour: number
  plan: Plan
  other: (next: Partial<Otherwise>) => void
  otherwise: Otherwise
  bench: PlanState
  change: (next: Partial<PlanState>) => void
  household: Route.ComponentProps['loaderData']['household']
  usedHeight: number
  usedKitchen: number
}) {
  const { label, waterIn } = useUnits()
  return (
    <section aria-label="Water">
      <h2 className="place-part">Water to add</h2>
      <Slider
        thumbLabel={label('Water, g')}
        value={pour}
        min={Math.round(plan.water.pour_g * 0.5)}
        max={Math.round(plan.water.pour_g * 1.6)}
        step={5}
        label={(g) => waterIn(g)}
        onChange={(g) => other({ poured: g })}
        thumbProps={{ 'aria-valuetext': waterIn(pour) }}
      />
      <p>
        {waterIn(pour)}{' '}
        {otherwise.poured !== null && (
          <UnstyledButton className="link" onClick={() => other({ poured: null })}>
            as planned
          </UnstyledButton>
        )}
      </p>
      <div className={classes.fields}>
        <NumberInput
          size="xs"
          label="Soak, min"
          value={bench.soak?.minutes ?? 0}
          min={0}
          max={LIMITS.soak_minutes[1]}
          step={10}
          allowDecimal={false}
          onChange={(m) =>
            typeof m === 'number' &&
            change({
              soak:
                m > 0
                  ? {
                      minutes: m,
                      celsius: bench.soak?.celsius ?? household.kitchen_c,
                      water: bench.soak?.water ?? 'drain',
                    }
                  : null,
            })
          }
        />
        <UnitNumber
          kind="altitude"
          size="xs"
          label="Altitude, m"
          value={usedHeight}
          min={LIMITS.elevation_m[0]}
          max={LIMITS.elevation_m[1]}
          step={100}
          allowDecimal={false}
          onChange={(m) =>
            m !== '' && m !== usedHeight && other({ elevation: m === household.elevation_m ? null : m })
          }
        />
        <UnitNumber
          kind="temperature"
          size="xs"
          label="Kitchen, °C"
          value={usedKitchen}
          min={LIMITS.kitchen_c[0]}
          max={LIMITS.kitchen_c[1]}
          allowDecimal={false}
          onChange={(c) =>
            c !== '' && c !== usedKitchen && other({ kitchen: c === household.kitchen_c ? null : c })
          }
        />
      </div>
    </section>
  )
}

export function WhatIfKeys({
  bench,
  asked,
  other,
}: {
  bench: PlanState
  asked: readonly WhatIf[]
  other: (next: Partial<Otherwise>) => void
}) {
  return (
    <section aria-label="What if">
      <h2 className="place-part">What if …</h2>
      <div className="chips">
        {WHAT_IFS.filter((q) => q !== 'no-soak' || bench.soak).map((q) => (
          <UnstyledButton
            key={q}
            className="chip"
            aria-pressed={asked.includes(q)}
            onClick={() =>
              other({
                asked: asked.includes(q)
                  ? asked.filter((o) => o !== q)
                  : [...asked, q].slice(-(MAX_RUNS - 1)),
              })
            }
          >
            {WHAT_IF_WORDS[q]}
          </UnstyledButton>
        ))}
      </div>
    </section>
  )
}
