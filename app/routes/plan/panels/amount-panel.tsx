import { NumberInput, SegmentedControl, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { AVOIDABLE } from '#core/eaters/avoid'
import { parsePeople } from '#core/eaters/party'
import { LIMITS } from '#core/contract/plan-request'
import { MAX_WHO } from '../../../planning/plan-address'
import type { PanelProps } from './panel-props'

/** Grams for each eater when a number of eaters turns into grams: only a place to start from. */
export function AmountPanel({ state, change, household }: PanelProps) {
  const ready = household.kept.filter((k) => k.variety === state.grain)
  const portions = Math.floor(ready.reduce((sum, k) => sum + k.portions, 0) + 1e-9)
  const { basis, value } = state.amount
  const [min, max] = LIMITS.amount[basis]
  return (
    <Stack gap="sm">
      <SegmentedControl
        aria-label="Enter as"
        value={basis}
        onChange={(next) =>
          change({
            amount: next === 'servings' ? { basis: 'servings', value: 4 } : { basis: 'dry-mass', value: 250 },
          })
        }
        data={[
          { value: 'servings', label: 'People' },
          { value: 'dry-mass', label: 'Dry weight' },
        ]}
      />
      {basis === 'servings' && <Who state={state} change={change} household={household} />}
      <NumberInput
        key={`${basis} ${state.who ?? ''}`}
        label={basis === 'servings' ? 'Portions' : 'Dry grain, g'}
        description={`${min} to ${max}`}
        defaultValue={value}
        min={min}
        max={max}
        step={basis === 'servings' ? 1 : 10}
        decimalScale={basis === 'servings' ? 2 : 1}
        allowedDecimalSeparators={[',', '.']}
        clampBehavior="blur"
        allowNegative={false}
        data-autofocus={basis === 'dry-mass' || undefined}
        onChange={(next) => {
          const n = Number(next)
          if (next !== '' && n >= min && n <= max) change({ amount: { basis, value: n }, who: null })
        }}
      />
      {basis === 'servings' && (
        <NumberInput
          label="Extra portions for later"
          description="lunches or another day, on top of the meal"
          value={state.keep}
          min={0}
          max={LIMITS.keep_servings[1]}
          clampBehavior="strict"
          allowNegative={false}
          onChange={(n) => change({ keep: Number(n) || 0 })}
        />
      )}
      {basis === 'servings' && portions > 0 && (
        <NumberInput
          label={`Leftovers in the fridge: ${portions === 1 ? 'one portion' : `${portions} portions`}`}
          description="how many to use tonight; reheat them separately"
          value={state.fromKept}
          min={0}
          max={Math.min(portions, Math.max(0, value - 1))}
          clampBehavior="strict"
          allowNegative={false}
          onChange={(n) => change({ fromKept: Number(n) || 0 })}
        />
      )}
      {basis === 'servings' && (
        <SegmentedControl
          aria-label="Appetite"
          value={state.serving}
          onChange={(next) => change({ serving: next as 'side' | 'main' })}
          data={[
            { value: 'side', label: 'As a side' },
            { value: 'main', label: 'As the main' },
          ]}
        />
      )}
    </Stack>
  )
}

/** Who is eating, in a sentence: it sets the portions, the texture where someone minds, and what no grain may hold. */
function Who({ state, change, household }: PanelProps) {
  const [typed, setTyped] = useState(state.who ?? '')
  const party = typed.trim() === '' ? undefined : parsePeople(typed, household.eaters)
  const names = household.eaters.map((e) => e.name)
  const told = party?.ok
    ? [
        `${party.value.portions} portions`,
        party.value.texture !== null &&
          `${party.value.texture < 0.4 ? 'firm' : party.value.texture > 0.6 ? 'soft' : 'standard'} for those who care`,
        party.value.avoids.length > 0 &&
          `no ${party.value.avoids.map((a) => AVOIDABLE[a].word).join(', no ')}`,
      ]
        .filter(Boolean)
        .join(' · ')
    : `like “fourteen, three small, one no gluten”${names.length > 0 ? `, or “${names.slice(0, 2).join(', ')} and two guests”` : ''}`
  return (
    <TextInput
      label="Who is eating"
      value={typed}
      maxLength={MAX_WHO}
      description={told}
      error={party && !party.ok ? party.message : undefined}
      data-autofocus
      onChange={(event) => {
        const text = event.currentTarget.value
        setTyped(text)
        if (text.trim() === '') return change({ who: null })
        const read = parsePeople(text, household.eaters)
        if (!read.ok) return
        const { heads, portions, texture, avoids } = read.value
        // A bare number needs no sentence.
        const plain = heads === portions && texture === null && avoids.length === 0
        change({
          who: plain ? null : text.trim(),
          amount: { basis: 'servings', value: portions },
          ...(texture === null ? {} : { texture }),
        })
      }}
    />
  )
}
