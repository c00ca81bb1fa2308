import { useEffect, useState } from 'react'
import type { Breakdown, BreakdownTerm } from '#core/explain/pour'
import { useUnits } from '../../ui/units/units'
import classes from './why.module.css'

/** The terms of a sum, where each comes from and how sure it is. */
export default function WhySum({ question, sum: ask }: { question: string; sum: () => Promise<Breakdown> }) {
  const { say } = useUnits()
  const [sum, setSum] = useState<Breakdown>()
  useEffect(() => {
    let here = true
    void ask().then((found) => here && setSum(found))
    return () => {
      here = false
    }
  }, [ask])
  if (!sum) return <h3>{question}</h3>
  return (
    <div className={classes.sum}>
      <h3>{question}</h3>
      <p className={classes.says}>{say(sum.says)}</p>
      <table>
        <tbody>
          {sum.terms.map((term) => (
            <tr key={term.word}>
              <td className={classes.value} style={{ borderInlineStartWidth: thickness(term) }}>
                {signed(term)}
              </td>
              <td>{term.word}</td>
              <td className="quiet">
                {term.from}
                {term.sure >= 0.5 && `, ± ${Math.round(term.sure)}`}
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <td className={classes.value}>{rounded(sum.total, sum.terms[0]?.unit ?? 'g')}</td>
            <td>total</td>
            <td className="quiet">± {Math.max(1, Math.round(sum.sure))}</td>
          </tr>
        </tfoot>
      </table>
    </div>
  )
}

const rounded = (value: number, unit: BreakdownTerm['unit']): string =>
  `${unit === 'min' && Math.abs(value) < 10 ? value.toFixed(1) : Math.round(value)} ${unit}`
const signed = ({ value, unit }: BreakdownTerm): string =>
  value < 0 ? `−${rounded(-value, unit)}` : rounded(value, unit)

/** From 6 px for a term known to a few percent down to 1 px for a guess. */
const thickness = ({ value, sure }: BreakdownTerm): number => {
  const off = Math.abs(value) > 0 ? sure / Math.abs(value) : 0
  return off < 0.03 ? 6 : off < 0.08 ? 4 : off < 0.2 ? 2.5 : 1
}
