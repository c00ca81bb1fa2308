import { CENTRE_DONE } from '#core/constants'
import type { MethodContext, Method, MethodStage } from './definition'
import { powerAt, allGrains } from './stages'
import { basketOn, boilerLook, STEAMER_CHECKS, steamUp } from './steam'

/** Grain that takes up its water moistened and steamed. */
const IN_ROUNDS: ReadonlySet<string> = new Set(['couscous', 'bulgur-medium'])
const MOISTEN_MINUTES = 10
const TURN_MINUTES = 3
/** Steaming of every pass but the last, minutes. */
const PASS_MINUTES = 15
/** The last pass makes it light, however done it is. */
const LAST_PASS_MINUTES = 15
const NTH = ['first', 'second', 'third', 'fourth'] as const

/** Moistened, steamed, turned out and rubbed apart, and again: each pass drinks its share of the water. */
export const steamPasses: Method = {
  id: 'steam-passes',
  name: 'Steamed in rounds',
  words: 'steamed in rounds',
  vesselKinds: ['pot'],
  water: 'stock',
  basket: true,
  defaults: { vessel: 'basket-5', heat: 'gas-medium', restMinutes: 0 },
  beforeHeat: [...STEAMER_CHECKS],
  stages(kitchen) {
    const { passes } = kitchen
    const stages: MethodStage[] = [moisten(kitchen, 0, 0), steamUp(kitchen), basketOn(kitchen)]
    for (let pass = 0; pass < passes; pass++) {
      const last = pass === passes - 1
      stages.push({
        id: `steam-${pass + 1}`,
        kind: 'steam',
        title: passes === 1 ? 'Steam it, lid on' : `Steam it, lid on, ${NTH[pass]} time`,
        heat: 'medium',
        powerW: powerAt(kitchen)('medium'),
        lid: 'on',
        mode: 'open',
        contact: 'steam',
        until: last ? 'solved' : { minutes: PASS_MINUTES },
        atLeast: LAST_PASS_MINUTES,
        endsOn: 'clock',
        handsOn: false,
        checks: [boilerLook(kitchen)],
      })
      if (last) break
      stages.push(
        {
          id: `turn-${pass + 1}`,
          kind: 'turn',
          title: 'Turn it out and loosen the grains',
          heat: 'lowest',
          powerW: powerAt(kitchen)('lowest'),
          lid: 'on',
          mode: 'open',
          contact: 'aside',
          leave: allGrains(kitchen),
          until: { minutes: TURN_MINUTES },
          endsOn: 'cue',
          cue: 'loosened',
          handsOn: true,
          checks: ['It is hot: use a fork first'],
        },
        moisten(kitchen, pass + 1, powerAt(kitchen)('lowest')),
        basketOn(kitchen, { id: `add-${pass + 2}`, title: 'Back into the basket, lid on', joinWarm: true }),
      )
    }
    return stages
  },
  goal: () => ({ centre: CENTRE_DONE, free: 0.05 }),
  suits: ({ id }) => IN_ROUNDS.has(id),
}

const moisten = (kitchen: MethodContext, pass: number, powerW: number): MethodStage => ({
  id: `moisten-${pass + 1}`,
  kind: 'moisten',
  title: `Sprinkle on its share of water and let it absorb${pass > 0 ? ' again' : ''}`,
  heat: powerW > 0 ? 'lowest' : 'off',
  powerW,
  lid: 'on',
  mode: 'open',
  contact: 'aside',
  pourShare: 1 / kitchen.passes,
  until: { minutes: MOISTEN_MINUTES },
  endsOn: 'clock',
  handsOn: false,
  checks: pass === 0 ? ['First rub a little oil and salt into the dry grain'] : [],
})
