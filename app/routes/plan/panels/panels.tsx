import { AmountPanel } from './amount-panel'
import { GrainPanel } from './grain-panel'
import { HeatPanel } from './heat-panel'
import { HourPanel } from './hour-panel'
import type { PanelProps } from './panel-props'
import { PurposePanel } from './purpose-panel'
import { VesselPanel } from './vessel-panel'

const PANELS = {
  amount: AmountPanel,
  grain: GrainPanel,
  purpose: PurposePanel,
  pot: VesselPanel,
  heat: HeatPanel,
  hour: HourPanel,
}
export type PanelId = keyof typeof PANELS

/** What a part of the order stands for, opened. All of them come in one piece, when the first is wanted. */
export default function Panel({ id, ...props }: PanelProps & { id: PanelId }) {
  const One = PANELS[id]
  return <One {...props} />
}
