import { FIGURE_WORDS } from '#core/leftovers/guidance-words'
import { Link } from 'react-router'
import { FIGURE_IDS, type Authority, type Guidance } from '#core/leftovers/guidance'
import classes from './leftovers.module.css'

export const AUTHORITY_WORDS: Record<Authority, string> = {
  stricter: 'the stricter of the two',
  uk: 'the UK Food Standards Agency',
  us: 'the US FDA and USDA',
}

/** Whose figures are in force, each with its source. */
export const GuidanceLine = ({ guidance, authority }: { guidance: Guidance; authority: Authority }) => (
  <details className={classes.guidance}>
    <summary>
      Using limits from {AUTHORITY_WORDS[authority]}: cool in {guidance.cool_min.value} min, eat within{' '}
      {guidance.eat_h.value} h
    </summary>
    <table>
      <tbody>
        {FIGURE_IDS.map((id) => (
          <tr key={id}>
            <th scope="row">{FIGURE_WORDS[id].name}</th>
            <td className="figure">
              {FIGURE_WORDS[id].unit === 'times' && guidance[id].value === 1
                ? 'once'
                : `${guidance[id].value} ${FIGURE_WORDS[id].unit}`}
            </td>
            <td className="quiet">{guidance[id].source}</td>
          </tr>
        ))}
      </tbody>
    </table>
    <p className="quiet small">
      You can choose stricter limits or another authority in <Link to="/settings/keeping">Settings</Link>;
      they cannot be turned off.
    </p>
  </details>
)
