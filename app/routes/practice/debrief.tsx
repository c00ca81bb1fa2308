import { Button } from '@mantine/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import type { PlayerActions } from '#core/practice/player-actions'
import { debriefOf, type Debrief as DebriefResult, type Action } from '#core/practice/debrief'
import type { Ending } from '#core/practice/ending'
import { meanCentre } from '#core/pot/mean-centre'
import type { Readout } from '#core/pot/readout'
import type { PracticeConditions, Situation } from '#core/practice/situation'
import { varietyOf } from '#core/grain/varieties'
import { useUnits } from '../../ui/units/units'
import { PotInside } from '../../ui/drawing/pot-inside'
import classes from './practice.module.css'

const WORDS: Record<Ending['word'], string> = {
  good: 'separate, cooked through',
  soft: 'soft',
  firm: 'firm',
  wet: 'wet',
  mush: 'mush',
  dry: 'dry',
  hard: 'hard in the middle',
  uneven: 'uneven',
  scorched: 'burnt at the bottom',
}
export const endingWord = ({ word, good, texture }: Ending): string =>
  good || (word !== 'soft' && word !== 'firm')
    ? WORDS[word]
    : texture > 0.5
      ? 'softer than planned'
      : 'firmer than wanted'

/** What happened to this pot and why: every act weighed by cooking the pot again without it. */
export function Debrief({
  situation,
  kitchen,
  doing: playerActions,
  again,
}: {
  situation: Situation
  kitchen: PracticeConditions
  doing: PlayerActions
  again: () => void
}) {
  const debrief = useMemo<DebriefResult>(
    () => debriefOf(kitchen, playerActions, situation.about),
    [kitchen, playerActions, situation.about],
  )
  const { ending, reasons, deeds: actions, moment, tryThis, marks } = debrief
  const variety = varietyOf(kitchen.real.grains[0]!.variety)
  const dryG = kitchen.right.grain.mass_g
  return (
    <section className={classes.debrief} aria-label="What happened">
      <p className={`${classes.verdict} figure`} data-good={ending.good || undefined}>
        {ending.good ? 'It came out: ' : 'It came out '}
        {endingWord(ending)}
      </p>
      {reasons.map((reason) => (
        <p key={reason} className={classes.reason}>
          {reason}
        </p>
      ))}
      <p className={classes.reason}>
        {marks.boil !== undefined
          ? `It really boiled ${minuteWord(marks.boil)} after adding the water${marks.dry === undefined ? '' : `; the pot ran dry at ${minuteWord(marks.dry)}`}.`
          : 'It did not boil.'}
      </p>

      <div className={classes.two}>
        <div>
          <h2>Effect of each choice</h2>
          <ul className={classes.deeds}>
            {actions.map((action) => (
              <ActionLine key={action.says} deed={action} ending={ending} />
            ))}
          </ul>
        </div>
        <div>
          <h2>Inside, {minuteWord(moment.atMin)} after adding the water</h2>
          <p className="quiet">{moment.says}.</p>
          <div className={classes.insides}>
            <Inside of={moment.yours} words="yours" kitchen={kitchen} variety={variety} dryG={dryG} />
            {moment.other && (
              <Inside
                of={moment.other}
                words={moment.otherSays}
                kitchen={kitchen}
                variety={variety}
                dryG={dryG}
              />
            )}
          </div>
        </div>
      </div>

      {!ending.good && (
        <p className={classes.try}>
          <span className="quiet">Next time</span>
          <b>
            {tryThis
              ? `${tryThis.says.join(', and ')}: then it is ${endingWord(tryThis.ending)}.`
              : 'More than two mistakes: start with the biggest.'}
          </b>
        </p>
      )}
      <p className={classes.trap}>{situation.trap}</p>
      {ending.good && <p className={`${classes.learned} figure`}>{situation.learned}</p>}
      <p className={classes.after}>
        <Button onClick={again}>Cook it again</Button>
        <Button component={Link} to="/practice" variant="default">
          Other exercises
        </Button>
      </p>
    </section>
  )
}

const minuteWord = (n: number): string => (n < 1 ? `${Math.round(n * 60)} s` : `${Math.round(n)} min`)
const more = (n: number, word: string): string => `${word} ${n > 0 ? 'more' : 'less'}`

function ActionLine({
  deed: { says, without, ending: other, did },
  ending,
}: {
  deed: Action
  ending: Ending
}) {
  const { say } = useUnits()
  const turns = other.good !== ending.good
  const moved = [
    Math.abs(did.drunkGPerG) >= 0.02 &&
      `the grain took ${more(did.drunkGPerG, `${Math.round(Math.abs(did.drunkGPerG) * 100)} % of its weight`)} in water`,
    Math.abs(did.evaporatedG) >= 3 &&
      say(`${more(did.evaporatedG, `${Math.abs(did.evaporatedG).toFixed(0)} g`)} steam`),
    Math.abs(did.centre) >= 0.01 &&
      `centres cooked ${more(did.centre, `${Math.abs(100 * did.centre).toFixed(0)} points`)}`,
  ].filter((w) => w !== false)
  return (
    <li data-turns={turns || undefined}>
      <b>{say(says)}.</b> {moved.length > 0 ? `It made ${moved.join(', ')}; ` : 'It made little difference; '}
      {say(without)} it is{' '}
      {turns ? (
        <em>{endingWord(other)}</em>
      ) : endingWord(other) === endingWord(ending) ? (
        `${endingWord(other)} as well`
      ) : (
        endingWord(other)
      )}
      .
    </li>
  )
}

function Inside({
  of,
  words,
  kitchen,
  variety,
  dryG,
}: {
  of: Readout
  words: string
  kitchen: PracticeConditions
  variety: ReturnType<typeof varietyOf>
  dryG: number
}) {
  const { say, temperature, waterIn } = useUnits()
  const centres = Math.round(100 * meanCentre(of))
  return (
    <figure>
      <PotInside
        vessel={kitchen.real.vessel}
        variety={variety}
        dryG={dryG}
        moment={{ ...of, steam: 0 }}
        title={say(
          `${words}: ${Math.round(of.bulkC)} °C, ${Math.round(of.freeG)} g of water left, centres cooked to ${centres} %`,
        )}
        letters={0.16}
      />
      <figcaption>
        <b>{words}</b>
        <span>
          {temperature(of.bulkC)}, {waterIn(of.freeG)} left, centres {centres} %
        </span>
      </figcaption>
    </figure>
  )
}
