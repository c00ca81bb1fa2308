import type { Reading, Source } from '#server/devices/device'

/** A probe under the lid takes a boil for one from here on, K below where water boils at this height. */
const AT_THE_BOIL_K = 0.6

/** A thermometer in the pot. It knows where water boils here, and nothing else. */
export const simulatedProbe: Source = {
  kind: 'probe',
  read({ real, nowMs }): Reading | undefined {
    return real && { kind: 'probe', atMs: nowMs, celsius: Math.round(real.pot.bulkC * 10) / 10 }
  },
  cue({ celsius }, { stage, plan }) {
    const waits = stage.kind === 'heat-up' || (stage.kind === 'boil' && stage.ends_on === 'cue')
    return waits && celsius !== undefined && celsius >= plan.boil_c - AT_THE_BOIL_K ? {} : undefined
  },
}
