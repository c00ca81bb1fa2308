import { Button, Group, TextInput } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import { useUnits } from '../../ui/units/units'
import { parseAmount } from '../../ui/forms/parse-amount'
import type { Gauge } from '../../planning/gauges'

/** What was poured, stated in the gauge in hand. */
export default function Poured({ at, onPoured }: { at: Gauge; onPoured: (pourG: number) => void }) {
  const { say } = useUnits()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string>()
  const tell = () => {
    const read = parseAmount(text)
    if ('error' in read) return setWrong(read.error)
    const pour = at.pourOf(read.amount)
    if (Number.isNaN(pour)) return setWrong('This pot has no line with that number.')
    const [min, max] = LIMITS.pour_override_g
    if (!(pour >= min && pour <= max))
      return setWrong(
        pour < 0
          ? 'That is below the grain, so no water was added.'
          : say(`That would be ${Math.round(pour)} g of water; the maximum is ${max} g of water.`),
      )
    setWrong(undefined)
    onPoured(Math.round(pour))
  }
  return (
    <Group align="flex-start" gap="xs" wrap="nowrap">
      <TextInput
        size="xs"
        aria-label={`I added, ${at.unit}`}
        placeholder={at.unit}
        value={text}
        error={wrong}
        inputMode="decimal"
        data-autofocus
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && tell()}
      />
      <Button size="xs" variant="default" onClick={tell}>
        What happens then?
      </Button>
    </Group>
  )
}
