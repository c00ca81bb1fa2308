import type { Method } from './definition'
import { sealedStages, sealsBeforeItDrinks } from './pressure-electric'

export const pressureStovetop: Method = {
  id: 'pressure-stovetop',
  name: 'Stovetop pressure cooker',
  words: 'pressure',
  vesselKinds: ['pressure-stovetop'],
  water: 'pot',
  coldStart: true,
  sealed: true,
  pourSetsTexture: true,
  defaults: { vessel: 'pressure-stovetop-5', heat: 'gas-medium', restMinutes: 0 },
  beforeHeat: [
    'Check gasket, vent and rim; follow the manual',
    'Level the grain; wipe the outside of the base dry',
  ],
  stages: sealedStages,
  suits: sealsBeforeItDrinks,
}
