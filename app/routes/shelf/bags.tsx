import { Button, UnstyledButton } from '@mantine/core'
import { Form, Link } from 'react-router'
import { varietyOf } from '#core/grain/varieties'
import { Kernel } from '../../drawing/kernel-pattern'
import type { ShelfBag } from './shelf-bag'
import classes from './shelf.module.css'

/** The household's own bags, each with what its label says beside what is known of the grain. */
export function Bags({ bags, onEdit }: { bags: readonly ShelfBag[]; onEdit: (bag: ShelfBag) => void }) {
  if (bags.length === 0)
    return <p className="quiet">No bag yet. A bag remembers its label, how much is left, and what your pots learned of it.</p>
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
              <span className={`${classes.left} figure`}>{bag.left_g === null ? '' : bag.left_g >= 1000 ? `${(bag.left_g / 1000).toFixed(1)} kg` : `${Math.round(bag.left_g)} g`}</span>
            </div>
            <p className={classes.words}>
              {[...bag.notFor, bag.new_crop ? 'new crop: holds more water, pour less' : '', bag.enriched ? 'enriched: washing takes the added vitamins off' : '', bag.label].filter(Boolean).join(' · ') || variety.character}
            </p>
            {bag.means && (
              <p className={classes.words}>
                Its label’s {bag.label_ratio} to 1 comes to {bag.means.low.toFixed(2)}–{bag.means.high.toFixed(2)} g in each gram; published is{' '}
                {variety.uptake.standard.toFixed(2)}.{bag.adopted_delta !== null && ' You took the label’s word.'}
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
                    {bag.adopted_delta === null ? 'Take the label’s word' : 'Back to published'}
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
