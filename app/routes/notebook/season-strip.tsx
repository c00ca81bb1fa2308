import { useElementSize } from '@mantine/hooks'
import { Link } from 'react-router'
import { HARDNESS_WORDS, WET_DRY_WORDS, wordOf, type Rating } from '#core/learn/rating'
import { kernelPath } from '../../ui/drawing/scatter-grains'
import { dayWord } from '../../ui/time/clock-hour'
import classes from './notebook.module.css'

const HEIGHT = 148
const SIDE = 86
const KERNEL = { lengthMm: 17, widthMm: 7.5, shape: 'grain' } as const
/** Days this old have a date, not a name. */
const LONG_AGO_MS = 8 * 86_400_000
/** The least a fingertip hits, px. */
const TARGET = 26
/** Beyond so many cooks they lie too close to be pressed one by one. */
const CROWD = 120

/** A judged cook, as far as its kernel goes. */
export interface Kernelled {
  id: string
  title: string
  endedMs: number
  rating: Rating
}

/** The seasons as a strip: one kernel a cook, across by date, up and down by dry and wet. */
export function SeasonStrip({ cooks, zone }: { cooks: readonly Kernelled[]; zone: string }) {
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const width = measured || 1100
  if (cooks.length < 3) return null
  const times = cooks.map((cook) => cook.endedMs)
  const [from, to] = [Math.min(...times), Math.max(...times)]
  const x = (ms: number) => SIDE + 14 + ((ms - from) / Math.max(1, to - from)) * (width - SIDE - 40)
  const y = (wetDry: number) => HEIGHT / 2 - 8 + wetDry * 30
  // By its date, with the year where it is another than the newest batch's: the strip is read for months.
  const dated = (ms: number) => dayWord(ms, to + LONG_AGO_MS, zone)
  const crowded = cooks.length > CROWD
  return (
    <div ref={ref} className={`${classes.season} basin`}>
      <svg width={width} height={HEIGHT} role="group" aria-label="All batches: dry above, wet below">
        {[-1, 0, 1].map((step) => (
          <g key={step}>
            <text x={10} y={y(step) + 4} className={classes.scale}>
              {wordOf(WET_DRY_WORDS, step)}
            </text>
            <path
              d={`M${SIDE} ${y(step)}H${width - 10}`}
              className={step === 0 ? classes.right : classes.off}
            />
          </g>
        ))}
        {cooks.map((cook) => {
          const { wetDry, hardness, bottom } = cook.rating
          const label = `${cook.title}, ${dated(cook.endedMs)}: ${wordOf(WET_DRY_WORDS, wetDry)}, ${wordOf(HARDNESS_WORDS, hardness)}${bottom === 'clean' ? '' : `, ${bottom}`}`
          const place = `translate(${x(cook.endedMs).toFixed(1)} ${y(wetDry)}) rotate(${-20 + hardness * 35})${crowded ? ' scale(0.55)' : ''}`
          const kernel = <path d={kernelPath(KERNEL)} transform={place} />
          return crowded ? (
            <g key={cook.id} className={classes.kernel} data-scorched={bottom === 'scorched' || undefined}>
              {kernel}
            </g>
          ) : (
            <Link
              key={cook.id}
              to={`/notebook/${cook.id}`}
              aria-label={label}
              className={classes.kernel}
              data-scorched={bottom === 'scorched' || undefined}
            >
              <title>{label}</title>
              {/* A fingertip is wider than a kernel. */}
              <circle cx={x(cook.endedMs)} cy={y(wetDry)} r={TARGET / 2} fill="transparent" />
              {kernel}
            </Link>
          )
        })}
        <text x={SIDE} y={HEIGHT - 8} className={classes.scale}>
          {dated(from)}
        </text>
        <text x={width - 10} y={HEIGHT - 8} textAnchor="end" className={classes.scale}>
          {dated(to)}
        </text>
      </svg>
      <p className="quiet small">{cooks.length} rated. Tilted: hard or overdone; dark: scorched.</p>
    </div>
  )
}
