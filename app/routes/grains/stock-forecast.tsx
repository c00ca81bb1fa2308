import { inWords, varietyOf } from '#core/grain/varieties'
import { outlookWords, type Forecast } from '#core/stock/forecast'
import { useUnits } from '../../ui/units/units'
import classes from './grains.module.css'

/** What the shelf is enough for, and what to buy: plain lines, to read in a shop. */
export function StockForecast({ forecast: { outlooks, buy } }: { forecast: Forecast }) {
  const { say, mass } = useUnits()
  if (outlooks.length === 0) return null
  return (
    <section aria-label="Enough for planned meals?">
      <h2 className="place-part">Enough for planned meals?</h2>
      <ul className={classes.enough}>
        {outlooks.map((o) => (
          <li key={o.variety}>
            <b>{varietyOf(o.variety).name}</b> {say(outlookWords(o))}
          </li>
        ))}
      </ul>
      {buy.length > 0 && (
        <p>To buy: {buy.map((b) => `${inWords(varietyOf(b.variety))}, ${mass(b.grams)}`).join('; ')}.</p>
      )}
    </section>
  )
}
