import { capacityIn } from '#core/units/system'
import { VARIETIES } from '#core/grain/varieties'
import { SITUATIONS } from '#core/practice/situations'
import { nowMs } from '#server/clock'
import { currentLeftovers } from '#server/queries/leftovers'
import { kitchen } from '#server/kitchen'
import { settingsOf, type Kitchen } from '#server/store/open-household'
import { loadPlanningData } from '../../planning/planning-data.server'
import { orderFrom } from '../../planning/order'
import { matching, type SearchEntry } from '../../search/match'
import { PLACES } from '../../search/places'
import { dayWord } from '../../ui/time/clock-hour'
import type { Route } from './+types/search'

const LONGEST = 200
const MOST = 24
const MAX_COOKS = 8

/** Everything of this household that matches some words. */
export function loader({ request }: Route.LoaderArgs) {
  const asked = (new URL(request.url).searchParams.get('q') ?? '').slice(0, LONGEST)
  const open = kitchen()
  return {
    asked,
    found: [
      ...orderIn(open, asked),
      ...matching(entriesOf(open, nowMs()), asked, MOST),
      ...cooksCalled(open, asked, nowMs()),
    ].slice(0, MOST),
  }
}

/** "2 cups basmati for six at 7" is an order: a press plans it, and it says how it was understood. */
function orderIn(open: Kitchen, asked: string): SearchEntry[] {
  const { household } = loadPlanningData(open)
  const order = orderFrom(asked, household, nowMs())
  return order ? [{ kind: 'Plan', label: order.label, more: order.more, to: `/?${order.search}` }] : []
}

function entriesOf(open: Kitchen, now: number): SearchEntry[] {
  const pots = open.equipment.vessels()
  return [
    ...PLACES,
    ...VARIETIES.map((v): SearchEntry => ({
      kind: 'Grains',
      label: v.name,
      more: `${v.family}, ${v.character}`,
      to: `/?grain=${v.id}`,
    })),
    ...VARIETIES.map((v): SearchEntry => ({
      kind: 'About grains',
      label: `About ${v.name.toLowerCase()}`,
      more: 'water, ways, signs, keeping',
      to: `/grains/${v.id}`,
    })),
    ...open.grainBags
      .bags()
      .map((bag): SearchEntry => ({ kind: 'Bags', label: bag.name, more: 'in Grains', to: '/grains' })),
    ...pots.map((pot): SearchEntry => ({
      kind: 'Pots',
      label: pot.name,
      more: 'plan in it',
      to: `/?pot=${pot.id}`,
    })),
    ...open.savedWays.all().map((way): SearchEntry => ({
      kind: 'Saved ways',
      label: way.name,
      more: 'plan it',
      to: `/?${way.search}`,
    })),
    ...open.equipment.measures().map((m): SearchEntry => ({
      kind: 'Measures',
      label: m.name,
      more: capacityIn(m.ml, settingsOf(open).system),
      to: '/pots',
    })),
    ...open.meals.all().map((s): SearchEntry => ({ kind: 'Meals', label: s.title, to: `/meal/${s.id}` })),
    ...open.cooks.running().map((cook): SearchEntry => ({
      kind: 'On the stove',
      label: cook.title,
      more: cook.vesselName,
      to: `/stove/${cook.id}`,
    })),
    ...currentLeftovers(open, now).map(({ row }): SearchEntry => ({
      kind: 'Leftovers',
      label: row.title,
      more: row.container_name,
      to: '/leftovers',
    })),
    ...SITUATIONS.map((s): SearchEntry => ({
      kind: 'Practice',
      label: s.title,
      more: s.learned,
      to: `/practice/${s.id}`,
    })),
  ]
}

/** Cooks of the notebook by its own index of words. */
function cooksCalled(open: Kitchen, asked: string, now: number): SearchEntry[] {
  if (asked.trim().length < 2) return []
  const { zone } = settingsOf(open)
  const found = open.notebook.lines({ text: asked }, MAX_COOKS, 0)
  const again = found.find((line) => line.end === 'finish')
  return [
    ...(again
      ? [
          {
            kind: 'Plan' as const,
            label: `${again.title} again`,
            more: `last time: ${dayWord(again.ended_ms, now, zone)}, ${again.vessel_name}`,
            to: `/cooks/${again.cook_id}/again`,
          },
        ]
      : []),
    ...found.map((line): SearchEntry => ({
      kind: 'Batches',
      label: line.title,
      more: `${dayWord(line.ended_ms, now, zone)}, ${line.vessel_name}${line.note ? `: ${line.note.slice(0, 60)}` : ''}`,
      to: `/notebook/${line.cook_id}`,
    })),
  ]
}
