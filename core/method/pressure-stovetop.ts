import type { Method } from './method'
import { pressureStages } from './pressure-electric'
import { powerAt } from './stages'

/** A weight or a spring holds it: it must be turned down in time, and it leaks more than one that holds itself. */
const STOVETOP = { gaugeKPa: { low: 50, high: 80 }, leak: 1.5, heldHeat: 'lowest', thermostat: false, upTitle: 'Lid locked, full heat until the pin is up' } as const

export const pressureStovetop: Method = {
  id: 'pressure-stovetop',
  name: 'Stovetop pressure pot',
  vesselKind: 'pressure-stovetop',
  water: 'pot',
  defaults: { vessel: 'pressure-stovetop-5', heat: 'gas-medium', restMinutes: 0 },
  beforeHeat: [
    'Gasket seated, vent clear, rim wiped: the maker\'s manual goes first',
    'Level the bed; wipe the outside of the base dry',
  ],
  stages: (kitchen) => pressureStages(kitchen, { ...STOVETOP, heldW: powerAt(kitchen)('lowest') }),
}
