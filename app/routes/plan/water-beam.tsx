import { UnstyledButton } from '@mantine/core'
import type { CupId } from '#core/units/cups'
import { inSpoonfuls } from '#core/units/measures'
import { cupMeasure } from '#core/units/system'
import type { Plan } from '#core/plan/result'
import { useUnits } from '../../ui/units/units'
import classes from './water-beam.module.css'

interface Term {
  id: string
  word: string
  grams: number
}

/**
 * The water as a beam in balance: where the water goes over where it comes from, on one scale. A term that
 * is pointed at lights up where it happens: steam on the ribbon, what clings and soaks in at the bed, the
 * pour in the pot.
 */
export default function WaterBeam({
  water,
  lit,
  onLit,
}: {
  water: Plan['water']
  /** The term that is pointed at. */ lit?: string | undefined
  onLit?: (term: string | undefined) => void
}) {
  const goes: Term[] = [
    { id: 'grain', word: 'absorbed', grams: water.absorbed_g },
    { id: 'steam', word: 'boils off', grams: water.evaporated_g },
    { id: 'drained', word: 'poured off', grams: water.drained_off_g },
    { id: 'left', word: 'left in the pot', grams: water.left_in_pot_g },
  ].filter((t) => t.grams > 0)
  const comes: Term[] = [
    { id: 'pour', word: 'pour', grams: water.pour_g },
    { id: 'cling', word: 'on grain', grams: water.clinging_g },
    { id: 'soak', word: 'soaked', grams: water.soaked_in_g },
    { id: 'condensed', word: 'steam', grams: water.steam_in_g },
  ].filter((t) => t.grams > 0)
  const total = Math.max(
    1,
    goes.reduce((sum, t) => sum + t.grams, 0),
  )
  return (
    <figure className={classes.beam} aria-label="The water's balance">
      <Row terms={goes} total={total} lit={lit} onLit={onLit} />
      <div className={classes.bar} aria-hidden />
      <Row terms={comes} total={total} under lit={lit} onLit={onLit} />
    </figure>
  )
}

/** In a bar there is room for one figure: tenths of a cup, or spoons. */
const roughCups = (grams: number, cup: CupId): string => {
  const { ml, tbspMl, tspMl } = cupMeasure(cup)
  const cups = grams / ml
  return cups < 0.2 ? inSpoonfuls(grams, { tbspMl, tspMl }) : `${cups.toFixed(1)} cups`
}

/** A term too small for its words keeps its place; its words stand at the right. */
const ROOM = 0.23

function Row({
  terms,
  total,
  under = false,
  lit,
  onLit,
}: {
  terms: Term[]
  total: number
  under?: boolean
  lit: string | undefined
  onLit: ((term: string | undefined) => void) | undefined
}) {
  const { say, waterIn, units, cup, system } = useUnits()
  const inGrams = units === 'grams' && system === 'metric'
  return (
    <div className={under ? classes.under : classes.over}>
      {terms.map((term) => (
        <UnstyledButton
          key={term.id}
          data-term={term.id}
          data-small={term.grams / total < ROOM || undefined}
          className={classes.term}
          style={{ flexGrow: term.grams / total }}
          aria-pressed={lit === term.id}
          aria-label={`${waterIn(Math.round(term.grams))} ${term.word}: show where`}
          onPointerEnter={(event) => event.pointerType === 'mouse' && onLit?.(term.id)}
          onPointerLeave={(event) => event.pointerType === 'mouse' && onLit?.(undefined)}
          onClick={(event) =>
            event.detail === 0 || matchMedia('(hover: none)').matches
              ? onLit?.(lit === term.id ? undefined : term.id)
              : undefined
          }
        >
          <span className={classes.words}>
            <b>
              {inGrams
                ? Math.round(term.grams)
                : units === 'cups'
                  ? say(roughCups(term.grams, cup))
                  : waterIn(term.grams)}
            </b>{' '}
            {term.word}
          </span>
        </UnstyledButton>
      ))}
    </div>
  )
}
