import { SCORCH_FROM_C } from '#core/constants'
import { deliveredPower, fullPower, type HeatLevel } from '#core/heat/sources'
import type { LidPosition } from '#core/heat/lid'
import { prepare, type PreparedPlan } from '#core/plan/prepare'
import { potForPlan } from '#core/plan/pot-for-plan'
import type { PlanRequest } from '#core/plan/request'
import { readoutOf, type Readout as Inside } from '#core/pot/readout'
import { joinGrain } from '#core/pot/actions'
import { liquidOf, type Pot, type Resolution } from '#core/pot/pot'
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
  /** State at the end. */
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

/**
 * Cooks a pot by what the player did to it, and by nothing else: no plan, no clock.
 * @param real the kitchen as it truly is
 * @param heldMinutes for how long an electric pressure cooker was set to hold
 */
export function runActions(
  real: PlanRequest,
  playerActions: PlayerActions,
  heldMinutes = 0,
  resolution: Resolution = SWEEP,
): Handled {
  const run = new HandledPot(asDone(real, playerActions), playerActions.pourG, heldMinutes, resolution)
  for (const { atMin, act } of turns(playerActions)) {
    run.passUntil(Math.min(atMin, playerActions.serveMin))
    if (atMin > playerActions.serveMin) break
    run.act(act)
  }
  run.passUntil(playerActions.serveMin)
  return run.end()
}

/** A pot in the player's hands: what the power, lid and valve are, and what an appliance does by itself. */
class HandledPot {
  readonly #pot: Pot
  readonly #prepared: PreparedPlan
  readonly #source: PlanRequest['source']
  readonly #standingLossWK: number
  readonly #closed: Pick<Phase, 'lid' | 'sealedC' | 'thermostat'>
  readonly #readouts: Readout[] = []
  readonly #marks: Marks = {}
  #powerW = 0
  #lid: LidPosition = 'on'
  #sealed: Handled['sealed'] = 'open'
  #heldLeft: number

  constructor(request: PlanRequest, pourG: number, heldMinutes: number, resolution: Resolution) {
    const prepared = prepare(request)
    const { timed, boilC } = prepared
    const { vessel, source, kitchenC } = request
    this.#prepared = prepared
    this.#source = source
    this.#heldLeft = heldMinutes
    this.#pot = potForPlan(request, prepared, { pour_g: pourG }, resolution)
    this.#standingLossWK = standingLoss(vessel, celsius(boilC), celsius(kitchenC))
    const sealedC = timed.stages.find((s) => s.sealedC !== undefined)?.sealedC
    this.#closed = { lid: 'on', ...(sealedC === undefined ? {} : { sealedC }), thermostat: true }
  }

  /** Lets time pass in which the player does nothing.  @param atMin from the pour */
  passUntil(atMin: number): void {
    let left = Math.max(0, atMin - this.#pot.now / 60)
    while (left > 1e-6) left -= this.#pass(left)
  }

  act({ heat, lid, putIn, vent }: Turn['act']): void {
    if (heat !== undefined) this.#setHeat(heat)
    if (lid !== undefined) this.#lid = lid
    if (putIn) for (const grain of this.#prepared.later) joinGrain(this.#pot, grain)
    if (vent && this.#sealed !== 'open') {
      this.#powerW = 0
      this.#run({
        ...this.#closed,
        mode: 'venting',
        until: { event: 'unsealed', atMostMinutes: VENT_AT_MOST },
      })
      this.#sealed = 'open'
      this.#mark('unsealed')
    }
  }

  end(): Handled {
    // What was set aside and never put in is eaten as it is.
    for (const grain of this.#prepared.later) joinGrain(this.#pot, grain)
    this.#readouts.push(readout(this.#pot))
    return {
      pot: this.#pot,
      prepared: this.#prepared,
      glimpses: this.#readouts,
      marks: this.#marks,
      powerW: this.#powerW,
      lid: this.#lid,
      sealed: this.#sealed,
    }
  }

  #setHeat(level: HeatLevel): void {
    const { kind } = this.#source
    const appliance = kind === 'cooker' || kind === 'pressure'
    this.#powerW = !appliance
      ? deliveredPower(this.#source, level, this.#standingLossWK)
      : level === 'off'
        ? 0
        : fullPower(this.#source)
    if (kind !== 'pressure') return
    if (level === 'off') this.#sealed = this.#sealed === 'open' ? 'open' : 'falling'
    else if (this.#sealed === 'open') this.#sealed = 'rising'
  }

  /** Goes on until the appliance does something by itself.  @returns minutes that passed, at most `left` */
  #pass(left: number): number {
    const closed = this.#closed
    if (this.#source.kind === 'cooker' && this.#powerW > 0) {
      const run = this.#run({ until: { event: 'switch', atMostMinutes: left } })
      if (run.ended) {
        this.#powerW = 0
        this.#mark('click')
      }
      return run.minutes
    }
    switch (this.#sealed) {
      case 'rising': {
        const run = this.#run({
          ...closed,
          mode: 'sealing',
          until: { event: 'pressure', atMostMinutes: left },
        })
        if (run.ended) {
          this.#sealed = 'held'
          this.#mark('pressure')
        }
        return run.minutes
      }
      case 'held': {
        const until = { minutes: Math.min(left, this.#heldLeft) }
        const run = this.#run({ ...closed, mode: 'sealed', sealedLeak: VALVE_LEAK, until })
        this.#heldLeft -= run.minutes
        if (this.#heldLeft <= 1e-6) {
          this.#sealed = 'falling'
          this.#powerW = 0
        }
        return run.minutes
      }
      case 'falling': {
        const run = this.#run({
          ...closed,
          mode: 'sealed',
          until: { event: 'unsealed', atMostMinutes: left },
        })
        if (run.ended) {
          this.#sealed = 'open'
          this.#mark('unsealed')
        }
        return run.minutes
      }
      case 'open':
        return this.#run({ until: { minutes: left } }).minutes
    }
  }

  #run(over: Partial<Phase> & Pick<Phase, 'until'>) {
    const basket = this.#prepared.method.basket === true
    const contact = this.#pot.present.includes(true) ? 'steam' : 'aside'
    const phase: Phase = {
      id: 'hand',
      powerW: this.#powerW,
      lid: this.#lid,
      mode: 'open',
      ...(basket ? { contact } : {}),
      ...over,
    }
    return runPhase(this.#pot, phase, (pot) => this.#watch(pot))
  }

  #watch(pot: Pot): void {
    this.#mark('boil', pot.bulkC >= this.#prepared.boilC - AT_BOIL_K)
    this.#mark('dry', liquidOf(pot) <= 0 && pot.present.includes(true))
    this.#mark('burning', pot.bottomC > SCORCH_FROM_C)
    if (pot.now / 60 >= (this.#readouts.at(-1)?.atMin ?? -Infinity) + EVERY_MIN)
      this.#readouts.push(readout(pot))
  }

  #mark(what: keyof Marks, is = true): void {
    if (is && this.#marks[what] === undefined) this.#marks[what] = this.#pot.now / 60
  }
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
