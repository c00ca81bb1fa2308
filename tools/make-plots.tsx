import { mkdirSync, writeFileSync } from 'node:fs'
import type { ReactElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { parsePlanRequest } from '#core/contract/plan-request'
import { VARIETIES, varietyOf } from '#core/grain/varieties'
import { boilingPointAt } from '#core/heat/boiling-point'
import { plan } from '#core/plan/plan'
import { celsius, metres } from '#core/units/units'
import { cookPlan } from '#core/simulate/cook-plan'
import { PACKED_C, slabOf } from '#core/leftovers/cooling'
import { coolSlab } from '#core/leftovers/slab'
import { diffusivityAt } from '#core/grain/diffusivity'
import { soakKernel } from '#core/water/soak'
import { parseObservations } from './calibration/observations'
import { predict } from './calibration/predict'
import { BOILING_POINTS, crankCylinder, SOAKED_AT_20_C } from '../tests/helpers/published'
import { reliability } from './learning-study/reliability'
import { study } from './learning-study/study'
import { Plot } from './plot'

/** Draws docs/plots from the figures the tests hold: what is computed as lines, what is published as rings. */
const folder = new URL('../docs/plots/', import.meta.url)
mkdirSync(folder, { recursive: true })
const draw = (name: string, plot: ReactElement) =>
  writeFileSync(new URL(`${name}.svg`, folder), `${renderToStaticMarkup(plot)}\n`)
const along = (from: number, to: number, n: number) =>
  Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1))
const curve = (list: readonly number[], f: (x: number) => number) =>
  list.map((x): [number, number] => [x, f(x)])

const bare = { radiusMm: 1, skin: 1, soakLimit: 0.3, most: 2, minutesAt100: 15 }
const spreadAt = (minutes: number) => (diffusivityAt(celsius(20)) * minutes * 60) / 1e-6
const soakMinutes = along(1, 90, 60)
draw(
  'cylinder',
  <Plot
    title="A bare cylinder of 1 mm soaking at 20 °C, share of saturation"
    x={{ word: 'minutes', domain: [0, 90] }}
    y={{ word: 'uptake over the soak limit', domain: [0, 1] }}
    lines={[8, 32].map((shells) => ({
      name: `${shells} shells`,
      points: curve(soakMinutes, (m) => soakKernel(bare, m, celsius(20), shells).uptake / 0.3),
    }))}
    marks={[{ name: 'Crank’s series', points: curve([3, 8, 20, 45, 90], (m) => crankCylinder(spreadAt(m))) }]}
  />,
)

const fits = parseObservations().filter((o) => o.kind.endsWith('-minutes'))
draw(
  'calibration',
  <Plot
    title="Minutes as planned beside what is usual, every variety and way that was fitted"
    x={{ word: 'usual minutes, middle of the range', domain: [0, 70] }}
    y={{ word: 'planned minutes', domain: [0, 80] }}
    lines={[
      {
        name: 'as usual',
        points: [
          [0, 0],
          [70, 70],
        ],
      },
    ]}
    marks={['covered', 'drained', 'pressure'].map((way) => ({
      name: way,
      points: fits
        .filter((o) => o.kind === `${way}-minutes`)
        .map((o): [number, number] => [o.value, predict(o.variety, o.kind)]),
    }))}
  />,
)

const soaking = (id: keyof typeof SOAKED_AT_20_C, minutes: readonly number[]) =>
  curve(
    minutes,
    (m) => soakKernel({ ...varietyOf(id), most: varietyOf(id).uptake.most }, m, celsius(20)).uptake,
  )
draw(
  'soak',
  <Plot
    title="Cold soak at 20 °C, bare grain"
    x={{ word: 'minutes', domain: [0, 65] }}
    y={{ word: 'water taken up, g/g', domain: [0, 0.32] }}
    lines={(['short-white', 'basmati'] as const).map((id) => ({
      name: id,
      points: soaking(id, along(1, 65, 50)),
    }))}
    marks={[
      {
        name: 'measured ± 5 %',
        within: 0.05,
        points: [...SOAKED_AT_20_C['short-white'], ...SOAKED_AT_20_C.basmati],
      },
    ]}
  />,
)
draw(
  'soak-brown',
  <Plot
    title="Cold soak at 20 °C, brown grain behind its bran"
    x={{ word: 'hours', domain: [0, 12.5] }}
    y={{ word: 'water taken up, g/g', domain: [0, 0.36] }}
    lines={[
      {
        name: 'brown-short',
        points: soaking('brown-short', along(5, 750, 60)).map(([m, u]): [number, number] => [m / 60, u]),
      },
    ]}
    marks={[
      {
        name: 'measured ± 10 %',
        within: 0.1,
        points: SOAKED_AT_20_C['brown-short'].map(([m, u]): [number, number] => [m / 60, u]),
      },
    ]}
  />,
)
draw(
  'boiling-point',
  <Plot
    title="Boiling point by elevation"
    x={{ word: 'm', domain: [0, 3200] }}
    y={{ word: '°C', domain: [88, 101] }}
    lines={[{ name: 'computed', points: curve(along(0, 3200, 40), (h) => boilingPointAt(metres(h))) }]}
    marks={[{ name: 'published', points: BOILING_POINTS }]}
  />,
)

const settled = (variety: string, value: number) => {
  const read = parsePlanRequest({
    grains: [{ variety: variety as 'millet' }],
    amount: { basis: 'dry-mass', value },
  })
  if (!read.ok) throw new Error(JSON.stringify(read.errors))
  return read.value
}
const diagonal = [1.05, 3.33]
draw(
  'closure',
  <Plot
    title="Every variety, 300 g covered: planned, and cooked on the fine pot"
    x={{ word: 'water in the grain as planned, g/g', domain: [1, 3.5] }}
    y={{ word: 'as cooked, g/g', domain: [1, 3.5] }}
    lines={[]}
    marks={[
      {
        name: 'varieties',
        points: VARIETIES.map(({ id }): [number, number] => {
          const request = settled(id, 300)
          const made = plan(request)
          return [made.water.uptake_target, cookPlan(request, made).uptakeMean]
        }),
      },
    ]}
    band={{ name: '± 5 %', lower: curve(diagonal, (u) => u * 0.95), upper: curve(diagonal, (u) => u * 1.05) }}
  />,
)
const batches = along(75, 1200, 24)
draw(
  'ratio',
  <Plot
    title="Water per grain falls with the batch, heavy 2.5 L pot"
    x={{ word: 'dry grain, g', domain: [0, 1200] }}
    y={{ word: 'water poured per grain, g/g', domain: [1, 3.5] }}
    lines={['long-white', 'short-white', 'brown-short'].map((id) => ({
      name: id,
      points: curve(batches, (g) => {
        const { water } = plan(settled(id, g))
        return water.ratio_by_mass
      }),
    }))}
  />,
)

const learned = [false, true].map((weighed) => study({ households: 200, cooks: 8, seed: 20260305, weighed }))
draw(
  'learning',
  <Plot
    title="Two hundred simulated households: water off what is wanted"
    x={{ word: 'cooks', domain: [0, 8] }}
    y={{ word: 'root mean square, g/g', domain: [0, 0.16] }}
    lines={['judged only', 'pot weighed too'].map((name, i) => ({
      name,
      points: learned[i]!.rms.map((error, cook): [number, number] => [cook, error]),
    }))}
    marks={[
      {
        name: 'must reach',
        points: [
          [5, 0.4 * learned[0]!.rms[0]!],
          [3, 0.4 * learned[1]!.rms[0]!],
        ],
      },
    ]}
  />,
)
const { bins } = reliability({ households: 200, cooks: 5, seed: 20260305, weighed: false, kitchens: 200 })
draw(
  'reliability',
  <Plot
    title="Odds promised, and batches that ended well"
    x={{ word: 'promised', domain: [0.4, 1] }}
    y={{ word: 'ended well', domain: [0.4, 1] }}
    lines={[
      {
        name: 'as promised',
        points: [
          [0.4, 0.4],
          [1, 1],
        ],
      },
    ]}
    marks={[
      {
        name: 'batches of 200 households',
        points: bins.map(({ promised, good }): [number, number] => [promised, good]),
      },
    ]}
  />,
)

const slabMinutes = along(0, 240, 60)
const coolingAt = (depthMm: number, open: boolean) => {
  const portion = { massG: 1500, depthMm, densityGMl: 0.79, waterShare: 0.62 }
  const slab = slabOf(portion, PACKED_C)
  return curve(
    slabMinutes,
    (m) =>
      coolSlab(
        slab,
        { celsius: 4, h: open ? 11 : 5.5, bare: open },
        { celsius: 4, h: 9 },
        20,
        (_, s) => s >= m * 60,
      ).warmestC,
  )
}
draw(
  'cooling',
  <Plot
    title="1.5 kg of cooked short-white in a fridge, its warmest place"
    x={{ word: 'minutes', domain: [0, 240] }}
    y={{ word: '°C', domain: [0, 80] }}
    lines={[
      { name: '60 mm, lid on', points: coolingAt(60, false) },
      { name: '40 mm, open', points: coolingAt(40, true) },
      { name: '20 mm, open', points: coolingAt(20, true) },
    ]}
    marks={[
      {
        name: '21 °C',
        points: [
          [60, 21],
          [120, 21],
        ],
      },
    ]}
  />,
)
