import type { PanelProps } from './panels/panel-props'
import Panel, { type PanelId } from './panels/panels'
import classes from './plan-line.module.css'
import { SideSheet } from '../../ui/overlay/side-sheet'

interface SheetProps extends PanelProps {
  parts: readonly { id: PanelId; word: string; label: string }[]
  opened: boolean
  onClose: () => void
}

/** The whole order at once, for a phone: each part folds out. */
export default function PlanSheet({ parts, opened, onClose, ...panel }: SheetProps) {
  return (
    <SideSheet
      opened={opened}
      onClose={onClose}
      position="bottom"
      size="85%"
      title="The plan"
      classNames={{ title: 'figure' }}
      closes="Done"
    >
      {parts.map(({ id, word, label }, i) => (
        <details key={id} className={classes.fold} name="order">
          {/* A field of a part that is folded cannot take the focus. */}
          <summary data-autofocus={i === 0 || undefined}>
            <span className="quiet small">{label}</span>
            <span>{word}</span>
          </summary>
          <Panel id={id} {...panel} />
        </details>
      ))}
    </SideSheet>
  )
}
