import { NativeSelect } from '@mantine/core'

interface HandsProps {
  title: string
  names: readonly string[]
  hand: number | undefined
  onGive: (hand: number) => void
}

/** Which cook has a dish, and handing it over. */
export function Hands({ title, names, hand, onGive }: HandsProps) {
  if (hand === undefined) return null
  return (
    <NativeSelect
      size="xs"
      aria-label={`Who does the ${title}`}
      value={String(hand)}
      onChange={(event) => onGive(Number(event.currentTarget.value))}
      data={names.map((label, i) => ({ value: String(i), label }))}
    />
  )
}
