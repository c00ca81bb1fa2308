import { VARIETY_IDS, type VarietyId } from '#core/grain/varieties'
import { WEEK_DAYS, WEEK_LIMITS, type WeekWish } from '#core/leftovers/week'

/** A row of the form, as it stands in the address: "w=barley-pearled:4:0,2,3". */
export const WISH_KEY = 'w'
export const wishText = ({ variety, portions, days }: WeekWish): string =>
  `${variety}:${portions}:${days.join(',')}`

/** The wishes of an address; what makes no sense is left out. */
export const wishesIn = (search: URLSearchParams): WeekWish[] =>
  search
    .getAll(WISH_KEY)
    .slice(0, WEEK_LIMITS.wishes)
    .flatMap((text): WeekWish[] => {
      const [variety, count, days = ''] = text.split(':')
      const portions = Number(count)
      const [least, most] = WEEK_LIMITS.portions
      return VARIETY_IDS.includes(variety as VarietyId) && portions >= least && portions <= most
        ? [
            {
              variety: variety as VarietyId,
              portions,
              days: days
                .split(',')
                .map(Number)
                .filter((day) => Number.isInteger(day) && day >= 0 && day < WEEK_DAYS),
            },
          ]
        : []
    })
