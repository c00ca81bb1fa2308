import { UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import { HARDNESS_WORDS, STEPS, WET_DRY_WORDS } from '#core/learn/rating'
import { varietyOf, type VarietyId } from '#core/grain/varieties'
import { Kernel } from '../../ui/drawing/grain-pattern'
import classes from './quick-rating.module.css'

interface TwoTapsProps {
  cookId: string
  title: string
  /** The grain that is most of the pot, to draw it. */
  variety: VarietyId
  /** When it was, in words. */
  when?: string
}

/** Drawn wetter from left to right, and further cooked. */
const SWELLS = [1.05, 1.2, 1.36, 1.5, 1.66] as const

/** After dinner: wet or dry, hard or overdone. Two taps and it is written down; everything else already is. */
export function QuickRating({ cookId, title, variety, when }: TwoTapsProps) {
  const fetcher = useFetcher<{ saved?: true }>()
  const [wetDry, setWetDry] = useState<number>()
  const [hardness, setHardness] = useState<number>()
  const tap = (wet: number | undefined, hard: number | undefined) => {
    setWetDry(wet)
    setHardness(hard)
    if (wet === undefined || hard === undefined) return
    void fetcher.submit(
      { intent: 'judge', wet_dry: String(wet), hardness: String(hard) },
      { method: 'post', action: `/notebook/${cookId}` },
    )
  }
  const saved = fetcher.state === 'idle' && fetcher.data?.saved === true
  return (
    <section className={`${classes.taps} basin`} aria-label={`How was it? ${title}`}>
      <h2 className="figure">
        {title}
        {when && <span className="quiet small"> {when}</span>}
      </h2>
      <Row
        name="How dry or wet"
        words={WET_DRY_WORDS}
        value={wetDry}
        onTap={(n) => tap(n, hardness)}
        draw={(i) => <Wet variety={variety} step={i} />}
      />
      <Row
        name="How hard or soft"
        words={HARDNESS_WORDS}
        value={hardness}
        onTap={(n) => tap(wetDry, n)}
        draw={(i) => <Kernel variety={varietyOf(variety)} swell={SWELLS[i]!} split={i === 4} height={26} />}
      />
      <p role="status" className="quiet small">
        {saved
          ? 'Saved. The next batch is adjusted.'
          : wetDry === undefined && hardness === undefined
            ? 'Tap one in each row.'
            : wetDry === undefined || hardness === undefined
              ? 'Now tap the other row.'
              : ' '}{' '}
        {saved && <Link to={`/notebook/${cookId}`}>Add details</Link>}
      </p>
    </section>
  )
}

interface RowProps {
  name: string
  words: readonly string[]
  value: number | undefined
  onTap: (step: number) => void
  draw: (index: number) => React.ReactNode
}

const Row = ({ name, words, value, onTap, draw }: RowProps) => (
  <div role="group" aria-label={name} className={classes.row}>
    {STEPS.map((step, i) => (
      <UnstyledButton
        key={step}
        className={classes.tap}
        aria-pressed={value === step}
        onClick={() => onTap(step)}
      >
        {draw(i)}
        {words[i]}
      </UnstyledButton>
    ))}
  </div>
)

/** Water under the kernels: none, a film, a puddle. */
const Wet = ({ variety, step }: { variety: VarietyId; step: number }) => (
  <span className={classes.wet}>
    <Kernel variety={varietyOf(variety)} swell={1.34} height={22} />
    <svg viewBox="0 0 40 8" width={40} height={8} aria-hidden>
      {step === 0 && <path d="M6 4h4M18 4h4M30 4h4" className={classes.dry} />}
      {step === 1 && <path d="M8 4h24" className={classes.dry} />}
      {step >= 2 && (
        <ellipse
          cx={20}
          cy={4}
          rx={[0, 0, 8, 14, 19][step]!}
          ry={[0, 0, 1.2, 2.4, 3.6][step]!}
          className={classes.pool}
        />
      )}
    </svg>
  </span>
)
