import { SCORCH_FROM_C } from '#core/constants'
import { deliveredPower, fullPower, type HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import { prepare, type PreparedPlan } from '#core/plan/prepare'
import { setupFor } from '#core/plan/pour-problem'
import type { PlanRequest } from '#core/plan/request'
import { readoutOf, type Readout as Inside } from '#core/pot/readout'
import { joinGrain } from '#core/pot/actions'
import { fillPot, liquidOf, type Pot, type Resolution } from '#core/pot/pot'
import { runPhase, type Phase } from '#core/pot/run'
import { SWEEP } from '#core/simulate/sweep'
import { celsius } from '#core/units/units'
import { standingLoss } from '#core/vessel/vessel'
import type { PlayerActions } from './player-actions'

/** The inside of the pot at a minute from the pour. */
export interface Readout extends Inside {
  atMin: number
}

/** When a thing first came, in minutes from the pour; left out: it did not. */
export interface Marks {
  boil?: number
  dry?: number
  burning?: number
  click?: number
  pressure?: number
  unsealed?: number
}

export interface Handled {
  pot: Pot
  prepared: PreparedPlan
  glimpses: Readout[]
  marks: Marks
  /** As it stands at the end. */
  powerW: number
  lid: LidPosition
  /** A pressure pot's own state. */
  sealed: 'open' | 'rising' | 'held' | 'falling'
}

const EVERY_MIN = 0.5
const VENT_AT_MOST = 5
const AT_BOIL_K = 0.05
/** Steam past a held valve, g/s. */
const VALVE_LEAK = 0.3 / 60

/** Cooks a pot by what hands did to it, and by nothing else: no plan, no clock, no call.
 *  @param real the kitchen as it truly is  @param heldMinutes for how long an electric pressure pot was set to hold */
export function runActions(
  real: PlanRequest,
  playerActions: PlayerActions,
  heldMinutes = 0,
  resolution: Resolution = SWEEP,
): Handled {
  const request = asDone(real, playerActions)
  const prepared = prepare(request)
  const { method, timed, boilC } = prepared
  const { vessel, source, kitchenC } = request
  const basket = method.basket === true
  const pot = fillPot(
    setupFor(
      { ...prepared, vessel, kitchenC, stages: timed.stages, way: method.water, basket },
      playerActions.pourG,
    ),
    resolution,
  )
  const sealedC = timed.stages.find((s) => s.sealedC !== undefined)?.sealedC
  const loss = standingLoss(vessel, celsius(boilC), celsius(kitchenC))
  const appliance = source.kind === 'cooker' || source.kind === 'pressure'
  const powerOf = (level: HeatLevel) =>
    appliance ? (level === 'off' ? 0 : fullPower(source)) : deliveredPower(source, level, loss)

  const readouts: Readout[] = []
  const marks: Marks = {}
  const mark = (what: keyof Marks, is = true) => {
    if (is && marks[what] === undefined) marks[what] = pot.now / 60
  }
  const watch = (p: Pot) => {
    mark('boil', p.bulkC >= boilC - AT_BOIL_K)
    mark('dry', liquidOf(p) <= 0 && p.present.includes(true))
    mark('burning', p.bottomC > SCORCH_FROM_C)
    if (p.now / 60 >= (readouts.at(-1)?.atMin ?? -Infinity) + EVERY_MIN) readouts.push(readout(p))
  }

  let power = 0
  let lid: LidPosition = 'on'
  let sealed: Handled['sealed'] = 'open'
  let heldLeft = heldMinutes
  const contact = () =>
    basket ? { contact: pot.present.includes(true) ? ('steam' as const) : ('aside' as const) } : {}
  const phase = (over: Partial<Phase> & Pick<Phase, 'until'>): Phase => ({
    id: 'hand',
    powerW: power,
    lid,
    mode: 'open',
    ...contact(),
    ...over,
  })
  const closed = { lid: 'on', ...(sealedC === undefined ? {} : { sealedC }), thermostat: true } as const
  /** One stretch in which no hand moves; what an appliance does by itself happens in it. */
  const pass = (minutes: number) => {
    let left = minutes
    while (left > 1e-6) {
      if (source.kind === 'cooker' && power > 0) {
        const run = runPhase(pot, phase({ until: { event: 'switch', atMostMinutes: left } }), watch)
        left -= run.minutes
        if (run.ended) {
          power = 0
          mark('click')
        }
      } else if (sealed === 'rising') {
        const run = runPhase(
          pot,
          phase({ ...closed, mode: 'sealing', until: { event: 'pressure', atMostMinutes: left } }),
          watch,
        )
        left -= run.minutes
        if (run.ended) {
          sealed = 'held'
          mark('pressure')
        }
      } else if (sealed === 'held') {
        const run = runPhase(
          pot,
          phase({
            ...closed,
            mode: 'sealed',
            sealedLeak: VALVE_LEAK,
            until: { minutes: Math.min(left, heldLeft) },
          }),
          watch,
        )
        left -= run.minutes
        heldLeft -= run.minutes
        if (heldLeft <= 1e-6) {
          sealed = 'falling'
          power = 0
        }
      } else if (sealed === 'falling') {
        const run = runPhase(
          pot,
          phase({ ...closed, mode: 'sealed', until: { event: 'unsealed', atMostMinutes: left } }),
          watch,
        )
        left -= run.minutes
        if (run.ended) {
          sealed = 'open'
          mark('unsealed')
        }
      } else left -= runPhase(pot, phase({ until: { minutes: left } }), watch).minutes
    }
  }
  for (const { atMin, act } of turns(playerActions)) {
    pass(Math.max(0, Math.min(atMin, playerActions.serveMin) - pot.now / 60))
    if (atMin > playerActions.serveMin) break
    if (act.heat !== undefined) {
      power = powerOf(act.heat)
      if (source.kind === 'pressure')
        sealed =
          act.heat === 'off'
            ? sealed === 'open'
              ? 'open'
              : 'falling'
            : sealed === 'open'
              ? 'rising'
              : sealed
    }
    if (act.lid !== undefined) lid = act.lid
    if (act.putIn) for (const grain of prepared.later) joinGrain(pot, grain)
    if (act.vent && sealed !== 'open') {
      power = 0
      runPhase(
        pot,
        phase({ ...closed, mode: 'venting', until: { event: 'unsealed', atMostMinutes: VENT_AT_MOST } }),
        watch,
      )
      sealed = 'open'
      mark('unsealed')
    }
  }
  pass(Math.max(0, playerActions.serveMin - pot.now / 60))
  // What lies aside when it comes to the table is eaten as it is.
  for (const grain of prepared.later) joinGrain(pot, grain)
  readouts.push(readout(pot))
  return { pot, prepared, glimpses: readouts, marks, powerW: power, lid, sealed }
}

/**
 * The kitchen's request with the washing and soaking that were really done. Grain that came washed and soaked
 * stays so.
 */
function asDone(real: PlanRequest, { washes, soakMinutes }: PlayerActions): PlanRequest {
  if (real.soak !== null) return real
  const rinse = { ...real.rinse, washes, drain: washes > 0 ? real.rinse.drain : ('none' as const) }
  if (soakMinutes <= 0) return { ...real, rinse }
  return {
    ...real,
    rinse,
    soak: { minutes: soakMinutes, celsius: real.kitchenC, water: 'drain', wetMassG: null },
  }
}

interface Turn {
  atMin: number
  act: { heat?: HeatLevel; lid?: LidPosition; putIn?: boolean; vent?: boolean }
}

const turns = ({ heats, lids, putInMin, ventMin }: PlayerActions): Turn[] =>
  [
    ...heats.map(({ atMin, level }): Turn => ({ atMin, act: { heat: level } })),
    ...lids.map(({ atMin, lid }): Turn => ({ atMin, act: { lid } })),
    ...(putInMin === null ? [] : [{ atMin: putInMin, act: { putIn: true } }]),
    ...(ventMin === null ? [] : [{ atMin: ventMin, act: { vent: true } }]),
  ].sort((a, b) => a.atMin - b.atMin)

const readout = (pot: Pot): Readout => ({ atMin: pot.now / 60, ...readoutOf(pot) })
