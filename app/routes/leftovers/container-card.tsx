import { Button, TextInput, UnstyledButton } from '@mantine/core'
import { IconAlertTriangle } from '@tabler/icons-react'
import { useId, useReducer } from 'react'
import { useFetcher } from 'react-router'
import { newId } from '../../ui/new-id'
import { type KitchenUnits, amountIn, waterIn } from '#core/units/system'
import { varietyOf } from '#core/grain/varieties'
import {
  coolingGivenOf,
  fasterWays,
  freezingFrom5,
  type Cooling,
  type NextPlace,
} from '#core/leftovers/cooling'
import { guidanceOf, type Guidance } from '#core/leftovers/guidance'
import { containerState, type LeftoverEventKind, type ContainerState } from '#core/leftovers/container-state'
import { reheating } from '#core/leftovers/reheat'
import type { LeftoverWithEvents } from '#server/store/leftovers'
import type { Refused } from '../../ui/forms/errors'
import { useUnits } from '../../ui/units/units'
import { ContainerSection } from '../../ui/drawing/container-section'
import type { HouseholdClock } from '../../ui/time/clock-hour'
import { coolingWords, momentWord, portionsWord, useByWords } from './container-words'
import classes from './leftovers.module.css'

export interface Shown {
  row: LeftoverWithEvents
  view: ContainerState
  /** How it cools, where it may still be warm. */
  cooling: Cooling | undefined
  /** Not cold yet, or not for long. */
  warm: boolean
}

interface ContainerCardProps extends Shown {
  guidance: Guidance
  now: number
  clock: HouseholdClock
  measuresBy: KitchenUnits
  pan: { name: string; watts: number } | null
  kitchenC: number
}

const EVENT_WORDS: Partial<Record<LeftoverEventKind, string>> = {
  'to-fridge': 'put in the fridge',
  'to-freezer': 'frozen',
  thawed: 'thawed',
  reheated: 'reheated',
  eaten: 'eaten',
  thrown: 'thrown out',
}

/** One container: what is in it, how deep, until when; and what one does with it. */
export function ContainerCard({
  row,
  view,
  cooling,
  warm,
  guidance,
  now,
  clock,
  measuresBy,
  pan,
  kitchenC,
}: ContainerCardProps) {
  const { say } = useUnits()
  const title = useId()
  const fetcher = useFetcher()
  const busy = fetcher.state !== 'idle'
  const tell = (kind: LeftoverEventKind, more: Record<string, string> = {}) =>
    void fetcher.submit(
      { intent: 'tell', id: newId(), leftover_id: row.id, kind, ...more },
      { method: 'post' },
    )
  const useBy = useByWords(view, now, clock, row)
  const cools =
    cooling && warm && !useBy.past ? coolingWords(cooling, row.packed_ms, now, guidance, clock) : undefined
  const freezing = freezingWords(row, view, now, clock)
  const ways = cools?.slow ? fasterWays(coolingGivenOf(row, kitchenC), guidance) : []
  return (
    <li className={`${classes.card} basin`} data-past={useBy.past || undefined} aria-labelledby={title}>
      <ContainerHead
        row={row}
        view={view}
        past={useBy.past}
        warm={warm}
        id={title}
        now={now}
        clock={clock}
        measuresBy={measuresBy}
      />
      {cools && (
        <p className={classes.cools}>
          <span className="figure">{say(cools.says)}</span>
          {cools.frozen && <span>{cools.frozen}</span>}
          {cools.slow && (
            <span className={classes.slow}>
              <IconAlertTriangle size={18} aria-hidden /> {say(cools.slow)}.
            </span>
          )}
        </p>
      )}
      {ways.length > 0 && (
        <ul className={classes.ways}>
          {ways.slice(0, 3).map((way) => (
            <li key={way.id}>
              {say(way.says)}: {say(coolingWords(way.cooling, row.packed_ms, now, guidance, clock).says)}
            </li>
          ))}
        </ul>
      )}
      <p className={classes.useBy} data-past={useBy.past || undefined}>
        {useBy.past && <IconAlertTriangle size={22} aria-hidden />}
        {useBy.says}
      </p>
      {freezing && <p className="quiet small">{freezing}</p>}
      {!useBy.past && view.useByMs !== null && (
        <p className="quiet small">{otherSays(row, view, now, clock)}</p>
      )}
      {!useBy.past && view.place !== 'cooling' && !view.spent && (
        <Reheat
          row={row}
          view={view}
          guidance={guidance}
          measuresBy={measuresBy}
          pan={pan}
          busy={busy}
          onDone={() => tell('reheated')}
        />
      )}
      <ContainerKeys useBy={useBy} busy={busy} tell={tell} view={view} next={row.next_place} />
      {!useBy.past && <TakeSome row={row} frozen={view.place === 'freezer'} />}
    </li>
  )
}

/** What is in it, how much and how deep, since when, and for whom. */
function ContainerHead({
  row,
  view,
  past,
  warm,
  id,
  now,
  clock,
  measuresBy,
}: Pick<ContainerCardProps, 'row' | 'view' | 'warm' | 'now' | 'clock' | 'measuresBy'> & {
  past: boolean
  id: string
}) {
  const { length } = useUnits()
  const areaMm2 = (row.grams / row.density_g_ml / row.depth_mm) * 1000
  return (
    <div className={classes.head}>
      <ContainerSection
        variety={varietyOf(row.variety)}
        depthMm={row.depth_mm * (view.portions / row.portions)}
        widthMm={Math.sqrt(areaMm2 * 1.4)}
        open={row.open === 1 && warm}
        past={past}
        frozen={view.place === 'freezer'}
      />
      <div>
        <b className="figure" id={id}>
          {row.title}
        </b>
        <div className="quiet small">
          {row.container_name}, {portionsWord(view.portions)},{' '}
          {amountIn(measuresBy, view.grams, view.grams / row.density_g_ml)}, {length(row.depth_mm)} deep
        </div>
        <div className="quiet small">
          cooked {momentWord(row.cooked_ms, now, clock)}
          {row.for_whom !== '' && `, for ${row.for_whom}`}
          {row.dressed === 1 && ', with dressing: hardens in the fridge'}
          {view.reheats > 0 && ', reheated once'}
        </div>
      </div>
    </div>
  )
}

/** What can be done with a container as it is now, and the undo of the last thing done. */
function ContainerKeys({
  useBy,
  busy,
  tell,
  view,
  next,
}: {
  useBy: { says: string; past: boolean }
  busy: boolean
  tell: (kind: LeftoverEventKind, more?: Record<string, string>) => void
  view: ContainerState
  next: NextPlace | null
}) {
  const toFreezer = view.reheats === 0 && (view.place === 'fridge' || view.place === 'cooling')
  const first = next === 'freezer' && view.place === 'cooling'
  return (
    <div className={classes.keys}>
      {useBy.past ? (
        <>
          <Button size="sm" disabled={busy} onClick={() => tell('thrown')}>
            Throw away
          </Button>
          {view.pastOut && (
            <Button
              size="sm"
              variant="default"
              disabled={busy}
              onClick={() => tell(first ? 'to-freezer' : 'to-fridge')}
            >
              It went into the {first ? 'freezer' : 'fridge'} in time
            </Button>
          )}
        </>
      ) : (
        <>
          {first && (
            <Button size="sm" disabled={busy} onClick={() => tell('to-freezer')}>
              Into the freezer
            </Button>
          )}
          {view.place === 'cooling' && (
            <Button
              size="sm"
              variant={first ? 'default' : 'filled'}
              disabled={busy}
              onClick={() => tell('to-fridge')}
            >
              Into the fridge
            </Button>
          )}
          {view.place === 'freezer' ? (
            <Button size="sm" variant="default" disabled={busy} onClick={() => tell('thawed')}>
              Thaw it in the fridge
            </Button>
          ) : (
            <>
              {view.portions > 1.01 && (
                <Button
                  size="sm"
                  variant="default"
                  disabled={busy}
                  onClick={() => tell('eaten', { portions: '1' })}
                >
                  Ate one
                </Button>
              )}
              <Button size="sm" variant="default" disabled={busy} onClick={() => tell('eaten')}>
                {view.portions > 1.01 ? 'Ate all' : 'Eaten'}
              </Button>
              {toFreezer && !first && (
                <Button size="sm" variant="default" disabled={busy} onClick={() => tell('to-freezer')}>
                  Freeze
                </Button>
              )}
            </>
          )}
          <Button size="sm" variant="default" disabled={busy} onClick={() => tell('thrown')}>
            Throw away
          </Button>
        </>
      )}
      {view.last && (
        <UnstyledButton
          className="link"
          disabled={busy}
          onClick={() => tell('take-back', { target: view.last!.id })}
        >
          undo “{EVENT_WORDS[view.last.kind]}”
        </UnstyledButton>
      )}
    </div>
  )
}

/** Some of it, by any measure; what is left stays as it is, also in the freezer. */
function TakeSome({ row, frozen }: { row: LeftoverWithEvents; frozen: boolean }) {
  const fetcher = useFetcher<Refused | { done: string; at: number }>()
  const refused = fetcher.data && 'errors' in fetcher.data ? fetcher.data : undefined
  const taken = fetcher.data && 'at' in fetcher.data ? fetcher.data.at : 0
  const [id, renewId] = useReducer(
    () => newId(),
    undefined,
    () => newId(),
  )
  return (
    <fetcher.Form
      key={taken}
      method="post"
      className={classes.take}
      aria-label={`Take some of ${row.title}`}
      onSubmit={renewId}
    >
      <input type="hidden" name="intent" value="tell" />
      <input type="hidden" name="kind" value="eaten" />
      <input type="hidden" name="leftover_id" value={row.id} />
      <input type="hidden" name="id" value={id} />
      <TextInput
        size="sm"
        name="amount"
        aria-label="How much was taken"
        placeholder="half, 1 cup, 2 tbsp"
        defaultValue={refused?.typed.amount ?? ''}
        error={refused?.errors[0]?.message}
        flex="1 1 110px"
      />
      <Button type="submit" size="sm" variant="default" disabled={fetcher.state !== 'idle'}>
        {frozen ? 'Take out frozen' : 'Take'}
      </Button>
    </fetcher.Form>
  )
}

/** When what is in the freezer is frozen through, until then. */
function freezingWords(
  row: LeftoverWithEvents,
  view: ContainerState,
  now: number,
  clock: HouseholdClock,
): string | null {
  if (view.freezerSinceMs === null) return null
  const byMs =
    view.freezerSinceMs + freezingFrom5(coolingGivenOf(row, 0).portion, row.stacked, row.open === 1) * 60_000
  return now < byMs
    ? `Frozen through by ${momentWord(byMs, now, clock)}${row.stacked > 1 ? `, as a stack of ${row.stacked}; sooner side by side` : ''}`
    : null
}

/** What the other authorities would say. */
function otherSays(
  row: LeftoverWithEvents,
  view: ContainerState,
  now: number,
  clock: HouseholdClock,
): string {
  const packed = {
    cookedMs: row.cooked_ms,
    packedMs: row.packed_ms,
    place: row.place,
    portions: row.portions,
    grams: row.grams,
  }
  if (view.place === 'cooling') return ''
  const by = (authority: 'uk' | 'us') =>
    containerState(packed, row.events, guidanceOf(authority), now).useByMs
  return [['UK', by('uk')] as const, ['US', by('us')] as const]
    .filter(([, ms]) => ms !== null && ms !== view.useByMs)
    .map(([name, ms]) => `${name} guidance: ${momentWord(ms!, now, clock)}`)
    .join('; ')
}

function Reheat({
  row,
  view,
  guidance,
  measuresBy,
  pan,
  busy,
  onDone,
}: {
  row: LeftoverWithEvents
  view: ContainerState
  guidance: Guidance
  measuresBy: KitchenUnits
  pan: ContainerCardProps['pan']
  busy: boolean
  onDone: () => void
}) {
  const { temperature } = useUnits()
  const each = view.grams / Math.max(1, view.portions)
  const hot = reheating({
    grams: each,
    waterShare: row.water_share,
    toC: guidance.reheat_c.value,
    frozen: view.place === 'freezer',
    panW: pan?.watts ?? 400,
  })
  return (
    <details className={classes.reheat}>
      <summary>Reheat</summary>
      <p>
        <b>{waterIn(measuresBy, hot.waterG)} of water</b> per portion, lid on; about{' '}
        <b>{hot.panMinutes} min</b>
        {pan && ` on the ${pan.name} at medium`}, or {hot.microwaveMinutes} min in an 800 W microwave, loosely
        covered. It must be steaming hot throughout, {temperature(guidance.reheat_c.value)} in the middle;{' '}
        {guidance.reheats.value === 1 ? 'once only' : `${guidance.reheats.value} times at the most`}.
      </p>
      <p className="quiet small">Open the lid away from you: steam can burn.</p>
      <Button size="sm" variant="default" disabled={busy} onClick={onDone}>
        Reheated
      </Button>
    </details>
  )
}
