import { Button, NativeSelect, NumberInput, Stack, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/seasoning/seasoning'
import type { PlanAddIn, PlanState } from '../../planning/plan-state'
import { OUT_WORDS, WHEN_WORDS } from '../../planning/add-in-words'

const BLANK: PlanAddIn = { name: '', grams: 1, water: 0, salt: 0, when: 'with-water', out: 'stays' }

interface CompanyProps {
  state: PlanState
  change: (next: Partial<PlanState>) => void
}

/** Stock, and what is cooked along. */
export default function AddIns({ state, change }: CompanyProps) {
  const [next, setNext] = useState(BLANK)
  const [wrong, setWrong] = useState<string>()
  const add = () => {
    if (next.name.trim() === '') return setWrong('Enter what you are adding.')
    if (state.addIns.length >= LIMITS.add_ins) return setWrong(`You can add up to ${LIMITS.add_ins} things.`)
    change({ addIns: [...state.addIns, { ...next, name: next.name.trim() }] })
    setNext(BLANK)
    setWrong(undefined)
  }
  return (
    <Stack gap="xs">
      <NumberInput
        size="xs"
        label="Replace water with stock, %"
        value={Math.round(state.stock * 100)}
        min={0}
        max={100}
        step={25}
        clampBehavior="strict"
        onChange={(n) => change({ stock: (Number(n) || 0) / 100 })}
        data-autofocus
      />
      {state.addIns.map((a, i) => (
        <UnstyledButton
          key={i}
          className="chip"
          onClick={() => change({ addIns: state.addIns.filter((_, k) => k !== i) })}
          aria-label={`Leave out ${a.name}`}
        >
          {a.name}, {a.grams} g per 100 g, {WHEN_WORDS[a.when]} ✕
        </UnstyledButton>
      ))}
      <TextInput
        size="xs"
        label="Add an ingredient"
        value={next.name}
        error={wrong}
        maxLength={60}
        onChange={(event) => setNext({ ...next, name: event.currentTarget.value })}
      />
      <NumberInput
        size="xs"
        label="g for each 100 g of dry grain"
        value={next.grams}
        min={0}
        max={LIMITS.add_in_g[1]}
        decimalScale={1}
        clampBehavior="strict"
        onChange={(n) => setNext({ ...next, grams: Number(n) || 0 })}
      />
      <NumberInput
        size="xs"
        label="water content, %"
        value={Math.round(next.water * 100)}
        min={0}
        max={100}
        clampBehavior="strict"
        onChange={(n) => setNext({ ...next, water: (Number(n) || 0) / 100 })}
      />
      <NativeSelect
        size="xs"
        label="Goes in"
        value={next.when}
        onChange={(event) => setNext({ ...next, when: event.currentTarget.value as PlanAddIn['when'] })}
        data={ADD_IN_TIMES.map((t) => ({ value: t, label: WHEN_WORDS[t] }))}
      />
      <NativeSelect
        size="xs"
        label="later"
        value={next.out}
        onChange={(event) => setNext({ ...next, out: event.currentTarget.value as PlanAddIn['out'] })}
        data={ADD_IN_OUTS.map((t) => ({ value: t, label: OUT_WORDS[t] }))}
      />
      <Button size="xs" onClick={add}>
        Add it
      </Button>
    </Stack>
  )
}
