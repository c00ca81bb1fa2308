import { Button, Radio, Stack, Text } from '@mantine/core'
import { HEAT_STYLES } from '#core/method/method'
import type { PanelProps } from './panel-props'
import { vesselOfState, type BenchState } from '../bench-state'
import { LID_WORDS, RELEASE_WORDS, STYLE_WORDS } from '../words'

export function HeatPanel({ state, change, house }: PanelProps) {
  const { kind } = vesselOfState(state, house)
  if (kind === 'cooker')
    return (
      <Text size="sm">
        A switch cooker boils until the water is gone and lets go by itself. The time follows from the water; rest it, then unplug it.
      </Text>
    )
  if (kind === 'pressure-electric')
    return (
      <Stack gap="md">
        <Programmes state={state} change={change} house={house} />
        <Choice label="Pressure" value={state.pressure} words={{ high: 'high', low: 'low, gentler on soft grain' }} pick={(pressure) => change({ pressure })} />
        <Choice label="At the end" value={state.release} words={RELEASE_WORDS} pick={(release) => change({ release })} />
      </Stack>
    )
  return (
    <Stack gap="md">
      <Choice label="Lid" value={state.lidUntilBoil} words={LID_WORDS} pick={(lidUntilBoil) => change({ lidUntilBoil })} />
      <Choice
        label="Heat"
        value={state.heatStyle}
        words={Object.fromEntries(HEAT_STYLES.map((s) => [s, STYLE_WORDS[s]])) as Record<BenchState['heatStyle'], string>}
        pick={(heatStyle) => change({ heatStyle })}
      />
    </Stack>
  )
}

const KNOWN = { known: '', guessed: ', a guess', timed: ', timed' } as const

/** The appliance's own programmes, in the words of this house: one sets what it is known to do, and says how its minutes stand. */
function Programmes({ state, change, house }: PanelProps) {
  const mine = house.programmes.filter((p) => p.vessel_id === state.vesselId)
  if (mine.length === 0) return null
  return (
    <Stack gap={4}>
      <Text size="sm">Its programmes</Text>
      {mine.map((p) => (
        <Button
          key={p.id}
          size="xs"
          variant="default"
          justify="flex-start"
          onClick={() => change({ ...(p.pressure === 'none' ? {} : { pressure: p.pressure }), ...(p.after_it === 'holds-warm' ? { release: 'natural' } : { release: p.after_it }) })}
        >
          {p.name}: {p.minutes === null ? 'minutes not known' : `${p.minutes} min${KNOWN[p.known]}`}, {p.pressure === 'none' ? 'no pressure' : p.pressure}
        </Button>
      ))}
    </Stack>
  )
}

function Choice<T extends string>({ label, value, words, pick }: { label: string; value: T; words: Record<T, string>; pick: (next: T) => void }) {
  return (
    <Radio.Group label={label} value={value} onChange={(next) => pick(next as T)}>
      <Stack gap={6} mt={6}>
        {(Object.entries(words) as [T, string][]).map(([id, word]) => (
          <Radio key={id} value={id} label={word} />
        ))}
      </Stack>
    </Radio.Group>
  )
}
