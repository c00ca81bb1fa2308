import { useEffect, useState } from 'react'
import type { CourseMoment } from '#core/explain/course'
import { momentAt } from '#core/explain/moment'
import type { PlanRequest } from '#core/plan/request'
import type { Plan } from '#core/plan/result'
import { meanCentre } from '#core/pot/mean-centre'
import type { HeatRibbonProps } from '../../ui/drawing/heat-ribbon'
import type { Look } from './pot-view'

/** A look into a minute of the plan. The pot is cooked through once for a plan, and only when someone looks. */
export function usePotAtMinute(
  request: PlanRequest,
  plan: Plan,
  clockAt: (minute: number) => string,
): { at: Look | undefined; scrub: NonNullable<HeatRibbonProps['scrub']> } {
  const [minute, setMinute] = useState<number>()
  const looking = minute !== undefined
  const [cooked, setCooked] = useState<{ of: Plan; course: CourseMoment[] }>()
  useEffect(() => {
    if (!looking) return
    let here = true
    void import('#core/explain/course').then(
      ({ courseOf }) => here && setCooked({ of: plan, course: courseOf(request, plan) }),
    )
    return () => {
      here = false
    }
  }, [looking, request, plan])
  const course = cooked?.of === plan ? cooked.course : []
  const most = Math.max(0, ...course.slice(-1).map((m) => m.minute))
  const at = minute === undefined ? undefined : momentAt(course, minute)
  const says =
    minute === undefined
      ? 'the pour'
      : at === undefined
        ? `${clockAt(minute)}: nothing is hot yet`
        : `${clockAt(minute)}${minute > most + 1 ? ', when served' : ''}: ${Math.round(at.bulkC)} °C, ${Math.round(at.freeG)} g water left, centres ${Math.round(100 * meanCentre(at))} % cooked`
  return {
    at: minute === undefined ? undefined : { moment: at, says, onBack: () => setMinute(undefined) },
    scrub: { minute, onMinute: setMinute, says },
  }
}
