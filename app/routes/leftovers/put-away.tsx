import { Checkbox, NativeSelect, NumberInput, Radio, Stack, TextInput } from '@mantine/core'
import { IconAlertTriangle, IconMinus, IconPlus } from '@tabler/icons-react'
import { useMemo, useState } from 'react'
import { data, Link, redirect, useNavigation } from 'react-router'
import { unitsOf, amountIn } from '#core/units/system'
import { LEFTOVER_LIMITS, type ContainerJson } from '#core/contract/leftovers'
import { parsePlanRequest } from '#core/contract/plan-request'
import { blendOf } from '#core/grain/blend'
import { mainGrain, VARIETIES, varietyOf, type VarietyId } from '#core/grain/varieties'
import {
  COOLING_CHOICE_IDS,
  COOLING_CHOICES,
  coolingOf,
  fasterWays,
  FIRST_PLACE_MIN,
  usualCooling,
  type CoolingChoice,
  type CoolingChoiceId,
} from '#core/leftovers/cooling'
import { FOLLOW_LOCAL, type Guidance } from '#core/leftovers/guidance'
import {
  containerOf,
  eatenAtOnce,
  shareOut,
  suggestContainers,
  type Container,
  type Filled,
} from '#core/leftovers/portions'
import { nowMs } from '#server/clock'
import { guidanceIn } from '#server/queries/guidance'
import { saveStuck, putAway } from '#server/commands/leftovers'
import { decimalMarkFor } from '#server/http/reader'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { UnitNumber } from '../../ui/units/unit-number'
import { useUnits } from '../../ui/units/units'
import { unknownIntent } from '../../ui/forms/errors'
import { formOf } from '../../ui/forms/read-form'
import { ContainerGrains, ContainerSection } from '../../ui/drawing/container-section'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/put-away'
import { spanWord } from '../../ui/time/clock-hour'
import { coolingWords, portionsWord } from './container-words'
import { AddContainer } from './containers'
import classes from './leftovers.module.css'
import { useSubmitOnce } from '../../ui/forms/use-submit-once'

export const meta: Route.MetaFunction = () => [{ title: 'Store leftovers · Omsel' }]

const MINUTE = 60_000

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const settings = settingsOf(open)
  const id = new URL(request.url).searchParams.get('cook')
  const cook = id === null ? undefined : open.cooks.find(id)
  if (id !== null && !cook) throw new Response('Batch not found.', { status: 404 })
  const read = cook && parsePlanRequest(cook.request)
  const asked = read?.ok ? read.value : undefined
  const finished = cook && open.cooks.findFinished(cook.id)
  const blend = asked && blendOf(asked.grains)
  return {
    cook:
      cook && asked && blend
        ? {
            id: cook.id,
            title: cook.title,
            vesselId: cook.vesselId,
            vesselName: cook.vesselName,
            variety: mainGrain(asked.grains),
            cookedG: cook.plan.yield.cooked_mass_g - cook.plan.yield.left_behind_g,
            servings: cook.plan.yield.servings,
            toKeep: asked.keepServings,
            purpose: asked.purpose,
            asideShare: asked.fryTomorrow?.share ?? 0,
            densityGMl: blend.cookedDensity,
            waterShare: cook.plan.water.absorbed_g / cook.plan.yield.cooked_mass_g,
            dressed: cook.plan.dressing !== undefined,
            minutesAgo: finished ? Math.max(0, (nowMs() - finished.endedMs) / MINUTE) : 0,
            already: open.leftovers.manyOf(cook.id),
          }
        : null,
    containers: open.leftovers.containers(),
    guidance: guidanceIn(open),
    kitchenC: settings.kitchen_c,
    clock: { zone: settings.zone, clock: settings.clock },
    measuresBy: unitsOf(settings, decimalMarkFor(request)),
    nowMs: nowMs(),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await formOf(request)
  if (form.get('intent') !== 'put-away')
    return data({ errors: [unknownIntent(form.get('intent'))] }, { status: 400 })
  let container: unknown
  try {
    container = JSON.parse(String(form.get('leftover') ?? ''))
  } catch {
    return data(
      { errors: [{ path: 'leftover', message: 'leftover must be JSON', code: 'not-json' }] },
      { status: 400 },
    )
  }
  const open = kitchen()
  const stuck = form.get('stuck')
  if (stuck !== null) {
    const saved = saveStuck(open, { vessel_id: form.get('vessel_id'), sticks_g: stuck })
    if (!saved.ok) return data({ errors: saved.errors }, { status: 422 })
  }
  const put = putAway(open, container, nowMs())
  if (!put.ok) return data({ errors: put.errors }, { status: 422 })
  return redirect('/leftovers')
}

const CHOICE_WORDS: Record<CoolingChoiceId, string> = {
  fridge: 'straight into the fridge',
  freezer: 'straight into the freezer',
  'counter-fridge': `on the counter for ${FIRST_PLACE_MIN} min, then the fridge`,
  'counter-freezer': `on the counter for ${FIRST_PLACE_MIN} min, then the freezer`,
  'ice-bath-fridge': `in ice water for ${FIRST_PLACE_MIN} min, then the fridge`,
  'ice-bath-freezer': `in ice water for ${FIRST_PLACE_MIN} min, then the freezer`,
  counter: 'it stays out, covered, and is eaten today',
}
/** A container cooked of something one does not know the water of: as most grain is. */
const USUAL_WATER = 0.62

/** What one says of the batch before it is shared out. */
interface Given {
  variety: VarietyId
  title: string
  /** Grams cooked, and of those left in the pot. */
  weighed: number
  stuck: number
  /** Add what stuck to every batch of this pot from now on. */
  larger: boolean
  /** Portions. */
  eaten: number
  cools: CoolingChoiceId
  forWhom: string
  open: boolean
  stacked: boolean
  minutesAgo: number
}

/** What is left of a pot, shared out level, with when each container is cold; warned before it is too late. */
export default function PutAway({ loaderData, actionData }: Route.ComponentProps) {
  const { capacity } = useUnits()
  const { cook, containers, guidance, measuresBy } = loaderData
  const submit = useSubmitOnce()
  const busy = useNavigation().state !== 'idle'
  const owned = useMemo(() => containers.map(containerOf), [containers])
  const [given, setGiven] = useState<Given>(() => ({
    variety: cook?.variety ?? 'long-white',
    title: cook?.title ?? '',
    weighed: Math.round(cook?.cookedG ?? 400),
    eaten: cook ? eatenAtOnce(cook) : 0,
    stuck: 0,
    larger: false,
    cools: usualCooling({
      dressed: cook?.dressed ?? false,
      purpose: cook?.purpose ?? 'side',
      guidance,
    }),
    forWhom: '',
    open: true,
    stacked: false,
    minutesAgo: Math.round(cook?.minutesAgo ?? 0),
  }))
  const { variety, title, weighed, eaten, stuck, larger, cools, forWhom, open, stacked, minutesAgo } = given
  const { place, next }: CoolingChoice = COOLING_CHOICES[cools]
  const change = (part: Partial<Given>) => setGiven((before) => ({ ...before, ...part }))
  const servings = cook?.servings ?? Math.max(1, Math.round(weighed / 180))
  const density = cook?.densityGMl ?? varietyOf(variety).cookedDensity
  const waterShare = cook?.waterShare ?? USUAL_WATER
  const leftG = Math.max(0, (weighed - stuck) * (1 - Math.min(1, eaten / servings)))
  const portions = Math.max(LEFTOVER_LIMITS.portions[0], servings - eaten)
  // As suggested for what is left, until the cook picks.
  const [own, setPicked] = useState<Record<string, number>>()
  const picked = own ?? countsOf(suggestContainers(leftG, density, portions, owned))
  const into = owned.flatMap((c) => Array.from({ length: picked[c.id] ?? 0 }, () => c))
  const filled = shareOut(leftG, density, portions, into)
  const over = filled.some((f) => f.over)
  const tooLittle = leftG < LEFTOVER_LIMITS.grams[0]
  const errors = actionData && 'errors' in actionData ? actionData.errors : []
  const send = () => {
    const container: ContainerJson = {
      cook_id: cook?.id ?? null,
      title: title.trim() || varietyOf(variety).name,
      variety,
      grams: leftG,
      portions,
      water_share: waterShare,
      density_g_ml: density,
      place,
      next,
      for_whom: forWhom,
      open,
      stacked: stacked ? Math.max(1, into.length) : 1,
      dressed: cook?.dressed ?? false,
      minutes_ago: minutesAgo,
      containers: into.map((c) => c.id),
    }
    void submit(
      {
        intent: 'put-away',

        leftover: JSON.stringify(container),
        ...(larger && cook ? { stuck: String(stuck), vessel_id: cook.vesselId } : {}),
      },
      { method: 'post' },
    )
  }
  return (
    <main className="place">
      <p>
        <Link to="/leftovers">Leftovers</Link>
      </p>
      <h1 className="figure">Store leftovers{cook ? `: ${cook.title}` : ''}</h1>
      {cook && cook.already > 0 && <p role="status">Part of this batch is already stored.</p>}
      <div className={`${classes.sheet} basin`}>
        <PutAwayForm cook={cook} servings={servings} given={given} change={change} />
        <div>
          <p className={`${classes.sum} figure`} role="status">
            {tooLittle
              ? 'Nothing left'
              : `${amountIn(measuresBy, leftG, leftG / density)}, ${portionsWord(portions)}`}
          </p>
          {containers.length === 0 ? (
            <>
              <p>No containers yet. What does yours hold?</p>
              <AddContainer />
            </>
          ) : (
            <ContainerPick owned={owned} picked={picked} setPicked={setPicked} into={into} />
          )}
          {over && (
            <p role="alert">
              They hold {capacity(into.reduce((sum, c) => sum + c.ml, 0))} together, and{' '}
              {capacity(leftG / density)} must fit: add a container.
            </p>
          )}
          <FilledList
            filled={filled}
            density={density}
            waterShare={waterShare}
            place={place}
            next={next}
            open={open}
            stacked={stacked}
            into={into}
            loaderData={loaderData}
            variety={variety}
          />
          <HowLong stays={cools === 'counter'} guidance={guidance} />
          {errors.map((e) => (
            <p key={e.path} role="alert">
              {e.message}
            </p>
          ))}
          <SendButton onClick={send} busy={busy} disabled={tooLittle || into.length === 0 || over}>
            Store
          </SendButton>
        </div>
      </div>
    </main>
  )
}

/** Until when it is eaten, from the counter or from the cold. */
const HowLong = ({ stays, guidance }: { stays: boolean; guidance: Guidance }) => (
  <p className="quiet small">
    {stays
      ? `Eat within ${spanWord(guidance.room_min.value)} of storing it (${guidance.room_min.source}); what is left then is thrown away.`
      : `Eat within ${guidance.eat_h.value} h (${guidance.eat_h.source}), or freeze what is for later.`}{' '}
    {FOLLOW_LOCAL}
  </p>
)

/** What is left, how it was cooled and when: everything asked before it is shared out. */
function PutAwayForm({
  cook,
  servings,
  given,
  change,
}: {
  cook: Route.ComponentProps['loaderData']['cook']
  servings: number
  given: Given
  change: (part: Partial<Given>) => void
}) {
  return (
    <Stack gap="sm">
      {!cook && (
        <>
          <TextInput
            label="What it is"
            value={given.title}
            maxLength={120}
            onChange={(event) => change({ title: event.currentTarget.value })}
            placeholder={varietyOf(given.variety).name}
          />
          <NativeSelect
            label="Grain"
            value={given.variety}
            onChange={(event) => change({ variety: event.currentTarget.value as VarietyId })}
            data={VARIETIES.map((v) => ({ value: v.id, label: v.name }))}
          />
        </>
      )}
      <UnitNumber
        kind="mass"
        label={cook ? 'Cooked, g (as planned, or weighed)' : 'Cooked, g'}
        value={given.weighed}
        min={5}
        max={LEFTOVER_LIMITS.grams[1]}
        step={10}
        clampBehavior="blur"
        allowNegative={false}
        onChange={(n) => change({ weighed: Number(n) || 0 })}
      />
      {cook && (
        <UnitNumber
          kind="mass"
          label="Stuck to the pot, g"
          value={given.stuck}
          min={0}
          max={2000}
          step={10}
          clampBehavior="blur"
          allowNegative={false}
          onChange={(n) => change({ stuck: Number(n) || 0 })}
        />
      )}
      {cook && given.stuck > 0 && (
        <Checkbox
          label={`add this to every batch in ${cook.vesselName}`}
          checked={given.larger}
          onChange={(event) => change({ larger: event.currentTarget.checked })}
        />
      )}
      <NumberInput
        label={`Portions eaten, of ${Math.round(servings * 10) / 10}`}
        value={given.eaten}
        min={0}
        max={servings}
        step={1}
        clampBehavior="strict"
        allowNegative={false}
        onChange={(n) => change({ eaten: Number(n) || 0 })}
      />
      <NumberInput
        label="Minutes since it came off the heat"
        value={given.minutesAgo}
        min={0}
        max={1440}
        step={5}
        clampBehavior="strict"
        allowNegative={false}
        onChange={(n) => change({ minutesAgo: Number(n) || 0 })}
      />
      <Radio.Group
        label="Where it cools"
        value={given.cools}
        onChange={(next) => change({ cools: next as CoolingChoiceId })}
      >
        <Stack gap={6} mt={6}>
          {COOLING_CHOICE_IDS.map((id) => (
            <Radio key={id} value={id} label={CHOICE_WORDS[id]} />
          ))}
        </Stack>
      </Radio.Group>
      <TextInput
        label="For whom"
        description="Empty: for anyone"
        value={given.forWhom}
        maxLength={LEFTOVER_LIMITS.for_whom}
        onChange={(event) => change({ forWhom: event.currentTarget.value })}
      />
      <Checkbox
        label="lid off until it is cold"
        checked={given.open}
        onChange={(event) => change({ open: event.currentTarget.checked })}
      />
      <Checkbox
        label="on top of each other"
        checked={given.stacked}
        onChange={(event) => change({ stacked: event.currentTarget.checked })}
      />
    </Stack>
  )
}

/** How many of each container are filled. */
function ContainerPick({
  owned,
  picked,
  setPicked,
  into,
}: {
  owned: Container[]
  picked: Record<string, number>
  setPicked: (next: Record<string, number>) => void
  into: Container[]
}) {
  const { capacity } = useUnits()
  return (
    <div role="group" aria-label="Into which containers">
      {owned.map((c) => (
        <div key={c.id} className={classes.pick}>
          <span>
            {c.name} <span className="quiet small">{capacity(c.ml)}</span>
          </span>
          <button
            type="button"
            aria-label={`Remove one ${c.name}`}
            disabled={!picked[c.id]}
            onClick={() => setPicked({ ...picked, [c.id]: (picked[c.id] ?? 0) - 1 })}
          >
            <IconMinus size={16} />
          </button>
          <output className="figure" aria-label={c.name}>
            {picked[c.id] ?? 0}
          </output>
          <button
            type="button"
            aria-label={`Add one ${c.name}`}
            disabled={into.length >= LEFTOVER_LIMITS.containers}
            onClick={() => setPicked({ ...picked, [c.id]: (picked[c.id] ?? 0) + 1 })}
          >
            <IconPlus size={16} />
          </button>
        </div>
      ))}
    </div>
  )
}

/** Each filled container with its depth and when it is cold; alike ones once. */
function FilledList({
  filled,
  density,
  waterShare,
  place,
  next,
  open,
  stacked,
  into,
  loaderData,
  variety,
}: {
  filled: Filled[]
  density: number
  waterShare: number
  place: CoolingChoice['place']
  next: CoolingChoice['next']
  open: boolean
  stacked: boolean
  into: Container[]
  loaderData: Route.ComponentProps['loaderData']
  variety: VarietyId
}) {
  const { say, length } = useUnits()
  const { guidance, kitchenC, clock, measuresBy } = loaderData
  return (
    <>
      <ContainerGrains varieties={[varietyOf(variety)]} />
      <ul className={classes.filled}>
        {distinct(filled).map((f) => {
          const given = {
            portion: { massG: f.massG, depthMm: f.depthMm, densityGMl: density, waterShare },
            place,
            next,
            open,
            kitchenC,
            stacked: stacked ? into.length : 1,
          }
          const cooling = coolingOf(given, guidance)
          const words = coolingWords(cooling, loaderData.nowMs, loaderData.nowMs, guidance, clock)
          const staysOut = place === 'counter' && next === null
          const [way] = cooling.tooSlow ? fasterWays(given, guidance) : []
          return (
            <li key={f.container.id} className="basin" data-slow={cooling.tooSlow ?? undefined}>
              <ContainerSection
                variety={varietyOf(variety)}
                depthMm={f.depthMm}
                widthMm={Math.sqrt((f.container.ml / f.container.depthMm) * 1400)}
                open={open}
                past={false}
                frozen={place === 'freezer' || next === 'freezer'}
              />
              <div>
                <b>{f.container.name}</b>
                <div className="quiet small">
                  {f.many > 1 && `${f.many} times `}
                  {amountIn(measuresBy, f.massG, f.massG / density)}, {length(f.depthMm)} deep
                </div>
                {!staysOut && <div className="small">{say(words.says)}</div>}
                {words.frozen && <div className="small">{words.frozen}</div>}
                {!staysOut && words.slow && (
                  <div className={`${classes.slow} small`} role="status">
                    <IconAlertTriangle size={16} aria-hidden /> {say(words.slow)}.
                  </div>
                )}
                {!staysOut && way && <div className="small">{say(way.says)}.</div>}
              </div>
            </li>
          )
        })}
      </ul>
    </>
  )
}

const countsOf = (containers: readonly { id: string }[]): Record<string, number> => {
  const counts: Record<string, number> = {}
  for (const { id } of containers) counts[id] = (counts[id] ?? 0) + 1
  return counts
}

/** Alike containers are shown once. */
function distinct<T extends { container: { id: string } }>(filled: readonly T[]): (T & { many: number })[] {
  const seen = new Map<string, T & { many: number }>()
  for (const f of filled) {
    const known = seen.get(f.container.id)
    if (known) known.many++
    else seen.set(f.container.id, { ...f, many: 1 })
  }
  return [...seen.values()]
}
