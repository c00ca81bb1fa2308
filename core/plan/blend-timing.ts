import type { Blend } from '#core/grain/blend'
import { inWords } from '#core/grain/varieties'
import { cookingSpeed } from '#core/heat/cooking-speed'
import type { MethodStage } from '#core/methods/definition'
import { celsius } from '#core/units/units'
import type { BlendTiming } from './request'
import { isSlow } from '#core/grain/blend'
import { earliestGuess } from './earliest-guess'

/** The stages of a blend, and which members wait outside the pot. */
export interface TimedBlend {
  stages: MethodStage[]
  /** Places in the blend of what goes in later. */
  later: number[]
  /** Minutes from the boil until they go in; undefined when all start together. */
  addAfter?: number
}

/**
 * Splits the open stage of a method so that quick grain goes in later and all is done at one end. A vessel
 * that cannot be opened, and a cooker that ends by itself, keep their stages.
 */
export function timeBlend(given: {
  blend: Blend
  stages: MethodStage[]
  timing: BlendTiming
  boilC: number
}): TimedBlend {
  const { blend, stages, timing, boilC } = given
  const at = stages.findIndex((stage) => stage.until === 'solved')
  const open = stages[at]
  const quick = blend.parts.map((part, i) => ({ part, i })).filter(({ part }) => !isSlow(part, blend))
  if (
    timing !== 'add-later' ||
    !open ||
    open.mode !== 'open' ||
    open.contact !== undefined ||
    quick.length === blend.parts.length
  )
    return { stages, later: [] }
  const speed = cookingSpeed(celsius(boilC))
  const slowest = earliestGuess(blend.slowest, speed)
  const quickest = Math.max(...quick.map(({ part }) => earliestGuess(part.variety, speed)))
  const addAfter = Math.max(1, Math.round(slowest - quickest))
  const names = quick.map(({ part }) => inWords(part.variety)).join(' and ')
  const slow = blend.parts
    .filter((part) => isSlow(part, blend))
    .map((part) => inWords(part.variety))
    .join(' and ')
  const before: MethodStage = {
    ...open,
    id: `${open.id}-first`,
    title: `${open.title}: the ${slow} alone`,
    until: { minutes: addAfter },
    checks: [],
  }
  const add: MethodStage = {
    ...open,
    id: 'add-quick',
    kind: 'turn',
    title: `Add the ${names}, level it, lid back on`,
    lid: 'off',
    until: { minutes: ADD_MINUTES },
    join: quick.map(({ i }) => i),
    endsOn: 'cue',
    cue: 'added',
    handsOn: true,
    checks: ['Steam: lift the lid away from you'],
  }
  const waits = new Set(quick.map(({ i }) => i))
  const first = stages
    .slice(0, at)
    .map((stage) => (stage.join ? { ...stage, join: stage.join.filter((i) => !waits.has(i)) } : stage))
  return { stages: [...first, before, add, ...stages.slice(at)], later: quick.map(({ i }) => i), addAfter }
}

const ADD_MINUTES = 1
