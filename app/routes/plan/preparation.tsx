import { UnstyledButton } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { lazy, Suspense } from 'react'
import { LIMITS, PURPOSE_TEXTURE } from '#core/contract/plan-request'
import type { Variety } from '#core/grain/varieties'
import type { VesselKind } from '#core/vessel/vessel'
import type { Plan } from '#core/plan/result'
import type { BagRow } from '#server/store/grain-bags'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { Range } from '../../ui/forms/range'
import { FRIDGE_C } from '#core/constants'
import { minutesTillMorning, WAKING_HOUR } from '../../ui/time/clock-hour'
import type { PlanningData, PlanState } from '../../planning/plan-state'
import { PURPOSE_WORDS, soakWord } from '../../planning/plan-words'
import { SeasoningPanel } from './seasoning'
import classes from './preparation.module.css'

const WetWeight = lazy(() => import('./wet-weight'))
const SoakCurve = lazy(() => import('./soak-curve'))

interface BeforeProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  variety: Variety
  kind: VesselKind
  plan: Plan
  household: PlanningData
  /** The bag it comes from, where the household keeps one. */
  bag: BagRow | undefined
  /** UTC milliseconds. */
  now: number
}

const TEXTURES = [
  { value: 0, word: 'firm', swell: 1.12 },
  { value: 0.5, word: 'standard', swell: 1.34 },
  { value: 1, word: 'soft', swell: 1.58 },
] as const

/** Everything settled before the heat: how it should end, how it is washed, whether it soaks. */
export function PreparationPanel({ state, change, variety, kind, plan, household, bag, now }: BeforeProps) {
  const texture = state.texture ?? PURPOSE_TEXTURE[state.purpose]
  const washes = state.washes ?? variety.washes
  return (
    <>
      <div className={classes.block}>
        <h2 className="eyebrow">
          Texture {state.texture === null ? `usual ${PURPOSE_WORDS[state.purpose]}` : textureWord(texture)}
        </h2>
        <div className={classes.textures}>
          {TEXTURES.map(({ value, word, swell }) => (
            <UnstyledButton
              key={word}
              className={classes.texture}
              aria-pressed={texture === value}
              onClick={() => change({ texture: value })}
            >
              <Kernel variety={variety} swell={swell} split={value === 1} height={30} />
              {word}
            </UnstyledButton>
          ))}
        </div>
        <Range
          label="Texture, firm to soft"
          value={texture}
          min={0}
          max={1}
          step={0.05}
          says={textureWord(texture)}
          onChange={(next) => change({ texture: next })}
        />
      </div>

      <Rinses washes={washes} change={change} state={state} bag={bag} variety={variety} />

      <Soak
        variety={variety}
        state={state}
        change={change}
        plan={plan}
        untilMorning={minutesTillMorning(now, household.zone)}
      />

      {kind !== 'pressure-electric' && (
        <div className={classes.block}>
          <h2 className="eyebrow">Rest, lid on</h2>
          <div className="chips">
            {[5, 10, 15, 20].map((minutes) => (
              <UnstyledButton
                key={minutes}
                className="chip"
                aria-pressed={state.rest === minutes}
                onClick={() => change({ rest: state.rest === minutes ? null : minutes })}
              >
                {minutes} min
              </UnstyledButton>
            ))}
          </div>
        </div>
      )}

      <SeasoningPanel state={state} change={change} plan={plan} household={household} />
    </>
  )
}

/** How often it is rinsed and how it drains. */
function Rinses({
  washes,
  change,
  state,
  bag,
  variety,
}: {
  washes: number
  change: (next: Partial<PlanState>) => void
  state: PlanState
  bag: BagRow | undefined
  variety: Variety
}) {
  return (
    <div className={classes.block}>
      <h2 className="eyebrow">Rinses</h2>
      <div className={classes.stepper}>
        <UnstyledButton
          aria-label="One rinse fewer"
          disabled={washes <= LIMITS.washes[0]}
          onClick={() => change({ washes: washes - 1 })}
        >
          <IconMinus size={18} />
        </UnstyledButton>
        <output className="figure" aria-label="Rinses">
          {washes}
        </output>
        <UnstyledButton
          aria-label="One rinse more"
          disabled={washes >= 8}
          onClick={() => change({ washes: washes + 1 })}
        >
          <IconPlus size={18} />
        </UnstyledButton>
        <Either
          label="Drained how"
          value={state.drain}
          off={washes === 0 && !state.soak}
          of={[
            ['sieve', 'in a sieve'],
            ['tip', 'tipped'],
          ]}
          onChange={(drain) => change({ drain })}
        />
      </div>
      {bag?.enriched === 1 && washes > 0 && (
        <p className={classes.hint}>enriched: rinsing washes off added vitamins</p>
      )}
      {(washes === 0 || !state.soak) && (
        <p className={classes.hint}>
          {washes === 0 ? 'not rinsed; no water clings to the grain' : variety.washHow}
        </p>
      )}
    </div>
  )
}

/** How long it soaks, and what becomes of the water. */
function Soak({
  variety,
  state,
  change,
  plan,
  untilMorning,
}: {
  variety: Variety
  state: PlanState
  change: (next: Partial<PlanState>) => void
  plan: Plan
  untilMorning: number | undefined
}) {
  return (
    <div className={classes.block}>
      <h2 className="eyebrow">Soak</h2>
      <div className="chips">
        {soaksFor(variety, untilMorning).map((soak) => (
          <UnstyledButton
            key={soakWord(soak)}
            className="chip"
            aria-pressed={state.soak?.minutes === soak?.minutes}
            onClick={() => change({ soak: soak && { ...soak, water: state.soak?.water ?? soak.water } })}
          >
            {soak && soak.minutes === untilMorning ? `till ${WAKING_HOUR}` : soakWord(soak)}
          </UnstyledButton>
        ))}
      </div>
      {state.soak && (
        <Suspense>
          <SoakCurve
            variety={variety}
            soak={state.soak}
            onMinutes={(minutes) => state.soak && change({ soak: { ...state.soak, minutes } })}
          />
        </Suspense>
      )}
      {state.soak && (
        <Either
          label="Soaking water"
          value={state.soak.water}
          of={[
            ['drain', 'discarded'],
            ['keep', 'used for cooking'],
          ]}
          onChange={(water) => state.soak && change({ soak: { ...state.soak, water } })}
        />
      )}
      {state.soak?.water === 'drain' && (
        <Suspense>
          <WetWeight state={state} change={change} plan={plan} />
        </Suspense>
      )}
    </div>
  )
}

const textureWord = (texture: number): string =>
  texture <= 0.1
    ? 'firm'
    : texture < 0.4
      ? 'firm to standard'
      : texture <= 0.6
        ? 'standard'
        : texture < 0.9
          ? 'standard to soft'
          : 'soft'

/** In the fridge, where it neither sours nor breaks. */
const overnightSoak = (minutes: number) => ({ minutes, celsius: FRIDGE_C, water: 'drain' as const })

/** Soaks worth offering: short for bare grain, long and cold for grain in its skin, in the evening till the morning. */
function soaksFor(variety: Variety, untilMorning: number | undefined): PlanState['soak'][] {
  const short = (minutes: number) => ({ minutes, celsius: 20, water: 'drain' as const })
  return variety.skin < 0.5
    ? [null, short(120), overnightSoak(untilMorning ?? 600)]
    : [null, short(20), short(30), short(60)]
}

interface EitherProps<T extends string> {
  label: string
  value: string
  of: readonly (readonly [T, string])[]
  off?: boolean
  onChange: (value: T) => void
}

/** One of a few words, beside each other. */
function Either<T extends string>({ label, value, of, off = false, onChange }: EitherProps<T>) {
  return (
    <div className="chips" role="group" aria-label={label}>
      {of.map(([id, word]) => (
        <UnstyledButton
          key={id}
          className="chip"
          aria-pressed={value === id}
          disabled={off}
          onClick={() => onChange(id)}
        >
          {word}
        </UnstyledButton>
      ))}
    </div>
  )
}
