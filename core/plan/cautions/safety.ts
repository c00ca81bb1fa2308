import { FRIDGE_C, FRIDGE_WARMEST_C } from '#core/constants'
import { AVOIDABLE, heldBy, insteadOf, type AvoidedId } from '#core/eaters/avoid'
import { inWords, type VarietyId, varietyOf } from '#core/grain/varieties'
import { FOLLOW_LOCAL, guidanceOf, WHY_STRICT } from '#core/leftovers/guidance'
import { longestSoakMinutes } from '#core/water/soak-window'
import type { CautionInput } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

/** Somebody at the table avoids what this grain holds. */
function avoided(
  { id, name }: { id: string; name: string },
  held: readonly AvoidedId[],
  { avoids, grains }: CautionInput['request'],
): Caution {
  const instead = insteadOf(id as VarietyId, avoids)
  return {
    code: 'avoided',
    severity: 'stop',
    about: 'food-safety',
    text: `${name} contains ${held.map((food) => AVOIDABLE[food].word).join(' and ')}, which someone avoids. Check the label.`,
    ...(instead
      ? {
          remedy: `Cook ${inWords(varietyOf(instead))} instead, in a pot of its own.`,
          mend: { grains: grains.map((g) => (g.variety === id ? { ...g, variety: instead } : g)) },
        }
      : {}),
  }
}

/** An appliance that starts by itself: grain in water keeps for hours, not for a night. */
function startLater(later: number, inWater: number, atC: number): Caution {
  const longest = longestSoakMinutes(atC)
  const limit = `Soaking grain is safe for ${longest / 60} h at ${Math.round(atC)} °C.`
  if (inWater > longest)
    return {
      code: 'start-later-too-long',
      severity: 'stop',
      about: 'food-safety',
      text: `${limit} It would soak ${Math.round(inWater / 6) / 10} h before heating and turn sour. ${FOLLOW_LOCAL}`,
      remedy: `Fill it ${Math.round((inWater - longest) / 6) / 10} h later, or soak in the fridge and start it yourself.`,
      mend: { start_later_minutes: Math.max(0, Math.floor(later - (inWater - longest))) },
    }
  return {
    code: 'starts-by-itself',
    severity: 'note',
    about: 'food-safety',
    text: `${limit} It starts ${Math.round(later)} min after setting; see the manual whether it may run unattended.`,
  }
}

/** The usual cautions where the work can hurt someone. They defer to makers and authorities and cannot be switched off. */
export function safetyCautions({ request, blend, method, stages }: CautionInput): Caution[] {
  const found: Caution[] = []
  const { soak } = request
  const guidance = guidanceOf(request.guidance)
  if (request.vessel.kind.startsWith('pressure')) {
    found.push({
      code: 'pressure-vessel',
      severity: 'note',
      about: 'burn',
      text: "Pressure: gasket, valve and fill as the maker's manual says. Never force the lid.",
    })
    if (stages.some((stage) => stage.id === 'vent'))
      found.push({
        code: 'venting-steam',
        severity: request.release === 'natural' ? 'note' : 'warn',
        about: 'burn',
        text: 'Released steam burns and may spray: keep face, hands and cupboards clear of it.',
        ...(request.release === 'natural'
          ? {}
          : { remedy: 'Use natural release.', mend: { release: 'natural' } }),
      })
  } else {
    found.push({
      code: 'steam-under-lid',
      severity: 'note',
      about: 'burn',
      text:
        method.id === 'oven'
          ? 'Lift the foil at the far side first: steam can burn you.'
          : 'Open the lid away from you: steam can burn you.',
    })
  }
  if (method.basket)
    found.push({
      code: 'steamer-vent',
      severity: 'note',
      about: 'burn',
      text: 'Never seal a steamer. Let steam escape away from cupboards, face and hands, and do not let it run dry.',
    })
  if (
    request.rinse.washes > 0 &&
    (request.enriched ?? blend.parts.some(({ variety }) => variety.family === 'white rice'))
  )
    found.push({
      code: 'washing-takes-vitamins',
      severity: 'note',
      about: 'food-safety',
      text: request.enriched
        ? 'This grain is enriched: rinsing washes off added vitamins.'
        : 'If the bag says enriched, rinsing washes off added vitamins.',
    })
  if (method.water === 'excess') {
    found.push({
      code: 'hot-drain',
      severity: 'note',
      about: 'burn',
      text: 'Draining a full pot can scald: use both hands, tip steam away from you, keep the sink clear.',
    })
    if (blend.parts.some(({ variety }) => variety.family.includes('rice')))
      found.push({
        code: 'drained-arsenic',
        severity: 'note',
        about: 'food-safety',
        text: 'Plenty of water, poured off, takes about half of the inorganic arsenic with it (and some vitamins); rinsing alone takes little.',
      })
  }
  if (request.startLaterMinutes > 0)
    found.push(startLater(request.startLaterMinutes, soak!.minutes, soak!.celsius))
  else if (soak && soak.celsius > FRIDGE_WARMEST_C) {
    const longest = longestSoakMinutes(soak.celsius)
    if (soak.minutes > longest)
      found.push({
        code: 'soak-belongs-in-fridge',
        severity: 'warn',
        about: 'food-safety',
        text: `${Math.round(soak.minutes / 6) / 10} h at ${Math.round(soak.celsius)} °C turns it sour. After ${longest / 60} h soak in the fridge.`,
        remedy: 'Soak it in the fridge.',
        mend: { soak: { ...soak, celsius: FRIDGE_C } },
      })
  }
  found.push({
    code: 'hot-or-cold',
    severity: 'note',
    about: 'food-safety',
    text: `Eat it hot, keep it at ${guidance.hold_hot_c.value} °C or more, or cool it within ${guidance.cool_min.value === 60 ? 'an hour' : `${guidance.cool_min.value} min`} and chill it. ${WHY_STRICT} ${FOLLOW_LOCAL}`,
  })
  for (const { variety } of blend.parts) {
    const held = heldBy(variety.id as VarietyId, request.avoids)
    if (held.length > 0) found.push(avoided(variety, held, request))
  }
  if (blend.gluten)
    found.push({
      code: 'gluten',
      severity: 'note',
      about: 'food-safety',
      text: 'Contains gluten or may be milled with grain that does.',
    })
  return found
}
