import { Group, NativeSelect, Stack, TextInput, UnstyledButton } from '@mantine/core'
import { useState } from 'react'
import { Form, useNavigation } from 'react-router'
import { fieldInBase } from '#core/units/typed-field'
import { HOUSEHOLD_LIMITS } from '#core/contract/equipment'
import { boilingPointAt } from '#core/heat/boiling-point'
import { celsius, metres, type Celsius } from '#core/units/units'
import { MATERIAL_IDS, MATERIALS, type MaterialId } from '#core/vessel/materials'
import {
  minutesToBoil,
  POT_SHAPE_IDS,
  POT_SHAPES,
  potAtAGlance,
  TAP,
  type PotShape,
} from '#core/vessel/in-a-minute'
import type { Vessel } from '#core/vessel/vessel'
import type { HeatRow } from '#server/store/equipment'
import { useUnits } from '../../ui/units/units'
import { errorAt, otherErrors, type Refused } from '../../ui/forms/errors'
import { SendButton } from '../../ui/forms/send-button'
import classes from './pots.module.css'
import { FormId } from '../../ui/forms/form-id'

interface PotInAMinuteProps {
  heats: readonly HeatRow[]
  elevationM: number
  kitchenC: number
  refused: Refused | undefined
}

const FIELDS = ['name', 'rim_diameter_mm', 'height_mm', 'empty_g', 'material'] as const
const numberOf = (text: string, [min, max]: readonly [number, number]): number | undefined => {
  const n = Number(text.replace(',', '.'))
  return text.trim() !== '' && n >= min && n <= max ? n : undefined
}

/** A new pot from its shape, two measures and its weight: what it holds and when it boils is said while one types. */
export function PotInAMinute({ heats, elevationM, kitchenC, refused }: PotInAMinuteProps) {
  const { label, system } = useUnits()
  const busy = useNavigation().state !== 'idle'
  const mine = refused?.typed.quick === 'yes' ? refused : undefined
  const [shape, setShape] = useState<PotShape>('straight')
  const [rim, setRim] = useState(mine?.typed.rim_diameter_mm ?? '')
  const [height, setHeight] = useState(mine?.typed.height_mm ?? '')
  const [empty, setEmpty] = useState(mine?.typed.empty_g ?? '')
  const [material, setMaterial] = useState<MaterialId>(
    (mine?.typed.material as MaterialId | undefined) ?? 'steel',
  )
  const [rimMm, heightMm, emptyG] = [
    numberOf(fieldInBase('length', rim, system), HOUSEHOLD_LIMITS.diameter_mm),
    numberOf(fieldInBase('length', height, system), HOUSEHOLD_LIMITS.height_mm),
    numberOf(fieldInBase('mass', empty, system), HOUSEHOLD_LIMITS.empty_g),
  ]
  const pot =
    rimMm && heightMm && emptyG ? potAtAGlance({ shape, rimMm, heightMm, emptyG, material }) : undefined
  const half = pot ? Math.round(pot.capacity / 2 / 50) * 50 : 0
  const boil = boilingPointAt(metres(elevationM))
  return (
    <Form method="post" noValidate>
      <FormId />
      <Stack gap="sm">
        <input type="hidden" name="quick" value="yes" />
        <input type="hidden" name="kind" value="pot" />
        <input type="hidden" name="lid" value="tight" />
        <input type="hidden" name="lining" value="bare" />
        <input type="hidden" name="capacity_ml" value={pot ? `${Math.round(pot.capacity)} mL` : ''} />
        <input
          type="hidden"
          name="base_diameter_mm"
          value={rimMm ? `${Math.round(rimMm * POT_SHAPES[shape].base)} mm` : ''}
        />
        <TextInput
          name="name"
          label="Name"
          defaultValue={mine?.typed.name ?? ''}
          error={errorAt(mine, 'name')}
          data-autofocus
        />
        <ShapePick shape={shape} setShape={setShape} />
        <Group grow align="flex-start">
          <TextInput
            name="rim_diameter_mm"
            label={label('Diameter inside, mm')}
            inputMode="decimal"
            value={rim}
            onChange={(e) => setRim(e.currentTarget.value)}
            error={errorAt(mine, 'rim_diameter_mm')}
          />
          <TextInput
            name="height_mm"
            label={label('Height inside, mm')}
            inputMode="decimal"
            value={height}
            onChange={(e) => setHeight(e.currentTarget.value)}
            error={errorAt(mine, 'height_mm')}
          />
        </Group>
        <Group grow align="flex-start">
          <TextInput
            name="empty_g"
            label={label('Empty with its lid, g')}
            inputMode="decimal"
            value={empty}
            onChange={(e) => setEmpty(e.currentTarget.value)}
            error={errorAt(mine, 'empty_g')}
          />
          <NativeSelect
            name="material"
            label="Made of"
            value={material}
            onChange={(e) => setMaterial(e.currentTarget.value as MaterialId)}
            data={MATERIAL_IDS.map((id) => ({ value: id, label: MATERIALS[id].word }))}
          />
        </Group>
        <WhatItHolds pot={pot} heats={heats} half={half} boil={boil} kitchenC={kitchenC} />
        {otherErrors(mine, FIELDS) && <p role="alert">{otherErrors(mine, FIELDS)}</p>}
        <Group justify="flex-end">
          <SendButton type="submit" name="intent" value="save-vessel" busy={busy}>
            Add
          </SendButton>
        </Group>
      </Stack>
    </Form>
  )
}

function ShapePick({
  shape,
  setShape,
}: {
  shape: 'straight' | 'tapered' | 'bowl'
  setShape: (next: 'straight' | 'tapered' | 'bowl') => void
}) {
  return (
    <div role="radiogroup" aria-label="Shape" className={classes.shapes}>
      {POT_SHAPE_IDS.map((id) => (
        <UnstyledButton
          key={id}
          role="radio"
          aria-checked={shape === id}
          className={classes.shape}
          onClick={() => setShape(id)}
        >
          <svg viewBox="0 0 60 36" width="60" height="36" aria-hidden>
            <path d={`M6 6 L${30 - 24 * POT_SHAPES[id].base} 31 H${30 + 24 * POT_SHAPES[id].base} L54 6`} />
            <path d="M3 6H9M51 6H57" />
          </svg>
          {POT_SHAPES[id].word}
        </UnstyledButton>
      ))}
    </div>
  )
}

/** Capacity and minutes to the boil, as soon as both can be computed. */
function WhatItHolds({
  pot,
  heats,
  half,
  boil,
  kitchenC,
}: {
  pot: Vessel | undefined
  heats: readonly HeatRow[]
  half: number
  boil: Celsius
  kitchenC: number
}) {
  const { capacity } = useUnits()
  return (
    <div role="status">
      {pot ? (
        <>
          <p className={classes.holds}>
            It holds <b>{capacity(pot.capacity)}</b>. Half full and covered it boils
          </p>
          <ul className={classes.boils}>
            {heats.map((row) => {
              const minutes = minutesToBoil({
                vessel: pot,
                source: {
                  ratedW: row.rated_w * row.power_factor,
                  efficiency: row.efficiency,
                  kind: 'gas',
                },
                waterG: half,
                from: TAP,
                boil,
                kitchen: celsius(kitchenC),
              })
              return (
                <li key={row.id}>
                  on the {row.name}{' '}
                  {Number.isFinite(minutes) ? `in about ${Math.round(minutes)} min` : 'never'}
                </li>
              )
            })}
          </ul>
          <p className="quiet small">The first real boil corrects it.</p>
        </>
      ) : (
        <p className="quiet">Enter diameter, height and weight to see capacity and boiling time.</p>
      )}
    </div>
  )
}
