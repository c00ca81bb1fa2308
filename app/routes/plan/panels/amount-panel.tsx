import { NativeSelect, NumberInput, SegmentedControl, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { AVOIDABLE } from '#core/eaters/avoid'
import { parsePeople } from '#core/eaters/party'
import { LIMITS } from '#core/contract/plan-request'
import { useUnits } from '../../../ui/units/units'
import { measureChoices } from '../../../planning/household-measures'

import { measuredWord } from '../../../planning/plan-words'
import { readDryAmount } from '../../../planning/read-dry-amount'
import { OwnMeasure } from './own-measure'
import type { PanelProps } from './panel-props'

/** How much: for how many people, or so much dry grain in any measure of this kitchen. */
export function AmountPanel({ state, change, household }: PanelProps) {
  const ready = household.leftovers.filter((k) => k.variety === state.grain)
  const portions = Math.floor(ready.reduce((sum, k) => sum + k.portions, 0) + 1e-9)
  const { basis, value } = state.amount
  const [min, max] = LIMITS.amount.servings
  return (
    <Stack gap="sm">
      <SegmentedControl
        aria-label="Enter as"
        value={basis === 'servings' ? 'servings' : 'dry'}
        onChange={(next) =>
          change({
            amount:
              next === 'servings'
                ? { basis: 'servings', value: 4 }
                : household.units === 'cups'
                  ? { basis: 'measure', value: 2, measure: 'cup' }
                  : { basis: 'dry-mass', value: 250 },
            who: null,
          })
        }
        data={[
          { value: 'servings', label: 'People' },
          { value: 'dry', label: 'Dry grain' },
        ]}
      />
      {basis === 'servings' ? (
        <>
          <Who state={state} change={change} household={household} />
          <NumberInput
            key={state.who ?? ''}
            label="Portions"
            description={`${min} to ${max}`}
            defaultValue={value}
            min={min}
            max={max}
            step={1}
            decimalScale={2}
            allowedDecimalSeparators={[',', '.']}
            clampBehavior="blur"
            allowNegative={false}
            onChange={(next) => {
              const n = Number(next)
              if (next !== '' && n >= min && n <= max)
                change({ amount: { basis: 'servings', value: n }, who: null })
            }}
          />
        </>
      ) : (
        <DryGrain state={state} change={change} household={household} />
      )}
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
          value={state.leftoverPortions}
          min={0}
          max={Math.min(portions, Math.max(0, value - 1))}
          clampBehavior="strict"
          allowNegative={false}
          onChange={(n) => change({ leftoverPortions: Number(n) || 0 })}
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

/** Dry grain as a cook types it: "1½ cups", "2 mugs", "300 g"; a bare number counts what was counted before. */
function DryGrain({ state, change, household }: PanelProps) {
  const { say, mass, system } = useUnits()
  const choices = measureChoices(household)
  const { amount } = state
  const counted = amount.basis === 'measure' ? amount.measure : 'g'
  const [typed, setTyped] = useState(() =>
    amount.basis === 'measure' ? measuredWord(amount, household) : mass(amount.value),
  )
  const [error, setError] = useState<string>()
  /** A bare number counts what this kitchen weighs in. */
  const inWeight = (text: string, unit: string) =>
    unit === 'g' && system === 'us' && /^[\d.,½¼¾⅓⅔⅛\s/]+$/.test(text) ? `${text} oz` : text
  const take = (text: string, unit = counted) => {
    setTyped(text)
    const read = readDryAmount(inWeight(text, unit), unit, household)
    setError(read.ok ? undefined : read.message)
    if (read.ok) change({ amount: read.amount, who: null })
  }
  return (
    <>
      <TextInput
        label="Dry grain"
        description={system === 'us' ? '1½ cups, 2 mugs, 10 oz' : '1½ cups, 2 mugs, 300 g'}
        value={typed}
        maxLength={40}
        error={error}
        data-autofocus
        onChange={(event) => take(event.currentTarget.value)}
      />
      <NativeSelect
        label="Measured by"
        value={counted}
        onChange={(event) => {
          const unit = event.currentTarget.value
          const number = amount.basis === 'measure' ? amount.value : unit === 'g' ? 250 : 2
          take(unit === 'g' ? mass(250) : String(number), unit)
        }}
        data={[
          { value: 'g', label: system === 'us' ? 'ounces' : 'grams' },
          ...choices.map(({ id, label }) => ({ value: id, label: say(label) })),
        ]}
      />
      <OwnMeasure ids={household.measures.map((m) => m.id)} onAdded={(id) => take('1', `own:${id}`)} />
    </>
  )
}

/** Who is eating, in a sentence: it sets the portions, the texture where someone minds, and what no grain may hold. */
function Who({ state, change, household }: PanelProps) {
  const [typed, setTyped] = useState(state.who ?? '')
  const party = typed.trim() === '' ? undefined : parsePeople(typed, household.eaters)
  // "2 cups" is no people: it is taken as dry grain when it is entered.
  const dry = party && !party.ok ? readDryAmount(typed, '', household) : undefined
  const grain = dry?.ok && dry.amount.basis !== 'servings' ? dry.amount : undefined
  const takeGrain = () => grain && change({ amount: grain, who: null })
  const names = household.eaters.map((e) => e.name)
  const partyWords = party?.ok
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
      maxLength={LIMITS.eating_text}
      description={grain ? 'dry grain, as entered' : partyWords}
      error={party && !party.ok && !grain ? party.message : undefined}
      onBlur={takeGrain}
      onKeyDown={(event) => event.key === 'Enter' && takeGrain()}
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
