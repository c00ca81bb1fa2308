import { writeFileSync } from 'node:fs'
import { VARIETY_IDS } from '#core/grain/varieties'
import { FITTED_KEYS, fitVariety, type FitResult } from './fit'
import { parseObservations } from './observations'
import { STARTS } from './starts'

/** Fits the varieties to published figures, prints what was met and what was not, and writes the planner's table.
 *  npm run calibrate [-- VARIETY …] fits only these and writes nothing. */
const only = process.argv.slice(2)
const observations = parseObservations()
const results: FitResult[] = []
for (const id of VARIETY_IDS) {
  if (only.length > 0 && !only.includes(id)) continue
  const result = fitVariety(
    id,
    observations.filter((o) => o.variety === id),
    STARTS[id],
  )
  results.push(result)
  console.log(
    `\n${id}: ${FITTED_KEYS.map((key) => `${key} ${result.figures[key].toFixed(3)} ± ${(100 * result.interval[key]).toFixed(0)} %`).join(', ')}`,
  )
  for (const { observation, predicted, inSd } of result.residuals)
    console.log(
      `  ${observation.kind.padEnd(24)} observed ${observation.value} ± ${observation.sd}, fitted ${predicted.toFixed(2)}${Math.abs(inSd) > 2 ? '  NOT MET' : ''}`,
    )
}
const all = results.flatMap((result) => result.residuals)
const outside = all.filter(({ inSd }) => Math.abs(inSd) > 2)
console.log(
  `\n${all.length} observations, sum of squares ${all.reduce((sum, { inSd }) => sum + inSd ** 2, 0).toFixed(1)}, ${outside.length} outside two standard deviations`,
)

if (only.length === 0) {
  const rounded = (value: number) => Number(value.toPrecision(4))
  const of = (record: FitResult['figures'], digits: (n: number) => number) =>
    FITTED_KEYS.map((key) => `${key}: ${digits(record[key])}`).join(', ')
  const table = (pick: (fit: FitResult) => string) =>
    results.map((fit) => `  '${fit.variety}': { ${pick(fit)} },`).join('\n')
  writeFileSync(
    new URL('../../core/grain/fitted.ts', import.meta.url),
    `import type { VarietyRow } from './variety'

/** The figures of a variety that are fitted and not measured: see docs/calibration.md. */
export type FittedFigures = Pick<VarietyRow, 'minutesAt100' | 'skin' | 'radiusMm' | 'soakLimit'>

/** Written by \`npm run calibrate\` from tools/calibration/observations.csv; not edited by hand. */
export const FITTED = {
${table(({ figures }) => of(figures, rounded))}
} as const satisfies Record<string, FittedFigures>
`,
  )
  writeFileSync(
    new URL('../../core/grain/fitted-intervals.ts', import.meta.url),
    `import type { FittedFigures } from './fitted'
import type { VarietyId } from './varieties'

/** How sure each fitted figure is: half width of its 90 % interval, as a share of the figure; 0 where it was not fitted.
 *  Written by \`npm run calibrate\`; not edited by hand. */
export const FITTED_INTERVALS: Record<VarietyId, FittedFigures> = {
${table(({ interval }) => of(interval, (n) => Number(n.toFixed(2))))}
}
`,
  )
  writeFileSync(new URL('../../docs/calibration.md', import.meta.url), page(results))
}

/** The fit as a page: every observation beside what the planner now says. */
function page(fits: readonly FitResult[]): string {
  const percent = (share: number) => `${Math.round(100 * share)} %`
  const figures = fits.map(
    ({ variety, figures: f, interval: i }) =>
      `| ${variety} | ${f.minutesAt100.toFixed(1)} ± ${percent(i.minutesAt100)} | ${f.skin.toFixed(3)}${i.skin > 0 ? ` ± ${percent(i.skin)}` : ''} | ${f.radiusMm.toFixed(2)} ± ${percent(i.radiusMm)} | ${f.soakLimit.toFixed(3)}${i.soakLimit > 0 ? ` ± ${percent(i.soakLimit)}` : ''} |`,
  )
  const residuals = fits.flatMap(({ variety, residuals: list }) =>
    list.map(
      ({ observation: o, predicted, inSd }) =>
        `| ${variety} | ${o.kind} | ${o.value} ± ${o.sd} | ${predicted.toFixed(2)} | ${inSd.toFixed(1)}${Math.abs(inSd) > 2 ? ' (not met)' : ''} |`,
    ),
  )
  return `# Calibration of the varieties

Written by \`npm run calibrate\`. Four figures of each variety are fitted by least squares (Levenberg–Marquardt) to the observations in
\`tools/calibration/observations.csv\`, through the planner itself: minutes at 100 °C for the bare starch, conductance of the skin, radius and
cold-soak limit. Kernel sizes and soak limits are held near what is measured of kernels (8 %), skins and times are nearly free. Grain without a skin
has only its time and its radius fitted. ± is the half width of a 90 % interval, from the curvature at the optimum.

| variety | minutes at 100 °C | skin | radius, mm | soak limit, g/g |
|---|---|---|---|---|
${figures.join('\n')}

## Fitted and observed

A residual is in standard deviations of its observation (a quarter of the usual range). Over two it is not met, and stays on record.

| variety | observation | observed | fitted | residual |
|---|---|---|---|---|
${residuals.join('\n')}
`
}
