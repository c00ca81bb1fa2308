import { Button, NativeSelect, NumberInput, Popover, Stack, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { LIMITS } from '#core/contract/plan-request'
import { inSpoons } from '#core/finish/dressing'
import type { Plan } from '#core/plan/result'
import { CRYSTALS, teaspoonsOf, type CrystalId } from '#core/season/salt'
import { ADD_IN_OUTS, ADD_IN_TIMES } from '#core/season/seasoning'
import { inScoops } from '#core/quantity/fractions'
import type { BenchAddIn, BenchState } from './bench-state'
import classes from './before.module.css'

const SALTS = [
  { value: null, word: 'none' },
  { value: 0.5, word: 'light' },
  { value: 1, word: 'seasoned' },
] as const
export const WHEN_WORDS: Record<BenchAddIn['when'], string> = {
  'with-water': 'with the water', 'on-top': 'on top, before the heat', 'at-boil': 'at the boil', 'fold-in': 'folded in after the rest', 'at-table': 'at the table',
}
export const OUT_WORDS: Record<BenchAddIn['out'], string> = { stays: 'stays in', 'at-boil': 'out at the boil', 'after-rest': 'out after the rest' }

interface SeasonProps {
  state: BenchState
  change: (next: Partial<BenchState>) => void
  plan: Plan
  crystal: CrystalId
}

/** Salt by what is wanted in the end, stock and things cooked along; grams, and the spoon for the crystal in the house. */
export function Season({ state, change, plan, crystal }: SeasonProps) {
  const { salt_to_add_g, stock_g } = plan.seasoning
  const spoons = inScoops(teaspoonsOf(salt_to_add_g, crystal))
  const said = [
    state.salt === null ? '' : salt_to_add_g < 0.1 ? 'no salt to add' : `${salt_to_add_g.toFixed(1)} g: ${spoons.text} tsp ${CRYSTALS[crystal].name}`,
    stock_g > 0 ? `${Math.round(stock_g)} g of the water is stock` : '',
    plan.dressing ? dressingWords(plan.dressing, crystal) : '',
    ...plan.seasoning.add_ins.map((a) => `${Math.round(a.grams * 10) / 10} g ${a.name}`),
  ].filter(Boolean)
  return (
    <div className={classes.block}>
      <h2 className="eyebrow">Salt and company</h2>
      <div className="chips">
        {SALTS.map(({ value, word }) => (
          <UnstyledButton key={word} className="chip" aria-pressed={state.salt === value} onClick={() => change({ salt: value })} aria-label={`Salt: ${word}`}>
            {word}
          </UnstyledButton>
        ))}
        <Popover position="right" width={320} trapFocus returnFocus shadow="md">
          <Popover.Target>
            <UnstyledButton className="chip" aria-pressed={state.addIns.length > 0 || state.stock > 0}>
              more …
            </UnstyledButton>
          </Popover.Target>
          <Popover.Dropdown>
            <Company state={state} change={change} />
          </Popover.Dropdown>
        </Popover>
      </div>
      {said.length > 0 && <p className={classes.hint}>{said.join(', ')}</p>}
    </div>
  )
}

/** "dressing 45 mL vinegar, 18 g sugar, 4.8 g salt (2 tsp flaky), 21 mL to a cup of dry grain". */
function dressingWords(d: NonNullable<Plan['dressing']>, crystal: CrystalId): string {
  const salt = d.salt_g + d.salt_last_g
  return `dressing ${Math.round(d.vinegar_ml)} mL vinegar, ${Math.round(d.sugar_g)} g sugar, ${salt.toFixed(1)} g salt (${inScoops(inSpoons({ sugarG: d.sugar_g, saltG: d.salt_g, saltLastG: d.salt_last_g, vinegarMl: d.vinegar_ml }, crystal).salt).text} tsp ${CRYSTALS[crystal].name})${d.salt_last_g > 0 ? ' last' : ''}; ${Math.round(d.ml_per_240_ml_dry)} mL of it to 240 mL dry`
}

const BLANK: BenchAddIn = { name: '', grams: 1, water: 0, salt: 0, when: 'with-water', out: 'stays' }

function Company({ state, change }: Pick<SeasonProps, 'state' | 'change'>) {
  const [next, setNext] = useState(BLANK)
  const [wrong, setWrong] = useState<string>()
  const add = () => {
    if (next.name.trim() === '') return setWrong('Say what it is.')
    if (state.addIns.length >= LIMITS.add_ins) return setWrong(`${LIMITS.add_ins} things are the most.`)
    change({ addIns: [...state.addIns, { ...next, name: next.name.trim() }] })
    setNext(BLANK)
    setWrong(undefined)
  }
  return (
    <Stack gap="xs">
      <NumberInput size="xs" label="Stock instead of water, %" value={Math.round(state.stock * 100)} min={0} max={100} step={25} clampBehavior="strict" onChange={(n) => change({ stock: (Number(n) || 0) / 100 })} data-autofocus />
      {state.addIns.map((a, i) => (
        <UnstyledButton key={i} className="chip" onClick={() => change({ addIns: state.addIns.filter((_, k) => k !== i) })} aria-label={`Leave out ${a.name}`}>
          {a.name}, {a.grams} g per 100 g, {WHEN_WORDS[a.when]} ✕
        </UnstyledButton>
      ))}
      <TextInput size="xs" label="Something cooked along" value={next.name} error={wrong} maxLength={60} onChange={(event) => setNext({ ...next, name: event.currentTarget.value })} />
      <NumberInput size="xs" label="g for each 100 g of dry grain" value={next.grams} min={0} max={LIMITS.add_in_g[1]} decimalScale={1} clampBehavior="strict" onChange={(n) => setNext({ ...next, grams: Number(n) || 0 })} />
      <NumberInput size="xs" label="of it water, %" value={Math.round(next.water * 100)} min={0} max={100} clampBehavior="strict" onChange={(n) => setNext({ ...next, water: (Number(n) || 0) / 100 })} />
      <NativeSelect size="xs" label="Goes in" value={next.when} onChange={(event) => setNext({ ...next, when: event.currentTarget.value as BenchAddIn['when'] })} data={ADD_IN_TIMES.map((t) => ({ value: t, label: WHEN_WORDS[t] }))} />
      <NativeSelect size="xs" label="and then" value={next.out} onChange={(event) => setNext({ ...next, out: event.currentTarget.value as BenchAddIn['out'] })} data={ADD_IN_OUTS.map((t) => ({ value: t, label: OUT_WORDS[t] }))} />
      <Button size="xs" onClick={add}>
        Add it
      </Button>
    </Stack>
  )
}
