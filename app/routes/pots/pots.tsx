import { Button, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { data, Link, useNavigation, useSearchParams } from 'react-router'
import type { Result } from '#core/contract/plan-request'
import { addUsualBurner, addUsualPot, BURNER_PRESETS } from '#server/commands/usual-equipment'
import {
  calibrateBoil,
  calibrateFull,
  calibrateSimmer,
  dropHeat,
  dropMeasure,
  dropProgramme,
  dropVessel,
  saveHeat,
  saveMeasure,
  saveProgramme,
  saveVessel,
} from '#server/commands/equipment'
import { nowMs } from '#server/clock'
import { kitchen } from '#server/kitchen'
import { settingsOf } from '#server/store/open-household'
import type { VesselRow } from '#server/store/equipment'
import { inBaseUnits, inKitchenUnits } from '../../ui/units/unit-form'
import { useUnits } from '../../ui/units/units'
import { formOf } from '../../ui/forms/read-form'
import { typedOf, type Refused } from '../../ui/forms/errors'
import { UsualBurner, UsualPot } from './usual-pot'
import { PageLinks } from '../../ui/page-links'
import { pageOf } from '../../ui/pages'
import type { Route } from './+types/pots'
import { Calibrate } from './calibrate'
import { HeatForm } from './heat-form'
import { MeasureForm } from './measure-form'
import { AFTER_WORDS, KNOWN_WORDS, PRESSURE_WORDS, ProgrammeForm } from './programme-form'
import { PotInAMinute } from './pot-in-a-minute'
import { PotsToScale } from './pots-to-scale'
import { VesselForm } from './vessel-form'
import classes from './pots.module.css'
import { SideSheet } from '../../ui/overlay/side-sheet'

export const meta: Route.MetaFunction = () => [{ title: 'Pots and heat · Omsel' }]

const ON_A_PAGE = 40
/** Of more appliances than this no list can be read. */
const MAX_APPLIANCES = 100

export function loader({ request }: Route.LoaderArgs) {
  const open = kitchen()
  const all = open.equipment.vessels()
  const at = pageOf(new URL(request.url).searchParams.get('page'), all.length, ON_A_PAGE)
  return {
    ...at,
    vessels: all.slice(at.from, at.from + ON_A_PAGE),
    appliances: all.filter((row) => row.own_rated_w !== null).slice(0, MAX_APPLIANCES),
    heats: open.equipment.heats(),
    measures: open.equipment.measures(),
    programmes: open.equipment.programmes(),
    settings: settingsOf(open),
    burners: BURNER_PRESETS,
  }
}

const ACTS = new Map<
  string,
  (k: ReturnType<typeof kitchen>, input: Record<string, unknown>, nowMs: number) => Result<string>
>([
  ['add-usual-pot', addUsualPot],
  ['add-usual-burner', addUsualBurner],
  ['save-vessel', saveVessel],
  ['drop-vessel', dropVessel],
  ['save-heat', saveHeat],
  ['drop-heat', dropHeat],
  ['save-programme', saveProgramme],
  ['drop-programme', dropProgramme],
  ['save-measure', saveMeasure],
  ['drop-measure', dropMeasure],
  ['calibrate-boil', calibrateBoil],
  ['calibrate-simmer', calibrateSimmer],
  ['calibrate-full', calibrateFull],
])

export async function action({ request }: Route.ActionArgs) {
  const typed = typedOf(await formOf(request))
  const act = ACTS.get(typed.intent ?? '')
  if (!act)
    return data(
      {
        errors: [
          {
            path: 'intent',
            message: `intent must be one of ${[...ACTS.keys()].join(', ')}, got "${typed.intent ?? ''}"`,
            code: 'not-an-option',
          },
        ],
        typed,
      } satisfies Refused,
      { status: 400 },
    )
  const open = kitchen()
  const units = settingsOf(open)
  const { vessels, measures } = open.equipment
  const stored = [...vessels(), ...measures()].find((row) => row.id === typed.id)
  const done = act(open, inBaseUnits(typed, units, stored), nowMs())
  if (!done.ok)
    return data({ errors: inKitchenUnits(done.errors, typed, units), typed } satisfies Refused, {
      status: 422,
    })
  return { said: done.value, intent: typed.intent!, at: nowMs() }
}

type Open =
  | { what: 'minute' | 'usual-pot' | 'usual-burner'; id?: undefined }
  | { what: 'vessel' | 'heat' | 'measure' | 'programme'; id: string | undefined }
  | { what: 'calibrate'; id: string }

/** Pots, burners, measures and programmes, and what is known of them. */
export default function Pots({ loaderData, actionData }: Route.ComponentProps) {
  const { vessels, appliances, heats, measures, programmes, settings } = loaderData
  const [search] = useSearchParams()
  // The plan page sends here who wants another pot.
  const [open, setOpen] = useState<Open | undefined>(
    search.get('add') === 'usual' ? { what: 'usual-pot' } : undefined,
  )
  const refused = actionData && 'errors' in actionData ? actionData : undefined
  const done = actionData && 'said' in actionData ? actionData : undefined
  const [closedAt, setClosedAt] = useState<number>()
  const idle = useNavigation().state === 'idle'
  if (done && done.at !== closedAt && idle) {
    setClosedAt(done.at)
    if (!done.intent.startsWith('calibrate')) setOpen(undefined)
  }
  const vessel = vessels.find((row) => row.id === open?.id)
  return (
    <main className="place">
      <div className="place-head">
        <h1 className="figure">Pots and burners</h1>
        <span className={classes.keys}>
          <Button variant="default" onClick={() => setOpen({ what: 'vessel', id: undefined })}>
            Add a pot
          </Button>
          <Button variant="default" onClick={() => setOpen({ what: 'minute' })}>
            Quick add
          </Button>
          <Button onClick={() => setOpen({ what: 'usual-pot' })}>Choose from a list</Button>
        </span>
      </div>
      <PotsToScale vessels={vessels} />
      <ul className={classes.list}>
        {vessels.map((row) => (
          <PotItem key={row.id} row={row} setOpen={setOpen} />
        ))}
      </ul>
      <PageLinks {...loaderData} />

      <div className={classes.columns}>
        <Burners heats={heats} setOpen={setOpen} />
        <Measures measures={measures} setOpen={setOpen} settings={settings} />
        <Programmes appliances={appliances} programmes={programmes} setOpen={setOpen} />
      </div>
      <PotDrawer
        open={open}
        setOpen={setOpen}
        vessel={vessel}
        refused={refused}
        heats={heats}
        settings={settings}
        programmes={programmes}
        appliances={appliances}
        measures={measures}
        done={done}
        burners={loaderData.burners}
      />
    </main>
  )
}

/** The form that was opened, beside the list. */
function PotDrawer({
  open,
  setOpen,
  vessel,
  refused,
  heats,
  settings,
  programmes,
  appliances,
  measures,
  done,
  burners,
}: {
  open: Open | undefined
  setOpen: (next: Open | undefined) => void
  vessel: VesselRow | undefined
  refused: Refused | undefined
  heats: Route.ComponentProps['loaderData']['heats']
  settings: Route.ComponentProps['loaderData']['settings']
  programmes: Route.ComponentProps['loaderData']['programmes']
  appliances: readonly VesselRow[]
  measures: Route.ComponentProps['loaderData']['measures']
  done: { said: string; intent: string; at: number } | undefined
  burners: Route.ComponentProps['loaderData']['burners']
}) {
  return (
    <SideSheet
      opened={open !== undefined}
      onClose={() => setOpen(undefined)}
      size="md"
      title={titleOf(open, vessel?.name)}
    >
      {open?.what === 'vessel' && <VesselForm key={open.id} vessel={vessel} refused={refused} />}
      {open?.what === 'minute' && (
        <PotInAMinute
          heats={heats}
          elevationM={settings.elevation_m}
          kitchenC={settings.kitchen_c}
          refused={refused}
        />
      )}
      {open?.what === 'usual-pot' && <UsualPot refused={refused} />}
      {open?.what === 'usual-burner' && <UsualBurner burners={burners} refused={refused} />}
      {open?.what === 'heat' && (
        <HeatForm key={open.id} heat={heats.find((h) => h.id === open.id)} refused={refused} />
      )}
      {open?.what === 'programme' && (
        <ProgrammeForm
          key={open.id}
          programme={programmes.find((p) => p.id === open.id)}
          appliances={appliances}
          refused={refused}
        />
      )}
      {open?.what === 'measure' && (
        <MeasureForm key={open.id} measure={measures.find((m) => m.id === open.id)} refused={refused} />
      )}
      {open?.what === 'calibrate' && vessel && (
        <Calibrate
          vessel={vessel}
          heats={heats}
          kitchenC={settings.kitchen_c}
          refused={refused}
          said={done}
        />
      )}
    </SideSheet>
  )
}

/** One pot: its size, how well it is known, and its keys. */
function PotItem({ row, setOpen }: { row: VesselRow; setOpen: (next: Open | undefined) => void }) {
  const { capacity, length } = useUnits()
  return (
    <li>
      <b className="figure">{row.name}</b>
      <span className="quiet">
        {capacity(row.capacity_ml)}, {length(row.rim_diameter_mm)} wide, {row.lid} lid
        {row.lining === 'coated' ? '; coated: rinse grain in another bowl, never scrape it' : ''}
        <br />
        {row.measured === '' ? UNMEASURED : row.measured}
        {row.printed &&
          `; printed lines: ${row.printed.map((line) => `${line.name} at ${length(line.level_mm)}`).join(', ')}`}
      </span>
      <span className={classes.keys}>
        <UnstyledButton
          className="link"
          onClick={() => setOpen({ what: 'calibrate', id: row.id })}
          aria-label={`Calibrate ${row.name}`}
        >
          calibrate
        </UnstyledButton>
        <UnstyledButton
          className="link"
          onClick={() => setOpen({ what: 'vessel', id: row.id })}
          aria-label={`Change ${row.name}`}
        >
          change
        </UnstyledButton>
        <Link to={`/pots/${row.id}/ruler`} className="link" aria-label={`Paper ruler for ${row.name}`}>
          paper ruler
        </Link>
      </span>
    </li>
  )
}

function Burners({
  heats,
  setOpen,
}: {
  heats: Route.ComponentProps['loaderData']['heats']
  setOpen: (next: Open | undefined) => void
}) {
  return (
    <section aria-label="Burners">
      <h2 className="place-part">Heat</h2>
      <ul className={classes.list}>
        {heats.map((row) => (
          <li key={row.id}>
            <b className="figure">{row.name}</b>
            <span className="quiet">
              {Math.round(row.rated_w)} W, about {Math.round(row.rated_w * row.efficiency * row.power_factor)}{' '}
              at the pot
              <br />
              {row.knob.length > 0
                ? row.knob.map((k) => `${k.name}: ${Math.round(k.share * 100)} %`).join(', ')
                : 'no settings entered'}
              {row.measured && `; ${row.measured}`}
            </span>
            <span className={classes.keys}>
              <UnstyledButton
                className="link"
                onClick={() => setOpen({ what: 'heat', id: row.id })}
                aria-label={`Change ${row.name}`}
              >
                change
              </UnstyledButton>
            </span>
          </li>
        ))}
      </ul>
      <Button variant="default" size="sm" mt="sm" onClick={() => setOpen({ what: 'heat', id: undefined })}>
        Add a burner
      </Button>{' '}
      <Button variant="default" size="sm" mt="sm" onClick={() => setOpen({ what: 'usual-burner' })}>
        Choose a burner from a list
      </Button>
    </section>
  )
}

function Measures({
  measures,
  setOpen,
  settings,
}: {
  measures: Route.ComponentProps['loaderData']['measures']
  setOpen: (next: Open | undefined) => void
  settings: Route.ComponentProps['loaderData']['settings']
}) {
  const { capacity, length } = useUnits()
  return (
    <section aria-label="Measures">
      <h2 className="place-part">Measures</h2>
      <ul className={classes.list}>
        {measures.map((row) => (
          <li key={row.id}>
            <b className="figure">{row.name}</b>
            <span className="quiet">
              {capacity(row.ml)}, {row.how === 'known' ? 'as printed' : row.how}
            </span>
            <span className={classes.keys}>
              <UnstyledButton
                className="link"
                onClick={() => setOpen({ what: 'measure', id: row.id })}
                aria-label={`Change ${row.name}`}
              >
                change
              </UnstyledButton>
            </span>
          </li>
        ))}
        <li>
          <b className="figure">your finger</b>
          <span className="quiet">{length(settings.crease_mm)} to the first finger joint</span>
          <span className={classes.keys}>
            <Link to="/settings">settings</Link>
          </span>
        </li>
      </ul>
      <Button variant="default" size="sm" mt="sm" onClick={() => setOpen({ what: 'measure', id: undefined })}>
        Add your own cup or mug
      </Button>
    </section>
  )
}

function Programmes({
  appliances,
  programmes,
  setOpen,
}: {
  appliances: readonly VesselRow[]
  programmes: Route.ComponentProps['loaderData']['programmes']
  setOpen: (next: Open | undefined) => void
}) {
  return (
    <>
      {appliances.length > 0 && (
        <section aria-label="Cooker programmes">
          <h2 className="place-part">Programmes</h2>
          <ul className={classes.list}>
            {programmes.map((row) => (
              <li key={row.id}>
                <b className="figure">{row.name}</b>
                <span className="quiet">
                  {appliances.find((v) => v.id === row.vessel_id)?.name}:{' '}
                  {row.minutes === null ? 'minutes not known' : `${row.minutes} min`},{' '}
                  {PRESSURE_WORDS[row.pressure]}; then {AFTER_WORDS[row.after_it]}
                  <br />
                  {KNOWN_WORDS[row.known]}
                </span>
                <span className={classes.keys}>
                  <UnstyledButton
                    className="link"
                    onClick={() => setOpen({ what: 'programme', id: row.id })}
                    aria-label={`Change ${row.name}`}
                  >
                    change
                  </UnstyledButton>
                </span>
              </li>
            ))}
          </ul>
          <Button
            variant="default"
            size="sm"
            mt="sm"
            onClick={() => setOpen({ what: 'programme', id: undefined })}
          >
            Add a programme
          </Button>
        </section>
      )}
    </>
  )
}

/** A pot that was not measured says how far its figures may be off. */
const UNMEASURED = 'not measured yet: capacity ± 5 %, heat ± 25 %, steam ± 33 %'

function titleOf(open: Open | undefined, name: string | undefined): string {
  if (!open) return ''
  if (open.what === 'calibrate') return `Calibrate ${name ?? 'the pot'}`
  return open.id === undefined
    ? {
        minute: 'Quick add',
        'usual-pot': 'Choose a pot or appliance',
        'usual-burner': 'Choose a burner',
        vessel: 'Another pot',
        heat: 'Another heat',
        measure: 'A measure of your own',
        programme: 'A programme',
      }[open.what]
    : `The ${name ?? 'figures'}`
}
