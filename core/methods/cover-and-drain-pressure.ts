import { BITE, drainOffStage } from './boil-and-drain'
import type { MethodContext, Method } from './definition'
import { sealedStages, sealsBeforeItDrinks } from './pressure-electric'
import { staysInSieve } from './suitability'

/**
 * Left in plenty of hot water it goes on softening, so the pressure is let out at once; after ten minutes
 * where it froths, which would block the valve.
 */
const releaseFor = ({
  blend,
  release,
  releaseMinutes,
}: MethodContext): Pick<MethodContext, 'release' | 'releaseMinutes'> =>
  release !== 'natural'
    ? { release, releaseMinutes }
    : blend.frothing
      ? { release: 'timed', releaseMinutes: 10 }
      : { release: 'quick', releaseMinutes }

/**
 * Pulses and chewy grain in plenty of water under pressure, under half full, and drained after: the minutes
 * set the texture, not the water.
 */
export const coverAndDrainPressure: Method = {
  id: 'cover-and-drain-pressure',
  name: 'Pressure, covered with water and drained',
  words: 'pressure, plenty of water',
  vesselKinds: ['pressure-electric', 'pressure-stovetop'],
  water: 'excess',
  sealed: true,
  defaults: { vessel: 'pressure-electric-6', heat: 'pressure-6', restMinutes: 0 },
  beforeHeat: [
    'Check gasket, vent and rim; follow the manual',
    'Fill at most half, a third for grain that foams',
  ],
  stages: (kitchen) => [
    ...sealedStages({ ...kitchen, restMinutes: 0, ...releaseFor(kitchen) }).map((stage) =>
      stage.until === 'solved' ? { ...stage, exact: true } : stage,
    ),
    drainOffStage(),
  ],
  goal: ({ uptake }) => ({ centre: BITE, uptake }),
  suits: (variety) =>
    sealsBeforeItDrinks(variety) &&
    staysInSieve(variety) &&
    (variety.family === 'pulse' || variety.family === 'wheat and barley'),
}
