import { Button, UnstyledButton } from '@mantine/core'
import { Form, Link } from 'react-router'
import { varietyOf } from '#core/grain/varieties'
import { useUnits } from '../../ui/units/units'
import { Kernel } from '../../ui/drawing/grain-pattern'
import type { GrainBag } from './bag-row'
import classes from './grains.module.css'

/** The household's own bags, each with its label's figures and the published ones. */
export function Bags({ bags, onEdit }: { bags: readonly GrainBag[]; onEdit: (bag: GrainBag) => void }) {
  const { say, mass, number } = useUnits()
  if (bags.length === 0)
    return (
      <p className="quiet">
        No bags yet. A bag stores its label, how much is left, and what Omsel learned about it.
      </p>
    )
  return (
    <ul className={classes.bags}>
      {bags.map((bag) => {
        const variety = varietyOf(bag.variety)
        return (
          <li key={bag.id} className={`${classes.bag} basin`}>
            <div className={classes.bagHead}>
              <Kernel variety={variety} height={34} />
              <div>
                <b className="figure">{bag.name}</b>
                <div className="quiet small">{variety.name}</div>
              </div>
              <span className={`${classes.left} figure`}>
                {bag.left_g === null
                  ? ''
                  : bag.left_g >= 1000
                    ? say(`${(bag.left_g / 1000).toFixed(1)} kg`)
                    : mass(Math.round(bag.left_g))}
              </span>
            </div>
            <p className={classes.words}>
              {[
                ...bag.notFor,
                bag.new_crop ? 'new crop: moister, needs less water' : '',
                bag.enriched ? 'enriched: rinsing washes off added vitamins' : '',
                bag.label,
              ]
                .filter(Boolean)
                .join(' · ') || variety.character}
            </p>
            {bag.means && (
              <p className={classes.words}>
                The label’s {say(String(bag.label_ratio))} to 1 means {number(bag.means.low, 2)}–
                {number(bag.means.high, 2)} times its weight in water; usual is{' '}
                {number(variety.uptake.standard, 2)}.{bag.adopted_delta !== null && ' Using the label.'}
              </p>
            )}
            <div className={classes.bagKeys}>
              <Link to={`/?grain=${bag.variety}&bag=${bag.id}`}>plan it</Link>
              <UnstyledButton className="link" onClick={() => onEdit(bag)} aria-label={`Change ${bag.name}`}>
                change
              </UnstyledButton>
              {bag.means && (
                <Form method="post">
                  <input type="hidden" name="id" value={bag.id} />
                  <Button type="submit" size="compact-sm" variant="default" name="intent" value="adopt-label">
                    {bag.adopted_delta === null ? 'Use the label' : 'Use the usual value'}
                  </Button>
                </Form>
              )}
            </div>
          </li>
        )
      })}
    </ul>
  )
}
