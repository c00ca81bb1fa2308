import type { Facts } from '#core/plan/facts'
import type { Caution } from '#core/plan/result'

/** Water on grain at kitchen warmth for longer than this belongs in the fridge, minutes at 20 °C and at 25 °C and over. */
const LONGEST_SOAK = { mild: 240, warm: 120 } as const
const WARM_C = 25
const FRIDGE_C = 8

/** The usual cautions where the work can hurt someone. They defer to makers and authorities and cannot be switched off. */
export function safetyCautions({ request, blend, method }: Facts): Caution[] {
  const found: Caution[] = []
  const { soak } = request
  if (request.method.startsWith('pressure')) {
    found.push({
      code: 'pressure-vessel',
      severity: 'note',
      about: 'burn',
      text: 'Pressure: gasket, valve and fill as the maker\'s manual says. Never force the lid.',
    })
    if (request.release !== 'natural')
      found.push({
        code: 'venting-steam',
        severity: 'warn',
        about: 'burn',
        text: 'Let-out steam burns at once and may spit: keep face, hands and cupboards clear of it.',
        remedy: 'Let the pressure fall by itself.',
        mend: { release: 'natural' },
      })
  } else {
    found.push({
      code: 'steam-under-lid',
      severity: 'note',
      about: 'burn',
      text: method.id === 'oven' ? 'Lift the foil at the far side first: the steam under it burns.' : 'Open the lid away from you: the steam under it burns.',
    })
  }
  if (method.basket)
    found.push({
      code: 'steamer-vent',
      severity: 'note',
      about: 'burn',
      text: 'Never seal a steamer: leave the steam a way out, clear of cupboards, face and hands, and keep the boiler from running dry.',
    })
  if (method.water === 'excess') {
    found.push({ code: 'hot-drain', severity: 'note', about: 'burn', text: 'Draining a full pot scalds: both hands, steam away from you, the sink clear.' })
    if (blend.parts.some(({ variety }) => variety.family.includes('rice')))
      found.push({
        code: 'drained-arsenic',
        severity: 'note',
        about: 'food-safety',
        text: 'Plenty of water, poured off, takes about half of the inorganic arsenic with it (and some vitamins); rinsing alone takes little.',
      })
  }
  if (soak && soak.celsius > FRIDGE_C) {
    const longest = soak.celsius >= WARM_C ? LONGEST_SOAK.warm : LONGEST_SOAK.mild
    if (soak.minutes > longest)
      found.push({
        code: 'soak-belongs-in-fridge',
        severity: 'warn',
        about: 'food-safety',
        text: `${Math.round(soak.minutes / 6) / 10} hours in water at ${Math.round(soak.celsius)} °C lets it sour; past ${longest / 60} hours the bowl goes in the fridge.`,
        remedy: 'Soak it in the fridge.',
        mend: { soak: { ...soak, celsius: 5 } },
      })
  }
  found.push({
    code: 'hot-or-cold',
    severity: 'note',
    about: 'food-safety',
    text: 'Eat it hot, hold it at 60 °C or more, or cool it within the hour and chill it: boiling does not kill all spores. Usual guidance; follow your local food authority.',
  })
  if (blend.gluten)
    found.push({
      code: 'gluten',
      severity: 'note',
      about: 'food-safety',
      text: 'Contains gluten, or is milled beside grain that does.',
    })
  return found
}
