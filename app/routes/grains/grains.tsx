import { Button } from '@mantine/core'
import { useState } from 'react'
import { data, Link, useNavigation } from 'react-router'
import type { Result } from '#core/contract/plan-request'
import { AVOIDABLE, heldBy } from '#core/eaters/avoid'
import { VARIETIES, varietyOf } from '#core/grain/varieties'
import { settingsOf } from '#server/store/open-household'
import { kitchen } from '#server/kitchen'
import { nowMs } from '#server/clock'
import { stockForecast } from '#server/queries/stock-forecast'
import { adoptLabel, dropBag, labelMeaning, saveBag } from '#server/commands/grains'
import { inBaseUnits, inKitchenUnits } from '../../ui/units/unit-form'
import { useUnits } from '../../ui/units/units'
import { formOf } from '../../ui/forms/read-form'
import { Kernel } from '../../ui/drawing/grain-pattern'
import { typedOf, type Refused } from '../../ui/forms/errors'
import { PageLinks } from '../../ui/page-links'
import { pageOf } from '../../ui/pages'
import type { Route } from './+types/grains'
import { BagForm } from './bag-form'
import { Bags } from './bags'
import { StockForecast } from './stock-forecast'
import type { GrainBag } from './bag-row'
import { IdentifyGrain } from './identify-grain'
import classes from './grains.module.css'
import { SideSheet } from '../../ui/overlay/side-sheet'

export const meta: Route.MetaFunction = () => [{ title: 'Grains · Omsel' }]

const ON_A_PAGE = 40

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const all = open.grainBags.bags()
  const eaters = open.people.all()
  const at = pageOf(new URL(request.url).searchParams.get('page'), all.length, ON_A_PAGE)
  return {
    ...at,
    forecast: stockForecast(open, nowMs()),
    varieties: [...new Set(all.map((bag) => bag.variety))],
    bags: all.slice(at.from, at.from + ON_A_PAGE).map((bag): GrainBag => ({
      ...bag,
      notFor: eaters.flatMap((e) =>
        heldBy(bag.variety, e.avoids).map((food) => `not for ${e.name}: ${AVOIDABLE[food].word}`),
      ),
      means: bag.label_ratio === null ? null : labelMeaning(bag.variety, bag.label_ratio).uptake,
    })),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const open = kitchen()
  const units = settingsOf(open)
  const typed = typedOf(await formOf(request))
  const fields = inBaseUnits(
    typed,
    units,
    open.grainBags.bags().find((bag) => bag.id === typed.id),
  )
  const acts = new Map<string, () => Result<unknown>>([
    ['save-bag', () => saveBag(open, fields)],
    ['drop-bag', () => dropBag(open, typed)],
    ['adopt-label', () => adoptLabel(open, typed)],
  ])
  const act = acts.get(typed.intent ?? '')
  if (!act)
    return data(
      {
        errors: [
          {
            path: 'intent',
            message: `intent must be one of ${[...acts.keys()].join(', ')}, got "${typed.intent ?? ''}"`,
            code: 'not-an-option',
          },
        ],
        typed,
      } satisfies Refused,
      { status: 400 },
    )
  const done = act()
  if (!done.ok)
    return data({ errors: inKitchenUnits(done.errors, typed, units), typed } satisfies Refused, {
      status: 422,
    })
  return { done: typed.intent!, at: Date.now() }
}

/** The household's bags, identifying a grain, and all varieties. */
export default function GrainsPage({ loaderData, actionData }: Route.ComponentProps) {
  const { system, say } = useUnits()
  const { bags } = loaderData
  const [editing, setEditing] = useState<GrainBag | 'new'>()
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const saved =
    actionData && 'done' in actionData && actionData.done !== 'adopt-label' ? actionData.at : undefined
  const [closedAt, setClosedAt] = useState<number>()
  const idle = useNavigation().state === 'idle'
  // A saved form has nothing left to say.
  if (saved !== undefined && saved !== closedAt && idle) {
    setClosedAt(saved)
    setEditing(undefined)
  }
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Grains</h1>
        <Button onClick={() => setEditing('new')}>Add a bag</Button>
      </div>
      <Bags bags={bags} onEdit={setEditing} />
      <PageLinks {...loaderData} />
      <StockForecast forecast={loaderData.forecast} />
      <IdentifyGrain shelf={loaderData.varieties} />
      <h2 className="place-part">Every grain</h2>
      <ul className={classes.grains}>
        {VARIETIES.map((v) => (
          <li key={v.id}>
            <span className={classes.kernel}>
              <Kernel variety={v} height={26} />
            </span>
            <span>
              <Link to={`/grains/${v.id}`}>
                <b>{v.name}</b>
              </Link>
              <span className="quiet small">{v.character}</span>
            </span>
            <span className={classes.facts}>
              absorbs {say(`${v.uptake.firm}–${v.uptake.soft}`)} times its weight,{' '}
              {say(
                system === 'us'
                  ? `${(v.kernel.lengthMm / 25.4).toFixed(2)} × ${(v.kernel.widthMm / 25.4).toFixed(2)} in`
                  : `${v.kernel.lengthMm} × ${v.kernel.widthMm} mm`,
              )}
              {v.gluten ? ', gluten' : ''}
            </span>
            <Link to={`/?grain=${v.id}`} aria-label={`Plan ${v.name}`}>
              plan
            </Link>
          </li>
        ))}
      </ul>
      <SideSheet
        opened={editing !== undefined}
        onClose={() => setEditing(undefined)}
        size="md"
        title={editing === 'new' ? 'Add a bag' : `${editing ? varietyOf(editing.variety).name : ''}`}
      >
        {editing && (
          <BagForm
            key={editing === 'new' ? 'new' : editing.id}
            bag={editing === 'new' ? undefined : editing}
            refused={refused}
          />
        )}
      </SideSheet>
    </main>
  )
}
