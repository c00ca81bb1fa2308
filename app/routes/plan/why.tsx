import { useEffect, useState, type ReactNode } from 'react'
import type { Breakdown, BreakdownTerm } from '#core/explain/pour'
import { Aside } from '../../layout/aside'
import classes from './why.module.css'

interface WhyProps {
  /** What is explained, as a question a cook would ask. */
  question: string
  /** Computed when it is asked for, by what is fetched then. */
  sum: () => Promise<Breakdown>
  /** The figure itself, where that is what one presses; left out: the word “why?” beside it. */
  children?: ReactNode
}

/**
 * A figure's sum, opened beside it: its terms, where each comes from, and how sure it is; the surer, the
 * firmer its line.
 */
export function Why({ question, sum, children }: WhyProps) {
  return (
    <Aside word={children ?? 'why?'} label={question} className="link" width={380}>
      {() => <SumShown question={question} sum={sum} />}
    </Aside>
  )
}

function SumShown({ question, sum: ask }: { question: string; sum: () => Promise<Breakdown> }) {
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
      <table>
        <tbody>
          {sum.terms.map((term) => (
            <tr key={term.word}>
              <td className={classes.value} style={{ borderLeftWidth: thickness(term) }}>
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
