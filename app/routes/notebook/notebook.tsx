import { NativeSelect, TextInput } from '@mantine/core'
import { Form, Link, useNavigation, useSearchParams, useSubmit } from 'react-router'
import { OUTCOME_FILTERS, type OutcomeFilter } from '#core/learn/rating'
import { inWords, VARIETIES, type VarietyId, varietyOf } from '#core/grain/varieties'
import type { MethodId } from '#core/methods/index'
import { amountIn, waterIn } from '#core/units/system'
import type { NotebookFilter } from '#server/store/notebook'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import { useUnits } from '../../ui/units/units'
import { clockTime, dayWord, spanWord } from '../../ui/time/clock-hour'
import { METHOD_WORDS } from '../../planning/plan-words'
import { PageLinks } from '../../ui/page-links'
import { pageOf } from '../../ui/pages'
import { SendButton } from '../../ui/forms/send-button'
import type { Route } from './+types/notebook'
import { SeasonStrip, type Kernelled } from './season-strip'
import { outcomeWords, summaryOf } from './summary'
import { QuickRating } from './quick-rating'
import classes from './notebook.module.css'

export const meta: Route.MetaFunction = () => [{ title: 'Notebook · Omsel' }]

const ON_A_PAGE = 40
/** More kernels than this blur. */
const IN_THE_STRIP = 240
/** What was eaten longer ago is not asked about any more, ms. */
const STILL_TASTED_MS = 3 * 86_400_000
const MAX_SEARCH = 80

/** Grains of a key, by their names. */
const grainName = (key: string): string =>
  key
    .split(' + ')
    .map((part) => part.split(' ')[0]!)
    .map((id) => VARIETIES.find((v) => v.id === id)?.name ?? id)
    .join(' and ')
const firstGrain = (key: string): VarietyId =>
  (VARIETIES.find((v) => v.id === key.split(' ')[0])?.id ?? 'long-white') as VarietyId

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const search = new URL(request.url).searchParams
  const get = (key: string) => search.get(key)?.slice(0, MAX_SEARCH) || undefined
  const filter: NotebookFilter = Object.fromEntries(
    Object.entries({
      grain: get('grain'),
      vessel: get('pot'),
      method: get('by'),
      bag: get('bag'),
      // Version 1 called it "unjudged".
      outcome: get('was')?.replace('unjudged', 'unrated'),
      text: get('q'),
    }).filter(([, value]) => value !== undefined),
  )
  const total = open.notebook.count(filter)
  const { page, pages, from } = pageOf(search.get('page'), total, ON_A_PAGE)
  return {
    nowMs: nowMs(),
    settings: settingsOf(open),
    cooks: open.notebook.lines(filter, ON_A_PAGE, from).map(summaryOf),
    strip: open.notebook.strip(filter, IN_THE_STRIP).map((row): Kernelled => ({
      id: row.cook_id,
      title: row.title,
      endedMs: row.ended_ms,
      rating: { wetDry: row.wet_dry!, hardness: row.hardness ?? 0, bottom: row.bottom ?? 'clean' },
    })),
    unrated: open.notebook.unrated(nowMs() - STILL_TASTED_MS).map((line) => ({
      id: line.cook_id,
      title: line.title,
      endedMs: line.ended_ms,
      variety: firstGrain(line.grain_key),
      vesselName: line.vessel_name,
    })),
    total,
    page,
    pages,
    choices: {
      grains: open.notebook
        .grains()
        .map((key) => ({ value: key, label: grainName(key) }))
        .sort((a, b) => a.label.localeCompare(b.label, 'en')),
      vessels: open.equipment.vessels().map(({ id, name }) => ({ value: id, label: name })),
      methods: open.notebook
        .methods()
        .map((id) => ({ value: id, label: METHOD_WORDS[id as MethodId] ?? id })),
      bags: open.grainBags
        .bags()
        .map(({ id, name, variety }) => ({ value: id, label: `${name} (${inWords(varietyOf(variety))})` })),
    },
  }
}

const OUTCOME_WORDS: Record<OutcomeFilter, string> = {
  right: 'right',
  wet: 'too wet',
  dry: 'too dry',
  unrated: 'not rated yet',
  aside: 'stopped early',
}

/** All batches, newest first, planned and actual. */
export default function Notebook({ loaderData }: Route.ComponentProps) {
  const { kitchen: units } = useUnits()
  const { cooks, settings, nowMs: now, strip, unrated, total, page, pages, choices } = loaderData
  const [search] = useSearchParams()
  const filtered = ['grain', 'pot', 'by', 'bag', 'was', 'q'].some((key) => search.get(key))
  return (
    <main className={classes.notebook}>
      <div className="place-head">
        <h1 className="figure">Notebook</h1>
        <nav aria-label="More" className={classes.ways}>
          <Link to="/notebook/learned">what was learned</Link>
          <Link to="/taste-tests">taste tests</Link>
          <Link to="/notebook/copy">import an old notebook</Link>
          <a href="/notebook.csv?for=spreadsheet" download>
            download as table
          </a>
        </nav>
      </div>
      {unrated.map(({ id, title, endedMs, variety, vesselName }) => (
        <QuickRating
          key={id}
          cookId={id}
          title={title}
          variety={variety}
          when={`${dayWord(endedMs, now, settings.zone)}, ${vesselName}`}
        />
      ))}
      {total === 0 && !filtered ? (
        <p>
          Nothing cooked yet. Plan a pot on the <Link to="/">Plan</Link>, cook it and rate it; the next batch
          is adjusted.
        </p>
      ) : (
        <>
          <Filters choices={choices} search={search} />
          <SeasonStrip cooks={strip} zone={settings.zone} />
          <p role="status" className="quiet small">
            {total === 0
              ? 'No matching batches.'
              : `${total} ${total === 1 ? 'batch' : 'batches'}${pages > 1 ? `, page ${page} of ${pages}` : ''}`}
          </p>
          <div className={classes.scroll}>
            <table className={classes.table}>
              <thead>
                <tr>
                  <th scope="col">When</th>
                  <th scope="col">Grain</th>
                  <th scope="col">Pot</th>
                  <th scope="col" className={classes.number}>
                    Dry
                  </th>
                  <th scope="col" className={classes.number}>
                    Water
                  </th>
                  <th scope="col" className={classes.number}>
                    Planned
                  </th>
                  <th scope="col" className={classes.number}>
                    Took
                  </th>
                  <th scope="col">How it was</th>
                </tr>
              </thead>
              <tbody>
                {cooks.map((cook) => (
                  <tr key={cook.id}>
                    <td>
                      <Link to={`/notebook/${cook.id}`}>
                        {dayWord(cook.endedMs, now, settings.zone)}, {clockTime(cook.endedMs, settings)}
                      </Link>
                    </td>
                    <td>{cook.title}</td>
                    <td>{cook.vesselName}</td>
                    <td className={classes.number}>{amountIn(units, cook.grainG, cook.grainMl)}</td>
                    <td className={classes.number}>{waterIn(units, cook.pourG)}</td>
                    <td className={classes.number}>{spanWord(cook.planned)}</td>
                    <td className={classes.number}>{spanWord(cook.minutes)}</td>
                    <td>
                      {outcomeWords(cook)}
                      {cook.note && (
                        <span className="quiet small">
                          {' '}
                          {cook.note.length > 60 ? `${cook.note.slice(0, 58)}…` : cook.note}
                        </span>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <PageLinks page={page} pages={pages} before="newer" after="older" />
        </>
      )}
    </main>
  )
}

function Filters({
  choices,
  search,
}: {
  choices: Route.ComponentProps['loaderData']['choices']
  search: URLSearchParams
}) {
  const submit = useSubmit()
  const busy = useNavigation().state !== 'idle'
  const select = (name: string, label: string, data: { value: string; label: string }[]) => (
    <NativeSelect
      size="xs"
      name={name}
      label={label}
      defaultValue={search.get(name) ?? ''}
      key={`${name} ${search.get(name) ?? ''}`}
      data={[{ value: '', label: 'any' }, ...data]}
      onChange={(event) => void submit(event.currentTarget.form)}
    />
  )
  return (
    <Form method="get" className={classes.filters} role="search" aria-label="Filter batches">
      {select('grain', 'Grain', choices.grains)}
      {select('pot', 'Pot', choices.vessels)}
      {select('by', 'Method', choices.methods)}
      {choices.bags.length > 0 && select('bag', 'Bag', choices.bags)}
      {select(
        'was',
        'How it was',
        OUTCOME_FILTERS.map((id) => ({ value: id, label: OUTCOME_WORDS[id] })),
      )}
      <TextInput
        size="xs"
        name="q"
        label="Search notes and names"
        defaultValue={search.get('q') ?? ''}
        key={search.get('q') ?? ''}
        maxLength={MAX_SEARCH}
      />
      <SendButton type="submit" size="xs" variant="default" busy={busy}>
        Find
      </SendButton>
      {search.toString() !== '' && <Link to="/notebook">clear filter</Link>}
    </Form>
  )
}
