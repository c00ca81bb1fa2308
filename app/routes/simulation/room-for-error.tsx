import { Button, Progress } from '@mantine/core'
import type { SimulateRequestJson } from '#core/contract/simulate'
import { useSweep, useMap, SWEEP_RUNS, MAP_POTS, type LongRun } from './use-simulator'
import classes from './simulation.module.css'
import { chanceWords } from './chance-words'
import { OutcomeChart } from './outcome-chart'

/** How far off things may be: many kitchens, and the field of waters and minutes. */
export function Room({
  request,
  onPick,
}: {
  request: SimulateRequestJson
  onPick: (pourG: number, stage: string, minutes: number) => void
}) {
  const sweep = useSweep(request)
  const map = useMap(request)
  return (
    <section aria-label="Room for error" className={classes.room}>
      <h2 className="place-part">How much room for error?</h2>
      <div className={classes.roomParts}>
        <div>
          <Long
            run={sweep}
            pots={SWEEP_RUNS}
            word={`Try ${SWEEP_RUNS} simulated kitchens`}
            what="Kitchens done"
          />
          {sweep.answer && <p role="status">{chanceWords(sweep.answer.value)}</p>}
          <p className="quiet small">Varies burner ±15 %, lid ±30 %, grain ±5 %, measuring ±3 % (1 s.d.).</p>
        </div>
        <div>
          <Long run={map} pots={MAP_POTS} word="Water and time chart" what="Pots done" />
          {map.answer &&
            (map.answer.value ? (
              <OutcomeChart
                map={map.answer.value}
                onPick={(pourG, minutes) =>
                  onPick(pourG, map.answer!.value!.stageId, Number(minutes.toFixed(1)))
                }
              />
            ) : (
              <p>This appliance stops by itself, so there is no time to choose.</p>
            ))}
        </div>
      </div>
    </section>
  )
}

/** Something long: its key, and while it runs how far it is and a way to stop it. */
function Long({
  run,
  pots,
  word,
  what,
}: {
  run: LongRun<unknown>
  pots: number
  word: string
  what: string
}) {
  if (run.done === undefined)
    return (
      <Button variant="default" onClick={run.start}>
        {run.answer ? 'Try again' : word}
      </Button>
    )
  return (
    <div className={classes.sweep}>
      <Progress value={(100 * run.done) / pots} aria-label={what} />
      <Button variant="default" size="xs" onClick={run.stop}>
        Stop
      </Button>
    </div>
  )
}
