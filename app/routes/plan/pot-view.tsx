import { UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import type { Variety } from '#core/grain/varieties'
import type { HeatSource } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import type { Plan } from '#core/plan/result'
import type { Vessel } from '#core/vessel/vessel'
import { useUnits } from '../../ui/units/units'
import type { Moment } from '../../ui/drawing/pot-inside'
import { PotSection, type PotMark } from '../../ui/drawing/pot-section'
import type { WaterHold } from '../../ui/drawing/water-handle'
import classes from './pot-view.module.css'

// Whoever looks into a minute waits for the pot to be cooked through anyway.
const PotInside = lazy(() =>
  import('../../ui/drawing/pot-inside').then((piece) => ({ default: piece.PotInside })),
)

interface PotViewProps {
  plan: Plan
  vessel: Vessel
  variety: Variety
  /** What heats it. */
  heat: HeatSource['kind']
  name: string
  lid: LidPosition
  crease: number | undefined
  printed: readonly { name: string; level_mm: number }[] | null
  /** Left out where the water sets no texture. */
  hold: WaterHold | undefined
  cooked: boolean
  onCooked: (cooked: boolean) => void
  /** What the last change of pot or crowd did. */
  says?: string | undefined
  /** Where the water stood before it, mm. */
  ghost?: number | undefined
  marks: readonly PotMark[]
  /** A minute of the plan that is looked into. */
  look?: Look | undefined
}

export interface Look {
  moment: Moment | undefined
  says: string
  onBack: () => void
}

/** The pot cut open before the heat; held, as it will be at the table. */
export function PotView({
  plan,
  vessel,
  variety,
  heat,
  name,
  lid,
  crease,
  printed,
  hold,
  cooked,
  onCooked,
  says,
  ghost,
  marks,
  look,
}: PotViewProps) {
  const { say } = useUnits()
  const poured = useGrown(plan.grain.mass_g)
  const { gauges } = plan
  const shown = vessel.kind === 'pot' || vessel.kind === 'oven-dish' ? lid : 'on'
  return (
    <>
      <div className={classes.head}>
        <h2 className="figure">{name}</h2>
        <p className={classes.says} role="status">
          {look ? say(look.says) : says && say(says)}
        </p>
        {look ? (
          <UnstyledButton className={classes.peek} onClick={look.onBack}>
            show the water
          </UnstyledButton>
        ) : (
          <UnstyledButton className={classes.peek} aria-pressed={cooked} onClick={() => onCooked(!cooked)}>
            {cooked ? 'before the heat' : 'show when cooked'}
          </UnstyledButton>
        )}
      </div>
      {look?.moment ? (
        <Suspense fallback={<div className={classes.room} />}>
          <PotInside
            vessel={vessel}
            variety={variety}
            dryG={plan.grain.mass_g}
            moment={look.moment}
            title={say(look.says)}
          />
        </Suspense>
      ) : (
        <PotSection
          vessel={vessel}
          variety={variety}
          heat={heat}
          lid={cooked ? 'off' : shown}
          crease={crease}
          hold={hold}
          printed={printed ?? []}
          cooked={cooked}
          ghost={ghost}
          marks={marks}
          poured={poured}
          levels={{
            bed: gauges.bed_depth_mm,
            fill: gauges.fill_level_mm,
            firm: gauges.firm_level_mm,
            ...(hold ? { standard: gauges.standard_level_mm } : {}),
            basket: gauges.basket_level_mm,
            soft: gauges.soft_level_mm,
            swollen: gauges.swollen_level_mm,
            froth: gauges.froth_level_mm,
          }}
          title={say(
            `${name}: grain ${Math.round(gauges.bed_depth_mm)} mm deep, water to ${Math.round(gauges.fill_level_mm)} mm, swollen to ${Math.round(gauges.swollen_level_mm)} of ${Math.round(vessel.height)} mm`,
          )}
        />
      )}
    </>
  )
}

/** More grain than this share over what there was is grain poured in. */
const POURED_IN = 1.02

/** How often grain was poured in since the plan was opened. */
function useGrown(grainG: number): number {
  const [was, setWas] = useState(grainG)
  const [times, setTimes] = useState(0)
  if (grainG !== was) {
    setWas(grainG)
    if (grainG > was * POURED_IN) setTimes(times + 1)
  }
  return times
}
