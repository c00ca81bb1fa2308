import { scaleLinear } from 'd3-scale'

export interface PlotLine {
  name: string
  points: readonly (readonly [number, number])[]
  dash?: string
}

export interface PlotProps {
  title: string
  x: { word: string; domain: readonly [number, number] }
  y: { word: string; domain: readonly [number, number] }
  lines: readonly PlotLine[]
  /** Measured or published, drawn as rings with what they are allowed to be off. */
  marks?: { name: string; points: readonly (readonly [number, number])[]; within?: number }[]
  band?: {
    name: string
    lower: readonly (readonly [number, number])[]
    upper: readonly (readonly [number, number])[]
  }
}

const SIZE = { width: 560, height: 330 }
const PAD = { left: 56, right: 14, top: 34, bottom: 62 }
const DASHES = ['', '7 4', '2 4', '10 3 2 3']
/** Readable on white and on a dark page. */
const STYLE =
  'svg{font-family:system-ui,sans-serif;font-size:12.5px;background:#f7f9fa}.l{fill:none;stroke:#1e3557;stroke-width:2}.m{fill:none;stroke:#c4491a;stroke-width:2}.e{stroke:#c4491a}.a{stroke:#c5cfd6}.t{fill:#33414e}.b{fill:#d6c4d8}.h{font-weight:600;font-size:14px;fill:#1a2632}'

const path = (
  points: readonly (readonly [number, number])[],
  x: (n: number) => number,
  y: (n: number) => number,
) => points.map(([px, py], i) => `${i ? 'L' : 'M'}${x(px).toFixed(1)} ${y(py).toFixed(1)}`).join('')

/** A plot for the documents: lines computed, rings published. */
export function Plot({ title, x: xAxis, y: yAxis, lines, marks = [], band }: PlotProps) {
  const x = scaleLinear(xAxis.domain, [PAD.left, SIZE.width - PAD.right])
  const y = scaleLinear(yAxis.domain, [SIZE.height - PAD.bottom, PAD.top])
  const legend = [
    ...lines.map(({ name }) => name),
    ...marks.map(({ name }) => name),
    ...(band ? [band.name] : []),
  ]
  const slot = (SIZE.width - PAD.left) / Math.max(1, legend.length)
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      width={SIZE.width}
      height={SIZE.height}
      role="img"
      aria-label={title}
    >
      <style>{STYLE}</style>
      <text x={PAD.left} y={20} className="h">
        {title}
      </text>
      {band && (
        <path
          d={`${path(band.lower, x, y)}${path([...band.upper].reverse(), x, y).replace('M', 'L')}Z`}
          className="b"
        />
      )}
      {y.ticks(5).map((tick) => (
        <g key={tick}>
          <path d={`M${PAD.left} ${y(tick)}H${SIZE.width - PAD.right}`} className="a" />
          <text x={PAD.left - 6} y={y(tick) + 4} textAnchor="end" className="t">
            {String(tick)}
          </text>
        </g>
      ))}
      {x.ticks(6).map((tick) => (
        <text key={tick} x={x(tick)} y={SIZE.height - PAD.bottom + 17} textAnchor="middle" className="t">
          {String(tick)}
        </text>
      ))}
      <text
        x={(PAD.left + SIZE.width - PAD.right) / 2}
        y={SIZE.height - PAD.bottom + 34}
        textAnchor="middle"
        className="t"
      >
        {xAxis.word}
      </text>
      <text
        transform={`translate(14 ${(PAD.top + SIZE.height - PAD.bottom) / 2}) rotate(-90)`}
        textAnchor="middle"
        className="t"
      >
        {yAxis.word}
      </text>
      {lines.map(({ name, points, dash }, i) => (
        <path
          key={name}
          d={path(points, x, y)}
          className="l"
          strokeDasharray={dash ?? DASHES[i % DASHES.length]}
        />
      ))}
      {marks.map(({ name, points, within = 0 }) => (
        <g key={name}>
          {points.map(([px, py]) => (
            <g key={`${px} ${py}`}>
              {within > 0 && (
                <path d={`M${x(px)} ${y(py * (1 - within))}V${y(py * (1 + within))}`} className="e" />
              )}
              <circle cx={x(px)} cy={y(py)} r={4} className="m" />
            </g>
          ))}
        </g>
      ))}
      {legend.map((name, i) => (
        <g key={name} transform={`translate(${PAD.left + i * slot} ${SIZE.height - 10})`}>
          {i < lines.length ? (
            <path d="M0 -4H22" className="l" strokeDasharray={lines[i]!.dash ?? DASHES[i % DASHES.length]} />
          ) : i < lines.length + marks.length ? (
            <circle cx={11} cy={-4} r={4} className="m" />
          ) : (
            <rect x={0} y={-9} width={22} height={10} className="b" />
          )}
          <text x={27} className="t">
            {name}
          </text>
        </g>
      ))}
    </svg>
  )
}
