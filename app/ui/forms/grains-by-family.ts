import { VARIETIES } from '#core/grain/varieties'

const FAMILIES = [...new Set(VARIETIES.map((variety) => variety.family))]

/** Every grain by its name, grouped as a list to choose from shows them. */
export const GRAINS_BY_FAMILY: { group: string; items: { value: string; label: string }[] }[] = FAMILIES.map(
  (family) => ({
    group: family,
    items: VARIETIES.filter((variety) => variety.family === family).map(({ id, name }) => ({
      value: id,
      label: name,
    })),
  }),
)
