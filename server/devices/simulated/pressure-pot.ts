import type { Reading, Source } from '#server/devices/device'

/** The pin counts as up when the pressure is nearly full, K below it, and as down near the open boil, K above. */
const UNDER_FULL_K = 0.5
const NEAR_BOIL_K = 0.6

/** The pin of a pressure pot. */
export const simulatedPressurePot: Source = {
  kind: 'pressure-pot',
  read({ real, stage, nowMs }): Reading | undefined {
    if (!real || (stage.kind !== 'pressure-up' && stage.kind !== 'release')) return undefined
    const { pot, ahead } = real
    const full = ahead[0]?.phase.sealedC ?? Infinity
    const up = stage.kind === 'pressure-up' && pot.bulkC >= full - UNDER_FULL_K
    const down = stage.kind === 'release' && pot.bulkC <= pot.setup.boilC + NEAR_BOIL_K
    return { kind: 'pressure-pot', atMs: nowMs, clicked: up || down }
  },
  cue: ({ clicked }, { stage }) => (clicked && stage.ends_on === 'cue' ? {} : undefined),
}
