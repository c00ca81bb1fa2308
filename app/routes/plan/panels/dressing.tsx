import { Group, NumberInput, Stack, Text, UnstyledButton } from '@mantine/core'
import { LIMITS } from '#core/contract/plan-request'
import { DRESSINGS } from '#core/finish/dressing'
import { DRESSING_CHOICES, type PlanState } from '../../../planning/plan-state'

const USUAL: NonNullable<PlanState['dressing']> = { style: 'usual', infuse: 0, set: 0, ml: null }

/** How the vinegar is seasoned, and what lead it asks for. */
export function Dressing({
  state,
  change,
}: {
  state: PlanState
  change: (next: Partial<PlanState>) => void
}) {
  const at = state.dressing ?? USUAL
  const set = (more: Partial<NonNullable<PlanState['dressing']>>) => change({ dressing: { ...at, ...more } })
  return (
    <Stack gap="xs">
      <Text size="sm" fw={600}>
        Vinegar dressing per 100 g dry grain
      </Text>
      <div className="chips" role="group" aria-label="Dressing">
        {DRESSING_CHOICES.map((style) => (
          <UnstyledButton
            key={style}
            className="chip"
            aria-pressed={at.style === style}
            onClick={() => set({ style, ml: null })}
          >
            {style === 'none' ? 'none' : DRESSINGS[style].name}
          </UnstyledButton>
        ))}
      </div>
      {at.style !== 'none' && (
        <>
          <Text size="sm">
            {at.ml === null ? '' : 'ratio '}
            {DRESSINGS[at.style].vinegar} g vinegar, {DRESSINGS[at.style].sugar} g sugar,{' '}
            {DRESSINGS[at.style].salt} g salt{DRESSINGS[at.style].saltLast ? ', sprinkled over last' : ''}
          </Text>
          <NumberInput
            size="xs"
            label="or mL per 240 mL dry grain"
            placeholder="by the proportions above"
            value={at.ml ?? ''}
            min={LIMITS.dressing_ml[0]}
            max={LIMITS.dressing_ml[1]}
            decimalScale={1}
            clampBehavior="blur"
            allowNegative={false}
            onChange={(n) =>
              set({
                ml:
                  typeof n === 'number' && n >= LIMITS.dressing_ml[0] && n <= LIMITS.dressing_ml[1]
                    ? n
                    : null,
              })
            }
          />
          <Group grow align="flex-end">
            <NumberInput
              size="xs"
              label="Infuse, min"
              value={at.infuse}
              min={0}
              max={LIMITS.infuse_minutes[1]}
              step={30}
              clampBehavior="strict"
              allowNegative={false}
              onChange={(n) => set({ infuse: Number(n) || 0 })}
            />
            <NumberInput
              size="xs"
              label="Rest after mixing, min"
              value={at.set}
              min={0}
              max={LIMITS.set_minutes[1]}
              step={5}
              clampBehavior="strict"
              allowNegative={false}
              onChange={(n) => set({ set: Number(n) || 0 })}
            />
          </Group>
        </>
      )}
    </Stack>
  )
}
