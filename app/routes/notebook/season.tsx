import { useElementSize } from '@mantine/hooks'
import { Link } from 'react-router'
import { HARDNESS_WORDS, WET_DRY_WORDS, wordOf } from '#core/learn/judgement'
import { kernelPath } from '../../drawing/kernels'
import { dayWord } from '../../time/clock-hour'
import type { NotedSummary } from './summary'
import classes from './notebook.module.css'

const HEIGHT = 168
const SIDE = 86
const KERNEL = { lengthMm: 17, widthMm: 7.5, shape: 'grain' } as const

/** The season as a strip: one kernel a cook, across by date, up and down by dry and wet. */
export function Season({ cooks, zone }: { cooks: readonly NotedSummary[]; zone: string }) {
  const { ref, width: measured } = useElementSize<HTMLDivElement>()
  const width = measured || 1100
  const judged = cooks.filter((cook) => cook.judgement)
  if (judged.length < 3) return null
  const times = judged.map((cook) => cook.endedMs)
  const [from, to] = [Math.min(...times), Math.max(...times)]
  const x = (ms: number) => SIDE + 14 + ((ms - from) / Math.max(1, to - from)) * (width - SIDE - 40)
  const y = (wetDry: number) => HEIGHT / 2 - 8 + wetDry * 30
  return (
    <div ref={ref} className={`${classes.season} basin`}>
      <svg width={width} height={HEIGHT} role="group" aria-label="The season, one kernel a cook: dry above, wet below">
        {[-1, 0, 1].map((step) => (
          <g key={step}>
            <text x={10} y={y(step) + 4} className={classes.scale}>
              {wordOf(WET_DRY_WORDS, step)}
            </text>
            <path d={`M${SIDE} ${y(step)}H${width - 10}`} className={step === 0 ? classes.right : classes.off} />
          </g>
        ))}
        {judged.map((cook) => {
          const { wetDry, hardness, bottom } = cook.judgement!
          const label = `${cook.title}, ${dayWord(cook.endedMs, to, zone)}: ${wordOf(WET_DRY_WORDS, wetDry)}, ${wordOf(HARDNESS_WORDS, hardness)}${bottom === 'clean' ? '' : `, ${bottom}`}`
          return (
            <Link key={cook.id} to={`/notebook/${cook.id}`} aria-label={label} className={classes.kernel} data-scorched={bottom === 'scorched' || undefined}>
              <title>{label}</title>
              <path d={kernelPath(KERNEL)} transform={`translate(${x(cook.endedMs).toFixed(1)} ${y(wetDry)}) rotate(${-20 + hardness * 35})`} />
            </Link>
          )
        })}
        <text x={SIDE} y={HEIGHT - 8} className={classes.scale}>
          {dayWord(from, to, zone)}
        </text>
        <text x={width - 10} y={HEIGHT - 8} textAnchor="end" className={classes.scale}>
          {judged.length} cooks; a tilted kernel was hard or overdone, a dark one scorched
        </text>
      </svg>
    </div>
  )
}
