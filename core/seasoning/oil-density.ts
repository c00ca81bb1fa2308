/** Of cooking oil, g/mL. */
export const OIL_DENSITY = 0.92
