import { SWITCH_OVER_BOIL_K } from '#core/pot/run'
import type { Reading, Source } from '#server/devices/device'

/** A switch cooker's click: its bottom has left the boil behind. */
export const simulatedCooker: Source = {
  kind: 'cooker',
  read({ real, stage, nowMs }): Reading | undefined {
    if (!real || stage.cue_id !== 'switch-click') return undefined
    const { pot } = real
    return { kind: 'cooker', atMs: nowMs, clicked: pot.bottomC >= pot.setup.boilC + SWITCH_OVER_BOIL_K }
  },
  cue: ({ clicked }, { stage }) => (stage.cue_id === 'switch-click' && clicked ? {} : undefined),
}
