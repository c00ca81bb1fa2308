import { Button, NativeSelect, NumberInput, SegmentedControl } from '@mantine/core'
import { useMemo, useState } from 'react'
import { planFrom } from '#core/contract/plan'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { inWords, type Variety } from '#core/grain/varieties'
import { CUP_IDS, CUPS, type CupId } from '#core/units/cups'
import { asRequest, meaningOf, POT_IDS, POTS, type RatioInput } from '#core/convert/ratio'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import type { PlanState } from '../../planning/plan-state'
import classes from './finger-study.module.css'

interface TranslateProps {
  request: PlanRequestJson
  variety: Variety
  change: (next: Partial<PlanState>) => void
}

const RATIO = [0.3, 12] as const
const UNKNOWN = 'unknown'
const yesNo = (text: string): boolean | undefined => (text === UNKNOWN ? undefined : text === 'yes')

/**
 * A ratio from a bag, a book or a friend: what it means for the grain, how surely, and the same wetness in
 * this pot.
 */
export function TranslateRatio({ request, variety, change }: TranslateProps) {
  const { waterIn, mass, number, say } = useUnits()
  const [ratio, setRatio] = useState<number | string>(1.5)
  const [by, setBy] = useState<'volume' | 'mass'>('volume')
  const [cups, setCups] = useState<{ grain: CupId; water: CupId }>({ grain: 'metric', water: 'metric' })
  const [washed, setWashed] = useState<string>(UNKNOWN)
  const [soaked, setSoaked] = useState<string>('no')
  const [pot, setPot] = useState<string>(UNKNOWN)
  const [batch, setBatch] = useState<number | ''>('')
  const n = Number(ratio)
  const good = ratio !== '' && n >= RATIO[0] && n <= RATIO[1]
  const meaning = useMemo(() => {
    if (!good) return undefined
    const input: RatioInput = {
      variety: variety.id,
      ratio: n,
      by,
      waterCupOverGrainCup: CUPS[cups.water].ml / CUPS[cups.grain].ml,
      washed: yesNo(washed),
      soakedMinutes: soaked === UNKNOWN ? undefined : soaked === 'yes' ? 30 : 0,
      pot: pot === UNKNOWN ? undefined : (pot as RatioInput['pot']),
      batchG: Number(batch) >= 30 ? Number(batch) : undefined,
    }
    const found = meaningOf(input)
    const here = planFrom({ ...asRequest(input, found.uptake.middle, request), pour_override_g: null })
    return { found, here: here.ok ? here.value : undefined }
  }, [good, n, by, cups, washed, soaked, pot, batch, variety.id, request])
  return (
    <div className={classes.form}>
      <NumberInput
        label={`Water to one of ${inWords(variety)}`}
        description={`${RATIO[0]} to ${RATIO[1]}`}
        value={ratio}
        onChange={setRatio}
        min={RATIO[0]}
        max={RATIO[1]}
        step={0.05}
        decimalScale={2}
        allowedDecimalSeparators={[',', '.']}
        error={good || ratio === '' ? undefined : `must be ${RATIO[0]} to ${RATIO[1]}, got ${String(ratio)}`}
        data-autofocus
      />
      <SegmentedControl
        aria-label="Measured by"
        value={by}
        onChange={(next) => setBy(next as typeof by)}
        data={[
          { value: 'volume', label: 'by cups' },
          { value: 'mass', label: 'by weight' },
        ]}
      />
      <CupsUsed by={by} cups={cups} setCups={setCups} />
      <NativeSelect
        label="Rinsed first"
        value={washed}
        onChange={(event) => setWashed(event.currentTarget.value)}
        data={[{ value: UNKNOWN, label: 'not stated' }, 'yes', 'no']}
      />
      <NativeSelect
        label="Soaked and poured off"
        value={soaked}
        onChange={(event) => setSoaked(event.currentTarget.value)}
        data={[{ value: UNKNOWN, label: 'not said' }, 'yes', 'no']}
      />
      <NativeSelect
        label="In"
        value={pot}
        onChange={(event) => setPot(event.currentTarget.value)}
        data={[
          { value: UNKNOWN, label: 'not stated' },
          ...POT_IDS.map((id) => ({ value: id, label: POTS[id].word })),
        ]}
      />
      <UnitNumber
        kind="mass"
        label="For how much grain, g"
        description="leave empty if unknown"
        value={batch}
        onChange={setBatch}
        min={30}
        max={5000}
      />
      {meaning && (
        <div className={classes.answer} role="status">
          That is {say(range(meaning.found.uptake.low, meaning.found.uptake.high))} times the grain’s weight
          in water: {textureWords(meaning.found.texture)}.
          {meaning.found.unknown.length > 0 &&
            ` It is a range because the recipe does not say ${meaning.found.unknown.map((u) => UNSAID[u]).join(', ')}.`}
          {meaning.here && (
            <>
              <br />
              Here, for the same grain: <b>{waterIn(meaning.here.water.pour_g)}</b> for{' '}
              {mass(Math.round(meaning.here.grain.mass_g))}, {number(meaning.here.water.ratio_by_volume, 2)}{' '}
              to one by volume.
            </>
          )}
        </div>
      )}
      {meaning?.here && (
        <Button onClick={() => meaning.here && change({ poured: Math.round(meaning.here.water.pour_g) })}>
          Use this amount
        </Button>
      )}
    </div>
  )
}

/** Which cups the recipe’s grain and water were measured with. */
function CupsUsed({
  by,
  cups,
  setCups,
}: {
  by: 'volume' | 'mass'
  cups: Record<'grain' | 'water', CupId>
  setCups: (next: Record<'grain' | 'water', CupId>) => void
}) {
  return (
    <>
      {by === 'volume' && (
        <>
          <NativeSelect
            label="Grain was measured with"
            value={cups.grain}
            onChange={(event) => setCups({ ...cups, grain: event.currentTarget.value as CupId })}
            data={CUP_IDS.map((id) => ({ value: id, label: CUPS[id].name }))}
          />
          <NativeSelect
            label="Water with"
            value={cups.water}
            onChange={(event) => setCups({ ...cups, water: event.currentTarget.value as CupId })}
            data={CUP_IDS.map((id) => ({ value: id, label: CUPS[id].name }))}
          />
        </>
      )}
    </>
  )
}

const UNSAID = {
  washed: 'whether it was rinsed',
  soaked: 'whether it was soaked',
  pot: 'in what pot',
  batch: 'how much it was',
} as const
const range = (low: number, high: number) =>
  high - low < 0.015 ? low.toFixed(2) : `${low.toFixed(2)} to ${high.toFixed(2)}`
const word = (t: number) =>
  t < 0 ? 'too dry' : t < 0.3 ? 'firm' : t <= 0.7 ? 'about standard' : t <= 1 ? 'soft' : 'wetter than soft'
function textureWords({ low, high }: { low: number; high: number }): string {
  const [a, b] = [word(low), word(high)]
  return a === b ? a : `${a} to ${b}`
}
