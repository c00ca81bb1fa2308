import { Drawer, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { Variety } from '#core/grain/varieties'
import type { BenchState } from './bench-state'
import { FingerChart } from './finger-chart'
import { TranslateRatio } from './translate-ratio'
import classes from './study.module.css'

interface StudyProps {
  request: PlanRequestJson
  variety: Variety
  change: (next: Partial<BenchState>) => void
  creaseMm: number
}

/** Two questions beside the measuring: when is a finger right in this pot, and what does somebody's ratio mean here. */
export function Study(props: StudyProps) {
  const [open, setOpen] = useState<'finger' | 'ratio'>()
  return (
    <div className={classes.study}>
      <UnstyledButton className={classes.link} onClick={() => setOpen('finger')}>
        When is my finger right?
      </UnstyledButton>
      <UnstyledButton className={classes.link} onClick={() => setOpen('ratio')}>
        What does a ratio mean here?
      </UnstyledButton>
      <Drawer opened={open !== undefined} onClose={() => setOpen(undefined)} position="right" size={560} lockScroll={false} title={open === 'finger' ? 'A finger over the grain, in this pot' : 'Somebody’s ratio, in this pot'} closeButtonProps={{ 'aria-label': 'Close' }}>
        {open === 'finger' && <FingerChart request={props.request} creaseMm={props.creaseMm} />}
        {open === 'ratio' && <TranslateRatio {...props} />}
      </Drawer>
    </div>
  )
}
