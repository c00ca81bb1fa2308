import type { Readout } from './readout'

/** How cooked the slowest centres are on the mean, 0..1. */
export const meanCentre = ({ centreByLayer }: Pick<Readout, 'centreByLayer'>): number =>
  centreByLayer.reduce((a, b) => a + b, 0) / centreByLayer.length
