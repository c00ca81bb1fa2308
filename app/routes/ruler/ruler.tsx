import { UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { useUnits } from '../../ui/units/units'
import type { Route } from './+types/ruler'
import { CardMatch } from './calibrate-screen'
import { Stick, type Level } from './ruler-scale'
import { useScale } from './use-scale'
import classes from './ruler.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'On-screen ruler · Omsel' }]

export function loader() {
  return { creaseMm: settingsOf(kitchen()).crease_mm }
}

const DEPTH_MM = [1, 200] as const
const USUAL_MM = 25
/** Above the highest line so much of the stick is drawn, mm. */
const OVER_MM = 12

/** A screen held beside the pot: the water's depth over the grain in true millimetres, and the cook's own crease. */
export default function RulerPage({ loaderData }: Route.ComponentProps) {
  const { length } = useUnits()
  const [search] = useSearchParams()
  const { scale, keep } = useScale()
  const [matching, setMatching] = useState(false)
  const asked = Number(search.get('water'))
  const depth = asked >= DEPTH_MM[0] && asked <= DEPTH_MM[1] ? asked : USUAL_MM
  const levels: Level[] = [
    { mm: depth, word: 'water to here', kind: 'water' },
    ...(Math.abs(loaderData.creaseMm - depth) > 2
      ? [{ mm: loaderData.creaseMm, word: 'your finger joint', kind: 'crease' as const }]
      : []),
  ]
  return (
    <main className={`place ${classes.page}`}>
      <h1 className="figure">On-screen ruler</h1>
      {scale === undefined || matching ? (
        <CardMatch
          first={scale}
          onKeep={(next) => {
            keep(next)
            setMatching(false)
          }}
        />
      ) : (
        <>
          <p className={classes.lead}>
            {length(depth)} above the grain, at true size. Hold the screen next to the pot, away from steam.
          </p>
          <Stick pxPerMm={scale} levels={levels} topMm={Math.max(...levels.map((l) => l.mm)) + OVER_MM} />
          <p>
            <UnstyledButton className="link" onClick={() => setMatching(true)}>
              Set the size again
            </UnstyledButton>{' '}
            · <Link to="/">Back to the plan</Link>
          </p>
        </>
      )}
    </main>
  )
}
