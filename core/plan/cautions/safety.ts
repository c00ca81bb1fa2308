import { FRIDGE_C, FRIDGE_WARMEST_C } from '#core/constants'
import { AVOIDABLE, heldBy, insteadOf, type AvoidedId } from '#core/eaters/avoid'
import { inWords, type VarietyId, varietyOf } from '#core/grain/varieties'
import { FOLLOW_LOCAL, guidanceOf, WHY_STRICT } from '#core/leftovers/guidance'
import { longestSoakMinutes } from '#core/water/soak-window'
import { isPressureCooker } from '#core/vessel/vessel'
import type { CautionInput, CautionRule } from '#core/plan/caution-input'
import type { Caution } from '#core/plan/result'

/** Someone at the table avoids what this grain holds. */
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

const pressureVessel: CautionRule = (facts) =>
  isPressureCooker(facts.request.vessel.kind)
    ? {
        code: 'pressure-vessel',
        severity: 'note',
        about: 'burn',
        text: "Pressure: gasket, valve and fill as the maker's manual says. Never force the lid.",
      }
    : undefined

const ventingSteam: CautionRule = (facts) => {
  if (!isPressureCooker(facts.request.vessel.kind) || !facts.stages.some((stage) => stage.id === 'vent'))
    return
  const natural = facts.request.release === 'natural'
  return {
    code: 'venting-steam',
    severity: natural ? 'note' : 'warn',
    about: 'burn',
    text: 'Released steam burns and may spray: keep face, hands and cupboards clear of it.',
    ...(natural ? {} : { remedy: 'Use natural release.', mend: { release: 'natural' } }),
  }
}

const steamUnderLid: CautionRule = (facts) =>
  isPressureCooker(facts.request.vessel.kind)
    ? undefined
    : {
        code: 'steam-under-lid',
        severity: 'note',
        about: 'burn',
        text:
          facts.method.id === 'oven'
            ? 'Lift the foil at the far side first: steam can burn you.'
            : 'Open the lid away from you: steam can burn you.',
      }

const steamerVent: CautionRule = ({ method }) =>
  method.basket
    ? {
        code: 'steamer-vent',
        severity: 'note',
        about: 'burn',
        text: 'Never seal a steamer. Let steam escape away from cupboards, face and hands, and do not let it run dry.',
      }
    : undefined

const washingTakesVitamins: CautionRule = ({ request, blend }) => {
  const mayBeEnriched = request.enriched ?? blend.parts.some(({ variety }) => variety.family === 'white rice')
  if (request.rinse.washes === 0 || !mayBeEnriched) return
  return {
    code: 'washing-takes-vitamins',
    severity: 'note',
    about: 'food-safety',
    text: request.enriched
      ? 'This grain is enriched: rinsing washes off added vitamins.'
      : 'If the bag says enriched, rinsing washes off added vitamins.',
  }
}

const hotDrain: CautionRule = ({ method }) =>
  method.water === 'excess'
    ? {
        code: 'hot-drain',
        severity: 'note',
        about: 'burn',
        text: 'Draining a full pot can scald: use both hands, tip steam away from you, keep the sink clear.',
      }
    : undefined

const hotOil: CautionRule = ({ stages }) =>
  stages.some((stage) => stage.id === 'fry')
    ? {
        code: 'hot-oil',
        severity: 'note',
        about: 'burn',
        text: 'Hot oil sprays and burns: stay with it. If it catches fire, heat off and lid on; never water.',
      }
    : undefined

const drainedArsenic: CautionRule = ({ method, blend }) => {
  if (method.water !== 'excess' || !blend.parts.some(({ variety }) => variety.family.includes('rice'))) return
  return {
    code: 'drained-arsenic',
    severity: 'note',
    about: 'food-safety',
    text:
      'Plenty of water, poured off, takes about half of the inorganic arsenic with it (and some vitamins); ' +
      'rinsing alone takes little.',
  }
}

/** Grain that stands in water turns sour: how long it may, before an appliance starts or in a soak. */
const soakTurnsSour: CautionRule = ({ request: { soak, startLaterMinutes } }) => {
  if (startLaterMinutes > 0) return startLater(startLaterMinutes, soak!.minutes, soak!.celsius)
  if (!soak || soak.celsius <= FRIDGE_WARMEST_C) return
  const longest = longestSoakMinutes(soak.celsius)
  if (soak.minutes <= longest) return
  const hours = Math.round(soak.minutes / 6) / 10
  return {
    code: 'soak-belongs-in-fridge',
    severity: 'warn',
    about: 'food-safety',
    text: `${hours} h at ${Math.round(soak.celsius)} °C turns it sour. After ${longest / 60} h soak in the fridge.`,
    remedy: 'Soak it in the fridge.',
    mend: { soak: { ...soak, celsius: FRIDGE_C } },
  }
}

const hotOrCold: CautionRule = ({ request }) => {
  const { hold_hot_c, cool_min } = guidanceOf(request.guidance)
  const within = cool_min.value === 60 ? 'an hour' : `${cool_min.value} min`
  return {
    code: 'hot-or-cold',
    severity: 'note',
    about: 'food-safety',
    text:
      `Eat it hot, keep it at ${hold_hot_c.value} °C or more, or cool it within ${within} and chill it. ` +
      `${WHY_STRICT} ${FOLLOW_LOCAL}`,
  }
}

const avoidedFood: CautionRule = ({ request, blend }) =>
  blend.parts.flatMap(({ variety }) => {
    const held = heldBy(variety.id as VarietyId, request.avoids)
    return held.length > 0 ? [avoided(variety, held, request)] : []
  })

const gluten: CautionRule = ({ blend }) =>
  blend.gluten
    ? {
        code: 'gluten',
        severity: 'note',
        about: 'food-safety',
        text: 'Contains gluten or may be milled with grain that does.',
      }
    : undefined

/**
 * The usual cautions where the work can hurt someone. They defer to makers and authorities and cannot be
 * switched off.
 */
export const SAFETY_RULES: readonly CautionRule[] = [
  pressureVessel,
  ventingSteam,
  steamUnderLid,
  steamerVent,
  washingTakesVitamins,
  hotDrain,
  hotOil,
  drainedArsenic,
  soakTurnsSour,
  hotOrCold,
  avoidedFood,
  gluten,
]
