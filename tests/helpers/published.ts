/**
 * Published figures that tests compare with and docs/plots draws: one place, so that a plot shows what a test
 * holds.
 */

/** Zeros of the Bessel function J0; Abramowitz & Stegun, table 9.5. */
const J0_ZEROS = [
  2.404825557695773, 5.520078110286311, 8.65372791291101, 11.79153443901428, 14.93091770848779,
  18.07106396791092, 21.21163662987926, 24.3524715307493, 27.49347913204025, 30.63460646843198,
]

/**
 * Crank 1975, The Mathematics of Diffusion, eq. 5.23: uptake of a cylinder with its surface held at
 * saturation, as a share of saturation.
 * @param spread D·t/a²
 */
export const crankCylinder = (spread: number): number =>
  1 - J0_ZEROS.reduce((sum, z) => sum + (4 / (z * z)) * Math.exp(-z * z * spread), 0)

/** Water taken up in a cold soak at 20 °C: minutes, g/g. */
export const SOAKED_AT_20_C = {
  'short-white': [
    [5, 0.1],
    [10, 0.134],
    [30, 0.21],
    [60, 0.255],
  ],
  basmati: [
    [20, 0.24],
    [30, 0.27],
  ],
  'brown-short': [
    [30, 0.1],
    [120, 0.22],
    [480, 0.29],
    [720, 0.3],
  ],
} as const

/** Boiling point by elevation in the standard atmosphere: m, °C (ICAO pressure, IAPWS-IF97 region 4). */
export const BOILING_POINTS = [
  [0, 99.97],
  [500, 98.31],
  [1000, 96.65],
  [1500, 94.98],
  [2000, 93.32],
  [3000, 89.97],
] as const
