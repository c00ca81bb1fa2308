import type { Remote } from 'comlink'
import type { PlanRequestJson } from '#core/contract/plan-request'
import type { RoomForError, Simulator } from '../../workers/simulator'
import { useSimulated } from '../../workers/use-simulated'

/** The plan is still for so long before many kitchens are cooked in. */
const STILL_MS = 1200
const KITCHENS = 200

const roomIn = (remote: Remote<Simulator>, asked: string): Promise<RoomForError> =>
  remote.roomForError(JSON.parse(asked) as PlanRequestJson, { seed: 1, runs: KITCHENS })

/** How far the water may be off, from pots cooked; undefined until they are. */
export function useRoomForError(request: PlanRequestJson): RoomForError | undefined {
  // The hour at the table and the clock change nothing in the pot.
  const { serve_at: _hour, ...pot } = request
  return useSimulated(JSON.stringify(pot), roomIn, STILL_MS).value
}
