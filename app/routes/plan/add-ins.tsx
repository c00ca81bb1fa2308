import { Button, NativeSelect, NumberInput, Stack, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import type { Plan } from '#core/plan/result'
import { addInAmount, amountWords } from '#core/plan/stage-amounts'
import { readAddIn, type ReadAddIn } from '#core/seasoning/read-add-in'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import { parseQuantity } from '#core/units/parse-quantity'
import { OUT_WORDS, WHEN_WORDS } from '../../planning/add-in-words'
import { volumeOf } from '../../planning/household-measures'
import { addInPlanned, saltPlanned, saltEntered } from '../../planning/entered-amounts'
import { speakingOf, type PlanAddIn, type PlanningData, type PlanState } from '../../planning/plan-state'
import { useUnits } from '../../ui/units/units'

interface AddInsProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
  plan: Plan
  household: PlanningData
}

/** Salt and stock by amounts, and what is cooked along, as it is counted. */
export default function AddIns(props: AddInsProps) {
  const { state, change } = props
  return (
    <Stack gap="xs">
      <NewAddIn {...props} />
      {state.addIns.map((addIn, i) => (
        <AddInRow
          key={`${addIn.name} ${i}`}
          addIn={addIn}
          {...props}
          put={(next) => change({ addIns: state.addIns.flatMap((a, k) => (k === i ? next : [a])) })}
        />
      ))}
      <OwnSalt key={`salt ${state.salt}`} {...props} />
      <NumberInput
        size="xs"
        label="Replace water with stock, %"
        value={Math.round(state.stock * 100)}
        min={0}
        max={100}
        step={25}
        clampBehavior="strict"
        onChange={(n) => change({ stock: (Number(n) || 0) / 100 })}
      />
    </Stack>
  )
}

const WHY: Record<Extract<ReadAddIn, { ok: false }>['why'], string> = {
  'no-amount': 'Enter how much and of what, for example 2 bay leaves or 80 g peas.',
  range: 'Enter one amount, for example 2 bay leaves.',
  'no-name': 'Enter what it is, for example 80 g peas.',
  'weight-needed': 'Enter its weight, for example 30 g; how it is counted is not known here.',
}

/** One field for all of it: "2 bay leaves", "80 g peas", "1 tbsp butter". */
function NewAddIn({ state, change, plan, household }: AddInsProps) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string>()
  const add = () => {
    if (state.addIns.length >= LIMITS.add_ins) return setWrong(`You can add up to ${LIMITS.add_ins} things.`)
    const read = readAddIn(
      text,
      household.measures.map((m) => m.name),
      (quantity) => volumeOf(quantity, household),
    )
    if (!read.ok) return setWrong(WHY[read.why])
    const addIn = addInPlanned(read.addIn, plan.grain.mass_g)
    if (addIn.grams > LIMITS.add_in_g[1])
      return setWrong(`That is more than ${LIMITS.add_in_g[1] / 100} times the weight of the grain.`)
    change({ addIns: [...state.addIns, addIn] })
    setText('')
    setWrong(undefined)
  }
  return (
    <div>
      <TextInput
        size="xs"
        label="Cooked along"
        placeholder="2 bay leaves, 80 g peas, 1 tbsp butter"
        value={text}
        error={wrong}
        maxLength={80}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && add()}
        data-autofocus
      />
      <Button size="xs" mt={6} variant="default" onClick={add}>
        Add it
      </Button>
    </div>
  )
}

/** One thing cooked along: how much, when it goes in, and whether it comes out again. */
function AddInRow({
  addIn,
  state,
  plan,
  household,
  put,
}: AddInsProps & { addIn: PlanAddIn; put: (next: PlanAddIn[]) => void }) {
  const { say } = useUnits()
  const speaking = speakingOf(state, household)
  const grams = (addIn.grams * plan.grain.mass_g) / 100
  const words = say(amountWords(addInAmount({ name: addIn.name, grams }, speaking), speaking))
  return (
    <div>
      <UnstyledButton className="chip" onClick={() => put([])} aria-label={`Leave out ${words}`}>
        {words} ✕
      </UnstyledButton>
      <details>
        <summary>
          {WHEN_WORDS[addIn.when]}, {OUT_WORDS[addIn.out]}
        </summary>
        <NativeSelect
          size="xs"
          label="Goes in"
          value={addIn.when}
          onChange={(event) => put([{ ...addIn, when: event.currentTarget.value as PlanAddIn['when'] }])}
          data={ADD_IN_TIMES.map((t) => ({ value: t, label: WHEN_WORDS[t] }))}
        />
        <NativeSelect
          size="xs"
          label="Later"
          value={addIn.out}
          onChange={(event) => put([{ ...addIn, out: event.currentTarget.value as PlanAddIn['out'] }])}
          data={ADD_IN_OUTS.map((t) => ({ value: t, label: OUT_WORDS[t] }))}
        />
        <NumberInput
          size="xs"
          label="Of it is water, %"
          value={Math.round(addIn.water * 100)}
          min={0}
          max={100}
          clampBehavior="strict"
          onChange={(n) => put([{ ...addIn, water: (Number(n) || 0) / 100 }])}
        />
      </details>
    </div>
  )
}

/** Salt by the spoon or the scale, for this batch. */
function OwnSalt({ change, plan, household }: AddInsProps) {
  const { say } = useUnits()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string>()
  const tell = () => {
    if (text.trim() === '') return
    const read = parseQuantity(
      text.replace(/\bsalt\b/i, ''),
      household.measures.map((m) => m.name),
    )
    const grams = read.ok && read.rest === '' ? saltEntered(read.quantity, household) : undefined
    if (grams === undefined) return setWrong(say('Enter spoons or a weight, for example 1 tsp or 6 g.'))
    const percent = saltPlanned(grams, plan)
    const [, most] = LIMITS.salt_percent
    if (percent > most) return setWrong(`That would be ${Math.round(percent)} % salt; the most is ${most} %.`)
    setWrong(undefined)
    change({ salt: percent })
  }
  return (
    <TextInput
      size="xs"
      label="Own salt"
      placeholder="1 tsp"
      value={text}
      error={wrong}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={tell}
      onKeyDown={(event) => event.key === 'Enter' && tell()}
    />
  )
}
