import { renderToStaticMarkup } from 'react-dom/server'
import sharp from 'sharp'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import { hueOf } from '../../ui/drawing/grain-pattern'
import { kernelTile } from '../../ui/drawing/scatter-grains'

const [WIDE, HIGH] = [640, 480] // pixels; recipe programs ask for 4:3
/** Pixels a millimetre: a kernel of rice is as long as a finger's nail. */
const SCALE = 8
const [CX, CY, R] = [320, 240, 196]
/** Cooked, a kernel is so much longer and wider. */
const SWOLLEN = 1.25

/** Three shades and the edge of each hue, on white paper. */
const COLOURS: Record<ReturnType<typeof hueOf>, readonly [string, string, string, string]> = {
  ivory: ['#f5ead0', '#efe0bb', '#e5d1a0', '#a98a4e'],
  tan: ['#dcbd86', '#cfab6c', '#bb9455', '#7a5a28'],
  red: ['#b8714f', '#a55c3d', '#8f4a30', '#57291a'],
  dark: ['#57464a', '#463739', '#362a2d', '#1c1517'],
  green: ['#a9ab72', '#97995f', '#84864d', '#55572c'],
}

/** A bowl of the cooked grain, from above.  @returns a PNG as a data address, so that it goes with the recipe */
export async function bowlPicture(variety: VarietyId): Promise<string> {
  const grain = varietyOf(variety)
  const [first, second, third, edge] = COLOURS[hueOf(grain)]
  const { side, shades } = kernelTile(grain.kernel, SWOLLEN)
  const svg = renderToStaticMarkup(
    <svg xmlns="http://www.w3.org/2000/svg" width={WIDE} height={HIGH}>
      <defs>
        <pattern
          id="grain"
          width={side}
          height={side}
          patternUnits="userSpaceOnUse"
          patternTransform={`scale(${SCALE})`}
        >
          <rect width={side} height={side} fill={edge} fillOpacity={0.55} />
          {shades.map((path, i) => (
            <path
              key={i}
              d={path}
              fill={[first, second, third][i] ?? first}
              stroke={edge}
              strokeWidth={0.28}
            />
          ))}
        </pattern>
      </defs>
      <rect width={WIDE} height={HIGH} fill="#e7ecef" />
      <circle cx={CX} cy={CY} r={R + 18} fill="#fbfcfc" />
      <circle cx={CX} cy={CY} r={R + 12} fill="none" stroke="#1e3557" strokeWidth={9} />
      <circle cx={CX} cy={CY} r={R} fill="url(#grain)" />
    </svg>,
  )
  const png = await sharp(Buffer.from(svg)).png({ palette: true, colours: 16 }).toBuffer()
  return `data:image/png;base64,${png.toString('base64')}`
}
