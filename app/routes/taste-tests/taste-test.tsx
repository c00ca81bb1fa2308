import { Button, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { data, Form, Link, redirect, useFetcher } from 'react-router'
import { newId } from '../../ui/new-id'
import { resultOf, type TasteTestResult } from '#core/learn/taste-tests'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { adoptCup, taste } from '#server/commands/taste-tests'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { clockTime, dayWord } from '../../ui/time/clock-hour'
import type { Route } from './+types/taste-test'
import classes from './taste-tests.module.css'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.tasteTest.title} · Taste tests · Omsel` : 'Taste tests · Omsel' },
]

export function loader({ params }: Route.LoaderArgs) {
  const open = kitchen()
  const tasteTest = open.tasteTests.find(params.tasteTest)
  if (!tasteTest) throw new Response('Taste test not found.', { status: 404 })
  return {
    tasteTest,
    tastings: open.tasteTests.tastings(tasteTest.id),
    settings: settingsOf(open),
    nowMs: nowMs(),
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = Object.fromEntries(
    [...(await formOf(request))].filter((pair): pair is [string, string] => typeof pair[1] === 'string'),
  )
  const open = kitchen()
  const refuse = (errors: { path: string; message: string }[]) =>
    data({ errors }, { status: errors[0]!.path === 'tasteTest' ? 404 : 422 })
  switch (form.intent) {
    case 'taste': {
      const tasted = taste(open, params.tasteTest, form, nowMs())
      return tasted.ok ? { tasted: true as const } : refuse(tasted.errors)
    }
    case 'untaste':
      return open.tasteTests.untaste(form.id ?? '', params.tasteTest)
        ? { tasted: true as const }
        : refuse([{ path: 'id', message: 'id must be a tasting of this taste test' }])
    case 'adopt': {
      const adopted = adoptCup(open, params.tasteTest, form.letter, nowMs())
      return adopted.ok ? { adopted: form.letter } : refuse(adopted.errors)
    }
    case 'drop':
      open.tasteTests.drop(params.tasteTest)
      return redirect('/taste-tests')
    default:
      return data({ errors: [unknownIntent(form.intent)] }, { status: 400 })
  }
}

/** One tasteTest: its pots, its tastings, and what they are worth. */
export default function TasteTestPage({ loaderData, actionData }: Route.ComponentProps) {
  const { tasteTest, tastings, settings, nowMs: now } = loaderData
  const [revealed, setRevealed] = useState(tasteTest.blind === 0)
  const letters = tasteTest.cups.map((cup) => cup.letter)
  const result = resultOf(
    tastings.map((t) => t.ranking),
    letters,
  )
  const label = (letter: string) => tasteTest.cups.find((cup) => cup.letter === letter)!.label
  const named = (letter: string) => (revealed ? `${letter}, ${label(letter)}` : letter)
  return (
    <main className="place">
      <p>
        <Link to="/taste-tests">Taste tests</Link>
      </p>
      <h1 className="figure">{tasteTest.title}</h1>
      <ul className={classes.cups}>
        {tasteTest.cups.map((cup) => (
          <li key={cup.letter} className="basin">
            <span className={`${classes.letter} figure`}>{cup.letter}</span>
            {revealed ? <span>{cup.label}</span> : <span className="quiet">hidden</span>}
            <Link to={`/?${cup.search}`} aria-label={`Plan sample ${cup.letter}`}>
              plan it
            </Link>
          </li>
        ))}
      </ul>
      {tasteTest.blind === 1 && (
        <p className="quiet small">
          {revealed ? 'The samples are revealed.' : 'The cook sees which is which; tasters see only letters.'}{' '}
          {!revealed && (
            <UnstyledButton className="link" onClick={() => setRevealed(true)}>
              reveal
            </UnstyledButton>
          )}
        </p>
      )}
      <Tasting
        key={tastings.length}
        letters={letters}
        error={actionData && 'errors' in actionData ? actionData.errors[0]!.message : undefined}
      />
      <section aria-label="Result">
        <h2 className="place-part">Result</h2>
        <p role="status">{verdict(result, tastings.length, named)}</p>
        {tastings.length > 0 && (
          <table className={classes.table}>
            <thead>
              <tr>
                <th scope="col">Sample</th>
                <th scope="col">Ranked first</th>
                <th scope="col">Average rank</th>
                <th scope="col" />
              </tr>
            </thead>
            <tbody>
              {result.firsts.map((f) => (
                <tr key={f.letter}>
                  <td>{named(f.letter)}</td>
                  <td className="figure">{f.first}</td>
                  <td className="figure">{f.meanRank.toFixed(1)}</td>
                  <td>
                    {tasteTest.differs === 'water' && revealed && (
                      <Form method="post">
                        <input type="hidden" name="letter" value={f.letter} />
                        <Button type="submit" size="compact-sm" variant="default" name="intent" value="adopt">
                          Use this water from now on
                        </Button>
                      </Form>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {actionData && 'adopted' in actionData && (
          <p role="status">
            Sample {actionData.adopted} is now used for this grain; <Link to="/notebook/learned">unfix</Link>{' '}
            to go back.
          </p>
        )}
        <ul>
          {tastings.map((t) => (
            <li key={t.id}>
              {t.who || 'somebody'}, {dayWord(t.at_ms, now, settings.zone)} {clockTime(t.at_ms, settings)}:{' '}
              {t.ranking.join(' before ')}
              <Form method="post" style={{ display: 'inline' }}>
                <input type="hidden" name="id" value={t.id} />
                <Button type="submit" size="compact-xs" variant="subtle" name="intent" value="untaste">
                  undo
                </Button>
              </Form>
            </li>
          ))}
        </ul>
      </section>
    </main>
  )
}

/** Tap the cups in the order they taste, the best first. */
function Tasting({ letters, error }: { letters: readonly string[]; error: string | undefined }) {
  const fetcher = useFetcher()
  const [order, setOrder] = useState<string[]>([])
  const [who, setWho] = useState('')
  return (
    <section aria-label="A tasting" className={`${classes.sheet} basin`}>
      <h2 className="figure">A tasting</h2>
      <p className="quiet small">Tap best first. Tap again to remove.</p>
      <div className={classes.row} role="group" aria-label="Samples, the best first">
        {letters.map((letter) => {
          const at = order.indexOf(letter)
          return (
            <UnstyledButton
              key={letter}
              className={classes.cup}
              aria-pressed={at >= 0}
              aria-label={at >= 0 ? `Sample ${letter}, place ${at + 1}` : `Sample ${letter}`}
              onClick={() => setOrder(at >= 0 ? order.filter((l) => l !== letter) : [...order, letter])}
            >
              <span className="figure">{letter}</span>
              <span className="small">{at >= 0 ? `${at + 1}.` : '–'}</span>
            </UnstyledButton>
          )
        })}
      </div>
      <TextInput
        size="sm"
        label="Who tasted"
        value={who}
        maxLength={60}
        onChange={(event) => setWho(event.currentTarget.value)}
        w={220}
      />
      {error && <p role="alert">{error}</p>}
      <p>
        <Button
          disabled={order.length < letters.length || fetcher.state !== 'idle'}
          onClick={() =>
            void fetcher.submit(
              { intent: 'taste', id: newId(), who, ranking: order.join('') },
              { method: 'post' },
            )
          }
        >
          Save
        </Button>
      </p>
    </section>
  )
}

function verdict(
  { leader, chance, moreNeeded, firsts }: TasteTestResult,
  tastings: number,
  named: (letter: string) => string,
): string {
  if (tastings === 0) return 'No tastings yet.'
  if (leader === null)
    return `No clear winner after ${tastings === 1 ? 'one tasting' : `${tastings} tastings`}.`
  const odds = `luck alone could do that ${chance > 0.995 ? 'nearly always' : `in ${chance < 0.01 ? 'under 1' : Math.round(chance * 100)} of 100 such tests`}`
  const more =
    moreNeeded === null
      ? 'many more tastings are needed'
      : moreNeeded === 0
        ? 'unlikely to be luck'
        : `${moreNeeded === 1 ? 'one more like these' : `${moreNeeded} more like these`} would settle it`
  return `${named(leader)} was put first ${firsts[0]!.first} of ${tastings} times: ${odds}; ${more}.`
}
