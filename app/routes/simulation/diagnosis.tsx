import { NativeSelect, NumberInput } from '@mantine/core'
import { useState } from 'react'
import type { PlanRequestJson } from '#core/contract/plan-request'
import { LID_POSITIONS, type LidPosition } from '#core/heat/lid'
import type { Plan } from '#core/plan/result'
import { ENDING_WORDS, ENDINGS, type Diagnosis, type Ending } from '#core/simulate/diagnose'
import { useUnits } from '../../ui/units/units'
import { diagnoseInWorker } from './use-simulator'
import { SendButton } from '../../ui/forms/send-button'

interface WrongProps {
  request: PlanRequestJson
  plan: Plan
  /** What is known of the batch; left out: as planned. */
  known?: { pourG?: number; simmerMinutes?: number; restMinutes?: number; ended?: Ending } | undefined
}

const LIMITS = { pour: [10, 20_000], minutes: [0, 240] } as const

/** A past batch described roughly: the causes that fit, and the change that would have helped most. */
export default function WrongWithMine({ request, plan, known = {} }: WrongProps) {
  const { say, label, shown, read } = useUnits()
  const [found, setFound] = useState<Diagnosis>()
  const [wrong, setWrong] = useState<string>()
  const [busy, setBusy] = useState(false)
  const simmer = plan.stages.find((s) => s.kind === 'simmer')
  const ask = async (form: FormData) => {
    const number = (name: string) => Number(String(form.get(name) ?? '').replace(',', '.'))
    const [pourG, simmerMinutes, restMinutes] = [
      read('mass', number('pour')),
      number('simmer'),
      number('rest'),
    ]
    const bad = !(pourG >= LIMITS.pour[0] && pourG <= LIMITS.pour[1])
      ? say(`Enter ${LIMITS.pour.join(' to ')} g.`)
      : !(simmerMinutes >= 0 && simmerMinutes <= LIMITS.minutes[1]) ||
          !(restMinutes >= 0 && restMinutes <= LIMITS.minutes[1])
        ? `Minutes from ${LIMITS.minutes.join(' to ')}.`
        : undefined
    setWrong(bad)
    if (bad) return
    setBusy(true)
    setFound(
      await diagnoseInWorker(
        { ...request, method: 'covered-simmer' },
        {
          pourG,
          simmerMinutes,
          restMinutes,
          lid: form.get('lid') as LidPosition,
          ended: form.get('ended') as Ending,
        },
      ),
    )
    setBusy(false)
  }
  return (
    <section aria-label="What went wrong with mine" id="wrong">
      <h2 className="place-part">What went wrong with mine?</h2>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void ask(new FormData(event.currentTarget))
        }}
      >
        <p className="quiet small">For this grain in this pot. Enter what you remember.</p>
        <div className="chips">
          <NumberInput
            name="pour"
            label={label('Water, g')}
            w={120}
            defaultValue={shown('mass', Math.round(known.pourG ?? plan.water.pour_g))}
            allowNegative={false}
          />
          <NumberInput
            name="simmer"
            label="Lowest heat, min"
            w={140}
            defaultValue={Math.round(known.simmerMinutes ?? simmer?.minutes.expected ?? 15)}
            allowNegative={false}
          />
          <NumberInput
            name="rest"
            label="Rest, min"
            w={110}
            defaultValue={Math.round(known.restMinutes ?? 10)}
            allowNegative={false}
          />
          <NativeSelect name="lid" label="Lid" data={[...LID_POSITIONS]} />
          <NativeSelect
            name="ended"
            label="It was"
            defaultValue={known.ended ?? ENDINGS[0]}
            data={ENDINGS.map((id) => ({ value: id, label: ENDING_WORDS[id] }))}
          />
        </div>
        <SendButton type="submit" variant="default" mt="sm" busy={busy}>
          Find the cause
        </SendButton>
      </form>
      {wrong && <p role="alert">{wrong}</p>}
      {found && (
        <div role="status">
          <ol>
            {found.causes.map(({ id, says, looks, share }) => (
              <li key={id}>
                {say(says)} ({Math.round(share * 100)} %)
                <span className="quiet small"> · it looks like: {looks}</span>
              </li>
            ))}
          </ol>
          {found.change && (
            <p>
              <b>The smallest change that helps: {say(found.change.says)}.</b>
            </p>
          )}
        </div>
      )}
    </section>
  )
}
