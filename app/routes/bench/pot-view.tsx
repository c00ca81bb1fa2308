import { UnstyledButton } from '@mantine/core'
import type { Variety } from '#core/grain/varieties'
import type { LidPosition } from '#core/heat/lid'
import type { Plan } from '#core/plan/result'
import type { Vessel } from '#core/vessel/vessel'
import { PotSection, type WaterHold } from '../../drawing/pot-section'
import classes from './pot-view.module.css'

interface PotViewProps {
  plan: Plan
  vessel: Vessel
  variety: Variety
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
}

/** The pot cut open before the heat; held, as it will be at the table. */
export function PotView({ plan, vessel, variety, name, lid, crease, printed, hold, cooked, onCooked, says }: PotViewProps) {
  const { gauges } = plan
  const shown = vessel.kind === 'pot' || vessel.kind === 'oven-dish' ? lid : 'on'
  return (
    <>
      <div className={classes.head}>
        <h2 className="figure">{name}</h2>
        <p className={classes.says} role="status">
          {says}
        </p>
        <UnstyledButton className={classes.peek} aria-pressed={cooked} onClick={() => onCooked(!cooked)}>
          {cooked ? 'before the heat' : 'see it cooked'}
        </UnstyledButton>
      </div>
      <PotSection
        vessel={vessel}
        variety={variety}
        lid={cooked ? 'off' : shown}
        crease={crease}
        hold={hold}
        printed={printed ?? []}
        cooked={cooked}
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
        title={`${name}: grain ${Math.round(gauges.bed_depth_mm)} mm deep, water to ${Math.round(gauges.fill_level_mm)} mm, swollen to ${Math.round(gauges.swollen_level_mm)} of ${Math.round(vessel.height)} mm`}
      />
    </>
  )
}
