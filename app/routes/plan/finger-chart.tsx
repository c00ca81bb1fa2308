import { lazy, Suspense, useEffect, useState } from 'react'
import { Skeleton } from '@mantine/core'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { fingerStudy, type FingerStudy } from '#core/plan/finger-study'
import { useUnits } from '../../ui/units/units'
import classes from './finger-study.module.css'

const Chart = lazy(() => import('./finger-lines'))
/** The study plans a score of pots; a paint comes first, so that the drawer opens at once. */
const AFTER_PAINT_MS = 30

/** Where a fixed crease, and "as deep again", land from a handful to this pot's limit. */
export function FingerChart({ request, creaseMm }: { request: PlanRequestJson; creaseMm: number }) {
  const { say } = useUnits()
  const [study, setStudy] = useState<FingerStudy>()
  useEffect(() => {
    const timer = setTimeout(() => {
      const read = parsePlanRequest(request)
      if (read.ok) setStudy(fingerStudy(read.value, creaseMm))
    }, AFTER_PAINT_MS)
    return () => clearTimeout(timer)
  }, [request, creaseMm])
  if (!study) return <Skeleton height={320} />
  return (
    <>
      <p className={classes.words}>{say(studyWords(study, creaseMm))}</p>
      <Suspense fallback={<Skeleton height={300} />}>
        <Chart study={study} />
      </Suspense>
      <p className="quiet small">
        Water as deep as the grain is about 1.4 times its volume, because water also fills the gaps between
        the grains.
      </p>
    </>
  )
}

/** What the chart says, in words. */
export function studyWords({ safe, rightAt, points, soft }: FingerStudy, creaseMm: number): string {
  const g = (n: number) => `${Math.round(n / 5) * 5} g`
  if (safe)
    return `Your ${creaseMm} mm finger joint ${rightAt === undefined ? 'stays' : `is right for ${g(rightAt)} of grain, and stays`} between firm and soft from ${g(safe.from)} to ${g(safe.to)} of grain. With less grain it is wetter, with more it is drier.`
  return points[points.length - 1]!.crease > soft
    ? `A ${creaseMm} mm finger joint is too much water for any amount in this pot.`
    : `A ${creaseMm} mm finger joint is too little water for this pot.`
}
