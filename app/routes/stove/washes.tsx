import { UnstyledButton } from '@mantine/core'
import { useId } from 'react'
import type { CookView } from '#core/cook/replay'
import type { Variety } from '#core/grain/varieties'
import type { Stage } from '#core/plan/result'
import { CLARITY_STEPS, clearEnough } from '#core/water/clear-enough'
import { KernelPattern } from '../../ui/drawing/grain-pattern'
import classes from './washes.module.css'

/** How many washes a rinse was planned with; its title says it. */
export function plannedWashes({ title }: Pick<Stage, 'title'>): number {
  const said = /^Rinse (once|twice|(\d+) times)/.exec(title)
  return !said ? 1 : said[1] === 'once' ? 1 : said[1] === 'twice' ? 2 : Number(said[2])
}

interface WashesProps {
  view: Pick<CookView, 'washes' | 'clarity'>
  stage: Pick<Stage, 'id' | 'kind'>
  washes: number
  variety: Variety
  onWash: (clarity: number) => void
}

/**
 * Counts washes by the water: press the bowl that looks like yours. Each is drawn and described, so that
 * nothing depends on colour.
 */
export function Washes({ view, washes, variety, onWash }: WashesProps) {
  const grains = useId()
  const enough = clearEnough(variety, 'usual')
  const reached = view.clarity !== undefined && view.clarity >= enough - 1e-9
  return (
    <section className={classes.washes} aria-label="Rinses">
      <p>
        <b className="figure">
          {view.washes} of {washes}
        </b>{' '}
        {view.washes === 0
          ? 'Pour off the first cloudy water. After each rinse, tap the bowl that looks like yours.'
          : reached
            ? 'Clear enough. Continue.'
            : 'Not clear enough yet: once more, gently.'}
      </p>
      <div className={classes.bowls}>
        {CLARITY_STEPS.map(({ clarity, word }, i) => (
          <UnstyledButton
            key={word}
            className={classes.bowl}
            aria-pressed={view.clarity === clarity}
            onClick={() => onWash(clarity)}
          >
            <svg viewBox="0 0 100 56" aria-hidden>
              <defs>
                <KernelPattern id={`${grains}-${i}`} variety={variety} wet />
              </defs>
              <path d="M8 10H92V16Q92 50 66 50H34Q8 50 8 16Z" className={classes.body} />
              <path d="M9 28H91Q88 49 66 49H34Q12 49 9 28Z" fill={`url(#${grains}-${i})`} />
              <path
                d="M8 14H92V16Q92 50 66 50H34Q8 50 8 16Z"
                className={classes.cloud}
                style={{ opacity: 0.96 * (1 - clarity) }}
              />
              <path d="M4 10H96" className={classes.rim} />
            </svg>
            {word}
            {clarity <= enough && (CLARITY_STEPS[i + 1]?.clarity ?? 2) > enough && (
              <small>about enough</small>
            )}
          </UnstyledButton>
        ))}
      </div>
    </section>
  )
}
