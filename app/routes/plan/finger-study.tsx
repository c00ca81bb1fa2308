import { UnstyledButton } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import type { StudyProps } from './finger-study-drawer'
import classes from './finger-study.module.css'

const FingerStudyDrawer = lazy(() => import('./finger-study-drawer'))

/** Two questions beside the measuring: when is a finger right in this pot, and what does someone's ratio mean here. */
export function Study(props: StudyProps) {
  const [open, setOpen] = useState<'finger' | 'ratio'>()
  const [wanted, setWanted] = useState(false)
  const show = (what: 'finger' | 'ratio') => {
    setWanted(true)
    setOpen(what)
  }
  return (
    <div className={classes.study}>
      <UnstyledButton className={classes.link} onClick={() => show('finger')}>
        Measuring with a finger
      </UnstyledButton>
      <UnstyledButton className={classes.link} onClick={() => show('ratio')}>
        I have a water ratio
      </UnstyledButton>
      <Suspense>
        {wanted && <FingerStudyDrawer open={open} onClose={() => setOpen(undefined)} {...props} />}
      </Suspense>
    </div>
  )
}
