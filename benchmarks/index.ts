import { planFrom } from '#core/contract/plan'
import { parsePlanRequest, type PlanRequestJson } from '#core/contract/plan-request'
import { VARIETIES } from '#core/grain/varieties'
import { METHOD_IDS } from '#core/methods/index'
import { plan } from '#core/plan/plan'
import { cookPlan } from '#core/simulate/cook-plan'
import type { ScriptStep } from '#core/simulate/script'
import { scheduleFrom } from '#core/contract/schedule'
import { simulate } from '#core/simulate/simulate'
import { chancesOf } from '#core/simulate/sweep'
import { say } from './say'

/** How long plans take, beside one fine pot cooked through in the same run: machines differ, the ratio hardly does. */
const batches = [150, 300, 900] as const
const heights = [0, 1120, 2500] as const

const requests = (method: (typeof METHOD_IDS)[number]): PlanRequestJson[] =>
  VARIETIES.flatMap((row) =>
    batches.flatMap((value) =>
      heights.map((elevation_m) => ({
        grains: [{ variety: row.id }],
        amount: { basis: 'dry-mass' as const, value },
        method,
        elevation_m,
      })),
    ),
  )

const millis = (run: () => void): number => {
  const start = performance.now()
  run()
  return performance.now() - start
}
const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!
const worst = (list: number[]): number => Math.max(...list)

const usual = parsePlanRequest({
  grains: [{ variety: 'short-white' }],
  amount: { basis: 'dry-mass', value: 300 },
})
if (!usual.ok) throw new Error('the usual request cannot be read')
const made = plan(usual.value)
for (let i = 0; i < 20; i++) cookPlan(usual.value, made) // warm
const fine = median(Array.from({ length: 15 }, () => millis(() => cookPlan(usual.value, made))))
say('a fine pot cooked through', `${fine.toFixed(1)} ms`)

for (const method of METHOD_IDS) {
  const asked = requests(method)
  for (const request of asked.slice(0, 60)) planFrom(request) // warm
  const times = asked.map((request) => millis(() => planFrom(request)))
  say(
    `${asked.length} plans, ${method}`,
    `median ${median(times).toFixed(2)} ms, worst ${worst(times).toFixed(1)}`,
    `${(median(times) / fine).toFixed(2)} of a fine pot; limit 3 ms`,
  )
}

for (let i = 0; i < 3; i++) simulate({ request: usual.value, script: null, happenings: [] })
const hour: ScriptStep[] = [{ powerW: 200, lid: 'on', pressureKPa: null, until: { minutes: 60 } }]
const oneHour = median(
  Array.from({ length: 9 }, () =>
    millis(() => simulate({ request: usual.value, script: hour, happenings: [] })),
  ),
)
const kitchens = median(
  Array.from({ length: 3 }, () =>
    millis(() => chancesOf({ request: usual.value, script: null, happenings: [] }, { seed: 1, runs: 400 })),
  ),
)
say('an hour of one fine pot', `${oneHour.toFixed(1)} ms`, `${(oneHour / fine).toFixed(1)} of a fine pot`)
say('a sweep of 400 pots', `${kitchens.toFixed(0)} ms`, `${(kitchens / fine).toFixed(0)} of a fine pot`)

const meal = Array.from({ length: 8 }, (_, d) => ({
  id: `dish-${d}`,
  hold_max_minutes: 30,
  tasks: Array.from({ length: 6 }, (_, t) => ({
    id: `t${t}`,
    title: `task ${t}`,
    minutes: 3 + ((d * 7 + t * 5) % 17),
    hands_on: (d + t) % 2 === 0,
    needs: (d + t) % 3 === 0 ? ('burner' as const) : t === 4 ? ('oven' as const) : ('none' as const),
  })),
}))
const choir = {
  serve_at: '2026-03-05T19:00:00+01:00',
  burners: [
    { id: 'a', heat: 'gas-small' },
    { id: 'b', heat: 'gas-large' },
    { id: 'c', heat: 'induction' },
  ],
  cooks: 2,
  dishes: meal,
}
scheduleFrom(choir)
const tables = Array.from({ length: 9 }, () => millis(() => scheduleFrom(choir)))
say(
  'a meal of 8 dishes of 6 tasks',
  `${median(tables).toFixed(0)} ms`,
  `${(median(tables) / fine).toFixed(1)} of a fine pot; limit 200 ms`,
)
