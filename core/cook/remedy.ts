import type { LidPosition } from '#core/heat/lid'
import { REMEDY_HEATS, type RemedyHeat } from './remedy-heat'
import type { Plan, Stage } from '#core/plan/result'

/** What can be wrong with a pot, as a cook sees, tastes or smells it. */
export const COMPLAINTS = [
  'still-wet',
  'dry-firm',
  'hard-wet',
  'chalky',
  'dry-early',
  'scorched',
  'boiled-over',
  'opened',
  'mush',
] as const
export type Complaint = (typeof COMPLAINTS)[number]

/** What puts it right: water in, so long at such a heat, so long at rest. Frozen when it is begun. */
export interface Remedy {
  complaint: Complaint
  /** Boiling water in, g; 0 for none. */
  addG: number
  /** Turn the bed over before the heat. */
  turn: boolean
  /** Loose water to pour off first, g; left out: none. */
  pourOffG?: number
  /** In a basket over steam, and not in the water. */
  steam?: boolean
  /** What heats it; left out: a burner. */
  heat?: RemedyHeat
  powerW: number
  lid: LidPosition
  heatMinutes: number
  restMinutes: number
}

/** The most a remedy may ask for. */
export const REMEDY_LIMITS = { addG: 5000, powerW: 20_000, minutes: 120 } as const

const MENDS = 'mend-'
/** Whether a stage is a remedy's, and not the plan's own. */
export const isRemedy = (stageId: string): boolean => stageId.startsWith(MENDS)

/** The stages of a remedy, named after the event that began it. */
export function remedyStages(
  eventId: string,
  { addG, turn, pourOffG = 0, steam = false, heat = 'burner', powerW, lid, heatMinutes, restMinutes }: Remedy,
): Omit<Stage, 'after'>[] {
  const id = `${MENDS}${eventId.slice(0, 8)}`
  const just = (minutes: number) => ({ low: minutes, expected: minutes, high: minutes })
  const stages: Omit<Stage, 'after'>[] = []
  if (pourOffG > 0)
    stages.push({
      id: `${id}-pour-off`,
      kind: 'drain',
      title: `Pour off the loose water, about ${Math.round(pourOffG)} g`,
      heat: 'off',
      power_w: 0,
      lid: 'ajar',
      minutes: { low: 0.3, expected: 0.8, high: 2 },
      ends_on: 'cue',
      cue: 'no more runs off, the lid back on',
      cue_id: 'drained',
      hands_on: true,
      mends: { addG: 0, turn: false, pourOffG },
      checks: [
        'Hold the lid with a cloth, pour away from you: steam burns',
        'Or tip it into a sieve and back',
      ],
    })
  if (addG > 0 || turn)
    stages.push({
      id: `${id}-add`,
      kind: turn ? 'turn' : 'moisten',
      heat: 'off',
      power_w: 0,
      lid: 'off',
      minutes: { low: 0.3, expected: 0.7, high: 2 },
      ends_on: 'cue',
      hands_on: true,
      title: turn
        ? addG > 0
          ? `Turn it gently, sprinkle ${Math.round(addG)} g boiling water`
          : 'Turn it gently, do not press'
        : `Add ${Math.round(addG)} g boiling water`,
      cue: 'it is in, the lid back on',
      cue_id: 'added',
      mends: { addG, turn },
      checks: ['Open the lid away from you: steam can burn you'],
    })
  if (heatMinutes > 0)
    stages.push({
      id: `${id}-heat`,
      kind: steam ? 'steam' : lid === 'off' ? 'spread' : 'simmer',
      title: steam
        ? 'Steam on, lid on, medium heat'
        : REMEDY_HEATS[heat][lid === 'off' ? 'steamingOff' : 'again'],
      set: { setting: steam ? 'medium' : REMEDY_HEATS[heat].setting, minutes: heatMinutes },
      heat: steam ? 'medium' : 'lowest',
      power_w: powerW,
      lid,
      minutes: just(heatMinutes),
      ends_on: 'clock',
      hands_on: false,
      checks: steam
        ? ['Check the water; top it up from a kettle']
        : lid === 'off'
          ? ['Part the grain: no water at the bottom']
          : [],
    })
  if (restMinutes > 0)
    stages.push({
      id: `${id}-rest`,
      kind: 'rest',
      title: 'Off the heat, lid on',
      heat: 'off',
      power_w: 0,
      lid: 'on',
      minutes: just(restMinutes),
      ends_on: 'clock',
      hands_on: false,
      checks: [],
    })
  return stages
}

/**
 * A plan with a remedy begun at a stage: that stage ends there, the remedy comes next, and what came after it
 * waits for the remedy.
 * @param beginsMs when it was begun, UTC milliseconds
 */
export function withRemedy(plan: Plan, eventId: string, at: string, remedy: Remedy, beginsMs: number): Plan {
  const made = remedyStages(eventId, remedy)
  const place = plan.stages.findIndex((stage) => stage.id === at)
  if (made.length === 0 || place < 0) return plan
  const stages = made.map((stage, i): Stage => ({
    ...stage,
    after: [i === 0 ? at : made[i - 1]!.id],
    ...(i === 0 ? { begins_ms: beginsMs } : {}),
  }))
  const last = stages.at(-1)!.id
  const later = plan.stages
    .slice(place + 1)
    .map((stage) => ({ ...stage, after: stage.after.map((id) => (id === at ? last : id)) }))
  return { ...plan, stages: [...plan.stages.slice(0, place + 1), ...stages, ...later] }
}
