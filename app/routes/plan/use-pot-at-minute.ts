import { useEffect, useState } from 'react'
import type { CourseMoment } from '#core/explain/course'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import type { HeatRibbonProps } from '../../ui/drawing/heat-ribbon'
import type { Look } from './pot-view'

/** The cooked pot, and how to read it: both come with the first look. */
interface CookedCourse {
  lastMinute: number
  at: (minute: number) => CourseMoment | undefined
  meanCentre: (at: CourseMoment) => number
}

/** A look into a minute of the plan. The pot is cooked through once for a plan, and only when someone looks. */
export function usePotAtMinute(
  request: PlanRequest,
  plan: Plan,
  clockAt: (minute: number) => string,
): { at: Look | undefined; scrub: NonNullable<HeatRibbonProps['scrub']> } {
  const [minute, setMinute] = useState<number>()
  const looking = minute !== undefined
  const [cooked, setCooked] = useState<{ of: Plan } & CookedCourse>()
  useEffect(() => {
    if (!looking) return
    let here = true
    void Promise.all([import('#core/explain/course'), import('#core/pot/mean-centre')]).then(
      ([{ courseOf, momentAt }, { meanCentre }]) => {
        if (!here) return
        const course = courseOf(request, plan)
        setCooked({
          of: plan,
          lastMinute: Math.max(0, ...course.slice(-1).map((m) => m.minute)),
          at: (minute) => momentAt(course, minute),
          meanCentre,
        })
      },
    )
    return () => {
      here = false
    }
  }, [looking, request, plan])
  const seen = cooked?.of === plan ? cooked : undefined
  const at = minute === undefined ? undefined : seen?.at(minute)
  const says =
    minute === undefined
      ? 'the pour'
      : !seen || !at
        ? `${clockAt(minute)}: nothing is hot yet`
        : `${clockAt(minute)}${minute > seen.lastMinute + 1 ? ', when served' : ''}: ${Math.round(at.bulkC)} °C, ${Math.round(at.freeG)} g water left, centres ${Math.round(100 * seen.meanCentre(at))} % cooked`
  return {
    at: minute === undefined ? undefined : { moment: at, says, onBack: () => setMinute(undefined) },
    scrub: { minute, onMinute: setMinute, says },
  }
}
