import { UnstyledButton } from '@mantine/core'
import { IconHandFinger } from '@tabler/icons-react'
import type { Settings } from '#core/contract/kitchen'
import type { Variety } from '#core/grain/varieties'
import type { Correction } from '#core/learn/learned'
import type { Plan } from '#core/plan/result'
import { CUPS } from '#core/quantity/cups'
import { inScoops } from '#core/quantity/fractions'
import { dayWord } from '../../time/clock-hour'
import { WaterBeam } from './water-beam'
import classes from './measure.module.css'

interface MeasureProps {
  plan: Plan
  settings: Settings
  learned: Correction | undefined
  now: number
  variety: Variety
  finger: boolean
  onFinger: (shown: boolean) => void
}

/** Grain and water, by the scale and by every other gauge the house has. */
export function Measure({ plan, settings, learned, now, finger, onFinger }: MeasureProps) {
  const { grain, water, gauges } = plan
  const cup = CUPS[settings.cup]
  const inCups = (ml: number) => {
    const { text, cups, error } = inScoops(ml / cup.ml)
    const off = Math.round(error * cup.ml)
    const many = cups > 1 ? `${cup.short}s` : cup.short
    return { text: `${text} ${many}`, off: Math.abs(off) < 3 ? 'level' : off > 0 ? `less ${off} mL` : `and ${-off} mL` }
  }
  const byScale = settings.units === 'grams'
  const [grainCups, waterCups] = [inCups(grain.volume_ml), inCups(water.pour_g)]
  const over = gauges.water_above_bed_mm
  const toCrease = Math.round(over - settings.crease_mm)
  return (
    <div className={classes.measure}>
      <div className={classes.figures}>
        <div>
          <h2 className="eyebrow">Grain, dry</h2>
          <p className={`${classes.big} figure`}>
            {byScale ? (
              <>
                {Math.round(grain.mass_g)}
                <small> g</small>
              </>
            ) : (
              <span className={classes.cups}>{grainCups.text}</span>
            )}
          </p>
          <p className={classes.under}>{byScale ? `${grainCups.text}, ${grainCups.off}` : `${grainCups.off}; ${Math.round(grain.mass_g)} g`}</p>
        </div>
        <div>
          <h2 className="eyebrow">Pour</h2>
          <p className={`${classes.big} ${classes.water} figure`}>
            {byScale ? (
              <>
                {Math.round(water.pour_g)}
                <small> g</small>
              </>
            ) : (
              <span className={classes.cups}>{waterCups.text}</span>
            )}
          </p>
          <p className={classes.under}>{byScale ? `${waterCups.text}, ${waterCups.off}` : `${waterCups.off}; ${Math.round(water.pour_g)} g`}</p>
        </div>
      </div>
      <p className={classes.slack}>
        firm at {Math.round(water.firm_pour_g)}, soft at {Math.round(water.soft_pour_g)} g; ratio {water.ratio_by_volume.toFixed(2)} by volume,{' '}
        {water.ratio_by_mass.toFixed(2)} by mass
      </p>
      {learned && <p className={classes.learned}>{learnedWords(learned, now, settings.zone)}</p>}
      <dl className={classes.gauges}>
        <div>
          <dt>Fill line</dt>
          <dd>
            {Math.round(gauges.fill_level_mm)} mm up the wall, {Math.round(gauges.fill_line_ml / 5) * 5} mL
          </dd>
        </div>
        <div>
          <dt>
            <UnstyledButton className={classes.fingerKey} aria-pressed={finger} onClick={() => onFinger(!finger)}>
              <IconHandFinger size={16} aria-hidden /> Finger
            </UnstyledButton>
          </dt>
          <dd>
            {over <= 0 ? 'the water lies below the grain' : `${Math.round(over)} mm over the grain, ${creaseWords(toCrease)}`}
          </dd>
        </div>
      </dl>
      <WaterBeam water={water} />
    </div>
  )
}

const creaseWords = (mm: number): string => (mm === 0 ? 'at your crease' : mm < 0 ? `${-mm} short of your crease` : `${mm} past your crease`)

/** What the notebook changed, in words: "6 g less water per 100 g since Sunday". */
function learnedWords({ uptakeDelta, uptakeSd, minutesFactor, lastMs, cooks }: Correction, now: number, zone: string): string {
  const grams = Math.round(uptakeDelta * 100)
  const since = dayWord(lastMs, now, zone)
  const water = grams === 0 ? 'the water as published' : `${Math.abs(grams)} g ${grams < 0 ? 'less' : 'more'} water per 100 g`
  const percent = Math.round((minutesFactor - 1) * 100)
  const time = Math.abs(percent) < 2 ? '' : `, ${Math.abs(percent)} % ${percent > 0 ? 'longer' : 'shorter'}`
  return `${cooks === 1 ? 'One cook' : `${cooks} cooks`} in this pot: ${water}${time} since ${since} (± ${Math.round(uptakeSd * 100)} g)`
}
